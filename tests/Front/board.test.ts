import { describe, expect, it } from 'vitest';
import {
    barAt,
    detailOf,
    firstEndingAfter,
    HEAD,
    isMeant,
    laneAt,
    lanesOf,
    markedBy,
    minuteAt,
    movedBetween,
    NAMES,
    nextBar,
    opensOf,
    stepOf,
    type View,
    xOf,
} from '@/lib/board';
import { curveOf, edgeAt, edgesOf, isInHeight } from '@/lib/boardEdges';
import type { BoardBar, BoardOrder, BoardTable } from '@/lib/shapes';

const order = (of: string, more: Partial<BoardOrder> = {}): BoardOrder => ({
    of,
    label: of.replace('order:', ''),
    item: 'HEAD',
    name: 'Head',
    qty: '8',
    unit: 'pc',
    state: 'firm',
    family: '',
    customers: [],
    target: null,
    way: '',
    late: 0,
    isPlaced: true,
    isDrafted: false,
    due: '2026-03-10',
    ...more,
});

const bar = (which: number, centre: number, units: number[], start: number, end: number): BoardBar => ({
    order: which,
    op: 10,
    centre,
    units,
    start,
    end,
    ready: null,
    done: '0',
    place: 'kept',
});

const table: BoardTable = {
    from: 0,
    to: 56 * 1440,
    frozen: null,
    centres: [
        {
            code: 'BENCH',
            name: 'Bench',
            site: 'MAIN',
            units: 2,
            open: [
                { from: 360, to: 600, units: null },
                { from: 600, to: 840, units: [2] },
            ],
        },
        { code: 'OVEN', name: 'Oven', site: 'MAIN', units: 1, open: [] },
    ],
    orders: [
        order('order:M1', { customers: ['Pier 9'], family: 'WS' }),
        order('order:M2', { customers: ['Pier 9', 'Quay'], item: 'ROD' }),
        order('order:M3', { family: 'WS' }),
    ],
    bars: [bar(0, 0, [1], 360, 600), bar(1, 0, [2], 400, 500), bar(2, 0, [1], 700, 900), { ...bar(0, 1, [1], 610, 640), op: 20 }],
    waiting: [],
    waitingCount: 0,
    late: 0,
    stamp: '1',
};

const view: View = { from: 300, scale: 0.5, top: 0, width: 800, height: 400 };

