import { useState } from 'react';
import { Button } from '@/components/Button';
import { DateField } from '@/components/DateField';
import { FIELD, Labelled } from '@/components/Labelled';
import { addDays } from '@/lib/format';
import { postJson } from '@/lib/http';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';

interface Props {
    order: string;
    /** Of what it takes; which of them is missing is asked where there are several. */
    parts: { line: string; item: string; name: string }[];
    onDone?: (message: string) => void;
}

/** Tells the planner that material of an order is not there, and until when. */
export function MissForm({ order, parts, onDone }: Props) {
    const { plan } = useShared();
    const [line, setLine] = useState(parts[0]?.line ?? '');
    const [until, setUntil] = useState(addDays(plan.planDate, 3));
    const [note, setNote] = useState('');
    const noted = t('Noted; the planner sees it on Today.');
    const miss = useCommand(
        () => postJson<object>('/missing', { order, line, until, note }),
        () => onDone?.(noted),
    );
    return (
        <>
            <form
                aria-label={t('Material of :order is missing', { order })}
                className="flex flex-wrap items-end gap-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    miss.send(undefined);
                }}
            >
                {parts.length > 1 && (
                    <Labelled label={t('What is missing')}>
                        <select value={line} onChange={(event) => setLine(event.target.value)} className={`${FIELD} max-w-64`}>
                            {parts.map((part) => (
                                <option key={part.line} value={part.line}>
                                    {part.item} {part.name}
                                </option>
                            ))}
                        </select>
                    </Labelled>
                )}
                <Labelled label={t('Missing until')}>
                    <DateField value={until} min={plan.planDate} onChange={setUntil} />
                </Labelled>
                <Labelled label={t('Note')}>
                    <input value={note} maxLength={190} onChange={(event) => setNote(event.target.value)} className={`${FIELD} w-36`} />
                </Labelled>
                <Button type="submit" disabled={miss.busy}>
                    {t('Tell the planner')}
                </Button>
            </form>
            {miss.answer && !onDone && (
                <p role="status" className="text-act">
                    {noted}
                </p>
            )}
            {miss.trouble && (
                <p role="alert" className="text-broken">
                    {miss.trouble}
                </p>
            )}
        </>
    );
}
