import { Link, router } from '@inertiajs/react';
import { Plus } from 'lucide-react';
import { useCallback, useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { Notice } from '@/components/Notice';
import { SureDialog } from '@/components/SureDialog';
import { PageHead } from '@/components/PageHead';
import { PanelHead } from '@/components/PanelHead';
import { Inspector } from '@/layout/Shell';
import { showPlan } from '@/layout/PlanChip';
import { moment } from '@/lib/format';
import { deleteJson, postJson } from '@/lib/http';
import type { SavedStudy, StudiesPage, StudyRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { type Sentence, t, tn } from '@/lib/t';
import { useWatchedRun } from '@/lib/useWatchedRun';
import { StudyForm } from '@/pages/parts/StudyForm';
import { type DataColumn, DataTable } from '@/components/DataTable';
import { useCommand } from '@/lib/useCommand';

type Open = { kind: 'study'; id: number } | { kind: 'edit'; id: number } | { kind: 'new' } | null;

const DELETE = {
    title: 'Delete this study?',
    note: 'Its result goes with it and cannot be brought back. The live plan stays as it is.',
    yes: 'Delete',
} satisfies Record<string, Sentence>;

/** Saved what-ifs: what they change, what came of them, and the ways on from there. */
export default function Studies({ rows: studies, calendars, open: wanted }: StudiesPage) {
    const { user } = useShared();
    const [open, setOpen] = useState<Open>(() => {
        const found = studies.find((study) => String(study.id) === wanted);
        return wanted === 'new' ? { kind: 'new' } : found ? { kind: 'study', id: found.id } : null;
    });
    const [watched, setWatched] = useState<number | null>(null);
    const may = user.can.includes('make studies');
    useWatchedRun(
        watched,
        useCallback((state) => {
            if (state.status === 'done' || state.status === 'failed') {
                setWatched(null);
            }
        }, []),
    );
    const planning = useCommand(
        (study: StudyRow) => postJson<SavedStudy>(`/studies/${study.id}/run`, {}),
        ({ run }) => {
            setWatched(run);
            router.reload();
        },
    );
    const plan = planning.send;
    const removal = useCommand(
        (study: StudyRow) => deleteJson<unknown>(`/studies/${study.id}`),
        () => {
            setOpen(null);
            router.reload();
        },
    );
    const [deleting, setDeleting] = useState<StudyRow | null>(null);
    const trouble = planning.trouble ?? removal.trouble;
    const forget = () => {
        planning.clear();
        removal.clear();
    };
    const opened = open && open.kind !== 'new' ? studies.find((study) => study.id === open.id) : undefined;
    return (
        <>
            <div className="flex items-start gap-3">
                <PageHead title={t('Studies')}>{t('Try something on a copy of the plan. A study never makes an order.')}</PageHead>
                {may && (
                    <Button look="act" className="ml-auto" onClick={() => setOpen({ kind: 'new' })}>
                        <Plus size={14} aria-hidden />
                        {t('New study')}
                    </Button>
                )}
            </div>
            {trouble && (
                <Notice tone="broken" onClose={() => forget()}>
                    {trouble}
                </Notice>
            )}
            {deleting && (
                <SureDialog
                    title={DELETE.title}
                    lines={[deleting.name]}
                    note={DELETE.note}
                    yes={DELETE.yes}
                    onSure={() => {
                        removal.send(deleting);
                        setDeleting(null);
                    }}
                    onBack={() => setDeleting(null)}
                />
            )}
            {studies.length === 0 ? (
                <Empty title={t('No study yet')}>
                    {t(
                        'What if demand were a fifth higher, a supplier took two weeks longer, a site closed for a week? Make a study and compare it with the live plan.',
                    )}
                </Empty>
            ) : (
                <Table studies={studies} open={opened?.id ?? null} onOpen={(id) => setOpen({ kind: 'study', id })} />
            )}
            {open?.kind === 'new' && (
                <Inspector label={t('New study')}>
                    <StudyForm
                        study={null}
                        calendars={calendars}
                        onClose={() => setOpen(null)}
                        onSaved={(id, run) => {
                            setOpen({ kind: 'study', id });
                            setWatched(run);
                            router.reload();
                        }}
                    />
                </Inspector>
            )}
            {open?.kind === 'edit' && opened && (
                <Inspector label={t('Change the study')}>
                    <StudyForm
                        key={`${opened.id} ${opened.version}`}
                        study={opened}
                        calendars={calendars}
                        onClose={() => setOpen({ kind: 'study', id: opened.id })}
                        onSaved={(id, run) => {
                            setOpen({ kind: 'study', id });
                            setWatched(run);
                            router.reload();
                        }}
                    />
                </Inspector>
            )}
            {open?.kind === 'study' && opened && (
                <Inspector label={t('Study')}>
                    <StudyPanel
                        study={opened}
                        may={may && opened.mine}
                        onPlan={() => plan(opened)}
                        onEdit={() => setOpen({ kind: 'edit', id: opened.id })}
                        onDelete={() => setDeleting(opened)}
                        onClose={() => setOpen(null)}
                    />
                </Inspector>
            )}
        </>
    );
}

function state(study: StudyRow): string {
    if (study.status === 'queued' || study.status === 'running') {
        return t('being planned');
    }
    if (study.status === 'failed' && !study.planned) {
        return t('could not be planned');
    }
    return study.plannedAt ? moment(study.plannedAt) : t('not planned');
}

function Table({ studies, open, onOpen }: { studies: StudyRow[]; open: number | null; onOpen: (id: number) => void }) {
    const columns: DataColumn<StudyRow>[] = [
        { id: 'name', head: t('Study'), width: '26%', look: 'font-semibold', sort: (study) => study.name, cell: (study) => study.name },
        {
            id: 'changes',
            head: t('What it changes'),
            look: 'text-mute',
            title: whatItChanges,
            cell: (study) => whatItChanges(study) || t('nothing yet'),
        },
        { id: 'by', head: t('By'), width: '110px', wide: true, look: 'text-mute', sort: (study) => study.by, cell: (study) => study.by },
        {
            id: 'planned',
            head: t('Planned'),
            width: '150px',
            sort: (study) => study.plannedAt ?? '',
            cell: (study) => (
                <>
                    {state(study)}
                    {study.stale && <span className="ml-1.5 font-semibold text-look-ink">{t('stale')}</span>}
                </>
            ),
        },
        {
            id: 'late',
            head: t('Lines late'),
            width: '110px',
            right: true,
            cell: (study) =>
                study.figures[0] ? (
                    <>
                        <strong>{study.figures[0].value}</strong>{' '}
                        <span className={study.figures[0].worse ? 'text-broken' : 'text-mute'}>{study.figures[0].change}</span>
                    </>
                ) : (
                    <span className="text-faint">·</span>
                ),
        },
    ];
    return (
        <DataTable
            name="studies"
            label={t('Studies')}
            columns={columns}
            rows={studies}
            keyOf={(study) => String(study.id)}
            open={open === null ? null : String(open)}
            onOpen={(study) => onOpen(study.id)}
            narrow={open !== null}
        />
    );
}

function whatItChanges(study: StudyRow): string {
    return [...study.parameters, ...study.changes.map((one) => one.text)].join('; ');
}

interface PanelProps {
    study: StudyRow;
    may: boolean;
    onPlan: () => void;
    onEdit: () => void;
    onDelete: () => void;
    onClose: () => void;
}

function StudyPanel({ study, may, onPlan, onEdit, onDelete, onClose }: PanelProps) {
    const busy = study.status === 'queued' || study.status === 'running';
    return (
        <>
            <PanelHead title={study.name} onClose={onClose} />
            <p className="text-sm text-mute">
                {study.by}, {state(study)}
            </p>
            {study.stale && <p className="mt-1 text-sm text-look-ink">{t('Data or the study have changed since; plan it again.')}</p>}
            {study.status === 'failed' && study.trouble && (
                <p role="alert" className="mt-2 rounded bg-broken-tint px-2 py-1 text-sm">
                    {study.trouble}
                </p>
            )}
            <h3 className="mt-3 mb-1 text-xs font-bold text-mute">{t('What it changes')}</h3>
            {study.parameters.length + study.changes.length === 0 && (
                <p className="text-sm">{t('Nothing yet; it plans as the live plan does.')}</p>
            )}
            <ul className="text-sm">
                {[...study.parameters, ...study.changes.map((change) => change.text)].map((text, place) => (
                    <li key={place} className="border-b border-soft py-1 last:border-0">
                        {text}
                    </li>
                ))}
            </ul>
            {study.figures.length > 0 && (
                <table className="mt-3 w-full text-sm">
                    <caption className="pb-0.5 text-left text-xs font-bold text-mute">{t('Against the live plan')}</caption>
                    <tbody>
                        {study.figures.map((figure) => (
                            <tr key={figure.label} className="border-b border-soft last:border-0">
                                <th scope="row" className="py-1 text-left font-normal">
                                    {figure.label}
                                </th>
                                <td className="text-right font-semibold">{figure.value}</td>
                                <td className={`w-20 text-right ${figure.worse ? 'text-broken' : 'text-mute'}`}>{figure.change}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
            <div className="mt-4 flex flex-wrap gap-2">
                {study.planned && (
                    <>
                        <Link
                            href={`/compare?a=live&b=study-${study.id}`}
                            className="inline-flex h-[30px] items-center rounded border border-act bg-act px-3 text-base font-semibold text-surface hover:bg-act-dark"
                        >
                            {t('Compare with the live plan')}
                        </Link>
                        <Button onClick={() => showPlan(study.id)}>{t('Look at it')}</Button>
                    </>
                )}
                {may && (
                    <>
                        <Button onClick={onPlan} disabled={busy}>
                            {study.planned ? t('Plan it again') : t('Plan it')}
                        </Button>
                        <Button onClick={onEdit}>{t('Change')}</Button>
                        <Button look="quiet" onClick={onDelete} disabled={busy}>
                            {t('Delete')}
                        </Button>
                    </>
                )}
            </div>
            <p className="mt-3 text-sm text-mute">
                {tn('A study with :n change.', 'A study with :n changes.', study.changes.length)} {t('Its proposals cannot be converted.')}
            </p>
        </>
    );
}
