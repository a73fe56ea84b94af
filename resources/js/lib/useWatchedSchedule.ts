import { useQuery, useQueryClient } from '@tanstack/react-query';
import { getJson } from '@/lib/http';
import type { ScheduleState } from '@/lib/shapes';

const ASK_EVERY = 400;

export const isUnderWay = (state: ScheduleState | null) => state?.status === 'queued' || state?.status === 'running';

/** A schedule that is asked after until it is made; `put` takes in what a command has answered. */
export function useWatchedSchedule(first: ScheduleState | null): [ScheduleState | null, (state: ScheduleState) => void] {
    const client = useQueryClient();
    const { data } = useQuery({
        queryKey: ['schedule'],
        queryFn: ({ signal }) => {
            const known = client.getQueryData<ScheduleState>(['schedule']) ?? first;
            return known === null ? null : getJson<ScheduleState>(`/schedules/${known.id}`, {}, signal);
        },
        initialData: first,
        enabled: (query) => isUnderWay(query.state.data ?? null),
        refetchInterval: ({ state }) => (isUnderWay(state.data ?? null) ? (state.status === 'error' ? ASK_EVERY * 10 : ASK_EVERY) : false),
        gcTime: 0,
        staleTime: Infinity,
    });
    return [data, (state) => client.setQueryData(['schedule'], state)];
}
