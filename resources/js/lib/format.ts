import { decimalMark, grouped } from '@/lib/digits';
import { type Sentence, t, tn } from '@/lib/t';

/** How days and numbers are written: by the language of the page. */
const LOCALE = (typeof document === 'undefined' ? '' : document.documentElement.lang).replace(/^en$/, '') || 'en-GB';

const MINUS = '\u2212';
const WEEKDAYS: Sentence[] = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const MONTHS: Sentence[] = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** A quantity that came as decimal text, with the item's decimals, groups of three and a true minus. Text is never turned into a float. */
export function qty(text: string, decimals?: number): string {
    const negative = text.startsWith('-');
    const [whole = '0', fraction = ''] = text.replace(/^[-+]/, '').split('.');
    const shown = decimals === undefined ? fraction : fraction.padEnd(decimals, '0');
    return (negative ? MINUS : '') + grouped(whole) + (shown === '' ? '' : `${decimalMark()}${shown}`);
}

export function isZero(text: string): boolean {
    return /^-?0*(\.0*)?$/.test(text);
}

const weekdayName = (place: number) => t(WEEKDAYS[place] ?? 'Sun');
const monthName = (place: number) => t(MONTHS[place] ?? 'Jan');

function parts(iso: string): { date: Date; year: number } {
    const date = new Date(`${iso.slice(0, 10)}T00:00:00Z`);
    return { date, year: date.getUTCFullYear() };
}

/** "Thu 12 Mar"; the year only when it differs from that of the day it is compared with. */
export function day(iso: string, near?: string): string {
    const { date, year } = parts(iso);
    const text = `${weekdayName(date.getUTCDay())} ${date.getUTCDate()} ${monthName(date.getUTCMonth())}`;
    return near && parts(near).year !== year ? `${text} ${year}` : text;
}

/** "Monday 2 March" for a heading. */
export function longDay(iso: string): string {
    return parts(iso).date.toLocaleDateString(LOCALE, { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' }).replace(',', '');
}

/** How a period is headed: the first day of a day or week, the name of a month. */
export function period(iso: string, bucket: string): string {
    const { date, year } = parts(iso);
    const month = monthName(date.getUTCMonth());
    return bucket === 'month' ? `${month} ${year}` : `${date.getUTCDate()} ${month}`;
}

/** "March 2026", as a heading of a month. */
export function monthOf(iso: string): string {
    return parts(iso).date.toLocaleDateString(LOCALE, { month: 'long', year: 'numeric', timeZone: 'UTC' });
}

export function weekday(iso: string): string {
    return weekdayName(parts(iso).date.getUTCDay());
}

/** The ISO date so many days later. */
export function addDays(iso: string, days: number): string {
    return new Date(parts(iso).date.getTime() + days * 86_400_000).toISOString().slice(0, 10);
}

/** Days from one ISO date to another. */
export function daysBetween(from: string, to: string): number {
    return Math.round((parts(to).date.getTime() - parts(from).date.getTime()) / 86_400_000);
}

/** "today", "in 3 days", "2 days past". */
export function inDays(days: number): string {
    if (days === 0) {
        return t('today');
    }
    return days > 0 ? tn('in 1 day', 'in :n days', days) : tn('1 day past', ':n days past', -days);
}

/** The clock time of an instant today, else its day and time, in the person's own time zone. */
export function moment(iso: string): string {
    const then = new Date(iso);
    const time = then.toLocaleTimeString(LOCALE, { hour: '2-digit', minute: '2-digit' });
    if (then.toDateString() === new Date().toDateString()) {
        return time;
    }
    return `${weekdayName(then.getDay())} ${then.getDate()} ${monthName(then.getMonth())}, ${time}`;
}
