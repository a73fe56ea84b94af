import { Link } from '@inertiajs/react';
import { Fragment, useState } from 'react';
import { ComponentCover } from '@/components/ComponentCover';
import { PageHead } from '@/components/PageHead';
import { PegList } from '@/components/PegList';
import { Inspector } from '@/layout/Shell';
import { day, qty } from '@/lib/format';
import type { OrderDetail, OrderLineRow } from '@/lib/shapes';
import { t } from '@/lib/t';
import { ComponentDraft, ComponentMore } from '@/pages/parts/DraftForms';
import { itemHref, Messages } from '@/pages/parts/ItemPanel';
import { KINDS, OrderActions, Origin, STATUS } from '@/pages/parts/OrderParts';

export default function Order({ order }: { order: OrderDetail }) {
    const components = order.lines.filter((line) => line.components.length > 0);
    return (
        <>
            <PageHead title={order.code}>
                {[t(KINDS[order.kind] ?? order.kind), order.supplier, order.siteName].filter(Boolean).join(' · ')}
            </PageHead>
            <p className="mb-3 flex items-center gap-3 text-sm">
                <span
                    className={`rounded-full border px-2.5 py-0.5 font-semibold ${order.status === 'firm' ? 'border-line bg-surface' : 'border-act bg-act-tint text-act-dark'}`}
                >
                    {t(STATUS[order.status] ?? order.status)}
                </span>
                <span className="text-mute">
                    <Origin order={order} />
                </span>
                <Link href="/orders" className="ml-auto font-semibold text-act hover:underline">
                    {t('All orders')}
                </Link>
            </p>
            <Lines order={order} />
            {components.map((line) => (
                <ComponentTable
                    key={line.code}
                    line={line}
                    title={order.lines.length > 1 ? t('Components of {item}', { item: line.item }) : t('Components')}
                />
            ))}
            <Inspector label={t('What the plan says of {order}', { order: order.code })}>
                <h2 className="mb-1 text-lg font-bold">{t('In the live plan')}</h2>
                {order.lines.map((line) => (
                    <section key={line.code} className="border-t border-soft py-2 first-of-type:border-0">
                        <p className="font-semibold">
                            {line.item} <span className="font-normal text-mute">{line.name}</span>
                        </p>
                        {line.expected === null && (
                            <p className="text-sm text-mute">{t('The plan does not know this order yet. Run it to take it in.')}</p>
                        )}
                        <Messages messages={line.messages} />
                        <OrderActions order={order} line={line} />
                        <PegList title={t('Serves')} pegs={line.serves} />
                    </section>
                ))}
            </Inspector>
        </>
    );
}

