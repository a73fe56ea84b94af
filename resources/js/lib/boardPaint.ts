import { DAY, type Detail, firstEndingAfter, HEAD, keyOf, type Lane, minuteAt, NAMES, opensOf, stepOf, type View, xOf } from '@/lib/board';
import { curveOf, EDGE_HEIGHT, edgesOf, isInHeight, type Curve, type Edge } from '@/lib/boardEdges';
import { qty } from '@/lib/format';
import type { BoardBar, BoardOrder, BoardTable } from '@/lib/shapes';

/** Where something that is moved would stand. */
export interface Ghost {
    lane: number;
    start: number;
    end: number;
    trouble: boolean;
}

export interface Picture {
    table: BoardTable;
    lanes: Lane[];
    view: View;
    detail: Detail;
    /** By which the board asks for the order that is picked. */
    picked: string | null;
    /** The operation of it that has the keys. */
    at: number;
    /** Orders that are not dimmed; null for all. */
    bright: Set<string> | null;
    /** What stands at the other end of the picked order's pegs. */
    linked: { from: string; to: string }[];
    selected: Set<string>;
    moved: Set<string>;
    ghost: Ghost | null;
    now: number;
    dayName: (minute: number, step: number) => string;
    says: {
        now: string;
        frozen: string;
        doneOf: (done: string, qty: string) => string;
        /** What stands out of sight, where a link leads to it: an order, or another operation of the one that is picked. */
        beyond: (bar: BoardBar, order: BoardOrder, isOwn: boolean) => string;
    };
}

type Colour =
    | 'surface'
    | 'sunk'
    | 'line'
    | 'soft'
    | 'ink'
    | 'mute'
    | 'act'
    | 'act-tint'
    | 'look'
    | 'broken'
    | 'broken-tint'
    | 'draft'
    | 'draft-tint'
    | 'stock'
    | 'paper';

/** Paints the board: only what is in sight, as much of it as there is room for. */
export class Painter {
    private readonly colours = new Map<string, string>();

    private readonly patterns = new Map<string, CanvasPattern>();

    /** Names of what links lead to out of sight, as they were painted last. */
    edges: Edge[] = [];

    private opens: { table: BoardTable; lanes: Lane[]; times: { from: number; to: number }[][] } | null = null;

    constructor(
        private readonly ctx: CanvasRenderingContext2D,
        private readonly style: CSSStyleDeclaration,
    ) {}

    paint(picture: Picture): void {
        const { ctx } = this;
        const { view, lanes, table } = picture;
        const first = Math.max(0, Math.floor(view.top / (lanes[0]?.height ?? 1)));
        const last = Math.min(lanes.length, Math.ceil((view.top + view.height - HEAD) / (lanes[0]?.height ?? 1)));
        ctx.fillStyle = this.colour('surface');
        ctx.fillRect(0, 0, view.width, view.height);
        ctx.save();
        ctx.beginPath();
        ctx.rect(NAMES, HEAD, view.width - NAMES, view.height - HEAD);
        ctx.clip();
        for (let place = first; place < last; place++) {
            this.closed(picture, place);
        }
        this.grid(picture);
        for (let place = first; place < last; place++) {
            const lane = lanes[place];
            if (lane) {
                this.lane(picture, lane, table.bars, table.orders);
            }
        }
        this.links(picture);
        this.lines(picture);
        this.beyond(picture);
        if (picture.ghost) {
            this.ghost(picture, picture.ghost);
        }
        ctx.restore();
        this.names(picture, first, last);
        this.time(picture);
    }

