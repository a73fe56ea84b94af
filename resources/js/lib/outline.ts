/** A row of an outline: each stands after the row above it; those at the top have the parent -1. */
interface OutlineRow {
    id: number;
    parent: number;
    item: string;
    site: string;
}

/** A name for each row by the way to it, which stays the same when the rows are fetched anew. */
export function pathNames(rows: OutlineRow[]): string[] {
    const names: string[] = [];
    rows.forEach((row) => names.push(`${names[row.parent] ?? ''}/${row.item}@${row.site}`));
    return names;
}

/** The rows all of whose ancestors are open. */
export function visibleRows<Row extends OutlineRow>(rows: Row[], isOpen: (row: Row) => boolean): Row[] {
    const visible: Row[] = [];
    const open = new Set<number>([-1]);
    for (const row of rows) {
        if (open.has(row.parent)) {
            visible.push(row);
            if (isOpen(row)) {
                open.add(row.id);
            }
        }
    }
    return visible;
}
