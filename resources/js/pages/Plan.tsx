import { Link, usePage } from '@inertiajs/react';
import { useState } from 'react';
import { Empty } from '@/components/Empty';
import { ExportLink } from '@/components/ExportLink';
import { FindBox } from '@/components/FindBox';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillTabs, PillToggle } from '@/components/Pill';
import { Inspector } from '@/layout/Shell';
import { grouped } from '@/lib/digits';
import type { PlanPage, PointDetail } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { type Sentence, t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { AsSwitch } from '@/pages/parts/AsSwitch';
import { ItemPanel } from '@/pages/parts/ItemPanel';
import { PlanGrid, type Picked } from '@/pages/parts/PlanGrid';

const DEFAULTS = { sort: 'structure', as: 'expected', show: 'balance' };

const SHOWN: Record<string, Sentence> = {
    balance: 'Balance at the end of each period, :trouble of :points items in trouble',
    needed: 'What is needed in each period, :trouble of :points items in trouble',
    to_start: 'What is to start in each period, :trouble of :points items in trouble',
};

export default function Plan({ planned, periods, rows, total, inTrouble, points, suppliers, filter }: PlanPage) {
    const { plan, site, counts } = useShared();
    const { url } = usePage();
    const [picked, setPicked] = useState<Picked | null>(null);
    const change = (changes: Record<string, string>) => refilter('/plan', filter, changes, DEFAULTS);
    const view = { bucket: filter.bucket ?? 'week', as: filter.as ?? 'expected' };
    const address = picked ? `/plan/point?${new URLSearchParams({ item: picked.item, at: picked.site, ...view }).toString()}` : null;
    const { data, trouble } = useLoaded<PointDetail>(address, plan.id);
    return (
        <>
            <div className="flex items-start gap-3">
                <PageHead title={t('Plan')}>
                    {t(SHOWN[filter.show ?? 'balance'] ?? 'Plan', { trouble: grouped(inTrouble), points: grouped(points) })}
                </PageHead>
                <span className="ml-auto flex shrink-0 items-center gap-4">
                    {counts.messages > 0 && (
                        <Link href="/messages" className="font-semibold whitespace-nowrap text-act hover:underline">
                            {tn('1 message to work through', ':n messages to work through', counts.messages)}
                        </Link>
                    )}
                    <ExportLink list="plan" params={filter} />
                    <AsSwitch value={view.as} onChange={(as) => change({ as })} />
                </span>
            </div>
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillToggle on={filter.trouble === '1'} onChange={(on) => change({ trouble: on ? '1' : '' })}>
                    {t('In trouble')}
                </PillToggle>
                <PillSelect
                    label={t('Comes about by')}
                    value={filter.supply ?? ''}
                    onChange={(supply) => change({ supply })}
                    choices={[
                        { value: '', label: t('Made and bought') },
                        { value: 'make', label: t('Made') },
                        { value: 'buy', label: t('Bought') },
                        { value: 'transfer', label: t('Transferred') },
                    ]}
                />
                <PillSelect
                    label={t('Supplier')}
                    value={filter.supplier ?? ''}
                    onChange={(supplier) => change({ supplier })}
                    choices={[
                        { value: '', label: t('Any supplier') },
                        ...suppliers.map((supplier) => ({ value: supplier.code, label: supplier.name })),
                    ]}
                />
                <PillSelect
                    label={t('Order')}
                    value={filter.sort ?? 'structure'}
                    onChange={(sort) => change({ sort })}
                    choices={[
                        { value: 'structure', label: t('By structure') },
                        { value: 'code', label: t('By code') },
                        { value: 'urgency', label: t('By urgency') },
                    ]}
                />
                <PillSelect
                    label={t('Periods')}
                    value={view.bucket}
                    onChange={(bucket) => change({ bucket })}
                    choices={[
                        { value: 'week', label: t('Weeks') },
                        { value: 'day', label: t('Days') },
                        { value: 'month', label: t('Months') },
                    ]}
                />
                <PillTabs
                    label={t('What the periods show')}
                    value={filter.show ?? 'balance'}
                    onChange={(show) => change({ show })}
                    choices={[
                        { value: 'balance', label: t('balance') },
                        { value: 'needed', label: t('needed') },
                        { value: 'to_start', label: t('to start') },
                    ]}
                />
                <FindBox label={t('Find an item')} value={filter.q ?? ''} onChange={(q) => change({ q })} />
            </div>
            {!planned && <Empty title={t('Nothing has been planned yet')}>{t('Press Run above; the plan will stand here.')}</Empty>}
            {planned && total === 0 && <Empty title={t('No item fits')}>{t('Take a filter away to see more.')}</Empty>}
            {planned && total > 0 && (
                <PlanGrid
                    key={`${url} ${site} ${plan.id ?? ''}`}
                    periods={periods}
                    firstRows={rows}
                    total={total}
                    filter={filter}
                    picked={picked}
                    onPick={setPicked}
                />
            )}
            {picked && (
                <Inspector label={t('Item')}>
                    {trouble && <p className="text-broken">{trouble}</p>}
                    {data && <ItemPanel detail={data} onClose={() => setPicked(null)} />}
                </Inspector>
            )}
        </>
    );
}
