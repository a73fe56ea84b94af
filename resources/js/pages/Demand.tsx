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
import { day } from '@/lib/format';
import type { DemandPage, Explanation, SalesRow, SalesRows } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { useMoreRows } from '@/lib/useMoreRows';
import { usePicked } from '@/lib/usePicked';
import { DemandTabs } from '@/pages/parts/DemandTabs';
import { ForecastView } from '@/pages/parts/ForecastView';
import { NewSalesLine } from '@/pages/parts/SalesForms';
import { SalesInBulk } from '@/pages/parts/SalesInBulk';
import { SalesPanel } from '@/pages/parts/SalesPanel';
import { keyOf, SalesTable } from '@/pages/parts/SalesTable';
import { useMayMoveStock } from '@/pages/parts/StockForms';

export default function Demand(page: DemandPage) {
    const { filter, total, late } = page;
    const change = (changes: Record<string, string>) =>
        refilter('/demand', filter, changes, { view: 'sales', forecast: page.forecasts[0]?.code ?? '' });
    const isForecast = filter.view === 'forecast';
    const { plan } = useShared();
    return (
        <>
            <PageHead title={t('Demand')}>
                {isForecast
                    ? aboutForecast(page, plan.planDate)
                    : `${tn('1 open sales line', ':n open sales lines', total)}, ${t(':n late', { n: late })}`}
            </PageHead>
            <DemandTabs on={isForecast ? 'forecast' : 'sales'} />
            {isForecast ? <ForecastView {...page} change={change} /> : <SalesLines {...page} change={change} />}
        </>
    );
}

/** What the forecast is for, its days, and whether it counts. */
function aboutForecast({ forecasts, filter }: DemandPage, today: string): string {
    const heading = forecasts.find(({ code }) => code === filter.forecast);
    return heading === undefined
        ? t('Sales orders consume the forecast; what is left is planned.')
        : [
              heading.purpose,
              heading.begins && t('from :day', { day: day(heading.begins, today) }),
              heading.ends && t('until :day', { day: day(heading.ends, today) }),
              heading.isCounted ? t('counted in the live plan') : t('not counted in the live plan'),
          ]
              .filter(Boolean)
              .join(' \u00b7 ');
}

function SalesLines({ filter, sales: first, total, views, change }: DemandPage & { change: (changes: Record<string, string>) => void }) {
    const { plan } = useShared();
    const draft = useDraft();
    const [told, setTold] = useState<string | null>(null);
    const [adding, setAdding] = useState(false);
    const { picked, onPick, clear } = usePicked((row: SalesRow) => keyOf(row));
    const mayPick = (useMayMoveStock() || draft.may) && plan.study === null;
    const { rows: sales, more, trouble } = useMoreRows('/demand/rows', filter, first, total, (answer: SalesRows) => answer.rows);
    const chosen = sales.filter((row) => picked.has(keyOf(row)));
    const [open, setOpen] = useState<string | null>(
        filter.q && sales.length > 0 ? keyOf(sales.find((row) => row.lateDays > 0) ?? sales[0]) : null,
    );
    const opened = sales.find((row) => keyOf(row) === open);
    const { data } = useLoaded<Explanation>(
        opened?.strip ? `/demand/line?${new URLSearchParams({ order: opened.order, line: opened.line }).toString()}` : null,
        plan.id,
    );
    return (
        <>
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillToggle on={filter.late === '1'} onChange={(on) => change({ late: on ? '1' : '' })}>
                    {t('Late only')}
                </PillToggle>
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
                {draft.may && plan.study === null && (
                    <Button className="!h-[27px]" onClick={() => setAdding(true)}>
                        {t('New sales line')}
                    </Button>
                )}
                <SavedViews page="sales" path="/demand" views={views} filter={filter} />
                <span className="order-last">
                    <ExportLink list="sales" params={filter} />
                </span>
                <FindBox label={t('Find order, customer, item')} value={filter.q} onChange={(q) => change({ q })} />
            </div>
            {told && (
                <Notice tone="done" onClose={() => setTold(null)}>
                    {told}
                </Notice>
            )}
            {chosen.length > 0 && <SalesInBulk rows={chosen} onClear={clear} onTold={setTold} />}
            {sales.length === 0 ? (
                <Empty title={t('No sales line fits')}>{t('Everything is delivered, or a filter hides the rest.')}</Empty>
            ) : (
                <SalesTable
                    sales={sales}
                    total={total}
                    more={more}
                    order={{ by: filter.sort, onChange: (sort) => change({ sort }) }}
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
            {trouble && <p className="mt-2 text-broken">{trouble}</p>}
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
