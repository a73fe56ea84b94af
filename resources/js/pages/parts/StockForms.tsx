import { router } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { FIELD, Labelled } from '@/components/Labelled';
import { NumberField } from '@/components/NumberField';
import { isZero, qty } from '@/lib/format';
import { freshKey, postJson } from '@/lib/http';
import { readQuantity } from '@/lib/quantities';
import type { ComponentRow, JobLineRow, OrderLineRow, PointDetail, Posted, SalesRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { useSure } from '@/lib/useSure';

/** Posts what moved, once; the page is shown anew with it, and told what was written. */
function usePosting(url: string, onDone: (message: string, commit: number) => void) {
    const [key, setKey] = useState(freshKey);
    const [sure, dialog] = useSure(
        'Take it',
        'The books are wrong then by as much, until somebody receives or counts. Nothing was written yet.',
    );
    const posting = useCommand(
        (body: Record<string, unknown>) => sure((meant) => postJson<Posted>(url, { ...body, key, ...(meant && { sure: true }) })),
        ({ message, commit }) => {
            setKey(freshKey());
            onDone(`${message}.`, commit);
            router.reload();
        },
    );
    return { ...posting, dialog };
}

export function useMayMoveStock(): boolean {
    return useShared().user.can.includes('move stock');
}

interface Telling {
    /** Is told what was written; the form may be gone by then. */
    onDone: (message: string, commit: number) => void;
}

interface FrameProps extends Telling {
    /** Where it is posted to. */
    url: string;
    label: string;
    decimals: number;
    unit: string;
    /** What stands there until something else is typed. */
    amount: string;
    /** Whether a reason has to be given. */
    reason?: boolean;
    /** Whether nothing at all is an answer, too. */
    zero?: boolean;
    button: string;
    /** What is posted of a quantity, beside the note. */
    posts: (qty: string) => Record<string, unknown>;
    children?: React.ReactNode;
}

/** A quantity, a note and a button: what all that is posted has in common. */
function Frame({ url, label, decimals, unit, amount, reason = false, zero = false, button, posts, onDone, children }: FrameProps) {
    const [typed, setTyped] = useState(amount);
    const [note, setNote] = useState('');
    const posting = usePosting(url, onDone);
    const qty = readQuantity(typed, decimals).value;
    const isReady = qty !== null && (zero || !isZero(qty)) && (!reason || note.trim() !== '');
    return (
        <form
            aria-label={label}
            className="mt-3 rounded border border-line bg-paper px-2.5 py-2 text-sm"
            onSubmit={(event) => {
                event.preventDefault();
                if (isReady) {
                    posting.send({ ...posts(qty), note });
                }
            }}
        >
            <div className="flex flex-wrap items-end gap-2">
                <Labelled label={label}>
                    <NumberField value={typed} decimals={decimals} unit={unit} label={label} onChange={setTyped} />
                </Labelled>
                <Labelled label={reason ? t('Reason') : t('Note')}>
                    <input value={note} maxLength={190} onChange={(event) => setNote(event.target.value)} className={`${FIELD} w-24`} />
                </Labelled>
                <Button type="submit" look="act" disabled={posting.busy || !isReady}>
                    {button}
                </Button>
            </div>
            {children}
            {posting.dialog}
            {posting.trouble && (
                <p role="alert" className="mt-1 font-semibold text-broken">
                    {posting.trouble}
                </p>
            )}
        </form>
    );
}

function Tick({ on, onChange, children }: { on: boolean; onChange: (on: boolean) => void; children: string }) {
    return (
        <label className="mt-1.5 flex items-center gap-1.5">
            <input type="checkbox" checked={on} onChange={(event) => onChange(event.target.checked)} />
            {children}
        </label>
    );
}

/** What came with an order: all that is open unless another quantity is typed. */
export function ReceiveForm({ line, kind, onDone }: { line: OrderLineRow; kind: string } & Telling) {
    const [last, setLast] = useState(false);
    const [parts, setParts] = useState(true);
    const [blocked, setBlocked] = useState(false);
    const [to, setTo] = useState('');
    return (
        <Frame
            url="/movements/receive"
            label={t('Received :code', { code: line.code })}
            decimals={line.decimals}
            unit={line.unit}
            amount={line.open}
            button={t('Receive')}
            posts={(qty) => ({
                lines: [{ order: line.code, item: line.item, qty, last, parts: kind === 'make' && parts, blocked, to: blocked ? '' : to }],
            })}
            onDone={onDone}
        >
            <Tick on={last} onChange={setLast}>
                {t('No more of it comes')}
            </Tick>
            <Tick on={blocked} onChange={setBlocked}>
                {t('Blocked until somebody has looked at it')}
            </Tick>
            {line.waiting.length > 0 && !blocked && (
                <label className="mt-1.5 flex items-center gap-1.5">
                    {t('Goes')}
                    <select value={to} onChange={(event) => setTo(event.target.value)} className={`${FIELD} min-w-0 flex-1`}>
                        <option value="">{t('into stock')}</option>
                        {line.waiting.map((need) => (
                            <option key={need.reference} value={need.reference}>
                                {t('straight to :whom, :qty', { whom: need.label, qty: qty(need.qty) })}
                            </option>
                        ))}
                    </select>
                </label>
            )}
            {kind === 'make' && (
                <Tick on={parts} onChange={setParts}>
                    {t('Its components have been used for it')}
                </Tick>
            )}
        </Frame>
    );
}

/** What of a component went into its order, or came back. */
export function IssueForm({ row, order, onDone }: { row: ComponentRow; order: string } & Telling) {
    const [back, setBack] = useState(false);
    const [more, setMore] = useState(false);
    return (
        <Frame
            url="/movements/issue"
            label={back ? t('Back from :order', { order }) : t('Issued to :order', { order })}
            decimals={row.decimals}
            unit={row.unit}
            amount={row.open}
            reason={more && !back}
            button={back ? t('Take back') : t('Issue')}
            posts={(qty) => ({ order, parts: [{ line: row.line, qty: back ? `-${qty}` : qty }], more: more && !back })}
            onDone={onDone}
        >
            <Tick on={back} onChange={setBack}>
                {t('It comes back into stock')}
            </Tick>
            {!back && (
                <Tick on={more} onChange={setMore}>
                    {t('More than planned, with a reason')}
                </Tick>
            )}
        </Frame>
    );
}

/** What a job gets of a line from stock, or what comes back from it. */
export function SupplyForm({ job, row, onDone }: { job: string; row: JobLineRow } & Telling) {
    const [back, setBack] = useState(false);
    return (
        <Frame
            url="/jobs/supply"
            label={back ? t('Back from :order', { order: job }) : t('Issued to :order', { order: job })}
            decimals={row.decimals}
            unit={row.unit}
            amount={isZero(row.stock) ? row.open : row.stock}
            button={back ? t('Take back') : t('Issue')}
            posts={(qty) => ({ job, lines: [{ line: row.line, qty: back ? `-${qty}` : qty }] })}
            onDone={onDone}
        >
            {!isZero(row.issued) && (
                <Tick on={back} onChange={setBack}>
                    {t('It comes back into stock')}
                </Tick>
            )}
        </Frame>
    );
}

/** What a count has found; the books say what there is without it. */
export function CountForm({ detail, onDone }: { detail: PointDetail } & Telling) {
    return (
        <Frame
            url="/movements/count"
            label={t('Counted (books: :qty)', { qty: qty(detail.stock, detail.decimals) })}
            decimals={detail.decimals}
            unit={detail.unit}
            amount=""
            zero
            button={t('Book it')}
            posts={(found) => ({ rows: [{ item: detail.item, site: detail.site, qty: found, books: detail.stock }] })}
            onDone={onDone}
        />
    );
}

/** What of the stock may not be used, may be used again, or is of no use. */
export function BlockForm({ detail, onDone }: { detail: PointDetail } & Telling) {
    const [what, setWhat] = useState<'block' | 'release' | 'scrap'>(isZero(detail.blocked) ? 'block' : 'release');
    const words = { block: t('Block'), release: t('Free it again'), scrap: t('Scrap it') };
    return (
        <Frame
            key={what}
            url="/movements/block"
            label={
                what === 'block'
                    ? t('Blocked of :qty there', { qty: qty(detail.stock, detail.decimals) })
                    : t('Of :qty blocked', { qty: qty(detail.blocked, detail.decimals) })
            }
            decimals={detail.decimals}
            unit={detail.unit}
            amount={what === 'block' ? '' : detail.blocked}
            reason={what !== 'release'}
            button={words[what]}
            posts={(some) => ({ what, item: detail.item, site: detail.site, qty: some })}
            onDone={onDone}
        >
            {!isZero(detail.blocked) && (
                <p className="mt-1.5 flex gap-3">
                    {(['release', 'scrap', 'block'] as const).map((one) => (
                        <label key={one} className="flex items-center gap-1.5">
                            <input type="radio" name="blocking" checked={what === one} onChange={() => setWhat(one)} />
                            {words[one]}
                        </label>
                    ))}
                </p>
            )}
        </Frame>
    );
}

/** What went to the customer. */
export function ShipForm({ row, onDone }: { row: SalesRow } & Telling) {
    return (
        <Frame
            url="/movements/ship"
            label={t('Shipped')}
            decimals={row.decimals}
            unit={row.unit}
            amount={row.open}
            button={t('Ship')}
            posts={(qty) => ({ lines: [{ order: row.order, line: row.line, qty }] })}
            onDone={onDone}
        />
    );
}

/** Sends what a transfer order moves. */
export function SendForm({ line, from, onDone }: { line: OrderLineRow; from: string } & Telling) {
    const posting = usePosting('/movements/send', onDone);
    return (
        <p className="mt-3 text-sm">
            <Button look="act" disabled={posting.busy} onClick={() => posting.send({ order: line.code })}>
                {t('Send it from :site', { site: from })}
            </Button>
            {posting.trouble && (
                <span role="alert" className="mt-1 block font-semibold text-broken">
                    {posting.trouble}
                </span>
            )}
        </p>
    );
}
