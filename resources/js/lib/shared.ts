import type { ChangeRow } from '@/lib/shapes';
import { router, usePage } from '@inertiajs/react';

/** What every page knows. */
export interface Shared {
    [key: string]: unknown;
    user: { name: string; role: string; can: string[] };
    sites: { code: string; name: string }[];
    site: string;
    plan: {
        id: number | null;
        finishedAt: string | null;
        changes: number;
        planDate: string;
        madeFor: string | null;
        running: number | null;
        study: { id: number; name: string } | null;
    };
    changes: ChangeRow[];
    studies: { id: number; name: string; planned: boolean }[];
    runDefaults: { horizonEnd: string | null; bucket: string; forecasts: string[] };
    forecastNames: string[];
    draft: { lines: number; version: number; others: string[] };
    counts: { proposals: number; messages: number };
    trouble: string | null;
}

export function useShared(): Shared {
    return usePage<Shared>().props;
}

/** Goes to the same page with other filters; what is empty or the default stays out of the URL. */
export function refilter(
    path: string,
    filter: Record<string, string>,
    changes: Record<string, string>,
    defaults: Record<string, string>,
): void {
    const next = Object.fromEntries(
        Object.entries({ ...filter, ...changes }).filter(([name, value]) => value !== '' && value !== defaults[name]),
    );
    router.get(path, next, { preserveState: true, preserveScroll: true, replace: true });
}
