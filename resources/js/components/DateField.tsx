import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { CalendarDays } from 'lucide-react';
import { useId, useRef, useState, type KeyboardEvent } from 'react';
import { addMonths, readDay, weeksOf } from '@/lib/dates';
import { addDays, day, monthOf, weekday } from '@/lib/format';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';

/** Over what stands below, so that nothing moves away from under the pointer when it comes and goes. */
const HINT = 'absolute top-full left-0 z-10 mt-0.5 rounded border bg-surface px-1.5 py-px text-xs whitespace-nowrap';

interface Props {
    value: string;
    onChange: (iso: string) => void;
    label?: string;
    id?: string;
    name?: string;
    /** The first day that may be chosen, an ISO date. */
    min?: string;
    disabled?: boolean;
    /** Whether it may be left empty. */
    optional?: boolean;
    className?: string;
}

/**
 * A day, with its weekday. It is typed as one says it (`13.3`, `+5`, `fri`), moved by the arrow keys, or picked from a small month; what is no
 * day is said under it, and what stood there before stays; Esc brings it back.
 */
export function DateField({ value, onChange, label, id, name, min, disabled = false, optional = false, className = '' }: Props) {
    const { plan } = useShared();
    const [typed, setTyped] = useState<string | null>(null);
    const [before, setBefore] = useState(value);
    const input = useRef<HTMLInputElement>(null);
    const hint = useId();
    const meant = typed === null ? value : readDay(typed, plan.planDate);
    const empty = typed !== null && typed.trim() === '';
    const wrong =
        typed === null || (empty && optional)
            ? null
            : meant === null
              ? t('This is no day. Try 13.3, +5 or fri.')
              : min !== undefined && meant < min
                ? t('Not before :day.', { day: day(min, plan.planDate) })
                : null;
    const type = (text: string) => {
        setTyped(text);
        if (typed === null) {
            setBefore(value);
        }
        const found = readDay(text, plan.planDate);
        const fits = found !== null && (min === undefined || found >= min);
        onChange(text.trim() === '' && optional ? '' : fits ? found : typed === null ? value : before);
    };
    const move = (days: number) => {
        const to = addDays(value || plan.planDate, days);
        if (min === undefined || to >= min) {
            setTyped(null);
            onChange(to);
        }
    };
    const onKey = (event: KeyboardEvent<HTMLInputElement>) => {
        if (event.key === 'Escape' && typed !== null) {
            event.stopPropagation();
            setTyped(null);
            onChange(before);
        } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
            event.preventDefault();
            move((event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 7 : 1));
        }
    };
    return (
        <span className="relative inline-flex flex-col items-start justify-self-start">
            <span
                className={`inline-flex items-center rounded border bg-surface focus-within:outline-2 focus-within:outline-offset-1 focus-within:outline-act ${wrong ? 'border-broken' : 'border-line'} ${className}`}
            >
                <input
                    ref={input}
                    id={id}
                    name={name}
                    aria-label={label}
                    aria-invalid={wrong !== null}
                    aria-describedby={wrong ? hint : undefined}
                    autoComplete="off"
                    disabled={disabled}
                    value={typed ?? (value ? day(value, plan.planDate) : '')}
                    placeholder={t('day')}
                    onFocus={(event) => event.target.select()}
                    onChange={(event) => type(event.target.value)}
                    onBlur={() => wrong === null && setTyped(null)}
                    onKeyDown={onKey}
                    className="h-[26px] w-[92px] bg-transparent px-2 text-sm outline-none disabled:text-mute"
                />
                {!disabled && (
                    <MonthButton
                        value={value || plan.planDate}
                        min={min}
                        today={plan.planDate}
                        onPick={(iso) => {
                            setTyped(null);
                            onChange(iso);
                            input.current?.focus();
                        }}
                    />
                )}
            </span>
            {typed !== null && !wrong && meant && typed !== day(meant, plan.planDate) && (
                <span className={`${HINT} text-mute`}>{day(meant, plan.planDate)}</span>
            )}
            {wrong && (
                <span id={hint} role="alert" className={`${HINT} border-broken text-broken`}>
                    {wrong}
                </span>
            )}
        </span>
    );
}

interface MonthProps {
    value: string;
    min: string | undefined;
    today: string;
    onPick: (iso: string) => void;
}

/** A month to pick a day from; arrows move by days and weeks, Page up and down by months. */
export function MonthButton({ value, min, today, onPick }: MonthProps) {
    return (
        <Popover className="flex">
            <PopoverButton aria-label={t('Pick a day')} tabIndex={-1} className="px-1.5 text-mute hover:text-ink">
                <CalendarDays size={14} aria-hidden />
            </PopoverButton>
            <PopoverPanel
                anchor="bottom end"
                focus
                className="z-50 rounded border border-line bg-surface p-2 text-sm shadow-sm [--anchor-gap:4px] focus:outline-none"
            >
                {({ close }) => (
                    <Days
                        first={value}
                        min={min}
                        today={today}
                        onPick={(iso) => {
                            close();
                            onPick(iso);
                        }}
                    />
                )}
            </PopoverPanel>
        </Popover>
    );
}

function Days({ first, min, today, onPick }: { first: string; min: string | undefined; today: string; onPick: (iso: string) => void }) {
    const [at, setAt] = useState(first);
    const weeks = weeksOf(at);
    const onKey = (event: KeyboardEvent<HTMLElement>) => {
        const to = {
            ArrowLeft: addDays(at, -1),
            ArrowRight: addDays(at, 1),
            ArrowUp: addDays(at, -7),
            ArrowDown: addDays(at, 7),
            PageUp: addMonths(at, -1),
            PageDown: addMonths(at, 1),
        }[event.key];
        if (to !== undefined) {
            event.preventDefault();
            setAt(to);
            requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-day="${to}"]`)?.focus());
        }
    };
    return (
        <div onKeyDown={onKey}>
            <div className="mb-1 flex items-center justify-between">
                <button
                    type="button"
                    tabIndex={-1}
                    aria-label={t('A month earlier')}
                    className="px-2"
                    onClick={() => setAt(addMonths(at, -1))}
                >
                    ‹
                </button>
                <strong>{monthOf(at)}</strong>
                <button
                    type="button"
                    tabIndex={-1}
                    aria-label={t('A month later')}
                    className="px-2"
                    onClick={() => setAt(addMonths(at, 1))}
                >
                    ›
                </button>
            </div>
            <table role="grid" aria-label={monthOf(at)} className="text-center">
                <thead>
                    <tr className="text-xs text-mute">
                        {(weeks[0] ?? []).map((iso) => (
                            <th key={iso} scope="col" className="w-8 font-normal">
                                {weekday(iso)}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {weeks.map((week) => (
                        <tr key={week[0]}>
                            {week.map((iso) => (
                                <td key={iso}>
                                    <button
                                        type="button"
                                        data-day={iso}
                                        data-autofocus={iso === at || undefined}
                                        tabIndex={iso === at ? 0 : -1}
                                        disabled={min !== undefined && iso < min}
                                        aria-label={day(iso)}
                                        aria-current={iso === today ? 'date' : undefined}
                                        onClick={() => onPick(iso)}
                                        className={`h-6 w-8 rounded disabled:text-faint ${iso === first ? 'bg-act text-surface' : iso === today ? 'font-bold text-act' : 'hover:bg-act-tint'} ${iso.slice(0, 7) === at.slice(0, 7) ? '' : 'text-mute'}`}
                                    >
                                        {Number(iso.slice(8))}
                                    </button>
                                </td>
                            ))}
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}
