import { router } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { DateField } from '@/components/DateField';
import { FIELD, Labelled } from '@/components/Labelled';
import { NumberField } from '@/components/NumberField';
import { type Change, useDraft } from '@/lib/draft';
import { day, isZero, moment, qty } from '@/lib/format';
import { freshKey, postJson } from '@/lib/http';
import { readQuantity } from '@/lib/quantities';
import type { OrderDetail, OrderLineRow, PurchaseDetail, Told } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { LETTER_STATES } from '@/lib/words';

interface Telling {
    onDone: (message: string) => void;
}

function useTelling(url: string, onDone: (message: string) => void) {
    const [key, setKey] = useState(freshKey);
    return useCommand(
        (body: Record<string, unknown>) => postJson<Told>(url, { ...body, key }),
        ({ message }) => {
            setKey(freshKey());
            onDone(message);
            router.reload();
        },
    );
}

export function useMayBuy(): boolean {
    return useShared().user.can.includes('convert purchases');
}

/** What goes to the supplier: the text beside the lines, and the button that sends it. */
export function SendOrderForm({ order, purchase, onDone }: { order: OrderDetail; purchase: PurchaseDetail } & Telling) {
    const [text, setText] = useState(purchase.text);
    const sending = useTelling('/purchases/send', onDone);
    const apart = useTelling('/purchases/apart', onDone);
    const send = (mail: boolean) => sending.send({ order: order.code, mail, text, version: purchase.version });
    const isFirst = purchase.versions.length === 0;
    const trouble = sending.trouble ?? apart.trouble;
    return (
        <section aria-label={t('To the supplier')} className="mt-3 rounded border border-line bg-paper px-2.5 py-2 text-sm">
            <Labelled label={t('Text beside the lines')}>
                <textarea
                    value={text}
                    maxLength={2000}
                    rows={2}
                    onChange={(event) => setText(event.target.value)}
                    className={`${FIELD} !h-auto w-full py-1`}
                />
            </Labelled>
            <div className="mt-2 flex flex-wrap items-center gap-2">
                <Button look="act" disabled={sending.busy || purchase.mail === ''} onClick={() => send(true)}>
                    {isFirst ? t('Send by mail') : t('Send version :n', { n: nextVersion(purchase, text) })}
                </Button>
                <Button disabled={sending.busy} onClick={() => send(false)}>
                    {t('It went by hand')}
                </Button>
                {isFirst && order.status === 'firm' && (
                    <Button look="quiet" disabled={apart.busy} onClick={() => apart.send({ order: order.code })}>
                        {t('Back to requests')}
                    </Button>
                )}
            </div>
            <p className="mt-1 text-xs text-mute">
                {purchase.mail === ''
                    ? t('The supplier has no address for mail.')
                    : t('to :address, with PDF and UBL', { address: purchase.mail })}
            </p>
            {trouble && (
                <p role="alert" className="mt-1 font-semibold text-broken">
                    {trouble}
                </p>
            )}
        </section>
    );
}

function nextVersion(purchase: PurchaseDetail, text: string): number {
    const last = purchase.versions[0];
    return last === undefined ? 1 : last.sentAt === null && text === purchase.text ? last.number : last.number + 1;
}

/** What the supplier was told, version by version. */
export function Versions({ purchase }: { purchase: PurchaseDetail }) {
    if (purchase.versions.length === 0) {
        return null;
    }
    return (
        <section className="mt-3">
            <h3 className="mb-1 text-xs font-bold text-mute">{t('What the supplier was told')}</h3>
            <ul className="text-sm">
                {purchase.versions.map((version) => (
                    <li key={version.number} className="flex gap-2 border-b border-soft py-1">
                        <a href={version.pdf} className="font-semibold text-act hover:underline">
                            {t('Version :n', { n: version.number })}
                        </a>
                        <span className="min-w-0 flex-1 truncate text-mute">
                            {version.sentAt === null
                                ? t('not sent')
                                : t('sent :at by :name', { at: moment(version.sentAt), name: version.by })}
                        </span>
                        {version.letter !== null && (
                            <span className={version.letter === 'failed' ? 'font-semibold text-broken' : 'text-mute'}>
                                {t(LETTER_STATES[version.letter as keyof typeof LETTER_STATES])}
                            </span>
                        )}
                    </li>
                ))}
            </ul>
        </section>
    );
}

/** What makes a line what its supplier has confirmed. */
export function confirmedChanges(line: Pick<OrderLineRow, 'code' | 'qty' | 'due' | 'confirmedQty' | 'confirmedDue'>): Change[] {
    return [
        ...(line.confirmedQty !== null && line.confirmedQty !== line.qty
            ? [{ change: 'resize_order', order: line.code, qty: line.confirmedQty }]
            : []),
        ...(line.confirmedDue !== null && line.confirmedDue !== line.due
            ? [{ change: 'move_order', order: line.code, due: line.confirmedDue }]
            : []),
    ];
}

