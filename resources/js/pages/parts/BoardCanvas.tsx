import { useEffect, useEffectEvent, useLayoutEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import {
    barAt,
    DAY,
    detailOf,
    HEAD,
    laneAt,
    lanesOf,
    LEAST_SCALE,
    minuteAt,
    MOST_SCALE,
    NAMES,
    nextBar,
    SNAP,
    type View,
    xOf,
} from '@/lib/board';
import { edgeAt } from '@/lib/boardEdges';
import { Painter, type Ghost } from '@/lib/boardPaint';
import { addDays, day, period, qty } from '@/lib/format';
import type { BoardPlace, BoardTable } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';

/** An operation that is moved: the place of its bar in the table, and where it would go. */
export interface Move {
    bar: number;
    lane: { centre: number; units: number[] };
    start: number;
}

interface Props {
    table: BoardTable;
    scale: number;
    onScale: (scale: number) => void;
    picked: string | null;
    /** The place of the bar that has the keys; -1 for none. */
    at: number;
    onPick: (bar: number, more: boolean) => void;
    bright: Set<string> | null;
    linked: { from: string; to: string }[];
    selected: Set<string>;
    moved: Set<string>;
    may: boolean;
    /** Asks what comes of a move, without doing it. */
    onTry: (move: Move) => Promise<BoardPlace>;
    onDrop: (move: Move) => void;
    onOff: () => void;
    /** Where to go: a minute, each time with another number. */
    go: { minute: number; round: number } | null;
}

interface Moving extends Move {
    keys: boolean;
    end: number;
    says: BoardPlace | null;
}

/** The picture of the board: scrolled like any page, zoomed by wheel and keys, its bars picked and moved by mouse and by keys. */
export function BoardCanvas(props: Props) {
    const { table, scale, onScale, picked, at, bright, linked, selected, moved, may } = props;
    const { plan } = useShared();
    const box = useRef<HTMLDivElement>(null);
    const canvas = useRef<HTMLCanvasElement>(null);
    const painter = useRef<Painter | null>(null);
    const frame = useRef(0);
    const left = useRef(0); // the minute at the left edge, as it was painted last
    const keep = useRef<{ minute: number; x: number } | null>(null);
    const [size, setSize] = useState({ width: 800, height: 400 });
    const [moving, setMoving] = useState<Moving | null>(null);
    const [hover, setHover] = useState<{ bar: number; x: number; y: number } | null>(null);
    const grip = useRef<{ bar: number; x: number; y: number; offset: number; left: number; top: number } | null>(null);
    const detail = detailOf(scale);
    const lanes = useMemo(() => lanesOf(table, detail), [table, detail]);
    const tall = (lanes.at(-1)?.top ?? 0) + (lanes[0]?.height ?? 0) + HEAD;
    const wide = NAMES + (table.to - table.from) * scale;

    const viewOf = (): View => ({
        from: table.from + (box.current?.scrollLeft ?? 0) / scale,
        scale,
        top: box.current?.scrollTop ?? 0,
        width: size.width,
        height: size.height,
    });

    const now = plan.planDate === new Date().toISOString().slice(0, 10) ? new Date().getHours() * 60 + new Date().getMinutes() : 0;
    const ghostOf = (one: Moving): Ghost => ({
        lane: lanes.findIndex((lane) => lane.centre === one.lane.centre && lane.unit === one.lane.units[0]),
        start: one.start,
        end: one.says?.end ?? one.end,
        trouble: one.says !== null && one.says.trouble !== null,
    });
    const paintNow = () => {
        const context = canvas.current?.getContext('2d');
        if (!context || !canvas.current) {
            return;
        }
        painter.current ??= new Painter(context, getComputedStyle(document.documentElement));
        left.current = viewOf().from;
        const ratio = window.devicePixelRatio || 1;
        context.setTransform(ratio, 0, 0, ratio, 0, 0);
        painter.current.paint({
            table,
            lanes,
            view: viewOf(),
            detail,
            picked,
            at,
            bright,
            linked,
            selected,
            moved,
            now,
            ghost: moving && ghostOf(moving),
            dayName: (minute, step) => timeName(plan.planDate, minute, step),
            says: {
                now: t('now'),
                frozen: t('kept as it is'),
                doneOf: (done, all) => t(':done of :all', { done, all }),
                beyond: (bar, order, isOwn) =>
                    isOwn
                        ? `${bar.op} ${table.centres[bar.centre]?.code ?? ''}`
                        : order.state === 'proposed'
                          ? order.item
                          : `${order.label} ${order.item}`,
            },
        });
    };
    const paint = useEffectEvent(paintNow);
    const repaintNow = () => {
        cancelAnimationFrame(frame.current);
        frame.current = requestAnimationFrame(paintNow);
    };
    const repaint = useEffectEvent(repaintNow);

    const zoomBy = (factor: number, x: number) => {
        const next = Math.min(MOST_SCALE, Math.max(LEAST_SCALE, scale * factor));
        const point = Math.max(NAMES, x);
        keep.current = { minute: minuteAt(viewOf(), point), x: point };
        onScale(next);
    };
    const zoom = useEffectEvent(zoomBy);

    useEffect(() => {
        const element = box.current;
        if (!element) {
            return;
        }
        const watch = new ResizeObserver(() => setSize({ width: element.clientWidth, height: element.clientHeight }));
        watch.observe(element);
        const wheel = (event: WheelEvent) => {
            const bounds = element.getBoundingClientRect();
            const onTime = event.clientY - bounds.top < HEAD;
            if (event.ctrlKey || onTime) {
                event.preventDefault();
                zoom(event.deltaY < 0 ? 1.25 : 0.8, event.clientX - bounds.left);
            }
        };
        element.addEventListener('wheel', wheel, { passive: false });
        return () => {
            watch.disconnect();
            element.removeEventListener('wheel', wheel);
        };
    }, []);

    // what was under the pointer stays there, or what was at the left
    useLayoutEffect(() => {
        if (box.current) {
            const { minute, x } = keep.current ?? { minute: left.current, x: NAMES };
            box.current.scrollLeft = (minute - table.from) * scale - (x - NAMES);
            keep.current = null;
        }
    }, [scale, table.from]);

    const bringInSight = (minute: number, lane: number) => {
        const element = box.current;
        if (!element) {
            return;
        }
        const x = xOf(viewOf(), minute);
        if (x < NAMES + 10 || x > size.width - 60) {
            element.scrollLeft = (minute - table.from) * scale - (size.width - NAMES) / 3;
        }
        const one = lanes[lane];
        if (one && (one.top < element.scrollTop || one.top + one.height > element.scrollTop + size.height - HEAD)) {
            element.scrollTop = one.top - (size.height - HEAD) / 3;
        }
    };
    const reveal = useEffectEvent(bringInSight);

    useEffect(() => {
        const bar = table.bars[at];
        if (bar) {
            reveal(
                bar.start,
                lanes.findIndex((lane) => lane.bars.includes(at)),
            );
        }
        // eslint-disable-next-line react-hooks/exhaustive-deps -- only when another bar has the keys
    }, [at]);

    const going = props.go;
    useEffect(() => {
        if (going && box.current) {
            box.current.scrollLeft = Math.max(0, (going.minute - table.from) * scale - 40);
        }
        // eslint-disable-next-line react-hooks/exhaustive-deps -- each time one is sent there
    }, [going]);

    useEffect(() => {
        void document.fonts.ready.then(() => repaint());
    }, []);

    useLayoutEffect(() => {
        const ratio = window.devicePixelRatio || 1;
        if (canvas.current) {
            canvas.current.width = size.width * ratio;
            canvas.current.height = size.height * ratio;
        }
        paint();
    }, [size]);

    useEffect(() => repaint(), [table, lanes, scale, picked, at, bright, linked, selected, moved, moving]);

    const asked = useRef(0);
    const attempt = (move: Moving) => {
        const round = ++asked.current;
        setTimeout(() => {
            if (round === asked.current) {
                void props.onTry(move).then((says) => {
                    setMoving((old) => (old && round === asked.current ? { ...old, says } : old));
                });
            }
        }, 60);
    };
    const moveTo = (move: Moving) => {
        if (
            moving &&
            moving.start === move.start &&
            moving.lane.centre === move.lane.centre &&
            moving.lane.units[0] === move.lane.units[0]
        ) {
            return;
        }
        setMoving({ ...move, says: null });
        attempt(move);
    };
    const letGo = () => {
        asked.current++;
        setMoving(null);
        grip.current = null;
    };
    const drop = (move: Moving) => {
        letGo();
        props.onDrop({ bar: move.bar, lane: move.lane, start: move.start });
    };
    const begin = (place: number, keys: boolean): Moving | null => {
        const bar = table.bars[place];
        return bar
            ? { bar: place, lane: { centre: bar.centre, units: bar.units }, start: bar.start, end: bar.end, keys, says: null }
            : null;
    };
    const shifted = (move: Moving, lane: number, start: number): Moving => {
        const to = lanes[lane];
        const length = move.end - move.start;
        const crew = move.lane.units.length;
        const units = to
            ? Array.from({ length: crew }, (_, place) => Math.max(1, Math.min(to.unit, unitsOf(to.centre) - crew + 1)) + place)
            : [];
        return { ...move, lane: to ? { centre: to.centre, units } : move.lane, start, end: start + length };
    };
    const unitsOf = (centre: number) => table.centres[centre]?.units ?? 1;

    const point = (event: PointerEvent) => {
        const bounds = canvas.current?.getBoundingClientRect();
        return { x: event.clientX - (bounds?.left ?? 0), y: event.clientY - (bounds?.top ?? 0) };
    };
    const onDown = (event: PointerEvent<HTMLCanvasElement>) => {
        if (event.button !== 0) {
            return;
        }
        const { x, y } = point(event);
        const beyond = edgeAt(painter.current?.edges ?? [], x, y);
        if (beyond) {
            props.onPick(beyond.bar, false);
            box.current?.focus({ preventScroll: true });
            return;
        }
        const view = viewOf();
        const bar = barAt(lanes, table.bars, view, x, y);
        const start = table.bars[bar]?.start ?? 0;
        grip.current = {
            bar,
            x,
            y,
            offset: minuteAt(view, x) - start,
            left: box.current?.scrollLeft ?? 0,
            top: box.current?.scrollTop ?? 0,
        };
        event.currentTarget.setPointerCapture(event.pointerId);
    };
    const onMove = (event: PointerEvent<HTMLCanvasElement>) => {
        const { x, y } = point(event);
        const view = viewOf();
        const held = grip.current;
        if (!held) {
            const beyond = edgeAt(painter.current?.edges ?? [], x, y);
            event.currentTarget.style.cursor = beyond ? 'pointer' : '';
            if (beyond) {
                setHover(null);
                return;
            }
            const bar = barAt(lanes, table.bars, view, x, y);
            const tip = {
                bar,
                x: Math.max(4, Math.min(x + 12, size.width - 330)) + (box.current?.scrollLeft ?? 0),
                y: Math.min(y, size.height - 130) + (box.current?.scrollTop ?? 0),
            };
            setHover((old) => (bar === -1 ? null : old?.bar === bar && Math.abs(old.x - tip.x) < 24 ? old : tip));
            return;
        }
        if (Math.abs(x - held.x) + Math.abs(y - held.y) < 5 && !moving) {
            return;
        }
        setHover(null);
        if (held.bar === -1 || !may) {
            if (box.current) {
                box.current.scrollLeft = held.left - (x - held.x);
                box.current.scrollTop = held.top - (y - held.y);
            }
            return;
        }
        const from = moving ?? begin(held.bar, false);
        const lane = laneAt(lanes, view, y);
        if (from) {
            const start = Math.round((minuteAt(view, x) - held.offset) / SNAP) * SNAP;
            moveTo(shifted(from, lane === -1 ? lanes.findIndex((one) => one.centre === from.lane.centre) : lane, start));
        }
    };
    const onUp = (event: PointerEvent<HTMLCanvasElement>) => {
        const held = grip.current;
        grip.current = null;
        if (moving && !moving.keys) {
            drop(moving);
        } else if (held && held.bar !== -1) {
            props.onPick(held.bar, event.ctrlKey || event.metaKey || event.shiftKey);
            box.current?.focus({ preventScroll: true });
        }
    };

    const onKey = (event: KeyboardEvent<HTMLDivElement>) => {
        if (event.ctrlKey || event.metaKey || event.altKey) {
            return;
        }
        const done = keyed(event.key, event.shiftKey);
        if (done) {
            event.preventDefault();
            event.stopPropagation();
        }
    };
    const keyed = (key: string, shift: boolean): boolean => {
        if (key === '+' || key === '=' || key === '-') {
            zoomBy(key === '-' ? 0.8 : 1.25, at === -1 ? NAMES + 60 : xOf(viewOf(), table.bars[at]?.start ?? 0));
            return true;
        }
        if (moving?.keys) {
            const steps: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1 };
            if (key in steps) {
                const by = (steps[key] ?? 0) * (shift ? DAY : SNAP);
                const to = shifted(moving, laneOfMove(moving), moving.start + by);
                moveTo(to);
                bringInSight(to.start, laneOfMove(to));
            } else if (key === 'ArrowUp' || key === 'ArrowDown') {
                const to = Math.max(0, Math.min(lanes.length - 1, laneOfMove(moving) + (key === 'ArrowDown' ? 1 : -1)));
                moveTo(shifted(moving, to, moving.start));
                bringInSight(moving.start, to);
            } else if (key === 'Enter') {
                drop(moving);
            } else if (key === 'Escape') {
                letGo();
            } else {
                return false;
            }
            return true;
        }
        if (key.startsWith('Arrow')) {
            const next = nextBar(lanes, table.bars, at, key);
            if (next !== -1) {
                props.onPick(next, false);
            }
            return true;
        }
        if (key === 'Escape' && moving) {
            letGo();
            return true;
        }
        if ((key === 'Enter' || key === 'm') && may && at !== -1) {
            setMoving(begin(at, true));
            return true;
        }
        if ((key === 'Delete' || key === 'Backspace') && may && at !== -1) {
            props.onOff();
            return true;
        }
        if (key === 'Home' && box.current) {
            box.current.scrollLeft = Math.max(0, (now - table.from) * scale - 40);
            return true;
        }
        return false;
    };
    const laneOfMove = (move: Moving) => lanes.findIndex((lane) => lane.centre === move.lane.centre && lane.unit === move.lane.units[0]);

    const bar = table.bars[at];
    const order = bar && table.orders[bar.order];
    const said = moving
        ? movingWords(moving, table, plan.planDate)
        : bar && order
          ? barWords(table, at, plan.planDate)
          : t('No bar is picked. Arrows go from bar to bar, + and - zoom.');
    const ghost = moving && ghostOf(moving);
    return (
        <div
            ref={box}
            role="group"
            tabIndex={0}
            aria-label={t('Board')}
            aria-describedby="board-said"
            data-board
            onKeyDown={onKey}
            onScroll={() => {
                setHover(null);
                repaintNow();
            }}
            className="relative min-h-0 flex-1 overflow-auto rounded border border-line bg-surface focus-visible:outline-offset-0"
        >
            <canvas
                ref={canvas}
                aria-hidden
                style={{ width: size.width, height: size.height }}
                className="sticky top-0 left-0 block touch-none"
                onPointerDown={onDown}
                onPointerMove={onMove}
                onPointerUp={onUp}
                onPointerLeave={() => setHover(null)}
            />
            <div aria-hidden className="pointer-events-none absolute top-0 left-0" style={{ width: wide, height: tall }} />
            <p id="board-said" role="status" className="sr-only">
                {said}
            </p>
            {hover && !moving && (
                <Tip x={hover.x} y={hover.y}>
                    {barWords(table, hover.bar, plan.planDate)}
                </Tip>
            )}
            {moving && ghost && ghost.lane !== -1 && (
                <Tip
                    x={NAMES + (moving.start - table.from) * scale}
                    y={HEAD + (lanes[ghost.lane]?.top ?? 0) + (lanes[ghost.lane]?.height ?? 0)}
                    trouble={ghost.trouble}
                >
                    {movingWords(moving, table, plan.planDate)}
                </Tip>
            )}
        </div>
    );
}

