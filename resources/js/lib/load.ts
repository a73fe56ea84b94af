import { decimalMark, grouped } from '@/lib/digits';
import { addDays, day, period } from '@/lib/format';
import type { LoadFigure, LoadPeriod } from '@/lib/shapes';
import { t } from '@/lib/t';

/** "72.0" from minutes. */
export function hours(minutes: number): string {
    const [whole = '0', tenth = '0'] = (Math.round(minutes / 6) / 10).toFixed(1).split('.');
    return `${grouped(whole)}${decimalMark()}${tenth}`;
}

/** How full, as it is asked for; what has work and is never open has no percentage. */
export function fullness(figure: LoadFigure, as: string): string {
    if (as === 'hours') {
        return hours(figure.load);
    }
    return figure.percent === null ? t('closed') : t(':n %', { n: grouped(String(figure.percent)) });
}

/** "the week of Mon 9 Mar", "Thu 5 Mar", "Mar 2026". */
export function periodName(one: LoadPeriod, bucket: string, today: string): string {
    if (bucket === 'month') {
        return period(one.from, bucket);
    }
    return bucket === 'day' ? day(one.from, today) : t('the week of :day', { day: day(addDays(one.to, -6), today) });
}

/** The figure read in full. */
export function inWords(figure: LoadFigure): string {
    const parts = t(':sales h for sales orders, :forecast h for forecast, :rest h for nobody yet', {
        sales: hours(figure.sales),
        forecast: hours(figure.forecast),
        rest: hours(Math.max(0, figure.load - figure.sales - figure.forecast)),
    });
    return t(':load of :capacity h: :parts', { load: hours(figure.load), capacity: hours(figure.capacity), parts });
}
