import { router } from '@inertiajs/react';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { Loader, Play } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Stages } from '@/components/Stages';
import { Ticks } from '@/components/Ticks';
import { postJson } from '@/lib/http';
import type { RunStage, RunState, SavedStudy } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { settled, useWatchedRun } from '@/lib/useWatchedRun';
import { RUN_STAGES } from '@/lib/words';
import { DateField } from '@/components/DateField';
import { useCommand } from '@/lib/useCommand';

const STAGES = Object.keys(RUN_STAGES) as RunStage[];

/** The run button, what can be chosen for a run, how far it is, and what came out. */
export function RunPanel() {
    const { user, plan } = useShared();
    const [state, setState] = useState<RunState | null>(null);
    const [leaves, setLeaves] = useState<{ what: string; wishes: Wishes } | null>(null);
    const start = useCommand(
        (wishes: Wishes) => postJson<RunState>('/runs', wishes),
        (started) => {
            setLeaves(null);
            setState(started);
            settled(started);
        },
        ({ reason, details }, wishes) => {
            if (reason === 'leaves') {
                setLeaves({ what: String(details.what), wishes });
            }
            return reason === 'leaves';
        },
    );
    const study = useCommand(
        ({ horizonEnd, forecasts, sites, schedule, scheduleDays }: Wishes) =>
            postJson<SavedStudy>('/studies', {
                name: t('Part of the plan'),
                distinct: true,
                changes: [],
                parameters: { horizonEnd, forecasts, sites, schedule, scheduleDays },
                run: true,
            }),
        ({ id }) => router.visit(`/compare?a=live&b=study-${id}`),
    );
    const watched =
        state === null || state.status === 'done' || state.status === 'failed' ? (state === null ? plan.running : null) : state.id;
    useWatchedRun(watched, setState);
    if (!user.can.includes('run plan')) {
        return null;
    }
    const running = watched !== null;
    return (
        <Popover>
            <PopoverButton className="inline-flex h-[30px] items-center gap-1.5 rounded border border-act bg-act px-3 text-base font-semibold text-surface hover:bg-act-dark">
                {running ? <Loader size={14} className="animate-spin" aria-hidden /> : <Play size={14} aria-hidden />}
                {running ? t('Running') : t('Run')}
            </PopoverButton>
            <PopoverPanel
                anchor="bottom start"
                className="z-30 w-[340px] rounded border border-line bg-surface p-3.5 shadow-sm [--anchor-gap:6px] focus:outline-none"
                aria-label={t('Run the plan')}
            >
                {running ? <Progress stage={state?.stage ?? 'queued'} /> : null}
                {!running && state && <Result state={state} onAgain={() => setState(null)} />}
                {!running && !state && leaves && (
                    <LeavesOut
                        what={leaves.what}
                        busy={start.busy || study.busy}
                        trouble={study.trouble}
                        onStudy={leaves.wishes.soldOnly ? null : () => study.send(leaves.wishes)}
                        onLive={() => start.send({ ...leaves.wishes, agreed: true })}
                        onBack={() => setLeaves(null)}
                    />
                )}
                {!running && !state && !leaves && <Choices trouble={start.trouble} busy={start.busy} onStart={start.send} />}
            </PopoverPanel>
        </Popover>
    );
}

interface Wishes {
    horizonEnd: string | null;
    bucket: string;
    forecasts: string[];
    sites: string[];
    soldOnly: boolean;
    schedule: boolean;
    scheduleDays: number;
    agreed?: boolean;
}

/** A plan that leaves something out is a study, unless it is said after reading what that is. */
function LeavesOut({
    what,
    busy,
    trouble,
    onStudy,
    onLive,
    onBack,
}: {
    what: string;
    busy: boolean;
    trouble: string | null;
    onStudy: (() => void) | null;
    onLive: () => void;
    onBack: () => void;
}) {
    return (
        <div role="alertdialog" aria-label={t('This run leaves something out')}>
            <h2 className="text-lg font-bold">{t('This run leaves something out')}</h2>
            <p className="mt-1 rounded border border-look bg-look-tint px-2.5 py-1.5">{what}</p>
            <p className="mt-2 text-sm text-mute">
                {t('What is left out has no plan: no proposals, no messages, no dates. As the live plan that holds for everybody.')}
            </p>
            {trouble && <p className="mt-2 text-sm text-broken">{trouble}</p>}
            <div className="mt-3 flex flex-col gap-2">
                {onStudy && (
                    <Button look="act" autoFocus disabled={busy} onClick={onStudy} className="justify-center">
                        {t('Try it as a study')}
                    </Button>
                )}
                <Button disabled={busy} onClick={onLive} className="justify-center">
                    {t('Make it the live plan')}
                </Button>
                <Button look="quiet" onClick={onBack} className="justify-center">
                    {t('Go back')}
                </Button>
            </div>
        </div>
    );
}

