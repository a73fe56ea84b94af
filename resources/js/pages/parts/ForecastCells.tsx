import { memo, useRef, useState, type PointerEvent } from 'react';
import { Quantity } from '@/components/Quantity';
import { isZero, period } from '@/lib/format';
import type { ForecastPeriod, ForecastRow } from '@/lib/shapes';
import { swapped } from '@/lib/digits';
import { t } from '@/lib/t';
import type { Place } from '@/lib/useGridKeys';
import { inBlock, type Block } from '@/lib/useSelection';
import { cellKey } from '@/pages/parts/useForecastEdits';

/** Pixels of the item's name, of what a line is, and of a period. */
export const HEAD = 250;
export const LABEL = 70;
export const WIDTH = 62;

/** Where a column begins. */
export function left(column: number): number {
    return HEAD + LABEL + column * WIDTH;
}

function Label({ children }: { children: string }) {
    return (
        <span className="text-xs text-mute" style={{ width: LABEL }}>
            {children}
        </span>
    );
}

interface FiguresProps {
    label: string;
    at: number;
    row: ForecastRow;
    columns: number[];
    what: 'consumed' | 'left';
    look: string;
    /** The columns before it have passed. */
    today: number;
}

/** A line of what came of the figures above. */
function Figures({ label, at, row, columns, what, look, today }: FiguresProps) {
    return (
        <div role="row" aria-rowindex={at} className="relative h-[22px]">
            <div className="sticky left-0 z-10 flex h-full items-center bg-surface" style={{ width: HEAD + LABEL, paddingLeft: HEAD }}>
                <Label>{label}</Label>
            </div>
            {columns.map((column) => {
                const value = row[what][column] ?? '0';
                return (
                    <div
                        key={column}
                        role="gridcell"
                        aria-colindex={column + 2}
                        className={`absolute top-0 flex h-full items-center justify-end pr-2 ${column < today ? 'bg-paper text-mute' : look}`}
                        style={{ width: WIDTH, left: left(column) }}
                    >
                        <Quantity value={what === 'consumed' && !isZero(value) ? `-${value}` : value} decimals={row.decimals} />
                    </div>
                );
            })}
        </div>
    );
}

interface CellProps {
    row: ForecastRow;
    column: number;
    /** What is on its way into it. */
    on: string | undefined;
    name: string;
    place: Place;
    /** Whether figures are typed in its period at all. */
    isOpen: boolean;
    isTyped: boolean;
    chosen: boolean;
    onSave: (column: number, text: string) => void;
    onPointerDown: (event: PointerEvent, place: Place) => void;
    onPointerEnter: (event: PointerEvent, place: Place) => void;
}

/** A figure, what is typed over it until it is sent, and what is on its way. */
function FigureCell(props: CellProps) {
    const { row, column, on, chosen, place, isOpen } = props;
    const stands = on ?? row.qty[column] ?? '0';
    return (
        <div
            role="gridcell"
            aria-colindex={column + 2}
            aria-selected={chosen}
            className={`absolute top-0 h-full p-px ${chosen ? 'bg-act-tint' : isOpen ? '' : 'bg-paper'}`}
            style={{ width: WIDTH, left: left(column) }}
            onPointerDown={(event) => props.onPointerDown(event, place)}
            onPointerEnter={(event) => props.onPointerEnter(event, place)}
        >
            <Field {...props} stands={isZero(stands) ? '' : stands} />
        </div>
    );
}

