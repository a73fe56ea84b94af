import { readQuantity, sumOf } from '@/lib/quantities';
import type { ProposalGroup, ProposalRow } from '@/lib/shapes';
import type { Edit } from '@/pages/parts/ProposalTable';

/** What several proposals of one item become. */
export interface Merged {
    /** What the first of each item is ordered in, by number. */
    quantities: Map<number, string>;
    /** Those that are taken along. */
    rest: number[];
}

/** What the way is called in which it is proposed. */
export function wayOf(row: ProposalRow): string {
    return row.kind === 'make' ? 'make' : `${row.kind}:${(row.kind === 'buy' ? row.supplier : row.fromSite) ?? ''}`;
}

/** What several of one item from one place become where the first takes the others along; null where there are no several. */
export function mergedOf(chosen: ProposalRow[], edits: ReadonlyMap<number, Edit>): Merged | null {
    const groups = new Map<string, ProposalRow[]>();
    for (const row of chosen) {
        const key = [row.item, row.site, edits.get(row.number)?.way ?? wayOf(row)].join(' ');
        groups.set(key, [...(groups.get(key) ?? []), row]);
    }
    const quantities = new Map<number, string>();
    const rest: number[] = [];
    for (const group of groups.values()) {
        const [first, ...others] = group.sort((a, b) => a.wanted.localeCompare(b.wanted) || a.number - b.number);
        if (first !== undefined && others.length > 0) {
            const own = (row: ProposalRow) => readQuantity(edits.get(row.number)?.qty ?? row.qty, 6).value ?? row.qty;
            quantities.set(first.number, sumOf(group.map(own)));
            rest.push(...others.map((row) => row.number));
        }
    }
    return rest.length === 0 ? null : { quantities, rest };
}

/** The headings of all that is loaded; one that goes over a page stands once. */
export function underOne(groups: ProposalGroup[]): ProposalGroup[] {
    const byKey = new Map<string, ProposalGroup>();
    for (const group of groups) {
        const before = byKey.get(group.key);
        byKey.set(group.key, before ? { ...before, rows: [...before.rows, ...group.rows] } : group);
    }
    return [...byKey.values()];
}
