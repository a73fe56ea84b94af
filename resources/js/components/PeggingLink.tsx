import { Link } from '@inertiajs/react';
import { t } from '@/lib/t';

/** The way from a thing to its pegging. `of` is its reference in the plan: sales:ORDER/LINE, order:ORDER or proposal:N. */
export function PeggingLink({ of, way = 'down' }: { of: string; way?: 'down' | 'up' | 'hold-up' }) {
    return (
        <Link href={`/thread?${new URLSearchParams({ of, way }).toString()}`} className="font-semibold text-act hover:underline">
            {way === 'up' ? t('Follow up to customers') : t('Follow down to raw stock')}
        </Link>
    );
}
