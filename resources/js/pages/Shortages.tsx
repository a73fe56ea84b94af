import { Link } from '@inertiajs/react';
import { useMemo, useState, type KeyboardEvent } from 'react';
import { Button } from '@/components/Button';
import { CoverStrip } from '@/components/CoverStrip';
import { Empty } from '@/components/Empty';
import { FindBox } from '@/components/FindBox';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillTabs, PillToggle } from '@/components/Pill';
import { SavedViews } from '@/components/SavedViews';
import { Inspector } from '@/layout/Shell';
import { useDraft } from '@/lib/draft';
import { day, daysBetween, inDays, qty } from '@/lib/format';
import type { NeedState, ShortageList, ShortageRow, ShortagesPage } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { fits, grouped, type Group } from '@/lib/shortageGroups';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { ResolvePanel } from '@/pages/parts/ResolvePanel';
import { ShortagePanel } from '@/pages/parts/ShortagePanel';
import { NEED_STATES } from '@/lib/words';
import { type DataColumn, DataTable } from '@/components/DataTable';

const DEFAULTS = { days: '14', by: 'component', unsent: '1' };

const BARS: Record<NeedState, string> = { waiting: 'bg-broken', passed: 'bg-look', order_now: 'bg-order', covered: 'bg-stock' };

/** What will not be covered in time within a window, and the way out of each. With the person's draft, if there is one. */
export default function Shortages({ filter, planned, open: first, views }: ShortagesPage) {
    const draft = useDraft();
    const { plan, site } = useShared();
    const [open, setOpen] = useState<string | null>(first || null);
    const [kept, setKept] = useState<ShortageRow | null>(null);
    const [resolving, setResolving] = useState(false);
    const change = (changes: Record<string, string>) => refilter('/shortages', filter, changes, DEFAULTS);
    const query = new URLSearchParams({ days: filter.days ?? '14', unsent: filter.unsent ?? '1', state: filter.state ?? '' }).toString();
    const { data, trouble } = useLoaded<ShortageList>(
        planned ? `/shortages/rows?${query}` : null,
        `${draft.stamp} ${plan.id} ${plan.changes} ${site}`,
    );
    const rows = useMemo(() => (data?.rows ?? []).filter((row) => fits(row, filter)), [data, filter]);
    const opened = data?.rows.find((row) => row.identity === open) ?? null;

    if (opened && opened !== kept) {
        setKept(opened); // what is covered leaves the list, but not the panel
    }

    const shown = opened ?? (kept?.identity === open ? kept : null);
    const largest = Math.max(1, ...Object.values(data?.counts ?? {}));
    return (
        <>
            <div className="flex items-start gap-3">
                <PageHead title={t('Shortages')}>
                    {data &&
                        t('Needed to :day: :components components of :orders orders and proposals', {
                            day: day(data.until, plan.planDate),
                            components: data.components,
                            orders: data.orders,
                        })}
                </PageHead>
                <span className="ml-auto flex shrink-0 gap-3 pt-0.5 text-sm whitespace-nowrap">
                    <Link href="/availability" className="font-semibold text-act hover:underline">
                        {t('Availability by structure')}
                    </Link>
                    <Link href="/reservations" className="font-semibold text-act hover:underline">
                        {t('Reservations')}
                    </Link>
                </span>
            </div>
            <div role="group" aria-label={t('By what it needs')} className="mb-2.5 grid grid-cols-4 gap-2">
                {(Object.keys(NEED_STATES) as NeedState[]).map((state) => {
                    const count = data?.counts[state] ?? 0;
                    const on = filter.state === state;
                    return (
                        <button
                            key={state}
                            type="button"
                            aria-pressed={on}
                            onClick={() => change({ state: on ? '' : state })}
                            className={`flex flex-col justify-between rounded border px-3 py-1.5 text-left ${on ? 'border-act bg-surface outline outline-act' : 'border-line bg-surface hover:border-mute'}`}
                        >
                            <span className="flex items-baseline gap-2 text-sm">
                                <strong className={`text-lg ${state === 'waiting' && count > 0 ? 'text-broken' : ''}`}>
                                    {data ? count : '…'}
                                </strong>
                                <span>{t(NEED_STATES[state])}</span>
                            </span>
                            <span className="mt-1 block h-1.5 w-full bg-soft" aria-hidden>
                                <span className={`block h-full ${BARS[state]} min-w-px`} style={{ width: `${(count / largest) * 100}%` }} />
                            </span>
                        </button>
                    );
                })}
            </div>
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillSelect
                    label={t('Window')}
                    value={filter.days ?? '14'}
                    onChange={(days) => change({ days })}
                    choices={[
                        { value: '14', label: t('Next 2 weeks') },
                        { value: '0', label: t('Today') },
                        { value: '4', label: t('This week') },
                        { value: '28', label: t('Next 4 weeks') },
                        { value: '56', label: t('Next 8 weeks') },
                    ]}
                />
                <PillTabs
                    label={t('Group')}
                    value={filter.by ?? 'component'}
                    onChange={(by) => change({ by })}
                    choices={[
                        { value: 'component', label: t('By component') },
                        { value: 'order', label: t('By order') },
                        { value: 'customer', label: t('By customer line') },
                    ]}
                />
                <PillToggle on={filter.unsent !== '0'} onChange={(on) => change({ unsent: on ? '1' : '0' })}>
                    {t('Count unsent purchases')}
                </PillToggle>
                <SavedViews page="shortages" path="/shortages" views={views} filter={filter} />
                <Button
                    look="quiet"
                    className="!h-[27px] !px-1 text-sm"
                    disabled={!draft.may || rows.length === 0}
                    onClick={() => {
                        setOpen(null);
                        setResolving(true);
                    }}
                >
                    {t('Resolve all')}
                </Button>
                <FindBox label={t('Find item, order')} value={filter.q ?? ''} onChange={(q) => change({ q })} />
            </div>
            {trouble && <Notice tone="broken">{trouble}</Notice>}
            {!planned ? (
                <Empty title={t('Nothing has been planned yet')}>{t('Press Run above; the plan will stand here.')}</Empty>
            ) : data && rows.length === 0 ? (
                <Empty title={t('Nothing is short here')}>{t('A longer window, another site or another kind may have more.')}</Empty>
            ) : (
                <Table
                    groups={grouped(rows, filter.by ?? 'component')}
                    today={plan.planDate}
                    open={open}
                    narrow={shown !== null || resolving}
                    loading={data === null}
                    onOpen={(identity) => {
                        setResolving(false);
                        setOpen(identity);
                    }}
                />
            )}
            {shown && !resolving && (
                <Inspector label={t('Shortage')}>
                    <ShortagePanel
                        key={shown.identity}
                        row={shown}
                        solved={opened === null && data !== null}
                        onClose={() => setOpen(null)}
                    />
                </Inspector>
            )}
            {resolving && (
                <Inspector label={t('Resolve all')}>
                    <ResolvePanel
                        rows={rows.filter((row) => ['waiting', 'passed'].includes(row.state) && row.accepted === null)}
                        onClose={() => setResolving(false)}
                    />
                </Inspector>
            )}
        </>
    );
}

