import { router } from '@inertiajs/react';
import { useState } from 'react';
import { DraftedDay, DraftPencil } from '@/components/DraftMarks';
import { Empty } from '@/components/Empty';
import { FindBox } from '@/components/FindBox';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillTabs, PillToggle } from '@/components/Pill';
import { Inspector } from '@/layout/Shell';
import { qty } from '@/lib/format';
import type { OrderDetail, OrderRow } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { moveAmongRows } from '@/lib/useRowKeys';
import { KINDS, MESSAGES, OrderPanel, STATUS } from '@/pages/parts/OrderParts';

export default function Orders({ orders, filter, most }: { orders: OrderRow[]; filter: Record<string, string>; most: number }) {
    const { plan } = useShared();
    const [open, setOpen] = useState<string | null>(null);
    const { data, trouble } = useLoaded<OrderDetail>(open === null ? null : `/order-detail/${encodeURIComponent(open)}`, plan.id);
    const change = (changes: Record<string, string>) => refilter('/orders', filter, changes, { status: 'open' });
    const late = orders.filter((order) => order.daysLate > 0).length;
    return (
        <>
            <PageHead title={t('Orders')}>
                {tn('1 order', '{n} orders', orders.length)}
                {late > 0 && `, ${t('{n} overdue', { n: late })}`}
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
                <div className="rounded border border-line bg-surface">
                    <table className="w-full table-fixed text-sm" onKeyDown={moveAmongRows}>
                        <thead className="sticky -top-3 z-10 bg-surface">
                            <tr className="border-b border-line text-left text-xs text-mute">
                                <th scope="col" className="w-[92px] px-3 py-1.5">
                                    {t('Order')}
                                </th>
                                <th scope="col" className="w-[76px]">
                                    {t('Kind')}
                                </th>
                                <th scope="col" className="w-[68px]">
                                    {t('State')}
                                </th>
                                <th scope="col">{t('What')}</th>
                                <th scope="col" className="w-[40px]">
                                    {t('Site')}
                                </th>
                                <th scope="col" className="w-[84px] text-right">
                                    {t('To come')}
                                </th>
                                <th scope="col" className="w-[128px] text-right">
                                    {t('Due')}
                                </th>
                                <th scope="col" className="w-[122px] px-3">
                                    {t('The plan says')}
                                </th>
                            </tr>
                        </thead>
                        <tbody>
                            {orders.map((order) => (
                                <tr
                                    key={order.code}
                                    data-row
                                    tabIndex={0}
                                    aria-selected={open === order.code}
                                    onClick={() => setOpen(order.code)}
                                    onFocus={() => setOpen(order.code)}
                                    onKeyDown={(event) =>
                                        event.key === 'Enter' && router.visit(`/orders/${encodeURIComponent(order.code)}`)
                                    }
                                    className={`h-8 cursor-pointer border-b border-soft -outline-offset-2 last:border-0 ${open === order.code ? 'bg-act-tint' : 'hover:bg-act-tint/50'}`}
                                >
                                    <td className="px-3 font-bold whitespace-nowrap">
                                        {order.code}
                                        <DraftPencil reference={`order:${order.code}`} />
                                    </td>
                                    <td>{t(KINDS[order.kind] ?? order.kind)}</td>
                                    <td className={order.status === 'firm' ? 'text-mute' : ''}>
                                        {t(STATUS[order.status] ?? order.status)}
                                    </td>
                                    <td className="truncate pr-2" title={[order.what, order.supplier].filter(Boolean).join(', ')}>
                                        {order.what} {order.supplier && <span className="text-mute">· {order.supplier}</span>}
                                    </td>
                                    <td className="text-mute">{order.site}</td>
                                    <td className="text-right whitespace-nowrap">
                                        {order.qty === null ? (
                                            <span className="text-mute">{tn('1 line', '{n} lines', order.lines)}</span>
                                        ) : (
                                            <>
                                                {qty(order.qty)} <span className="text-mute">{order.unit}</span>
                                            </>
                                        )}
                                    </td>
                                    <td className={`text-right whitespace-nowrap ${order.daysLate > 0 ? 'font-semibold text-broken' : ''}`}>
                                        <DraftedDay reference={`order:${order.code}`} due={order.due} today={plan.planDate} />
                                    </td>
                                    <td className="truncate px-3">
                                        {order.message && (
                                            <span className={order.message === 'overdue' ? 'font-semibold text-broken' : 'text-look-ink'}>
                                                {t(MESSAGES[order.message] ?? order.message)}
                                            </span>
                                        )}
                                        {!order.message && order.made && <span className="text-mute">{order.made}</span>}
                                    </td>
                                </tr>
                            ))}
                        </tbody>
                    </table>
                </div>
            )}
            {orders.length >= most && (
                <p className="mt-2 text-mute">
                    {t('Only the first {n} are shown. Narrow the list by kind, state, site or text.', { n: most })}
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
