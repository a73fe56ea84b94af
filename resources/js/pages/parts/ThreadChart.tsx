import { Link, router } from '@inertiajs/react';
import { scaleUtc, type ScaleTime } from 'd3-scale';
import { utcDay, utcMonday, utcMonth } from 'd3-time';
import { ChevronDown, ChevronRight, Maximize2, ZoomIn, ZoomOut } from 'lucide-react';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { addDays, day, daysBetween, period, qty } from '@/lib/format';
import type { ThreadKind, ThreadRow } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { useGridKeys } from '@/lib/useGridKeys';
import { useInSight } from '@/lib/useInSight';
import { instantAt, ThreadOperations } from '@/pages/parts/ThreadOperations';

const ROW = 40;
const HEAD = 34;
const HEIGHTS = { heading: ROW, row: ROW, heads: HEAD, from: 60 };
const LABELS = 236;
const BAR = 15;
const SQUARE = 11;
/** Days before today that are shown; what began earlier is cut off there. */
const PAST = 10;
const NARROWEST = 2;
const WIDEST = 60;
/** From so many rows on, branches that decide nothing start folded. */
const MANY = 60;

interface Props {
    rows: ThreadRow[];
    up: boolean;
    planDate: string;
    due: string | null;
    closed: string[];
    /** A day that is asked for: a line through the picture, which is dragged or moved by keys. */
    wanted?: { day: string; onMove: (day: string) => void };
    /** The row that the panel beside the picture speaks of, and picking another. */
    picked?: { id: number | null; onPick: (row: ThreadRow) => void };
}

