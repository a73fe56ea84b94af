import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { ExportLink } from '@/components/ExportLink';
import { FindBox } from '@/components/FindBox';
import { Notice } from '@/components/Notice';
import { OverTime, type TimeSlot } from '@/components/OverTime';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillTabs } from '@/components/Pill';
import { SavedViews } from '@/components/SavedViews';
import { Inspector } from '@/layout/Shell';
import { useDraft } from '@/lib/draft';
import { day } from '@/lib/format';
import { getJson } from '@/lib/http';
import type { NeedState, ShortageDay, ShortageList, ShortageRow, ShortagesPage } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { usePages } from '@/lib/usePages';
import { ResolvePanel } from '@/pages/parts/ResolvePanel';
import { ShortagePanel } from '@/pages/parts/ShortagePanel';
import { ShortageTable } from '@/pages/parts/ShortageTable';
import { NEED_STATES } from '@/lib/words';
import type { DataGroup } from '@/components/DataTable';

const DEFAULTS = { days: '18', by: 'day' };

/** How each state looks over time: in the textures of the cover strip. */
const LOOKS: Record<NeedState, string> = {
    waiting: 'cover-late',
    passed: 'cover-passed',
    order_now: 'cover-proposal',
    covered: 'cover-stock',
};

const WINDOWS = ['18', '0', '4', '11', '27', '55', '119'];

/** What will not be covered in time: when it bites, because of what, and the way out of each. With the person's draft, if there is one. */
export default function Shortages({ filter, planned, open: first, views }: ShortagesPage) {
    const draft = useDraft();
    const { plan, site } = useShared();
    const [open, setOpen] = useState<string | null>(first || null);
    const [kept, setKept] = useState<ShortageRow | null>(null);
    const [resolving, setResolving] = useState(false);
    const change = (changes: Record<string, string>) => refilter('/shortages', filter, changes, DEFAULTS);
    const state = filter.state ?? '';
    const asked: Record<string, string> = { ...filter };
    const set = Object.fromEntries(Object.entries(asked).filter(([, value]) => value !== ''));
    const list = usePages<ShortageList>({
        key: ['shortages', set, draft.stamp, plan.id, plan.changes, site, plan.countsUnsent],
        // what is open is told with the first page, even where it is not on it
        load: (offset, signal) => getJson('/shortages/rows', { ...set, offset, ...(offset === 0 ? { open: open ?? '' } : {}) }, signal),
        sizeOf: (page) => page.rows.length,
        totalOf: (page) => page.total,
        enabled: planned,
    });
    const told = list.pages[0] ?? null;
    const rows = list.pages.flatMap((page) => page.rows);
    const opened = rows.find((row) => row.identity === open) ?? (told?.opened?.identity === open ? told.opened : null);

    if (opened && opened !== kept) {
        setKept(opened); // what is covered leaves the list, but not the panel
    }

    const shown = opened ?? (kept?.identity === open ? kept : null);
    const solved = shown !== null && told !== null && (opened === null || opened.state === 'covered');
    const picked = filter.from || filter.to ? { from: filter.from || plan.planDate, to: filter.to || filter.from || '' } : null;
    const window = told ? { from: told.days[0]?.from ?? '', to: told.days.at(-1)?.to ?? '' } : null;
    return (
        <>
            <div className="flex items-start gap-3">
                <PageHead title={t('Shortages')}>{told && window && heading(told, picked ?? window, state, plan.planDate)}</PageHead>
                <span className="ml-auto flex shrink-0 gap-3 pt-0.5 text-sm whitespace-nowrap">
                    <Link href="/complete" className="font-semibold text-act hover:underline">
                        {t('When is it complete?')}
                    </Link>
                    <Link href="/reservations" className="font-semibold text-act hover:underline">
                        {t('Reservations')}
                    </Link>
                </span>
            </div>
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillTabs
                    label={t('Group')}
                    value={asked.by ?? 'day'}
                    onChange={(by) => change({ by })}
                    choices={[
                        { value: 'day', label: t('By day') },
                        { value: 'component', label: t('By component') },
                        { value: 'order', label: t('By order') },
                        { value: 'customer', label: t('By customer') },
                    ]}
                />
                <PillSelect
                    label={t('State')}
                    value={state}
                    onChange={(next) => change({ state: next })}
                    choices={[
                        { value: '', label: t('Not covered') },
                        ...(Object.keys(NEED_STATES) as NeedState[]).map((one) => ({ value: one, label: upper(t(NEED_STATES[one])) })),
                    ]}
                />
                <Button
                    className="!h-[27px] !rounded-full !px-3 text-sm"
                    disabled={!draft.may || rows.length === 0}
                    onClick={() => {
                        setOpen(null);
                        setResolving(true);
                    }}
                >
                    {t('Resolve these')}
                </Button>
                <SavedViews page="shortages" path="/shortages" views={views} filter={filter} />
                <span className="order-last">
                    <ExportLink list="shortages" params={filter} />
                </span>
                <FindBox label={t('Find item, order, customer')} value={filter.q ?? ''} onChange={(q) => change({ q })} />
            </div>
            {list.trouble && <Notice tone="broken">{list.trouble}</Notice>}
            {!planned ? (
                <Empty title={t('Nothing has been planned yet')}>{t('Press Run above; the plan will stand here.')}</Empty>
            ) : (
                <>
                    <section aria-label={t('When it bites')} className="mb-2.5 rounded border border-line bg-surface text-sm">
                        <div className="flex items-center gap-4 px-3 pt-1.5 text-xs text-mute">
                            <span className="font-bold">{t('When it bites')}</span>
                            <PillSelect
                                label={t('Window')}
                                value={asked.days ?? '18'}
                                onChange={(days) => change({ days, from: '', to: '' })}
                                choices={WINDOWS.map((days) => ({ value: days, label: windowName(days) }))}
                            />
                            {picked && (
                                <button
                                    type="button"
                                    className="font-semibold text-act hover:underline"
                                    onClick={() => change({ from: '', to: '' })}
                                >
                                    {t('All of these days')}
                                </button>
                            )}
                            <span className="ml-auto flex gap-4">
                                {legend(state).map((one) => (
                                    <span key={one} className="flex items-center gap-1.5">
                                        <span aria-hidden className={`size-3 ${LOOKS[one]}`} />
                                        {t(NEED_STATES[one])}
                                    </span>
                                ))}
                            </span>
                        </div>
                        <OverTime
                            label={t('Days on which needs are not covered')}
                            slots={(told?.days ?? []).map((one) => slot(one, state, plan.planDate))}
                            today={plan.planDate}
                            picked={picked}
                            onPick={(range) => change({ from: range?.from ?? '', to: range?.to ?? '' })}
                        />
                    </section>
                    {told && rows.length === 0 ? (
                        <Empty title={t('Nothing is short here')}>{t('Other days, another site or another state may have more.')}</Empty>
                    ) : (
                        <ShortageTable
                            groups={groupsOf(list.pages)}
                            by={asked.by ?? 'day'}
                            today={plan.planDate}
                            open={open}
                            narrow={shown !== null || resolving}
                            loading={list.loading}
                            total={told?.total ?? 0}
                            more={list.more}
                            onOpen={(identity) => {
                                setResolving(false);
                                setOpen(identity);
                            }}
                        />
                    )}
                </>
            )}
            {shown && !resolving && (
                <Inspector label={t('Shortage')}>
                    <ShortagePanel key={shown.identity} row={shown} solved={solved} onClose={() => setOpen(null)} />
                </Inspector>
            )}
            {resolving && (
                <Inspector label={t('Resolve these')}>
                    <ResolvePanel
                        rows={rows.filter((row) => ['waiting', 'passed'].includes(row.state) && row.accepted === null)}
                        onClose={() => setResolving(false)}
                    />
                </Inspector>
            )}
        </>
    );
}

