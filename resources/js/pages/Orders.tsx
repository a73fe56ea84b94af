import { router } from '@inertiajs/react';
import { useState } from 'react';
import { DraftedDay, DraftPencil, Touched } from '@/components/DraftMarks';
import { Empty } from '@/components/Empty';
import { FindBox } from '@/components/FindBox';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillTabs, PillToggle } from '@/components/Pill';
import { Inspector } from '@/layout/Shell';
import { qty } from '@/lib/format';
import type { OrderDetail, OrderRow, OrdersPage } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { OrderPanel } from '@/pages/parts/OrderParts';
import { MESSAGE_KINDS, ORDER_KINDS, ORDER_STATES } from '@/lib/words';
import { type DataColumn, DataTable } from '@/components/DataTable';

export default function Orders({ orders, filter, most }: OrdersPage) {
    const { plan } = useShared();
    const [open, setOpen] = useState<string | null>(null);
    const { data, trouble } = useLoaded<OrderDetail>(open === null ? null : `/order-detail/${encodeURIComponent(open)}`, plan.id);
    const change = (changes: Record<string, string>) => refilter('/orders', filter, changes, { status: 'open' });
    const late = orders.filter((order) => order.daysLate > 0).length;
    return (
        <>
            <PageHead title={t('Orders')}>
                {tn('1 order', ':n orders', orders.length)}
                {late > 0 && `, ${t(':n overdue', { n: late })}`}
            </PageHead>
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillTabs
                    label={t('Kind')}
                    value={filter.kind ?? ''}
                    onChange={(kind) => change({ kind })}
                    choices={[
                        { value: '', label: t('All') },
                        { value: 'buy', label: t('Purchase') },
                        { value: 'make', label: t('Production') },
                        { value: 'transfer', label: t('Transfer') },
                    ]}
                />
                <PillSelect
                    label={t('State')}
                    value={filter.status ?? 'open'}
                    onChange={(status) => change({ status })}
                    choices={[
                        { value: 'open', label: t('Open') },
                        { value: 'firm', label: t('Firm') },
                        { value: 'released', label: t('Released') },
                        { value: 'done', label: t('Done') },
                        { value: 'cancelled', label: t('Cancelled') },
                        { value: 'all', label: t('Open and done') },
                    ]}
                />
                <PillToggle on={filter.said === '1'} onChange={(on) => change({ said: on ? '1' : '' })}>
                    {t('With a message')}
                </PillToggle>
                <FindBox label={t('Find order, item, supplier')} value={filter.q ?? ''} onChange={(q) => change({ q })} />
            </div>
            {orders.length === 0 ? (
                <Empty title={t('No order fits')}>{t('Take a filter away, or convert proposals to make orders.')}</Empty>
            ) : (
                <DataTable
                    name="orders"
                    label={t('Orders')}
                    columns={columns(plan.planDate, orders.length < most)}
                    rows={orders}
                    keyOf={(order) => order.code}
                    open={open}
                    narrow={open !== null}
                    onOpen={(order) => setOpen(order.code)}
                    onKey={(event, order) =>
                        event.key === 'Enter' &&
                        event.target === event.currentTarget &&
                        router.visit(`/orders/${encodeURIComponent(order.code)}`)
                    }
                />
            )}
            {orders.length >= most && (
                <p className="mt-2 text-mute">
                    {t('Only the first :n are shown. Narrow the list by kind, state, site or text.', { n: most })}
                </p>
            )}
            {open && (
                <Inspector label={t('Order')}>
                    {trouble && <p className="text-broken">{trouble}</p>}
                    {data && <OrderPanel order={data} onClose={() => setOpen(null)} />}
                </Inspector>
            )}
        </>
    );
}

/** Sorted only where all are there: the first of some would not be the first of all. */
function columns(today: string, sortable: boolean): DataColumn<OrderRow>[] {
    const sort = (by: (order: OrderRow) => string | number) => (sortable ? by : undefined);
    return [
        {
            id: 'order',
            head: t('Order'),
            width: '92px',
            sort: sort((order) => order.code),
            look: 'font-bold whitespace-nowrap',
            cell: (order) => (
                <>
                    {order.code}
                    <DraftPencil reference={order.reference} />
                    <Touched reference={order.reference} />
                </>
            ),
        },
        {
            id: 'kind',
            head: t('Kind'),
            width: '84px',
            wide: true,
            sort: sort((order) => order.kind),
            cell: (order) => t(ORDER_KINDS[order.kind]),
        },
        {
            id: 'state',
            head: t('State'),
            width: '74px',
            sort: sort((order) => order.status),
            cell: (order) => t(ORDER_STATES[order.status]),
            cellLook: (order) => (order.status === 'firm' ? 'text-mute' : ''),
        },
        {
            id: 'what',
            head: t('What'),
            sort: sort((order) => order.what),
            title: (order) => [order.what, order.supplier].filter(Boolean).join(', '),
            cell: (order) => (
                <>
                    {order.what} {order.supplier && <span className="text-mute">· {order.supplier}</span>}
                </>
            ),
        },
        {
            id: 'site',
            head: t('Site'),
            width: '48px',
            wide: true,
            look: 'text-mute',
            sort: sort((order) => order.site),
            cell: (order) => order.site,
        },
        {
            id: 'qty',
            head: t('To come'),
            width: '88px',
            right: true,
            cell: (order) =>
                order.qty === null ? (
                    <span className="text-mute">{tn('1 line', ':n lines', order.lines)}</span>
                ) : (
                    <>
                        {qty(order.qty)} <span className="text-mute">{order.unit}</span>
                    </>
                ),
        },
        {
            id: 'due',
            head: t('Due'),
            width: '132px',
            right: true,
            sort: sort((order) => order.due),
            cell: (order) => <DraftedDay reference={order.reference} due={order.due} today={today} />,
            cellLook: (order) => (order.daysLate > 0 ? 'font-semibold text-broken' : ''),
        },
        {
            id: 'says',
            head: t('The plan says'),
            width: '128px',
            look: 'pl-3',
            sort: sort((order) => order.message ?? ''),
            cell: (order) =>
                order.message ? (
                    <span className={order.message === 'overdue' ? 'font-semibold text-broken' : 'text-look-ink'}>
                        {t(MESSAGE_KINDS[order.message])}
                    </span>
                ) : (
                    <span className="text-mute">{order.made}</span>
                ),
        },
    ];
}