    private closed(picture: Picture, place: number): void {
        const { view, lanes, table } = picture;
        if (this.opens?.table !== table || this.opens.lanes !== lanes) {
            const times = lanes.map((lane) => {
                const centre = table.centres[lane.centre];
                return centre ? opensOf(centre, lane.unit) : [];
            });
            this.opens = { table, lanes, times };
        }
        const lane = lanes[place];
        if (!lane) {
            return;
        }
        const y = HEAD + lane.top - view.top;
        const until = minuteAt(view, view.width);
        const { ctx } = this;
        ctx.fillStyle = view.scale < 0.02 ? this.colour('sunk') : this.pattern('closed');
        let from = view.from;
        const paint = (to: number) => {
            if (to > from) {
                const x = xOf(view, from);
                ctx.fillRect(x, y, xOf(view, to) - x, lane.height);
            }
        };
        const times = this.opens.times[place] ?? [];
        for (let at = firstAfter(times, view.from); at < times.length; at++) {
            const open = times[at];
            if (!open || open.from >= until) {
                break;
            }
            paint(open.from);
            from = Math.max(from, open.to);
        }
        paint(until);
        ctx.fillStyle = this.colour('soft');
        ctx.fillRect(0, y + lane.height - 1, view.width, 1);
    }

    private grid({ view }: Picture): void {
        const { ctx } = this;
        const step = stepOf(view.scale);
        ctx.fillStyle = this.colour('line');
        for (let minute = Math.floor(view.from / step) * step; xOf(view, minute) < view.width; minute += step) {
            ctx.fillRect(Math.round(xOf(view, minute)), HEAD, minute % DAY === 0 ? 1 : 0.5, view.height - HEAD);
        }
    }

    private lane(picture: Picture, lane: Lane, bars: BoardBar[], orders: BoardOrder[]): void {
        const { view, detail } = picture;
        const until = minuteAt(view, view.width);
        let filled = -1;
        for (let at = firstEndingAfter(lane, bars, view.from); at < lane.bars.length; at++) {
            const bar = bars[lane.bars[at] ?? 0];
            const order = bar && orders[bar.order];
            if (!bar || !order || bar.start >= until) {
                break;
            }
            if (detail === 'fill' && picture.bright === null) {
                // bars that touch are one stretch of colour: there is no room for more
                const x = Math.floor(xOf(view, bar.start));
                const end = Math.max(x + 1, Math.ceil(xOf(view, bar.end)));
                if (end > filled) {
                    this.fill(picture, lane, order, Math.max(x, filled), end);
                    filled = end;
                }
            } else {
                const next = bars[lane.bars[at + 1] ?? -1];
                this.bar(picture, lane, bar, order, next ? xOf(view, next.end) : view.width);
            }
        }
    }

    private fill({ view, picked }: Picture, lane: Lane, order: BoardOrder, x: number, end: number): void {
        const { ctx } = this;
        ctx.fillStyle = order.of === picked ? this.colour('ink') : order.late > 0 ? this.colour('broken') : this.colour('act');
        const late = order.late > 0 ? 0 : 4; // late work stands higher, so that it is not told by colour alone
        ctx.fillRect(x, HEAD + lane.top - view.top + 3 + late, end - x, lane.height - 7 - late);
    }

