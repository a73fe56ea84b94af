import { useEffect, useState } from 'react';
import type { FoundRemedy, RemedyRow } from '@/lib/shapes';
import { t } from '@/lib/t';

export interface Remedies {
    rows: RemedyRow[];
    looking: boolean;
    trouble: string | null;
}

/** The remedies of a need as the server finds them, those that cost others least first. */
export function useRemedies(identity: string | null, item: string, stamp: number): Remedies {
    const [state, setState] = useState<{ found: FoundRemedy[]; looking: boolean; trouble: string | null }>({
        found: [],
        looking: false,
        trouble: null,
    });

    useEffect(() => {
        if (identity === null) {
            return;
        }
        const control = new AbortController();
        const look = async () => {
            setState({ found: [], looking: true, trouble: null });
            const query = new URLSearchParams({ identity, item }).toString();
            const response = await fetch(`/shortages/remedies?${query}`, {
                signal: control.signal,
                headers: { Accept: 'application/json' },
            });
            if (!response.ok || !response.body) {
                throw new Error(t('The remedies could not be worked out.'));
            }
            const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
            let rest = '';
            for (;;) {
                const { done, value } = await reader.read();
                const lines = (rest + (value ?? '')).split('\n');
                rest = lines.pop() ?? '';
                const found: FoundRemedy[] = [];
                for (const line of lines) {
                    const one = JSON.parse(line) as FoundRemedy & { trouble?: string };
                    if (one.trouble) {
                        throw new Error(one.trouble);
                    }
                    found.push(one);
                }
                if (found.length > 0) {
                    setState((old) => ({ ...old, found: [...old.found, ...found].sort(cheaper) }));
                }
                if (done) {
                    break;
                }
            }
            setState((old) => ({ ...old, looking: false }));
        };
        look().catch((cause: unknown) => {
            if (!control.signal.aborted) {
                setState((old) => ({ ...old, looking: false, trouble: cause instanceof Error ? cause.message : String(cause) }));
            }
        });
        return () => control.abort();
    }, [identity, item, stamp]);

    return { rows: state.found.map((one) => one.row), looking: state.looking, trouble: state.trouble };
}

/** Orders remedies by their cost to others, place by place; for sorting. */
export function cheaper(one: FoundRemedy, other: FoundRemedy): number {
    for (const [place, cost] of one.cost.entries()) {
        const difference = cost - (other.cost[place] ?? 0);
        if (difference !== 0) {
            return difference;
        }
    }
    return 0;
}
