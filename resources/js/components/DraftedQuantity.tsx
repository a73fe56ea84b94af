import { Quantity } from '@/components/Quantity';
import { qty } from '@/lib/format';
import { t } from '@/lib/t';

/** A quantity, or what the draft makes of it in violet with what stands struck out beside it. */
export function DraftedQuantity({ value, drafted, decimals }: { value: string; drafted: string | undefined; decimals: number }) {
    if (drafted === undefined || drafted === value) {
        return <Quantity value={value} decimals={decimals} />;
    }
    return (
        <span className="whitespace-nowrap" title={t('Drafted; it stands at :n', { n: qty(value, decimals) })}>
            <s className="text-2xs font-normal text-mute">{qty(value, decimals)}</s>{' '}
            <strong className="text-draft">{qty(drafted, decimals)}</strong>
        </span>
    );
}

/** The ground of a cell with a drafted figure: broken where that is below zero too; null where nothing is drafted. */
export function draftedGround(drafted: string | undefined): string | null {
    return drafted === undefined ? null : drafted.startsWith('-') ? 'bg-broken-tint' : 'bg-draft-tint';
}
