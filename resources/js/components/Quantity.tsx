import { isZero, qty } from '@/lib/format';
import { t } from '@/lib/t';

/** A quantity in a table: right-aligned by its cell, zero as a faint dot. */
export function Quantity({ value, decimals, zero = 'dot' }: { value: string; decimals?: number; zero?: 'dot' | 'figure' }) {
    if (zero === 'dot' && isZero(value)) {
        return (
            <span className="text-faint" aria-label={t('zero')}>
                ·
            </span>
        );
    }
    return <>{qty(value, decimals)}</>;
}
