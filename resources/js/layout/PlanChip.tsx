import { Popover, PopoverButton, PopoverPanel, useClose } from '@headlessui/react';
import { Link, router, usePage } from '@inertiajs/react';
import { ChevronDown, FlaskConical, Undo2 } from 'lucide-react';
import { Button } from '@/components/Button';
import { useDraft } from '@/lib/draft';
import { moment } from '@/lib/format';
import { postJson } from '@/lib/http';
import type { RunState } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';

/** Looks at a study in the place of the live plan, or goes back to that. */
export function showPlan(study: number | null): void {
    void postJson('/shown-plan', { study }).then(() => router.reload());
}

/** Pages whose figures are planned with the person's draft. */
const WITH_DRAFT = ['/shortages', '/complete', '/plan', '/item', '/capacity'];

/**
 * Which plan is shown and how old it is. A stale plan must not go unnoticed: the changes since it was made are counted in amber, and named
 * when it is opened. A study is violet, as all that is not committed.
 */
export function PlanChip() {
    const { plan } = useShared();
    const { url } = usePage();
    const drafted = useDraft().state.lines.length > 0 && WITH_DRAFT.some((path) => url.startsWith(path));
    if (plan.finishedAt === null) {
        return <p className="rounded border border-look bg-look-tint px-2.5 py-1 text-base">{t('Nothing has been planned yet')}</p>;
    }
    const old = plan.madeFor !== plan.planDate;
    const stale = plan.changes > 0 || old || plan.leavesOut !== null;
    const look = plan.study
        ? 'border-draft bg-draft-tint'
        : stale
          ? 'border-look bg-look-tint'
          : 'border-line bg-surface hover:border-mute';
    return (
        <>
            <Popover>
                <PopoverButton className={`flex h-[30px] items-center gap-1.5 rounded border px-2.5 text-base whitespace-nowrap ${look}`}>
                    {plan.study && <FlaskConical size={14} className="text-draft" aria-hidden />}
                    <strong className="max-w-40 truncate">
                        {plan.study ? t('Study :name', { name: plan.study.name }) : t('Live plan')}
                    </strong>
                    {drafted && <strong className="text-draft">{t('with your draft')}</strong>}
                    <span className={stale || plan.study ? 'text-ink' : 'text-mute'}>
                        {t('planned :at', { at: moment(plan.finishedAt) })}
                        {old && `, ${t('for another day')}`}
                        {plan.changes > 0 && `, ${tn(':n change since', ':n changes since', plan.changes)}`}
                        {plan.leavesOut && <span className="text-look-ink">, {t('leaves out :what', { what: plan.leavesOut })}</span>}
                        {!plan.countsUnsent && `, ${t('unsent purchases not counted')}`}
                    </span>
                    <ChevronDown size={14} className="text-mute" aria-hidden />
                </PopoverButton>
                <PopoverPanel
                    anchor="bottom start"
                    aria-label={t('The plan shown')}
                    className="z-30 w-[360px] rounded border border-line bg-surface p-3.5 shadow-sm [--anchor-gap:6px] focus:outline-none"
                >
                    <Panel />
                </PopoverPanel>
            </Popover>
            {plan.study && (
                <Button look="plain" onClick={() => showPlan(null)}>
                    <Undo2 size={14} aria-hidden />
                    {t('Live plan')}
                </Button>
            )}
        </>
    );
}

function Panel() {
    const { plan, changes, studies, user } = useShared();
    const close = useClose();
    const {
        send: refresh,
        busy,
        trouble,
    } = useCommand(
        () => postJson<RunState>('/runs/refresh', {}),
        () => {
            close();
            router.reload();
        },
    );
    return (
        <>
            <h2 className="mb-1 font-bold">{tn(':n change since it was made', ':n changes since it was made', plan.changes)}</h2>
            {changes.length === 0 ? (
                <p className="text-sm text-mute">{t('The plan is up to date.')}</p>
            ) : (
                <ul className="text-sm">
                    {changes.map((change, place) => (
                        <li key={place} className="border-b border-soft py-1">
                            {change.text} <span className="text-mute">{[change.by, moment(change.at)].filter(Boolean).join(', ')}</span>
                        </li>
                    ))}
                    {plan.changes > changes.length && (
                        <li className="py-1 text-mute">{t('and :n more', { n: plan.changes - changes.length })}</li>
                    )}
                </ul>
            )}
            {trouble && (
                <p role="alert" className="mt-2 rounded bg-broken-tint px-2 py-1 text-sm">
                    {trouble}
                </p>
            )}
            {plan.changes > 0 && plan.study === null && user.can.includes('run plan') && (
                <Button look="act" className="mt-2 w-full justify-center" disabled={busy} onClick={refresh}>
                    {t('Take them in')}
                </Button>
            )}
            <Unsent />
            <h2 className="mt-3.5 mb-1 border-t border-line pt-2.5 font-bold">{t('Studies')}</h2>
            {studies.length === 0 && (
                <p className="text-sm text-mute">{t('None yet. A study tries something without touching the plan.')}</p>
            )}
            <ul className="text-sm">
                {studies.map((study) => (
                    <li key={study.id} className="flex items-center gap-3 border-b border-soft py-1 last:border-0">
                        <span className="min-w-0 flex-1 truncate">{study.name}</span>
                        {study.planned ? (
                            <>
                                <button
                                    type="button"
                                    className="font-semibold text-draft hover:underline"
                                    onClick={() => {
                                        close();
                                        showPlan(study.id);
                                    }}
                                >
                                    {t('Look at it')}
                                </button>
                                <Link
                                    href={`/compare?a=live&b=study-${study.id}`}
                                    className="font-semibold text-act hover:underline"
                                    onClick={() => close()}
                                >
                                    {t('Compare')}
                                </Link>
                            </>
                        ) : (
                            <span className="text-mute">{t('not planned')}</span>
                        )}
                    </li>
                ))}
            </ul>
            <Link href="/studies" className="mt-2 inline-block font-semibold text-act hover:underline" onClick={() => close()}>
                {t('All studies')}
            </Link>
        </>
    );
}

/** Whether purchases that are not sent count in the list of shortages: for everybody, so it is changed by who runs the plan. */
function Unsent() {
    const { plan, user } = useShared();
    const change = useCommand(
        (counts: boolean) => postJson<{ counts: boolean }>('/shortages/unsent', { counts }),
        () => router.reload(),
    );
    const words = t('Purchases that are not sent count as cover');
    return user.can.includes('run plan') ? (
        <label className="mt-3 flex items-center gap-2 text-sm">
            <input
                type="checkbox"
                checked={plan.countsUnsent}
                disabled={change.busy}
                onChange={(event) => change.send(event.target.checked)}
                className="size-[15px] accent-act"
            />
            {words}
        </label>
    ) : (
        !plan.countsUnsent && <p className="mt-3 text-sm text-mute">{t('Purchases that are not sent do not count as cover.')}</p>
    );
}
