import type { ProposalRow } from '@/lib/shapes';
import { qty } from '@/lib/format';
import { t, tn } from '@/lib/t';
import type { Edit } from '@/pages/parts/ProposalTable';

interface Props {
    rows: ProposalRow[];
    edits: ReadonlyMap<number, Edit>;
    busy: boolean;
    onConvert: () => void;
    onClear: () => void;
}

/** What the picked proposals would become, and the button that makes it so. */
export function ConvertBar({ rows, edits, busy, onConvert, onClear }: Props) {
    const purchases = rows.filter((row) => row.kind === 'buy');
    const orders = new Set(purchases.map((row) => `${edits.get(row.number)?.supplier ?? row.supplier ?? ''} ${row.site}`)).size;
    const production = rows.filter((row) => row.kind === 'make').length;
    const transfers = rows.filter((row) => row.kind === 'transfer').length;
    const values = new Map<string, number>();
    purchases.forEach((row) => values.set(row.currency, (values.get(row.currency) ?? 0) + Number(row.value ?? 0)));
    const value = [...values].map(([currency, sum]) => `${qty(String(sum))} ${currency}`.trim()).join(' + ');
    const changed = purchases.some((row) => edits.get(row.number)?.qty !== undefined || edits.get(row.number)?.supplier !== undefined);
    const parts = [
        orders > 0 ? `${tn('1 purchase order', ':n purchase orders', orders)}${changed ? '' : ` (${value})`}` : '',
        production > 0 ? tn('1 production order', ':n production orders', production) : '',
        transfers > 0 ? tn('1 transfer order', ':n transfer orders', transfers) : '',
    ].filter(Boolean);
    return (
        <div className="sticky -bottom-4 z-20 mt-auto bg-paper pt-3 pb-4">
            <div className="flex items-center gap-4 rounded bg-ink px-4 py-2 text-surface">
                <strong>{t(':n picked', { n: rows.length })}</strong>
                <span className="text-order-tint">{parts.join(', ')}</span>
                <button
                    type="button"
                    onClick={onClear}
                    className="ml-auto rounded border border-mute px-3 py-1 text-sm font-semibold hover:border-surface"
                >
                    {t('Pick none')}
                </button>
                <button
                    type="button"
                    onClick={onConvert}
                    disabled={busy}
                    className="flex items-center gap-2 rounded border border-surface bg-surface px-3 py-1 text-sm font-semibold text-ink hover:bg-paper disabled:opacity-60"
                >
                    {busy ? t('Converting') : t('Convert')}
                    <kbd className="rounded border border-line bg-paper px-1.5 font-sans text-xs text-mute">C</kbd>
                </button>
            </div>
        </div>
    );
}
