import { router } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { type DataColumn, DataTable } from '@/components/DataTable';
import { FIELD, Labelled } from '@/components/Labelled';
import { freshKey, postForm } from '@/lib/http';
import type { BroughtRow, BroughtRows, DataKind, Told } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { useKept } from '@/lib/useKept';

interface Props {
    kind: DataKind;
    onClose: () => void;
    /** Is told what was written. */
    onTold: (message: string) => void;
}

interface Reading {
    mapping: string[] | null;
    head: boolean | null;
    decimal: string | null;
}

const FRESH: Reading = { mapping: null, head: null, decimal: null };

/** A table is pasted or taken from a file, its columns are named, and each row says what becomes of it; then all is written, or nothing. */
export function DataBring({ kind, onClose, onTold }: Props) {
    const [text, setText] = useState('');
    const [file, setFile] = useState<File | null>(null);
    const [reading, setReading] = useState(FRESH);
    const [key, setKey] = useState(freshKey);
    // columns that were named by hand, by their heads: the next table from the same place has the same ones
    const [named, setNamed] = useKept<Record<string, string>>(`bring.${kind.kind}`, {});
    const body = (more: Record<string, string> = {}, by: Reading = reading) => {
        const form = new FormData();
        form.set('kind', kind.kind);
        if (file === null) {
            form.set('text', text);
        } else {
            form.set('file', file);
        }
        by.mapping?.forEach((field) => form.append('mapping[]', field));
        Object.entries({
            ...(by.head === null ? {} : { head: by.head ? '1' : '0' }),
            ...(by.decimal === null ? {} : { decimal: by.decimal }),
            ...more,
        }).forEach(([name, value]) => form.set(name, value));
        return form;
    };
    const look = useCommand(async (by: Reading) => {
        const seen = await postForm<BroughtRows>('/data/look', body({}, by));
        // what was named last time is named again
        const again = seen.columns.map((column) => (column.field === '' ? (named[column.head] ?? '') : column.field));
        const taken = again.filter(Boolean);
        if (
            by.mapping !== null ||
            taken.length === seen.columns.filter((column) => column.field !== '').length ||
            new Set(taken).size < taken.length
        ) {
            return seen;
        }
        const next = { ...by, mapping: again };
        setReading(next);
        return postForm<BroughtRows>('/data/look', body({}, next));
    });
    const read = (by: Reading) => {
        setReading(by);
        look.send(by);
    };
    const write = useCommand(
        (seen: BroughtRows) => postForm<Told>('/data/bring', body({ new: String(seen.new), changed: String(seen.changed), key })),
        ({ message }) => {
            setKey(freshKey());
            onTold(message);
            router.reload();
        },
        ({ reason }) => {
            if (reason === 'stale') {
                look.send(reading);
            }
            return false;
        },
    );
    const seen = look.answer;
    const count = seen === null ? 0 : seen.new + seen.changed;
    const isReady = seen !== null && seen.missing.length === 0 && seen.wrong === 0 && seen.ambiguous === null && count > 0;
    const nameColumn = (place: number, field: string) => {
        const columns = seen?.columns ?? [];
        const mapping = columns.map((column, at) => (at === place ? field : column.field === field ? '' : column.field));
        const head = columns[place]?.head ?? '';
        if (head !== '') {
            setNamed((old) => ({ ...old, [head]: field }));
        }
        read({ ...reading, head: seen?.hasHead ?? null, mapping });
    };
    return (
        <section aria-label={t('Bring a table in')} className="mb-3 rounded border border-line bg-surface px-3 py-2">
            <form
                className="flex flex-wrap items-start gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    read(FRESH);
                }}
            >
                <textarea
                    autoFocus
                    aria-label={t('Rows, pasted from a spreadsheet')}
                    placeholder={t('Paste rows from a spreadsheet here, with their heads or without')}
                    value={text}
                    rows={3}
                    onChange={(event) => {
                        setText(event.target.value);
                        setFile(null);
                        look.clear();
                    }}
                    className="min-w-0 flex-1 rounded border border-line bg-surface px-2 py-1 font-mono text-sm whitespace-pre"
                />
                <div className="flex w-56 flex-col items-start gap-2">
                    <Labelled label={t('or a file: XLSX or CSV')}>
                        <input
                            type="file"
                            accept=".csv,.tsv,.txt,.xlsx"
                            className="w-full text-sm"
                            onChange={(event) => {
                                setFile(event.target.files?.[0] ?? null);
                                setText('');
                                look.clear();
                            }}
                        />
                    </Labelled>
                    <span className="flex gap-2">
                        <Button type="submit" disabled={look.busy || (text.trim() === '' && file === null)}>
                            {look.busy ? t('Looking ...') : t('Look at it')}
                        </Button>
                        <Button look="quiet" onClick={onClose}>
                            {t('Go back')}
                        </Button>
                    </span>
                </div>
            </form>
            {(look.trouble ?? write.trouble) && (
                <p role="alert" className="mt-2 font-semibold text-broken">
                    {look.trouble ?? write.trouble}
                </p>
            )}
            {seen !== null && (
                <>
                    <Columns kind={kind} seen={seen} onName={nameColumn} />
                    <div className="my-2 flex flex-wrap items-center gap-4 text-sm">
                        <label className="flex items-center gap-1.5">
                            <input
                                type="checkbox"
                                checked={seen.hasHead}
                                onChange={(event) =>
                                    read({ ...reading, mapping: seen.columns.map((column) => column.field), head: event.target.checked })
                                }
                                className="accent-act"
                            />
                            {t('The first row has the heads')}
                        </label>
                        {(seen.ambiguous !== null || reading.decimal !== null) && (
                            <fieldset className="flex items-center gap-3">
                                <legend className="sr-only">{t('How numbers are read')}</legend>
                                <span className="font-semibold text-look-ink">
                                    {seen.ambiguous === null ? t('Numbers') : t(':number is', { number: seen.ambiguous })}
                                </span>
                                {['point', 'comma'].map((decimal) => (
                                    <label key={decimal} className="flex items-center gap-1.5">
                                        <input
                                            type="radio"
                                            name="decimal"
                                            checked={reading.decimal === decimal}
                                            onChange={() => read({ ...reading, head: seen.hasHead, decimal })}
                                            className="accent-act"
                                        />
                                        {decimal === 'point' ? t('with a comma between thousands') : t('with a comma before the decimals')}
                                    </label>
                                ))}
                            </fieldset>
                        )}
                    </div>
                    {seen.missing.length > 0 ? (
                        <p className="font-semibold text-look-ink">
                            {t('Say which column is: :columns', { columns: seen.missing.join(', ') })}
                        </p>
                    ) : (
                        <div className="mb-2 flex flex-wrap items-center gap-4">
                            <strong>{tn('1 new', ':n new', seen.new)}</strong>
                            <strong className="text-draft">{tn('1 changed', ':n changed', seen.changed)}</strong>
                            <span className="text-mute">{tn('1 as it is', ':n as they are', seen.same)}</span>
                            {seen.wrong > 0 && <strong className="text-broken">{tn('1 wrong', ':n wrong', seen.wrong)}</strong>}
                            <Button look="act" disabled={!isReady || write.busy} onClick={() => write.send(seen)}>
                                {tn('Write 1 row', 'Write :n rows', count)}
                            </Button>
                            {seen.wrong > 0 && <span className="text-mute">{t('Nothing is written while something is wrong.')}</span>}
                        </div>
                    )}
                    {seen.rows.length > 0 && <Fates rows={seen.rows} />}
                </>
            )}
        </section>
    );
}