interface TableProps {
    groups: Group[];
    today: string;
    open: string | null;
    narrow: boolean;
    loading: boolean;
    onOpen: (identity: string) => void;
}

function Table({ groups, today, open, narrow, loading, onOpen }: TableProps) {
    const onKey = (event: KeyboardEvent<HTMLElement>) => {
        if (event.target === event.currentTarget && /^[1-9]$/.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey) {
            document.querySelector<HTMLButtonElement>(`[data-remedy="${event.key}"]`)?.click();
        }
    };
    const columns: DataColumn<ShortageRow>[] = [
        {
            id: 'item',
            head: t('Component'),
            title: (row) => `${row.item} ${row.name}`,
            cell: (row) => (
                <>
                    <strong>{row.item}</strong> <span className="text-mute">{row.name}</span>
                </>
            ),
        },
        {
            id: 'for',
            head: t('For'),
            width: narrow ? '118px' : '150px',
            title: (row) => row.consumer.label,
            cell: (row) => row.consumer.label,
        },
        {
            id: 'short',
            head: t('Short of'),
            width: '112px',
            right: true,
            cell: (row) => (
                <>
                    <strong>{qty(row.short)}</strong>{' '}
                    <span className="text-mute">
                        / {qty(row.qty)} {row.unit}
                    </span>
                </>
            ),
        },
        { id: 'cover', head: t('Cover'), width: '104px', look: 'pl-3', cell: (row) => <CoverStrip strip={row.strip} /> },
        { id: 'needed', head: t('Needed'), width: '88px', right: true, cell: (row) => day(row.date, today) },
        {
            id: 'by',
            head: t('Order by'),
            width: '88px',
            right: true,
            wide: true,
            cell: (row) => (row.orderBy ? day(row.orderBy, today) : <span className="text-mute">{t('ordered')}</span>),
        },
        { id: 'state', head: t('State'), width: '108px', look: 'pl-3', cell: (row) => <State row={row} today={today} /> },
        {
            id: 'hits',
            head: t('Hits'),
            width: '136px',
            wide: true,
            title: (row) => row.hits.join(', '),
            cell: (row) => (row.hits.length > 1 ? tn(':n customer', ':n customers', row.hits.length) : row.hits[0]),
        },
    ];
    return (
        <DataTable
            name="shortages"
            label={t('Shortages')}
            columns={columns}
            groups={groups.map((group) => ({
                ...group,
                label: (
                    <>
                        <span className="inline-block first-letter:uppercase">{group.label}</span>{' '}
                        <span className="font-normal text-mute">{group.rows.length}</span>
                    </>
                ),
            }))}
            keyOf={(row) => row.identity}
            open={open}
            onOpen={(row) => onOpen(row.identity)}
            onKey={onKey}
            narrow={narrow}
            busy={loading}
            rowLook={(row) => (row.accepted ? 'text-mute' : '')}
        />
    );
}

/** How late it is, by how many days the day to order has passed, or how long there is still time. */
function State({ row, today }: { row: ShortageRow; today: string }) {
    if (row.accepted) {
        return <span title={row.accepted}>{t('accepted')}</span>;
    }
    if (row.lateDays > 0) {
        return <strong className="text-broken">{tn('1 day late', ':n days late', row.lateDays)}</strong>;
    }
    if (row.daysPast > 0) {
        return <strong className="text-look-ink">{tn('1 day past', ':n days past', row.daysPast)}</strong>;
    }
    if (row.state === 'covered') {
        return <span className="text-mute">{t('in time')}</span>;
    }
    return row.orderBy ? <span>{t('order :when', { when: inDays(daysBetween(today, row.orderBy)) })}</span> : <span>{t('not sent')}</span>;
}
