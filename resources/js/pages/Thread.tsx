import { Link, router } from '@inertiajs/react';
import { ListTree, X } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { GoOn } from '@/components/GoOn';
import { PageHead } from '@/components/PageHead';
import { PillTabs } from '@/components/Pill';
import { Inspector } from '@/layout/Shell';
import { addDays, day } from '@/lib/format';
import { postJson } from '@/lib/http';
import type { SavedStudy, ThreadBeginning, ThreadPage, ThreadWithout } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { ThreadChart } from '@/pages/parts/ThreadChart';
import { PEG_WAYS } from '@/lib/words';
import { useCommand } from '@/lib/useCommand';

/** Rows by which it goes on. */
const STEP = 600;

export default function Thread(props: ThreadPage) {
    const { title, about, back, ways, rows, most, filter, planDate, due, expected, closed } = props;
    const [open, setOpen] = useState(true);
    const way = filter.way ?? 'down';
    const shown = way === 'hold-up' ? rows.filter((row) => row.holdUp) : rows;
    return (
        <>
            <PageHead title={t('Thread of :what', { what: title })}>
                {about}
                {due && `, ${t('due :day', { day: day(due, planDate) })}`}
                {expected && `, ${t('expected :day', { day: day(expected, planDate) })}`}
            </PageHead>
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillTabs
                    label={t('Which way')}
                    value={way}
                    onChange={(next) => refilter('/thread', filter, { way: next }, { way: 'down' })}
                    choices={ways.map((one) => ({ value: one, label: t(PEG_WAYS[one]) }))}
                />
                <Link
                    href={`/pegging?${new URLSearchParams(filter).toString()}`}
                    className="inline-flex h-[27px] items-center gap-1.5 rounded-full border border-line bg-surface px-3 text-sm font-semibold hover:border-mute"
                >
                    {t('As a list')} <ListTree size={13} aria-hidden />
                </Link>
                <Link href={back} className="ml-auto font-semibold text-act hover:underline">
                    {t('Back to :what', { what: title })}
                </Link>
            </div>
            {shown.length <= (way === 'up' ? 1 : 0) ? (
                <Empty title={way === 'up' ? t('Nobody needs it') : t('It waits for nothing')}>
                    {way === 'up' ? t('No demand is pegged to it.') : t('It is bought, or all it needs has been issued.')}
                </Empty>
            ) : (
                <ThreadChart
                    key={`${filter.of ?? ''} ${way}`}
                    rows={shown}
                    up={way === 'up'}
                    planDate={planDate}
                    due={due}
                    closed={closed}
                />
            )}
            {rows.length >= most && (
                <GoOn shown={most} onGoOn={() => refilter('/thread', filter, { rows: String(most + STEP) }, { way: 'down' })} />
            )}
            {open && props.beginning && expected && (
                <Inspector label={t('What decides the date')}>
                    <Decides {...props} beginning={props.beginning} expected={expected} onClose={() => setOpen(false)} />
                </Inspector>
            )}
        </>
    );
}

/** Where the time of a late line goes, what would come next, who else waits, and a way to try it. */
function Decides({
    filter,
    planDate,
    holdUp,
    steps,
    beginning,
    expected,
    others,
    onClose,
}: ThreadPage & { beginning: ThreadBeginning; expected: string; onClose: () => void }) {
    const { user, plan } = useShared();
    const { data } = useLoaded<ThreadWithout>(plan.study ? null : `/thread/without?of=${encodeURIComponent(filter.of ?? '')}`, plan.id);
    const earlier = addDays(beginning.due, -7);
    const {
        send: tryEarlier,
        busy: trying,
        trouble,
    } = useCommand(
        () =>
            postJson<SavedStudy>('/studies', {
                name: t(':order a week earlier', { order: beginning.name }),
                distinct: true,
                parameters: {},
                changes: [{ change: 'move_order', order: beginning.name, due: earlier < planDate ? planDate : earlier }],
                run: true,
            }),
        ({ id }) => router.visit(`/compare?a=live&b=study-${id}`),
    );
    return (
        <>
            <div className="mb-2 flex items-start gap-2">
                <h2 className="flex-1 text-lg leading-tight font-bold">{t('What decides :day', { day: day(expected, planDate) })}</h2>
                <button type="button" onClick={onClose} aria-label={t('Close')} className="p-1 text-mute hover:text-ink">
                    <X size={16} aria-hidden />
                </button>
            </div>
            <p className="rounded border border-broken bg-broken-tint px-3 py-2 font-semibold">{holdUp}</p>
            <h3 className="mt-3 mb-1 text-xs font-bold text-mute">{t('Where the time goes')}</h3>
            <table className="w-full text-sm">
                <tbody>
                    {steps.map((step, place) => (
                        <tr key={place} className="border-b border-soft">
                            <th scope="row" className="py-1.5 text-left font-normal">
                                {step.label}
                            </th>
                            <td className="text-right whitespace-nowrap text-mute">{t('to :day', { day: day(step.to, planDate) })}</td>
                            <td className={`w-20 text-right whitespace-nowrap ${step.late ? 'font-semibold text-broken' : ''}`}>
                                {step.late ? tn(':n day late', ':n days late', step.days) : tn(':n day', ':n days', step.days)}
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
            {data && (
                <>
                    <h3 className="mt-3 mb-1 text-xs font-bold text-mute">{t('If :item came in time', { item: beginning.item })}</h3>
                    <p>
                        {data.expected === null
                            ? t('The line would not be in the plan.')
                            : data.lateDays > 0
                              ? t('the line would be there :day, still :late. Next is :why.', {
                                    day: day(data.expected, planDate),
                                    late: tn('1 day late', ':n days late', data.lateDays),
                                    why: data.why,
                                })
                              : data.spare === 0
                                ? t('the line would be there :day, on time to the day.', { day: day(data.expected, planDate) })
                                : t('the line would be there :day, on time, with :spare to spare.', {
                                      day: day(data.expected, planDate),
                                      spare: tn('1 day', ':n days', data.spare),
                                  })}
                    </p>
                </>
            )}
            {others.length > 0 && (
                <>
                    <h3 className="mt-3 mb-1 text-xs font-bold text-mute">{t('Also waits for :what', { what: beginning.name })}</h3>
                    <ul className="text-sm">
                        {others.map((other) => (
                            <li key={other.line.label} className="flex gap-3 border-b border-soft py-1.5">
                                <Link
                                    href={other.line.href ?? '#'}
                                    className="min-w-0 flex-1 truncate font-semibold text-act hover:underline"
                                >
                                    {other.line.label}
                                </Link>
                                <span className="font-semibold text-broken">{tn('1 day late', ':n days late', other.days)}</span>
                            </li>
                        ))}
                    </ul>
                </>
            )}
            {trouble && (
                <p role="alert" className="mt-3 rounded bg-broken-tint px-2 py-1 text-sm">
                    {trouble}
                </p>
            )}
            <p className="mt-4 flex flex-wrap gap-2">
                {beginning.href && (
                    <Link
                        href={beginning.href}
                        className="inline-flex h-[30px] items-center rounded border border-line bg-surface px-3 text-base font-semibold hover:border-mute"
                    >
                        {beginning.isOrder ? t('Open :order', { order: beginning.name }) : t('Open the proposal')}
                    </Link>
                )}
                {beginning.isOrder && user.can.includes('make studies') && (
                    <Button look="act" disabled={trying} onClick={tryEarlier}>
                        {t('Try :order a week earlier', { order: beginning.name })}
                    </Button>
                )}
            </p>
        </>
    );
}
