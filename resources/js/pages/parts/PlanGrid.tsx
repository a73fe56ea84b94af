import { useVirtualizer } from '@tanstack/react-virtual';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { useCallback, useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { draftedGround, DraftedQuantity } from '@/components/DraftedQuantity';
import { period, weekday } from '@/lib/format';
import { getJson, Refusal } from '@/lib/http';
import type { BalanceMark, Explanation, GridCell, GridRow, PointDetail } from '@/lib/shapes';
import { t } from '@/lib/t';
import { pointKey, useDraftedBalances } from '@/lib/useDraftedBalances';
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

const keyOf = (row: GridRow) => pointKey(row.item, row.site);

/**
 * The grid item x period. Rows are drawn as they come into sight and fetched a page at a time. One cell has the focus; arrow keys move it,
 * Enter opens the row into its record, ? asks where the number comes from.
 */
export function PlanGrid({ periods, firstRows, total, filter, picked, onPick }: Props) {
    const [pages, setPages] = useState<Map<number, GridRow[]>>(() => new Map([[0, firstRows]]));
    const [opened, setOpened] = useState<ReadonlyMap<string, PointDetail | null>>(new Map());
    const [at, setAt] = useState<[number, number]>([0, 0]);
    const [asked, setAsked] = useState<AskedAt | null>(null);
    const [trouble, setTrouble] = useState<string | null>(null);
    const scroller = useRef<HTMLDivElement>(null);
    const requested = useRef(new Set([0]));
    const moved = useRef(false);
    const width = filter.bucket === 'day' ? 62 : 64;
    const rowAt = useCallback((index: number) => pages.get(Math.floor(index / PAGE))?.[index % PAGE], [pages]);
    const view = { bucket: filter.bucket ?? 'week', as: filter.as ?? 'expected' };

    // eslint-disable-next-line react-hooks/incompatible-library -- nothing here is memoized
    const virtual = useVirtualizer({
        count: total,
        getScrollElement: () => scroller.current,
        estimateSize: (index) => {
            const row = rowAt(index);
            return row && opened.has(keyOf(row)) ? ROW + RECORD_ROWS * RECORD_ROW : ROW;
        },
        overscan: 12,
    });
    const items = virtual.getVirtualItems();
    const firstPage = Math.floor((items[0]?.index ?? 0) / PAGE);
    const lastPage = Math.floor((items[items.length - 1]?.index ?? 0) / PAGE);

    useEffect(() => {
        for (let page = firstPage; page <= lastPage; page++) {
            if (requested.current.has(page)) {
                continue;
            }
            requested.current.add(page);
            getJson<{ rows: GridRow[] }>('/plan/rows', { ...filter, offset: page * PAGE })
                .then(({ rows }) => setPages((before) => new Map(before).set(page, rows)))
                .catch((cause: unknown) => {
                    requested.current.delete(page);
                    setTrouble(cause instanceof Refusal ? cause.message : String(cause));
                });
        }
    }, [firstPage, lastPage, filter]);

    const looked = useMemo(
        () => [...pages].filter(([page]) => page >= firstPage && page <= lastPage).flatMap(([, rows]) => rows.map(keyOf)),
        [pages, firstPage, lastPage],
    );
    const drafted = useDraftedBalances(looked, view.bucket, view.as);

    useEffect(() => {
        virtual.measure();
    }, [opened, virtual]);

    useEffect(() => {
        const cell = moved.current ? scroller.current?.querySelector<HTMLElement>(`[data-cell="${at[0]}:${at[1]}"]`) : null;
        if (cell) {
            moved.current = false;
            cell.focus();
        }
    });

    const toggle = (row: GridRow) => {
        const key = keyOf(row);
        if (opened.has(key)) {
            setOpened(new Map([...opened].filter(([other]) => other !== key)));
            return;
        }
        setOpened(new Map(opened).set(key, null));
        getJson<PointDetail>('/plan/point', { item: row.item, at: row.site, ...view })
            .then((detail) => setOpened((before) => new Map(before).set(key, detail)))
            .catch((cause: unknown) => setTrouble(cause instanceof Refusal ? cause.message : String(cause)));
    };
    const ask = (row: GridRow, start: string, target: HTMLElement) => {
        const box = target.getBoundingClientRect();
        getJson<Explanation>('/plan/ask', { item: row.item, at: row.site, period: start, ...view })
            .then((answer) => setAsked({ answer, box, back: target }))
            .catch((cause: unknown) => setTrouble(cause instanceof Refusal ? cause.message : String(cause)));
    };
    const pick = (index: number, column: number) => {
        setAt([index, column]);
        const row = rowAt(index);
        if (row) {
            onPick({ item: row.item, site: row.site });
        }
    };
    const onKey = (event: KeyboardEvent<HTMLDivElement>) => {
        const [index, column] = at;
        const row = rowAt(index);
        const cell = row?.cells[column - 1];
        if (event.key === '?' && row && cell) {
            event.preventDefault();
            ask(row, cell.start, event.target as HTMLElement);
            return;
        }
        if (event.key === 'Enter' && row) {
            event.preventDefault();
            toggle(row);
            return;
        }
        const step = scroller.current ? Math.floor(scroller.current.clientHeight / ROW) - 1 : 10;
        const to: Record<string, [number, number]> = {
            ArrowDown: [index + 1, column],
            ArrowUp: [index - 1, column],
            ArrowRight: [index, column + 1],
            ArrowLeft: [index, column - 1],
            PageDown: [index + step, column],
            PageUp: [index - step, column],
            Home: event.ctrlKey ? [0, 0] : [index, 0],
            End: event.ctrlKey ? [total - 1, periods.length] : [index, periods.length],
        };
        const next = to[event.key];
        if (next) {
            event.preventDefault();
            const target: [number, number] = [Math.max(0, Math.min(total - 1, next[0])), Math.max(0, Math.min(periods.length, next[1]))];
            virtual.scrollToIndex(target[0]); // this may draw at once, with the old cell: only then say that the focus moves
            moved.current = true;
            pick(...target);
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
                ref={scroller}
                role="grid"
                aria-label={t('Balance by item and period')}
                aria-rowcount={total + 1}
                aria-colcount={periods.length + 1}
                onKeyDown={onKey}
                className="min-h-0 flex-1 overflow-auto rounded border border-line bg-surface text-sm"
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
                    {periods.map((start) => (
                        <div
                            key={start}
                            role="columnheader"
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
                        const detail = row ? opened.get(keyOf(row)) : undefined;
                        const isPicked = row !== undefined && picked?.item === row.item && picked.site === row.site;
                        return (
                            <div key={item.key} className="absolute left-0 w-full" style={{ top: item.start }}>
                                {row ? (
                                    <Row
                                        row={row}
                                        index={item.index}
                                        at={at}
                                        width={width}
                                        drafted={drafted[keyOf(row)]}
                                        isPicked={isPicked}
                                        isOpen={opened.has(keyOf(row))}
                                        indent={filter.sort === 'structure' || !filter.sort}
                                        onPick={pick}
                                        onToggle={() => toggle(row)}
                                        onAsk={(cell, target) => ask(row, cell.start, target)}
                                    />
                                ) : (
                                    <div className="border-b border-soft px-2 text-mute" style={{ height: ROW, lineHeight: `${ROW}px` }}>
                                        {t('Loading')}
                                    </div>
                                )}
                                {row && opened.has(keyOf(row)) && (
                                    <RecordRows
                                        record={detail?.record ?? null}
                                        decimals={row.decimals}
                                        headWidth={HEAD_WIDTH}
                                        width={width}
                                        rowHeight={RECORD_ROW}
                                        rows={RECORD_ROWS}
                                        asExpected={view.as === 'expected'}
                                        onAsk={(start, target) => ask(row, start, target)}
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
    at: [number, number];
    width: number;
    drafted: Record<string, string> | undefined;
    isPicked: boolean;
    isOpen: boolean;
    indent: boolean;
    onPick: (index: number, column: number) => void;
    onToggle: () => void;
    onAsk: (cell: GridCell, target: HTMLElement) => void;
}

function Row({ row, index, at, width, drafted, isPicked, isOpen, indent, onPick, onToggle, onAsk }: RowProps) {
    const focusable = (column: number) => (at[0] === index && at[1] === column ? 0 : -1);
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
                tabIndex={focusable(0)}
                data-cell={`${index}:0`}
                onClick={() => onPick(index, 0)}
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
                        onPick(index, 0);
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
                <span className="text-xs text-mute">{row.site}</span>
                <span className="w-7 text-right text-xs text-mute">{row.unit}</span>
            </div>
            {row.cells.map((cell, place) => (
                <div
                    key={cell.start}
                    role="gridcell"
                    tabIndex={focusable(place + 1)}
                    data-cell={`${index}:${place + 1}`}
                    onClick={(event) => {
                        onPick(index, place + 1);
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
                    <DraftedQuantity value={cell.balance} drafted={drafted?.[cell.start]} decimals={row.decimals} />
                    {(cell.ordered || cell.proposed) && (
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
