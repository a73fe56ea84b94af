import { useState } from 'react';
import { Button } from '@/components/Button';
import { FIELD } from '@/components/Labelled';
import { ReasonField } from '@/components/ReasonField';
import type { RequestRow } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import type { RequestEdit } from '@/pages/parts/RequestPanel';

interface Props {
    rows: RequestRow[];
    edits: ReadonlyMap<string, RequestEdit>;
    /** The order that they are added to; empty for new ones. */
    into: string;
    onInto: (order: string) => void;
    busy: boolean;
    onBuy: () => void;
    onGiveBack: (reason: string) => void;
    onClear: () => void;
}

/** What the picked requests become: one order for each supplier and site, part of an open one, or nothing, with a reason. */
export function RequestsBar({ rows, edits, into, onInto, busy, onBuy, onGiveBack, onClear }: Props) {
    const [reason, setReason] = useState('');
    const [asking, setAsking] = useState(false);
    const supplier = (row: RequestRow) => edits.get(row.code)?.supplier ?? row.supplierCode;
    const orders = new Set(rows.map((row) => `${supplier(row)} ${row.site}`));
    const lacking = rows.filter((row) => supplier(row) === null);
    const isOwn = rows.every((row) => supplier(row) === row.supplierCode);
    const open = orders.size === 1 && isOwn ? (rows[0]?.open ?? []) : [];
    return (
        <div
            role="toolbar"
            aria-label={t('What is done with the picked requests')}
            className="sticky -bottom-4 z-20 mt-auto bg-paper pt-3 pb-4"
        >
            <div className="flex flex-wrap items-center gap-3 rounded border border-act bg-act-tint px-4 py-2">
                <strong className="whitespace-nowrap">{t(':n picked', { n: rows.length })}</strong>
                {asking ? (
                    <form
                        className="flex flex-1 items-center gap-2"
                        onSubmit={(event) => {
                            event.preventDefault();
                            if (reason.trim() !== '') {
                                onGiveBack(reason);
                            }
                        }}
                    >
                        <ReasonField
                            label={t('Why it is given back')}
                            value={reason}
                            onChange={setReason}
                            onBack={() => setAsking(false)}
                            className={`${FIELD} flex-1`}
                        />
                        <Button type="submit" look="act" disabled={busy || reason.trim() === ''}>
                            {t('Give back')}
                        </Button>
                        <Button onClick={() => setAsking(false)}>{t('Go back')}</Button>
                    </form>
                ) : (
                    <>
                        {lacking.length > 0 && (
                            <span className="font-semibold text-broken">
                                {t(':item needs a supplier first', { item: lacking[0]?.item ?? '' })}
                            </span>
                        )}
                        {open.length > 0 && (
                            <label className="flex items-center gap-2 text-sm">
                                {t('Into')}
                                <select value={into} onChange={(event) => onInto(event.target.value)} className={FIELD}>
                                    <option value="">{t('a new order')}</option>
                                    {open.map((order) => (
                                        <option key={order.value} value={order.value}>
                                            {order.label}
                                        </option>
                                    ))}
                                </select>
                            </label>
                        )}
                        <span className="ml-auto flex gap-2">
                            <Button look="quiet" onClick={onClear}>
                                {t('Pick none')}
                            </Button>
                            <Button disabled={busy} onClick={() => setAsking(true)}>
                                {t('Give back')}
                            </Button>
                            <Button look="act" disabled={busy || lacking.length > 0} onClick={onBuy}>
                                {into === '' || open.length === 0
                                    ? tn('Make 1 purchase order', 'Make :n purchase orders', orders.size)
                                    : t('Add to :order', { order: into })}
                                <kbd className="ml-2 rounded border border-line bg-paper px-1.5 font-sans text-xs text-mute">O</kbd>
                            </Button>
                        </span>
                    </>
                )}
            </div>
        </div>
    );
}
