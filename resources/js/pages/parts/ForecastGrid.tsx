import { router } from '@inertiajs/react';
import { useRef, useState, type KeyboardEvent } from 'react';
import { Quantity } from '@/components/Quantity';
import { Notice } from '@/components/Notice';
import { isZero, period } from '@/lib/format';
import { postJson, Refusal } from '@/lib/http';
import type { ForecastCell, ForecastRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';

const HEAD = 250;
const WIDTH = 62;

/** A forecast, item by period: what is forecast (typed here), what orders consume of it, what is left. */
export function ForecastGrid({ rows }: { rows: ForecastRow[] }) {
    const { user } = useShared();
    const [trouble, setTrouble] = useState<string | null>(null);
    const [at, setAt] = useState<[number, number]>([0, 0]);
    const grid = useRef<HTMLDivElement>(null);
    const mayType = user.can.includes('edit forecast');
    const periods = rows[0]?.cells.map((cell) => cell.start) ?? [];
    const bucket = rows[0]?.bucket ?? 'week';

    const save = (row: ForecastRow, cell: ForecastCell, typed: string) =>
        postJson('/demand/forecast', {
            forecast: row.forecast,
            item: row.item,
            site: row.site,
            start: cell.start,
            qty: typed,
            version: cell.version,
        })
            .then(() => setTrouble(null))
            .catch((cause: unknown) => setTrouble(cause instanceof Refusal ? cause.message : String(cause)))
            .finally(() => router.reload({ only: ['rows', 'plan'] }));
    const onKey = (event: KeyboardEvent<HTMLDivElement>) => {
        const moves: Record<string, [number, number]> = {
            ArrowUp: [-1, 0],
            ArrowDown: [1, 0],
            Enter: [1, 0],
            ArrowLeft: [0, -1],
            ArrowRight: [0, 1],
        };
        const move = moves[event.key];
        const target = event.target as HTMLElement;
        if (!move || (target.dataset.typing === '1' && (event.key === 'ArrowLeft' || event.key === 'ArrowRight'))) {
            return;
        }
        event.preventDefault();
        const to: [number, number] = [
            Math.max(0, Math.min(rows.length - 1, at[0] + move[0])),
            Math.max(0, Math.min(periods.length - 1, at[1] + move[1])),
        ];
        setAt(to);
        grid.current?.querySelector<HTMLElement>(`[data-cell="${to[0]}:${to[1]}"]`)?.focus();
    };
    return (
        <>
            {trouble && (
                <Notice tone="broken" onClose={() => setTrouble(null)}>
                    {trouble}
                </Notice>
            )}
            <div
                ref={grid}
                role="grid"
                aria-label={t('Forecast by item and period')}
                onKeyDown={onKey}
                className="min-h-0 overflow-auto rounded border border-line bg-surface text-sm"
            >
                <div
                    role="row"
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
                {rows.map((row, index) => (
                    <div
                        key={`${row.item} ${row.site}`}
                        className="border-b border-line last:border-0"
                        style={{ width: HEAD + 70 + periods.length * WIDTH }}
                    >
                        <div role="row" className="flex h-7">
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
                                <div key={cell.start} role="gridcell" className="shrink-0 p-px" style={{ width: WIDTH }}>
                                    <Cell
                                        key={`${cell.version} ${cell.qty}`}
                                        cell={cell}
                                        name={t('Forecast of :item from :day', { item: row.item, day: period(cell.start, bucket) })}
                                        place={`${index}:${column}`}
                                        tabIndex={at[0] === index && at[1] === column ? 0 : -1}
                                        mayType={mayType}
                                        onFocus={() => setAt([index, column])}
                                        onSave={(typed) => save(row, cell, typed)}
                                    />
                                </div>
                            ))}
                        </div>
                        <Figures
                            label={t('consumed')}
                            row={row}
                            read={(cell) => (isZero(cell.consumed) ? '0' : `-${cell.consumed}`)}
                            look="text-mute"
                        />
                        <Figures label={t('left')} row={row} read={(cell) => cell.left} look="font-semibold" />
                    </div>
                ))}
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

function Figures({ label, row, read, look }: { label: string; row: ForecastRow; read: (cell: ForecastCell) => string; look: string }) {
    return (
        <div role="row" className="flex h-[22px]">
            <div className="sticky left-0 z-10 bg-surface" style={{ width: HEAD }} />
            <Label>{label}</Label>
            {row.cells.map((cell) => (
                <div
                    key={cell.start}
                    role="gridcell"
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
    tabIndex: number;
    mayType: boolean;
    onFocus: () => void;
    onSave: (typed: string) => Promise<void>;
}

function Cell({ cell, name, place, tabIndex, mayType, onFocus, onSave }: CellProps) {
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
            tabIndex={tabIndex}
            readOnly={!mayType}
            inputMode="decimal"
            value={typed}
            placeholder="·"
            onChange={(event) => setTyped(event.target.value)}
            onFocus={(event) => {
                onFocus();
                event.target.select();
            }}
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
