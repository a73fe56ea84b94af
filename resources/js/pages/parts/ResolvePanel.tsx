import { useQuery } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { Button } from '@/components/Button';
import { FigureChange } from '@/components/FigureChange';
import { PanelHead } from '@/components/PanelHead';
import { useDraft, type Change } from '@/lib/draft';
import { postJson } from '@/lib/http';
import type { ResolvedNeeds, ShortageRow } from '@/lib/shapes';
import { t, tn } from '@/lib/t';

/** More at once would take too long to read, and to plan. */
const MOST = 25;

/** A remedy for each shortage of the list, one after the other; the planner keeps what she likes. */
export function ResolvePanel({ rows, onClose }: { rows: ShortageRow[]; onClose: () => void }) {
    const draft = useDraft();
    const [asked] = useState(() => rows.slice(0, MOST));
    const [left, setLeft] = useState<Set<string>>(new Set());
    const { data, error } = useQuery({
        queryKey: ['resolve', useId()],
        queryFn: () => postJson<ResolvedNeeds>('/shortages/resolve', { needs: asked.map(({ identity, item }) => ({ identity, item })) }),
        staleTime: Infinity,
        gcTime: 0, // another time others may be short
    });
    const found = data?.proposals ?? null;
    const trouble = error?.message ?? null;

    const chosen = (found ?? []).filter((one) => one.remedy && !left.has(one.identity));
    const keep = async () => {
        for (const { remedy } of chosen) {
            if (remedy && !(await draft.add(JSON.parse(remedy.changes) as Change[], remedy.title))) {
                return;
            }
        }
        onClose();
    };
    const toggle = (identity: string) =>
        setLeft((old) => {
            const next = new Set(old);
            if (!next.delete(identity)) {
                next.add(identity);
            }
            return next;
        });
    return (
        <>
            <PanelHead title={t('Resolve all')} onClose={onClose} />
            <p className="mt-1 text-mute">
                {t('For each shortage in turn the remedy that hurts others least, on top of those above it. Keep what you like.')}
            </p>
            {rows.length > MOST && (
                <p className="mt-1 text-look-ink">{t('The first :n of the list; narrow it for others.', { n: MOST })}</p>
            )}
            {trouble && <p className="mt-2 text-broken">{trouble}</p>}
            {!found && !trouble && <p className="mt-3">{t('Planning a way out of each ...')}</p>}
            <ul className="mt-2 space-y-1 text-sm">
                {(found ?? []).map((one) => (
                    <li key={one.identity} className="rounded border border-line bg-paper px-2.5 py-1.5">
                        {one.remedy ? (
                            <label className="flex gap-2">
                                <input type="checkbox" checked={!left.has(one.identity)} onChange={() => toggle(one.identity)} />
                                <span>
                                    <strong>{one.item}</strong> {one.remedy.title}
                                    <span className="flex flex-wrap gap-x-3">
                                        {one.remedy.figures
                                            .filter((figure) => ['lateLines', 'lateDays'].includes(figure.name))
                                            .map((figure) => (
                                                <FigureChange key={figure.name} figure={figure} />
                                            ))}
                                    </span>
                                    <span className={one.remedy.hurt.length > 0 ? 'text-broken' : 'text-mute'}>
                                        {one.remedy.hurt.length > 0 ? one.remedy.hurt.join(', ') : one.remedy.note}
                                    </span>
                                </span>
                            </label>
                        ) : (
                            <span className="text-mute">
                                <strong>{one.item}</strong>{' '}
                                {one.solvedBy
                                    ? t('needs nothing more after: :title', { title: one.solvedBy })
                                    : one.inTime
                                      ? t('is in time as it is proposed')
                                      : t('nothing that could be planned solves it')}
                            </span>
                        )}
                    </li>
                ))}
            </ul>
            {found && (
                <Button
                    look="draft"
                    className="mt-3 w-full justify-center"
                    disabled={chosen.length === 0 || draft.busy}
                    onClick={() => void keep()}
                >
                    {tn('Draft :n remedy', 'Draft :n remedies', chosen.length)}
                </Button>
            )}
        </>
    );
}
