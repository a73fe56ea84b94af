import { router } from '@inertiajs/react';
import { useState } from 'react';
import { DraftedDay, DraftPencil, Touched } from '@/components/DraftMarks';
import { Empty } from '@/components/Empty';
import { ExportLink } from '@/components/ExportLink';
import { FindBox } from '@/components/FindBox';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillTabs, PillToggle } from '@/components/Pill';
import { SavedViews } from '@/components/SavedViews';
import { Inspector } from '@/layout/Shell';
import { useDraft } from '@/lib/draft';
import { day, qty } from '@/lib/format';
import { grouped } from '@/lib/grouped';
import type { OrderDetail, OrderRow, OrderList, OrdersPage } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { usePicked } from '@/lib/usePicked';
import { useMoreRows } from '@/lib/useMoreRows';
import { OrderTabs } from '@/pages/parts/OrderTabs';
import { OrdersInBulk } from '@/pages/parts/OrdersInBulk';
import { useMayBuy } from '@/pages/parts/PurchaseForms';
import { useMayMoveStock } from '@/pages/parts/StockForms';
import { OrderPanel } from '@/pages/parts/OrderParts';
import { MESSAGE_KINDS, ORDER_KINDS, ORDER_STATES, PURCHASE_STAGES } from '@/lib/words';
import { type DataColumn, DataTable } from '@/components/DataTable';

export default function Orders({ orders: first, total, late, filter, views }: OrdersPage) {
    const { plan } = useShared();
    const [open, setOpen] = useState<string | null>(null);
    const { data, trouble } = useLoaded<OrderDetail>(open === null ? null : `/order-detail/${encodeURIComponent(open)}`, plan.id);
    const draft = useDraft();
    const [told, setTold] = useState<string | null>(null);
    const { picked, onPick, clear } = usePicked((order: OrderRow) => order.code);
    const change = (changes: Record<string, string>) => refilter('/orders', filter, changes, { status: 'open' });
    const {
        rows: orders,
        more,
        trouble: moreTrouble,
    } = useMoreRows('/order-rows', filter, first, total, (answer: OrderList) => answer.rows);
    const chosen = orders.filter((order) => picked.has(order.code));
    const may = draft.may && plan.study === null;
    const mayReceive = useMayMoveStock() && plan.study === null;
    const mayBuy = useMayBuy() && plan.study === null;
    return (
        <>
            <PageHead title={t('Orders')}>
                {tn('1 order', ':n orders', total)}
                {late > 0 && `, ${t(':n overdue', { n: late })}`}
            </PageHead>
            <OrderTabs on="orders" />
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
                        { value: 'request', label: t('Requests') },
                        { value: 'firm', label: t('Firm') },
                        { value: 'released', label: t('Sent or released') },
                        { value: 'unconfirmed', label: t('Not confirmed') },
                        { value: 'done', label: t('Done') },
                        { value: 'cancelled', label: t('Cancelled') },
                        { value: 'all', label: t('Open and done') },
                    ]}
                />
                <PillToggle on={filter.late === '1'} onChange={(on) => change({ late: on ? '1' : '' })}>
                    {t('Overdue')}
                </PillToggle>
                <PillSelect
                    label={t('Grouped')}
                    value={filter.by ?? ''}
                    onChange={(by) => change({ by })}
                    choices={[
                        { value: '', label: t('In one list') },
                        { value: 'supplier', label: t('By supplier') },
                        { value: 'week', label: t('By week due') },
                        { value: 'state', label: t('By state') },
                        { value: 'site', label: t('By site') },
                    ]}
                />
                <PillToggle on={filter.said === '1'} onChange={(on) => change({ said: on ? '1' : '' })}>
                    {t('With a message')}
                </PillToggle>
                <SavedViews page="orders" path="/orders" views={views} filter={filter} />
                <span className="order-last">
                    <ExportLink list="orders" params={filter} />
                </span>
                <FindBox label={t('Find order, item, supplier')} value={filter.q ?? ''} onChange={(q) => change({ q })} />
            </div>
            {told && (
                <Notice tone="done" onClose={() => setTold(null)}>
                    {told}
                </Notice>
            )}
            {chosen.length > 0 && <OrdersInBulk orders={chosen} onClear={clear} onTold={setTold} />}
            {orders.length === 0 ? (
                <Empty title={t('No order fits')}>{t('Take a filter away, or convert proposals to make orders.')}</Empty>
            ) : (
                <DataTable
                    name="orders"
                    label={t('Orders')}
                    columns={columns(plan.planDate, filter.by ?? '')}
                    {...(filter.by
                        ? { groups: grouped(orders, (order) => headingOf(order, filter.by ?? '', plan.planDate)) }
                        : { rows: orders })}
                    total={total}
                    more={more}
                    order={{ by: filter.sort ?? '', onChange: (sort) => change({ sort }) }}
                    keyOf={(order) => order.code}
                    ticks={
                        may || mayReceive || mayBuy
                            ? {
                                  picked: (order) => picked.has(order.code),
                                  may: (order) =>
                                      (mayReceive || mayBuy || order.kind === 'make') && ['firm', 'released'].includes(order.status),
                                  label: (order) => t('Pick :order', { order: order.code }),
                                  onPick,
                                  all: mayReceive ? t('Pick all open orders') : t('Pick all production orders'),
                              }
                            : undefined
                    }
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
            {moreTrouble && <p className="mt-2 text-broken">{moreTrouble}</p>}
            {open && (
                <Inspector label={t('Order')}>
                    {trouble && <p className="text-broken">{trouble}</p>}
                    {data && <OrderPanel order={data} onClose={() => setOpen(null)} />}
                </Inspector>
            )}
        </>
    );
}

