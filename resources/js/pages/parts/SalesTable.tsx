import { Link } from '@inertiajs/react';
import { CoverStrip } from '@/components/CoverStrip';
import { type DataColumn, DataTable, type Order } from '@/components/DataTable';
import { DraftedDay, DraftedExpected, DraftPencil, Touched } from '@/components/DraftMarks';
import { useDraft } from '@/lib/draft';
import { day, qty } from '@/lib/format';
import { grouped } from '@/lib/grouped';
import type { SalesRow } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { itemHref } from '@/pages/parts/ItemPanel';

/** What a sales line is called in the list; nothing where there is none. */
export const keyOf = (row: SalesRow | undefined) => (row ? `${row.order}/${row.line}` : '');

interface TableProps {
    sales: SalesRow[];
    total: number;
    more: (() => void) | null;
    order: Order;
    today: string;
    by: string;
    picked: ReadonlySet<string>;
    /** Null for who does nothing with several. */
    onPick: ((rows: SalesRow[], on: boolean) => void) | null;
    open: string | null;
    onOpen: (key: string) => void;
}

const lateness = (days: number) => (days > 0 ? tn('1 day late', ':n days late', days) : t('on time'));

/** Sales lines with their cover, under headings where that is asked; several are picked to do something with all of them. */
export function SalesTable({ sales, total, more, order, today, by, picked, onPick, open, onOpen }: TableProps) {
    const { expected } = useDraft().state;
    const isDrafting = Object.keys(expected).length > 0;
    const narrow = open !== null;
    const columns: DataColumn<SalesRow>[] = [
        {
            id: 'order',
            head: t('Order'),
            width: '92px',
            look: 'font-semibold whitespace-nowrap',
            sort: true,
            cell: (row) => (
                <>
                    {row.order}/{row.line}
                    <DraftPencil reference={row.reference} />
                    <Touched reference={row.reference} />
                </>
            ),
        },
        {
            id: 'customer',
            head: t('Customer'),
            width: '13%',
            sort: true,
            title: (row) => row.customer,
            cell: (row) =>
                row.heldUntil === null ? (
                    row.customer
                ) : (
                    <>
                        {row.customer} <span className="text-look-ink">{t('held')}</span>
                    </>
                ),
        },
        {
            id: 'item',
            head: t('Item'),
            sort: true,
            title: (row) => row.name,
            cell: (row) => (
                <>
                    <Link href={itemHref(row.item, row.site)} className="font-semibold hover:underline">
                        {row.item}
                    </Link>{' '}
                    <span className="text-mute">{row.name}</span>
                </>
            ),
        },
        { id: 'site', head: t('Site'), width: '46px', look: 'text-mute', sort: true, cell: (row) => row.site },
        {
            id: 'open',
            head: t('Open'),
            width: '70px',
            right: true,
            sort: true,
            cell: (row) => (
                <>
                    {qty(row.open, row.decimals)} <span className="text-mute">{row.unit}</span>
                </>
            ),
        },
        {
            id: 'due',
            head: t('Due'),
            width: '88px',
            right: true,
            sort: true,
            cell: (row) => <DraftedDay reference={row.reference} due={row.due} today={today} />,
            cellLook: (row) => (row.due < today ? 'font-semibold text-broken' : ''),
        },
        {
            id: 'priority',
            head: t('Pri'),
            about: t('Priority, 1 is the most urgent'),
            width: '38px',
            right: true,
            wide: true,
            look: 'text-mute',
            sort: true,
            cell: (row) => row.priority,
        },
        {
            id: 'cover',
            head: t('Cover'),
            width: '106px',
            sort: true,
            look: 'pl-3',
            cell: (row) =>
                row.strip ? <CoverStrip strip={row.strip} width={84} /> : <span className="text-xs text-mute">{t('not planned')}</span>,
        },
        {
            id: 'expected',
            head: t('Expected'),
            width: isDrafting ? '118px' : '84px',
            right: true,
            wide: true,
            sort: true,
            cell: (row) => <DraftedExpected reference={row.reference} expected={row.expected} today={today} />,
            cellLook: (row) => (row.lateDays > 0 ? 'font-semibold text-broken' : ''),
        },
        {
            id: 'late',
            head: t('In time'),
            width: narrow ? '98px' : '22%',
            look: 'pl-2',
            sort: true,
            title: (row) => row.reason ?? '',
            cell: (row) =>
                expected[row.reference] !== undefined && expected[row.reference]?.lateDays !== row.lateDays ? (
                    <>
                        <s className="text-xs text-mute">{lateness(row.lateDays)}</s>{' '}
                        <strong className="text-draft">{lateness(expected[row.reference]?.lateDays ?? 0)}</strong>
                    </>
                ) : row.lateDays > 0 ? (
                    <>
                        <span className="font-semibold text-broken">{lateness(row.lateDays)}</span>{' '}
                        {!narrow && <span className="text-mute">{row.reason}</span>}
                    </>
                ) : (
                    row.strip && <span className="text-mute">{lateness(0)}</span>
                ),
        },
    ];
    return (
        <DataTable
            name="sales"
            label={t('Sales orders')}
            columns={columns.filter((column) => column.id !== by)}
            {...(by === ''
                ? { rows: sales }
                : { groups: grouped(sales, (row) => (by === 'week' ? t('Week of :day', { day: day(row.group, today) }) : row.group)) })}
            ticks={
                onPick === null
                    ? undefined
                    : {
                          picked: (row) => picked.has(keyOf(row)),
                          may: () => true,
                          label: (row) => t('Pick :order', { order: keyOf(row) }),
                          onPick,
                          all: t('Pick all sales lines'),
                      }
            }
            total={total}
            more={more}
            order={order}
            keyOf={keyOf}
            open={open}
            onOpen={(row) => onOpen(keyOf(row))}
            narrow={narrow}
        />
    );
}