/** The supplies of a thread on a time axis. The chain that decides the date is drawn strong. */
export function ThreadChart({ rows, up, planDate, due, closed, wanted, picked }: Props) {
    const box = useRef<HTMLDivElement>(null);
    const [folded, setFolded] = useState(() => foldedAtFirst(rows));
    const [width, setWidth] = useState(700);
    const [zoom, setZoom] = useState<number | null>(null);
    const parents = useMemo(() => new Set(rows.map((row) => row.parent)), [rows]);
    const visible = useMemo(() => unfolded(rows, folded), [rows, folded]);
    const { first, days } = useMemo(() => span(rows, planDate, due), [rows, planDate, due]);
    const scale = zoom ?? Math.max(NARROWEST, Math.min(36, (width - LABELS - 16) / days));
    const time = useMemo(() => axis(first, days, scale), [first, days, scale]);
    const x = (iso: string) => time(dateOf(iso));
    const places = new Map(visible.map((row, place) => [row.id, place]));
    const tree = useRef<HTMLDivElement>(null);
    const lines = useMemo(() => visible.map((row) => ({ row })), [visible]);
    const sight = useInSight(tree, lines, null, HEIGHTS);
    const keys = useGridKeys(box, undefined, { rows: visible.length, reveal: sight.reveal });
    const { focus } = sight;
    useEffect(() => focus(keys.at[0]), [focus, keys.at]);

    useEffect(() => {
        const element = box.current;
        if (!element) {
            return;
        }
        const watch = new ResizeObserver(() => setWidth(element.clientWidth));
        watch.observe(element);
        return () => watch.disconnect();
    }, []);

    const toggle = (id: number) =>
        setFolded((before) => {
            const next = new Set(before);
            if (!next.delete(id)) {
                next.add(id);
            }
            return next;
        });
    const zoomTo = (next: number | null) => setZoom(next === null ? null : Math.max(NARROWEST, Math.min(WIDEST, next)));
    const onKey = (event: KeyboardEvent<HTMLElement>) => {
        if (event.key === '+' || event.key === '-' || event.key === '0') {
            event.preventDefault();
            zoomTo(event.key === '0' ? null : scale * (event.key === '+' ? 1.35 : 1 / 1.35));
            return;
        }
        keys.onKeyDown(event);
    };
    return (
        <div className="flex min-h-0 flex-col rounded border border-line bg-surface">
            <div
                ref={box}
                data-scrolls
                onKeyDown={onKey}
                onFocus={keys.onFocus}
                onPointerDown={(event) => startPan(event, box.current)}
                className="relative max-h-[calc(100vh-176px)] overflow-auto"
            >
                <div className="relative" style={{ width: LABELS + days * scale, minWidth: '100%' }}>
                    <Axis time={time} planDate={planDate}>
                        {wanted && <WantedHandle time={time} planDate={planDate} wanted={wanted} />}
                    </Axis>
                    <div ref={tree} role="tree" aria-label={t('Thread')} className="relative" style={{ height: visible.length * ROW }}>
                        <Ground time={time} height={visible.length * ROW} planDate={planDate} closed={closed} />
                        {sight.drawn.map(({ row }, at) => (
                            <Row
                                key={row.id}
                                row={row}
                                place={sight.places[at] ?? 0}
                                of={visible.length}
                                x={x}
                                scale={scale}
                                planDate={planDate}
                                children={parents.has(row.id)}
                                folded={folded.has(row.id)}
                                onToggle={() => toggle(row.id)}
                                picked={picked}
                            />
                        ))}
                        <Links rows={visible} drawn={sight.places} places={places} x={x} up={up} width={days * scale} />
                        {wanted && (
                            <span
                                aria-hidden
                                className="pointer-events-none absolute top-0 w-0.5 bg-act"
                                style={{ left: LABELS + x(wanted.day) - 1, height: visible.length * ROW }}
                            />
                        )}
                    </div>
                </div>
            </div>
            <div className="flex items-center gap-1 border-t border-line px-2 py-1 text-xs text-mute">
                <ZoomButton label={t('Closer')} icon={ZoomIn} onClick={() => zoomTo(scale * 1.35)} />
                <ZoomButton label={t('Wider')} icon={ZoomOut} onClick={() => zoomTo(scale / 1.35)} />
                <ZoomButton label={t('All of it')} icon={Maximize2} onClick={() => zoomTo(null)} />
                <Legend />
                <span className="ml-3">
                    {tn('1 supply', ':n supplies', rows.length)}
                    {visible.length < rows.length && `, ${t(':n folded away', { n: rows.length - visible.length })}`}
                </span>
                <button
                    type="button"
                    className="ml-auto hover:text-ink hover:underline"
                    onClick={() => setFolded(folded.size > 0 ? new Set() : foldedAway(rows))}
                >
                    {folded.size > 0 ? t('Unfold all') : t('Fold what decides nothing')}
                </button>
            </div>
        </div>
    );
}

function Legend() {
    const parts: [string, string][] = [
        ['cover-stock', t('stock')],
        ['cover-order', t('order')],
        ['cover-proposal', t('proposal')],
        ['cover-nothing', t('nothing')],
    ];
    return (
        <span className="ml-3 flex items-center gap-3">
            {parts.map(([texture, label]) => (
                <span key={texture} className="flex items-center gap-1.5">
                    <span className={`${texture} h-2 w-3.5 rounded-[1px]`} />
                    {label}
                </span>
            ))}
            <span className="flex items-center gap-1.5">
                <span className="w-4 border-t-2 border-dotted border-mute" />
                {t('waits')}
            </span>
            <span className="flex items-center gap-1.5">
                <span className="h-3 w-0.5 bg-act" />
                {t('wanted')}
            </span>
        </span>
    );
}

function ZoomButton({ label, icon: Icon, onClick }: { label: string; icon: typeof ZoomIn; onClick: () => void }) {
    return (
        <button type="button" aria-label={label} title={label} onClick={onClick} className="rounded p-1 hover:bg-soft hover:text-ink">
            <Icon size={15} aria-hidden />
        </button>
    );
}

/** Branches below the first level that are not on the chain. */
function foldedAway(rows: ThreadRow[]): Set<number> {
    const parents = new Set(rows.map((row) => row.parent));
    return new Set(rows.filter((row) => row.level > 0 && !row.holdUp && parents.has(row.id)).map((row) => row.id));
}

