import type { BoardBar, BoardCentre, BoardOrder, BoardTable } from '@/lib/shapes';

export const DAY = 1440;

/** Minutes by which a bar moves at the least. */
export const SNAP = 15;

/** Height of the time above, and width of the names of centres. */
export const HEAD = 30;
export const NAMES = 112;

/** How much is told: words in the bars, bars, or only how full it is. */
export type Detail = 'words' | 'bars' | 'fill';

/** Pixels of a minute from which on there is room for words, and for single bars. */
const WORDS = 0.05;
const BARS = 0.011;

export const LEAST_SCALE = 0.004;
export const MOST_SCALE = 4;

const HEIGHTS: Record<Detail, number> = { words: 56, bars: 28, fill: 22 };

export function detailOf(scale: number): Detail {
    return scale >= WORDS ? 'words' : scale >= BARS ? 'bars' : 'fill';
}

/** A unit of a centre, as a row of the board. */
export interface Lane {
    centre: number;
    unit: number;
    top: number;
    height: number;
    /** Places of its bars in the table, by start. */
    bars: number[];
}

export function lanesOf(table: BoardTable, detail: Detail): Lane[] {
    const height = HEIGHTS[detail];
    const lanes: Lane[] = [];
    const first: number[] = [];
    table.centres.forEach((centre, place) => {
        first.push(lanes.length);
        for (let unit = 1; unit <= Math.max(1, centre.units); unit++) {
            lanes.push({ centre: place, unit, top: lanes.length * height, height, bars: [] });
        }
    });
    table.bars.forEach((bar, place) => {
        for (const unit of bar.units) {
            lanes[(first[bar.centre] ?? 0) + unit - 1]?.bars.push(place);
        }
    });
    return lanes;
}

/** What is looked at: the minute at the left edge of the time, pixels of a minute, the pixel of the lanes at the upper edge. */
export interface View {
    from: number;
    scale: number;
    top: number;
    width: number;
    height: number;
}

export const xOf = (view: View, minute: number) => NAMES + (minute - view.from) * view.scale;

export const minuteAt = (view: View, x: number) => view.from + (x - NAMES) / view.scale;

export function laneAt(lanes: Lane[], view: View, y: number): number {
    const height = lanes[0]?.height ?? 1;
    const at = Math.floor((y - HEAD + view.top) / height);
    return y < HEAD || at < 0 || at >= lanes.length ? -1 : at;
}

/** The first of a lane's bars that ends behind a minute; nothing of a unit stands on another, so that ends go up as starts do. */
export function firstEndingAfter(lane: Lane, bars: BoardBar[], minute: number): number {
    let low = 0;
    let high = lane.bars.length;
    while (low < high) {
        const middle = (low + high) >> 1;
        if ((bars[lane.bars[middle] ?? 0]?.end ?? 0) <= minute) {
            low = middle + 1;
        } else {
            high = middle;
        }
    }
    return low;
}

/** The place of the bar at a point; -1 where there is none. */
export function barAt(lanes: Lane[], bars: BoardBar[], view: View, x: number, y: number): number {
    const lane = lanes[laneAt(lanes, view, y)];
    if (!lane || x < NAMES) {
        return -1;
    }
    const slack = 3 / view.scale;
    const minute = minuteAt(view, x);
    for (let at = firstEndingAfter(lane, bars, minute - slack); at < lane.bars.length; at++) {
        const place = lane.bars[at] ?? -1;
        const bar = bars[place];
        if (!bar || bar.start > minute + slack) {
            return -1;
        }
        return place;
    }
    return -1;
}

/** When a unit is on, within the window. */
export function opensOf(centre: BoardCentre, unit: number): { from: number; to: number }[] {
    const open: { from: number; to: number }[] = [];
    for (const stretch of centre.open) {
        if (stretch.units !== null && !stretch.units.includes(unit)) {
            continue;
        }
        const last = open[open.length - 1];
        if (last?.to === stretch.from) {
            last.to = stretch.to;
        } else {
            open.push({ from: stretch.from, to: stretch.to });
        }
    }
    return open;
}

const STEPS = [60, 180, 360, 720, DAY, 7 * DAY, 28 * DAY];

/** The step of the time above in minutes, so that what is written there has room. */
export function stepOf(scale: number): number {
    return STEPS.find((step) => step * scale >= (step < 720 ? 44 : step === 720 ? 100 : 74)) ?? 28 * DAY;
}

export const keyOf = (order: BoardOrder | undefined, bar: BoardBar | undefined) => (order && bar ? `${order.of} ${bar.op}` : '');

/** The keys of the bars that stand elsewhere than they did. */
export function movedBetween(before: BoardTable, after: BoardTable): Set<string> {
    const stood = new Map(
        before.bars.map((bar) => [keyOf(before.orders[bar.order], bar), `${bar.centre} ${bar.units.join()} ${bar.start}`]),
    );
    const moved = new Set<string>();
    for (const bar of after.bars) {
        const key = keyOf(after.orders[bar.order], bar);
        const old = stood.get(key);
        if (old !== `${bar.centre} ${bar.units.join()} ${bar.start}`) {
            moved.add(key);
        }
    }
    return moved;
}

/** Whether an order is what was typed: by its code, item, customer or family. */
export function isMeant(order: BoardOrder, text: string): boolean {
    return [order.label, order.item, order.name, order.family, ...order.customers].some((part) => part.toLowerCase().includes(text));
}

export type Mark = 'late' | 'order' | 'customer' | 'family';

/** The orders that are marked with the one that is picked; null where nothing is to be marked. */
export function markedBy(mark: Mark, orders: BoardOrder[], picked: BoardOrder | undefined): Set<string> | null {
    if (mark === 'late' || !picked) {
        return null;
    }
    const alike = (order: BoardOrder) =>
        mark === 'order'
            ? order.of === picked.of
            : mark === 'customer'
              ? order.customers.some((customer) => picked.customers.includes(customer))
              : order.family !== '' && order.family === picked.family;
    return new Set(orders.filter(alike).map((order) => order.of));
}

/** The bar next to another: before or behind it on its lane, or on the next lane at about that time; -1 where there is none. */
export function nextBar(lanes: Lane[], bars: BoardBar[], at: number, key: string): number {
    const lane = lanes.findIndex((one) => one.bars.includes(at));
    const own = lanes[lane];
    const bar = bars[at];
    if (!own || !bar) {
        return lanes.find((one) => one.bars.length > 0)?.bars[0] ?? -1;
    }
    const place = own.bars.indexOf(at);
    if (key === 'ArrowLeft' || key === 'ArrowRight') {
        return own.bars[place + (key === 'ArrowRight' ? 1 : -1)] ?? at;
    }
    const step = key === 'ArrowDown' ? 1 : -1;
    for (let next = lane + step; next >= 0 && next < lanes.length; next += step) {
        const other = lanes[next];
        if (other && other.bars.length > 0 && !other.bars.includes(at)) {
            return other.bars[Math.min(firstEndingAfter(other, bars, bar.start), other.bars.length - 1)] ?? at;
        }
    }
    return at;
}