describe('the board', () => {
    it('has a row for each unit, and tells as much as there is room for', () => {
        const lanes = lanesOf(table, 'words');
        expect(lanes.map((lane) => [lane.centre, lane.unit, lane.bars])).toEqual([
            [0, 1, [0, 2]],
            [0, 2, [1]],
            [1, 1, [3]],
        ]);
        expect([0.6, 0.022, 0.0075].map(detailOf)).toEqual(['words', 'bars', 'fill']);
        expect([0.6, 0.09, 0.022, 0.0075].map(stepOf)).toEqual([180, 1440, 7 * 1440, 7 * 1440]);
    });

    it('knows when each unit is on, stretches that touch as one', () => {
        const [bench] = table.centres;
        expect(bench && opensOf(bench, 1)).toEqual([{ from: 360, to: 600 }]);
        expect(bench && opensOf(bench, 2)).toEqual([{ from: 360, to: 840 }]);
    });

    it('finds the bar under a point, and nothing beside it', () => {
        const lanes = lanesOf(table, 'words');
        const at = (minute: number, lane: number) => barAt(lanes, table.bars, view, xOf(view, minute), HEAD + lane * 56 + 20);
        expect([at(400, 0), at(650, 0), at(750, 0), at(450, 1), at(620, 2)]).toEqual([0, -1, 2, 1, 3]);
        expect(barAt(lanes, table.bars, view, NAMES - 5, HEAD + 20)).toBe(-1);
        expect([laneAt(lanes, view, HEAD - 1), laneAt(lanes, view, HEAD + 60), laneAt(lanes, view, HEAD + 3 * 56)]).toEqual([-1, 1, -1]);
        expect(minuteAt(view, xOf(view, 777))).toBe(777);
        const [lane] = lanes;
        expect(lane && [0, 600, 899, 900].map((minute) => firstEndingAfter(lane, table.bars, minute))).toEqual([0, 1, 1, 2]);
    });

    it('goes from bar to bar in time and from row to row', () => {
        const lanes = lanesOf(table, 'words');
        const next = (at: number, key: string) => nextBar(lanes, table.bars, at, key);
        expect([next(-1, 'ArrowRight'), next(0, 'ArrowRight'), next(2, 'ArrowRight'), next(2, 'ArrowLeft')]).toEqual([0, 2, 2, 0]);
        expect([next(0, 'ArrowDown'), next(1, 'ArrowDown'), next(3, 'ArrowUp'), next(0, 'ArrowUp')]).toEqual([1, 3, 1, 0]);
    });

    it('tells what stands elsewhere than it did, and what is new', () => {
        const after = { ...table, bars: [bar(0, 0, [1], 375, 615), ...table.bars.slice(1)] };
        expect([...movedBetween(table, after)]).toEqual(['order:M1 10']);
        expect(movedBetween(table, table).size).toBe(0);
        expect(movedBetween({ ...table, bars: [] }, table).size).toBe(4);
    });

    it('marks what shares an order, a customer or a family, and finds by any of its words', () => {
        const [m1, m2, m3] = table.orders;
        expect(markedBy('late', table.orders, m1)).toBeNull();
        expect(markedBy('customer', table.orders, undefined)).toBeNull();
        expect([...(markedBy('order', table.orders, m1) ?? [])]).toEqual(['order:M1']);
        expect([...(markedBy('customer', table.orders, m1) ?? [])]).toEqual(['order:M1', 'order:M2']);
        expect([...(markedBy('family', table.orders, m3) ?? [])]).toEqual(['order:M1', 'order:M3']);
        expect([...(markedBy('family', table.orders, m2) ?? [])]).toEqual([]);
        expect(m2 && ['rod', 'quay', 'm2', 'ws'].map((text) => isMeant(m2, text))).toEqual([true, true, true, false]);
    });

    it('names links where they leave the picture, none over another, and finds the name under a point', () => {
        const lanes = lanesOf(table, 'words');
        const [m1, m2, m3, oven] = table.bars;
        if (!m1 || !m2 || !m3 || !oven) {
            throw new Error('no bars');
        }
        const narrow: View = { from: 660, scale: 0.5, top: 0, width: 300, height: 150 };
        const link = (bar: number, from: BoardBar, to: BoardBar, isFrom: boolean) => {
            const curve = curveOf(lanes, narrow, from, to);
            if (!curve) {
                throw new Error('no row');
            }
            return { bar, label: `b${bar}`, curve, isFrom };
        };
        const edges = edgesOf(narrow, [link(0, m1, m3, true), link(1, m2, m3, true), link(2, m2, m3, false)], (label) => label.length * 7);
        expect(edges.map((edge) => [edge.bar, edge.side])).toEqual([
            [0, 'left'],
            [1, 'left'],
        ]);
        expect(edges.every((edge) => edge.x === NAMES + 3 && edge.y >= HEAD)).toBe(true);
        expect(Math.abs((edges[0]?.y ?? 0) - (edges[1]?.y ?? 0))).toBeGreaterThanOrEqual(20);
        expect(edgeAt(edges, NAMES + 5, (edges[1]?.y ?? 0) + 3)?.bar).toBe(1);
        expect(edgeAt(edges, NAMES + 200, (edges[1]?.y ?? 0) + 3)).toBeUndefined();
        // below: the oven's row is under the lower edge
        const low: View = { from: 300, scale: 0.5, top: 0, width: 900, height: HEAD + 100 };
        const down = curveOf(lanes, low, m1, oven);
        expect(down && isInHeight(low, down, true)).toBe(true);
        expect(down && isInHeight(low, down, false)).toBe(false);
        const [below] = down ? edgesOf(low, [{ bar: 3, label: 'oven', curve: down, isFrom: false }], () => 40) : [];
        expect(below).toMatchObject({ bar: 3, side: 'below' });
        expect((below?.y ?? 0) + 20).toBeLessThanOrEqual(low.height);
    });
});
