import { useState } from 'react';
import { swapped } from '@/lib/digits';
import type { OutlineLine } from '@/lib/shapes';
import { t } from '@/lib/t';

interface Props {
    line: OutlineLine;
    onSet: (qty: string) => void;
    onBack: () => void;
}

/** A quantity that is typed over in its place: Enter takes it, Escape leaves what stood there; the row has the focus again then. */
export function LineQuantity({ line, onSet, onBack }: Props) {
    const [qty, setQty] = useState(String(line.values.qty));
    return (
        <input
            autoFocus
            inputMode="decimal"
            aria-label={t('Quantity of :item', { item: line.component })}
            value={swapped(qty)}
            onFocus={(event) => event.target.select()}
            onClick={(event) => event.stopPropagation()}
            onChange={(event) => setQty(swapped(event.target.value))}
            onBlur={onBack}
            onKeyDown={(event) => {
                event.stopPropagation();
                if (event.key === 'Enter' || event.key === 'Escape') {
                    event.currentTarget.closest<HTMLElement>('[data-row]')?.focus();
                    (event.key === 'Enter' ? () => onSet(qty.trim()) : onBack)();
                }
            }}
            className="h-6 w-24 rounded-xs border border-draft bg-draft-tint px-1 text-right font-semibold"
        />
    );
}
