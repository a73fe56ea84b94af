import type { DataGroup } from '@/components/DataTable';

/** Rows under what the server put them under, in its order. */
export function grouped<Row extends { group: string }>(rows: Row[], label: (first: Row) => string): DataGroup<Row>[] {
    const groups: DataGroup<Row>[] = [];
    for (const row of rows) {
        const last = groups.at(-1);
        if (last?.key === row.group) {
            last.rows.push(row);
        } else {
            groups.push({ key: row.group, label: label(row), rows: [row] });
        }
    }
    return groups;
}
