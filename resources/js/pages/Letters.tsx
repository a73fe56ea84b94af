import { router } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { FindBox } from '@/components/FindBox';
import { MaybeLink } from '@/components/MaybeLink';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PanelHead } from '@/components/PanelHead';
import { PillSelect } from '@/components/Pill';
import { Inspector } from '@/layout/Shell';
import { moment } from '@/lib/format';
import { postJson } from '@/lib/http';
import type { LetterRow, LettersPage, Told } from '@/lib/shapes';
import { refilter } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { LETTER_STATES } from '@/lib/words';
import { OrderTabs } from '@/pages/parts/OrderTabs';
import { type DataColumn, DataTable } from '@/components/DataTable';

/** Letters to suppliers: what went, what could not be delivered, with all that went with it. */
export default function Letters({ list, filter, may, staysInside }: LettersPage) {
    const [open, setOpen] = useState<number | null>(null);
    const change = (changes: Record<string, string>) => refilter('/letters', filter, changes, {});
    const again = useCommand(
        (letter: LetterRow) => postJson<Told>(`/letters/${letter.id}/send`, {}),
        () => router.reload(),
    );
    const shown = list.rows.find((row) => row.id === open);
    return (
        <>
            <PageHead title={t('Letters')}>
                {tn('1 letter', ':n letters', list.total)}
                {list.failed > 0 && `, ${t(':n not delivered', { n: list.failed })}`}
            </PageHead>
            <OrderTabs on="letters" />
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillSelect
                    label={t('State')}
                    value={filter.state ?? ''}
                    onChange={(state) => change({ state })}
                    choices={[
                        { value: '', label: t('All letters') },
                        ...Object.entries(LETTER_STATES).map(([value, label]) => ({ value, label: t(label) })),
                    ]}
                />
                <FindBox label={t('Find supplier, order, subject')} value={filter.q ?? ''} onChange={(q) => change({ q })} />
            </div>
            {staysInside && list.rows.length > 0 && (
                <p className="mb-2 text-sm text-mute">
                    {t('No way to the world is set up: letters stay in a box inside this installation, and nobody outside gets them.')}
                </p>
            )}
            {again.answer && <Notice tone="done">{again.answer.message}</Notice>}
            {again.trouble && <Notice tone="broken">{again.trouble}</Notice>}
            {list.rows.length === 0 ? (
                <Empty title={t('No letter fits')}>{t('Orders that are sent and letters about what is owed stand here.')}</Empty>
            ) : (
                <DataTable
                    name="letters"
                    label={t('Letters')}
                    columns={columns()}
                    rows={list.rows}
                    keyOf={(row) => String(row.id)}
                    open={open === null ? null : String(open)}
                    narrow={open !== null}
                    onOpen={(row) => setOpen(row.id)}
                />
            )}
            {shown && (
                <Inspector label={t('Letter')}>
                    <PanelHead title={shown.subject} onClose={() => setOpen(null)} />
                    <p className="text-sm text-mute">
                        {t('To :whom, by :name', { whom: shown.recipient, name: shown.by })} · {moment(shown.at)}
                    </p>
                    {shown.error !== '' && <p className="mt-2 font-semibold text-broken">{shown.error}</p>}
                    <pre className="mt-3 rounded border border-line bg-paper p-3 font-sans text-sm whitespace-pre-wrap">{shown.body}</pre>
                    {shown.files.length > 0 && (
                        <ul className="mt-3 text-sm">
                            {shown.files.map((file) => (
                                <li key={file.label}>
                                    <a href={file.href ?? ''} className="font-semibold text-act hover:underline">
                                        {file.label}
                                    </a>
                                </li>
                            ))}
                        </ul>
                    )}
                    {may && shown.state !== 'sent' && (
                        <Button look="act" className="mt-3" disabled={again.busy} onClick={() => again.send(shown)}>
                            {shown.tries === 0 ? t('Send it') : t('Send it again')}
                        </Button>
                    )}
                </Inspector>
            )}
        </>
    );
}

function columns(): DataColumn<LetterRow>[] {
    return [
        { id: 'at', head: t('When'), width: '120px', cell: (row) => moment(row.at) },
        { id: 'to', head: t('To'), width: '190px', title: (row) => `${row.supplier}, ${row.recipient}`, cell: (row) => row.supplier },
        { id: 'subject', head: t('Subject'), title: (row) => row.subject, cell: (row) => <strong>{row.subject}</strong> },
        { id: 'order', head: t('Order'), width: '90px', cell: (row) => row.order && <MaybeLink to={row.order} /> },
        { id: 'by', head: t('Who'), width: '110px', wide: true, cell: (row) => row.by },
        {
            id: 'state',
            head: t('State'),
            width: '110px',
            cell: (row) => t(LETTER_STATES[row.state as keyof typeof LETTER_STATES]),
            cellLook: (row) => (row.state === 'failed' ? 'font-semibold text-broken' : ''),
        },
    ];
}
