import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { type DataColumn, DataTable } from '@/components/DataTable';
import { Empty } from '@/components/Empty';
import { ExportLink } from '@/components/ExportLink';
import { FindBox } from '@/components/FindBox';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { RecordHistory } from '@/components/RecordHistory';
import { Inspector } from '@/layout/Shell';
import { called, isRight, rowKey, said } from '@/lib/dataRows';
import { useDraft } from '@/lib/draft';
import type { DataField, DataPage, DataRecord, DataRecords, DataShelf } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { grouped } from '@/lib/digits';
import { t, tn } from '@/lib/t';
import { useMoreRows } from '@/lib/useMoreRows';
import { usePicked } from '@/lib/usePicked';
import { DataBring } from '@/pages/parts/DataBring';
import { DataForm } from '@/pages/parts/DataForm';
import { DataMany } from '@/pages/parts/DataMany';

/** So many columns stand beside each other on a small screen; the others are for those who choose them. */
const SHOWN = 8;

/** The master data, kind by kind: found, read, changed one by one or many at once, as lines of the draft. */
export default function Data(page: DataPage) {
    // another kind is another page: nothing that was open or picked stays
    return <Kind key={page.kind.kind} {...page} />;
}

function Kind({ shelves, kind, list, filter, opens }: DataPage) {
    const { plan } = useShared();
    const draft = useDraft();
    const [open, setOpen] = useState<string | null>(null);
    const [brings, setBrings] = useState(opens === 'bring');
    const [told, setTold] = useState<string | null>(null);
    const [fresh, setFresh] = useState<{ like: DataRecord | null } | null>(opens === 'new' && kind.isTyped ? { like: null } : null);
    const { picked, onPick, clear } = usePicked<DataRecord>(rowKey);
    const change = (changes: Record<string, string>) => refilter('/data', filter, changes, { kind: 'items' });
    const { rows, more, trouble } = useMoreRows(
        '/data/rows',
        { ...filter, kind: kind.kind },
        list.rows,
        list.total,
        (answer: DataRecords) => answer.rows,
    );
    const row = rows.find((one) => rowKey(one) === open) ?? null;
    const columns = kind.fields.map((field, place): DataColumn<DataRecord> => ({
        id: field.name,
        head: field.label,
        sort: true,
        right: isRight(field),
        width: widthOf(field),
        wide: place > 3,
        look: place === 0 ? 'font-semibold' : !isRight(field) && place > 0 && isRight(kind.fields[place - 1] ?? field) ? 'pl-5' : '',
        title: (one) => said(field, one.values[field.name]),
        cell: (one) => {
            const value = one.values[field.name];
            return isRight(field) && (value === '0' || value === 0) ? <span className="text-faint">·</span> : said(field, value);
        },
    }));
    return (
        <>
            <PageHead title={t('Data')}>
                {t('What the plan is computed from.')}
                <Link href="/costs" className="ml-3 font-semibold text-act hover:underline">
                    {t('Costs and margins')}
                </Link>
                {plan.id === null && (
                    <Link href="/" className="ml-3 font-semibold text-act hover:underline">
                        {t('To the first steps')}
                    </Link>
                )}
            </PageHead>
            <div className="flex min-h-0 flex-1 gap-4">
                <Shelves shelves={shelves} on={kind.kind} />
                <section aria-label={kind.title} className="flex min-w-0 flex-1 flex-col">
                    <div className="mb-2.5 flex flex-wrap items-center gap-2.5">
                        <h2 className="text-lg font-bold">{kind.title}</h2>
                        <span className="text-mute">{tn('1 row', ':n rows', list.total)}</span>
                        {draft.may && (
                            <>
                                {kind.isTyped && (
                                    <Button
                                        onClick={() => {
                                            setOpen(null);
                                            setFresh({ like: null });
                                        }}
                                    >
                                        {t('New: :what', { what: kind.one })}
                                    </Button>
                                )}
                                <Button look="quiet" aria-expanded={brings} onClick={() => setBrings(!brings)}>
                                    {t('Bring a table in')}
                                </Button>
                            </>
                        )}
                        <span className="order-last">
                            <ExportLink list="data" params={{ ...filter, kind: kind.kind }} />
                        </span>
                        <FindBox label={t('Find in these')} value={filter.q ?? ''} onChange={(q) => change({ q })} />
                    </div>
                    {brings && (
                        <DataBring
                            kind={kind}
                            onClose={() => setBrings(false)}
                            onTold={(message) => {
                                setTold(message);
                                setBrings(false);
                            }}
                        />
                    )}
                    {told && (
                        <Notice tone="done" onClose={() => setTold(null)}>
                            {told}
                        </Notice>
                    )}
                    {picked.size > 0 && <DataMany kind={kind} rows={rows.filter((one) => picked.has(rowKey(one)))} onClear={clear} />}
                    {trouble && <Notice tone="broken">{trouble}</Notice>}
                    {rows.length === 0 ? (
                        <Empty title={filter.q ? t('Nothing of that name') : t('Nothing is kept here yet')}>
                            {filter.q ? t('Try less of it.') : t('Make the first one, or bring a table in.')}
                        </Empty>
                    ) : (
                        <DataTable
                            name={`data.${kind.kind}`}
                            label={kind.title}
                            columns={columns}
                            spare={kind.fields.slice(SHOWN).map((field) => field.name)}
                            keyOf={rowKey}
                            rows={rows}
                            total={list.total}
                            more={more}
                            order={{ by: filter.sort ?? '', onChange: (sort) => change({ sort }) }}
                            open={row === null ? null : open}
                            narrow={row !== null || fresh !== null}
                            onOpen={(one) => {
                                setFresh(null);
                                setOpen(rowKey(one));
                            }}
                            ticks={
                                draft.may && kind.isTyped
                                    ? {
                                          picked: (one) => picked.has(rowKey(one)),
                                          may: () => true,
                                          label: (one) => t('Pick :order', { order: called(kind, one) }),
                                          all: t('Pick all that are shown'),
                                          onPick,
                                      }
                                    : undefined
                            }
                        />
                    )}
                </section>
            </div>
            {(row !== null || fresh !== null) && (
                <Inspector label={row === null ? t('New: :what', { what: kind.one }) : called(kind, row)}>
                    <DataForm
                        key={row === null ? `new ${fresh?.like ? rowKey(fresh.like) : ''}` : `${rowKey(row)} ${JSON.stringify(row.values)}`}
                        kind={kind}
                        row={fresh === null ? row : null}
                        like={fresh?.like ?? null}
                        onClose={() => {
                            setOpen(null);
                            setFresh(null);
                        }}
                        onCopy={(like) => {
                            setOpen(null);
                            setFresh({ like });
                        }}
                    />
                    {row !== null && fresh === null && ['items', 'bom'].includes(kind.kind) && (
                        <p className="mt-3 text-sm">
                            <Link
                                href={`/structure?item=${encodeURIComponent(String(row.values.code ?? row.values.item))}`}
                                className="font-semibold text-act hover:underline"
                            >
                                {t('What it is made of')}
                            </Link>
                        </p>
                    )}
                    {row !== null && fresh === null && ['calendars', 'calendar_days'].includes(kind.kind) && (
                        <p className="mt-3 text-sm">
                            <Link
                                href={`/calendar?code=${encodeURIComponent(String(row.values.code ?? row.values.calendar))}`}
                                className="font-semibold text-act hover:underline"
                            >
                                {t('A year at a glance')}
                            </Link>
                        </p>
                    )}
                    {row !== null && fresh === null && <RecordHistory key={row.record} of={[row.record]} />}
                </Inspector>
            )}
        </>
    );
}

