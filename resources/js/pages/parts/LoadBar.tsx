import type { LoadFigure } from '@/lib/shapes';

/** Pixels of what a centre can do, and the most that is drawn of what is above it. */
const FULL = 30;
const ABOVE = 14;

/**
 * How full a centre is and with what: sales at the foot, then forecast, then what is for nobody; the line is what it can do, and what
 * stands above it is drawn as lateness is.
 */
export function LoadBar({ figure }: { figure: LoadFigure }) {
    const least = Math.max(figure.capacity, 1);
    const within = Math.min(figure.load, figure.capacity);
    const height = (minutes: number) => Math.round((minutes / least) * FULL);
    const above = figure.over ? Math.max(4, Math.min(ABOVE, Math.round(((figure.load - figure.capacity) / least) * FULL))) : 0;
    const share = (minutes: number) => (figure.load > 0 ? (minutes / figure.load) * height(within) : 0);
    const rest = Math.max(0, figure.load - figure.sales - figure.forecast);
    const parts: [string, number][] = [
        ['bg-cause-rule', share(rest)],
        ['bg-cause-forecast', share(figure.forecast)],
        ['bg-cause-sales', share(figure.sales)],
    ];
    return (
        <span aria-hidden className="flex flex-col items-stretch justify-end" style={{ height: FULL + ABOVE }}>
            {above > 0 && <span className="mx-[3px] shrink-0 cover-late" style={{ height: above }} />}
            <span className="relative mx-[3px] flex shrink-0 flex-col justify-end bg-sunk/60" style={{ height: FULL }}>
                {parts.map(([colour, pixels]) => pixels > 0 && <span key={colour} className={colour} style={{ height: pixels }} />)}
                <span className={`absolute inset-x-[-3px] top-0 border-t-2 ${figure.over ? 'border-broken' : 'border-mute/70'}`} />
            </span>
        </span>
    );
}
