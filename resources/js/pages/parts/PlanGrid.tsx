import { useQueries } from '@tanstack/react-query';
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { Touched } from '@/components/DraftMarks';
import { draftedGround, DraftedQuantity } from '@/components/DraftedQuantity';
import { period, weekday } from '@/lib/format';
import { getJson } from '@/lib/http';
import type { BalanceMark, Explanation, GridCell, GridRow, GridRows, PointDetail } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { type Sentence, t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { pointKey, useDraftedBalances } from '@/lib/useDraftedBalances';
import { useGridKeys } from '@/lib/useGridKeys';
import { AnswerPopover, type AskedAt } from '@/pages/parts/AnswerPopover';
import { RecordRows } from '@/pages/parts/RecordRows';

export interface Picked {
    item: string;
    site: string;
}

interface Props {
    periods: string[];
    firstRows: GridRow[];
    total: number;
    filter: Record<string, string>;
    picked: Picked | null;
    onPick: (picked: Picked) => void;
}

const ROW = 33;
const RECORD_ROWS = 8;
const RECORD_ROW = 26;
const PAGE = 50;
const HEAD_WIDTH = 300;

const GRID_LABELS: Record<string, Sentence> = {
    balance: 'Balance by item and period',
    needed: 'What is needed, by item and period',
    to_start: 'What is to start, by item and period',
};

const keyOf = (row: GridRow) => pointKey(row.item, row.site);

/**
 * The grid item x period. Rows are drawn as they come into sight and fetched a page at a time; the one that has the focus stays drawn.
 * Enter opens the row into its record, ? asks where the number comes from.
 */
export function PlanGrid({ periods, firstRows, total, filter, picked, onPick }: Props) {
    const [opened, setOpened] = useState<GridRow[]>([]);
    const [asked, setAsked] = useState<AskedAt | null>(null);
    const grid = useRef<HTMLDivElement>(null);
    const focused = useRef(0);
    const { plan, site } = useShared();
    const width = filter.bucket === 'day' ? 62 : 64;
    const view = { bucket: filter.bucket ?? 'week', as: filter.as ?? 'expected', show: filter.show ?? 'balance' };
    const isOpen = (row: GridRow) => opened.some((other) => keyOf(other) === keyOf(row));

    const [sizes, setSizes] = useState<ReadonlyMap<number, number>>(new Map()); // rows that are higher than others
    // eslint-disable-next-line react-hooks/incompatible-library -- nothing here is memoized
    const virtual = useVirtualizer({
        count: total,
        getScrollElement: () => grid.current,
        estimateSize: (index) => sizes.get(index) ?? ROW,
        overscan: 12,
        useFlushSync: false,
        rangeExtractor: (range) => [...new Set([focused.current, ...defaultRangeExtractor(range)])].sort((a, b) => a - b),
    });
    const items = virtual.getVirtualItems();
    const inSight = [...new Set(items.map((item) => Math.floor(item.index / PAGE)))];
    const pages = useQueries({
        queries: inSight.map((page) => ({
            queryKey: ['/plan/rows', filter, site, plan.id, page],
            queryFn: ({ signal }: { signal: AbortSignal }) => getJson<GridRows>('/plan/rows', { ...filter, offset: page * PAGE }, signal),
            initialData: page === 0 ? { rows: firstRows } : undefined,
            staleTime: Infinity,
        })),
    });
    const rowAt = (index: number) => pages[inSight.indexOf(Math.floor(index / PAGE))]?.data?.rows[index % PAGE];
    const records = useQueries({
        queries: opened.map((row) => ({
            queryKey: ['/plan/point', row.item, row.site, view, plan.id],
            queryFn: ({ signal }: { signal: AbortSignal }) =>
                getJson<PointDetail>('/plan/point', { item: row.item, at: row.site, ...view }, signal),
            staleTime: Infinity,
        })),
    });
    const recordOf = (row: GridRow) => records[opened.findIndex((other) => keyOf(other) === keyOf(row))]?.data?.record ?? null;
    const drafted = useDraftedBalances(
        pages.flatMap((page) => page.data?.rows.map(keyOf) ?? []),
        view,
    );
    const asking = useCommand(
        ({ row, start }: { row: GridRow; start: string; target: HTMLElement }) =>
            getJson<Explanation>('/plan/ask', { item: row.item, at: row.site, period: start, ...view }),
        (answer, { target }) => setAsked({ answer, back: target }),
    );
    const trouble = asking.trouble ?? [...pages, ...records].find((query) => query.error)?.error?.message;

    useEffect(() => {
        virtual.measure();
    }, [sizes, virtual]);

    const toggle = (row: GridRow, index: number) => {
        const opens = !isOpen(row);
        setOpened((old) => (opens ? [...old, row] : old.filter((other) => keyOf(other) !== keyOf(row))));
        setSizes((old) => new Map(old).set(index, opens ? ROW + RECORD_ROWS * RECORD_ROW : ROW));
    };
    const pick = (index: number) => {
        const row = rowAt(index);
        if (row) {
            onPick({ item: row.item, site: row.site });
        }
    };
    const keys = useGridKeys(grid, {
        rows: total,
        columns: periods.length + 1,
        reveal: (index) => {
            focused.current = index;
            virtual.scrollToIndex(index);
        },
        page: () => (grid.current ? Math.floor(grid.current.clientHeight / ROW) - 1 : 10),
        onMove: ([index]) => pick(index),
    });
    const onKey = (event: KeyboardEvent<HTMLDivElement>) => {
        const [index, column] = keys.at;
        const row = rowAt(index);
        const cell = row?.cells[column - 1];
        if (event.key === '?' && row && cell) {
            event.preventDefault();
            asking.send({ row, start: cell.start, target: event.target as HTMLElement });
        } else if (event.key === 'Enter' && row) {
            event.preventDefault();
            toggle(row, index);
        } else {
            keys.onKeyDown(event);
        }
    };

    return (
        <>
            {trouble && (
                <p role="alert" className="mb-2 rounded bg-broken-tint px-2.5 py-1.5 text-sm">
                    {trouble}
                </p>
            )}
            <div
                ref={grid}
                role="treegrid"
                aria-label={t(GRID_LABELS[view.show] ?? 'Balance by item and period')}
                aria-rowcount={total + 1}
                aria-colcount={periods.length + 1}
                onKeyDown={onKey}
                onFocus={(event) => {
                    keys.onFocus(event);
                    focused.current = Number((event.target as HTMLElement).dataset.cell?.split(':')[0] ?? focused.current);
                }}
                className="min-h-72 flex-1 overflow-auto rounded border border-line bg-surface text-sm"
            >
                <div
                    role="row"
                    aria-rowindex={1}
                    className="sticky top-0 z-20 flex h-[23px] border-b border-line bg-surface text-xs font-semibold text-mute"
                    style={{ width: HEAD_WIDTH + periods.length * width }}
                >
                    <div role="columnheader" className="sticky left-0 z-10 flex items-center bg-surface px-2" style={{ width: HEAD_WIDTH }}>
                        {t('Item')}
                    </div>
                    {periods.map((start, place) => (
                        <div
                            key={start}
                            role="columnheader"
                            aria-colindex={place + 2}
                            className="flex items-center justify-end pr-2 whitespace-nowrap"
                            style={{ width }}
                        >
                            {view.bucket === 'day' ? `${weekday(start)} ${Number(start.slice(8))}` : period(start, view.bucket)}
                        </div>
                    ))}
                </div>
                <div className="relative" style={{ height: virtual.getTotalSize(), width: HEAD_WIDTH + periods.length * width }}>
                    {items.map((item) => {
                        const row = rowAt(item.index);
                        const isPicked = row !== undefined && picked?.item === row.item && picked.site === row.site;
                        return (
                            <div key={item.key} className="absolute left-0 w-full" style={{ top: item.start }}>
                                {row ? (
                                    <Row
                                        row={row}
                                        index={item.index}
                                        width={width}
                                        drafted={drafted[keyOf(row)]}
                                        show={view.show}
                                        isPicked={isPicked}
                                        isOpen={isOpen(row)}
                                        indent={filter.sort === 'structure' || !filter.sort}
                                        onPick={pick}
                                        onToggle={() => toggle(row, item.index)}
                                        onAsk={(cell, target) => asking.send({ row, start: cell.start, target })}
                                    />
                                ) : (
                                    <div className="border-b border-soft px-2 text-mute" style={{ height: ROW, lineHeight: `${ROW}px` }}>
                                        {t('Loading')}
                                    </div>
                                )}
                                {row && isOpen(row) && (
                                    <RecordRows
                                        record={recordOf(row)}
                                        decimals={row.decimals}
                                        headWidth={HEAD_WIDTH}
                                        width={width}
                                        rowHeight={RECORD_ROW}
                                        rows={RECORD_ROWS}
                                        asExpected={view.as === 'expected'}
                                        onAsk={(start, target) => asking.send({ row, start, target })}
                                    />
                                )}
                            </div>
                        );
                    })}
                </div>
            </div>
            <p className="mt-1.5 text-xs text-mute">{t('Arrow keys move, Enter opens a row, ? asks where a number comes from.')}</p>
            {asked && <AnswerPopover asked={asked} onClose={() => setAsked(null)} />}
        </>
    );
}

const MARKS: Record<BalanceMark, string> = {
    broken: 'bg-broken-tint font-bold text-broken',
    dip: 'bg-broken-tint',
    look: 'bg-look-tint font-semibold text-look-ink',
    calm: '',
};

interface RowProps {
    row: GridRow;
    index: number;
    width: number;
    drafted: Record<string, string> | undefined;
    show: string;
    isPicked: boolean;
    isOpen: boolean;
    indent: boolean;
    onPick: (index: number) => void;
    onToggle: () => void;
    onAsk: (cell: GridCell, target: HTMLElement) => void;
}

function Row({ row, index, width, drafted, show, isPicked, isOpen, indent, onPick, onToggle, onAsk }: RowProps) {
    return (
        <div
            role="row"
            aria-rowindex={index + 2}
            aria-expanded={isOpen}
            aria-selected={isPicked}
            className={`flex border-b border-soft ${isPicked ? 'bg-act-tint' : ''}`}
            style={{ height: ROW }}
        >
            <div
                role="rowheader"
                tabIndex={-1}
                aria-colindex={1}
                data-cell={`${index}:0`}
                onClick={() => onPick(index)}
                className={`sticky left-0 z-10 flex cursor-pointer items-center gap-1.5 pr-2 -outline-offset-2 ${isPicked ? 'bg-act-tint' : 'bg-surface'}`}
                style={{ width: HEAD_WIDTH, paddingLeft: 4 + (indent ? Math.min(row.level, 8) * 11 : 0) }}
            >
                <button
                    type="button"
                    tabIndex={-1}
                    aria-label={
                        isOpen ? t('Close the record of :item', { item: row.item }) : t('Open the record of :item', { item: row.item })
                    }
                    onClick={(event) => {
                        event.stopPropagation();
                        onPick(index);
                        onToggle();
                    }}
                    className="text-mute hover:text-ink"
                >
                    {isOpen ? <ChevronDown size={14} aria-hidden /> : <ChevronRight size={14} aria-hidden />}
                </button>
                <span className="font-bold whitespace-nowrap">{row.item}</span>
                <span className="min-w-0 flex-1 truncate" title={`${row.name}, ${row.site}`}>
                    {row.name}
                </span>
                <Touched reference={pointKey(row.item, row.site)} />
                <span className="text-xs text-mute">{row.site}</span>
                <span className="w-7 text-right text-xs text-mute">{row.unit}</span>
            </div>
            {row.cells.map((cell, place) => (
                <div
                    key={cell.start}
                    role="gridcell"
                    tabIndex={-1}
                    aria-colindex={place + 2}
                    data-cell={`${index}:${place + 1}`}
                    onClick={(event) => {
                        onPick(index);
                        onAsk(cell, event.currentTarget);
                    }}
                    className={`relative flex shrink-0 cursor-pointer items-center justify-end pr-2 -outline-offset-2 ${draftedGround(drafted?.[cell.start]) ?? MARKS[cell.mark]}`}
                    style={{ width }}
                >
                    {cell.mark === 'broken' && <span className="sr-only">{t('short')}</span>}
                    {cell.mark === 'dip' && drafted?.[cell.start] === undefined && (
                        <span className="mr-auto pl-1.5 text-2xs text-broken" title={t('short on a day in between')}>
                            ▾<span className="sr-only">{t('short on a day in between')}</span>
                        </span>
                    )}
                    {cell.mark === 'look' && <span className="sr-only">{t('under safety stock')}</span>}
                    <DraftedQuantity value={cell.figure} drafted={drafted?.[cell.start]} decimals={row.decimals} />
                    {show === 'balance' && (cell.ordered || cell.proposed) && (
                        <span
                            aria-hidden
                            className={`absolute right-2 bottom-[3px] h-[4px] w-6 rounded-[1px] ${cell.ordered ? 'cover-order' : 'cover-proposal'}`}
                        />
                    )}
                </div>
            ))}
        </div>
    );
}