function headingOf(order: OrderRow, by: string, today: string): string {
    if (by === 'state') {
        return t(ORDER_STATES[order.status]);
    }
    return by === 'week' ? t('Week of :day', { day: day(order.group, today) }) : order.group;
}

function stateOf(order: OrderRow): string {
    return order.stage === null ? t(ORDER_STATES[order.status]) : t(PURCHASE_STAGES[order.stage]);
}

/** "firm, held back, not before Thu 12 Mar". */
function stateInWords(order: OrderRow, today: string): string {
    return [
        stateOf(order),
        order.held ? t('held back') : '',
        order.notBefore ? t('not before :day', { day: day(order.notBefore, today) }) : '',
        order.finishBy ? t('done by :day', { day: day(order.finishBy, today) }) : '',
    ]
        .filter((part) => part !== '')
        .join(', ');
}

function columns(today: string, by: string): DataColumn<OrderRow>[] {
    return [
        {
            id: 'order',
            head: t('Order'),
            width: '92px',
            sort: true,
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
            sort: true,
            cell: (order) => t(ORDER_KINDS[order.kind]),
        },
        {
            id: 'state',
            head: t('State'),
            width: '84px',
            sort: true,
            cell: (order) => (order.held ? t('held') : stateOf(order)),
            title: (order) => stateInWords(order, today),
            cellLook: (order) => (order.status === 'firm' ? 'text-mute' : ''),
        },
        {
            id: 'what',
            head: t('What'),
            sort: true,
            title: (order) => [order.what, order.supplier].filter(Boolean).join(', '),
            cell: (order) => (
                <>
                    {order.what} {order.supplier && by !== 'supplier' && <span className="text-mute">· {order.supplier}</span>}
                </>
            ),
        },
        {
            id: 'site',
            head: t('Site'),
            width: '48px',
            wide: true,
            look: 'text-mute',
            sort: true,
            cell: (order) => order.site,
        },
        {
            id: 'qty',
            head: t('To come'),
            width: '88px',
            right: true,
            sort: true,
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
            sort: true,
            cell: (order) => <DraftedDay reference={order.reference} due={order.due} today={today} />,
            cellLook: (order) => (order.daysLate > 0 ? 'font-semibold text-broken' : ''),
        },
        {
            id: 'says',
            head: t('The plan says'),
            width: '128px',
            look: 'pl-3',
            sort: true,
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
