import { isZero, qty } from '@/lib/format';
import type { OrderLineRow, PlannedAndReal } from '@/lib/shapes';
import { t } from '@/lib/t';

/** What a production order was to take beside what it took so far. */
export function Took({ line, took }: { line: OrderLineRow; took: PlannedAndReal }) {
    const rows = [
        { what: t('Material, at what its items cost'), planned: qty(took.material), real: qty(took.issued) },
        {
            what: t('Minutes of work'),
            planned: took.minutes === null ? t('not written out') : qty(took.minutes),
            real: qty(String(took.reported)),
        },
        ...(isZero(took.scrap) ? [] : [{ what: t('Scrap'), planned: '', real: `${qty(took.scrap, line.decimals)} ${line.unit}` }]),
    ];
    return (
        <section className="mt-4 max-w-[520px]">
            <h2 className="mb-1.5 font-bold">{t('Planned and real')}</h2>
            <table className="w-full rounded border border-line bg-surface text-sm">
                <thead className="text-xs text-mute">
                    <tr>
                        <th className="px-3 py-1 text-left font-normal">{line.code}</th>
                        <th className="px-3 text-right font-normal">{t('Planned')}</th>
                        <th className="px-3 text-right font-normal">{t('So far')}</th>
                    </tr>
                </thead>
                <tbody>
                    {rows.map((row) => (
                        <tr key={row.what} className="border-t border-soft">
                            <td className="px-3 py-1">{row.what}</td>
                            <td className="px-3 text-right">{row.planned}</td>
                            <td className="px-3 text-right font-semibold">{row.real}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </section>
    );
}
