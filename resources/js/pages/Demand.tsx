import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { DraftedDay, DraftedExpected, DraftPencil, Touched } from '@/components/DraftMarks';
import { CoverStrip } from '@/components/CoverStrip';
import { Empty } from '@/components/Empty';
import { ExportLink } from '@/components/ExportLink';
import { FindBox } from '@/components/FindBox';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillToggle } from '@/components/Pill';
import { Inspector } from '@/layout/Shell';
import { useDraft } from '@/lib/draft';
import { qty } from '@/lib/format';
import type { DemandPage, Explanation, ForecastRows, SalesRow, SalesRows } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { useMoreRows } from '@/lib/useMoreRows';
import { DemandTabs } from '@/pages/parts/DemandTabs';
import { ForecastGrid } from '@/pages/parts/ForecastGrid';
import { itemHref } from '@/pages/parts/ItemPanel';
import { SalesPanel } from '@/pages/parts/SalesPanel';
import { type DataColumn, DataTable, type Order } from '@/components/DataTable';

const keyOf = (row: SalesRow | undefined) => (row ? `${row.order}/${row.line}` : '');

export default function Demand({ filter, sales: first, total, late, forecasts, rows, allRows, counted }: DemandPage) {
    const { plan, site } = useShared();
    const change = (changes: Record<string, string>) =>
        refilter('/demand', filter, changes, { view: 'sales', forecast: forecasts[0] ?? '' });
    const forecast = filter.view === 'forecast';
    const grid = useMoreRows('/demand/forecast-rows', filter, rows, allRows, (answer: ForecastRows) => answer.rows);
    const { rows: sales, more, trouble } = useMoreRows('/demand/rows', filter, first, total, (answer: SalesRows) => answer.rows);
    const [open, setOpen] = useState<string | null>(
        filter.q && sales.length > 0 ? keyOf(sales.find((row) => row.lateDays > 0) ?? sales[0]) : null,
    );
    const opened = forecast ? undefined : sales.find((row) => keyOf(row) === open);
    const { data } = useLoaded<Explanation>(
        opened?.strip ? `/demand/line?${new URLSearchParams({ order: opened.order, line: opened.line }).toString()}` : null,
        plan.id,
    );
    return (
        <>
            <PageHead title={t('Demand')}>
                {forecast
                    ? t('Type into a cell to change it. Sales orders consume the forecast; what is left is planned.')
                    : `${tn('1 open sales line', ':n open sales lines', total)}, ${t(':n late', { n: late })}`}
            </PageHead>
            <DemandTabs on={forecast ? 'forecast' : 'sales'} />
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
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
                {!forecast && (
                    <span className="order-last">
                        <ExportLink list="sales" params={filter} />
                    </span>
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
                    <ForecastGrid key={`${filter.forecast ?? ''} ${site}`} rows={grid.rows} total={allRows} more={grid.more} />
                )
            ) : sales.length === 0 ? (
                <Empty title={t('No sales line fits')}>{t('Everything is delivered, or a filter hides the rest.')}</Empty>
            ) : (
                <SalesTable
                    sales={sales}
                    total={total}
                    more={more}
                    order={{ by: filter.sort ?? '', onChange: (sort) => change({ sort }) }}
                    today={plan.planDate}
                    open={open}
                    onOpen={setOpen}
                />
            )}
            {(trouble ?? grid.trouble) && <p className="mt-2 text-broken">{trouble ?? grid.trouble}</p>}
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
    total: number;
    more: (() => void) | null;
    order: Order;
    today: string;
    open: string | null;
    onOpen: (key: string) => void;
}

const lateness = (days: number) => (days > 0 ? tn('1 day late', ':n days late', days) : t('on time'));

