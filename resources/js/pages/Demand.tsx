import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { DraftedDay, DraftPencil } from '@/components/DraftMarks';
import { CoverStrip } from '@/components/CoverStrip';
import { Empty } from '@/components/Empty';
import { FindBox } from '@/components/FindBox';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillTabs, PillToggle } from '@/components/Pill';
import { Inspector } from '@/layout/Shell';
import { day, qty } from '@/lib/format';
import type { Answer, ForecastRow, SalesRow } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { moveAmongRows } from '@/lib/useRowKeys';
import { ForecastGrid } from '@/pages/parts/ForecastGrid';
import { itemHref } from '@/pages/parts/ItemPanel';
import { SalesPanel } from '@/pages/parts/SalesPanel';

interface Props {
    filter: Record<string, string>;
    sales: SalesRow[];
    forecasts: string[];
    rows: ForecastRow[];
    counted: boolean;
    mostLines: number;
}

const keyOf = (row: SalesRow | undefined) => (row ? `${row.order}/${row.line}` : '');

export default function Demand({ filter, sales, forecasts, rows, counted, mostLines }: Props) {
    const { plan, site } = useShared();
    const change = (changes: Record<string, string>) =>
        refilter('/demand', filter, changes, { view: 'sales', forecast: forecasts[0] ?? '' });
    const forecast = filter.view === 'forecast';
    const [open, setOpen] = useState<string | null>(
        filter.q && sales.length > 0 ? keyOf(sales.find((row) => row.lateDays > 0) ?? sales[0]) : null,
    );
    const opened = forecast ? undefined : sales.find((row) => keyOf(row) === open);
    const { data } = useLoaded<Answer>(
        opened?.strip ? `/demand/line?${new URLSearchParams({ order: opened.order, line: opened.line }).toString()}` : null,
        plan.id,
    );
    const late = sales.filter((row) => row.lateDays > 0).length;
    return (
        <>
            <PageHead title={t('Demand')}>
                {forecast
                    ? t('Type into a cell to change it. Sales orders consume the forecast; what is left is planned.')
                    : `${tn('1 open sales line', '{n} open sales lines', sales.length)}, ${t('{n} late', { n: late })}`}
            </PageHead>
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillTabs
                    label={t('What to see')}
                    value={filter.view ?? 'sales'}
                    onChange={(view) => change({ view })}
                    choices={[
                        { value: 'sales', label: t('Sales orders') },
                        { value: 'forecast', label: t('Forecast') },
                    ]}
                />
                {!forecast && (
                    <PillToggle on={filter.late === '1'} onChange={(on) => change({ late: on ? '1' : '' })}>
                        {t('Late only')}
                    </PillToggle>
                )}
                {forecast && forecasts.length > 0 && (
                    <PillSelect
                        label={t('Forecast')}
                        value={filter.forecast ?? ''}
                        onChange={(name) => change({ forecast: name })}
                        choices={forecasts.map((name) => ({ value: name, label: name }))}
                    />
                )}
                {forecast && !counted && (
                    <span className="text-sm text-look-ink">{t('This forecast does not count in the live plan.')}</span>
                )}
                <FindBox
                    label={forecast ? t('Find an item') : t('Find order, customer, item')}
                    value={filter.q ?? ''}
                    onChange={(q) => change({ q })}
                />
            </div>
            {forecast ? (
                rows.length === 0 ? (
                    <Empty title={t('No forecast fits')}>{t('Choose another forecast, site or item.')}</Empty>
                ) : (
                    <ForecastGrid key={`${filter.forecast ?? ''} ${site}`} rows={rows} />
                )
            ) : sales.length === 0 ? (
                <Empty title={t('No sales line fits')}>{t('Everything is delivered, or a filter hides the rest.')}</Empty>
            ) : (
                <SalesTable sales={sales} today={plan.planDate} open={open} onOpen={setOpen} />
            )}
            {!forecast && sales.length >= mostLines && (
                <p className="mt-2 text-mute">
                    {t('Only the first {n} are shown. Narrow the list by site, order, customer or item.', { n: mostLines })}
                </p>
            )}
            {opened && (
                <Inspector label={t('Sales line')}>
                    <SalesPanel row={opened} answer={data} onClose={() => setOpen(null)} />
                </Inspector>
            )}
        </>
    );
}

