import { useState } from 'react';
import { Button } from '@/components/Button';
import { useDraft } from '@/lib/draft';
import { moment } from '@/lib/format';
import type { HistoryRow } from '@/lib/shapes';
import { t } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';

/** Who did what to a record; one's own last change can be undone while nothing was built on it. Read when it is opened. */
export function RecordHistory({ of }: { of: string[] }) {
    const draft = useDraft();
    const [open, setOpen] = useState(false);
    const query = new URLSearchParams({ of: of.join('\n') }).toString();
    return (
        <details className="mt-3 text-sm" onToggle={(event) => setOpen(event.currentTarget.open)}>
            <summary className="cursor-pointer text-xs font-bold text-mute">{t('What was changed, and by whom')}</summary>
            {open && <Rows url={`/history?${query}`} stamp={draft.stamp} onUndo={draft.undoCommit} />}
        </details>
    );
}

function Rows({ url, stamp, onUndo }: { url: string; stamp: number; onUndo: (commit: number) => void }) {
    const { data, trouble } = useLoaded<HistoryRow[]>(url, stamp);
    if (trouble) {
        return <p className="mt-1 text-broken">{trouble}</p>;
    }
    if (data === null) {
        return <p className="mt-1 text-mute">{t('Looking ...')}</p>;
    }
    return (
        <ul className="mt-1">
            {data.length === 0 && <li className="text-mute">{t('Nothing since it was brought in.')}</li>}
            {data.map((row, place) => (
                <li key={place} className="border-b border-soft py-1.5 last:border-0">
                    <span className={row.isUndone ? 'text-mute line-through' : ''}>{row.sentence}</span>
                    <span className="flex items-center gap-2 text-xs text-mute">
                        {row.by}, {moment(row.at)}
                        {row.isUndone && `, ${t('undone')}`}
                        {row.undoes !== null && (
                            <Button look="quiet" className="!h-5 !px-1 text-xs" onClick={() => onUndo(row.undoes ?? 0)}>
                                {t('Undo')}
                            </Button>
                        )}
                    </span>
                </li>
            ))}
        </ul>
    );
}