function foldedAtFirst(rows: ThreadRow[]): Set<number> {
    return rows.length > MANY ? foldedAway(rows) : new Set();
}

function unfolded(rows: ThreadRow[], folded: Set<number>): ThreadRow[] {
    const hidden = new Set<number>();
    return rows.filter((row) => {
        if (hidden.has(row.parent) || folded.has(row.parent)) {
            hidden.add(row.id);
            return false;
        }
        return true;
    });
}

function span(rows: ThreadRow[], planDate: string, due: string | null): { first: string; days: number } {
    const all = [planDate, ...rows.flatMap((row) => [row.from, row.to, row.wanted]), due].filter((one): one is string => one !== null);
    const sorted = all.sort();
    const earliest = sorted[0] ?? planDate;
    const first = addDays(earliest < addDays(planDate, -PAST) ? addDays(planDate, -PAST) : earliest, -2);
    return { first, days: daysBetween(first, sorted[sorted.length - 1] ?? planDate) + 12 };
}

/** Dragging the ground moves it. */
function startPan(event: PointerEvent<HTMLElement>, element: HTMLElement | null): void {
    if (!element || event.button !== 0 || (event.target as HTMLElement).closest('a, button, [data-label]')) {
        return;
    }
    const from = { x: event.clientX + element.scrollLeft, y: event.clientY + element.scrollTop };
    const move = (now: globalThis.PointerEvent) => {
        element.scrollLeft = from.x - now.clientX;
        element.scrollTop = from.y - now.clientY;
    };
    const stop = () => {
        window.removeEventListener('pointermove', move);
        window.removeEventListener('pointerup', stop);
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', stop);
}

type Time = ScaleTime<number, number>;

/** Room that the name of a mark takes. */
const NAME = 36;

const dateOf = (iso: string) => new Date(`${iso}T00:00:00Z`);

/** So many days from the first one, each so wide. */
function axis(first: string, days: number, width: number): Time {
    return scaleUtc([dateOf(first), utcDay.offset(dateOf(first), days)], [0, days * width]);
}

const firstDay = (time: Time) => time.domain()[0] ?? new Date(0);
const dayWidth = (time: Time) => time(utcDay.offset(firstDay(time), 1)) - time(firstDay(time));
const length = (time: Time) => time.range()[1] ?? 0;

/** Mondays, or the first of the months where weeks would stand too close; none of which less than so much of the axis is left. */
function marks(time: Time, room = 0): string[] {
    const [from, to] = [firstDay(time), time.invert(length(time) - room)];
    return (dayWidth(time) * 7 >= 44 ? utcMonday : utcMonth).range(from, to).map((date) => date.toISOString().slice(0, 10));
}

function Axis({ time, planDate, children }: { time: Time; planDate: string; children?: ReactNode }) {
    return (
        <div className="sticky top-0 z-20 flex border-b border-line bg-surface" style={{ height: HEAD }}>
            <div className="sticky left-0 z-10 shrink-0 border-r border-soft bg-surface" style={{ width: LABELS }} />
            <div className="relative overflow-hidden text-xs text-mute" style={{ width: length(time) }}>
                {marks(time, NAME).map((iso) => (
                    <span key={iso} className="absolute top-0.5 whitespace-nowrap" style={{ left: time(dateOf(iso)) + 4 }}>
                        {period(iso, 'week')}
                    </span>
                ))}
                <span className="absolute bottom-0 font-semibold text-ink" style={{ left: time(dateOf(planDate)) + 4 }}>
                    {t('today')}
                </span>
                {children}
            </div>
        </div>
    );
}

/** The end of the line of the day that is asked for, by which it is moved. */
function WantedHandle({ time, planDate, wanted }: { time: Time; planDate: string; wanted: NonNullable<Props['wanted']> }) {
    const [drag, setDrag] = useState<string | null>(null);
    const at = drag ?? wanted.day;
    const start = (event: PointerEvent<HTMLElement>) => {
        if (event.button !== 0) {
            return;
        }
        event.preventDefault();
        event.currentTarget.focus();
        const left = event.currentTarget.parentElement?.getBoundingClientRect().left ?? 0;
        let last = wanted.day;
        const move = (now: globalThis.PointerEvent) => {
            const iso = time
                .invert(now.clientX - left)
                .toISOString()
                .slice(0, 10);
            last = iso < planDate ? planDate : iso;
            setDrag(last);
        };
        const stop = () => {
            window.removeEventListener('pointermove', move);
            window.removeEventListener('pointerup', stop);
            setDrag(null);
            if (last !== wanted.day) {
                wanted.onMove(last);
            }
        };
        window.addEventListener('pointermove', move);
        window.addEventListener('pointerup', stop);
    };
    const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
        const days = { ArrowLeft: -1, ArrowRight: 1, PageUp: -7, PageDown: 7 }[event.key];
        if (days !== undefined) {
            event.preventDefault();
            event.stopPropagation();
            const next = addDays(wanted.day, days);
            wanted.onMove(next < planDate ? planDate : next);
        }
    };
    return (
        <span
            role="slider"
            tabIndex={0}
            data-label
            aria-label={t('Wanted day')}
            aria-valuenow={daysBetween(planDate, wanted.day)}
            aria-valuetext={day(wanted.day, planDate)}
            onKeyDown={onKeyDown}
            onPointerDown={start}
            className="absolute bottom-0 z-10 -translate-x-1/2 cursor-ew-resize touch-none rounded-t bg-act px-2 py-1 font-semibold whitespace-nowrap text-surface"
            style={{ left: time(dateOf(at)) }}
        >
            {t('wanted :day', { day: day(at, planDate).replace(/ \w+$/, '') })}
        </span>
    );
}

