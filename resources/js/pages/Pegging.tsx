import { Link } from '@inertiajs/react';
import { ChartGantt } from 'lucide-react';
import { CoverStrip } from '@/components/CoverStrip';
import { Empty } from '@/components/Empty';
import { PageHead } from '@/components/PageHead';
import { PillTabs } from '@/components/Pill';
import { day, qty } from '@/lib/format';
import type { PegRow } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { moveAmongRows } from '@/lib/useRowKeys';
import { itemHref } from '@/pages/parts/ItemPanel';

interface Props {
    title: string;
    about: string;
    holdUp: string | null;
    lateDays: number;
    back: string;
    ways: string[];
    rows: PegRow[];
    most: number;
    filter: Record<string, string>;
}

const WAYS: Record<string, string> = { down: 'Down to raw stock', up: 'Up to customers', 'hold-up': 'Only the hold-up' };

export default function Pegging({ title, about, holdUp, lateDays, back, ways, rows, most, filter }: Props) {
    const up = filter.way === 'up';
    return (
        <>
            <PageHead title={t('Pegging of {what}', { what: title })}>{about}</PageHead>
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillTabs
                    label={t('Which way')}
                    value={filter.way ?? 'down'}
                    onChange={(way) => refilter('/pegging', filter, { way }, { way: 'down' })}
                    choices={ways.map((way) => ({ value: way, label: t(WAYS[way] ?? way) }))}
                />
                <Link
                    href={`/thread?${new URLSearchParams(filter).toString()}`}
                    className="inline-flex h-[27px] items-center gap-1.5 rounded-full border border-line bg-surface px-3 text-sm font-semibold hover:border-mute"
                >
                    {t('On a time axis')} <ChartGantt size={13} aria-hidden />
                </Link>
                <Link href={back} className="ml-auto font-semibold text-act hover:underline">
                    {t('Back to {what}', { what: title })}
                </Link>
            </div>
            {lateDays > 0 && (
                <p className="mb-2.5 rounded border border-broken bg-broken-tint px-3 py-2">
                    <strong>{tn('Expected 1 day late.', 'Expected {n} days late.', lateDays)}</strong> {holdUp}
                </p>
            )}
            {rows.length === 0 ? (
                <Empty title={up ? t('Nobody needs it') : t('It waits for nothing')}>
                    {up ? t('No demand is pegged to it.') : t('It is bought, or all it needs has been issued.')}
                </Empty>
            ) : (
                <Rows rows={rows} up={up} />
            )}
            {rows.length >= most && <p className="mt-2 text-mute">{t('Only the first {n} rows are shown.', { n: most })}</p>}
        </>
    );
}

/** Each need under what it belongs to; the chain that decides the date is drawn strong. */
function Rows({ rows, up }: { rows: PegRow[]; up: boolean }) {
    const { plan } = useShared();
    return (
        <div className="rounded border border-line bg-surface">
            <table className="w-full table-fixed text-sm" onKeyDown={moveAmongRows}>
                <thead className="sticky -top-3 z-10 bg-surface">
                    <tr className="border-b border-line text-left text-xs text-mute">
                        <th scope="col" className="px-3 py-1.5">
                            {up ? t('Serves') : t('Needs')}
                        </th>
                        <th scope="col" className="w-[22%]">
                            {t('For')}
                        </th>
                        <th scope="col" className="w-[90px] text-right">
                            {t('Quantity')}
                        </th>
                        <th scope="col" className="w-[88px] text-right">
                            {t('Needed')}
                        </th>
                        {!up && (
                            <th scope="col" className="w-[104px] pl-4">
                                {t('Cover')}
                            </th>
                        )}
                        <th scope="col" className="w-[88px] text-right">
                            {t('Expected')}
                        </th>
                        <th scope="col" className={`px-3 ${up ? 'w-[110px]' : 'w-[20%]'}`}>
                            {up ? t('In time') : t('Served by')}
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {rows.map((row, place) => (
                        <tr
                            key={place}
                            data-row
                            tabIndex={0}
                            aria-level={row.level + 1}
                            className={`h-8 border-b border-soft -outline-offset-2 last:border-0 hover:bg-act-tint/50 ${row.holdUp ? 'font-semibold' : ''}`}
                        >
                            <td
                                className={`truncate pr-2 ${row.holdUp ? 'border-l-[3px] border-broken' : 'border-l-[3px] border-transparent'}`}
                                style={{ paddingLeft: 9 + Math.min(row.level, 14) * 14 }}
                                title={`${row.item} ${row.name}, ${row.site}`}
                            >
                                <Link href={itemHref(row.item, row.site)} className="font-bold hover:underline">
                                    {row.item}
                                </Link>{' '}
                                <span className="text-mute">{row.name}</span>
                                {row.repeated && <span className="ml-1 text-xs text-mute">({t('see above')})</span>}
                            </td>
                            <td className="truncate pr-2" title={row.what.label}>
                                {row.what.href ? (
                                    <Link href={row.what.href} className="hover:underline">
                                        {row.what.label}
                                    </Link>
                                ) : (
                                    row.what.label
                                )}
                            </td>
                            <td className="text-right whitespace-nowrap">
                                {qty(row.qty)} <span className="text-mute">{row.unit}</span>
                            </td>
                            <td className="text-right whitespace-nowrap">{row.needed ? day(row.needed, plan.planDate) : ''}</td>
                            {!up && <td className="pl-4">{row.strip && <CoverStrip strip={row.strip} width={84} />}</td>}
                            <td className={`text-right whitespace-nowrap ${row.lateDays > 0 ? 'font-semibold text-broken' : ''}`}>
                                {row.expected ? day(row.expected, plan.planDate) : ''}
                            </td>
                            <td className="truncate px-3">{up ? <InTime row={row} /> : <ServedBy row={row} />}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}

function InTime({ row }: { row: PegRow }) {
    return row.lateDays > 0 ? (
        <span className="font-semibold text-broken">{tn('1 day late', '{n} days late', row.lateDays)}</span>
    ) : (
        <span className="text-mute">{t('on time')}</span>
    );
}

function ServedBy({ row }: { row: PegRow }) {
    if (row.servedBy.length === 0) {
        return <span className="text-broken">{t('nothing')}</span>;
    }
    return row.servedBy.map((supply, place) => (
        <span key={place}>
            {place > 0 && ', '}
            {supply.href ? (
                <Link href={supply.href} className="hover:underline">
                    {supply.label}
                </Link>
            ) : (
                supply.label
            )}
        </span>
    ));
}
