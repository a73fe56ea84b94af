import { useState } from 'react';
import { Button } from '@/components/Button';
import { DateField } from '@/components/DateField';
import { FIELD, Labelled } from '@/components/Labelled';
import { NumberField } from '@/components/NumberField';
import { PanelHead } from '@/components/PanelHead';
import { PriorityField } from '@/components/PriorityField';
import { useDraft } from '@/lib/draft';
import { addDays, day, isZero } from '@/lib/format';
import { readQuantity, restOf, sumOf } from '@/lib/quantities';
import type { SalesRow, SalesStart, Subject } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { SubjectBox } from '@/pages/parts/SubjectBox';
import { Trial } from '@/pages/parts/DraftForms';

/** A line that a customer orders: tried first, as everything that others could lose by. */
export function NewSalesLine({ onClose }: { onClose: () => void }) {
    const { data } = useLoaded<SalesStart>('/demand/start');
    return (
        <>
            <PanelHead title={t('A new sales line')} onClose={onClose} />
            {data && <NewForm key={`${data.order}/${data.line}`} start={data} />}
        </>
    );
}

function NewForm({ start }: { start: SalesStart }) {
    const { plan } = useShared();
    const draft = useDraft();
    const [order, setOrder] = useState(start.order);
    const [line, setLine] = useState(start.line);
    const [customer, setCustomer] = useState('');
    const [subject, setSubject] = useState<Subject | null>(null);
    const [amount, setAmount] = useState('');
    const [due, setDue] = useState(addDays(plan.planDate, 14));
    const [priority, setPriority] = useState('5');
    const qty = readQuantity(amount, subject?.decimals ?? 0).value;
    const isReady = order.trim() !== '' && line.trim() !== '' && subject?.item != null && qty !== null && !isZero(qty) && due !== '';
    return (
        <form
            aria-label={t('A new sales line')}
            className="space-y-2.5"
            onSubmit={(event) => {
                event.preventDefault();
                if (isReady) {
                    const own = { order: order.trim(), line: line.trim(), item: subject.item, site: subject.site, qty, due };
                    void draft
                        .add([{ change: 'put_sales_line', line: { ...own, customer: customer.trim(), priority: Number(priority) } }])
                        .then((taken) => taken && setLine(String(Number(line) + 1)));
                }
            }}
        >
            <div className="flex gap-2">
                <Labelled label={t('Order')}>
                    <input value={order} maxLength={60} onChange={(event) => setOrder(event.target.value)} className={`${FIELD} w-28`} />
                </Labelled>
                <Labelled label={t('Line')}>
                    <input value={line} maxLength={20} onChange={(event) => setLine(event.target.value)} className={`${FIELD} w-14`} />
                </Labelled>
                <PriorityField value={priority} onChange={setPriority} />
            </div>
            <Labelled label={t('Customer')}>
                <input
                    value={customer}
                    maxLength={190}
                    list="known-customers"
                    onChange={(event) => setCustomer(event.target.value)}
                    className={`${FIELD} w-full`}
                />
            </Labelled>
            <datalist id="known-customers">
                {start.customers.map((one) => (
                    <option key={one} value={one} />
                ))}
            </datalist>
            <div className="flex flex-wrap items-end gap-2">
                <span className="text-xs text-mute">
                    <span className="block">{t('Item and site')}</span>
                    <span className="text-base text-ink">
                        <SubjectBox
                            value={subject?.of ?? ''}
                            label={subject ? `${subject.item ?? ''}, ${subject.site ?? ''}` : ''}
                            itemsOnly
                            name={t('Item and site')}
                            onPick={(_, picked) => setSubject(picked)}
                        />
                    </span>
                </span>
                <Labelled label={t('Quantity')}>
                    <NumberField
                        value={amount}
                        decimals={subject?.decimals ?? 0}
                        unit={subject?.unit ?? undefined}
                        label={t('Quantity')}
                        onChange={setAmount}
                    />
                </Labelled>
            </div>
            <Labelled label={t('Due')}>
                <DateField value={due} min={plan.planDate} onChange={setDue} label={t('Due')} />
            </Labelled>
            <Button type="submit" look="draft" disabled={!isReady || draft.busy}>
                {t('Try it')}
            </Button>
        </form>
    );
}

/** A part of a line on another day, or the line no more. */
export function SalesParts({ row }: { row: SalesRow }) {
    const { plan } = useShared();
    const draft = useDraft();
    const [keep, setKeep] = useState('');
    const [due, setDue] = useState(addDays(row.due < plan.planDate ? plan.planDate : row.due, 7));
    const { data } = useLoaded<SalesStart>(draft.may ? `/demand/start?${new URLSearchParams({ order: row.order }).toString()}` : null);
    if (!draft.may || row.heldUntil !== null) {
        return null;
    }
    const kept = readQuantity(keep, row.decimals).value;
    const rest = kept === null || isZero(kept) ? null : restOf(row.open, kept);
    const whole = kept === null ? null : sumOf([row.shipped, kept]);
    return (
        <Trial title={t('Split it, or without it')}>
            <div className="flex flex-wrap items-end gap-2">
                <Labelled label={t('Keep on :day', { day: day(row.due) })}>
                    <NumberField decimals={row.decimals} value={keep} unit={row.unit} label={t('Keep of it')} onChange={setKeep} />
                </Labelled>
                <Labelled label={t('The rest on')}>
                    <DateField value={due} min={plan.planDate} onChange={setDue} label={t('The rest on')} />
                </Labelled>
                <Button
                    disabled={rest === null || whole === null || data === null || draft.busy}
                    onClick={() =>
                        void draft.add(
                            [
                                { change: 'change_sales_line', order: row.order, line: row.line, qty: whole ?? '' },
                                {
                                    change: 'put_sales_line',
                                    line: {
                                        order: row.order,
                                        line: data?.line ?? '',
                                        item: row.item,
                                        site: row.site,
                                        qty: rest ?? '',
                                        due,
                                        customer: row.customer,
                                        priority: row.priority,
                                    },
                                },
                            ],
                            t(':line split', { line: `${row.order}/${row.line}` }),
                        )
                    }
                >
                    {t('Split it')}
                </Button>
            </div>
            <Button
                disabled={draft.busy}
                onClick={() =>
                    void draft.add(
                        isZero(row.shipped)
                            ? [{ change: 'remove_sales_line', order: row.order, line: row.line }]
                            : [{ change: 'change_sales_line', order: row.order, line: row.line, qty: row.shipped }],
                        t(':line cancelled', { line: `${row.order}/${row.line}` }),
                    )
                }
            >
                {isZero(row.shipped) ? t('Without it') : t('Without what is not shipped')}
            </Button>
        </Trial>
    );
}
