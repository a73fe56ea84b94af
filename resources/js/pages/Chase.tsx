import { Link, router } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { FindBox } from '@/components/FindBox';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PillSelect } from '@/components/Pill';
import { useDraft } from '@/lib/draft';
import { day, qty } from '@/lib/format';
import { freshKey, postJson } from '@/lib/http';
import type { ChasePage, ChaseRow, Told } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { usePicked } from '@/lib/usePicked';
import { CHASE_REASONS } from '@/lib/words';
import { confirmedChanges } from '@/pages/parts/PurchaseForms';
import { OrderTabs } from '@/pages/parts/OrderTabs';
import { type DataColumn, type DataGroup, DataTable } from '@/components/DataTable';

/** What suppliers owe that somebody should ask about, one letter for each of them. */
export default function Chase({ rows, total, reasons, filter, may }: ChasePage) {
    const { plan } = useShared();
    const draft = useDraft();
    const { picked, onPick, clear } = usePicked((row: ChaseRow) => row.code);
    const [key, setKey] = useState(freshKey);
    const change = (changes: Record<string, string>) => refilter('/chase', filter, changes, {});
    const chosen = rows.filter((row) => picked.has(row.code));
    const suppliers = new Set(chosen.map((row) => row.supplierCode));
    const otherwise = chosen.filter((row) => row.reasons.includes('otherwise'));
    const done = () => {
        clear();
        setKey(freshKey());
        router.reload();
    };
    const remind = useCommand(() => postJson<Told>('/chase', { lines: chosen.map((row) => row.code), key }), done);
    const accept = useCommand(() => postJson<Told>('/purchases/accept', { lines: otherwise.map((row) => row.code), key }), done);
    const read = useCommand((file: string) => postJson<Told>('/purchases/confirmation', { file, key: freshKey() }), done);
    const told = read.answer ?? remind.answer ?? accept.answer;
    const trouble = read.trouble ?? remind.trouble ?? accept.trouble;
    const groups: DataGroup<ChaseRow>[] = [];
    for (const row of rows) {
        const last = groups.at(-1);
        if (last?.key === row.supplierCode) {
            last.rows.push(row);
        } else {
            const note =
                row.hasMail === ''
                    ? t('no address for mail')
                    : row.chased
                      ? t('last asked :day', { day: day(row.chased, plan.planDate) })
                      : '';
            groups.push({
                key: row.supplierCode,
                label: (
                    <>
                        {row.supplier} <span className="ml-1 font-normal text-mute">{note}</span>
                    </>
                ),
                rows: [row],
            });
        }
    }
    return (
        <>
            <PageHead title={t('To chase')}>{tn('1 line that a supplier owes', ':n lines that suppliers owe', total)}</PageHead>
            <OrderTabs on="chase" />
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillSelect
                    label={t('Why')}
                    value={filter.why ?? ''}
                    onChange={(why) => change({ why })}
                    choices={[
                        { value: '', label: t('For any reason') },
                        ...Object.entries(CHASE_REASONS).map(([value, label]) => ({
                            value,
                            label: `${t(label)} (${reasons[value as keyof typeof reasons] ?? 0})`,
                        })),
                    ]}
                />
                {may && (
                    <label className="order-last cursor-pointer font-semibold text-act hover:underline">
                        {t('Read a confirmation (CSV, UBL)')}
                        <input
                            type="file"
                            accept=".csv,.xml,text/csv,application/xml"
                            className="sr-only"
                            onChange={(event) => {
                                const file = event.target.files?.[0];
                                event.target.value = '';
                                if (file) {
                                    void file.text().then((text) => read.send(text));
                                }
                            }}
                        />
                    </label>
                )}
                <FindBox label={t('Find order, item, supplier')} value={filter.q ?? ''} onChange={(q) => change({ q })} />
            </div>
            {told && <Notice tone="done">{told.message}</Notice>}
            {trouble && <Notice tone="broken">{trouble}</Notice>}
            {chosen.length > 0 && may && (
                <div
                    role="toolbar"
                    aria-label={t('What is done about the picked lines')}
                    className="mb-2.5 flex flex-wrap items-center gap-2 rounded border border-act bg-act-tint px-3 py-2"
                >
                    <strong className="mr-1">{t(':n picked', { n: chosen.length })}</strong>
                    <Button look="act" disabled={remind.busy} onClick={() => remind.send(undefined)}>
                        {tn('Write to 1 supplier', 'Write to :n suppliers', suppliers.size)}
                    </Button>
                    {otherwise.length > 0 && (
                        <>
                            <Button disabled={accept.busy} onClick={() => accept.send(undefined)}>
                                {tn('Accept what 1 confirms', 'Accept what :n confirm', otherwise.length)}
                            </Button>
                            {draft.may && (
                                <Button
                                    disabled={draft.busy}
                                    onClick={() =>
                                        void draft.add(
                                            otherwise.flatMap(confirmedChanges),
                                            tn('1 line as confirmed', ':n lines as confirmed', otherwise.length),
                                        )
                                    }
                                >
                                    {t('Draft it, to see who slips')}
                                </Button>
                            )}
                        </>
                    )}
                    <Button look="quiet" onClick={clear}>
                        {t('Pick none')}
                    </Button>
                </div>
            )}
            {rows.length === 0 ? (
                <Empty title={t('Nobody has to be asked')}>
                    {t('What is late, not confirmed, confirmed otherwise or due within a week stands here.')}
                </Empty>
            ) : (
                <DataTable
                    name="chase"
                    label={t('To chase')}
                    columns={columns(plan.planDate)}
                    groups={groups}
                    keyOf={(row) => row.code}
                    ticks={
                        may
                            ? {
                                  picked: (row) => picked.has(row.code),
                                  may: () => true,
                                  label: (row) => t('Pick :order', { order: row.code }),
                                  group: (group) => t('All of :group', { group: group.rows[0]?.supplier ?? '' }),
                                  onPick,
                              }
                            : undefined
                    }
                    foot={
                        total > rows.length && (
                            <span className="text-mute">
                                {t('The first :n of :total; search to see others.', { n: rows.length, total })}
                            </span>
                        )
                    }
                />
            )}
        </>
    );
}

