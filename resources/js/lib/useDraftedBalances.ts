import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useDraft } from '@/lib/draft';
import { postJson } from '@/lib/http';
import { useShared } from '@/lib/shared';
import type { DraftedBalances } from '@/lib/shapes';

/** By point and first day of the period, as decimal text. */
export type Balances = Record<string, Record<string, string>>;

const NONE: Balances = {};

/** A point as the server names it in its balances. */
export function pointKey(item: string, site: string): string {
    return `${item}\u001f${site}`;
}

interface View {
    bucket: string;
    as: string;
    /** Another figure of the grid than the balance. */
    show?: string;
}

/** The balances that the person's draft changes, of the points that are looked at. A study has none: the draft is of the live plan. */
export function useDraftedBalances(points: string[], { bucket, as, show = 'balance' }: View): Balances {
    const { plan } = useShared();
    const draft = useDraft();
    const wanted = useMemo(() => points.join('\n'), [points]);
    const idle = draft.state.lines.length === 0 || plan.study !== null || wanted === '';

    const { data } = useQuery({
        queryKey: ['drafted balances', wanted, bucket, as, show, draft.stamp],
        queryFn: async () => {
            const { balances } = await postJson<DraftedBalances>('/draft/balances', { points: wanted.split('\n'), bucket, as, show });
            return Array.isArray(balances) ? NONE : balances;
        },
        enabled: !idle,
        placeholderData: keepPreviousData,
    });

    return idle ? NONE : (data ?? NONE);
}
