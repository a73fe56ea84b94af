import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import {
    getCoreRowModel,
    getSortedRowModel,
    useReactTable,
    type ColumnDef,
    type SortingState,
    type VisibilityState,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp, Columns3 } from 'lucide-react';
import { Fragment, useEffect, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { t } from '@/lib/t';
import { useGridKeys } from '@/lib/useGridKeys';
import { useInSight } from '@/lib/useInSight';
import { useKept } from '@/lib/useKept';

/** A column of a table. What it says is computed from a row; nothing of it is looked up by a name. */
export interface DataColumn<Row> {
    id: string;
    head: string;
    /** What the head means, where it is short or empty. */
    about?: string;
    /** As CSS has it; without one the column takes what is left. */
    width?: string;
    right?: boolean;
    /** Classes of the head and of every cell. */
    look?: string;
    cell: (row: Row) => ReactNode;
    cellLook?: (row: Row) => string;
    /** What is read in full where the cell is cut. */
    title?: (row: Row) => string;
    /** What the rows are sorted by, where people may sort by it; `true` where the server knows. */
    sort?: ((row: Row) => string | number) | true;
    /** Whether it gives way to a panel beside the table. */
    wide?: boolean;
}

export interface DataGroup<Row> {
    key: string;
    label: ReactNode;
    /** What stands at the end of the heading. */
    value?: ReactNode;
    rows: Row[];
    /** How many it has in all, where not all are there: then all of them cannot be ticked at once. */
    count?: number;
}

/** Rows that can be ticked, by their keys. */
export interface Ticks<Row> {
    picked: (row: Row) => boolean;
    may: (row: Row) => boolean;
    label: (row: Row) => string;
    onPick: (rows: Row[], on: boolean) => void;
    /** What the box over all rows says; without it there is none. */
    all?: string;
    /** What the box of a group says; without it there is none. */
    group?: (group: DataGroup<Row>) => string;
}

interface Props<Row> {
    /** Under this name a person's widths and choice of columns are kept. */
    name: string;
    label: string;
    columns: DataColumn<Row>[];
    /** Columns that are not shown until somebody chooses them. */
    spare?: string[];
    keyOf: (row: Row) => string;
    rows?: Row[];
    groups?: DataGroup<Row>[];
    open?: string | null;
    onOpen?: (row: Row) => void;
    /** Whether a panel stands beside it. */
    narrow?: boolean;
    busy?: boolean;
    /** A key on a row that the table does not use itself. */
    onKey?: (event: KeyboardEvent<HTMLTableRowElement>, row: Row) => void;
    rowLook?: (row: Row) => string;
    level?: (row: Row) => number;
    ticks?: Ticks<Row>;
    /** What stands below a row, over all its columns. */
    detail?: (row: Row) => ReactNode;
    foot?: ReactNode;
    /** Asks for the rows after those that are there; null where there are none, or while they are asked for. */
    more?: (() => void) | null;
    /** How many rows there are in all, where not all are there. */
    total?: number;
    /** What the server sorts by, and how one asks it to; without it the rows are sorted here. */
    order?: Order;
}

/** The name of a column, with a minus before it from the largest to the least; empty for the list's own order. */
export interface Order {
    by: string;
    onChange: (by: string) => void;
}

const LEAST = 36;

/** The list of the house: heads that stay, columns to choose, widths that are kept, sorting, headings, ticks; the keys of a grid. */
export function DataTable<Row>(props: Props<Row>) {
    const { name, label, columns, spare = [], keyOf, narrow = false, groups, ticks } = props;
    const usual = Object.fromEntries(spare.map((id) => [id, false]));
    const [chosen, setHidden] = useKept<VisibilityState>(`table.${name}.hidden`, {});
    const hidden = { ...usual, ...chosen };
    const [widths, setWidths] = useKept<Record<string, number>>(`table.${name}.widths`, {});
    const [placed, setPlaced] = useKept<string[]>(`table.${name}.order`, []);
    const inOrder = orderOf(columns, placed);
    const [own, setOwn] = useState<SortingState>([]);
    const { order } = props;
    const sorting = order ? sortingOf(order.by) : own;
    const grid = useRef<HTMLTableElement>(null);
    const visible = Object.fromEntries(columns.map((column) => [column.id, hidden[column.id] !== false && !(narrow && column.wide)]));
    // eslint-disable-next-line react-hooks/incompatible-library -- nothing here is memoized
    const table = useReactTable<Row>({
        data: groups ? groups.flatMap((group) => group.rows) : (props.rows ?? []),
        columns: columns.map((column): ColumnDef<Row> => ({
            id: column.id,
            header: column.head,
            accessorFn: typeof column.sort === 'function' ? column.sort : () => '',
            enableSorting: order ? column.sort === true : typeof column.sort === 'function' && !groups,
            sortDescFirst: false,
        })),
        state: { sorting, columnVisibility: visible, columnOrder: inOrder.map((column) => column.id) },
        manualSorting: order !== undefined,
        onSortingChange: (change) => {
            const next = typeof change === 'function' ? change(sorting) : change;
            if (order) {
                order.onChange(next.map((one) => `${one.desc ? '-' : ''}${one.id}`)[0] ?? '');
            } else {
                setOwn(next);
            }
        },
        getCoreRowModel: getCoreRowModel(),
        getSortedRowModel: getSortedRowModel(),
    });
    const shown = table.getVisibleLeafColumns().flatMap((one) => columns.find((column) => column.id === one.id) ?? []);
    const whole: DataGroup<Row>[] = groups ?? [{ key: '', label: null, rows: table.getRowModel().rows.map((row) => row.original) }];
    const all = whole.flatMap((group) => group.rows);
    const lines = linesOf(whole, groups !== undefined);
    const { drawn, above, below, reveal, focus } = useInSight(grid, lines, props.more);
    const keys = useGridKeys(grid, undefined, { rows: all.length, reveal });
    useEffect(() => focus(keys.at[0]), [focus, keys.at]);
    const sections = sectionsOf(whole, drawn);
    const span = shown.length + (ticks ? 1 : 0);

    const resize = (id: string) => (event: PointerEvent<HTMLElement>) => {
        const head = event.currentTarget.closest('th');
        if (!head) {
            return;
        }
        event.preventDefault();
        const from = event.clientX - head.offsetWidth;
        const handle = event.currentTarget;
        handle.setPointerCapture(event.pointerId);
        const move = (moved: globalThis.PointerEvent) => setWidths((old) => ({ ...old, [id]: Math.max(LEAST, moved.clientX - from) }));
        handle.addEventListener('pointermove', move);
        handle.addEventListener('lostpointercapture', () => handle.removeEventListener('pointermove', move), { once: true });
    };

    return (
        <div className="relative rounded border border-line bg-surface">
            <table
                ref={grid}
                role={props.level ? 'treegrid' : 'grid'}
                aria-label={label}
                aria-busy={props.busy}
                aria-rowcount={(props.total ?? all.length) + 1}
                aria-colcount={columns.length + (ticks ? 1 : 0)}
                className="w-full table-fixed text-sm"
                onKeyDown={keys.onKeyDown}
                onFocus={keys.onFocus}
            >
                <thead className="sticky -top-3 z-10 bg-surface">
                    <tr className="group/heads border-b border-line text-left text-xs text-mute" aria-rowindex={1}>
                        {ticks && (
                            <th scope="col" className="w-[34px] py-1.5 pl-2 text-center">
                                {ticks.all === undefined ? (
                                    <span className="sr-only">{t('Picked')}</span>
                                ) : (
                                    <TickAll rows={all} ticks={ticks} label={ticks.all} />
                                )}
                            </th>
                        )}
                        {shown.map((column, place) => {
                            const sorted = table.getColumn(column.id)?.getIsSorted() ?? false;
                            const sortable = table.getColumn(column.id)?.getCanSort() ?? false;
                            const width = widths[column.id];
                            return (
                                <th
                                    key={column.id}
                                    scope="col"
                                    aria-colindex={columns.indexOf(column) + (ticks ? 2 : 1)}
                                    aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : undefined}
                                    title={column.about}
                                    aria-label={column.head === '' ? column.about : undefined}
                                    style={{ width: width === undefined ? column.width : `${width}px` }}
                                    className={`relative py-1.5 !font-bold !text-mute ${edge(place, shown.length, ticks !== undefined)} ${column.right ? 'text-right' : ''} ${column.look ?? ''}`}
                                >
                                    {sortable ? (
                                        <button
                                            type="button"
                                            onClick={table.getColumn(column.id)?.getToggleSortingHandler()}
                                            className={`inline-flex min-h-6 max-w-full items-center gap-0.5 font-bold hover:text-ink ${column.right ? 'flex-row-reverse' : ''}`}
                                        >
                                            <span className="truncate">{column.head}</span>
                                            {sorted === 'asc' && <ArrowUp size={11} aria-hidden />}
                                            {sorted === 'desc' && <ArrowDown size={11} aria-hidden />}
                                        </button>
                                    ) : (
                                        column.head
                                    )}
                                    <span
                                        aria-hidden
                                        onPointerDown={resize(column.id)}
                                        className="absolute inset-y-1 right-0 w-1.5 cursor-col-resize border-r border-transparent group-hover/heads:border-line"
                                    />
                                </th>
                            );
                        })}
                    </tr>
                </thead>
                {above > 0 && <Gap height={above} span={span} />}
                {sections.map(({ group, heading, lines: rows }) => (
                    <tbody key={group.key}>
                        {heading && <Heading group={group} span={span} ticks={ticks} />}
                        {rows.map(({ row, number }) => (
                            <Line key={`${group.key} ${keyOf(row)}`} row={row} number={number} span={span} shown={shown} table={props} />
                        ))}
                    </tbody>
                ))}
                {below > 0 && <Gap height={below} span={span} />}
                {props.foot && (
                    <tfoot>
                        <tr>
                            <td colSpan={span} className="border-t border-soft px-3 py-1.5 text-xs text-mute">
                                {props.foot}
                            </td>
                        </tr>
                    </tfoot>
                )}
            </table>
            <Chooser
                columns={inOrder}
                onMove={(id, by) => {
                    const ids = inOrder.map((column) => column.id);
                    const from = ids.indexOf(id);
                    ids.splice(from + by, 0, ...ids.splice(from, 1));
                    setPlaced(ids);
                }}
                visible={(id) => hidden[id] !== false}
                onToggle={(id) => setHidden((old) => ({ ...old, [id]: hidden[id] === false }))}
                onReset={() => {
                    setHidden({});
                    setWidths({});
                    setPlaced([]);
                }}
            />
        </div>
    );
}