function Ground({ time, height, planDate, closed }: { time: Time; height: number; planDate: string; closed: string[] }) {
    const at = (iso: string) => time(dateOf(iso));
    return (
        <svg className="absolute top-0" style={{ left: LABELS }} width={length(time)} height={height} aria-hidden>
            {closed.map((iso) => (
                <rect key={iso} x={at(iso)} y={0} width={dayWidth(time)} height={height} className="fill-paper" />
            ))}
            {marks(time).map((iso) => (
                <line key={iso} x1={at(iso)} x2={at(iso)} y1={0} y2={height} className="stroke-soft" />
            ))}
            <line x1={at(planDate)} x2={at(planDate)} y1={0} y2={height} className="stroke-ink" strokeDasharray="2 3" />
        </svg>
    );
}

const TEXTURES: Partial<Record<ThreadKind, string>> = {
    order: 'cover-order',
    proposal: 'cover-proposal',
    stock: 'cover-stock',
    gap: 'cover-nothing',
};

interface RowProps {
    row: ThreadRow;
    /** Its place among the rows that are not folded away. */
    place: number;
    of: number;
    x: (iso: string) => number;
    scale: number;
    planDate: string;
    children: boolean;
    folded: boolean;
    onToggle: () => void;
    picked: Props['picked'];
}

