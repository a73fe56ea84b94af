import { router } from '@inertiajs/react';
import { useEffect } from 'react';
import { getJson } from '@/lib/http';
import type { RunState } from '@/lib/shapes';

const ASK_EVERY = 300;

/** When a run is over, the page shows the new plan. */
export function settled(state: RunState): void {
    if (state.status === 'done' || state.status === 'failed') {
        router.reload();
    }
}

/** Asks after a run until it is over; then the page shows the new plan. */
export function useWatchedRun(run: number | null, tell: (state: RunState) => void): void {
    useEffect(() => {
        if (run === null) {
            return;
        }
        let timer: ReturnType<typeof setTimeout>;
        let over = false;
        const ask = () => {
            getJson<RunState>(`/runs/${run}`)
                .then((state) => {
                    if (over) {
                        return;
                    }
                    tell(state);
                    if (state.status === 'done' || state.status === 'failed') {
                        settled(state);
                    } else {
                        timer = setTimeout(ask, ASK_EVERY);
                    }
                })
                .catch(() => {
                    timer = setTimeout(ask, ASK_EVERY * 10);
                });
        };
        timer = setTimeout(ask, ASK_EVERY);
        return () => {
            over = true;
            clearTimeout(timer);
        };
    }, [run, tell]);
}