function SalesTable({ sales, total, more, order, today, open, onOpen }: TableProps) {
    const { expected } = useDraft().state;
    const isDrafting = Object.keys(expected).length > 0;
    const narrow = open !== null;
    const columns: DataColumn<SalesRow>[] = [
        {
            id: 'order',
            head: t('Order'),
            width: '92px',
            look: 'font-semibold whitespace-nowrap',
            sort: true,
            cell: (row) => (
                <>
                    {row.order}/{row.line}
                    <DraftPencil reference={row.reference} />
                    <Touched reference={row.reference} />
                </>
            ),
        },
        {
            id: 'customer',
            head: t('Customer'),
            width: '13%',
            sort: true,
            title: (row) => row.customer,
            cell: (row) =>
                row.heldUntil === null ? (
                    row.customer
                ) : (
                    <>
                        {row.customer} <span className="text-look-ink">{t('held')}</span>
                    </>
                ),
        },
        {
            id: 'item',
            head: t('Item'),
            sort: true,
            title: (row) => row.name,
            cell: (row) => (
                <>
                    <Link href={itemHref(row.item, row.site)} className="font-semibold hover:underline">
                        {row.item}
                    </Link>{' '}
                    <span className="text-mute">{row.name}</span>
                </>
            ),
        },
        { id: 'site', head: t('Site'), width: '46px', look: 'text-mute', sort: true, cell: (row) => row.site },
        {
            id: 'open',
            head: t('Open'),
            width: '70px',
            right: true,
            sort: true,
            cell: (row) => (
                <>
                    {qty(row.open, row.decimals)} <span className="text-mute">{row.unit}</span>
                </>
            ),
        },
        {
            id: 'due',
            head: t('Due'),
            width: '88px',
            right: true,
            sort: true,
            cell: (row) => <DraftedDay reference={row.reference} due={row.due} today={today} />,
            cellLook: (row) => (row.due < today ? 'font-semibold text-broken' : ''),
        },
        {
            id: 'priority',
            head: t('Pri'),
            about: t('Priority, 1 is the most urgent'),
            width: '38px',
            right: true,
            wide: true,
            look: 'text-mute',
            sort: true,
            cell: (row) => row.priority,
        },
        {
            id: 'cover',
            head: t('Cover'),
            width: '106px',
            sort: true,
            look: 'pl-3',
            cell: (row) =>
                row.strip ? <CoverStrip strip={row.strip} width={84} /> : <span className="text-xs text-mute">{t('not planned')}</span>,
        },
        {
            id: 'expected',
            head: t('Expected'),
            width: isDrafting ? '118px' : '84px',
            right: true,
            wide: true,
            sort: true,
            cell: (row) => <DraftedExpected reference={row.reference} expected={row.expected} today={today} />,
            cellLook: (row) => (row.lateDays > 0 ? 'font-semibold text-broken' : ''),
        },
        {
            id: 'late',
            head: t('In time'),
            width: narrow ? '98px' : '22%',
            look: 'pl-2',
            sort: true,
            title: (row) => row.reason ?? '',
            cell: (row) =>
                expected[row.reference] !== undefined && expected[row.reference]?.lateDays !== row.lateDays ? (
                    <>
                        <s className="text-xs text-mute">{lateness(row.lateDays)}</s>{' '}
                        <strong className="text-draft">{lateness(expected[row.reference]?.lateDays ?? 0)}</strong>
                    </>
                ) : row.lateDays > 0 ? (
                    <>
                        <span className="font-semibold text-broken">{lateness(row.lateDays)}</span>{' '}
                        {!narrow && <span className="text-mute">{row.reason}</span>}
                    </>
                ) : (
                    row.strip && <span className="text-mute">{lateness(0)}</span>
                ),
        },
    ];
    return (
        <DataTable
            name="sales"
            label={t('Sales orders')}
            columns={columns}
            rows={sales}
            total={total}
            more={more}
            order={order}
            keyOf={keyOf}
            open={open}
            onOpen={(row) => onOpen(keyOf(row))}
            narrow={narrow}
        />
    );
}
