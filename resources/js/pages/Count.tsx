import { useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { FIELD, Labelled } from '@/components/Labelled';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { qty } from '@/lib/format';
import { freshKey, postJson } from '@/lib/http';
import type { CountPage, CountRow, CountSheetRows, Posted } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { OrderTabs } from '@/pages/parts/OrderTabs';
import { type DataColumn, DataTable } from '@/components/DataTable';

/** A count of many items: typed or pasted, looked at as a list of differences, booked. */
export default function Count({ may }: CountPage) {
    const { sites, site } = useShared();
    const [at, setAt] = useState(site || (sites[0]?.code ?? ''));
    const [text, setText] = useState('');
    const [note, setNote] = useState('');
    const [key, setKey] = useState(freshKey);
    const look = useCommand(() => postJson<CountSheetRows>('/count/look', { site: at, text }));
    const book = useCommand(
        (rows: CountRow[]) =>
            postJson<Posted>('/movements/count', {
                rows: rows.map((row) => ({ item: row.item, site: at, qty: row.qty, books: row.books })),
                note,
                key,
            }),
        () => {
            setKey(freshKey());
            setText('');
            look.clear();
        },
    );
    const sheet = look.answer;
    const troubles = sheet?.rows.filter((row) => row.trouble !== null).length ?? 0;
    return (
        <>
            <PageHead title={t('Count')}>{t('what lies there, beside what the books say')}</PageHead>
            <OrderTabs on="count" />
            {book.answer && look.answer === null && <Notice tone="done">{book.answer.message}.</Notice>}
            {(look.trouble ?? book.trouble) && <Notice tone="broken">{look.trouble ?? book.trouble}</Notice>}
            <div className="grid grid-cols-[280px_1fr] items-start gap-4">
                <form
                    className="flex flex-col gap-2"
                    onSubmit={(event) => {
                        event.preventDefault();
                        look.send(undefined);
                    }}
                >
                    <Labelled label={t('Site')}>
                        <select value={at} onChange={(event) => setAt(event.target.value)} className={FIELD}>
                            {sites.map((one) => (
                                <option key={one.code} value={one.code}>
                                    {one.name}
                                </option>
                            ))}
                        </select>
                    </Labelled>
                    <Labelled label={t('Item and quantity, a line each; paste works')}>
                        <textarea
                            value={text}
                            rows={14}
                            maxLength={100_000}
                            spellCheck={false}
                            onChange={(event) => {
                                setText(event.target.value);
                                look.clear();
                            }}
                            placeholder={'BAT-12  82\nCAS-2  40'}
                            className="rounded border border-line bg-surface px-2 py-1 font-mono text-sm"
                        />
                    </Labelled>
                    <Labelled label={t('Note')}>
                        <input value={note} maxLength={190} onChange={(event) => setNote(event.target.value)} className={FIELD} />
                    </Labelled>
                    <div>
                        <Button type="submit" look={sheet ? 'plain' : 'act'} disabled={look.busy || text.trim() === ''}>
                            {t('Show the differences')}
                        </Button>
                    </div>
                </form>
                <div className="min-w-0">
                    {sheet === null ? (
                        <Empty title={t('Nothing is counted yet')}>
                            {t('What differs from the books stands here before anything is booked.')}
                        </Empty>
                    ) : (
                        <>
                            <p className="mb-2 flex items-center gap-3">
                                <span>
                                    {tn('1 differs', ':n differ', sheet.rows.length)}, {sheet.message}
                                </span>
                                {may && (
                                    <Button
                                        look="act"
                                        disabled={book.busy || troubles > 0 || sheet.rows.length === 0}
                                        onClick={() => book.send(sheet.rows)}
                                    >
                                        {tn('Book 1 difference', 'Book :n differences', sheet.rows.length)}
                                    </Button>
                                )}
                                {troubles > 0 && (
                                    <span className="font-semibold text-broken">
                                        {tn('1 line has to be put right first', ':n lines have to be put right first', troubles)}
                                    </span>
                                )}
                            </p>
                            <DataTable
                                name="count"
                                label={t('Differences')}
                                columns={columns()}
                                rows={sheet.rows}
                                keyOf={(row) => String(row.line)}
                            />
                        </>
                    )}
                </div>
            </div>
        </>
    );
}

function columns(): DataColumn<CountRow>[] {
    const amount = (row: CountRow, value: string | null) => (value === null ? '' : qty(value, row.decimals));
    return [
        {
            id: 'item',
            head: t('Item'),
            title: (row) => `${row.item} ${row.name}`,
            cell: (row) => (
                <>
                    <strong>{row.item}</strong> <span className="text-mute">{row.name}</span>
                    {row.trouble && <span className="ml-2 font-semibold text-broken">{row.trouble}</span>}
                </>
            ),
        },
        { id: 'books', head: t('Books'), width: '96px', right: true, cell: (row) => amount(row, row.books) },
        { id: 'counted', head: t('Counted'), width: '96px', right: true, cell: (row) => amount(row, row.qty) },
        {
            id: 'difference',
            head: t('Difference'),
            width: '120px',
            right: true,
            cell: (row) => (
                <>
                    <strong>
                        {row.difference !== null && !row.difference.startsWith('-') && '+'}
                        {amount(row, row.difference)}
                    </strong>{' '}
                    <span className="text-mute">{row.unit}</span>
                </>
            ),
        },
        { id: 'value', head: t('Value'), width: '96px', right: true, cell: (row) => (row.value === null ? '' : qty(row.value)) },
    ];
}