function columns(today: string): DataColumn<ChaseRow>[] {
    return [
        {
            id: 'order',
            head: t('Order'),
            width: '92px',
            cell: (row) => (
                <Link href={`/orders/${encodeURIComponent(row.order)}`} className="font-bold hover:underline">
                    {row.order}
                </Link>
            ),
        },
        { id: 'line', head: t('Line'), width: '48px', right: true, wide: true, look: 'text-mute', cell: (row) => row.number },
        {
            id: 'item',
            head: t('Item'),
            look: 'pl-3',
            title: (row) => `${row.item} ${row.name}, ${row.theirs}`,
            cell: (row) => (
                <>
                    <strong>{row.item}</strong> <span className="text-mute">{row.name}</span>
                </>
            ),
        },
        {
            id: 'open',
            head: t('To come'),
            width: '100px',
            right: true,
            cell: (row) => (
                <>
                    {qty(row.open, row.decimals)} <span className="text-mute">{row.unit}</span>
                </>
            ),
        },
        {
            id: 'due',
            head: t('Due'),
            width: '88px',
            right: true,
            cell: (row) => day(row.due, today),
            cellLook: (row) => (row.daysLate > 0 ? 'font-semibold text-broken' : ''),
        },
        {
            id: 'confirmed',
            head: t('Confirmed'),
            width: '100px',
            right: true,
            cell: (row) => (row.confirmedDue === null ? <span className="text-mute">{t('not yet')}</span> : day(row.confirmedDue, today)),
            cellLook: (row) => (row.reasons.includes('otherwise') ? 'font-semibold text-look-ink' : ''),
        },
        {
            id: 'why',
            head: t('Why'),
            width: '210px',
            look: 'pl-4',
            cell: (row) => (
                <>
                    {row.daysLate > 0 && (
                        <span className="font-semibold text-broken">{tn('1 day late', ':n days late', row.daysLate)}</span>
                    )}
                    {row.daysLate > 0 && row.reasons.length > 1 && ', '}
                    {row.reasons
                        .filter((reason) => reason !== 'late')
                        .map((reason) => t(CHASE_REASONS[reason]))
                        .join(', ')}
                </>
            ),
        },
    ];
}
