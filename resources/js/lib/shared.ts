import type { Shared } from '@/lib/shapes';
import { router, usePage } from '@inertiajs/react';

/** What every page knows, and why the last thing could not be done. */
export function useShared(): Shared & { trouble: string | null } {
    return usePage<{ [prop: string]: unknown } & Shared & { trouble: string | null }>().props;
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