    private bar(picture: Picture, lane: Lane, bar: BoardBar, order: BoardOrder, room: number): void {
        const { ctx } = this;
        const { view, detail } = picture;
        const words = detail === 'words';
        const x = xOf(view, bar.start);
        const width = Math.max(2, xOf(view, bar.end) - x);
        const y = HEAD + lane.top - view.top + (words ? 9 : 4);
        const height = words ? 32 : lane.height - 9;
        const key = keyOf(order, bar);
        const dim = picture.bright !== null && !picture.bright.has(order.of);
        const begun = bar.done !== '0' || order.state === 'released';
        const [paper, edge] = order.isDrafted
            ? (['draft-tint', 'draft'] as const)
            : order.late > 0
              ? (['broken-tint', 'broken'] as const)
              : order.state === 'proposed'
                ? (['surface', 'mute'] as const)
                : begun
                  ? (['sunk', 'mute'] as const)
                  : (['act-tint', 'act'] as const);
        ctx.globalAlpha = dim ? 0.25 : 1;
        ctx.fillStyle = this.colour(paper);
        ctx.fillRect(x, y, width, height);
        if (order.late > 0 && width > 3) {
            ctx.fillStyle = this.pattern('late');
            ctx.fillRect(x, y, width, 4);
            ctx.fillRect(x, y + height - 4, width, 4);
        }
        ctx.lineWidth = order.of === picture.picked ? 2 : 1;
        ctx.strokeStyle = this.colour(order.of === picture.picked ? 'ink' : edge);
        ctx.setLineDash(bar.place === 'loose' ? [4, 3] : []);
        ctx.strokeRect(x + 0.5, y + 0.5, width - 1, height - 1);
        ctx.setLineDash([]);
        if (begun && width > 5) {
            ctx.fillStyle = this.colour('mute');
            ctx.fillRect(x, y, 4, height);
        }
        if (bar.place === 'hand' && width > 8) {
            ctx.fillStyle = this.colour('ink'); // a peg in the corner: a person has put it there
            ctx.fillRect(x + width - 6, y, 6, 6);
        }
        if (picture.moved.has(key) || picture.selected.has(key)) {
            ctx.lineWidth = 2;
            ctx.strokeStyle = this.colour(picture.moved.has(key) ? 'look' : 'act');
            ctx.setLineDash(picture.moved.has(key) ? [2, 2] : []);
            ctx.strokeRect(x - 2, y - 2, width + 4, height + 4);
            ctx.setLineDash([]);
        }
        if (words) {
            this.words(picture, bar, order, x, y, width, height);
            this.behind(picture, bar, order, x, y, width, height, room);
        }
        ctx.globalAlpha = 1;
    }

    private words({ says }: Picture, bar: BoardBar, order: BoardOrder, x: number, y: number, width: number, height: number): void {
        const { ctx } = this;
        if (width < 16) {
            return;
        }
        ctx.save();
        ctx.beginPath();
        ctx.rect(x + 1, y, width - 3, height);
        ctx.clip();
        const left = Math.max(x, NAMES) + 7;
        ctx.fillStyle = this.colour('ink');
        ctx.font = '600 12px "Source Sans 3 Variable"';
        const proposed = order.state === 'proposed';
        ctx.fillText(proposed ? order.item : order.label, left, y + 14);
        ctx.fillStyle = this.colour('mute');
        ctx.font = '12px "Source Sans 3 Variable"';
        const whole = `${qty(order.qty)} ${order.unit}`;
        const amount = bar.done === '0' ? whole : says.doneOf(qty(bar.done), whole);
        ctx.fillText(`${proposed ? order.label : order.item}, ${amount}`, left, y + 27);
        ctx.restore();
    }

    /** The tick of its material above, and below the way to when it is wanted. */
    private behind(
        { view, table }: Picture,
        bar: BoardBar,
        order: BoardOrder,
        x: number,
        y: number,
        width: number,
        height: number,
        room: number,
    ): void {
        const { ctx } = this;
        if (bar.ready !== null && bar.ready > table.from && bar.ready <= bar.start) {
            const at = xOf(view, bar.ready);
            ctx.fillStyle = this.colour('stock');
            ctx.beginPath();
            ctx.moveTo(at - 4, y - 7);
            ctx.lineTo(at + 4, y - 7);
            ctx.lineTo(at, y - 1);
            ctx.fill();
        }
        const last = this.lastOf(table, order, bar);
        if (!last || order.target === null || order.way === '') {
            return;
        }
        const under = y + height + 5;
        const late = order.late > 0;
        const from = late ? x : x + width;
        const end = late ? x + width : room; // as far as nothing else says its way there
        ctx.strokeStyle = ctx.fillStyle = this.colour(late ? 'broken' : 'mute');
        ctx.lineWidth = 1;
        const to = Math.min(xOf(view, order.target), end - 6);
        if (!late && to > from) {
            ctx.beginPath();
            ctx.moveTo(from, under);
            ctx.lineTo(to, under);
            ctx.moveTo(to, under - 3);
            ctx.lineTo(to, under + 3);
            ctx.stroke();
        }
        if (end - from < 46) {
            return;
        }
        ctx.save();
        ctx.beginPath();
        ctx.rect(from, under - 4, end - from - 6, 16);
        ctx.clip();
        ctx.font = `${late ? '600 ' : ''}11px "Source Sans 3 Variable"`;
        ctx.fillText(order.way, Math.max(from, NAMES) + 3, under + 9);
        ctx.restore();
    }

