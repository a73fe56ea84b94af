import { Link, router } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { FindBox } from '@/components/FindBox';
import { MaybeLink } from '@/components/MaybeLink';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillToggle } from '@/components/Pill';
import { Quantity } from '@/components/Quantity';
import { day, isZero, qty } from '@/lib/format';
import { freshKey, getJson, postJson } from '@/lib/http';
import type { BlockedStock, MovementRow, MovementRows, MovementsPage, Posted } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { POSTINGS } from '@/lib/words';
import { itemHref } from '@/pages/parts/ItemPanel';
import { OrderTabs } from '@/pages/parts/OrderTabs';
import { type DataColumn, DataTable } from '@/components/DataTable';

/** The ledger: what came, what went, what was counted; each once, the newest first. What was wrong gets a counter-entry. */
export default function Movements({ list, filter, blocked, may }: MovementsPage) {
    const { plan } = useShared();
    const [older, setOlder] = useState<{ of: MovementRows; rows: MovementRow[]; more: boolean } | null>(null);
    const extra = older?.of === list ? older : null;
    const rows = [...list.rows, ...(extra?.rows ?? [])];
    const more = extra === null ? list.more : extra.more;
    const change = (changes: Record<string, string>) => refilter('/movements', filter, changes, {});
    const reverse = useCommand(
        (row: MovementRow) => postJson<Posted>(`/movements/${row.id}/reverse`, { key: freshKey() }),
        () => router.reload(),
    );
    const read = useCommand(
        () =>
            getJson<MovementRows>(`/movements/rows?${new URLSearchParams({ ...filter, before: String(rows.at(-1)?.id ?? 0) }).toString()}`),
        (next) => setOlder({ of: list, rows: [...(extra?.rows ?? []), ...next.rows], more: next.more }),
    );
    const columns: DataColumn<MovementRow>[] = [
        { id: 'day', head: t('Day'), width: '92px', cell: (row) => day(row.day, plan.planDate) },
        {
            id: 'kind',
            head: t('What'),
            width: '96px',
            cell: whatMoved,
        },
        {
            id: 'item',
            head: t('Item'),
            title: (row) => `${row.item} ${row.name}`,
            cell: (row) => (
                <>
                    <strong>{row.item}</strong> {row.name}
                </>
            ),
        },
        { id: 'site', head: t('Site'), width: '56px', cell: (row) => row.site },
        {
            id: 'qty',
            head: t('Quantity'),
            width: '110px',
            right: true,
            cellLook: (row) => (row.isCountered || row.counterOf !== null ? 'text-mute' : ''),
            cell: (row) => (
                <>
                    <strong>
                        {row.qty.startsWith('-') ? '' : '+'}
                        <Quantity value={row.qty} decimals={row.decimals} />
                    </strong>{' '}
                    <span className="text-mute">{row.unit}</span>
                    {row.isBlocked && <span className="text-mute"> {t('blocked')}</span>}
                </>
            ),
        },
        { id: 'for', head: t('For'), width: '130px', look: 'pl-5', cell: (row) => row.document && <MaybeLink to={row.document} /> },
        { id: 'by', head: t('Who'), width: '110px', cell: (row) => row.by },
        {
            id: 'why',
            head: t('Why'),
            width: '150px',
            title: (row) => row.reason,
            cell: (row) => (
                <>
                    {row.counterOf !== null && <span className="text-mute">{t('takes :n back', { n: row.counterOf })} </span>}
                    {row.isCountered && <span className="text-mute">{t('taken back')} </span>}
                    {row.isBelowZero && <span className="font-semibold text-broken">{t('beyond the books')} </span>}
                    {row.reason}
                </>
            ),
        },
        ...(may
            ? [
                  {
                      id: 'do',
                      head: '',
                      about: t('What to do'),
                      width: '92px',
                      right: true,
                      cell: (row: MovementRow) =>
                          row.counterOf === null &&
                          !row.isCountered &&
                          row.kind !== 'import' &&
                          row.kind !== 'transfer' && (
                              <Button
                                  look="quiet"
                                  className="!h-6 !px-0"
                                  disabled={reverse.busy}
                                  aria-label={t('Take back: :what', { what: `${row.qty} ${row.item}` })}
                                  onClick={() => reverse.send(row)}
                              >
                                  {t('Take back')}
                              </Button>
                          ),
                  },
              ]
            : []),
    ];
    return (
        <>
            <PageHead title={t('Movements')}>{tn('1 movement', ':n movements', list.count)}</PageHead>
            <OrderTabs on="movements" />
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillSelect
                    label={t('What')}
                    value={filter.kind ?? ''}
                    onChange={(kind) => change({ kind })}
                    choices={[
                        { value: '', label: t('All that moved') },
                        ...Object.entries(POSTINGS).map(([value, label]) => ({ value, label: t(label) })),
                    ]}
                />
                {filter.item && (
                    <PillToggle on onChange={() => change({ item: '' })}>
                        {t('Only :item', { item: filter.item })}
                    </PillToggle>
                )}
                <FindBox label={t('Find item, order, reason')} value={filter.q ?? ''} onChange={(q) => change({ q })} />
            </div>
            {reverse.trouble && <Notice tone="broken">{reverse.trouble}</Notice>}
            {reverse.answer && <Notice tone="done">{reverse.answer.message}.</Notice>}
            <Blocked rows={blocked} />
            {rows.length === 0 ? (
                <Empty title={t('Nothing has moved')}>{t('What is received, issued, shipped or counted stands here.')}</Empty>
            ) : (
                <DataTable name="movements" label={t('Movements')} columns={columns} rows={rows} keyOf={(row) => String(row.id)} />
            )}
            {more && (
                <Button className="mt-2" disabled={read.busy} onClick={() => read.send(undefined)}>
                    {t('Show older ones')}
                </Button>
            )}
        </>
    );
}

function whatMoved(row: MovementRow): string {
    if (row.kind === 'block') {
        return row.isBlocked === row.qty.startsWith('-') ? t('Freed') : t('Blocked');
    }
    return row.isBlocked && row.kind === 'receipt' ? t('Receipt, blocked') : t(POSTINGS[row.kind]);
}

/** Stock that somebody has to look at, each with what is to be done on the page of its item. */
function Blocked({ rows }: { rows: BlockedStock[] }) {
    if (rows.length === 0) {
        return null;
    }
    return (
        <section aria-label={t('To be looked at')} className="mb-3 rounded border border-line bg-surface px-3 py-2 text-sm">
            <h2 className="mb-1 text-xs font-bold text-mute">{t('To be looked at')}</h2>
            <ul>
                {rows.map((row) => (
                    <li key={`${row.item} ${row.site}`} className="flex items-baseline gap-3 border-b border-soft py-1 last:border-0">
                        <Link href={itemHref(row.item, row.site)} className="w-44 truncate font-bold text-act hover:underline">
                            {row.item}, {row.site}
                        </Link>
                        <span className="min-w-0 flex-1 truncate">{row.name}</span>
                        <span className="font-semibold text-look-ink">
                            {!isZero(row.blocked) && t(':qty :unit blocked', { qty: qty(row.blocked, row.decimals), unit: row.unit })}
                        </span>
                        <span className="font-semibold text-broken">
                            {!isZero(row.owed) && t(':qty :unit beyond the books', { qty: qty(row.owed, row.decimals), unit: row.unit })}
                        </span>
                        <span className="w-56 truncate text-mute" title={row.why}>
                            {row.why}
                        </span>
                    </li>
                ))}
            </ul>
        </section>
    );
}
