import { Link } from '@inertiajs/react';
import { Fragment, useState, type ReactNode } from 'react';
import { ComponentCover } from '@/components/ComponentCover';
import { PanelHead } from '@/components/PanelHead';
import { DraftMarks, DraftedDay, DraftedExpected, DraftedOrdered, TouchedNote } from '@/components/DraftMarks';
import { PeggingLink } from '@/components/PeggingLink';
import { PegList } from '@/components/PegList';
import { day, moment, qty } from '@/lib/format';
import type { ComponentRow, OrderDetail, OrderLineRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { ComponentDraft, ComponentMore, OrderDraft } from '@/pages/parts/DraftForms';
import { itemHref, Messages } from '@/pages/parts/ItemPanel';
import { OperationList } from '@/pages/parts/ThreadOperations';
import { ORDER_KINDS, ORDER_STATES } from '@/lib/words';

/** An order in the inspector. */
export function OrderPanel({ order, onClose }: { order: OrderDetail; onClose: () => void }) {
    return (
        <>
            <PanelHead title={order.code} href={`/orders/${encodeURIComponent(order.code)}`} onClose={onClose} />
            <p className="mb-2 text-mute">
                {[t(ORDER_KINDS[order.kind]), t(ORDER_STATES[order.status]), order.supplier, order.siteName].filter(Boolean).join(' · ')}
            </p>
            {order.lines.map((line) => (
                <section key={line.code} className="border-t border-line py-2">
                    <LineHead line={line} />
                    <TouchedNote reference={line.reference} />
                    <Messages messages={line.messages} />
                    <OrderActions order={order} line={line} />
                    <PegList title={t('Serves')} pegs={line.serves} />
                    <Components rows={line.components} order={line.code} />
                    {line.source && <p className="mt-2 text-xs text-mute">{t('Made from :source', { source: line.source })}</p>}
                </section>
            ))}
        </>
    );
}

/** Where its operations stand, and what a person has said about when. */
function InTheShop({ line }: { line: OrderLineRow }) {
    const today = useShared().plan.planDate;
    return (
        <>
            {(line.held || line.notBefore || line.finishBy) && (
                <dl className="mt-2 grid grid-cols-2 gap-x-5 text-sm">
                    {line.held && <Pair label={t('In the shop')} value={t('held back')} broken />}
                    {line.notBefore && <Pair label={t('Start not before')} value={day(line.notBefore, today)} />}
                    {line.finishBy && <Pair label={t('Finish by')} value={day(line.finishBy, today)} />}
                </dl>
            )}
            {line.operations.length > 0 && (
                <section className="mt-2.5">
                    <h3 className="text-xs font-bold text-mute">{t('Operations')}</h3>
                    <OperationList operations={line.operations} planDate={today} />
                </section>
            )}
        </>
    );
}

/** Where an order leads to, what is drafted of it, and what can be tried with it. */
export function OrderActions({ order, line }: { order: OrderDetail; line: OrderLineRow }) {
    return (
        <>
            <InTheShop line={line} />
            {line.expected !== null && (
                <p className="mt-2 flex flex-wrap gap-x-4 gap-y-1 text-sm">
                    <PeggingLink of={line.reference} way="up" />
                    {order.kind !== 'buy' && <PeggingLink of={line.reference} />}
                    {order.kind === 'make' && (
                        <Link
                            href={`/complete?of=${encodeURIComponent(line.reference)}`}
                            className="font-semibold text-act hover:underline"
                        >
                            {t('Check another date')}
                        </Link>
                    )}
                </p>
            )}
            <DraftMarks reference={line.reference} />
            {['firm', 'released'].includes(order.status) && (
                <OrderDraft key={`${line.code} ${line.due} ${line.qty}`} line={line} kind={order.kind} status={order.status} />
            )}
        </>
    );
}

function LineHead({ line }: { line: OrderLineRow }) {
    const today = useShared().plan.planDate;
    const late = line.expected !== null && line.expected > line.due;
    return (
        <>
            <p>
                <Link href={itemHref(line.item, '')} className="font-bold hover:underline">
                    {line.item}
                </Link>{' '}
                {line.name}
            </p>
            <dl className="mt-1 grid grid-cols-2 gap-x-5 text-sm">
                <Pair
                    label={t('Ordered')}
                    value={
                        <>
                            <DraftedOrdered reference={line.reference} value={line.qty} decimals={line.decimals} /> {line.unit}
                        </>
                    }
                />
                <Pair label={t('Received')} value={qty(line.received, line.decimals)} />
                <Pair label={t('Due')} value={<DraftedDay reference={line.reference} due={line.due} today={today} />} />
                <Pair
                    label={t('Expected')}
                    value={
                        line.expected ? (
                            <DraftedExpected reference={line.reference} expected={line.expected} today={today} />
                        ) : (
                            t('not planned')
                        )
                    }
                    broken={late}
                />
            </dl>
        </>
    );
}

function Pair({ label, value, broken = false }: { label: string; value: ReactNode; broken?: boolean }) {
    return (
        <div className="flex justify-between gap-2 py-0.5">
            <dt className="text-mute">{label}</dt>
            <dd className={`font-semibold whitespace-nowrap ${broken ? 'text-broken' : ''}`}>{value}</dd>
        </div>
    );
}

/** What a production order still needs, each with its cover. */
export function Components({ rows, order }: { rows: ComponentRow[]; order: string }) {
    const [open, setOpen] = useState<string | null>(null);
    if (rows.length === 0) {
        return null;
    }
    return (
        <>
            <h3 className="mt-3 mb-1 text-xs font-bold text-mute">{t('Components')}</h3>
            <table className="w-full text-sm">
                <tbody>
                    {rows.map((row) => (
                        <Fragment key={row.line}>
                            <tr className="h-9 border-b border-soft last:border-0">
                                <td className="max-w-[110px] truncate pr-2" title={row.name}>
                                    <Link href={itemHref(row.item, '')} className="font-semibold hover:underline">
                                        {row.item}
                                    </Link>
                                </td>
                                <td className="pr-3 text-right whitespace-nowrap">
                                    {qty(row.qty)} <span className="text-mute">{row.unit}</span>
                                </td>
                                <td className="pr-3 text-right whitespace-nowrap text-mute">{day(row.need)}</td>
                                <td className="w-[86px] align-middle">
                                    <ComponentCover row={row} width={84} />
                                </td>
                                <td className="w-5 text-right">
                                    <ComponentMore row={row} open={open === row.line} onOpen={setOpen} />
                                </td>
                            </tr>
                            {open === row.line && (
                                <tr>
                                    <td colSpan={5}>
                                        <ComponentDraft row={row} order={order} />
                                    </td>
                                </tr>
                            )}
                        </Fragment>
                    ))}
                </tbody>
            </table>
        </>
    );
}

/** Where an order came from: who made it and when. */
export function Origin({ order }: { order: OrderDetail }) {
    if (!order.createdBy || !order.createdAt) {
        return <>{t('imported')}</>;
    }
    return <>{t('made by :name, :at', { name: order.createdBy, at: moment(order.createdAt) })}</>;
}