function heading(told: ShortageList, range: { from: string; to: string }, state: string, today: string): string {
    const days =
        range.from === range.to ? day(range.from, today) : t(':from to :to', { from: day(range.from, today), to: day(range.to, today) });
    const needs = tn(':n need', ':n needs', told.needs);
    return state === ''
        ? t(':days: :needs not covered yet', { days, needs })
        : t(':days: :needs, :state', { days, needs, state: t(NEED_STATES[state as NeedState]) });
}

function windowName(days: string): string {
    return days === '0' ? t('Today') : tn('1 week', ':n weeks', Math.ceil((Number(days) + 1) / 7));
}

const upper = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** The states that are drawn: all that is not covered, or the one that is asked for. */
function legend(state: string): NeedState[] {
    return state === '' ? ['waiting', 'passed', 'order_now'] : [state as NeedState];
}

function slot(one: ShortageDay, state: string, today: string): TimeSlot {
    const counts: Record<NeedState, number> = { waiting: one.waiting, passed: one.passed, order_now: one.orderNow, covered: one.covered };
    const drawn = legend(state);
    const trouble = drawn.filter((name) => name !== 'order_now' && name !== 'covered').reduce((sum, name) => sum + counts[name], 0);
    const said = drawn.filter((name) => counts[name] > 0).map((name) => `${counts[name]} ${t(NEED_STATES[name])}`);
    const when = one.from === one.to ? day(one.from, today) : t(':from to :to', { from: day(one.from, today), to: day(one.to, today) });
    return {
        from: one.from,
        to: one.to,
        parts: drawn.map((name) => ({ look: LOOKS[name], count: counts[name] })),
        figure: trouble,
        figureLook: counts.waiting > 0 && drawn.includes('waiting') ? 'text-broken' : 'text-look-ink',
        words: `${when}: ${said.join(', ') || t('nothing')}`,
    };
}

/** The headings of all pages that are loaded; one that goes over a page stands once. */
function groupsOf(pages: ShortageList[]): DataGroup<ShortageRow>[] {
    const groups = new Map<string, DataGroup<ShortageRow>>();
    for (const page of pages) {
        for (const head of page.groups) {
            groups.set(
                head.key,
                groups.get(head.key) ?? {
                    key: head.key,
                    label: (
                        <>
                            {head.label} <span className="ml-2 font-normal text-mute">{head.note}</span>
                        </>
                    ),
                    rows: [],
                },
            );
        }
        page.rows.forEach((row) => groups.get(row.group)?.rows.push(row));
    }
    return [...groups.values()];
}
