import { useState } from 'react';
import { Button } from '@/components/Button';
import { NumberField } from '@/components/NumberField';
import { isZero } from '@/lib/format';
import { freshKey, postJson } from '@/lib/http';
import { readQuantity } from '@/lib/quantities';
import type { Told, WorkRow } from '@/lib/shapes';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';

interface Props {
    row: WorkRow;
    /** Of its order. */
    code: string;
    onDone: (message: string) => void;
    onBack: () => void;
}

/** What was done of an operation: started, so many good pieces, scrap with its reason, the time it took. */
export function ReportForm({ row, code, onDone, onBack }: Props) {
    const [done, setDone] = useState('');
    const [scrap, setScrap] = useState('');
    const [reason, setReason] = useState('');
    const [minutes, setMinutes] = useState('');
    const [note, setNote] = useState('');
    const [key] = useState(freshKey);
    const send = useCommand(
        (what: { done: string; scrap: string }) =>
            postJson<Told>('/worklist/report', {
                order: code,
                op: row.op,
                ...what,
                reason,
                minutes: /^\d+$/.test(minutes) ? Number(minutes) : null,
                note,
                key,
            }),
        ({ message }) => onDone(message),
    );
    const amount = readQuantity(done, row.decimals).value;
    const waste = scrap === '' ? '0' : readQuantity(scrap, row.decimals).value;
    const ready = amount !== null && waste !== null && (isZero(waste) || reason.trim() !== '') && (minutes === '' || /^\d+$/.test(minutes));
    return (
        <form
            aria-label={t('Report :order', { order: `${code} / ${row.op}` })}
            className="flex flex-wrap items-end gap-x-4 gap-y-2 rounded border border-line bg-paper px-3 py-2.5"
            onSubmit={(event) => {
                event.preventDefault();
                if (ready && !send.busy) {
                    send.send({ done: amount, scrap: waste });
                }
            }}
            onKeyDown={(event) => {
                if (event.key === 'Escape') {
                    event.stopPropagation();
                    onBack();
                }
            }}
        >
            <label className="flex flex-col text-sm text-mute">
                {t('Good')}
                <NumberField
                    value={done}
                    decimals={row.decimals}
                    unit={row.unit}
                    label={t('Good')}
                    onChange={setDone}
                    className="w-24 !text-lg"
                />
            </label>
            <label className="flex flex-col text-sm text-mute">
                {t('Scrap')}
                <NumberField value={scrap} decimals={row.decimals} label={t('Scrap')} onChange={setScrap} className="w-20" />
            </label>
            <Text label={t('Reason of the scrap')} value={reason} onChange={setReason} wide />
            <Text label={t('Minutes')} value={minutes} onChange={setMinutes} />
            <Text label={t('Note')} value={note} onChange={setNote} wide />
            <span className="flex gap-2">
                <Button type="submit" look="act" disabled={!ready || send.busy}>
                    {t('Write it')}
                </Button>
                {isZero(row.done) && (
                    <Button disabled={send.busy} onClick={() => send.send({ done: '0', scrap: '0' })}>
                        {t('Only started')}
                    </Button>
                )}
                <Button look="quiet" onClick={onBack}>
                    {t('Go back')}
                </Button>
            </span>
            {send.trouble && (
                <p role="alert" className="w-full font-semibold text-broken">
                    {send.trouble}
                </p>
            )}
        </form>
    );
}

function Text({
    label,
    value,
    onChange,
    wide = false,
}: {
    label: string;
    value: string;
    onChange: (text: string) => void;
    wide?: boolean;
}) {
    return (
        <label className="flex flex-col text-sm text-mute">
            {label}
            <input
                value={value}
                maxLength={120}
                onChange={(event) => onChange(event.target.value)}
                className={`h-[28px] rounded border border-line bg-surface px-2 text-ink ${wide ? 'w-44' : 'w-20'}`}
            />
        </label>
    );
}