/** What the supplier confirms of each line, and where that differs from what he was asked: to be accepted, or drafted to see who slips. */
export function Confirmation({ order, onDone }: { order: OrderDetail } & Telling) {
    const open = order.lines.filter((line) => !isZero(line.open));
    const other = open.filter((line) => confirmedChanges(line).length > 0);
    const [typed, setTyped] = useState<Record<string, { qty?: string; due?: string }>>({});
    const draft = useDraft();
    const { plan } = useShared();
    const confirm = useTelling('/purchases/confirm', (message) => {
        setTyped({});
        onDone(message);
    });
    const accept = useTelling('/purchases/accept', onDone);
    const lines = open.map((line) => ({
        line: line.code,
        qty: readQuantity(typed[line.code]?.qty ?? line.confirmedQty ?? line.qty, line.decimals).value,
        due: typed[line.code]?.due ?? line.confirmedDue ?? line.due,
    }));
    const isReady = lines.length > 0 && lines.every((line) => line.qty !== null && !isZero(line.qty));
    const trouble = confirm.trouble ?? accept.trouble;
    const type = (code: string, change: { qty?: string; due?: string }) => setTyped({ ...typed, [code]: { ...typed[code], ...change } });
    if (open.length === 0) {
        return null;
    }
    return (
        <form
            aria-label={t('What the supplier confirms')}
            className="mt-4 rounded border border-line bg-surface px-3 py-2"
            onSubmit={(event) => {
                event.preventDefault();
                if (isReady) {
                    confirm.send({ lines });
                }
            }}
        >
            <h2 className="mb-1 font-bold">{t('What the supplier confirms')}</h2>
            <table className="w-full text-sm">
                <thead className="text-xs text-mute">
                    <tr>
                        <th className="py-1 text-left font-normal">{t('Line')}</th>
                        <th className="text-right font-normal">{t('Asked')}</th>
                        <th className="pl-4 text-left font-normal">{t('Confirmed')}</th>
                        <th className="text-left font-normal" />
                    </tr>
                </thead>
                <tbody>
                    {open.map((line) => (
                        <tr key={line.code} className="border-t border-soft">
                            <td className="py-1">
                                <strong>{line.item}</strong> <span className="text-mute">{line.code}</span>
                            </td>
                            <td className="text-right whitespace-nowrap">
                                {qty(line.qty, line.decimals)} <span className="text-mute">{line.unit}</span> ·{' '}
                                {day(line.due, plan.planDate)}
                            </td>
                            <td className="py-1 pl-4">
                                <span className="flex items-start gap-2">
                                    <NumberField
                                        value={typed[line.code]?.qty ?? line.confirmedQty ?? line.qty}
                                        decimals={line.decimals}
                                        unit={line.unit}
                                        label={t('Confirmed quantity of :code', { code: line.code })}
                                        onChange={(text) => type(line.code, { qty: text })}
                                    />
                                    <DateField
                                        label={t('Confirmed day of :code', { code: line.code })}
                                        value={typed[line.code]?.due ?? line.confirmedDue ?? line.due}
                                        onChange={(due) => type(line.code, { due })}
                                    />
                                </span>
                            </td>
                            <td className={`pl-3 ${confirmedChanges(line).length > 0 ? 'font-semibold text-look-ink' : 'text-mute'}`}>
                                {line.confirmedDue === null ? (
                                    <span className="text-mute">{t('not yet')}</span>
                                ) : (
                                    difference(line, plan.planDate)
                                )}
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
            <div className="mt-2 flex flex-wrap items-center gap-2">
                <Button type="submit" look={other.length > 0 ? undefined : 'act'} disabled={confirm.busy || !isReady}>
                    {t('Keep what is confirmed')}
                </Button>
                {other.length > 0 && (
                    <>
                        <Button look="act" disabled={accept.busy} onClick={() => accept.send({ lines: other.map((line) => line.code) })}>
                            {tn('Accept the difference', 'Accept :n differences', other.length)}
                        </Button>
                        {draft.may && (
                            <Button
                                disabled={draft.busy}
                                onClick={() =>
                                    void draft.add(other.flatMap(confirmedChanges), t(':order as confirmed', { order: order.code }))
                                }
                            >
                                {t('Draft it, to see who slips')}
                            </Button>
                        )}
                    </>
                )}
            </div>
            {trouble && (
                <p role="alert" className="mt-1 font-semibold text-broken">
                    {trouble}
                </p>
            )}
        </form>
    );
}

function difference(line: OrderLineRow, today: string): string {
    const said = [
        line.confirmedDue !== null && line.confirmedDue !== line.due ? day(line.confirmedDue, today) : '',
        line.confirmedQty !== null && line.confirmedQty !== line.qty ? `${qty(line.confirmedQty, line.decimals)} ${line.unit}` : '',
    ].filter((part) => part !== '');
    return said.length === 0 ? t('as asked') : t('instead: :what', { what: said.join(', ') });
}