function Field({ row, column, on, name, place, isOpen, isTyped, onSave, stands }: CellProps & { stands: string }) {
    const [typed, setTyped] = useState<string | null>(null);
    const input = useRef<HTMLInputElement>(null);
    const shown = typed ?? stands;
    const settle = () => {
        if (typed !== null && typed.trim() !== stands) {
            onSave(column, typed.trim());
        }
        setTyped(null);
    };
    const isOther = shown !== stands || on !== undefined;
    const why = isTyped
        ? undefined
        : isOpen
          ? row.isTyped
              ? undefined
              : t('Kept in other periods: choose those to type')
          : t('Not typed any more');
    return (
        <input
            ref={input}
            aria-label={name}
            data-cell={`${place[0]}:${place[1]}`}
            data-typing={shown !== stands ? '1' : '0'}
            tabIndex={-1}
            readOnly={!isTyped}
            inputMode="decimal"
            autoComplete="off"
            title={why}
            value={swapped(shown)}
            placeholder="·"
            onChange={(event) => setTyped(swapped(event.target.value))}
            onFocus={(event) => event.target.select()}
            onBlur={settle}
            onKeyDown={(event) => {
                if (event.key === 'Escape') {
                    setTyped(null);
                } else if (event.key === 'Enter' && !event.ctrlKey) {
                    settle();
                } else if (event.key === 'Enter') {
                    setTyped(null); // goes into all that is chosen
                } else if (typed === null && event.key.length === 1 && !event.ctrlKey && !event.metaKey) {
                    input.current?.select(); // what is typed takes the place of what stood there
                } else if (event.key === 'F2') {
                    input.current?.setSelectionRange(shown.length, shown.length);
                }
            }}
            className={`h-full w-full rounded-xs border pr-1.5 text-right -outline-offset-1 placeholder:text-faint ${isOther ? 'border-draft bg-draft-tint' : 'border-transparent bg-transparent'} ${isTyped ? 'hover:border-line' : 'cursor-default text-mute'} ${isOpen && !row.isTyped ? 'italic' : ''}`}
        />
    );
}

interface RowProps {
    row: ForecastRow;
    index: number;
    width: number;
    periods: ForecastPeriod[];
    bucket: string;
    columns: number[];
    today: number;
    block: Block | null;
    pending: ReadonlyMap<string, string>;
    mayType: boolean;
    onSave: (column: number, text: string) => void;
    onPointerDown: (event: PointerEvent, place: Place) => void;
    onPointerEnter: (event: PointerEvent, place: Place) => void;
}

/** An item: what is forecast, what orders consume of it, what is left. */
export const ForecastLines = memo(function ForecastLines({
    row,
    index,
    width,
    periods,
    bucket,
    columns,
    today,
    block,
    pending,
    mayType,
    ...does
}: RowProps) {
    return (
        <div className="border-b border-line last:border-0" style={{ width }}>
            <div role="row" aria-rowindex={3 * index + 2} className="relative h-7">
                <div role="rowheader" className="sticky left-0 z-10 flex h-full items-center bg-surface" style={{ width: HEAD + LABEL }}>
                    <span className="flex min-w-0 items-center gap-1.5 pl-3" style={{ width: HEAD }}>
                        <span className="font-bold whitespace-nowrap">{row.item}</span>
                        <span className="min-w-0 truncate" title={row.name}>
                            {row.name}
                        </span>
                        <span className="text-xs whitespace-nowrap text-mute">{row.site}</span>
                    </span>
                    <Label>{t('forecast')}</Label>
                </div>
                {columns.map((column) => {
                    const when = periods[column];
                    return (
                        when && (
                            <FigureCell
                                key={when.start}
                                row={row}
                                column={column}
                                on={pending.get(cellKey(row.item, row.site, when.start))}
                                name={t('Forecast of :item from :day', { item: row.item, day: period(when.start, bucket) })}
                                place={[index, column]}
                                isOpen={when.isOpen}
                                isTyped={mayType && row.isTyped && when.isOpen}
                                chosen={block !== null && inBlock(block, index, column)}
                                onSave={does.onSave}
                                onPointerDown={does.onPointerDown}
                                onPointerEnter={does.onPointerEnter}
                            />
                        )
                    );
                })}
            </div>
            <Figures label={t('consumed')} at={3 * index + 3} row={row} columns={columns} what="consumed" look="text-mute" today={today} />
            <Figures label={t('left')} at={3 * index + 4} row={row} columns={columns} what="left" look="font-semibold" today={today} />
        </div>
    );
});
