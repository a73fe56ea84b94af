import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { Empty } from '@/components/Empty';
import { FindBox } from '@/components/FindBox';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillTabs, PillToggle } from '@/components/Pill';
import { SavedViews } from '@/components/SavedViews';
import { Inspector } from '@/layout/Shell';
import { useDraft } from '@/lib/draft';
import type { CapacityPage, LoadTable } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { CapacityTabs } from '@/pages/parts/CapacityTabs';
import { LoadGrid, type LoadPlace } from '@/pages/parts/LoadGrid';
import { LoadPanel } from '@/pages/parts/LoadPanel';

const DEFAULTS = { bucket: 'week', as: 'percent' };

/** How full work centres are, and with what: each number can be asked. With the person's draft, if there is one. */
export default function Capacity({ filter, planned, views }: CapacityPage) {
    const draft = useDraft();
    const { plan, site } = useShared();
    const [open, setOpen] = useState<LoadPlace | null>(null);
    const change = (changes: Record<string, string>) => refilter('/capacity', filter, changes, DEFAULTS);
    const asked: Record<string, string> = { ...filter };
    const set = Object.fromEntries(Object.entries(asked).filter(([name, value]) => value !== '' && name !== 'as'));
    const { data, trouble } = useLoaded<LoadTable>(
        planned ? `/capacity/load?${new URLSearchParams(set).toString()}` : null,
        `${draft.stamp} ${plan.id} ${plan.changes} ${site}`,
    );
    const bucket = filter.bucket;
    const rows = data?.groups.flatMap((group) => group.rows) ?? [];
    return (
        <div className="flex h-full min-h-0 flex-col">
            <PageHead title={t('Load')}>{data && heading(data, bucket)}</PageHead>
            <CapacityTabs on="load" />
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillTabs
                    label={t('Period')}
                    value={bucket}
                    onChange={(next) => {
                        setOpen(null);
                        change({ bucket: next, from: '' });
                    }}
                    choices={[
                        { value: 'day', label: t('Days') },
                        { value: 'week', label: t('Weeks') },
                        { value: 'month', label: t('Months') },
                    ]}
                />
                <PillTabs
                    label={t('Figures')}
                    value={filter.as}
                    onChange={(as) => change({ as })}
                    choices={[
                        { value: 'percent', label: t('Percent') },
                        { value: 'hours', label: t('Hours') },
                    ]}
                />
                <PillSelect
                    label={t('Orders')}
                    value={filter.kind}
                    onChange={(kind) => change({ kind })}
                    choices={[
                        { value: '', label: t('Orders and proposals') },
                        { value: 'orders', label: t('Only orders') },
                        { value: 'proposals', label: t('Only proposals') },
                    ]}
                />
                <PillToggle on={filter.over === '1'} onChange={(on) => change({ over: on ? '1' : '' })}>
                    {t('Over 100 %')}
                </PillToggle>
                <span className="flex items-center">
                    <Step
                        label={t('Earlier')}
                        disabled={data?.earlier === null || data === null}
                        onClick={() => change({ from: data?.earlier ?? '' })}
                    >
                        <ChevronLeft size={15} aria-hidden />
                    </Step>
                    <Step
                        label={t('Later')}
                        disabled={data?.later === null || data === null}
                        onClick={() => change({ from: data?.later ?? '' })}
                    >
                        <ChevronRight size={15} aria-hidden />
                    </Step>
                </span>
                <SavedViews page="capacity" path="/capacity" views={views} filter={filter} />
                <FindBox label={t('Find item, order, customer')} value={filter.q} onChange={(q) => change({ q })} />
            </div>
            {trouble && <Notice tone="broken">{trouble}</Notice>}
            {!planned ? (
                <Empty title={t('Nothing has been planned yet')}>{t('Press Run above; the plan will stand here.')}</Empty>
            ) : data && rows.length === 0 ? (
                <Empty title={filter.over === '1' ? t('Nothing is over 100 % here') : t('There are no work centres here')}>
                    {t('Other periods or another site may have more.')}
                </Empty>
            ) : (
                data && <LoadGrid table={data} bucket={bucket} as={filter.as} today={plan.planDate} open={open} onOpen={setOpen} />
            )}
            {data && rows.length > 0 && <Legend />}
            {open && (
                <Inspector label={t('Load')}>
                    <LoadPanel place={open} bucket={bucket} onClose={() => setOpen(null)} />
                </Inspector>
            )}
        </div>
    );
}

function heading(table: LoadTable, bucket: string): string {
    const periods = { day: tn(':n day', ':n days', table.periods.length), month: tn(':n month', ':n months', table.periods.length) };
    const when = periods[bucket as 'day' | 'month'] ?? tn(':n week', ':n weeks', table.periods.length);
    return table.over === 0
        ? t('No work centre is over 100 % in these :when', { when })
        : tn(':n work centre is over 100 % in these :when', ':n work centres are over 100 % in these :when', table.over, { when });
}

function Step({
    label,
    disabled,
    onClick,
    children,
}: {
    label: string;
    disabled: boolean;
    onClick: () => void;
    children: React.ReactNode;
}) {
    return (
        <button
            type="button"
            aria-label={label}
            title={label}
            disabled={disabled}
            onClick={onClick}
            className="flex size-[27px] items-center justify-center border border-line bg-surface first:rounded-l-full last:-ml-px last:rounded-r-full enabled:hover:border-mute disabled:text-line"
        >
            {children}
        </button>
    );
}

/** What the fills stand for. */
function Legend() {
    const looks: [string, string][] = [
        ['bg-cause-sales', t('sales orders')],
        ['bg-cause-forecast', t('forecast')],
        ['bg-cause-rule', t('lot size and stock rule')],
        ['cover-late', t('more than it can do')],
    ];
    return (
        <p className="mt-1.5 flex flex-wrap gap-4 text-xs text-mute">
            {looks.map(([look, label]) => (
                <span key={look} className="flex items-center gap-1.5">
                    <span aria-hidden className={`size-3 ${look}`} />
                    {label}
                </span>
            ))}
        </p>
    );
}
