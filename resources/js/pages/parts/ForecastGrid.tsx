import { router } from '@inertiajs/react';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { Quantity } from '@/components/Quantity';
import { Notice } from '@/components/Notice';
import { isZero, period } from '@/lib/format';
import { postJson, Refusal } from '@/lib/http';
import type { ForecastCell, ForecastRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useGridKeys } from '@/lib/useGridKeys';
import { useInSight } from '@/lib/useInSight';
import { useSure } from '@/lib/useSure';

const HEAD = 250;
const WIDTH = 62;
const HEIGHTS = { heading: 73, row: 73, heads: 25, from: 14 };

/** A forecast, item by period: what is forecast (typed here), what orders consume of it, what is left. */
export function ForecastGrid({ rows, total, more }: { rows: ForecastRow[]; total: number; more: (() => void) | null }) {
    const { user } = useShared();
    const [trouble, setTrouble] = useState<string | null>(null);
    const grid = useRef<HTMLDivElement>(null);
    const mayType = user.can.includes('edit forecast');
    const periods = rows[0]?.cells.map((cell) => cell.start) ?? [];
    const bucket = rows[0]?.bucket ?? 'week';
    const [ask, asking] = useSure('Keep it so', 'Nothing has been changed yet.');
    const lines = useMemo(() => rows.map((row) => ({ row })), [rows]);
    const sight = useInSight(grid, lines, more, HEIGHTS);
    const keys = useGridKeys(grid, { rows: rows.length, columns: periods.length, reveal: sight.reveal });
    const { focus } = sight;
    useEffect(() => focus(keys.at[0]), [focus, keys.at]);

    const save = (row: ForecastRow, cell: ForecastCell, typed: string) =>
        ask((sure) =>
            postJson('/demand/forecast', {
                forecast: row.forecast,
                item: row.item,
                site: row.site,
                start: cell.start,
                qty: typed,
                version: cell.version,
                sure,
            }),
        )
            .then(() => setTrouble(null))
            .catch((cause: unknown) => setTrouble(cause instanceof Refusal ? cause.message : String(cause)))
            .finally(() => router.reload({ only: ['rows', 'plan'] }));
    const onKey = (event: KeyboardEvent<HTMLDivElement>) => {
        const typing = (event.target as HTMLElement).dataset.typing === '1';
        if (event.key === 'Enter') {
            event.preventDefault();
            keys.moveTo([Math.min(rows.length - 1, keys.at[0] + 1), keys.at[1]]);
        } else if (!typing || !['ArrowLeft', 'ArrowRight', 'Home', 'End'].includes(event.key)) {
            keys.onKeyDown(event);
        }
    };
    return (
        <>
            {asking}
            {trouble && (
                <Notice tone="broken" onClose={() => setTrouble(null)}>
                    {trouble}
                </Notice>
            )}
            <div
                ref={grid}
                data-scrolls
                role="grid"
                aria-label={t('Forecast by item and period')}
                aria-rowcount={3 * total + 1}
                aria-colcount={periods.length + 1}
                onKeyDown={onKey}
                onFocus={keys.onFocus}
                className="min-h-0 overflow-auto rounded border border-line bg-surface text-sm"
            >
                <div
                    role="row"
                    aria-rowindex={1}
                    className="sticky top-0 z-20 flex h-[25px] border-b border-line bg-surface text-xs font-semibold text-mute"
                    style={{ width: HEAD + 70 + periods.length * WIDTH }}
                >
                    <div role="columnheader" className="sticky left-0 z-10 flex items-center bg-surface px-3" style={{ width: HEAD + 70 }}>
                        {t('Item')}
                    </div>
                    {periods.map((start) => (
                        <div
                            key={start}
                            role="columnheader"
                            className={`flex items-center justify-end pr-2 ${start === periods[0] ? 'text-ink' : ''}`}
                            style={{ width: WIDTH }}
                        >
                            {bucket === 'month' ? period(start, bucket).replace(/ \d+$/, '') : period(start, bucket)}
                        </div>
                    ))}
                </div>
                <div aria-hidden style={{ height: sight.above }} />
                {sight.drawn.map(({ row }, at) => {
                    const index = sight.places[at] ?? 0;
                    return (
                        <div
                            key={`${row.item} ${row.site}`}
                            className="border-b border-line last:border-0"
                            style={{ width: HEAD + 70 + periods.length * WIDTH }}
                        >
                            <div role="row" aria-rowindex={3 * index + 2} className="flex h-7">
                                <div
                                    role="rowheader"
                                    className="sticky left-0 z-10 flex items-center gap-1.5 bg-surface pl-3"
                                    style={{ width: HEAD }}
                                >
                                    <span className="font-bold whitespace-nowrap">{row.item}</span>
                                    <span className="min-w-0 truncate" title={row.name}>
                                        {row.name}
                                    </span>
                                    <span className="text-xs whitespace-nowrap text-mute">{row.site}</span>
                                </div>
                                <Label>{t('forecast')}</Label>
                                {row.cells.map((cell, column) => (
                                    <div
                                        key={cell.start}
                                        role="gridcell"
                                        aria-colindex={column + 2}
                                        className="shrink-0 p-px"
                                        style={{ width: WIDTH }}
                                    >
                                        <Cell
                                            key={`${cell.version} ${cell.qty}`}
                                            cell={cell}
                                            name={t('Forecast of :item from :day', { item: row.item, day: period(cell.start, bucket) })}
                                            place={`${index}:${column}`}
                                            mayType={mayType}
                                            onSave={(typed) => save(row, cell, typed)}
                                        />
                                    </div>
                                ))}
                            </div>
                            <Figures
                                label={t('consumed')}
                                at={3 * index + 3}
                                row={row}
                                read={(cell) => (isZero(cell.consumed) ? '0' : `-${cell.consumed}`)}
                                look="text-mute"
                            />
                            <Figures label={t('left')} at={3 * index + 4} row={row} read={(cell) => cell.left} look="font-semibold" />
                        </div>
                    );
                })}
                <div aria-hidden style={{ height: sight.below }} />
            </div>
            <p className="mt-1.5 text-xs text-mute">
                {mayType
                    ? t('Arrow keys move, Enter takes what was typed and goes down, Esc puts the old figure back.')
                    : t('You may look at the forecast but not change it.')}
            </p>
        </>
    );
}

