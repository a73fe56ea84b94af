import { Link } from '@inertiajs/react';
import { Notice } from '@/components/Notice';
import type { MadeOrder } from '@/lib/shapes';

/** The orders that something has become, each with the way to it. */
export function MadeOrders({ message, orders, onClose }: { message: string; orders: MadeOrder[]; onClose: () => void }) {
    return (
        <Notice tone="done" onClose={onClose}>
            <p className="font-semibold">{message}</p>
            <ul className="text-sm">
                {orders.map((order) => (
                    <li key={order.code}>
                        <Link href={order.href} className="font-semibold text-act hover:underline">
                            {order.code}
                        </Link>{' '}
                        {order.title}: {order.what}
                    </li>
                ))}
            </ul>
        </Notice>
    );
}
