import { useRef, useState, type KeyboardEvent } from 'react';
import { day } from '@/lib/format';
import { t } from '@/lib/t';

/** A day or a week with what bites then, from the axis upwards. */
export interface TimeSlot {
    from: string;
    to: string;
    parts: { look: string; count: number }[];
    /** What stands above the column; 0 for nothing. */
    figure: number;
    figureLook: string;
    /** Read in full. */
    words: string;
}

export interface TimeRange {
    from: string;
    to: string;
}

interface Props {
    label: string;
    slots: TimeSlot[];
    today: string;
    picked: TimeRange | null;
    onPick: (range: TimeRange | null) => void;
}

/** Pixels of the highest column, and the least that something is drawn with. */
const HEIGHT = 62;
const LEAST = 5;

/** So many names stand beside each other. */
const MOST_NAMES = 21;

/** "Wed 4", of a week its first day. */
function name(slot: TimeSlot): string {
    return slot.from === slot.to ? day(slot.from).replace(/ \w+$/, '') : day(slot.from).replace(/^\w+ /, '');
}

/**
 * What there is, day by day, in the textures of the cover strip. Days are picked by drawing over them, or by key: arrows go, with
 * Shift they take along, Enter picks one alone, Escape none.
 */
export function OverTime({ label, slots, today, picked, onPick }: Props) {
    const list = useRef<HTMLDivElement>(null);
    const [drawn, setDrawn] = useState<[number, number] | null>(null);
    const [at, setAt] = useState(0);
    const anchor = useRef(0);
    const most = Math.max(1, ...slots.map((slot) => slot.parts.reduce((sum, part) => sum + part.count, 0)));
    const first = picked ? slots.findIndex((slot) => slot.to >= picked.from) : -1;
    const last = picked ? slots.findLastIndex((slot) => slot.from <= picked.to) : -1;
    const standing: [number, number] = first >= 0 && last >= first ? [first, last] : [-1, -2];
    const [low, high] = drawn ? [Math.min(...drawn), Math.max(...drawn)] : standing;
    const every = Math.ceil(slots.length / MOST_NAMES);
    const take = (one: number, other: number) => {
        const [from, to] = [slots[Math.min(one, other)], slots[Math.max(one, other)]];
        if (from && to) {
            onPick({ from: from.from, to: to.to });
        }
    };
    const go = (place: number, along: boolean) => {
        const next = Math.max(0, Math.min(slots.length - 1, place));
        setAt(next);
        list.current?.querySelectorAll<HTMLElement>('[role=option]')[next]?.focus();
        if (along) {
            take(anchor.current, next);
        } else {
            anchor.current = next;
        }
    };
    const onKeyDown = (event: KeyboardEvent) => {
        const moves: Record<string, number> = { ArrowLeft: at - 1, ArrowRight: at + 1, Home: 0, End: slots.length - 1 };
        const to = moves[event.key];
        if (to !== undefined) {
            event.preventDefault();
            go(to, event.shiftKey);
        } else if (event.key === 'Enter' || event.key === ' ') {
            event.preventDefault();
            anchor.current = at;
            const alone = low === at && high === at;
            if (alone) {
                onPick(null);
            } else {
                take(at, at);
            }
        } else if (event.key === 'Escape' && picked) {
            event.preventDefault();
            onPick(null);
        }
    };
    const draw = (place: number) => setDrawn((old) => (old ? [old[0], place] : old));
    const end = () => {
        if (drawn) {
            const alone = drawn[0] === drawn[1] && low === first && high === last && first === last;
            setDrawn(null);
            anchor.current = drawn[0];
            if (alone) {
                onPick(null);
            } else {
                take(drawn[0], drawn[1]);
            }
        }
    };
    return (
        <div
            ref={list}
            role="listbox"
            aria-label={label}
            aria-multiselectable
            aria-orientation="horizontal"
            onKeyDown={onKeyDown}
            onPointerUp={end}
            onPointerLeave={end}
            className="flex touch-none select-none"
        >
            {slots.map((slot, place) => {
                const on = place >= low && place <= high;
                const edge = `${place === low ? 'border-l-[3px]' : 'border-l-0'} ${place === high ? 'border-r-[3px]' : 'border-r-0'}`;
                return (
                    <div
                        key={slot.from}
                        role="option"
                        aria-selected={on}
                        title={slot.words}
                        tabIndex={place === at ? 0 : -1}
                        onFocus={() => setAt(place)}
                        onPointerDown={(event) => {
                            if (event.button === 0) {
                                setAt(place);
                                setDrawn([place, place]);
                            }
                        }}
                        onPointerEnter={() => draw(place)}
                        className={`flex min-w-0 flex-1 cursor-pointer flex-col items-center justify-end border-act pt-4 -outline-offset-2 ${on ? `bg-act-tint ${edge}` : 'hover:bg-paper'}`}
                    >
                        <span className="sr-only">{slot.words}</span>
                        {slot.figure > 0 && (
                            <strong aria-hidden className={`text-xs leading-4 ${slot.figureLook}`}>
                                {slot.figure}
                            </strong>
                        )}
                        {[...slot.parts]
                            .reverse()
                            .map(
                                (part) =>
                                    part.count > 0 && (
                                        <span
                                            key={part.look}
                                            aria-hidden
                                            className={`mb-px w-6 max-w-[70%] ${part.look}`}
                                            style={{ height: Math.max(LEAST, Math.round((part.count / most) * HEIGHT)) }}
                                        />
                                    ),
                            )}
                        <span
                            aria-hidden
                            className={`w-full border-t border-line pt-1 pb-1 text-center text-xs whitespace-nowrap ${slot.from === today ? 'font-bold' : ''}`}
                        >
                            {place % every === 0 ? name(slot) : '\u00a0'}
                        </span>
                    </div>
                );
            })}
            {slots.length === 0 && <p className="p-3 text-mute">{t('no days')}</p>}
        </div>
    );
}