    private ends: { table: BoardTable; last: Map<number, BoardBar> } | null = null;

    private lastOf(table: BoardTable, order: BoardOrder, bar: BoardBar): boolean {
        if (this.ends?.table !== table) {
            const last = new Map<number, BoardBar>();
            for (const one of table.bars) {
                const known = last.get(one.order);
                if (!known || one.op > known.op) {
                    last.set(one.order, one);
                }
            }
            this.ends = { table, last };
        }
        return this.ends.last.get(bar.order) === bar && table.orders[bar.order] === order;
    }

    /** From one operation of the picked order to the next, and to those it waits for or that wait for it. */
    private links({ table, lanes, view, picked, linked }: Picture): void {
        for (const { from, to, isOwn } of this.linksOf(picked, table, linked)) {
            this.curve(curveOf(lanes, view, from, to), isOwn ? 'ink' : 'mute');
        }
    }

    private linksOf(
        picked: string | null,
        table: BoardTable,
        linked: Picture['linked'],
    ): { from: BoardBar; to: BoardBar; isOwn: boolean }[] {
        if (picked === null) {
            return [];
        }
        const byOrder = this.byOrder(table);
        const own = byOrder.get(picked) ?? [];
        return [
            ...own.slice(1).map((to, place) => ({ from: own[place], to, isOwn: true })),
            ...linked.map((one) => ({ from: byOrder.get(one.from)?.at(-1), to: byOrder.get(one.to)?.[0], isOwn: false })),
        ].flatMap(({ from, to, isOwn }) => (from && to ? [{ from, to, isOwn }] : []));
    }

    /** Where links of the picked order lead out of the picture. */
    private beyond({ table, lanes, view, picked, linked, says }: Picture): void {
        const { ctx } = this;
        ctx.font = '600 12px "Source Sans 3 Variable"';
        const ends = this.linksOf(picked, table, linked).flatMap(({ from, to, isOwn }) =>
            [true, false].flatMap((isFrom) => {
                const bar = isFrom ? from : to;
                const order = table.orders[bar.order];
                const curve = curveOf(lanes, view, from, to);
                const isMeant = isOwn || order?.of !== picked;
                const inTime = xOf(view, bar.end) > NAMES && xOf(view, bar.start) < view.width;
                return order && curve && isMeant && !(inTime && isInHeight(view, curve, isFrom))
                    ? [{ bar: table.bars.indexOf(bar), label: says.beyond(bar, order, isOwn), curve, isFrom }]
                    : [];
            }),
        );
        this.edges = edgesOf(view, ends, (label) => ctx.measureText(label).width + 12);
        for (const edge of this.edges) {
            ctx.fillStyle = this.colour('surface');
            ctx.strokeStyle = this.colour('ink');
            ctx.lineWidth = 1;
            ctx.beginPath();
            ctx.roundRect(edge.x + 0.5, edge.y + 0.5, edge.width - 1, EDGE_HEIGHT - 1, 4);
            ctx.fill();
            ctx.stroke();
            ctx.fillStyle = this.colour('act');
            const arrow = { left: '\u2190', right: '\u2192', above: '\u2191', below: '\u2193' }[edge.side];
            ctx.fillText(edge.side === 'right' ? `${edge.label} ${arrow}` : `${arrow} ${edge.label}`, edge.x + 7, edge.y + 14);
        }
    }

    private known: { table: BoardTable; byOrder: Map<string, BoardBar[]> } | null = null;