/** Keeps the place of what is not drawn. */
function Gap({ height, span }: { height: number; span: number }) {
    return (
        <tbody aria-hidden>
            <tr style={{ height }}>
                <td colSpan={span} />
            </tr>
        </tbody>
    );
}

function sortingOf(by: string): SortingState {
    return by === '' ? [] : [{ id: by.replace(/^-/, ''), desc: by.startsWith('-') }];
}

/** A line of the table: the heading of a group, or a row with its number. */
type TableLine<Row> = { group: DataGroup<Row>; row: Row; number: number } | { group: DataGroup<Row>; row: null };

function linesOf<Row>(groups: DataGroup<Row>[], headings: boolean): TableLine<Row>[] {
    let number = 0;
    return groups.flatMap((group): TableLine<Row>[] => [
        ...(headings ? [{ group, row: null }] : []),
        ...group.rows.map((row) => ({ group, row, number: number++ })),
    ]);
}

interface Section<Row> {
    group: DataGroup<Row>;
    heading: boolean;
    lines: { row: Row; number: number }[];
}

/** The lines that are drawn, under the groups that they are of. */
function sectionsOf<Row>(groups: DataGroup<Row>[], drawn: TableLine<Row>[]): Section<Row>[] {
    const sections = new Map(groups.map((group): [string, Section<Row>] => [group.key, { group, heading: false, lines: [] }]));
    for (const line of drawn) {
        const section = sections.get(line.group.key);
        if (section && 'number' in line) {
            section.lines.push(line);
        } else if (section) {
            section.heading = true;
        }
    }
    return [...sections.values()].filter((section) => section.heading || section.lines.length > 0);
}

