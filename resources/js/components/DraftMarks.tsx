import { History, PencilLine } from 'lucide-react';
import { DraftedQuantity } from '@/components/DraftedQuantity';
import { day } from '@/lib/format';
import { useDraft } from '@/lib/draft';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';

/** What the draft makes of something, in violet beside what stands. */
export function DraftMarks({ reference }: { reference: string }) {
    const mark = useDraft().marks[reference];
    return mark ? (
        <p className="mt-2 rounded bg-draft-tint px-2.5 py-1 text-sm font-semibold text-draft">
            {t('Drafted: :what', { what: mark.text })}
        </p>
    ) : null;
}

/** A date as it is drafted, with what stands struck out beside it. */
export function DraftedDay({ reference, due, today }: { reference: string; due: string; today: string }) {
    return <Replaced was={due} is={useDraft().marks[reference]?.due ?? undefined} today={today} />;
}

/** When something is expected; in violet, beside what stands, where the draft moves it. */
export function DraftedExpected({ reference, expected, today }: { reference: string; expected: string | null; today: string }) {
    return <Replaced was={expected} is={useDraft().state.expected[reference]?.day} today={today} />;
}

/** @param is what the draft makes of it; null where nothing is left of it, undefined where it stays */
function Replaced({ was, is, today }: { was: string | null; is: string | null | undefined; today: string }) {
    const say = (iso: string | null) => (iso === null ? t('not covered') : day(iso, today));
    if (is === undefined || is === was) {
        return <>{was === null ? '' : day(was, today)}</>;
    }
    return (
        <span title={t('Drafted; it stands on :day', { day: say(was) })}>
            {was !== null && <s className="text-xs font-normal text-mute">{day(was, today).slice(4)}</s>}{' '}
            <strong className="text-draft">{say(is)}</strong>
        </span>
    );
}

/** An order's quantity as it is drafted, with what stands struck out beside it. */
export function DraftedOrdered({ reference, value, decimals }: { reference: string; value: string; decimals: number }) {
    return <DraftedQuantity value={value} drafted={useDraft().marks[reference]?.qty ?? undefined} decimals={decimals} />;
}

/** A mark on what was changed after the plan was made: what the plan says of it is from before. */
export function Touched({ reference }: { reference: string }) {
    return useShared().touched.includes(reference) ? (
        <span title={t('Changed since this plan was made; what it says here is from before.')}>
            <History
                size={13}
                className="ml-1 inline text-look-ink"
                aria-label={t('Changed since this plan was made; what it says here is from before.')}
            />
        </span>
    ) : null;
}

/** The same in words, where there is room for them. */
export function TouchedNote({ reference }: { reference: string }) {
    return useShared().touched.includes(reference) ? (
        <p className="mt-1 rounded bg-look-tint px-2.5 py-1 text-sm text-look-ink">
            {t('Changed since this plan was made; what it says here is from before.')}
        </p>
    ) : null;
}

/** A violet pencil on a row of which something is drafted; it tells what. */
export function DraftPencil({ reference }: { reference: string }) {
    const mark = useDraft().marks[reference];
    return mark ? (
        <span title={t('Drafted: :what', { what: mark.text })}>
            <PencilLine size={13} className="ml-1 inline text-draft" aria-label={t('Drafted: :what', { what: mark.text })} />
        </span>
    ) : null;
}