function Row({ row, place, of, x, scale, planDate, children, folded, onToggle, picked }: RowProps) {
    const onKey = (event: KeyboardEvent<HTMLElement>) => {
        if (event.target !== event.currentTarget) {
            return;
        }
        if (event.key === 'Enter' && row.href) {
            router.visit(row.href);
        } else if (children && ((event.key === 'ArrowRight' && folded) || (event.key === 'ArrowLeft' && !folded))) {
            event.preventDefault();
            event.stopPropagation();
            onToggle();
        }
    };
    const Chevron = folded ? ChevronRight : ChevronDown;
    return (
        <div
            role="treeitem"
            aria-level={row.level + 1}
            aria-posinset={place + 1}
            aria-setsize={of}
            aria-expanded={children ? !folded : undefined}
            data-row={place}
            tabIndex={-1}
            aria-selected={picked ? picked.id === row.id : undefined}
            onKeyDown={onKey}
            onFocus={picked && ((event) => event.target === event.currentTarget && picked.onPick(row))}
            onClick={picked && (() => picked.onPick(row))}
            className={`absolute flex w-full border-b border-soft -outline-offset-2 last:border-0 ${picked?.id === row.id ? 'bg-act-tint/60' : ''}`}
            style={{ height: ROW, top: place * ROW }}
        >
            <div
                data-label
                className={`sticky left-0 z-10 flex shrink-0 items-center border-r border-soft pr-2 ${picked?.id === row.id ? 'bg-act-tint' : 'bg-surface'} ${row.holdUp ? 'border-l-[3px] border-l-ink' : 'border-l-[3px] border-l-transparent'}`}
                style={{ width: LABELS, paddingLeft: 4 + Math.min(row.level, 9) * 11 }}
            >
                <span className="w-6 shrink-0">
                    {children && (
                        <button
                            type="button"
                            onClick={onToggle}
                            aria-label={folded ? t('Unfold') : t('Fold')}
                            className="flex size-6 items-center justify-center rounded text-mute hover:text-ink"
                        >
                            <Chevron size={14} aria-hidden />
                        </button>
                    )}
                </span>
                <span className="min-w-0 leading-tight" title={`${row.label}, ${qty(row.qty)} ${row.unit}, ${row.note}`}>
                    <span className="block truncate text-sm leading-6">
                        {row.href ? (
                            <Link href={row.href} className="inline-block font-bold hover:underline">
                                {row.label}
                            </Link>
                        ) : (
                            <strong>{row.label}</strong>
                        )}
                        {row.repeated && <span className="ml-1 text-xs text-mute">({t('see above')})</span>}
                    </span>
                    <span className="block truncate text-xs leading-4 text-mute">
                        {qty(row.qty)} {row.unit}, {row.note}
                    </span>
                    <span className="sr-only">{whenInWords(row, planDate)}</span>
                </span>
            </div>
            <Bar row={row} x={x} scale={scale} planDate={planDate} />
        </div>
    );
}

function whenInWords(row: ThreadRow, planDate: string): string {
    const late = row.lateDays > 0 ? `, ${tn('1 day late', ':n days late', row.lateDays)}` : '';
    return `${t('there :day', { day: day(row.to, planDate) })}${late}`;
}

function inWords(row: ThreadRow, planDate: string): string {
    return `${row.label}, ${qty(row.qty)} ${row.unit}, ${row.note}, ${whenInWords(row, planDate)}`;
}