    private byOrder(table: BoardTable): Map<string, BoardBar[]> {
        if (this.known?.table !== table) {
            const byOrder = new Map<string, BoardBar[]>();
            for (const bar of table.bars) {
                const of = table.orders[bar.order]?.of ?? '';
                const list = byOrder.get(of);
                if (list) {
                    list.push(bar);
                } else {
                    byOrder.set(of, [bar]);
                }
            }
            for (const bars of byOrder.values()) {
                bars.sort((a, b) => a.op - b.op);
            }
            this.known = { table, byOrder };
        }
        return this.known.byOrder;
    }

    private curve(curve: Curve | null, colour: Colour): void {
        if (!curve) {
            return;
        }
        const { ctx } = this;
        const { x, y, toX, toY, bend } = curve;
        ctx.strokeStyle = this.colour(colour);
        ctx.lineWidth = colour === 'ink' ? 1.8 : 1.2;
        ctx.setLineDash(colour === 'ink' ? [] : [5, 3]);
        ctx.beginPath();
        ctx.moveTo(x, y);
        ctx.bezierCurveTo(x + bend, y, toX - bend, toY, toX, toY);
        ctx.stroke();
        ctx.setLineDash([]);
    }

    /** Now, and until when all stays as it is. */
    private lines({ view, table, now, says }: Picture): void {
        const { ctx } = this;
        const x = Math.round(xOf(view, now)) + 0.5;
        ctx.strokeStyle = this.colour('ink');
        ctx.lineWidth = 1.5;
        ctx.setLineDash([2, 3]);
        ctx.beginPath();
        ctx.moveTo(x, HEAD);
        ctx.lineTo(x, view.height);
        ctx.stroke();
        ctx.setLineDash([]);
        ctx.fillStyle = this.colour('ink');
        ctx.font = '11px "Source Sans 3 Variable"';
        ctx.fillText(says.now, x + 3, view.height - 5);
        if (table.frozen !== null) {
            const end = Math.round(xOf(view, table.frozen));
            ctx.fillRect(end - 1, HEAD, 2, view.height - HEAD);
            ctx.fillText(says.frozen, end - ctx.measureText(says.frozen).width - 5, view.height - 19);
        }
    }

    private ghost({ lanes, view }: Picture, ghost: Ghost): void {
        const lane = lanes[ghost.lane];
        if (!lane) {
            return;
        }
        const { ctx } = this;
        const x = xOf(view, ghost.start);
        const y = HEAD + lane.top - view.top + 3;
        ctx.strokeStyle = this.colour(ghost.trouble ? 'broken' : 'draft');
        ctx.fillStyle = this.colour(ghost.trouble ? 'broken-tint' : 'draft-tint');
        ctx.globalAlpha = 0.85;
        ctx.lineWidth = 2;
        ctx.setLineDash([5, 3]);
        const width = Math.max(8, (ghost.end - ghost.start) * view.scale);
        ctx.fillRect(x, y, width, lane.height - 8);
        ctx.strokeRect(x, y, width, lane.height - 8);
        ctx.setLineDash([]);
        if (ghost.trouble) {
            ctx.beginPath(); // crossed out: it cannot stand there
            ctx.moveTo(x, y);
            ctx.lineTo(x + width, y + lane.height - 8);
            ctx.stroke();
        }
        ctx.globalAlpha = 1;
    }

