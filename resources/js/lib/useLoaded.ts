import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { getJson } from '@/lib/http';

interface Loaded<T> {
    data: T | null;
    trouble: string | null;
    /** Whether it is still what was asked for before. */
    isOld: boolean;
}

/** Loads JSON whenever the address or the stamp changes; the old content stays until the new is there. */
export function useLoaded<T>(url: string | null, stamp?: string | number | null): Loaded<T> {
    const { data, error, isPlaceholderData } = useQuery<T>({
        queryKey: [url, stamp ?? null],
        queryFn: ({ signal }) => getJson<T>(url ?? '', {}, signal),
        enabled: url !== null,
        placeholderData: keepPreviousData,
    });
    return url === null
        ? { data: null, trouble: null, isOld: false }
        : { data: error ? null : (data ?? null), trouble: error?.message ?? null, isOld: isPlaceholderData };
}
