import { router } from '@inertiajs/react';
import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { getJson } from '@/lib/http';
import type { RunState } from '@/lib/shapes';

const ASK_EVERY = 300;

const isOver = (state: RunState | undefined) => state?.status === 'done' || state?.status === 'failed';

/** When a run is over, the page shows the new plan. */
export function settled(state: RunState): void {
    if (isOver(state)) {
        router.reload();
    }
}

/** Asks after a run until it is over; then the page shows the new plan. Where asking fails it is asked again, less often. */
export function useWatchedRun(run: number | null, tell: (state: RunState) => void): void {
    const { data } = useQuery({
        queryKey: ['run', run],
        queryFn: ({ signal }) => getJson<RunState>(`/runs/${run}`, {}, signal),
        enabled: run !== null,
        refetchInterval: ({ state }) => (isOver(state.data) ? false : state.status === 'error' ? ASK_EVERY * 10 : ASK_EVERY),
        gcTime: 0,
    });
    useEffect(() => {
        if (data) {
            tell(data);
            settled(data);
        }
    }, [data, tell]);
}
