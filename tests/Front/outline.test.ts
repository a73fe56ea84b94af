import { expect, it } from 'vitest';
import { pathNames, visibleRows } from '@/lib/outline';

const rows = [
    { id: 0, parent: -1, item: 'BOX', site: 'MAIN' },
    { id: 1, parent: 0, item: 'DOOR', site: 'MAIN' },
    { id: 2, parent: 1, item: 'PIN', site: 'MAIN' },
    { id: 3, parent: 0, item: 'PIN', site: 'MAIN' },
    { id: 4, parent: -1, item: 'LID', site: 'SIDE' },
];

it('names rows by the way to them, so that two of one item differ', () => {
    expect(pathNames(rows)).toEqual([
        '/BOX@MAIN',
        '/BOX@MAIN/DOOR@MAIN',
        '/BOX@MAIN/DOOR@MAIN/PIN@MAIN',
        '/BOX@MAIN/PIN@MAIN',
        '/LID@SIDE',
    ]);
});

it('shows what stands below open rows only', () => {
    const shown = (...open: number[]) => visibleRows(rows, (row) => open.includes(row.id)).map((row) => row.id);
    expect(shown()).toEqual([0, 4]);
    expect(shown(0)).toEqual([0, 1, 3, 4]);
    expect(shown(0, 1)).toEqual([0, 1, 2, 3, 4]);
    expect(shown(1)).toEqual([0, 4]);
});
