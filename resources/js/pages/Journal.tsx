import { useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { ExportLink } from '@/components/ExportLink';
import { FindBox } from '@/components/FindBox';
import { PageHead } from '@/components/PageHead';
import { useDraft } from '@/lib/draft';
import { moment } from '@/lib/format';
import type { JournalPage, JournalRow } from '@/lib/shapes';
import { refilter } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { type DataColumn, DataTable } from '@/components/DataTable';

/** Who changed what and when, newest first. What was committed can be undone as a whole, until something of it has moved on. */
export default function Journal({ entries, filter, most }: JournalPage) {
    const draft = useDraft();
    const [open, setOpen] = useState<number | null>(null);
    const columns: DataColumn<JournalRow>[] = [
        { id: 'when', head: t('When'), width: '150px', look: 'text-mute', cell: (entry) => moment(entry.at) },
        { id: 'who', head: t('Who'), width: '150px', cell: (entry) => entry.by },
        {
            id: 'what',
            head: t('What'),
            title: (entry) => entry.sentence,
            cellLook: (entry) => (entry.undone ? 'text-mute line-through' : ''),
            cell: (entry) =>
                entry.parts.length > 0 ? (
                    <button
                        type="button"
                        aria-expanded={open === entry.id}
                        className="font-semibold hover:underline"
                        onClick={() => setOpen(open === entry.id ? null : entry.id)}
                    >
                        {entry.sentence}
                    </button>
                ) : (
                    entry.sentence
                ),
        },
        {
            id: 'do',
            head: '',
            about: t('What to do'),
            width: '110px',
            right: true,
            cell: (entry) =>
                entry.undone ? (
                    <span className="text-mute">{t('undone')}</span>
                ) : (
                    entry.commit !== null && (
                        <Button
                            look="quiet"
                            className="!h-6 !px-0"
                            disabled={draft.busy}
                            aria-label={t('Undo: :what', { what: entry.sentence })}
                            onClick={() => draft.undoCommit(entry.commit ?? 0)}
                        >
                            {t('Undo')}
                        </Button>
                    )
                ),
        },
    ];
    return (
        <>
            <PageHead title={t('Journal')}>{tn('1 entry', ':n entries', entries.length)}</PageHead>
            <div className="mb-2.5 flex items-center gap-2">
                <span className="order-last">
                    <ExportLink list="journal" params={filter} />
                </span>
                <FindBox label={t('Find what was done')} value={filter.q ?? ''} onChange={(q) => refilter('/journal', filter, { q }, {})} />
            </div>
            {entries.length === 0 ? (
                <Empty title={t('Nothing stands here')}>{t('What people change is written down here.')}</Empty>
            ) : (
                <DataTable
                    name="journal"
                    label={t('Journal')}
                    columns={columns}
                    rows={entries}
                    keyOf={(entry) => String(entry.id)}
                    detail={(entry) =>
                        open === entry.id && (
                            <ul className="pl-[300px]">
                                {entry.parts.map((part, place) => (
                                    <li key={place}>{part}</li>
                                ))}
                            </ul>
                        )
                    }
                />
            )}
            {entries.length >= most && (
                <p className="mt-2 text-mute">{t('Only the newest :n are shown. Narrow the list by text.', { n: most })}</p>
            )}
        </>
    );
}
