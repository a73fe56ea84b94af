import { useEffect, useState } from 'react';
import { getJson, Refusal } from '@/lib/http';

interface Loaded<T> {
    data: T | null;
    trouble: string | null;
}

/** Loads JSON for the inspector whenever the address changes; the old content stays until the new is there. */
export function useLoaded<T>(url: string | null, stamp?: unknown): Loaded<T> {
    const [loaded, setLoaded] = useState<Loaded<T>>({ data: null, trouble: null });

    useEffect(() => {
        if (url === null) {
            return;
        }
        const control = new AbortController();
        getJson<T>(url, {}, control.signal)
            .then((data) => setLoaded({ data, trouble: null }))
            .catch((cause: unknown) => {
                if (!control.signal.aborted) {
                    setLoaded({ data: null, trouble: cause instanceof Refusal ? cause.message : String(cause) });
                }
            });
        return () => control.abort();
    }, [url, stamp]);

    return url === null ? { data: null, trouble: null } : loaded;
}