    private names({ table, lanes, view }: Picture, first: number, last: number): void {
        const { ctx } = this;
        ctx.fillStyle = this.colour('surface');
        ctx.fillRect(0, HEAD, NAMES, view.height - HEAD);
        for (let place = first; place < last; place++) {
            const lane = lanes[place];
            const centre = lane && table.centres[lane.centre];
            if (!lane || !centre) {
                continue;
            }
            const y = HEAD + lane.top - view.top;
            const head = lane.unit === 1 || place === first;
            ctx.fillStyle = this.colour(lane.unit === 1 ? 'line' : 'soft');
            ctx.fillRect(0, y, lane.unit === 1 ? view.width : NAMES, 1);
            const tall = lane.height > 40;
            if (head) {
                ctx.fillStyle = this.colour('ink');
                ctx.font = '600 13px "Source Sans 3 Variable"';
                ctx.fillText(centre.code, 10, y + (tall ? 20 : lane.height / 2 + 4));
            }
            if (centre.units > 1 && (tall || !head)) {
                ctx.fillStyle = this.colour('mute');
                ctx.font = '12px "Source Sans 3 Variable"';
                ctx.fillText(String(lane.unit), head ? NAMES - 18 : 22, y + (tall ? (head ? 20 : 30) : lane.height / 2 + 4));
            }
            if (tall && head) {
                ctx.save();
                ctx.beginPath();
                ctx.rect(0, y, NAMES - 6, lane.height);
                ctx.clip();
                ctx.fillStyle = this.colour('mute');
                ctx.font = '12px "Source Sans 3 Variable"';
                ctx.fillText(centre.name, 10, y + 36);
                ctx.restore();
            }
        }
        ctx.fillStyle = this.colour('line');
        ctx.fillRect(NAMES - 1, 0, 1, view.height);
    }

    private time({ view, dayName }: Picture): void {
        const { ctx } = this;
        ctx.fillStyle = this.colour('surface');
        ctx.fillRect(0, 0, view.width, HEAD);
        ctx.fillStyle = this.colour('line');
        ctx.fillRect(0, HEAD - 1, view.width, 1);
        const step = stepOf(view.scale);
        ctx.save();
        ctx.beginPath();
        ctx.rect(NAMES, 0, view.width - NAMES, HEAD);
        ctx.clip();
        for (let minute = Math.floor(view.from / step) * step; xOf(view, minute) < view.width; minute += step) {
            const x = Math.round(xOf(view, minute));
            ctx.fillStyle = this.colour('line');
            ctx.fillRect(x, minute % DAY === 0 ? 0 : 14, 1, HEAD);
            const isDay = minute % DAY === 0;
            ctx.fillStyle = this.colour(isDay ? 'ink' : 'mute');
            ctx.font = `${isDay ? '600 13px' : '12px'} "Source Sans 3 Variable"`;
            ctx.fillText(dayName(minute, step), x + 6, 19);
        }
        ctx.restore();
    }

    private colour(name: Colour): string {
        let value = this.colours.get(name);
        if (value === undefined) {
            value = this.style.getPropertyValue(`--color-${name}`).trim();
            this.colours.set(name, value);
        }
        return value;
    }

    private pattern(name: 'closed' | 'late'): CanvasPattern | string {
        const known = this.patterns.get(name);
        if (known) {
            return known;
        }
        const size = 8;
        const tile = document.createElement('canvas');
        tile.width = tile.height = size;
        const ctx = tile.getContext('2d');
        if (!ctx) {
            return this.colour('sunk');
        }
        ctx.fillStyle = this.colour(name === 'closed' ? 'paper' : 'broken-tint');
        ctx.fillRect(0, 0, size, size);
        ctx.strokeStyle = this.colour(name === 'closed' ? 'sunk' : 'broken');
        ctx.lineWidth = name === 'closed' ? 2 : 2.5;
        for (const shift of [-size, 0, size]) {
            ctx.beginPath();
            ctx.moveTo(shift, size);
            ctx.lineTo(shift + size, 0);
            ctx.stroke();
        }
        const pattern = this.ctx.createPattern(tile, 'repeat');
        if (!pattern) {
            return this.colour('sunk');
        }
        this.patterns.set(name, pattern);
        return pattern;
    }
}

function firstAfter(times: { from: number; to: number }[], minute: number): number {
    let low = 0;
    let high = times.length;
    while (low < high) {
        const middle = (low + high) >> 1;
        if ((times[middle]?.to ?? 0) <= minute) {
            low = middle + 1;
        } else {
            high = middle;
        }
    }
    return low;
}
