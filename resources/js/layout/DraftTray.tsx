import { Link } from '@inertiajs/react';
import { ChevronDown, ChevronUp, LoaderCircle, Redo2, Undo2, X } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Button } from '@/components/Button';
import { FigureChange } from '@/components/FigureChange';
import { day, qty } from '@/lib/format';
import { useDraft } from '@/lib/draft';
import type { DraftLine, ArrivalChangeRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';

/** The draft at the foot of every page: what it does in one line, its lines when it is opened. Nothing in it is written. */
export function DraftTray() {
    const { draft: known } = useShared();
    const draft = useDraft();
    const { state, step, may } = draft;
    const [open, setOpen] = useState(false);
    const shown = state.lines.length > 0 || draft.trouble !== null || draft.done !== null || (may && (state.canUndo || state.canRedo));

    useEffect(() => {
        const onKey = (event: KeyboardEvent) => {
            const target = event.target as HTMLElement;
            const typing = target.matches('input:not([type=checkbox]), textarea, select');
            if (may && !typing && (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
                event.preventDefault();
                step(!event.shiftKey);
            } else if (may && event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
                event.preventDefault(); // the key that brings the focus there must not press what it comes to
                document.getElementById('draft-commit')?.focus();
            }
        };
        document.addEventListener('keydown', onKey);
        return () => document.removeEventListener('keydown', onKey);
    }, [may, step]);

    if (!shown && known.others.length === 0) {
        return null;
    }
    return (
        <section aria-label={t('Draft')} className="shrink-0 border-t border-draft/40 bg-draft-tint text-sm">
            {(draft.trouble ?? draft.done) && (
                <p
                    role={draft.trouble ? 'alert' : 'status'}
                    className={`flex items-center gap-3 border-b border-draft/20 px-3.5 py-1.5 ${draft.trouble ? 'bg-broken-tint' : 'bg-act-tint'}`}
                >
                    <span className="min-w-0 flex-1">{draft.trouble ?? draft.done?.message}</span>
                    {draft.done?.commit && (
                        <Button look="quiet" onClick={() => draft.undoCommit(draft.done?.commit ?? 0)} disabled={draft.busy}>
                            {t('Undo this commit')}
                        </Button>
                    )}
                    <button type="button" onClick={draft.clear} aria-label={t('Put away')} className="text-mute hover:text-ink">
                        <X size={15} aria-hidden />
                    </button>
                </p>
            )}
            {state.broken && (
                <p role="alert" className="border-b border-draft/20 bg-broken-tint px-3.5 py-1.5">
                    {state.broken}
                </p>
            )}
            {!shown ? <p className="px-3.5 py-1 text-xs text-mute">{others(known.others)}</p> : <Bar open={open} onOpen={setOpen} />}
            {open && state.lines.length > 0 && <Opened />}
        </section>
    );
}

function others(names: string[]): string {
    return names.length === 0 ? '' : t('Drafts of others: :names', { names: names.join(', ') });
}

function Bar({ open, onOpen }: { open: boolean; onOpen: (open: boolean) => void }) {
    const { draft: known } = useShared();
    const { state, busy, step, discard, commit, keep } = useDraft();
    const [name, setName] = useState<string | null>(null);
    const count = state.lines.length;
    const may = state.lines.every((line) => line.may && !line.trouble && !line.moved);
    return (
        <div className="flex min-h-[38px] items-center gap-3 px-3.5 py-1">
            <button
                type="button"
                aria-expanded={open}
                onClick={() => onOpen(!open)}
                disabled={count === 0}
                className="flex items-center gap-1 font-bold text-draft"
            >
                {count === 0 ? t('Draft, empty') : tn('Draft, :n change', 'Draft, :n changes', count)}
                {count > 0 && (open ? <ChevronDown size={15} aria-hidden /> : <ChevronUp size={15} aria-hidden />)}
            </button>
            <span className="flex min-w-0 flex-1 flex-wrap items-center gap-x-4" aria-live="polite">
                {state.figures
                    .filter((figure) => TOLD.includes(figure.name))
                    .map((figure) => (
                        <FigureChange key={figure.name} figure={figure} brief />
                    ))}
                {count > 0 && state.figures.length === 0 && state.broken === null && !busy && (
                    <span className="text-mute">{t('no figure changes')}</span>
                )}
                {state.troubles > 0 && (
                    <strong className="text-broken">{tn(':n line does not fit', ':n lines do not fit', state.troubles)}</strong>
                )}
                {count === 0 && known.others.length > 0 && <span className="text-mute">{others(known.others)}</span>}
            </span>
            {busy && <LoaderCircle size={15} className="animate-spin text-draft" aria-label={t('Planning with it')} />}
            <button type="button" onClick={() => step(true)} disabled={!state.canUndo} title={t('Undo (Ctrl Z)')} className={STEP}>
                <Undo2 size={15} aria-label={t('Undo')} />
            </button>
            <button type="button" onClick={() => step(false)} disabled={!state.canRedo} title={t('Redo (Ctrl Shift Z)')} className={STEP}>
                <Redo2 size={15} aria-label={t('Redo')} />
            </button>
            {name !== null ? (
                <form
                    className="flex items-center gap-2"
                    onSubmit={(event) => {
                        event.preventDefault();
                        keep(name);
                        setName(null);
                    }}
                >
                    <input
                        autoFocus
                        required
                        maxLength={70}
                        value={name}
                        onChange={(event) => setName(event.target.value)}
                        onKeyDown={(event) => event.key === 'Escape' && setName(null)}
                        aria-label={t('Name of the study')}
                        className="h-[28px] w-44 rounded border border-draft bg-surface px-2"
                    />
                    <Button type="submit">{t('Keep')}</Button>
                </form>
            ) : (
                <>
                    <Button onClick={discard} disabled={count === 0 || busy}>
                        {t('Discard')}
                    </Button>
                    <Button onClick={() => setName(t('My draft'))} disabled={count === 0 || busy}>
                        {t('Keep as study')}
                    </Button>
                    <Button
                        id="draft-commit"
                        look="draft"
                        title={t('Ctrl Enter comes here')}
                        onClick={commit}
                        disabled={count === 0 || busy || !may}
                    >
                        {t('Commit')}
                    </Button>
                </>
            )}
        </div>
    );
}

/** The figures of the tray; the comparison of a study has them all. */
const TOLD = ['lateLines', 'lateDays', 'short', 'moves', 'purchases', 'stockValue'];

const STEP = 'rounded p-1 text-draft hover:bg-surface disabled:text-faint disabled:hover:bg-transparent';

function Opened() {
    const { plan } = useShared();
    const { state } = useDraft();
    const lines = state.slips.filter((slip) => slip.kind === 'line');
    const orders = state.slips.filter((slip) => slip.kind === 'order');
    return (
        <div className="max-h-[240px] overflow-y-auto border-t border-draft/20">
            <ul>
                {state.lines.map((line) => (
                    <Line key={line.id} line={line} />
                ))}
            </ul>
            {state.slips.length > 0 && (
                <div className="grid grid-cols-2 gap-6 px-3.5 py-2">
                    <Slips title={t('Customers')} slips={lines} today={plan.planDate} />
                    <Slips title={t('Orders')} slips={orders} today={plan.planDate} />
                </div>
            )}
        </div>
    );
}

function Line({ line }: { line: DraftLine }) {
    const { drop, accept, busy, state } = useDraft();
    const told = state.broken === null;
    return (
        <li className="flex items-baseline gap-3 border-b border-draft/15 px-3.5 py-1">
            <span className="min-w-0 flex-1">
                <span className={line.trouble ? 'text-mute line-through' : ''}>{line.sentence}</span>
                {line.parts.length > 0 && line.parts.join('; ') !== line.sentence && (
                    <span className="ml-2 text-xs text-mute">{line.parts.join('; ')}</span>
                )}
            </span>
            <span className="flex max-w-[55%] flex-wrap justify-end gap-x-3 text-right">
                {line.trouble && <strong className="text-broken">{t('does not fit: :why', { why: line.trouble })}</strong>}
                {line.moved && !line.trouble && (
                    <>
                        <strong className="text-look-ink">{t('changed by someone meanwhile')}</strong>
                        <button type="button" className="font-semibold text-draft hover:underline" onClick={() => accept(line.id)}>
                            {t('Take it all the same')}
                        </button>
                    </>
                )}
                {!line.may && <strong className="text-look-ink">{t('not yours to commit')}</strong>}
                {line.figures
                    .filter((figure) => figure.name === 'lateLines' || figure.name === 'lateDays')
                    .map((figure) => (
                        <FigureChange key={figure.name} figure={figure} />
                    ))}
                {line.notes.length > 0 && <span className="text-mute">{line.notes.join(', ')}</span>}
                {!line.trouble && told && line.notes.length === 0 && line.figures.length === 0 && (
                    <span className="text-mute">{t('changes nothing by itself')}</span>
                )}
            </span>
            <button
                type="button"
                onClick={() => drop(line.id)}
                disabled={busy}
                aria-label={t('Drop: :line', { line: line.sentence })}
                className="text-mute hover:text-ink hover:underline"
            >
                {t('Drop')}
            </button>
        </li>
    );
}

/** What arrives on another day, the worst first, each with a way to look for what could be done. */
function Slips({ title, slips, today }: { title: string; slips: ArrivalChangeRow[]; today: string }) {
    return (
        <div>
            <h3 className="text-xs font-bold text-mute">
                {title} {slips.length}
            </h3>
            <ul>
                {slips.map((slip) => (
                    <li key={slip.reference} className="flex min-h-6 items-center gap-2">
                        {slip.href ? (
                            <Link href={slip.href} className="leading-6 font-semibold hover:underline">
                                {slip.label}
                            </Link>
                        ) : (
                            <span className="font-semibold">{slip.label}</span>
                        )}
                        <span className="min-w-0 flex-1 truncate text-mute">
                            {slip.customer || `${qty(slip.qty)} ${slip.unit} ${slip.item} ${slip.name}`}
                        </span>
                        <span className="whitespace-nowrap">
                            {slip.before && <s className="text-mute">{day(slip.before, today)}</s>}{' '}
                            <strong className={slip.hurts ? 'text-broken' : slip.helps ? 'text-act' : 'text-draft'}>
                                {slip.after ? day(slip.after, today) : t('not covered')}
                            </strong>
                        </span>
                        {slip.hurts && slip.need && (
                            <Link
                                href={`/shortages?${new URLSearchParams({ days: '55', open: slip.need }).toString()}`}
                                className="leading-6 font-semibold text-act hover:underline"
                            >
                                {t('Ways out')}
                            </Link>
                        )}
                    </li>
                ))}
                {slips.length === 0 && <li className="text-mute">{t('none moves')}</li>}
            </ul>
        </div>
    );
}
