import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { DraftedDay, DraftedExpected, DraftedOrdered, Touched, TouchedNote } from '@/components/DraftMarks';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PegList } from '@/components/PegList';
import { RecordHistory } from '@/components/RecordHistory';
import { Quantity } from '@/components/Quantity';
import { Inspector } from '@/layout/Shell';
import { day, isZero, qty } from '@/lib/format';
import type { OrderDetail, OrderLineRow, OrderPage } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { itemHref, Messages } from '@/pages/parts/ItemPanel';
import { OrderActions, Origin } from '@/pages/parts/OrderParts';
import { Took } from '@/pages/parts/Took';
import { Confirmation, SendOrderForm, useMayBuy, Versions } from '@/pages/parts/PurchaseForms';
import { ComponentTable } from '@/pages/parts/ComponentTable';
import { ReceiveForm, SendForm, useMayMoveStock } from '@/pages/parts/StockForms';
import { ORDER_KINDS, ORDER_STATES, PURCHASE_STAGES } from '@/lib/words';
import { type DataColumn, DataTable } from '@/components/DataTable';

export default function Order({ order }: OrderPage) {
    const may = useMayMoveStock();
    const isOpen = ['firm', 'released'].includes(order.status);
    const [told, setTold] = useState<string | null>(null);
    const mayBuy = useMayBuy();
    const { plan } = useShared();
    const { purchase } = order;
    const isRequest = purchase?.stage === 'request';
    const hasPaper = isOpen ? !isRequest : order.kind === 'buy' && order.supplier !== null;
    const buys = mayBuy && plan.study === null && purchase !== null && !isRequest;
    const components = order.lines.filter((line) => line.components.length > 0);
    return (
        <>
            <PageHead title={order.code}>
                {[t(ORDER_KINDS[order.kind]), order.supplier, order.siteName].filter(Boolean).join(' · ')}
            </PageHead>
            <p className="mb-3 flex items-center gap-3 text-sm">
                <span
                    className={`rounded-full border px-2.5 py-0.5 font-semibold ${order.status === 'firm' ? 'border-line bg-surface' : 'border-act bg-act-tint text-act-dark'}`}
                >
                    {purchase ? t(PURCHASE_STAGES[purchase.stage]) : t(ORDER_STATES[order.status])}
                </span>
                <span className="text-mute">
                    <Origin order={order} />
                </span>
                {order.kind === 'buy' && order.supplier && !isRequest && (
                    <span className="ml-auto flex gap-3 whitespace-nowrap">
                        <a href={`/orders/${order.code}/order.pdf`} className="font-semibold text-act hover:underline">
                            {t('On paper (PDF)')}
                        </a>
                        <a href={`/orders/${order.code}/order.xml`} className="font-semibold text-act hover:underline">
                            {t('As UBL')}
                        </a>
                    </span>
                )}
                {isOpen && !isRequest && (
                    <span className={`flex gap-3 whitespace-nowrap ${order.kind === 'buy' ? '' : 'ml-auto'}`}>
                        {order.kind === 'make' && (
                            <>
                                <PaperLink order={order.code} paper="sheet">
                                    {t('Order sheet')}
                                </PaperLink>
                                <PaperLink order={order.code} paper="pick">
                                    {t('Pick list')}
                                </PaperLink>
                            </>
                        )}
                        <PaperLink order={order.code} paper="labels">
                            {t('Labels')}
                        </PaperLink>
                    </span>
                )}
                <Link
                    href={`/movements?${new URLSearchParams({ q: order.code }).toString()}`}
                    className={`font-semibold text-act hover:underline ${hasPaper ? '' : 'ml-auto'}`}
                >
                    {t('What moved')}
                </Link>
                <Link href={isRequest ? '/requests' : '/orders'} className="font-semibold text-act hover:underline">
                    {isRequest ? t('All requests') : t('All orders')}
                </Link>
            </p>
            {told && (
                <Notice tone="done" onClose={() => setTold(null)}>
                    {told}
                </Notice>
            )}
            <Lines order={order} />
            {buys && order.status === 'released' && (
                <Confirmation key={`${purchase.version} ${order.code}`} order={order} onDone={setTold} />
            )}
            {components.map((line) => (
                <ComponentTable
                    key={line.code}
                    line={line}
                    title={order.lines.length > 1 ? t('Components of :item', { item: line.item }) : t('Components')}
                />
            ))}
            {order.lines.map((line) => line.took && <Took key={line.code} line={line} took={line.took} />)}
            <Inspector label={t('What the plan says of :order', { order: order.code })}>
                {purchase && (
                    <section className="mb-4">
                        <h2 className="mb-1 text-lg font-bold">{t('To the supplier')}</h2>
                        {purchase.asked && <p className="text-sm text-mute">{purchase.asked}</p>}
                        {buys &&
                            (isOpen || order.status === 'cancelled') &&
                            purchase.isNews &&
                            (purchase.versions.length > 0 || isOpen) && (
                                <SendOrderForm key={purchase.version} order={order} purchase={purchase} onDone={setTold} />
                            )}
                        <Versions purchase={purchase} />
                    </section>
                )}
                <h2 className="mb-1 text-lg font-bold">{t('In the live plan')}</h2>
                {order.lines.map((line) => (
                    <section key={line.code} className="border-t border-soft py-2 first-of-type:border-0">
                        <p className="font-semibold">
                            {line.item} <span className="font-normal text-mute">{line.name}</span>
                        </p>
                        {line.expected === null && !isZero(line.open) && (
                            <p className="text-sm text-mute">{t('The plan does not know this order yet. Run it to take it in.')}</p>
                        )}
                        <TouchedNote reference={line.reference} />
                        <Messages messages={line.messages} />
                        <OrderActions order={order} line={line} />
                        {may && !isZero(line.open) && order.status === 'firm' && line.from !== null && (
                            <SendForm line={line} from={line.from} onDone={setTold} />
                        )}
                        {may && !isZero(line.open) && isOpen && !isRequest && !(order.kind === 'transfer' && order.status === 'firm') && (
                            <ReceiveForm key={line.open} line={line} kind={order.kind} onDone={setTold} />
                        )}
                        <PegList title={t('Serves')} pegs={line.serves} />
                        <RecordHistory of={[line.reference]} />
                        {line.source && <p className="mt-2 text-xs text-mute">{t('Made from :source', { source: line.source })}</p>}
                    </section>
                ))}
            </Inspector>
        </>
    );
}

