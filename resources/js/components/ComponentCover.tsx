import { CoverStrip } from '@/components/CoverStrip';
import { isZero } from '@/lib/format';
import type { ComponentRow } from '@/lib/shapes';
import { t } from '@/lib/t';

/** How a component of an order is covered, or why there is nothing left to cover. */
export function ComponentCover({ row, width }: { row: ComponentRow; width: number }) {
    if (row.strip) {
        return <CoverStrip strip={row.strip} width={width} showDate />;
    }
    return <span className="text-xs text-mute">{isZero(row.issued) ? t('not planned') : t('issued')}</span>;
}
