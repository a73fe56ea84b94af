import { HEAD, type Lane, NAMES, type View, xOf } from '@/lib/board';
import type { BoardBar } from '@/lib/shapes';

/** A link of the picture; bend is how far it goes straight on at its ends. */
export interface Curve {
    x: number;
    y: number;
    toX: number;
    toY: number;
    bend: number;
}

/** A link that leaves the picture: the bar to which it leads, and where its name stands at the edge. */
export interface Edge {
    /** The place of the bar in the table. */
    bar: number;
    label: string;
    side: 'left' | 'right' | 'above' | 'below';
    x: number;
    y: number;
    width: number;
}

export const EDGE_HEIGHT = 20;

const GAP = 3;

/** Points of a curve that are looked at to find where it leaves the picture. */
const STEPS = 48;

/** So many are named; the panel has all. */
const MOST = 10;

/** The curve of a link, from the end of one bar to the beginning of the other; null where one has no row. */
export function curveOf(lanes: Lane[], view: View, from: BoardBar, to: BoardBar): Curve | null {
    const laneOf = (bar: BoardBar) => lanes.find((lane) => lane.centre === bar.centre && lane.unit === bar.units[0]);
    const [a, b] = [laneOf(from), laneOf(to)];
    if (!a || !b) {
        return null;
    }
    const [x, y] = [xOf(view, from.end), HEAD + a.top - view.top + Math.min(25, a.height / 2)];
    const [toX, toY] = [xOf(view, to.start), HEAD + b.top - view.top + Math.min(25, b.height / 2)];
    return { x, y, toX, toY, bend: Math.max(14, Math.min(60, Math.abs(toX - x) / 2)) };
}

/** Where links go that lead to bars out of sight, each named where it leaves the picture, none over another. */
export function edgesOf(
    view: View,
    ends: { bar: number; label: string; curve: Curve; isFrom: boolean }[],
    widthOf: (label: string) => number,
): Edge[] {
    const placed: Edge[] = [];
    for (const { bar, label, curve, isFrom } of ends) {
        const [x, y] = isFrom ? [curve.x, curve.y] : [curve.toX, curve.toY];
        const side = x < NAMES ? 'left' : x > view.width ? 'right' : y < HEAD ? 'above' : y > view.height ? 'below' : null;
        if (side === null || placed.length === MOST || placed.some((edge) => edge.bar === bar)) {
            continue;
        }
        const width = Math.ceil(widthOf(label)) + 14;
        const last = leaves(view, curve, isFrom);
        const edge: Edge = {
            bar,
            label,
            side,
            width,
            x: within(side === 'left' ? 0 : side === 'right' ? view.width : last.x - width / 2, NAMES + GAP, view.width - width - GAP),
            y: within(last.y - EDGE_HEIGHT / 2, HEAD + GAP, view.height - EDGE_HEIGHT - GAP),
        };
        placed.push(free(edge, placed, view));
    }
    return placed;
}

/** Whether the row at one end of a curve is in sight. */
export function isInHeight(view: View, curve: Curve, isFrom: boolean): boolean {
    const y = isFrom ? curve.y : curve.toY;
    return y >= HEAD && y <= view.height;
}

/** The last point of a curve in sight, as one goes along it to the end that is not. */
function leaves(view: View, { x, y, toX, toY, bend }: Curve, isFrom: boolean): { x: number; y: number } {
    let last = isFrom ? { x: toX, y: toY } : { x, y };
    for (let step = 1; step <= STEPS; step++) {
        const part = isFrom ? 1 - step / STEPS : step / STEPS;
        const left = 1 - part;
        const at = {
            x: left ** 3 * x + 3 * left ** 2 * part * (x + bend) + 3 * left * part ** 2 * (toX - bend) + part ** 3 * toX,
            y: left ** 3 * y + 3 * left ** 2 * part * y + 3 * left * part ** 2 * toY + part ** 3 * toY,
        };
        const isIn = at.x >= NAMES && at.x <= view.width && at.y >= HEAD && at.y <= view.height;
        if (!isIn && last.x >= NAMES && last.x <= view.width) {
            return last;
        }
        last = at;
    }
    return last;
}

export const edgeAt = (edges: Edge[], x: number, y: number): Edge | undefined =>
    edges.find((edge) => x >= edge.x && x <= edge.x + edge.width && y >= edge.y && y <= edge.y + EDGE_HEIGHT);

function within(value: number, least: number, most: number): number {
    return Math.max(least, Math.min(most, value));
}

/** A name where no other stands: below those that are in the way, or above them where there is no room below. */
function free(edge: Edge, placed: Edge[], view: View): Edge {
    const isTaken = (y: number) =>
        placed.some(
            (other) =>
                Math.abs(other.y - y) < EDGE_HEIGHT + 2 && edge.x < other.x + other.width + GAP && other.x < edge.x + edge.width + GAP,
        );
    const step = EDGE_HEIGHT + 2;
    for (let away = 0; away < view.height; away += step) {
        for (const y of [edge.y + away, edge.y - away]) {
            if (!isTaken(y) && y >= HEAD + GAP && y <= view.height - EDGE_HEIGHT - GAP) {
                return { ...edge, y };
            }
        }
    }
    return edge;
}