function edge(place: number, columns: number, ticks: boolean): string {
    return place === columns - 1 ? 'pr-3' : place === 0 && !ticks ? 'pl-3 pr-2' : place === 0 ? 'pl-1 pr-2' : 'pr-2';
}

/** A box that ticks all rows it may, and is half ticked where some are. */
function TickAll<Row>({ rows, ticks, label }: { rows: Row[]; ticks: Ticks<Row>; label: string }) {
    const allowed = rows.filter(ticks.may);
    const all = allowed.length > 0 && allowed.every(ticks.picked);
    const some = allowed.some(ticks.picked);
    if (allowed.length === 0) {
        return null;
    }
    return (
        <input
            type="checkbox"
            aria-label={label}
            checked={all}
            ref={(box) => {
                if (box) {
                    box.indeterminate = some && !all;
                }
            }}
            onChange={() => ticks.onPick(allowed, !all)}
            className="size-[15px] align-middle accent-act"
        />
    );
}

function Heading<Row>({ group, span, ticks }: { group: DataGroup<Row>; span: number; ticks: Ticks<Row> | undefined }) {
    return (
        <tr className="h-[34px] border-b border-soft bg-sunk">
            {ticks && (
                <td className="pl-2 text-center">
                    {ticks.group && group.rows.length >= (group.count ?? 0) && (
                        <TickAll rows={group.rows} ticks={ticks} label={ticks.group(group)} />
                    )}
                </td>
            )}
            <th
                scope="rowgroup"
                colSpan={span - (ticks ? 1 : 0) - (group.value === undefined ? 0 : 1)}
                className={`truncate pr-2 text-left ${ticks ? 'pl-1' : 'pl-3'}`}
            >
                {group.label}
            </th>
            {group.value !== undefined && <td className="pr-3 text-right whitespace-nowrap">{group.value}</td>}
        </tr>
    );
}