/** What is said beside a bar; its place counts from the corner of the whole picture. */
function Tip({ x, y, trouble = false, children }: { x: number; y: number; trouble?: boolean; children: string }) {
    return (
        <div
            aria-hidden
            className={`pointer-events-none absolute z-10 w-max max-w-80 rounded border bg-surface px-2 py-1 text-sm whitespace-pre-line ${trouble ? 'border-broken font-semibold text-broken' : 'border-line'}`}
            style={{ left: x, top: y + 10 }}
        >
            {children}
        </div>
    );
}

export function clockOf(planDate: string, minute: number): string {
    const of = ((minute % DAY) + DAY) % DAY;
    const date = addDays(planDate, Math.floor(minute / DAY));
    return `${day(date, planDate)} ${String(Math.floor(of / 60)).padStart(2, '0')}:${String(of % 60).padStart(2, '0')}`;
}

function timeName(planDate: string, minute: number, step: number): string {
    const date = addDays(planDate, Math.floor(minute / DAY));
    if (step >= 7 * DAY) {
        return period(date, 'day');
    }
    return minute % DAY === 0 ? day(date).replace(/ \w+$/, step === DAY ? '' : '$&') : clockOf(planDate, minute).slice(-5);
}

function barWords(table: BoardTable, place: number, planDate: string): string {
    const bar = table.bars[place];
    const order = bar && table.orders[bar.order];
    const centre = bar && table.centres[bar.centre];
    if (!bar || !order || !centre) {
        return '';
    }
    return [
        `${order.label} ${order.item}, ${qty(order.qty)} ${order.unit}${bar.done === '0' ? '' : `, ${t(':n done', { n: bar.done })}`}`,
        t('operation :op at :centre :unit', { op: bar.op, centre: centre.code, unit: bar.units.join(', ') }),
        `${clockOf(planDate, bar.start)} ${t('to')} ${clockOf(planDate, bar.end)}`,
        { hand: t('put there by hand'), kept: t('has its place from a kept schedule'), loose: t('has no place of its own yet') }[
            bar.place
        ] ?? '',
        order.way,
    ]
        .filter((line) => line !== '')
        .join('\n');
}

function movingWords(moving: Moving, table: BoardTable, planDate: string): string {
    const centre = table.centres[moving.lane.centre];
    const where = `${centre?.code ?? ''} ${moving.lane.units.join(', ')}, ${clockOf(planDate, moving.start)}`;
    if (moving.says === null) {
        return where;
    }
    if (moving.says.trouble !== null) {
        return `${where}\n${t('It cannot stand there: :why', { why: moving.says.trouble })}`;
    }
    return [
        where,
        t('ends :when', { when: clockOf(planDate, moving.says.end ?? moving.end) }),
        moving.says.over.length > 0 ? t('in the way of :what', { what: moving.says.over.slice(0, 3).join(', ') }) : '',
    ]
        .filter((line) => line !== '')
        .join('\n');
}
