import { useState, type ReactNode } from 'react';
import { FIELD, Labelled } from '@/components/Labelled';
import { PriorityField } from '@/components/PriorityField';
import { MissForm } from '@/pages/parts/MissForm';
import { IssueForm, useMayMoveStock } from '@/pages/parts/StockForms';
import { Button } from '@/components/Button';
import { useDraft, type Change } from '@/lib/draft';
import { addDays, day } from '@/lib/format';
import type { ComponentRow, OrderLineRow, PointDetail, ProposalDetail, SalesRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { DateField } from '@/components/DateField';
import { NumberField } from '@/components/NumberField';
import { readQuantity } from '@/lib/quantities';

interface FieldProps {
    value: string;
    onChange: (value: string) => void;
}

function QuantityField({ label, decimals, ...props }: FieldProps & { label: string; decimals: number; placeholder?: string }) {
    return (
        <Labelled label={label}>
            <NumberField decimals={decimals} {...props} />
        </Labelled>
    );
}

/** The frame of what can be tried: folded until it is wanted, violet as all that is not written. */
export function Trial({ title, children }: { title: string; children: ReactNode }) {
    return (
        <details className="mt-3 rounded border border-draft/30 bg-draft-tint">
            <summary className="cursor-pointer px-2.5 py-1 text-sm font-semibold text-draft">{title}</summary>
            <div className="space-y-2 border-t border-draft/20 px-2.5 py-2">{children}</div>
        </details>
    );
}

/** Tries an order on other dates, with another quantity, split, cancelled. When a supplier calls, this is where one types what he says. */
export function OrderDraft({ line, kind, status }: { line: OrderLineRow; kind: string; status: string }) {
    const { plan } = useShared();
    const draft = useDraft();
    const [due, setDue] = useState(line.due);
    const [amount, setAmount] = useState(line.qty);
    const [priority, setPriority] = useState(String(line.priority));
    const [pinned, setPinned] = useState(line.pinned);
    const [keep, setKeep] = useState('');
    const [rest, setRest] = useState(addDays(line.due, 7));
    if (!draft.may) {
        return null;
    }
    const quantity = readQuantity(amount, line.decimals).value;
    const kept = readQuantity(keep, line.decimals).value;
    const changes: Change[] = [
        ...(quantity !== null && quantity !== line.qty ? [{ change: 'resize_order', order: line.code, qty: quantity }] : []),
        ...(due !== line.due && due ? [{ change: 'move_order', order: line.code, due }] : []),
        ...(priority !== String(line.priority) ? [{ change: 'prioritise_order', order: line.code, priority: Number(priority) }] : []),
        ...(pinned !== line.pinned ? [{ change: 'pin_order', order: line.code, pinned }] : []),
    ];
    return (
        <Trial title={kind === 'buy' ? t('The supplier calls: try it') : t('Try something with it')}>
            <div className="flex flex-wrap items-end gap-2">
                <Labelled label={t('Due')}>
                    <DateField value={due} min={plan.planDate} onChange={setDue} name="draft-due" />
                </Labelled>
                <QuantityField label={`${t('Quantity')} ${line.unit}`} decimals={line.decimals} value={amount} onChange={setAmount} />
                <PriorityField value={priority} onChange={setPriority} />
            </div>
            <label className="flex items-center gap-1.5 text-sm">
                <input type="checkbox" checked={pinned} onChange={(event) => setPinned(event.target.checked)} />
                {t('Pinned: nobody counts on moving it')}
            </label>
            <div className="flex gap-2">
                <Button look="draft" disabled={changes.length === 0 || draft.busy} onClick={() => void draft.add(changes)}>
                    {t('Try it')}
                </Button>
                <Button disabled={draft.busy} onClick={() => void draft.add([{ change: 'cancel_order', order: line.code }])}>
                    {t('Try without it')}
                </Button>
                {status === 'firm' && (
                    <Button
                        disabled={draft.busy}
                        title={t('It holds what the plan gives it')}
                        onClick={() => void draft.add([{ change: 'release_order', order: line.code }])}
                    >
                        {kind === 'buy' ? t('Sent') : t('Release')}
                    </Button>
                )}
            </div>
            <div className="flex flex-wrap items-end gap-2 border-t border-draft/20 pt-2">
                <QuantityField label={t('Keep now')} decimals={line.decimals} value={keep} onChange={setKeep} />
                <Labelled label={t('The rest on')}>
                    <DateField value={rest} min={plan.planDate} onChange={setRest} />
                </Labelled>
                <Button
                    disabled={kept === null || draft.busy}
                    onClick={() => void draft.add([{ change: 'split_order', order: line.code, qty: kept ?? '', due: rest, rest: 'new:1' }])}
                >
                    {t('Split it')}
                </Button>
            </div>
        </Trial>
    );
}

/** Opens what can be done about a component. */
export function ComponentMore({ row, open, onOpen }: { row: ComponentRow; open: boolean; onOpen: (line: string | null) => void }) {
    return row.strip ? (
        <button
            type="button"
            aria-expanded={open}
            aria-label={t('What to do about :item', { item: row.item })}
            onClick={() => onOpen(open ? null : row.line)}
            className="rounded px-1 font-bold text-mute hover:text-ink"
        >
            ⋯
        </button>
    ) : null;
}

/** What can be done about a component of an order: a substitute, or telling that it is missing. */
export function ComponentDraft({ row, order }: { row: ComponentRow; order: string }) {
    const draft = useDraft();
    const may = useMayMoveStock();
    const [told, setTold] = useState<string | null>(null);
    const [part, setPart] = useState('');
    const replaced = readQuantity(part, 6).value;
    return (
        <div className="space-y-2 bg-paper px-2.5 py-2 text-sm">
            {draft.may &&
                row.substitutes.map((choice) => (
                    <p key={choice.item} className="flex items-center gap-2">
                        <span className="min-w-0 flex-1 truncate">
                            <strong>{choice.item}</strong> {choice.name}
                        </span>
                        <NumberField
                            label={t('How much of it is replaced')}
                            placeholder={t('all of it')}
                            decimals={6}
                            value={part}
                            onChange={setPart}
                        />
                        <Button
                            disabled={draft.busy}
                            onClick={() =>
                                void draft.add([
                                    {
                                        change: 'swap_component',
                                        order,
                                        line: row.line,
                                        substitute: choice.item,
                                        ratio: choice.ratio,
                                        ...(replaced && { qty: replaced }),
                                    },
                                ])
                            }
                        >
                            {t('Try in its place')}
                        </Button>
                    </p>
                ))}
            {may && <IssueForm key={row.open} row={row} order={order} onDone={setTold} />}
            {told && (
                <p role="status" className="font-semibold text-act-dark">
                    {told}
                </p>
            )}
            <MissForm order={order} parts={[row]} />
        </div>
    );
}

/** Tries a sales line with another quantity, date or priority. */
export function SalesDraft({ row }: { row: SalesRow }) {
    const { plan } = useShared();
    const draft = useDraft();
    const [due, setDue] = useState(row.due);
    const [priority, setPriority] = useState(String(row.priority));
    const [amount, setAmount] = useState('');
    if (!draft.may) {
        return null;
    }
    const ordered = readQuantity(amount, row.decimals).value;
    const change: Change = {
        change: 'change_sales_line',
        order: row.order,
        line: row.line,
        ...(ordered && { qty: ordered }),
        ...(due && due !== row.due && { due }),
        ...(priority !== String(row.priority) && { priority: Number(priority) }),
    };
    return (
        <Trial title={t('The customer calls: try it')}>
            <div className="flex flex-wrap items-end gap-2">
                <Labelled label={t('Due')}>
                    <DateField value={due} min={plan.planDate} onChange={setDue} />
                </Labelled>
                <QuantityField
                    label={t('Ordered in all')}
                    decimals={row.decimals}
                    value={amount}
                    onChange={setAmount}
                    placeholder={t('as it is')}
                />
                <PriorityField value={priority} onChange={setPriority} />
            </div>
            <Button look="draft" disabled={Object.keys(change).length === 3 || draft.busy} onClick={() => void draft.add([change])}>
                {t('Try it')}
            </Button>
        </Trial>
    );
}

/** Tries another stock, lead time or safety stock of an item at a site. */
export function PointDraft({ detail }: { detail: PointDetail }) {
    const draft = useDraft();
    const [stock, setStock] = useState('');
    const [lead, setLead] = useState('');
    const [safety, setSafety] = useState('');
    if (!draft.may) {
        return null;
    }
    const at = { item: detail.item, site: detail.site };
    const [days, least, onHand] = [
        readQuantity(lead, 0).value,
        readQuantity(safety, detail.decimals).value,
        readQuantity(stock, detail.decimals).value,
    ];
    const planning = { ...(days && { leadDays: Number(days) }), ...(least && { safetyStock: least }) };
    const changes: Change[] = [
        ...(onHand ? [{ change: 'change_stock', ...at, qty: onHand }] : []),
        ...(Object.keys(planning).length > 0 ? [{ change: 'change_planning', ...at, ...planning }] : []),
    ];
    return (
        <Trial title={t('Try other data')}>
            <div className="flex flex-wrap items-end gap-2">
                <QuantityField label={`${t('On hand')} ${detail.unit}`} decimals={detail.decimals} value={stock} onChange={setStock} />
                <QuantityField label={t('Lead time, working days')} decimals={0} value={lead} onChange={setLead} />
                <QuantityField label={t('Safety stock')} decimals={detail.decimals} value={safety} onChange={setSafety} />
            </div>
            <Button look="draft" disabled={changes.length === 0 || draft.busy} onClick={() => void draft.add(changes)}>
                {t('Try it')}
            </Button>
        </Trial>
    );
}

/** Tries a proposal as an order: early, bought instead of made or moved, from someone else, from another site. */
export function ProposalDraft({ detail, supplier, due }: { detail: ProposalDetail; supplier: string | null; due: string }) {
    const { sites } = useShared();
    const draft = useDraft();
    const { row } = detail;
    const [from, setFrom] = useState('');
    if (!draft.may) {
        return null;
    }
    const put = (kind: string, more: Record<string, string>): Change => ({
        change: 'put_order',
        order: 'new:1',
        kind,
        item: row.item,
        site: row.site,
        qty: row.qty,
        due,
        ...more,
    });
    const others = sites.filter((site) => site.code !== row.site);
    return (
        <Trial title={t('Try it as an order')}>
            <p className="flex flex-wrap gap-2">
                {row.kind === 'make' && (
                    <Button look="draft" disabled={draft.busy} onClick={() => void draft.add([put('make', {})])}>
                        {t('Make it for :day', { day: day(due) })}
                    </Button>
                )}
                {row.kind !== 'make' && (
                    <Button disabled={draft.busy} onClick={() => void draft.add([put('make', {})])}>
                        {t('Make it instead')}
                    </Button>
                )}
                {supplier !== null && (
                    <Button
                        look={row.kind === 'buy' ? 'draft' : 'plain'}
                        disabled={draft.busy}
                        onClick={() => void draft.add([put('buy', { supplier })])}
                    >
                        {row.kind === 'buy' ? t('Buy it for :day', { day: day(due) }) : t('Buy it instead')}
                    </Button>
                )}
                {others.length > 0 && (
                    <span className="flex items-center gap-1">
                        <select
                            aria-label={t('From another site')}
                            value={from}
                            onChange={(event) => setFrom(event.target.value)}
                            className={FIELD}
                        >
                            <option value="">{t('From another site')}</option>
                            {others.map((site) => (
                                <option key={site.code} value={site.code}>
                                    {site.name}
                                </option>
                            ))}
                        </select>
                        <Button disabled={from === '' || draft.busy} onClick={() => void draft.add([put('transfer', { fromSite: from })])}>
                            {t('Move it')}
                        </Button>
                    </span>
                )}
            </p>
        </Trial>
    );
}