function Choices({ trouble, busy, onStart }: { trouble: string | null; busy: boolean; onStart: (wishes: Wishes) => void }) {
    const { runDefaults, forecastNames, sites, plan } = useShared();
    const [horizonEnd, setHorizonEnd] = useState(runDefaults.horizonEnd ?? '');
    const [bucket, setBucket] = useState(runDefaults.bucket);
    const [forecasts, setForecasts] = useState(runDefaults.forecasts);
    const [chosenSites, setChosenSites] = useState(runDefaults.sites ?? sites.map((site) => site.code));
    const [soldOnly, setSoldOnly] = useState(runDefaults.soldOnly);
    const [schedule, setSchedule] = useState(runDefaults.schedule);
    const [scheduleDays, setScheduleDays] = useState(String(runDefaults.scheduleDays));
    const some = chosenSites.length < sites.length;
    return (
        <form
            onSubmit={(event) => {
                event.preventDefault();
                onStart({
                    horizonEnd: horizonEnd || null,
                    bucket,
                    forecasts,
                    sites: chosenSites,
                    soldOnly,
                    schedule,
                    scheduleDays: Number(scheduleDays),
                });
            }}
        >
            <h2 className="text-lg font-bold">{t('Run the plan')}</h2>
            <p className="mb-2 text-sm text-mute">{t('The plan you see stays until the new one is complete.')}</p>
            {trouble && (
                <p role="alert" className="mb-2 rounded bg-broken-tint px-2 py-1 text-sm">
                    {trouble}
                </p>
            )}
            <div className="grid grid-cols-[auto_1fr] items-center gap-x-3 gap-y-2 text-sm">
                <label htmlFor="run-horizon">{t('Plan up to')}</label>
                <DateField id="run-horizon" value={horizonEnd} onChange={setHorizonEnd} min={plan.planDate} optional />
                <label htmlFor="run-bucket">{t('Shown by')}</label>
                <select
                    id="run-bucket"
                    value={bucket}
                    onChange={(event) => setBucket(event.target.value)}
                    className="h-7 rounded border border-line bg-surface px-1.5"
                >
                    <option value="day">{t('day')}</option>
                    <option value="week">{t('week')}</option>
                    <option value="month">{t('month')}</option>
                </select>
            </div>
            <Ticks
                title={t('Forecasts that count')}
                all={forecastNames.map((name) => [name, name])}
                chosen={forecasts}
                onChange={setForecasts}
            />
            <Ticks title={t('Sites')} all={sites.map((site) => [site.code, site.name])} chosen={chosenSites} onChange={setChosenSites} />
            {some && <p className="mt-1 text-sm text-look-ink">{t('Items at other sites will have no plan until they are run again.')}</p>}
            <fieldset className="mt-2.5">
                <legend className="text-xs font-bold text-mute">{t('Items')}</legend>
                {[false, true].map((only) => (
                    <label key={String(only)} className="flex min-h-6 items-center gap-2 text-sm">
                        <input
                            type="radio"
                            name="levels"
                            checked={soldOnly === only}
                            onChange={() => setSoldOnly(only)}
                            className="accent-act"
                        />
                        {only ? t('Only what is sold or forecast, and what goes into it') : t('All levels')}
                    </label>
                ))}
            </fieldset>
            <fieldset className="mt-2.5">
                <legend className="text-xs font-bold text-mute">{t('Production')}</legend>
                {[false, true].map((shop) => (
                    <label key={String(shop)} className="flex min-h-6 items-center gap-2 text-sm">
                        <input
                            type="radio"
                            name="shop"
                            checked={schedule === shop}
                            onChange={() => setSchedule(shop)}
                            className="accent-act"
                        />
                        {shop ? t('There when the shop can do it') : t('There after its lead time')}
                    </label>
                ))}
                {schedule && (
                    <label className="flex min-h-7 items-center gap-2 pl-5.5 text-sm">
                        {t('Proposals that start within')}
                        <input
                            type="number"
                            required
                            min={0}
                            max={3660}
                            value={scheduleDays}
                            onChange={(event) => setScheduleDays(event.target.value)}
                            className="h-7 w-16 rounded border border-line bg-surface px-1.5 text-right"
                        />
                        {t('days')}
                    </label>
                )}
            </fieldset>
            <Button type="submit" look="act" className="mt-3 w-full justify-center" disabled={busy || chosenSites.length === 0}>
                {t('Run now')}
            </Button>
        </form>
    );
}

function Progress({ stage }: { stage: RunStage }) {
    return (
        <div role="status">
            <h2 className="mb-1.5 text-lg font-bold">{t('Planning')}</h2>
            <Stages stages={STAGES.map((name) => ({ key: name, label: t(RUN_STAGES[name]) }))} at={stage} />
        </div>
    );
}

function Result({ state, onAgain }: { state: RunState; onAgain: () => void }) {
    return (
        <div role="status">
            <h2 className="mb-1 text-lg font-bold">{state.status === 'done' ? t('The new plan is live') : t('The run did not finish')}</h2>
            {state.trouble && <p className="rounded bg-broken-tint px-2 py-1 text-sm">{state.trouble}</p>}
            {state.figures.length > 0 && (
                <table className="w-full text-sm">
                    <caption className="pb-0.5 text-left text-xs font-bold text-mute">{t('Against the plan before')}</caption>
                    <tbody>
                        {state.figures.map((figure) => (
                            <tr key={figure.label} className="border-b border-soft last:border-0">
                                <th scope="row" className="py-1 text-left font-normal">
                                    {figure.label}
                                </th>
                                <td className="text-right font-semibold">{figure.value}</td>
                                <td className={`w-16 text-right ${figure.worse ? 'text-broken' : 'text-mute'}`}>{figure.change}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
            <Button className="mt-2.5 w-full justify-center" onClick={onAgain}>
                {t('Run again')}
            </Button>
        </div>
    );
}