function widthOf(field: DataField): string | undefined {
    if (field.name === 'name' || field.name === 'reason' || field.name === 'address') {
        return undefined;
    }
    return (
        { flag: '104px', whole: '84px', decimal: '96px', day: '104px', instant: '140px', clock: '72px', weekdays: '96px' }[
            field.type as string
        ] ?? '108px'
    );
}

/** The kinds, in the order in which a company brings them. */
function Shelves({ shelves, on }: { shelves: DataShelf[]; on: string }) {
    return (
        <nav aria-label={t('Kinds of data')} className="w-[158px] shrink-0">
            {shelves.map((shelf) => (
                <div key={shelf.title} className="mb-3">
                    <h2 className="mb-0.5 text-xs font-bold text-mute">{shelf.title}</h2>
                    <ul>
                        {shelf.kinds.map((one) => (
                            <li key={one.kind}>
                                <Link
                                    href={`/data?kind=${one.kind}`}
                                    aria-current={one.kind === on ? 'page' : undefined}
                                    className={`flex h-6 items-center justify-between rounded px-2 text-sm ${one.kind === on ? 'bg-act-tint font-semibold text-act-dark' : 'hover:bg-sunk'}`}
                                >
                                    {one.title}
                                    <span className="font-normal text-mute">{one.count === 0 ? '' : grouped(one.count)}</span>
                                </Link>
                            </li>
                        ))}
                    </ul>
                </div>
            ))}
        </nav>
    );
}
