import { day } from '@/lib/format';
import type { ShortageRow } from '@/lib/shapes';
import { t } from '@/lib/t';
import { NEED_STATES } from '@/lib/words';

/** Whether a row is one that the filters leave: covered needs only when they are asked for. */
export function fits(row: ShortageRow, filter: Record<string, string>): boolean {
    const text = (filter.q ?? '').toLowerCase();
    if (filter.state ? row.state !== filter.state : row.state === 'covered') {
        return false;
    }
    return text === '' || [row.item, row.name, row.consumer.label, ...row.lines].some((part) => part.toLowerCase().includes(text));
}

/** Rows under one heading. */
export type Group = { key: string; label: string; rows: ShortageRow[] };

/** Rows by what they wait for, the worst first, by the order that needs them, or under each sales line that they are for. */
export function grouped(rows: ShortageRow[], by: string): Group[] {
    const groups = new Map<string, Group>();
    const put = (key: string, label: string, row: ShortageRow) => {
        const group = groups.get(key) ?? { key, label, rows: [] };
        group.rows.push(row);
        groups.set(key, group);
    };
    const states = Object.keys(NEED_STATES);
    for (const row of by === 'component' ? [...rows].sort((a, b) => states.indexOf(a.state) - states.indexOf(b.state)) : rows) {
        if (by === 'order') {
            const label = row.consumerDue ? `${row.consumer.label}, ${day(row.consumerDue)}` : row.consumer.label;
            put(label, label, row);
        } else if (by === 'customer') {
            row.lines.forEach((line) => put(line, line, row));
        } else {
            put(row.state, t(NEED_STATES[row.state]), row);
        }
    }
    return [...groups.values()];
}
