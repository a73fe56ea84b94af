import { Fragment, useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { FindBox } from '@/components/FindBox';
import { PageHead } from '@/components/PageHead';
import { useDraft } from '@/lib/draft';
import { moment } from '@/lib/format';
import type { JournalRow } from '@/lib/shapes';
import { refilter } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { moveAmongRows } from '@/lib/useRowKeys';

/** Who changed what and when, newest first. What was committed can be undone as a whole, until something of it has moved on. */
export default function Journal({ entries, filter, most }: { entries: JournalRow[]; filter: Record<string, string>; most: number }) {
    const draft = useDraft();
    const [open, setOpen] = useState<number | null>(null);
    return (
        <>
            <PageHead title={t('Journal')}>{tn('1 entry', '{n} entries', entries.length)}</PageHead>
            <div className="mb-2.5 flex">
                <FindBox label={t('Find what was done')} value={filter.q ?? ''} onChange={(q) => refilter('/journal', filter, { q }, {})} />
            </div>
            {entries.length === 0 ? (
                <Empty title={t('Nothing stands here')}>{t('What people change is written down here.')}</Empty>
            ) : (
                <div className="rounded border border-line bg-surface">
                    <table className="w-full table-fixed text-sm" onKeyDown={moveAmongRows}>
                        <thead className="sticky -top-3 z-10 bg-surface">
                            <tr className="border-b border-line text-left text-xs text-mute">
                                <th scope="col" className="w-[150px] px-3 py-1.5">
                                    {t('When')}
                                </th>
                                <th scope="col" className="w-[150px]">
                                    {t('Who')}
                                </th>
                                <th scope="col">{t('What')}</th>
                                <th scope="col" className="w-[110px] px-3" aria-label={t('What to do')} />
                            </tr>
                        </thead>
                        <tbody>
                            {entries.map((entry) => (
                                <Fragment key={entry.id}>
                                    <tr data-row tabIndex={0} className="h-8 border-b border-soft -outline-offset-2">
                                        <td className="px-3 text-mute">{moment(entry.at)}</td>
                                        <td>{entry.by}</td>
                                        <td
                                            className={`truncate pr-2 ${entry.undone ? 'text-mute line-through' : ''}`}
                                            title={entry.sentence}
                                        >
                                            {entry.parts.length > 0 ? (
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
                                            )}
                                        </td>
                                        <td className="px-3 text-right">
                                            {entry.undone && <span className="text-mute">{t('undone')}</span>}
                                            {entry.commit !== null && !entry.undone && (
                                                <Button
                                                    look="quiet"
                                                    className="!h-6 !px-0"
                                                    disabled={draft.busy}
                                                    aria-label={t('Undo: {what}', { what: entry.sentence })}
                                                    onClick={() => draft.undoCommit(entry.commit ?? 0)}
                                                >
                                                    {t('Undo')}
                                                </Button>
                                            )}
                                        </td>
                                    </tr>
                                    {open === entry.id && (
                                        <tr className="border-b border-soft bg-paper">
                                            <td />
                                            <td />
                                            <td colSpan={2} className="py-1">
                                                <ul>
                                                    {entry.parts.map((part, place) => (
                                                        <li key={place}>{part}</li>
                                                    ))}
                                                </ul>
                                            </td>
                                        </tr>
                                    )}
                                </Fragment>
                            ))}
                        </tbody>
                    </table>
                </div>
            )}
            {entries.length >= most && (
                <p className="mt-2 text-mute">{t('Only the newest {n} are shown. Narrow the list by text.', { n: most })}</p>
            )}
        </>
    );
}
