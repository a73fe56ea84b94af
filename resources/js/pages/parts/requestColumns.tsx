import type { DataColumn, DataGroup } from '@/components/DataTable';
import { day, daysBetween, inDays, qty } from '@/lib/format';
import type { RequestRow } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import type { RequestEdit } from '@/pages/parts/RequestPanel';

/** Requests under headings, in their order. */
export function grouped(rows: RequestRow[], by: string, today: string): DataGroup<RequestRow>[] {
    const groups = new Map<string, DataGroup<RequestRow>>();
    for (const row of rows) {
        const title =
            by === 'item'
                ? `${row.item} ${row.name}`
                : by === 'for'
                  ? row.forKey || t('nobody yet')
                  : by === 'day'
                    ? row.orderBy === null
                        ? t('no day known')
                        : day(row.orderBy, today)
                    : `${row.supplier ?? t('no supplier yet')}, ${row.site}`;
        const group = groups.get(title) ?? { key: title, label: title, rows: [] };
        group.rows.push(row);
        groups.set(title, group);
    }
    return [...groups.values()];
}

export function requestColumns(today: string, by: string, edits: ReadonlyMap<string, RequestEdit>): DataColumn<RequestRow>[] {
    return [
        { id: 'code', head: t('Request'), width: '74px', look: 'font-semibold', cell: (row) => row.code },
        {
            id: 'item',
            head: t('Item'),
            title: (row) => `${row.item} ${row.name}, ${row.site}`,
            cell: (row) => (
                <>
                    <strong>{row.item}</strong> <span className="text-mute">{row.name}</span>
                    {by !== 'supplier' && <span className="text-mute"> · {row.supplier ?? t('no supplier yet')}</span>}
                </>
            ),
        },
        {
            id: 'qty',
            head: t('Quantity'),
            width: '96px',
            right: true,
            cell: (row) => {
                const changed = edits.get(row.code)?.qty;
                return (
                    <>
                        <span className={changed === undefined ? '' : 'font-semibold text-draft'}>
                            {qty(changed ?? row.qty, row.decimals)}
                        </span>{' '}
                        <span className="text-mute">{row.unit}</span>
                    </>
                );
            },
        },
        {
            id: 'order',
            head: t('Order by'),
            width: '84px',
            right: true,
            cell: (row) => (row.orderBy === null ? '' : day(row.orderBy, today)),
            cellLook: (row) => (row.daysPassed > 0 ? 'font-semibold text-broken' : ''),
        },
        {
            id: 'when',
            head: t('When'),
            width: '92px',
            look: 'pl-2',
            wide: true,
            cell: (row) => (row.orderBy === null ? '' : inDays(daysBetween(today, row.orderBy))),
            cellLook: (row) => (row.daysPassed > 0 ? 'font-semibold text-broken' : ''),
        },
        {
            id: 'due',
            head: t('Wanted'),
            width: '84px',
            right: true,
            cell: (row) => {
                const changed = edits.get(row.code)?.due;
                return <span className={changed === undefined ? '' : 'font-semibold text-draft'}>{day(changed ?? row.due, today)}</span>;
            },
        },
        {
            id: 'for',
            head: t('For'),
            width: '170px',
            look: 'pl-3',
            title: (row) => row.for.map((one) => one.label).join(', '),
            cell: (row) => (
                <>
                    {row.lateLines > 0 && (
                        <span className="mr-1 font-semibold text-broken">{tn('1 late', ':n late', row.lateLines)} ·</span>
                    )}
                    {row.for[0]?.label ?? <span className="text-mute">{t('nobody yet')}</span>}
                    {row.forCount > 1 && <span className="text-mute"> {t('and :n more', { n: row.forCount - 1 })}</span>}
                </>
            ),
        },
        {
            id: 'value',
            head: t('Value'),
            width: '92px',
            right: true,
            cell: (row) =>
                row.value === null ? (
                    <span className="text-mute">{t('no price')}</span>
                ) : (
                    <>
                        {qty(row.value)} <span className="text-mute">{row.currency}</span>
                    </>
                ),
        },
    ];
}
