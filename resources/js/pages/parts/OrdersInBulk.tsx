import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { DateField } from '@/components/DateField';
import { type Change, useDraft } from '@/lib/draft';
import type { OrderRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';

/** What is done to production orders that are picked: each is a line of the draft, so that it says what it does before it is done. */
export function OrdersInBulk({ orders, onClear }: { orders: OrderRow[]; onClear: () => void }) {
    const draft = useDraft();
    const { plan } = useShared();
    const [day, setDay] = useState('');
    const add = (some: OrderRow[], of: (code: string) => Change, title: string) => {
        void draft.add(
            some.map((order) => of(order.code)),
            title,
        );
    };
    const firm = orders.filter((order) => order.status === 'firm');
    const released = orders.filter((order) => order.status === 'released');
    const held = orders.filter((order) => order.held);
    const free = orders.filter((order) => !order.held);
    return (
        <div
            role="toolbar"
            aria-label={t('What is done to the picked orders')}
            className="mb-2.5 flex flex-wrap items-center gap-2 rounded border border-draft bg-draft-tint px-3 py-2"
        >
            <strong className="mr-1">{tn('1 order picked', ':n orders picked', orders.length)}</strong>
            {firm.length > 0 && (
                <Button
                    disabled={draft.busy}
                    onClick={() =>
                        add(
                            firm,
                            (order) => ({ change: 'release_order', order }),
                            tn('1 order released', ':n orders released', firm.length),
                        )
                    }
                >
                    {t('Release')}
                </Button>
            )}
            {released.length > 0 && (
                <Button
                    disabled={draft.busy}
                    onClick={() =>
                        add(
                            released,
                            (order) => ({ change: 'release_order', order, released: false }),
                            tn('1 order firm again', ':n orders firm again', released.length),
                        )
                    }
                >
                    {t('Back to firm')}
                </Button>
            )}
            {free.length > 0 && (
                <Button
                    disabled={draft.busy}
                    onClick={() =>
                        add(
                            free,
                            (order) => ({ change: 'hold_order', order, held: true }),
                            tn('1 order held back', ':n orders held back', free.length),
                        )
                    }
                >
                    {t('Hold back')}
                </Button>
            )}
            {held.length > 0 && (
                <Button
                    disabled={draft.busy}
                    onClick={() =>
                        add(
                            held,
                            (order) => ({ change: 'hold_order', order, held: false }),
                            tn('1 order no longer held back', ':n orders no longer held back', held.length),
                        )
                    }
                >
                    {t('Let go')}
                </Button>
            )}
            <Button
                disabled={draft.busy}
                onClick={() =>
                    add(
                        orders,
                        (order) => ({ change: 'prioritise_order', order, priority: 1 }),
                        tn('1 order most urgent', ':n orders most urgent', orders.length),
                    )
                }
            >
                {t('Make most urgent')}
            </Button>
            <label htmlFor="bulk-day" className="ml-2 text-sm">
                {t('Day')}
            </label>
            <DateField id="bulk-day" value={day} onChange={setDay} min={plan.planDate} optional />
            <Button
                disabled={draft.busy}
                onClick={() =>
                    add(
                        orders,
                        (order) => ({ change: 'start_not_before', order, day: day || null }),
                        day === ''
                            ? tn('1 order may start on any day', ':n orders may start on any day', orders.length)
                            : tn('1 order not before its day', ':n orders not before their day', orders.length),
                    )
                }
            >
                {t('Start not before')}
            </Button>
            <Button
                disabled={draft.busy}
                onClick={() =>
                    add(
                        orders,
                        (order) => ({ change: 'finish_by', order, day: day || null }),
                        day === ''
                            ? tn('1 order done when due', ':n orders done when due', orders.length)
                            : tn('1 order done by its day', ':n orders done by their day', orders.length),
                    )
                }
            >
                {t('Finish by')}
            </Button>
            <Link
                href={`/schedule?orders=${orders.map((order) => encodeURIComponent(order.code)).join(',')}`}
                className="ml-auto font-semibold text-act hover:underline"
            >
                {t('Schedule these')}
            </Link>
            <Button look="quiet" onClick={onClear}>
                {t('Pick none')}
            </Button>
        </div>
    );
}
