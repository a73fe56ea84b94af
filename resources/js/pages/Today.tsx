import { Link, router } from '@inertiajs/react';
import { ArrowLeftRight, CalendarClock, CalendarX2, CircleAlert, PackageMinus } from 'lucide-react';
import { useRef } from 'react';
import { Button } from '@/components/Button';
import { CoverStrip } from '@/components/CoverStrip';
import { Empty } from '@/components/Empty';
import { PageHead } from '@/components/PageHead';
import { Inspector } from '@/layout/Shell';
import { day, longDay, moment, weekday } from '@/lib/format';
import { useDraft } from '@/lib/draft';
import { postJson } from '@/lib/http';
import type { ChangeRow, DailyRun, LabelledValue, MissingRow, TodayDay, TodayFigure, TodayLine, TodayPage, Told, Tone } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { useGridKeys } from '@/lib/useGridKeys';
import { Causes } from '@/pages/parts/Causes';
import { FigureRow } from '@/pages/parts/FigureRow';
import { FirstSteps } from '@/pages/parts/FirstSteps';
import { LetADayPass } from '@/pages/parts/LetADayPass';

const ICONS = { late: CircleAlert, passed: CalendarX2, today: CalendarClock, moved: ArrowLeftRight, short: PackageMinus };
const TONES: Partial<Record<Tone, string>> = { broken: 'text-broken', look: 'text-look-ink' };

export default function Today({ planned, missing, lines, days, figures, reasons, totals, demo, daily, steps, mayLoadDemo }: TodayPage) {
    const { plan, changes } = useShared();
    if (!planned || !totals) {
        return (
            <>
                <PageHead title={longDay(plan.planDate)} tab={t('Today')} />
                {daily && <Daily daily={daily} />}
                {steps.some((step) => step.isNeeded && !step.isDone) ? (
                    <FirstSteps steps={steps} mayLoadDemo={mayLoadDemo} />
                ) : (
                    <>
                        <Empty title={t('Nothing has been planned yet')}>{t('Press Run above. What needs you will stand here.')}</Empty>
                        <FirstSteps steps={steps} mayLoadDemo={mayLoadDemo} />
                    </>
                )}
            </>
        );
    }
    return (
        <>
            <PageHead title={longDay(plan.planDate)} tab={t('Today')}>
                {t(':lines ordered lines, :points items planned to :day', {
                    lines: totals.salesLines,
                    points: totals.points,
                    day: day(totals.horizonEnd, plan.planDate),
                })}
            </PageHead>
            {demo && <LetADayPass />}
            {daily && <Daily daily={daily} />}
            {missing.length > 0 && <Missing rows={missing} />}
            <h2 className="mb-1.5 font-bold">
                {t('Needs you')} <span className="ml-1 text-sm font-normal text-mute">{t('worst for customers first')}</span>
            </h2>
            {lines.length === 0 ? (
                <Empty title={t('Nothing needs you')}>{t('No sales line is late, nothing must be ordered today.')}</Empty>
            ) : (
                <Needs lines={lines} />
            )}
            <NextDays days={days} />
            <Inspector label={t('Against the plan before')}>
                <Against figures={figures} changes={changes} reasons={reasons} />
            </Inspector>
        </>
    );
}

/** What the run that begins by itself has changed today, or why it did not. */
function Daily({ daily }: { daily: DailyRun }) {
    const head = daily.failed
        ? t(':name did not plan by itself', { name: daily.name })
        : t(':name planned by itself at :at', { name: daily.name, at: moment(daily.at ?? '') });
    return (
        <section
            aria-label={head}
            className={`mb-4 rounded border px-3 py-2 ${daily.failed ? 'border-broken bg-broken-tint' : 'border-line bg-surface'}`}
        >
            <strong>{head}</strong> <span className="ml-1 text-sm">{daily.said}</span>
        </section>
    );
}

/** Material that someone on the floor misses, until a planner has dealt with it. */
function Missing({ rows }: { rows: MissingRow[] }) {
    const { plan, user } = useShared();
    const draft = useDraft();
    const { send, busy, answer, trouble } = useCommand(
        (url: string) => postJson<Partial<Told>>(url, {}),
        () => router.reload(),
    );
    const told = trouble ?? answer?.message;
    return (
        <section className="mb-4">
            <h2 className="mb-1.5 font-bold">{t('Missing on the floor')}</h2>
            <ul className="rounded border border-line bg-surface">
                {rows.map((row) => (
                    <li key={row.id} className="flex min-h-[44px] items-center gap-3 border-b border-soft px-3 py-1.5 last:border-0">
                        <PackageMinus size={17} className="shrink-0 text-broken" aria-hidden />
                        <span className="min-w-0 flex-1">
                            <span className="block truncate">
                                <strong>{row.item}</strong> {row.name}{' '}
                                <span className="font-semibold text-broken">
                                    {t('missing on :order until :day', { order: row.order, day: day(row.until, plan.planDate) })}
                                </span>
                            </span>
                            <span className="block truncate text-sm text-mute">
                                {[row.note, row.by, moment(row.at)].filter(Boolean).join(', ')}
                            </span>
                        </span>
                        {draft.may && (
                            <Button look="draft" disabled={draft.busy || busy} onClick={() => send(`/missing/${row.id}/draft`)}>
                                {t('See what slips')}
                            </Button>
                        )}
                        {user.can.length > 0 && (
                            <Button disabled={busy} onClick={() => send(`/missing/${row.id}/deal`)}>
                                {t('Dealt with')}
                            </Button>
                        )}
                    </li>
                ))}
            </ul>
            {told && (
                <p role="status" className="mt-1 text-sm">
                    {told}
                </p>
            )}
        </section>
    );
}

