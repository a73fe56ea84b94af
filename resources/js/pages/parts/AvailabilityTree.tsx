import { Link } from '@inertiajs/react';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { CoverStrip } from '@/components/CoverStrip';
import { day, isZero, qty } from '@/lib/format';
import { pathNames, visibleRows } from '@/lib/outline';
import type { AvailabilityRow } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { useGridKeys } from '@/lib/useGridKeys';
import { itemHref } from '@/pages/parts/ItemPanel';

/** Levels that stand open at first. */
const OPEN_LEVELS = 1;

/** What has to be there, level by level: required, on hand, incoming, short. The path that decides the date is open and drawn strong. */
export function AvailabilityTree({ rows, today }: { rows: AvailabilityRow[]; today: string }) {
    const grid = useRef<HTMLTableElement>(null);
    const keys = useGridKeys(grid);
    const [turned, setTurned] = useState<Set<string>>(new Set());
    // rows are known by what they are, so that what is open stays open when the day moves
    const names = useMemo(() => pathNames(rows), [rows]);
    const isOpen = (row: AvailabilityRow) => {
        const first = row.depth < OPEN_LEVELS || row.decides;
        return turned.has(names[row.id] ?? '') ? !first : first;
    };
    const visible = visibleRows(rows, isOpen);
    const turn = (row: AvailabilityRow) =>
        setTurned((old) => {
            const next = new Set(old);
            const name = names[row.id] ?? '';
            if (!next.delete(name)) {
                next.add(name);
            }
            return next;
        });
    const onKey = (event: KeyboardEvent<HTMLElement>, row: AvailabilityRow) => {
        const onRow = event.target === event.currentTarget;
        if (onRow && row.hasMore && ((event.key === 'ArrowRight' && !isOpen(row)) || (event.key === 'ArrowLeft' && isOpen(row)))) {
            event.preventDefault();
            turn(row);
        }
    };
    const figure = (text: string) => (isZero(text) ? <span className="text-faint">·</span> : qty(text));
    if (rows.length === 0) {
        return null;
    }
    return (
        <div className="rounded border border-line bg-surface">
            <table
                ref={grid}
                role="treegrid"
                aria-label={t('Structure')}
                aria-rowcount={visible.length + 1}
                className="w-full table-fixed text-sm"
                onKeyDown={keys.onKeyDown}
                onFocus={keys.onFocus}
            >
                <thead className="sticky -top-3 z-10 bg-surface">
                    <tr aria-rowindex={1} className="border-b border-line text-left text-xs text-mute">
                        <th scope="col" className="px-3 py-1.5">
                            {t('Item')}
                        </th>
                        <th scope="col" className="w-[92px] text-right">
                            {t('Required')}
                        </th>
                        <th scope="col" className="w-[80px] text-right">
                            {t('On hand')}
                        </th>
                        <th scope="col" className="w-[80px] text-right">
                            {t('Incoming')}
                        </th>
                        <th scope="col" className="w-[80px] text-right">
                            {t('Short')}
                        </th>
                        <th scope="col" className="w-[110px] pl-5">
                            {t('Cover')}
                        </th>
                        <th scope="col" className="w-[88px] text-right">
                            {t('Needed')}
                        </th>
                        <th scope="col" className="w-[88px] text-right">
                            {t('There')}
                        </th>
                        <th scope="col" className="w-[100px] px-3 text-right">
                            {t('Lead time')}
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {visible.map((row, place) => (
                        <tr
                            key={row.id}
                            data-row
                            role="row"
                            tabIndex={-1}
                            aria-rowindex={place + 2}
                            aria-level={row.depth + 1}
                            aria-expanded={row.hasMore ? isOpen(row) : undefined}
                            onKeyDown={(event) => onKey(event, row)}
                            className={`h-8 border-b border-soft -outline-offset-2 last:border-0 ${row.decides ? 'bg-look-tint' : ''}`}
                        >
                            <td className="truncate pr-2" style={{ paddingLeft: 12 + row.depth * 18 }}>
                                {row.hasMore ? (
                                    <button
                                        type="button"
                                        onClick={() => turn(row)}
                                        aria-label={
                                            isOpen(row) ? t('Fold :item', { item: row.item }) : t('Unfold :item', { item: row.item })
                                        }
                                        className="mr-1 align-[-2px] text-mute hover:text-ink"
                                    >
                                        {isOpen(row) ? <ChevronDown size={14} aria-hidden /> : <ChevronRight size={14} aria-hidden />}
                                    </button>
                                ) : (
                                    <span className="mr-1 inline-block w-[14px]" />
                                )}
                                <Link href={itemHref(row.item, row.site)} className="font-bold hover:underline">
                                    {row.item}
                                </Link>{' '}
                                <span className="text-mute">{row.name}</span>
                                {row.decides && <strong className="ml-2 text-xs text-look-ink">{t('decides')}</strong>}
                                {row.via && <span className="ml-2 text-xs text-mute">{row.via}</span>}
                                {row.again && <span className="ml-2 text-xs text-mute">{t('see above')}</span>}
                            </td>
                            <td className="text-right whitespace-nowrap">
                                {qty(row.required)} <span className="text-mute">{row.unit}</span>
                            </td>
                            <td className="text-right">{figure(row.onHand)}</td>
                            <td className="text-right">{figure(row.incoming)}</td>
                            <td className={`text-right ${isZero(row.short) ? '' : 'font-semibold'}`}>{figure(row.short)}</td>
                            <td className="pl-5">
                                <CoverStrip strip={row.strip} />
                            </td>
                            <td className="text-right whitespace-nowrap">{day(row.date, today)}</td>
                            <td className={`text-right whitespace-nowrap ${row.lateDays > 0 ? 'font-semibold text-broken' : ''}`}>
                                {row.expected ? day(row.expected, today) : t('never')}
                            </td>
                            <td className="px-3 text-right text-mute">{tn(':n day', ':n days', row.lead)}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}
