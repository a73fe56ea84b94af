import { useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { ExportLink } from '@/components/ExportLink';
import { FindBox } from '@/components/FindBox';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillToggle } from '@/components/Pill';
import { SavedViews } from '@/components/SavedViews';
import { Inspector } from '@/layout/Shell';
import { useDraft } from '@/lib/draft';
import type { DemandPage, Explanation, ForecastRows, SalesRow, SalesRows } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { useMoreRows } from '@/lib/useMoreRows';
import { usePicked } from '@/lib/usePicked';
import { DemandTabs } from '@/pages/parts/DemandTabs';
import { ForecastGrid } from '@/pages/parts/ForecastGrid';
import { NewSalesLine } from '@/pages/parts/SalesForms';
import { SalesInBulk } from '@/pages/parts/SalesInBulk';
import { SalesPanel } from '@/pages/parts/SalesPanel';
import { keyOf, SalesTable } from '@/pages/parts/SalesTable';
import { useMayMoveStock } from '@/pages/parts/StockForms';

export default function Demand({ filter, sales: first, total, late, forecasts, rows, allRows, counted, views }: DemandPage) {
    const { plan, site } = useShared();
    const draft = useDraft();
    const [told, setTold] = useState<string | null>(null);
    const [adding, setAdding] = useState(false);
    const { picked, onPick, clear } = usePicked((row: SalesRow) => keyOf(row));
    const mayPick = (useMayMoveStock() || draft.may) && plan.study === null;
    const change = (changes: Record<string, string>) =>
        refilter('/demand', filter, changes, { view: 'sales', forecast: forecasts[0] ?? '' });
    const forecast = filter.view === 'forecast';
    const grid = useMoreRows('/demand/forecast-rows', filter, rows, allRows, (answer: ForecastRows) => answer.rows);
    const { rows: sales, more, trouble } = useMoreRows('/demand/rows', filter, first, total, (answer: SalesRows) => answer.rows);
    const chosen = sales.filter((row) => picked.has(keyOf(row)));
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
                {!forecast && (
                    <PillSelect
                        label={t('Grouped')}
                        value={filter.by}
                        onChange={(by) => change({ by })}
                        choices={[
                            { value: '', label: t('In one list') },
                            { value: 'customer', label: t('By customer') },
                            { value: 'item', label: t('By item') },
                            { value: 'week', label: t('By week due') },
                            { value: 'site', label: t('By site') },
                        ]}
                    />
                )}
                {!forecast && draft.may && plan.study === null && (
                    <Button className="!h-[27px]" onClick={() => setAdding(true)}>
                        {t('New sales line')}
                    </Button>
                )}
                {!forecast && <SavedViews page="sales" path="/demand" views={views} filter={filter} />}
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
            {told && (
                <Notice tone="done" onClose={() => setTold(null)}>
                    {told}
                </Notice>
            )}
            {chosen.length > 0 && <SalesInBulk rows={chosen} onClear={clear} onTold={setTold} />}
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
                    by={filter.by}
                    picked={picked}
                    onPick={mayPick ? onPick : null}
                    open={adding ? '' : open}
                    onOpen={(key) => {
                        setAdding(false);
                        setOpen(key);
                    }}
                />
            )}
            {(trouble ?? grid.trouble) && <p className="mt-2 text-broken">{trouble ?? grid.trouble}</p>}
            {adding && (
                <Inspector label={t('A new sales line')}>
                    <NewSalesLine onClose={() => setAdding(false)} />
                </Inspector>
            )}
            {opened && !adding && (
                <Inspector label={t('Sales line')}>
                    <SalesPanel row={opened} answer={data} onClose={() => setOpen(null)} />
                </Inspector>
            )}
        </>
    );
}
