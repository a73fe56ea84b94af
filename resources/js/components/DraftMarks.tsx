import { PencilLine } from 'lucide-react';
import { day } from '@/lib/format';
import { useDraft } from '@/lib/draft';
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
    const drafted = useDraft().marks[reference]?.due;
    if (!drafted || drafted === due) {
        return <>{day(due, today)}</>;
    }
    return (
        <span title={t('Drafted; it stands on :day', { day: day(due, today) })}>
            <s className="text-xs font-normal text-mute">{day(due, today).slice(4)}</s>{' '}
            <strong className="text-draft">{day(drafted, today)}</strong>
        </span>
    );
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