function Label({ children }: { children: string }) {
    return (
        <div className="sticky z-10 flex items-center bg-surface text-xs text-mute" style={{ width: 70, left: HEAD }}>
            {children}
        </div>
    );
}

interface FiguresProps {
    label: string;
    at: number;
    row: ForecastRow;
    read: (cell: ForecastCell) => string;
    look: string;
}

function Figures({ label, at, row, read, look }: FiguresProps) {
    return (
        <div role="row" aria-rowindex={at} className="flex h-[22px]">
            <div className="sticky left-0 z-10 bg-surface" style={{ width: HEAD }} />
            <Label>{label}</Label>
            {row.cells.map((cell, column) => (
                <div
                    key={cell.start}
                    role="gridcell"
                    aria-colindex={column + 2}
                    className={`flex shrink-0 items-center justify-end pr-2 ${look}`}
                    style={{ width: WIDTH }}
                >
                    <Quantity value={read(cell)} decimals={row.decimals} />
                </div>
            ))}
        </div>
    );
}

interface CellProps {
    cell: ForecastCell;
    name: string;
    place: string;
    mayType: boolean;
    onSave: (typed: string) => Promise<void>;
}

function Cell({ cell, name, place, mayType, onSave }: CellProps) {
    const old = isZero(cell.qty) ? '' : cell.qty;
    const [typed, setTyped] = useState(old);
    const sending = useRef(false);
    const settle = () => {
        if (typed.trim() !== old && !sending.current) {
            sending.current = true;
            void onSave(typed.trim()).then(() => {
                sending.current = false;
            });
        }
    };
    return (
        <input
            aria-label={name}
            data-cell={place}
            data-typing={typed !== old ? '1' : '0'}
            tabIndex={-1}
            readOnly={!mayType}
            inputMode="decimal"
            value={typed}
            placeholder="·"
            onChange={(event) => setTyped(event.target.value)}
            onFocus={(event) => event.target.select()}
            onBlur={settle}
            onKeyDown={(event) => {
                if (event.key === 'Escape') {
                    setTyped(old);
                } else if (event.key === 'Enter') {
                    settle();
                }
            }}
            className={`h-full w-full rounded-xs border pr-1.5 text-right -outline-offset-1 placeholder:text-faint ${typed !== old ? 'border-draft bg-draft-tint' : 'border-transparent bg-transparent hover:border-line'} ${mayType ? '' : 'cursor-default'}`}
        />
    );
}
