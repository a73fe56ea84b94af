import { scaleLinear } from 'd3-scale';
import { day } from '@/lib/format';
import type { FlowRow, StockDay } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';

const WIDTH = 316;
const HEIGHT = 84;
const DAY = 86_400_000;

/**
 * The stock over time as steps: what it really was up to today, filled, and what is planned from there on, as a line; what lies below
 * zero is marked. A picture only: the table under it and the ledger have the figures.
 */
export function FlowChart({ flow, safety, history = [] }: { flow: FlowRow[]; safety: string; history?: StockDay[] }) {
    const { plan } = useShared();
    const first = flow[0];
    const end = flow[flow.length - 1];
    if (!first || !end || flow.length < 2) {
        return null;
    }
    const time = (iso: string) => new Date(`${iso}T00:00:00Z`).getTime() / DAY;
    const today = time(plan.planDate);
    const until = Math.min(time(end.date), today + 70);
    const past = history.map((one) => ({ at: Math.min(time(one.date), today), stock: Number(one.stock) }));
    const from = past[0]?.at ?? time(first.date);
    const lastOfDay = flow.filter((row, place) => flow[place + 1]?.date !== row.date && time(row.date) <= until);
    const points = lastOfDay.map((row) => ({ at: time(row.date), balance: Number(row.balance), iso: row.date }));
    const safe = Number(safety);
    const top = Math.max(safe, 0, ...points.map((point) => point.balance), ...past.map((one) => one.stock));
    const bottom = Math.min(0, ...points.map((point) => point.balance));
    const x = scaleLinear([from, Math.max(until, from + 1)], [0, WIDTH]);
    const y = scaleLinear([top, Math.min(bottom, top - 1e-9)], [8, HEIGHT - 16]);
    const line =
        points
            .map(
                (point, place) =>
                    `${place === 0 ? 'M' : 'H'}${x(point.at).toFixed(1)}${place === 0 ? ` ${y(point.balance).toFixed(1)}` : `V${y(point.balance).toFixed(1)}`}`,
            )
            .join('') + `H${WIDTH}`;
    const real = past.map((one, place) => ({ from: x(one.at), to: x(past[place + 1]?.at ?? today), stock: one.stock }));
    const gaps = points.flatMap((point, place) =>
        point.balance < 0 ? [{ from: x(point.at), to: x(points[place + 1]?.at ?? until), balance: point.balance }] : [],
    );
    return (
        <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="mt-2 w-full" aria-hidden>
            <line x1={0} x2={WIDTH} y1={y(0)} y2={y(0)} className="stroke-line" />
            {gaps.map((gap) => (
                <rect
                    key={gap.from}
                    x={gap.from}
                    width={Math.max(1, gap.to - gap.from)}
                    y={y(0)}
                    height={y(gap.balance) - y(0)}
                    className="fill-broken-tint"
                />
            ))}
            {real.map((one) => (
                <rect
                    key={`past ${one.from}`}
                    x={one.from}
                    width={Math.max(0, one.to - one.from)}
                    y={y(Math.max(0, one.stock))}
                    height={Math.max(0.75, y(0) - y(Math.max(0, one.stock)))}
                    className="fill-stock/60"
                />
            ))}
            {past.length > 0 && (
                <>
                    <line x1={x(today)} x2={x(today)} y1={4} y2={y(0)} strokeDasharray="2 3" className="stroke-ink" />
                    <text x={x(today) + 3} y={HEIGHT - 2} className="fill-mute text-[10px]">
                        {t('today')}
                    </text>
                </>
            )}
            {safe > 0 && <line x1={0} x2={WIDTH} y1={y(safe)} y2={y(safe)} strokeDasharray="3 3" className="stroke-look" />}
            <path d={line} fill="none" strokeWidth={1.5} className="stroke-ink" />
            {safe > 0 && (
                <text
                    x={WIDTH}
                    y={y(safe) - 3}
                    textAnchor="end"
                    paintOrder="stroke"
                    strokeWidth={4}
                    className="fill-look-ink stroke-surface text-[10px]"
                >
                    {t('safety :qty', { qty: safety })}
                </text>
            )}
            <text x={0} y={HEIGHT - 2} className="fill-mute text-[10px]">
                {day(history[0]?.date ?? first.date)}
            </text>
            <text x={WIDTH} y={HEIGHT - 2} textAnchor="end" className="fill-mute text-[10px]">
                {day(points[points.length - 1]?.iso ?? first.date)}
            </text>
        </svg>
    );
}