/** What each column is, with what stands in it. */
function Columns({ kind, seen, onName }: { kind: DataKind; seen: BroughtRows; onName: (place: number, field: string) => void }) {
    return (
        <div className="mt-2 flex gap-2 overflow-x-auto pb-1">
            {seen.columns.map((column, place) => (
                <div
                    key={place}
                    className={`w-[128px] shrink-0 rounded border px-2 py-1 text-sm ${column.field === '' ? 'border-soft text-mute' : 'border-line'}`}
                >
                    <div className="truncate font-semibold" title={column.head}>
                        {column.head === '' ? t('Column :n', { n: place + 1 }) : column.head}
                    </div>
                    <div className="truncate text-xs text-mute" title={column.samples.join(', ')}>
                        {column.samples.join(', ') || t('empty')}
                    </div>
                    <select
                        aria-label={t('What column :n is', { n: place + 1 })}
                        value={column.field}
                        onChange={(event) => onName(place, event.target.value)}
                        className={`${FIELD} mt-1 w-full`}
                    >
                        <option value="">{t('left out')}</option>
                        {kind.fields.map((field) => (
                            <option key={field.name} value={field.name}>
                                {field.label}
                            </option>
                        ))}
                    </select>
                </div>
            ))}
        </div>
    );
}

function Fates({ rows }: { rows: BroughtRow[] }) {
    const fates = {
        new: <strong>{t('new')}</strong>,
        changed: <strong className="text-draft">{t('changed')}</strong>,
        same: t('as it is'),
        wrong: <strong className="text-broken">{t('wrong')}</strong>,
    };
    const columns: DataColumn<BroughtRow>[] = [
        { id: 'line', head: t('Row'), width: '64px', right: true, cell: (row) => row.line },
        { id: 'fate', head: t('Is'), width: '84px', look: 'pl-3', cell: (row) => fates[row.fate] },
        { id: 'row', head: t('Of'), width: '190px', title: (row) => row.row, cell: (row) => row.row },
        { id: 'what', head: t('What'), title: (row) => row.what, cell: (row) => row.what },
    ];
    return (
        <div className="max-h-72 overflow-y-auto">
            <DataTable
                name="brought"
                label={t('What becomes of each row')}
                columns={columns}
                keyOf={(row) => String(row.line)}
                rows={rows}
            />
        </div>
    );
}
