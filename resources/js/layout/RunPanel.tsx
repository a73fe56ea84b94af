import { router } from '@inertiajs/react';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { Loader, Play } from 'lucide-react';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Stages } from '@/components/Stages';
import { RunForm, type Wishes } from '@/layout/RunForm';
import { postJson } from '@/lib/http';
import type { KeptRuns, RunStage, RunState, SavedStudy } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { useLoaded } from '@/lib/useLoaded';
import { settled, useWatchedRun } from '@/lib/useWatchedRun';
import { RUN_STAGES } from '@/lib/words';

const KEPT = '/runs/kept';

const STAGES = Object.keys(RUN_STAGES) as RunStage[];

/** The run button, what can be chosen for a run, how far it is, and what came out. */
export function RunPanel() {
    const { user, plan } = useShared();
    const [state, setState] = useState<RunState | null>(null);
    const [leaves, setLeaves] = useState<{ what: string; wishes: Wishes } | null>(null);
    const start = useCommand(
        (wishes: Wishes & { agreed?: boolean }) => postJson<RunState>('/runs', wishes),
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
        ({ kept, ...parameters }: Wishes) =>
            postJson<SavedStudy>('/studies', { name: kept ?? t('Part of the plan'), distinct: true, changes: [], parameters, run: true }),
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
                className="z-30 max-h-[calc(100vh-70px)] w-[430px] overflow-y-auto rounded border border-line bg-surface p-3.5 shadow-sm [--anchor-gap:6px] focus:outline-none"
                aria-label={t('Run the plan')}
            >
                {running ? <Progress stage={state?.stage ?? 'queued'} /> : null}
                {!running && state && <Result state={state} onAgain={() => setState(null)} />}
                {!running && !state && leaves && (
                    <LeavesOut
                        what={leaves.what}
                        busy={start.busy || study.busy}
                        trouble={study.trouble}
                        onStudy={() => study.send(leaves.wishes)}
                        onLive={() => start.send({ ...leaves.wishes, agreed: true })}
                        onBack={() => setLeaves(null)}
                    />
                )}
                {!running && !state && !leaves && <Choices trouble={start.trouble} busy={start.busy} onStart={start.send} />}
            </PopoverPanel>
        </Popover>
    );
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
    onStudy: () => void;
    onLive: () => void;
    onBack: () => void;
}) {
    return (
        <div role="alertdialog" aria-label={t('This run leaves something out')}>
            <h2 className="text-lg font-bold">{t('This run leaves something out')}</h2>
            <p className="mt-1 rounded border border-look bg-look-tint px-2.5 py-1.5">{what}</p>
            <p className="mt-2 text-sm text-mute">
                {t(
                    'What is left out has no plan: no proposals, no messages, no dates. Supply that does not count is proposed again. As the live plan that holds for everybody.',
                )}
            </p>
            {trouble && <p className="mt-2 text-sm text-broken">{trouble}</p>}
            <div className="mt-3 flex flex-col gap-2">
                <Button look="act" autoFocus disabled={busy} onClick={onStudy} className="justify-center">
                    {t('Try it as a study')}
                </Button>
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

/** What can be chosen for a run, once it is known what was kept. */
function Choices({ trouble, busy, onStart }: { trouble: string | null; busy: boolean; onStart: (wishes: Wishes) => void }) {
    const queries = useQueryClient();
    const { data, trouble: unknown } = useLoaded<KeptRuns>(KEPT);
    if (data === null) {
        return unknown === null ? (
            <p className="text-sm text-mute">{t('One moment ...')}</p>
        ) : (
            <p role="alert" className="text-sm text-broken">
                {unknown}
            </p>
        );
    }
    const onKept = (kept: KeptRuns) => queries.setQueryData([KEPT, null], kept);
    return <RunForm kept={data} trouble={trouble} busy={busy} onStart={onStart} onKept={onKept} />;
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