interface TableProps {
    sales: SalesRow[];
    today: string;
    open: string | null;
    onOpen: (key: string) => void;
}

function SalesTable({ sales, today, open, onOpen }: TableProps) {
    const narrow = open !== null;
    return (
        <div className="rounded border border-line bg-surface">
            <table className="w-full table-fixed text-sm" onKeyDown={moveAmongRows}>
                <thead className="sticky -top-3 z-10 bg-surface">
                    <tr className="border-b border-line text-left text-xs text-mute">
                        <th scope="col" className="w-[88px] px-3 py-1.5">
                            {t('Order')}
                        </th>
                        <th scope="col" className="w-[14%]">
                            {t('Customer')}
                        </th>
                        <th scope="col">{t('Item')}</th>
                        <th scope="col" className="w-[36px]">
                            {t('Site')}
                        </th>
                        <th scope="col" className="w-[66px] text-right">
                            {t('Open')}
                        </th>
                        <th scope="col" className="w-[80px] text-right">
                            {t('Due')}
                        </th>
                        {!narrow && (
                            <th scope="col" className="w-[30px] text-right" title={t('Priority, 1 is the most urgent')}>
                                {t('Pri')}
                            </th>
                        )}
                        <th scope="col" className="w-[102px] pl-4">
                            {t('Cover')}
                        </th>
                        {!narrow && (
                            <th scope="col" className="w-[80px] text-right">
                                {t('Expected')}
                            </th>
                        )}
                        <th scope="col" className={`px-3 ${narrow ? 'w-[98px]' : 'w-[24%]'}`}>
                            {t('In time')}
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {sales.map((row) => (
                        <tr
                            key={keyOf(row)}
                            data-row
                            tabIndex={0}
                            aria-selected={open === keyOf(row)}
                            onClick={() => onOpen(keyOf(row))}
                            onFocus={(event) => event.target === event.currentTarget && onOpen(keyOf(row))}
                            className={`h-8 cursor-pointer border-b border-soft -outline-offset-2 last:border-0 ${open === keyOf(row) ? 'bg-act-tint' : 'hover:bg-act-tint/50'}`}
                        >
                            <td className="px-3 font-semibold whitespace-nowrap">
                                {row.order}/{row.line}
                                <DraftPencil reference={`sales:${keyOf(row)}`} />
                            </td>
                            <td className="truncate pr-2" title={row.customer}>
                                {row.customer}
                            </td>
                            <td className="truncate pr-2" title={row.name}>
                                <Link href={itemHref(row.item, row.site)} className="font-semibold hover:underline">
                                    {row.item}
                                </Link>{' '}
                                <span className="text-mute">{row.name}</span>
                            </td>
                            <td className="text-mute">{row.site}</td>
                            <td className="text-right whitespace-nowrap">
                                {qty(row.open, row.decimals)} <span className="text-mute">{row.unit}</span>
                            </td>
                            <td className={`text-right whitespace-nowrap ${row.due < today ? 'font-semibold text-broken' : ''}`}>
                                <DraftedDay reference={`sales:${keyOf(row)}`} due={row.due} today={today} />
                            </td>
                            {!narrow && <td className="text-right text-mute">{row.priority}</td>}
                            <td className="pl-4">
                                {row.strip ? (
                                    <CoverStrip strip={row.strip} width={84} />
                                ) : (
                                    <span className="text-xs text-mute">{t('not planned')}</span>
                                )}
                            </td>
                            {!narrow && (
                                <td className={`text-right whitespace-nowrap ${row.lateDays > 0 ? 'font-semibold text-broken' : ''}`}>
                                    {row.expected ? day(row.expected, today) : ''}
                                </td>
                            )}
                            <td className="truncate px-3" title={row.reason ?? ''}>
                                {row.lateDays > 0 ? (
                                    <>
                                        <span className="font-semibold text-broken">{tn('1 day late', '{n} days late', row.lateDays)}</span>{' '}
                                        {!narrow && <span className="text-mute">{row.reason}</span>}
                                    </>
                                ) : row.strip ? (
                                    <span className="text-mute">{t('on time')}</span>
                                ) : null}
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}