interface LineProps<Row> {
    row: Row;
    number: number;
    span: number;
    shown: DataColumn<Row>[];
    table: Props<Row>;
}

function Line<Row>({ row, number, span, shown, table }: LineProps<Row>) {
    const { ticks, onOpen, onKey } = table;
    const key = table.keyOf(row);
    const isOpen = table.open !== undefined && table.open === key;
    const detail = table.detail?.(row);
    return (
        <Fragment>
            <tr
                data-row={number}
                data-key={key}
                tabIndex={-1}
                aria-rowindex={number + 2}
                aria-level={table.level?.(row)}
                aria-selected={ticks ? ticks.picked(row) : isOpen}
                onClick={onOpen && (() => onOpen(row))}
                onFocus={(event) => event.target === event.currentTarget && onOpen?.(row)}
                onKeyDown={(event) => {
                    if (event.key === ' ' && event.target === event.currentTarget && ticks?.may(row)) {
                        event.preventDefault();
                        ticks.onPick([row], !ticks.picked(row));
                    } else {
                        onKey?.(event, row);
                    }
                }}
                className={`h-8 border-b border-soft -outline-offset-2 last:border-0 ${onOpen ? 'cursor-pointer' : ''} ${isOpen ? 'bg-act-tint' : 'hover:bg-act-tint/50'} ${table.rowLook?.(row) ?? ''}`}
            >
                {ticks && (
                    <td className="pl-2 text-center">
                        {ticks.may(row) && (
                            <input
                                type="checkbox"
                                aria-label={ticks.label(row)}
                                checked={ticks.picked(row)}
                                onClick={(event) => event.stopPropagation()}
                                onChange={() => ticks.onPick([row], !ticks.picked(row))}
                                className="size-[15px] align-middle accent-act"
                            />
                        )}
                    </td>
                )}
                {shown.map((column, place) => (
                    <td
                        key={column.id}
                        title={column.title?.(row)}
                        className={`${edge(place, shown.length, ticks !== undefined)} ${column.right ? 'text-right whitespace-nowrap' : 'truncate'} ${column.look ?? ''} ${column.cellLook?.(row) ?? ''}`}
                    >
                        {column.cell(row)}
                    </td>
                ))}
            </tr>
            {detail && (
                <tr className="border-b border-soft bg-paper">
                    <td colSpan={span} className="px-3 py-1">
                        {detail}
                    </td>
                </tr>
            )}
        </Fragment>
    );
}

