import { ChevronRight } from 'lucide-react';
import { useId, useState, type ReactNode } from 'react';
import { Button } from '@/components/Button';
import { RunControls } from '@/layout/RunControls';
import { RunKeep } from '@/layout/RunKeep';
import { RUN_GROUPS, runWords, type RunGroup } from '@/lib/runWords';
import type { KeptRunRow, KeptRuns, RunChoices } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';

/** What a run is begun with: all that was chosen, and the kept run that it is where nothing of that was changed. */
export interface Wishes extends RunChoices {
    kept: string | null;
}

interface Props {
    kept: KeptRuns;
    trouble: string | null;
    busy: boolean;
    onStart: (wishes: Wishes) => void;
    onKept: (kept: KeptRuns) => void;
}

const same = (a: RunChoices, b: RunChoices) => JSON.stringify(a) === JSON.stringify(b);

/** What can be chosen for a run, each group as a sentence that opens; kept runs to begin from. */
export function RunForm({ kept, trouble, busy, onStart, onKept }: Props) {
    const { sites, plan } = useShared();
    const [name, setName] = useState('');
    const [edited, setEdited] = useState<RunChoices | null>(null);
    const [open, setOpen] = useState<RunGroup | null>(null);
    const [keeping, setKeeping] = useState(false);
    const row: KeptRunRow | null = kept.rows.find((one) => one.name === name) ?? null;
    const base = row?.choices ?? kept.last;
    const chosen = edited ?? base;
    const change = (some: Partial<RunChoices>) => setEdited({ ...chosen, ...some });
    const isKept = row !== null && same(chosen, row.choices);
    const nowhere = chosen.sites?.length === 0;
    return (
        <form
            onSubmit={(event) => {
                event.preventDefault();
                onStart({ ...chosen, kept: isKept ? row.name : null });
            }}
        >
            <div className="mb-2 flex items-center gap-2">
                <h2 className="flex-1 text-lg font-bold">{t('Run the plan')}</h2>
                {kept.rows.length > 0 && (
                    <select
                        aria-label={t('Begin from')}
                        value={name}
                        onChange={(event) => {
                            setName(event.target.value);
                            setEdited(null);
                            setKeeping(false);
                        }}
                        className="h-7 max-w-48 rounded border border-line bg-surface px-1.5 text-sm"
                    >
                        <option value="">{t('as the last run')}</option>
                        {kept.rows.map((one) => (
                            <option key={one.name} value={one.name}>
                                {one.dailyAt ? t(':name, daily at :at', { name: one.name, at: one.dailyAt }) : one.name}
                            </option>
                        ))}
                    </select>
                )}
            </div>
            {trouble && (
                <p role="alert" className="mb-2 rounded bg-broken-tint px-2 py-1 text-sm">
                    {trouble}
                </p>
            )}
            {row?.trouble && (
                <p className="mb-2 rounded bg-look-tint px-2 py-1 text-sm">{t('It did not begin by itself: :why', { why: row.trouble })}</p>
            )}
            <div className="rounded border border-line text-sm">
                {(Object.keys(RUN_GROUPS) as RunGroup[]).map((group) => (
                    <Group
                        key={group}
                        label={t(RUN_GROUPS[group])}
                        said={runWords(group, chosen, sites, plan.planDate)}
                        differs={runWords(group, chosen, sites, plan.planDate) !== runWords(group, base, sites, plan.planDate)}
                        open={open === group}
                        onOpen={() => setOpen(open === group ? null : group)}
                    >
                        <RunControls group={group} chosen={chosen} families={kept.families} onChange={change} />
                    </Group>
                ))}
            </div>
            {nowhere && <p className="mt-1 text-sm text-look-ink">{t('Choose a site at least.')}</p>}
            {keeping ? (
                <RunKeep
                    row={row}
                    chosen={chosen}
                    timeZone={kept.timeZone}
                    onKept={(now, named) => {
                        onKept(now);
                        setName(named);
                        setEdited(null);
                        setKeeping(false);
                    }}
                    onBack={() => setKeeping(false)}
                />
            ) : (
                <div className="mt-3 flex gap-2">
                    <Button type="submit" look="act" className="flex-1 justify-center" disabled={busy || nowhere}>
                        {t('Run now')}
                    </Button>
                    <Button onClick={() => setKeeping(true)}>{t('Keep these choices')}</Button>
                </div>
            )}
            <p className="mt-2 text-xs text-mute">{t('The plan you see stays until the new one is complete.')}</p>
        </form>
    );
}

interface GroupProps {
    label: string;
    said: string;
    /** Whether it is another than what one began from. */
    differs: boolean;
    open: boolean;
    onOpen: () => void;
    children: ReactNode;
}

function Group({ label, said, differs, open, onOpen, children }: GroupProps) {
    const id = useId();
    return (
        <div className="border-b border-soft last:border-0">
            <button
                type="button"
                aria-expanded={open}
                aria-controls={id}
                onClick={onOpen}
                className="flex min-h-8 w-full items-start gap-2 px-2 py-1.5 text-left hover:bg-act-tint"
            >
                <span className="w-[74px] shrink-0 text-mute">{label}</span>
                <span className={`min-w-0 flex-1 ${differs ? 'font-semibold text-act' : ''}`}>{said}</span>
                <ChevronRight size={14} aria-hidden className={`mt-0.5 shrink-0 text-mute ${open ? 'rotate-90' : ''}`} />
            </button>
            {open && (
                <div id={id} className="border-t border-soft bg-paper px-2 pt-0.5 pb-2">
                    {children}
                </div>
            )}
        </div>
    );
}
