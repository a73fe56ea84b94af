import { useRef } from 'react';
import { period } from '@/lib/format';
import { fullness, inWords, periodName } from '@/lib/load';
import type { LoadGroup, LoadTable } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { useGridKeys } from '@/lib/useGridKeys';
import { LoadBar } from '@/pages/parts/LoadBar';

export interface LoadPlace {
    centre: string;
    day: string;
}

interface Props {
    table: LoadTable;
    bucket: string;
    as: string;
    today: string;
    open: LoadPlace | null;
    onOpen: (place: LoadPlace) => void;
}

/** Work centres by period, in groups of a site and a kind with their sums. Every cell can be asked. */
export function LoadGrid({ table, bucket, as, today, open, onOpen }: Props) {
    const grid = useRef<HTMLDivElement>(null);
    const numbers = new Map(table.groups.flatMap((group) => group.rows).map((row, number) => [row.centre, number]));
    const { at, onKeyDown, onFocus } = useGridKeys(grid, { rows: numbers.size, columns: table.periods.length });
    const columns = { gridTemplateColumns: `200px repeat(${table.periods.length}, minmax(44px, 1fr))` };
    return (
        <div
            ref={grid}
            role="grid"
            aria-label={t('Load of work centres')}
            aria-rowcount={numbers.size + 1}
            onKeyDown={onKeyDown}
            onFocus={onFocus}
            className="min-h-0 flex-1 overflow-auto rounded border border-line bg-surface"
        >
            <div
                role="row"
                className="sticky top-0 z-20 grid min-w-max border-b border-line bg-surface text-right text-sm text-mute"
                style={columns}
            >
                <span role="columnheader" className="sticky left-0 bg-surface px-3 py-1.5 text-left">
                    {t('Work centre')}
                </span>
                {table.periods.map((one) => (
                    <span key={one.from} role="columnheader" className="py-1.5 text-center whitespace-nowrap">
                        {period(one.from, bucket)}
                    </span>
                ))}
            </div>
            {table.groups.map((group) => (
                <div key={`${group.site} ${group.kind}`} role="rowgroup">
                    <div role="row" className="grid min-w-max border-b border-line bg-sunk" style={columns}>
                        <span
                            role="rowheader"
                            className="sticky left-0 truncate bg-sunk px-3 py-1 text-xs leading-5 font-bold"
                            title={groupName(group)}
                        >
                            {groupName(group)}
                        </span>
                        {group.figures.map((figure, place) => (
                            <span
                                key={table.periods[place]?.from}
                                role="gridcell"
                                title={inWords(figure)}
                                className={`py-1 text-center text-xs leading-5 ${figure.over ? 'font-bold text-broken' : 'text-mute'}`}
                            >
                                {fullness(figure, as)}
                            </span>
                        ))}
                    </div>
                    {group.rows.map((row) => {
                        const number = numbers.get(row.centre) ?? 0;
                        return (
                            <div
                                key={row.centre}
                                role="row"
                                className="grid min-w-max border-b border-line last:border-b-0"
                                style={{ ...columns, contentVisibility: 'auto', containIntrinsicSize: 'auto 67px' }}
                            >
                                <span role="rowheader" className="sticky left-0 flex flex-col justify-center bg-surface px-3">
                                    <strong className="truncate">{row.centre}</strong>
                                    <span className="truncate text-sm text-mute" title={row.name}>
                                        {t(':name, :units', { name: row.name, units: row.units })}
                                    </span>
                                </span>
                                {row.figures.map((figure, place) => {
                                    const day = table.periods[place]?.from ?? '';
                                    const isOpen = open?.centre === row.centre && open.day === day;
                                    const when = table.periods[place] ? periodName(table.periods[place], bucket, today) : '';
                                    const words = t(':centre, :when: :percent, :words', {
                                        centre: row.centre,
                                        when,
                                        percent: fullness(figure, 'percent'),
                                        words: inWords(figure),
                                    });
                                    return (
                                        <button
                                            key={day}
                                            type="button"
                                            role="gridcell"
                                            data-cell={`${number}:${place}`}
                                            tabIndex={at[0] === number && at[1] === place ? 0 : -1}
                                            aria-selected={isOpen}
                                            aria-label={words}
                                            title={words}
                                            onClick={() => onOpen({ centre: row.centre, day })}
                                            className={`px-0.5 pt-1 pb-0.5 -outline-offset-2 ${isOpen ? 'bg-act-tint outline-2 outline-act' : 'hover:bg-paper'}`}
                                        >
                                            <LoadBar figure={figure} />
                                            <span
                                                className={`block text-center text-xs leading-[18px] ${figure.over ? 'font-bold text-broken' : figure.load === 0 ? 'text-mute' : ''}`}
                                            >
                                                {fullness(figure, as)}
                                            </span>
                                        </button>
                                    );
                                })}
                            </div>
                        );
                    })}
                </div>
            ))}
            <p className="sr-only">{tn(':n work centre', ':n work centres', numbers.size)}</p>
        </div>
    );
}

function groupName(group: LoadGroup): string {
    return t(':site, :kind', { site: group.siteName, kind: group.kind === 'people' ? t('people') : t('machines') });
}
