import { Link } from '@inertiajs/react';
import { type DataColumn, DataTable } from '@/components/DataTable';
import { Empty } from '@/components/Empty';
import { day, qty } from '@/lib/format';
import type { ArrivalChangeRow, DraftFigure, ScheduledRow, ScheduleSides } from '@/lib/shapes';
import { t, tn } from '@/lib/t';

/** All figures of the schedule, and those of the plan that it changes, before and after. */
export function ScheduleFigures({ figures, totals }: { figures: DraftFigure[]; totals: DraftFigure[] }) {
    const plan = totals.filter((figure) => ['lateLines', 'lateDays', 'short'].includes(figure.name));
    return (
        <div className="shrink-0 overflow-x-auto rounded border border-line bg-surface">
            <table className="w-full text-sm">
                <thead>
                    <tr className="border-b border-line text-left text-xs text-mute">
                        <td />
                        {[...figures, ...plan].map((figure) => (
                            <th
                                key={figure.name}
                                scope="col"
                                className="max-w-28 px-2.5 py-1.5 align-bottom font-normal not-first:border-l border-soft"
                            >
                                {figure.label}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    <tr className="text-mute">
                        <th scope="row" className="px-3 py-1 text-left text-xs font-normal whitespace-nowrap">
                            {t('As it stands')}
                        </th>
                        {[...figures, ...plan].map((figure) => (
                            <td key={figure.name} className="border-l border-soft px-2.5 py-1">
                                {figure.before}
                            </td>
                        ))}
                    </tr>
                    <tr>
                        <th scope="row" className="px-3 pb-2 text-left text-xs font-bold whitespace-nowrap">
                            {t('Scheduled')}
                        </th>
                        {[...figures, ...plan].map((figure) => (
                            <td key={figure.name} className="border-l border-soft px-2.5 pb-2" title={figure.change}>
                                <span className={`text-lg font-bold ${figure.worse ? 'text-broken' : figure.better ? 'text-act' : ''}`}>
                                    {figure.after}
                                </span>
                                <span className="block text-xs text-mute">
                                    {figure.better ? t('better') : figure.worse ? t('worse') : ''}
                                </span>
                            </td>
                        ))}
                    </tr>
                </tbody>
            </table>
        </div>
    );
}

/** "Thu 12 Mar 14:30". */
function instant(text: string | null): string {
    return text === null ? t('not yet') : `${day(text)} ${text.slice(11)}`;
}

function shiftOf(minutes: number): string {
    if (minutes === 0) {
        return '';
    }
    const size = Math.abs(minutes);
    const said =
        size >= 1440
            ? tn(':n day', ':n days', Math.round(size / 1440))
            : size >= 60
              ? tn(':n hour', ':n hours', Math.round(size / 60))
              : tn(':n minute', ':n minutes', size);
    return minutes > 0 ? t(':what later', { what: said }) : t(':what earlier', { what: said });
}

function lateIn(days: number): string {
    return tn(':n day late', ':n days late', days);
}

export function ScheduledOrders({ sides }: { sides: ScheduleSides }) {
    const columns: DataColumn<ScheduledRow>[] = [
        {
            id: 'order',
            head: t('Order'),
            width: '76px',
            cell: (row) => (
                <Link href={row.href} className="font-semibold hover:underline">
                    {row.label ?? t('proposal')}
                </Link>
            ),
            sort: (row) => row.label ?? '',
        },
        {
            id: 'item',
            head: t('Item'),
            width: '112px',
            cell: (row) => `${qty(row.qty)} ${row.unit} ${row.item}`,
            title: (row) => `${row.item} ${row.name}`,
            sort: (row) => row.item,
        },
        { id: 'due', head: t('Wanted by'), width: '86px', cell: (row) => day(row.due), sort: (row) => row.due },
        {
            id: 'before',
            head: t('Ends as it stands'),
            width: '119px',
            look: 'text-mute',
            cell: (row) => instant(row.endBefore),
            sort: (row) => row.endBefore ?? '',
        },
        { id: 'after', head: t('Ends scheduled'), width: '119px', cell: (row) => instant(row.endAfter), sort: (row) => row.endAfter },
        {
            id: 'shift',
            head: t('Moves'),
            width: '112px',
            cell: (row) => shiftOf(row.shift),
            cellLook: (row) => (row.shift > 0 ? 'text-broken' : 'text-act'),
            sort: (row) => row.shift,
        },
        {
            id: 'late',
            head: t('Late'),
            cell: (row) =>
                row.lateAfter === 0 ? t('in time') : [lateIn(row.lateAfter), row.why ?? ''].filter((part) => part !== '').join(': '),
            cellLook: (row) => (row.lateAfter > 0 ? 'font-semibold text-broken' : ''),
            title: (row) => row.why ?? '',
            sort: (row) => row.lateAfter,
        },
    ];
    return (
        <DataTable
            name="scheduled"
            label={t('Orders before and after')}
            columns={columns}
            keyOf={(row) => row.reference}
            rows={sides.orders}
        />
    );
}

export function ScheduledLines({ sides }: { sides: ScheduleSides }) {
    const columns: DataColumn<ArrivalChangeRow>[] = [
        {
            id: 'line',
            head: t('Line'),
            width: '96px',
            cell: (row) =>
                row.href === null ? (
                    row.label
                ) : (
                    <Link href={row.href} className="font-semibold hover:underline">
                        {row.label}
                    </Link>
                ),
            sort: (row) => row.label,
        },
        { id: 'customer', head: t('Customer'), width: '136px', cell: (row) => row.customer, sort: (row) => row.customer },
        {
            id: 'item',
            head: t('Item'),
            cell: (row) => `${row.item} ${row.name}`,
            title: (row) => `${row.item} ${row.name}`,
            sort: (row) => row.item,
        },
        { id: 'due', head: t('Due'), width: '90px', cell: (row) => day(row.due), sort: (row) => row.due },
        {
            id: 'before',
            head: t('Expected as it stands'),
            width: '136px',
            look: 'text-mute',
            cell: (row) => (row.before === null ? t('nothing') : day(row.before)),
            sort: (row) => row.before ?? '',
        },
        {
            id: 'after',
            head: t('Expected scheduled'),
            width: '124px',
            cell: (row) => (row.after === null ? t('nothing') : day(row.after)),
            cellLook: (row) => (row.hurts ? 'font-semibold text-broken' : row.helps ? 'font-semibold text-act' : ''),
            sort: (row) => row.after ?? '',
        },
        { id: 'days', head: t('Moves'), width: '100px', cell: (row) => shiftOf(row.days * 1440), sort: (row) => row.days },
    ];
    return sides.lines.length === 0 ? (
        <Empty title={t('No customer is served on another day')}>{t('The schedule moves only what nobody waits for.')}</Empty>
    ) : (
        <DataTable
            name="scheduled-lines"
            label={t('Sales lines before and after')}
            columns={columns}
            keyOf={(row) => row.reference}
            rows={sides.lines}
        />
    );
}