/** Columns as a person has put them; the first stays the first, and one that is new comes last. */
function orderOf<Row>(columns: DataColumn<Row>[], placed: string[]): DataColumn<Row>[] {
    const at = (column: DataColumn<Row>) => (placed.includes(column.id) ? placed.indexOf(column.id) : placed.length);
    return [...columns.slice(0, 1), ...columns.slice(1).sort((a, b) => at(a) - at(b))];
}

interface ChooserProps<Row> {
    columns: DataColumn<Row>[];
    /** Puts a column one place earlier or later. */
    onMove: (id: string, by: -1 | 1) => void;
    visible: (id: string) => boolean;
    onToggle: (id: string) => void;
    onReset: () => void;
}

/** Which columns a person wants to see, and in which order. The first always stays. */
function Chooser<Row>({ columns, visible, onToggle, onMove, onReset }: ChooserProps<Row>) {
    return (
        <Popover className="absolute top-0 right-0 z-20">
            <PopoverButton
                aria-label={t('Choose columns')}
                title={t('Choose columns')}
                className="rounded p-1 text-faint opacity-0 hover:text-ink focus:opacity-100 [div:hover>&]:opacity-100"
            >
                <Columns3 size={13} aria-hidden />
            </PopoverButton>
            <PopoverPanel
                anchor="bottom end"
                className="z-40 min-w-44 rounded border border-line bg-surface py-1.5 text-sm shadow-sm [--anchor-gap:4px] focus:outline-none"
            >
                {columns.slice(1).map((column, place) => {
                    const title = (column.head === '' ? column.about : column.head) ?? '';
                    return (
                        <div key={column.id} className="flex items-center gap-1 px-3 py-0.5 hover:bg-act-tint">
                            <label className="flex flex-1 cursor-pointer items-center gap-2">
                                <input
                                    type="checkbox"
                                    checked={visible(column.id)}
                                    onChange={() => onToggle(column.id)}
                                    className="accent-act"
                                />
                                {title}
                            </label>
                            <button
                                type="button"
                                aria-label={t(':column earlier', { column: title })}
                                disabled={place === 0}
                                onClick={() => onMove(column.id, -1)}
                                className="px-1 text-mute enabled:hover:text-ink disabled:opacity-30"
                            >
                                <ArrowUp size={12} aria-hidden />
                            </button>
                            <button
                                type="button"
                                aria-label={t(':column later', { column: title })}
                                disabled={place === columns.length - 2}
                                onClick={() => onMove(column.id, 1)}
                                className="px-1 text-mute enabled:hover:text-ink disabled:opacity-30"
                            >
                                <ArrowDown size={12} aria-hidden />
                            </button>
                        </div>
                    );
                })}
                <button
                    type="button"
                    onClick={onReset}
                    className="mt-1 w-full border-t border-soft px-3 pt-1.5 text-left font-semibold text-act hover:underline"
                >
                    {t('Columns as they were')}
                </button>
            </PopoverPanel>
        </Popover>
    );
}
