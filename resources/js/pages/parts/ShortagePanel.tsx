import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { CoverStrip } from '@/components/CoverStrip';
import { MaybeLink } from '@/components/MaybeLink';
import { PanelHead } from '@/components/PanelHead';
import { PeggingLink } from '@/components/PeggingLink';
import { WaysOut } from '@/components/WaysOut';
import { useDraft } from '@/lib/draft';
import { day, isZero, qty } from '@/lib/format';
import { postJson, Refusal } from '@/lib/http';
import type { ShortageRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { remediesOf } from '@/lib/useRemedies';
import { itemHref } from '@/pages/parts/ItemPanel';

/** One shortage: how it is covered, what could be done and what each would cost others. Choosing drafts it. */
export function ShortagePanel({ row, solved, onClose }: { row: ShortageRow; solved: boolean; onClose: () => void }) {
    const { plan } = useShared();
    const draft = useDraft();
    const [reason, setReason] = useState(row.accepted ?? '');
    const [accepted, setAccepted] = useState(row.accepted);
    const [refused, setRefused] = useState<string | null>(null);
    const { subject } = row;
    const accept = (text: string) =>
        postJson<unknown>('/shortages/accept', { identity: row.identity, reason: text })
            .then(() => {
                setAccepted(text === '' ? null : text);
                setRefused(null);
            })
            .catch((cause: unknown) => setRefused(cause instanceof Refusal ? cause.message : String(cause)));
    return (
        <>
            <PanelHead
                title={
                    solved
                        ? t(':item is covered with your draft', { item: row.item })
                        : t(':qty :unit of :item short', { qty: qty(row.short), unit: row.unit, item: row.item })
                }
                href={itemHref(row.item, row.site)}
                onClose={onClose}
            />
            <p>
                <MaybeLink to={row.consumer} />
                {`, ${t('needed :day', { day: day(row.date, plan.planDate) })}`}
            </p>
            {!solved && (
                <>
                    <div className="mt-2">
                        <CoverStrip strip={row.strip} width={312} showDate />
                    </div>
                    <p className="mt-1 text-mute">{row.served}.</p>
                </>
            )}
            <p className="mt-1 text-mute">{t('For :whom', { whom: row.hits.join(', ') })}</p>
            {subject && (
                <p className="mt-1 flex gap-4">
                    <PeggingLink of={subject} />
                    <Link href={`/complete?of=${encodeURIComponent(subject)}`} className="font-semibold text-act hover:underline">
                        {t('Check another date')}
                    </Link>
                </p>
            )}
            {!solved && (
                <WaysOut
                    title={t('What could be done, and what it costs others')}
                    url={remediesOf(isZero(row.short) ? null : row.identity, row.item)}
                    nothing={t('Nothing that could be planned would help: :why. It can be left, with a reason.', { why: row.because })}
                />
            )}
            {draft.may && !solved && (
                <form
                    className="mt-3 border-t border-line pt-3"
                    onSubmit={(event) => {
                        event.preventDefault();
                        void accept(reason);
                    }}
                >
                    <label className="block text-xs font-bold text-mute" htmlFor="accept-reason">
                        {t('Leave it, with a reason')}
                    </label>
                    <div className="mt-1 flex gap-2">
                        <input
                            id="accept-reason"
                            value={reason}
                            required
                            maxLength={190}
                            onChange={(event) => setReason(event.target.value)}
                            className="h-[30px] min-w-0 flex-1 rounded border border-line bg-surface px-2"
                        />
                        {accepted ? (
                            <Button onClick={() => void accept('')}>{t('Take back')}</Button>
                        ) : (
                            <Button type="submit">{t('Accept')}</Button>
                        )}
                    </div>
                    {accepted && <p className="mt-1 text-sm text-mute">{t('Accepted: :reason', { reason: accepted })}</p>}
                    {refused && <p className="mt-1 text-broken">{refused}</p>}
                </form>
            )}
        </>
    );
}
