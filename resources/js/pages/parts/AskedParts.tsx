import { Link } from '@inertiajs/react';
import { PanelHead } from '@/components/PanelHead';
import { WaysOut } from '@/components/WaysOut';
import { day, isZero, qty } from '@/lib/format';
import type { AskedNeed, GrossRow } from '@/lib/shapes';
import { t } from '@/lib/t';
import { remediesOf } from '@/lib/useRemedies';
import { itemHref } from '@/pages/parts/ItemPanel';

/** A part of it: what is needed, what covers it, and the ways out where it stands so in the plan. */
export function AskedPart({ need, today, onClose }: { need: AskedNeed; today: string; onClose: () => void }) {
    const short = !isZero(need.short);
    return (
        <>
            <PanelHead title={`${need.item}, ${need.name}`} href={itemHref(need.item, need.site)} onClose={onClose} />
            <p className="text-mute">
                {need.decides && `${t('decides the day')}; `}
                {t('needed :day for :whom', { day: day(need.date, today), whom: need.for })}
            </p>
            <h3 className="mt-3 mb-1 text-xs font-bold text-mute">{t('Its figures')}</h3>
            <table className="w-full text-sm">
                <tbody>
                    <Figure label={t('needed')} figure={`${qty(need.qty)} ${need.unit}`} />
                    {need.cover.map((one, place) => (
                        <Figure key={place} label={one.label} href={one.href} figure={qty(one.qty)} late={one.late} />
                    ))}
                    {short && <Figure label={t('not covered by :day', { day: day(need.date, today) })} figure={qty(need.short)} late />}
                </tbody>
            </table>
            {short && (
                <WaysOut
                    title={t('Ways out')}
                    url={remediesOf(need.identity, need.item)}
                    nothing={
                        need.identity === null
                            ? t('This is only asked. Draft it, and the ways out of what it lacks are worked out.')
                            : t('Nothing that could be planned would help.')
                    }
                />
            )}
        </>
    );
}

function Figure({ label, figure, late = false, href = null }: { label: string; figure: string; late?: boolean; href?: string | null }) {
    return (
        <tr className="border-b border-soft">
            <th scope="row" className="py-1.5 text-left font-normal">
                {href ? (
                    <Link href={href} className="text-act hover:underline">
                        {label}
                    </Link>
                ) : (
                    label
                )}
            </th>
            <td className={`text-right font-semibold ${late ? 'text-broken' : ''}`}>{figure}</td>
        </tr>
    );
}

/** What is bought for it over all levels, what is missing first. */
export function BoughtParts({ rows, onClose }: { rows: GrossRow[] | null; onClose: () => void }) {
    const sorted = [...(rows ?? [])].sort((a, b) => Number(isZero(a.missing)) - Number(isZero(b.missing)));
    return (
        <>
            <PanelHead title={t('Bought parts in all')} onClose={onClose} />
            <p className="mb-2 text-sm text-mute">
                {t('Over all levels, as if nothing of what is made were on stock; stock and incoming whoever they are for.')}
            </p>
            {rows === null ? (
                <p>{t('Looking ...')}</p>
            ) : (
                <table className="w-full text-sm">
                    <thead className="text-xs text-mute">
                        <tr className="border-b border-line">
                            <th scope="col" className="py-1 text-left font-bold">
                                {t('Bought part')}
                            </th>
                            <th scope="col" className="text-right font-bold">
                                {t('needed')}
                            </th>
                            <th scope="col" className="text-right font-bold">
                                {t('missing')}
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        {sorted.map((row) => (
                            <tr
                                key={`${row.item} ${row.site}`}
                                className="border-b border-soft"
                                title={t('on stock :stock, incoming :incoming', { stock: qty(row.stock), incoming: qty(row.incoming) })}
                            >
                                <th scope="row" className="max-w-0 truncate py-1 text-left font-normal">
                                    <Link href={itemHref(row.item, row.site)} className="font-bold hover:underline">
                                        {row.item}
                                    </Link>{' '}
                                    <span className="text-mute">{row.name}</span>
                                </th>
                                <td className="w-20 text-right whitespace-nowrap">
                                    {qty(row.qty)} <span className="text-mute">{row.unit}</span>
                                </td>
                                <td className={`w-16 text-right ${isZero(row.missing) ? 'text-faint' : 'font-semibold text-broken'}`}>
                                    {isZero(row.missing) ? '·' : qty(row.missing)}
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
        </>
    );
}
