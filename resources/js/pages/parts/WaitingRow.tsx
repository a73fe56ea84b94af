import { day, qty } from '@/lib/format';
import type { BoardOrder } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';

interface Props {
    waiting: BoardOrder[];
    count: number;
    picked: string | null;
    onPick: (of: string) => void;
    earlier: (() => void) | null;
    later: () => void;
}

const NAMED = 14;

/** At the foot of the board: what has no place of its own yet. It stands where it would end soonest until somebody puts it there. */
export function WaitingRow({ waiting, count, picked, onPick, earlier, later }: Props) {
    const { plan } = useShared();
    return (
        <div className="mt-1.5 flex items-center gap-2 text-sm">
            <p className="shrink-0 text-mute">
                {count === 0
                    ? t('All has a place.')
                    : tn('1 order without a place of its own:', ':n orders without a place of their own:', count)}
            </p>
            <ul className="flex min-w-0 flex-1 gap-1.5 overflow-x-auto py-0.5">
                {waiting.slice(0, NAMED).map((order) => (
                    <li key={order.of} className="shrink-0">
                        <button
                            type="button"
                            aria-pressed={order.of === picked}
                            title={order.way}
                            onClick={() => onPick(order.of)}
                            className={`h-6 rounded border border-dashed px-2 whitespace-nowrap ${order.of === picked ? 'border-ink bg-act-tint' : 'border-mute bg-surface hover:border-ink'}`}
                        >
                            <strong>{order.item}</strong> {qty(order.qty)}, {order.label}{' '}
                            <span className="text-mute">{day(order.due, plan.planDate)}</span>
                        </button>
                    </li>
                ))}
                {count > NAMED && <li className="shrink-0 self-center text-mute">{t('and :n more', { n: count - NAMED })}</li>}
            </ul>
            {earlier && (
                <button type="button" onClick={earlier} className="h-6 shrink-0 px-1 font-semibold text-act hover:underline">
                    {t('4 weeks earlier')}
                </button>
            )}
            <button type="button" onClick={later} className="h-6 shrink-0 px-1 font-semibold text-act hover:underline">
                {t('4 weeks later')}
            </button>
        </div>
    );
}
