import { WhyChanged } from '@/components/WhyChanged';
import { t, tn } from '@/lib/t';

/** Asks what of all that was written since made a line late by other days than in the plan before. */
export function WhyLate({ of }: { of: string }) {
    const days = (text: string) => tn('1 day late', ':n days late', Number(text));
    return (
        <WhyChanged
            url={`/why/line?${new URLSearchParams({ of }).toString()}`}
            say={({ before, after }) => t('Before: :before. Now: :after.', { before: days(before), after: days(after) })}
        />
    );
}