function Lines({ order }: { order: OrderDetail }) {
    const prices = order.kind === 'buy';
    return (
        <div className="rounded border border-line bg-surface">
            <table className="w-full text-sm">
                <thead>
                    <tr className="border-b border-line text-left text-xs text-mute">
                        <th scope="col" className="px-3 py-1.5">
                            {t('Line')}
                        </th>
                        <th scope="col">{t('Item')}</th>
                        <th scope="col" className="text-right">
                            {t('Ordered')}
                        </th>
                        <th scope="col" className="text-right">
                            {t('Received')}
                        </th>
                        {order.kind !== 'buy' && (
                            <th scope="col" className="text-right">
                                {t('Start')}
                            </th>
                        )}
                        <th scope="col" className="text-right">
                            {t('Due')}
                        </th>
                        <th scope="col" className="text-right">
                            {t('Expected')}
                        </th>
                        {prices && (
                            <th scope="col" className="text-right">
                                {t('Price')}
                            </th>
                        )}
                        <th scope="col" className="px-3">
                            {t('Comes from')}
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {order.lines.map((line) => (
                        <tr key={line.code} className="h-9 border-b border-soft last:border-0">
                            <td className="px-3 font-semibold">{line.code}</td>
                            <td>
                                <Link href={itemHref(line.item, order.site)} className="font-bold hover:underline">
                                    {line.item}
                                </Link>{' '}
                                {line.name}
                                {line.pinned && <span className="ml-2 text-xs text-mute">{t('pinned')}</span>}
                            </td>
                            <td className="text-right whitespace-nowrap">
                                {qty(line.qty, line.decimals)} <span className="text-mute">{line.unit}</span>
                            </td>
                            <td className="text-right">{qty(line.received, line.decimals)}</td>
                            {order.kind !== 'buy' && <td className="text-right whitespace-nowrap">{line.start ? day(line.start) : ''}</td>}
                            <td className="text-right whitespace-nowrap">{day(line.due)}</td>
                            <td
                                className={`text-right whitespace-nowrap ${line.expected && line.expected > line.due ? 'font-semibold text-broken' : ''}`}
                            >
                                {line.expected ? day(line.expected) : ''}
                            </td>
                            {prices && (
                                <td className="text-right whitespace-nowrap">
                                    {line.price === null ? <span className="text-mute">{t('no price')}</span> : qty(line.price)}{' '}
                                    <span className="text-mute">{line.price === null ? '' : order.currency}</span>
                                </td>
                            )}
                            <td className="px-3 text-mute">{line.source ?? t('imported')}</td>
                        </tr>
                    ))}
                </tbody>
                {order.total && (
                    <tfoot>
                        <tr className="border-t border-line">
                            <td colSpan={6} className="px-3 py-1.5 text-right text-mute">
                                {t('In all')}
                            </td>
                            <td className="text-right font-bold">
                                {qty(order.total)} <span className="font-normal text-mute">{order.currency}</span>
                            </td>
                            <td />
                        </tr>
                    </tfoot>
                )}
            </table>
        </div>
    );
}

function ComponentTable({ line, title }: { line: OrderLineRow; title: string }) {
    const [open, setOpen] = useState<string | null>(null);
    return (
        <section className="mt-4">
            <h2 className="mb-1.5 font-bold">{title}</h2>
            <div className="rounded border border-line bg-surface">
                <table className="w-full text-sm">
                    <thead>
                        <tr className="border-b border-line text-left text-xs text-mute">
                            <th scope="col" className="px-3 py-1.5">
                                {t('Line')}
                            </th>
                            <th scope="col">{t('Item')}</th>
                            <th scope="col" className="text-right">
                                {t('Needed')}
                            </th>
                            <th scope="col" className="text-right">
                                {t('Issued')}
                            </th>
                            <th scope="col" className="text-right">
                                {t('On')}
                            </th>
                            <th scope="col" className="w-[130px] pl-6">
                                {t('Cover')}
                            </th>
                            <th scope="col" className="w-8" aria-label={t('What to do')} />
                        </tr>
                    </thead>
                    <tbody>
                        {line.components.map((row) => (
                            <Fragment key={row.line}>
                                <tr className="h-9 border-b border-soft last:border-0">
                                    <td className="px-3 text-mute">{row.line}</td>
                                    <td>
                                        <Link href={itemHref(row.item, '')} className="font-bold hover:underline">
                                            {row.item}
                                        </Link>{' '}
                                        {row.name}
                                    </td>
                                    <td className="text-right whitespace-nowrap">
                                        {qty(row.qty)} <span className="text-mute">{row.unit}</span>
                                    </td>
                                    <td className="text-right">{qty(row.issued)}</td>
                                    <td className="text-right whitespace-nowrap">{day(row.need)}</td>
                                    <td className="pl-6">
                                        <ComponentCover row={row} width={100} />
                                    </td>
                                    <td>
                                        <ComponentMore row={row} open={open === row.line} onOpen={setOpen} />
                                    </td>
                                </tr>
                                {open === row.line && (
                                    <tr>
                                        <td colSpan={7}>
                                            <ComponentDraft row={row} order={line.code} />
                                        </td>
                                    </tr>
                                )}
                            </Fragment>
                        ))}
                    </tbody>
                </table>
            </div>
        </section>
    );
}