function Bar({ row, x, scale, planDate }: { row: ThreadRow; x: (iso: string) => number; scale: number; planDate: string }) {
    const end = Math.max(0, x(row.to));
    const drawnTo = Math.max(end, ...row.operations.map((operation) => instantAt(operation.end, x, scale)));
    const begin = Math.max(0, x(row.from ?? row.to));
    const wanted = row.wanted === null ? null : x(row.wanted);
    const middle = (ROW - BAR) / 2;
    const late = row.lateDays > 0 && wanted !== null;
    const strong = row.holdUp ? 'outline-2 outline-ink' : '';
    const tip = inWords(row, planDate);
    return (
        <div className="relative flex-1 overflow-hidden">
            {row.kind === 'line' ? (
                <>
                    <span
                        title={tip}
                        className="absolute border-y-[8px] border-l-[11px] border-y-transparent border-l-ink"
                        style={{ left: end - 3, top: ROW / 2 - 8 }}
                    />
                    <span className="absolute text-xs leading-tight whitespace-nowrap" style={{ left: end + 14, top: 6 }}>
                        {row.lateDays > 0 && (
                            <strong className="block text-broken">{tn('1 day late', ':n days late', row.lateDays)}</strong>
                        )}
                        <span className={row.lateDays > 0 ? 'text-mute' : 'relative top-1.5 text-mute'}>{day(row.to, planDate)}</span>
                    </span>
                </>
            ) : row.kind === 'stock' || row.kind === 'gap' ? (
                <span
                    title={tip}
                    className={`${TEXTURES[row.kind] ?? ''} absolute rounded-[2px] ${strong}`}
                    style={{ left: end - SQUARE / 2, top: (ROW - SQUARE) / 2, width: SQUARE, height: SQUARE }}
                />
            ) : row.operations.length > 0 ? (
                <ThreadOperations
                    row={row}
                    texture={TEXTURES[row.kind] ?? ''}
                    x={x}
                    scale={scale}
                    planDate={planDate}
                    top={middle}
                    height={BAR}
                />
            ) : (
                <span
                    title={tip}
                    className={`${TEXTURES[row.kind] ?? ''} absolute rounded-[2px] ${strong}`}
                    style={{ left: begin, top: middle, width: Math.max(6, end - begin), height: BAR }}
                />
            )}
            {wanted !== null && (
                <span
                    className={`absolute w-0.5 ${late ? 'bg-broken' : 'bg-act'}`}
                    style={{ left: wanted - 1, top: middle - 4, height: BAR + 8 }}
                />
            )}
            {late && row.holdUp && row.kind !== 'line' && (
                <strong className="absolute text-xs whitespace-nowrap text-broken" style={{ left: drawnTo + 7, top: (ROW - 18) / 2 }}>
                    {row.parent === -1 ? tn('1 day late', ':n days late', row.lateDays) : day(row.to, planDate).replace(/ \w+$/, '')}
                </strong>
            )}
            {late && wanted !== null && (
                <span
                    className="absolute border-t-2 border-dotted border-broken"
                    style={{ left: wanted, top: middle + BAR + 4, width: Math.max(scale, end - wanted) }}
                />
            )}
        </div>
    );
}

/** From the end of each supply to what takes it; in a thread up, from each supply to whom it serves. */
function Links({
    rows,
    drawn,
    places,
    x,
    up,
    width,
}: {
    rows: ThreadRow[];
    /** Places of the rows that are drawn. */
    drawn: number[];
    places: Map<number, number>;
    x: (iso: string) => number;
    up: boolean;
    width: number;
}) {
    const byId = new Map(rows.map((row) => [row.id, row]));
    const lines = drawn.flatMap((place) => {
        const row = rows[place];
        const parent = row && byId.get(row.parent);
        const above = row && places.get(row.parent);
        if (!row || !parent || above === undefined) {
            return [];
        }
        const y = place * ROW + ROW / 2;
        const top = above * ROW + ROW / 2 + (parent.kind === 'line' ? 8 : BAR / 2 + 1);
        if (up) {
            const from = x(parent.to) - 2;
            const to = row.kind === 'line' ? x(row.to) : x(row.from ?? row.to);
            return [{ row, path: `M${from},${top}V${y}H${Math.max(from, to)}` }];
        }
        const end = x(row.to) + (row.kind === 'stock' || row.kind === 'gap' ? SQUARE / 2 : 1);
        const start = parent.kind === 'line' ? x(parent.to) : x(parent.from ?? parent.to) + 3;
        const turn = Math.max(end + 3, start);
        return [{ row, path: `M${end},${y}H${turn}V${top}` }];
    });
    return (
        <svg
            className="pointer-events-none absolute top-0"
            style={{ left: LABELS }}
            width={width}
            height={rows.length * ROW}
            fill="none"
            aria-hidden
        >
            {lines
                .sort((a, b) => Number(a.row.holdUp) - Number(b.row.holdUp))
                .map(({ row, path }) => (
                    <path key={row.id} d={path} className={row.holdUp ? 'stroke-ink' : 'stroke-faint'} strokeWidth={row.holdUp ? 2.5 : 1} />
                ))}
        </svg>
    );
}
