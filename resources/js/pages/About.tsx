import { Link } from '@inertiajs/react';
import { useRef, useState } from 'react';
import { Button } from '@/components/Button';
import { PageHead } from '@/components/PageHead';
import { RecordHistory } from '@/components/RecordHistory';
import { Inspector } from '@/layout/Shell';
import { called, isRight, rowKey, said } from '@/lib/dataRows';
import { useDraft } from '@/lib/draft';
import type { AboutPage, AboutTable, DataField, DataKind, DataRecord } from '@/lib/shapes';
import { t } from '@/lib/t';
import { useGridKeys } from '@/lib/useGridKeys';
import { DataForm } from '@/pages/parts/DataForm';
import { ItemTabs } from '@/pages/parts/ItemTabs';

/** What stands beside: a row, or a new one that begins as another. */
interface Beside {
    kind: DataKind;
    row: DataRecord | null;
    like: DataRecord | null;
}

/** All that is kept of an item, a supplier or a work centre, kind by kind; a row is changed beside it, as a line of the draft. */
export default function About(page: AboutPage) {
    return <Thing key={`${page.of} ${page.code}`} {...page} />;
}

function Thing({ of, code, name, kind, own, facts, tables }: AboutPage) {
    const draft = useDraft();
    const [beside, setBeside] = useState<Beside>({ kind, row: own, like: null });
    const kinds = [{ kind, by: '', list: { rows: [own], total: 1 } }, ...tables];
    const now = kinds.find((one) => one.kind.kind === beside.kind.kind)?.list.rows;
    const row = beside.row === null ? null : (now?.find((one) => rowKey(one) === rowKey(beside.row as DataRecord)) ?? null);
    const close = () => setBeside({ kind, row: own, like: null });
    const fresh = ({ kind: to, by }: AboutTable) =>
        setBeside({ kind: to, row: null, like: { identity: [], record: '', values: { ...usualOf(to), [by]: code } } });
    const kept = tables.filter((one) => one.list.total > 0);
    const none = tables.filter((one) => one.list.total === 0);
    return (
        <>
            <PageHead title={code} tab={name}>
                {name === code ? '' : name}
                {facts.map((fact) => (
                    <span key={fact.label} className="ml-4">
                        {fact.label}: <strong>{fact.value}</strong>
                    </span>
                ))}
            </PageHead>
            {of === 'items' && <ItemTabs item={code} on="about" />}
            {kept.map((table) => (
                <Rows
                    key={table.kind.kind}
                    table={table}
                    code={code}
                    open={row !== null && beside.kind.kind === table.kind.kind ? rowKey(row) : null}
                    onOpen={(one) => setBeside({ kind: table.kind, row: one, like: null })}
                    onNew={draft.may && table.kind.isTyped ? () => fresh(table) : null}
                />
            ))}
            {none.length > 0 && (
                <p className="mt-1 flex flex-wrap items-center gap-x-3 text-sm text-mute">
                    {t('Nothing yet:')}
                    {none.map((table) =>
                        draft.may && table.kind.isTyped ? (
                            <Button key={table.kind.kind} look="quiet" className="!h-6 !px-0 !text-sm" onClick={() => fresh(table)}>
                                {t('New: :what', { what: table.kind.one })}
                            </Button>
                        ) : (
                            <span key={table.kind.kind}>{table.kind.title}</span>
                        ),
                    )}
                </p>
            )}
            <Inspector label={row === null ? t('New: :what', { what: beside.kind.one }) : called(beside.kind, row)}>
                <DataForm
                    key={`${beside.kind.kind} ${row === null ? `new ${JSON.stringify(beside.like)}` : JSON.stringify(row)}`}
                    kind={beside.kind}
                    row={row}
                    like={beside.like}
                    onClose={close}
                    isAbout={row === own}
                    onCopy={(like) => setBeside({ kind: beside.kind, row: null, like })}
                />
                {row !== null && <RecordHistory key={row.record} of={[row.record]} />}
            </Inspector>
        </>
    );
}

/** What a new row begins as, where a field is a choice. */
function usualOf(kind: DataKind): Record<string, string> {
    return Object.fromEntries(
        kind.fields.filter((field) => field.type === 'choice' || field.type === 'weekdays').map((field) => [field.name, field.usual]),
    );
}

interface RowsProps {
    table: AboutTable;
    code: string;
    open: string | null;
    onOpen: (row: DataRecord) => void;
    onNew: (() => void) | null;
}

function Rows({ table: { kind, by, list }, code, open, onOpen, onNew }: RowsProps) {
    const body = useRef<HTMLTableSectionElement>(null);
    const keys = useGridKeys(body);
    // what no row says anything of is left out, and what all say as they are here
    const fields = kind.fields.filter((field) => field.name !== by && list.rows.some((row) => tells(field, row)));
    return (
        <section aria-label={kind.title} className="mb-4">
            <div className="mb-1 flex items-baseline gap-3">
                <h2 className="font-bold">{kind.title}</h2>
                {list.total > list.rows.length && (
                    <Link
                        href={`/data?${new URLSearchParams({ kind: kind.kind, q: code }).toString()}`}
                        className="text-sm font-semibold text-act hover:underline"
                    >
                        {t('All :n', { n: list.total })}
                    </Link>
                )}
                {onNew && (
                    <Button look="quiet" className="!h-6 !px-0 !text-sm" onClick={onNew}>
                        {t('New: :what', { what: kind.one })}
                    </Button>
                )}
            </div>
            <div className="overflow-x-auto rounded border border-line bg-surface">
                <table className="w-full text-sm">
                    <thead>
                        <tr className="border-b border-line text-xs text-mute">
                            {fields.map((field) => (
                                <th
                                    key={field.name}
                                    scope="col"
                                    className={`px-3 py-1.5 whitespace-nowrap ${isRight(field) ? 'text-right' : 'text-left'}`}
                                >
                                    {field.label}
                                </th>
                            ))}
                        </tr>
                    </thead>
                    <tbody ref={body} onKeyDown={keys.onKeyDown} onFocus={keys.onFocus}>
                        {list.rows.map((row) => (
                            <tr
                                key={rowKey(row)}
                                data-row
                                tabIndex={-1}
                                aria-current={open === rowKey(row) || undefined}
                                onClick={() => onOpen(row)}
                                onKeyDown={(event) => {
                                    if (event.key === 'Enter') {
                                        event.preventDefault();
                                        onOpen(row);
                                    }
                                }}
                                className={`h-8 cursor-pointer border-b border-soft -outline-offset-2 last:border-0 ${open === rowKey(row) ? 'bg-act-tint' : 'hover:bg-act-tint'}`}
                            >
                                {fields.map((field, place) => (
                                    <td
                                        key={field.name}
                                        className={`max-w-64 truncate px-3 ${isRight(field) ? 'text-right' : ''} ${place === 0 ? 'font-semibold' : ''}`}
                                    >
                                        {said(field, row.values[field.name])}
                                    </td>
                                ))}
                            </tr>
                        ))}
                    </tbody>
                </table>
            </div>
        </section>
    );
}

/** Whether a row says something of a field that is not what it usually is. */
function tells(field: DataField, row: DataRecord): boolean {
    const value = row.values[field.name];
    return value !== null && value !== undefined && value !== '' && value !== false && String(value) !== field.usual;
}
