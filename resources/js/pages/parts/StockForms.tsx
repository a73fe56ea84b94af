import { router } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { FIELD, Labelled } from '@/components/Labelled';
import { NumberField } from '@/components/NumberField';
import { isZero, qty } from '@/lib/format';
import { freshKey, postJson } from '@/lib/http';
import { readQuantity } from '@/lib/quantities';
import type { ComponentRow, OrderLineRow, PointDetail, Posted, SalesRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';

/** Posts what moved, once; the page is shown anew with it, and told what was written. */
function usePosting(url: string, onDone: (message: string, commit: number) => void) {
    const [key, setKey] = useState(freshKey);
    return useCommand(
        (body: Record<string, unknown>) => postJson<Posted>(url, { ...body, key }),
        ({ message, commit }) => {
            setKey(freshKey());
            onDone(`${message}.`, commit);
            router.reload();
        },
    );
}

export function useMayMoveStock(): boolean {
    return useShared().user.can.includes('move stock');
}

interface Telling {
    /** Is told what was written; the form may be gone by then. */
    onDone: (message: string, commit: number) => void;
}

interface FrameProps {
    label: string;
    decimals: number;
    unit: string;
    amount: string;
    onAmount: (text: string) => void;
    note: string;
    onNote: (text: string) => void;
    noteLabel?: string;
    button: string;
    ready?: boolean;
    /** Whether nothing at all is an answer, too. */
    zero?: boolean;
    posting: ReturnType<typeof usePosting>;
    onSend: (qty: string) => void;
    children?: React.ReactNode;
}

function Frame({
    label,
    decimals,
    unit,
    amount,
    onAmount,
    note,
    onNote,
    noteLabel,
    button,
    ready = true,
    zero = false,
    posting,
    onSend,
    children,
}: FrameProps) {
    const amountIs = readQuantity(amount, decimals).value;
    return (
        <form
            aria-label={label}
            className="mt-3 rounded border border-line bg-paper px-2.5 py-2 text-sm"
            onSubmit={(event) => {
                event.preventDefault();
                if (amountIs !== null && (zero || !isZero(amountIs)) && ready) {
                    onSend(amountIs);
                }
            }}
        >
            <div className="flex flex-wrap items-end gap-2">
                <Labelled label={label}>
                    <NumberField value={amount} decimals={decimals} unit={unit} label={label} onChange={onAmount} />
                </Labelled>
                <Labelled label={noteLabel ?? t('Note')}>
                    <input value={note} maxLength={190} onChange={(event) => onNote(event.target.value)} className={`${FIELD} w-24`} />
                </Labelled>
                <Button type="submit" look="act" disabled={posting.busy || amountIs === null || (!zero && isZero(amountIs)) || !ready}>
                    {button}
                </Button>
            </div>
            {children}
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
    const [amount, setAmount] = useState(line.open);
    const [note, setNote] = useState('');
    const [last, setLast] = useState(false);
    const [parts, setParts] = useState(true);
    const posting = usePosting('/movements/receive', onDone);
    return (
        <Frame
            label={t('Received :code', { code: line.code })}
            decimals={line.decimals}
            unit={line.unit}
            amount={amount}
            onAmount={setAmount}
            note={note}
            onNote={setNote}
            button={t('Receive')}
            posting={posting}
            onSend={(qty) =>
                posting.send({ lines: [{ order: line.code, item: line.item, qty, last, parts: kind === 'make' && parts }], note })
            }
        >
            <Tick on={last} onChange={setLast}>
                {t('No more of it comes')}
            </Tick>
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
    const [amount, setAmount] = useState(row.open);
    const [note, setNote] = useState('');
    const [back, setBack] = useState(false);
    const [more, setMore] = useState(false);
    const posting = usePosting('/movements/issue', onDone);
    return (
        <Frame
            label={back ? t('Back from :order', { order }) : t('Issued to :order', { order })}
            decimals={row.decimals}
            unit={row.unit}
            amount={amount}
            onAmount={setAmount}
            note={note}
            onNote={setNote}
            noteLabel={more ? t('Reason') : t('Note')}
            button={back ? t('Take back') : t('Issue')}
            ready={!more || note.trim() !== ''}
            posting={posting}
            onSend={(qty) => posting.send({ order, parts: [{ line: row.line, qty: back ? `-${qty}` : qty }], more: more && !back, note })}
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

/** What a count has found; the books say what there is without it. */
export function CountForm({ detail, onDone }: { detail: PointDetail } & Telling) {
    const [amount, setAmount] = useState('');
    const [note, setNote] = useState('');
    const posting = usePosting('/movements/count', onDone);
    return (
        <Frame
            label={t('Counted (books: :qty)', { qty: qty(detail.stock, detail.decimals) })}
            decimals={detail.decimals}
            unit={detail.unit}
            amount={amount}
            onAmount={setAmount}
            note={note}
            onNote={setNote}
            button={t('Book it')}
            zero
            posting={posting}
            onSend={(found) => posting.send({ rows: [{ item: detail.item, site: detail.site, qty: found, books: detail.stock }], note })}
        />
    );
}

/** What went to the customer. */
export function ShipForm({ row, onDone }: { row: SalesRow } & Telling) {
    const [amount, setAmount] = useState(row.open);
    const [note, setNote] = useState('');
    const posting = usePosting('/movements/ship', onDone);
    return (
        <Frame
            label={t('Shipped')}
            decimals={row.decimals}
            unit={row.unit}
            amount={amount}
            onAmount={setAmount}
            note={note}
            onNote={setNote}
            button={t('Ship')}
            posting={posting}
            onSend={(qty) => posting.send({ lines: [{ order: row.order, line: row.line, qty }], note })}
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
