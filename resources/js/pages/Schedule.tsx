import { router } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PillTabs } from '@/components/Pill';
import { Stages } from '@/components/Stages';
import { grouped } from '@/lib/digits';
import { useDraft } from '@/lib/draft';
import { freshKey, getJson, postJson } from '@/lib/http';
import type { ScheduleAsked, SchedulePage, ScheduleStage, ScheduleState, Told } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { type Sentence, t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { usePageKeys } from '@/lib/usePageKeys';
import { isUnderWay, useWatchedSchedule } from '@/lib/useWatchedSchedule';
import { CapacityTabs } from '@/pages/parts/CapacityTabs';
import { ScheduledLines, ScheduledOrders, ScheduleFigures } from '@/pages/parts/ScheduleSides';
import { ScheduleForm } from '@/pages/parts/ScheduleForm';

/** Schedules the shop, shows it before and after, and keeps it or does not. */
export default function Schedule({ planned, asked, centres, state: first, standing }: SchedulePage) {
    const { user } = useShared();
    const [state, put] = useWatchedSchedule(first);
    const may = user.can.includes('convert production');
    const start = useCommand((wishes: ScheduleAsked) => postJson<ScheduleState>('/schedules', wishes), put);
    const only = new URLSearchParams(location.search).get('orders');
    return (
        <div className="flex h-full min-h-0 flex-col">
            <PageHead title={t('Schedule')}>
                {standing
                    ? t('Orders stand in the shop; schedule anew when that no longer fits')
                    : t('No order has a place in the shop yet')}
            </PageHead>
            <CapacityTabs on="schedule" />
            {!planned ? (
                <Empty title={t('Nothing has been planned yet')}>{t('Press Run above; the plan will stand here.')}</Empty>
            ) : (
                <div className="flex min-h-0 flex-1 gap-4">
                    {may && (
                        <ScheduleForm
                            asked={only === null ? asked : { ...asked, orders: only.split(',') }}
                            centres={centres}
                            busy={start.busy || isUnderWay(state)}
                            trouble={start.trouble}
                            onStart={start.send}
                        />
                    )}
                    <section aria-label={t('What came of it')} className="flex min-h-0 min-w-0 flex-1 flex-col">
                        {state === null ? (
                            <Empty title={t('Nothing has been scheduled yet')}>
                                {t('Choose on the left and press Schedule now: before and after will stand here side by side.')}
                            </Empty>
                        ) : isUnderWay(state) ? (
                            <Making state={state} may={may} onStopped={put} />
                        ) : (
                            <Made state={state} may={may} onChanged={put} />
                        )}
                    </section>
                </div>
            )}
        </div>
    );
}

const STAGES: Record<ScheduleStage, Sentence> = {
    reading: 'Reading the data',
    planning: 'What is needed when',
    standing: 'How the shop stands',
    scheduling: 'Placing operations',
    improving: 'Improving',
};

/** How far it is, the figures so far, and how to stop it. */
function Making({ state, may, onStopped }: { state: ScheduleState; may: boolean; onStopped: (state: ScheduleState) => void }) {
    const stop = useCommand((keeps: boolean) => postJson<ScheduleState>(`/schedules/${state.id}/stop`, { keeps }), onStopped);
    const names = Object.keys(STAGES) as ScheduleStage[];
    const shown = names.filter((name) => name !== 'improving' || state.wanted > 0);
    return (
        <div role="status" className="rounded border border-line bg-surface p-4">
            <h2 className="mb-1 text-lg font-bold">{t('Scheduling')}</h2>
            <p className="mb-2 text-sm text-mute">{[state.by, ...state.asked].filter((part) => part !== '').join(' · ')}</p>
            <Stages
                stages={shown.map((name) => ({
                    key: name,
                    label: t(STAGES[name]),
                    more: name === 'improving' && (
                        <span className="font-normal text-mute">
                            {t(':n of :all steps', { n: grouped(state.steps), all: grouped(state.wanted) })}
                        </span>
                    ),
                }))}
                at={state.stage}
            />
            {state.best && <p className="mt-2 font-semibold">{t('So far: :figure', { figure: state.best })}</p>}
            {stop.trouble && <p className="mt-2 text-sm text-broken">{stop.trouble}</p>}
            {may && (
                <div className="mt-3 flex gap-2">
                    <Button disabled={stop.busy || state.stage !== 'improving'} onClick={() => stop.send(true)}>
                        {t('Stop, take the best so far')}
                    </Button>
                    <Button look="quiet" disabled={stop.busy} onClick={() => stop.send(false)}>
                        {t('Stop, take nothing')}
                    </Button>
                </div>
            )}
        </div>
    );
}

const ENDED: Partial<Record<ScheduleState['status'], Sentence>> = {
    kept: 'This schedule is kept',
    dropped: 'This schedule was not kept',
    failed: 'The schedule did not finish',
};

/** Before and after, and what to do with it. */
function Made({ state, may, onChanged }: { state: ScheduleState; may: boolean; onChanged: (state: ScheduleState) => void }) {
    const draft = useDraft();
    const [told, setTold] = useState<string | null>(null);
    const [list, setList] = useState('orders');
    const keep = useCommand(
        () => postJson<Told>(`/schedules/${state.id}/keep`, { key: freshKey() }),
        ({ message }) => {
            setTold(message);
            void getJson<ScheduleState>(`/schedules/${state.id}`).then(onChanged);
            router.reload();
        },
    );
    const drop = useCommand(() => postJson<ScheduleState>(`/schedules/${state.id}/drop`, {}), onChanged);
    const open = state.status === 'done' && may;
    const nothing = state.sides?.kept === 0;
    usePageKeys(open ? { ...(nothing ? {} : { k: () => keep.send(undefined) }), d: () => drop.send(undefined) } : {});
    const ended = ENDED[state.status];
    return (
        <>
            {told && (
                <Notice tone="done" onClose={() => setTold(null)}>
                    {told}. {t('The plan is made anew with it.')}
                </Notice>
            )}
            {keep.trouble && <Notice tone="broken">{keep.trouble}</Notice>}
            {drop.trouble && <Notice tone="broken">{drop.trouble}</Notice>}
            <div className="mb-2.5 flex items-center gap-3">
                <div className="min-w-0 flex-1">
                    <h2 className="text-lg font-bold">{ended ? t(ended) : t('As it stands, and scheduled')}</h2>
                    <p className="truncate text-sm text-mute">
                        {[
                            state.by,
                            ...state.asked,
                            state.steps > 0 ? tn(':n step of improvement', ':n steps of improvement', state.steps) : '',
                        ]
                            .filter((part) => part !== '')
                            .join(' · ')}
                    </p>
                </div>
                {open && (
                    <>
                        <Button look="act" disabled={keep.busy || nothing} onClick={() => keep.send(undefined)}>
                            {nothing ? t('Nothing to keep') : tn('Keep it for :n order', 'Keep it for :n orders', state.sides?.kept ?? 0)}
                            {!nothing && <Key>K</Key>}
                        </Button>
                        <Button disabled={drop.busy} onClick={() => drop.send(undefined)}>
                            {t('Discard')}
                            <Key>D</Key>
                        </Button>
                    </>
                )}
                {state.status === 'kept' && state.commit !== null && may && (
                    <Button onClick={() => draft.undoCommit(state.commit ?? 0)}>{t('Undo')}</Button>
                )}
            </div>
            {state.trouble && <Notice tone="broken">{state.trouble}</Notice>}
            {state.sides && (
                <>
                    <ScheduleFigures figures={state.sides.figures} totals={state.sides.totals} />
                    {state.sides.notes.length > 0 && (
                        <ul className="mt-2 rounded border border-look bg-look-tint px-3 py-1.5 text-sm">
                            {state.sides.notes.slice(0, 5).map((note) => (
                                <li key={note}>{note}</li>
                            ))}
                            {state.sides.notes.length > 5 && <li>{t('and :n more', { n: state.sides.notes.length - 5 })}</li>}
                        </ul>
                    )}
                    <div className="mt-3 mb-2 flex">
                        <PillTabs
                            label={t('What to look at')}
                            value={list}
                            onChange={setList}
                            choices={[
                                { value: 'orders', label: `${t('Orders that move or are late')} ${grouped(state.sides.orderCount)}` },
                                { value: 'lines', label: `${t('Sales lines with another day')} ${grouped(state.sides.lineCount)}` },
                            ]}
                        />
                    </div>
                    {list === 'orders' ? <ScheduledOrders sides={state.sides} /> : <ScheduledLines sides={state.sides} />}
                </>
            )}
        </>
    );
}

function Key({ children }: { children: string }) {
    return <kbd className="rounded border border-line bg-paper px-1.5 font-sans text-xs text-mute">{children}</kbd>;
}