/** A paper of the order, as PDF. */
function PaperLink({ order, paper, children }: { order: string; paper: string; children: string }) {
    return (
        <a href={`/orders/${encodeURIComponent(order)}/${paper}.pdf`} className="font-semibold text-act hover:underline">
            {children}
        </a>
    );
}

function Lines({ order }: { order: OrderDetail }) {
    const today = useShared().plan.planDate;
    const columns: DataColumn<OrderLineRow>[] = [
        {
            id: 'line',
            head: t('Line'),
            width: '92px',
            look: 'font-semibold',
            cell: (line) => (
                <>
                    {line.code}
                    <Touched reference={line.reference} />
                </>
            ),
        },
        {
            id: 'item',
            head: t('Item'),
            cell: (line) => (
                <>
                    <Link href={itemHref(line.item, order.site)} className="font-bold hover:underline">
                        {line.item}
                    </Link>{' '}
                    {line.name}
                    {line.pinned && <span className="ml-2 text-xs text-mute">{t('pinned')}</span>}
                </>
            ),
        },
        {
            id: 'qty',
            head: t('Ordered'),
            width: '84px',
            right: true,
            cell: (line) => (
                <>
                    <DraftedOrdered reference={line.reference} value={line.qty} decimals={line.decimals} />{' '}
                    <span className="text-mute">{line.unit}</span>
                </>
            ),
        },
        {
            id: 'received',
            head: t('Received'),
            width: '74px',
            right: true,
            cell: (line) => <Quantity value={line.received} decimals={line.decimals} />,
        },
        ...(order.kind === 'buy'
            ? []
            : [
                  {
                      id: 'start',
                      head: t('Start'),
                      width: '82px',
                      right: true,
                      cell: (line: OrderLineRow) => (line.start ? day(line.start) : ''),
                  },
              ]),
        {
            id: 'due',
            head: t('Due'),
            width: '112px',
            right: true,
            cell: (line) => <DraftedDay reference={line.reference} due={line.due} today={today} />,
        },
        {
            id: 'expected',
            head: t('Expected'),
            width: '112px',
            right: true,
            cell: (line) => <DraftedExpected reference={line.reference} expected={line.expected} today={today} />,
            cellLook: (line) => (line.expected && line.expected > line.due ? 'font-semibold text-broken' : ''),
        },
        ...(order.kind === 'buy'
            ? [
                  {
                      id: 'price',
                      head: t('Price'),
                      width: '100px',
                      right: true,
                      cell: (line: OrderLineRow) =>
                          line.price === null ? (
                              <span className="text-mute">{t('no price')}</span>
                          ) : (
                              <>
                                  {qty(line.price, 2)} <span className="text-mute">{order.currency}</span>
                              </>
                          ),
                  },
              ]
            : []),
    ];
    return (
        <DataTable
            name={`order-${order.kind}`}
            label={order.code}
            columns={columns}
            rows={order.lines}
            keyOf={(line) => line.code}
            foot={
                order.total && (
                    <span className="text-sm">
                        {t('In all')} <strong className="text-ink">{qty(order.total)}</strong> {order.currency}
                    </span>
                )
            }
        />
    );
}
