import { useEffect, useState } from 'react';
import { t } from '@/lib/t';

export interface Remedies<Found> {
    found: Found[];
    looking: boolean;
    trouble: string | null;
}

/** Remedies as the server finds them, those that cost others least first; nothing is asked without an address. */
export function useRemedies<Found extends { cost: number[] }>(url: string | null, stamp: number): Remedies<Found> {
    const [state, setState] = useState<Remedies<Found>>({
        found: [],
        looking: false,
        trouble: null,
    });

    useEffect(() => {
        if (url === null) {
            return;
        }
        const control = new AbortController();
        const look = async () => {
            setState({ found: [], looking: true, trouble: null });
            const response = await fetch(url, {
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
                const found: Found[] = [];
                for (const line of lines) {
                    const one = JSON.parse(line) as Found & { trouble?: string };
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
    }, [url, stamp]);

    return state;
}

/** Where the remedies of a need are told; null where nothing of it can be worked out. */
export function remediesOf(identity: string | null, item: string): string | null {
    return identity === null ? null : `/shortages/remedies?${new URLSearchParams({ identity, item }).toString()}`;
}

/** Orders remedies by their cost to others, place by place; for sorting. */
export function cheaper(one: { cost: number[] }, other: { cost: number[] }): number {
    for (const [place, cost] of one.cost.entries()) {
        const difference = cost - (other.cost[place] ?? 0);
        if (difference !== 0) {
            return difference;
        }
    }
    return 0;
}