function Needs({ lines }: { lines: TodayLine[] }) {
    const list = useRef<HTMLUListElement>(null);
    const keys = useGridKeys(list);
    return (
        <ul ref={list} className="rounded border border-line bg-surface" onKeyDown={keys.onKeyDown} onFocus={keys.onFocus}>
            {lines.map((line, place) => {
                const Icon = ICONS[line.icon as keyof typeof ICONS];
                return (
                    <li key={place} className="border-b border-soft last:border-0">
                        <Link
                            href={line.action.href ?? '#'}
                            data-row
                            className="flex min-h-[49px] items-center gap-3 px-3 py-1.5 hover:bg-act-tint"
                        >
                            <Icon size={17} className={`shrink-0 ${TONES[line.tone] ?? ''}`} aria-hidden />
                            <span className="min-w-0 flex-1">
                                <span className="block truncate">
                                    <strong>{line.title}</strong>{' '}
                                    <span className={line.tone === 'broken' ? 'font-semibold text-broken' : ''}>{line.emphasis}</span>
                                </span>
                                <span className="block truncate text-sm text-mute">{line.note}</span>
                            </span>
                            {line.strip && <CoverStrip strip={line.strip} width={110} />}
                            <span className="w-28 text-right font-semibold text-act">{line.action.label}</span>
                        </Link>
                    </li>
                );
            })}
        </ul>
    );
}

function NextDays({ days }: { days: TodayDay[] }) {
    const rows: [string, (day: TodayDay) => [number, number]][] = [
        [t('To start'), (one) => [one.start, one.startTrouble]],
        [t('Arrives'), (one) => [one.arrive, one.arriveTrouble]],
        [t('Leaves'), (one) => [one.leave, one.leaveTrouble]],
    ];
    return (
        <section className="mt-4">
            <h2 className="mb-1.5 font-bold">
                {t('The next ten working days')}{' '}
                <span className="ml-1 text-sm font-normal text-mute">
                    <span aria-hidden>✕ </span>
                    {t('has trouble')}
                </span>
            </h2>
            <table className="w-full table-fixed rounded border border-line bg-surface text-sm">
                <thead>
                    <tr className="border-b border-soft">
                        <th className="w-20" />
                        {days.map((one, place) => (
                            <th
                                key={one.day}
                                scope="col"
                                className={`border-l border-soft py-1.5 ${place === 0 ? '' : 'font-semibold text-mute'}`}
                            >
                                {weekday(one.day)} {Number(one.day.slice(8))}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {rows.map(([label, read]) => (
                        <tr key={label} className="border-b border-soft last:border-0">
                            <th scope="row" className="px-3 py-1.5 text-left font-semibold text-mute">
                                {label}
                            </th>
                            {days.map((one) => {
                                const [count, trouble] = read(one);
                                return (
                                    <td key={one.day} className="border-l border-soft text-center">
                                        {count === 0 ? <span className="text-faint">·</span> : count}
                                        {trouble > 0 && (
                                            <span
                                                className="ml-1 font-semibold text-broken"
                                                aria-label={t(':n with trouble', { n: trouble })}
                                            >
                                                {trouble} ✕
                                            </span>
                                        )}
                                    </td>
                                );
                            })}
                        </tr>
                    ))}
                </tbody>
            </table>
        </section>
    );
}

function Against({ figures, changes, reasons }: { figures: TodayFigure[]; changes: ChangeRow[]; reasons: LabelledValue[] }) {
    const most = Math.max(1, ...reasons.map((reason) => Number(reason.value)));
    return (
        <>
            <h2 className="mb-2 text-lg font-bold">{t('Against the plan before')}</h2>
            <table className="w-full">
                <tbody>
                    {figures.map((figure) => (
                        <FigureRow key={figure.name} figure={figure} />
                    ))}
                </tbody>
            </table>
            <Causes figures={figures} />
            <h3 className="mt-4 mb-1 flex text-xs font-bold text-mute">
                <span className="flex-1">{t('Changed since the plan was made')}</span>
                <Link href="/journal" className="text-act hover:underline">
                    {t('Journal')}
                </Link>
            </h3>
            {changes.length === 0 ? (
                <p className="text-mute">{t('Nothing. The plan is up to date.')}</p>
            ) : (
                <>
                    <ul className="text-sm">
                        {changes.map((change, place) => (
                            <li key={place} className="border-b border-soft py-1.5">
                                <span className="block">{change.text}</span>
                                <span className="text-mute">{[change.by, moment(change.at)].filter(Boolean).join(', ')}</span>
                            </li>
                        ))}
                    </ul>
                    <p className="mt-1.5 text-sm text-look-ink">{t('The plan does not know of these yet. Run it to take them in.')}</p>
                </>
            )}
            {reasons.length > 0 && (
                <>
                    <h3 className="mt-4 mb-1 text-xs font-bold text-mute">{t('Late days by reason')}</h3>
                    <dl className="grid grid-cols-[auto_1fr_auto] items-center gap-x-3 gap-y-1">
                        {reasons.map((reason) => (
                            <div key={reason.label} className="contents">
                                <dt>{reason.label}</dt>
                                <dd aria-hidden className="h-2 bg-soft">
                                    <span className="block h-full bg-ink" style={{ width: `${(Number(reason.value) / most) * 100}%` }} />
                                </dd>
                                <dd className="text-right font-bold">{reason.value}</dd>
                            </div>
                        ))}
                    </dl>
                </>
            )}
        </>
    );
}
