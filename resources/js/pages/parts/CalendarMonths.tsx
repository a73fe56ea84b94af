import { useRef, useState, type KeyboardEvent } from 'react';
import { weeksOf } from '@/lib/dates';
import { addDays, longDay, monthOf, weekday } from '@/lib/format';
import type { CalendarDate, CalendarYear } from '@/lib/shapes';
import { t } from '@/lib/t';

/** Twelve months; one tab stop, arrows by a day and a week, Enter or a click for another kind of day. */
export function CalendarMonths({
    calendar,
    may,
    onToggle,
}: {
    calendar: CalendarYear;
    may: boolean;
    onToggle: (day: CalendarDate) => void;
}) {
    const grid = useRef<HTMLDivElement>(null);
    const [stop, setStop] = useState(`${calendar.year}-01-01`);
    const days = new Map(calendar.months.flat().map((one) => [one.day, one]));
    const moves: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 };
    const onKey = (event: KeyboardEvent) => {
        const by = moves[event.key];
        const to = by === undefined ? null : addDays(stop, by);
        if (to !== null && days.has(to)) {
            event.preventDefault();
            setStop(to);
            grid.current?.querySelector<HTMLElement>(`[data-day='${to}']`)?.focus();
        }
    };
    return (
        <div
            ref={grid}
            role="group"
            aria-label={t('Days of :year', { year: calendar.year })}
            onKeyDown={onKey}
            className="grid grid-cols-4 gap-x-5 gap-y-4"
        >
            {calendar.months.map((month) => {
                const first = month[0]?.day ?? '';
                return (
                    <div key={first}>
                        <h2 className="mb-1 text-sm font-bold">{monthOf(first)}</h2>
                        <div className="grid grid-cols-7 gap-px text-sm">
                            {(weeksOf(first)[0] ?? []).map((one) => (
                                <span key={one} aria-hidden className="text-center text-xs text-mute">
                                    {weekday(one).slice(0, 1)}
                                </span>
                            ))}
                            {weeksOf(first)
                                .flat()
                                .map((iso) => {
                                    const one = iso.slice(0, 7) === first.slice(0, 7) ? days.get(iso) : undefined;
                                    return one === undefined ? (
                                        <span key={iso} />
                                    ) : (
                                        <button
                                            key={iso}
                                            type="button"
                                            data-day={iso}
                                            tabIndex={iso === stop ? 0 : -1}
                                            disabled={!may}
                                            aria-pressed={one.works}
                                            aria-label={[
                                                longDay(iso),
                                                one.works ? t('worked') : t('closed'),
                                                one.note,
                                                one.isDrafted ? t('drafted') : '',
                                            ]
                                                .filter(Boolean)
                                                .join(', ')}
                                            title={one.note}
                                            onFocus={() => setStop(iso)}
                                            onClick={() => onToggle(one)}
                                            className={`h-6 rounded-xs ${one.isDrafted ? 'bg-draft-tint text-draft' : one.works ? 'bg-surface' : 'bg-sunk text-mute'} ${one.isSpecial ? 'font-bold underline' : ''}`}
                                        >
                                            {Number(iso.slice(8))}
                                        </button>
                                    );
                                })}
                        </div>
                    </div>
                );
            })}
        </div>
    );
}
