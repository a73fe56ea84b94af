import { day, isZero, qty } from '@/lib/format';
import type { JobRow } from '@/lib/shapes';
import { t, tn } from '@/lib/t';

export const hrefOf = (code: string) => `/jobs?${new URLSearchParams({ job: code }).toString()}`;
/** A cost; nothing where there is none. */
export const money = (value: string) => (isZero(value) ? '' : qty(value, 2));

/** When all of it is there, or that something is late or missing. */
export function stateOf(row: JobRow): string {
    if (row.late > 0) {
        return tn('1 line late', ':n lines late', row.late);
    }
    return row.expected === null ? '' : t('approved lines complete :day', { day: day(row.expected) });
}
