import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { CodeField } from '@/components/CodeField';
import { DateField } from '@/components/DateField';
import { FIELD } from '@/components/Labelled';
import { PanelHead } from '@/components/PanelHead';
import { WeekdayTicks } from '@/components/WeekdayTicks';
import { called, formOf, rowOf, said } from '@/lib/dataRows';
import { useDraft } from '@/lib/draft';
import type { DataField, DataKind, DataRecord } from '@/lib/shapes';
import { swapped } from '@/lib/digits';
import { t } from '@/lib/t';
import { itemHref } from '@/pages/parts/ItemPanel';

interface Props {
    kind: DataKind;
    /** Null for a new one. */
    row: DataRecord | null;
    onClose: () => void;
    /** Is asked for a new row that begins as this one. */
    onCopy: (row: DataRecord) => void;
    /** What a new one begins as. */
    like: DataRecord | null;
    /** Whether it stands where all is that is kept of it. */
    isAbout?: boolean;
}

/** Where there is more of a row, or where it is changed that is not written here. */
function placeOf(kind: DataKind, row: DataRecord): { href: string; label: string } | null {
    switch (kind.kind) {
        case 'items':
        case 'suppliers':
        case 'work_centres':
            return {
                href: `/about?${new URLSearchParams({ of: kind.kind, code: row.identity[0] ?? '' }).toString()}`,
                label: t('All that is kept of it'),
            };
        case 'orders':
            return { href: `/orders/${row.identity[0] ?? ''}`, label: t('Open the order') };
        case 'stock':
            return {
                href: itemHref(row.identity[0] ?? '', row.identity[1] ?? ''),
                label: t('Count it'),
            };
        default:
            return null;
    }
}

/** A row of master data in full. What is changed becomes a line of the draft, which says what it does before it is written. */
export function DataForm({ kind, row, like, onClose, onCopy, isAbout = false }: Props) {
    const draft = useDraft();
    const may = draft.may && kind.isTyped;
    const elsewhere = row === null || isAbout ? null : placeOf(kind, row);
    const start = formOf(kind, row ?? like);
    const [form, setForm] = useState(start);
    const isKeyed = kind.fields.some((field) => field.isKey);
    const changed = kind.fields.filter((field) => form[field.name] !== start[field.name]);
    const begin = kind.fields.find((field) => field.isNeeded && (start[field.name] ?? '') === '') ?? kind.fields[0];
    const missing = kind.fields.filter((field) => field.isNeeded && (form[field.name] ?? '').trim() === '');
    const isReady = (row === null || changed.length > 0) && missing.length === 0;
    const removed = row === null ? [] : [row.identity];
    const draftIt = async () => {
        const rows = [{ ...row?.values, ...rowOf(kind, form, row) }];
        const done = await draft.add([{ change: 'put_rows', kind: kind.kind, rows, removed: isKeyed ? [] : removed }]);
        if (done && row === null) {
            onClose();
        }
    };
    return (
        <>
            <PanelHead title={row === null ? t('New: :what', { what: kind.one }) : called(kind, row)} onClose={onClose} />
            <form
                aria-label={row === null ? t('New: :what', { what: kind.one }) : called(kind, row)}
                className="mt-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    if (isReady) {
                        void draftIt();
                    }
                }}
            >
                {kind.fields.map((field) => {
                    const isChanged = row !== null && form[field.name] !== start[field.name];
                    return (
                        <div
                            key={field.name}
                            className="grid min-h-[34px] grid-cols-[112px_1fr] items-center gap-2 border-b border-soft py-0.5"
                        >
                            <span className={`text-sm ${isChanged ? 'font-semibold text-draft' : 'text-mute'}`}>{field.label}</span>
                            {may || row === null ? (
                                <Field
                                    field={field}
                                    value={form[field.name] ?? ''}
                                    isFirst={row === null && field === begin}
                                    disabled={!may || (row !== null && field.isKey)}
                                    onChange={(value) => setForm((old) => ({ ...old, [field.name]: value }))}
                                />
                            ) : (
                                <span>{said(field, row.values[field.name])}</span>
                            )}
                        </div>
                    );
                })}
                {elsewhere && (
                    <Link href={elsewhere.href} className="mt-3 block font-semibold text-act hover:underline">
                        {elsewhere.label}
                    </Link>
                )}
                {may && (
                    <div className="mt-3 flex flex-wrap items-center gap-2">
                        <Button type="submit" look="draft" disabled={!isReady || draft.busy}>
                            {t('Draft it')}
                        </Button>
                        {changed.length > 0 && <Button onClick={() => setForm(start)}>{t('Take back')}</Button>}
                        {row !== null && (
                            <>
                                <Button look="quiet" onClick={() => onCopy(row)}>
                                    {t('Another like it')}
                                </Button>
                                <Button
                                    look="quiet"
                                    disabled={draft.busy}
                                    onClick={() => void draft.add([{ change: 'put_rows', kind: kind.kind, rows: [], removed }])}
                                >
                                    {t('Without it')}
                                </Button>
                            </>
                        )}
                    </div>
                )}
                {draft.trouble && (
                    <p role="alert" className="mt-2 text-sm font-semibold text-broken">
                        {draft.trouble}
                    </p>
                )}
            </form>
        </>
    );
}

interface FieldProps {
    field: DataField;
    value: string;
    disabled: boolean;
    isFirst: boolean;
    onChange: (value: string) => void;
}

function Field({ field, value, disabled, isFirst, onChange }: FieldProps) {
    const isDecimal = field.type === 'decimal';
    switch (field.type) {
        case 'flag':
            return (
                <input
                    type="checkbox"
                    aria-label={field.label}
                    checked={value === '1'}
                    disabled={disabled}
                    onChange={(event) => onChange(event.target.checked ? '1' : '')}
                    className="size-4 accent-draft"
                />
            );
        case 'choice':
            return (
                <select
                    aria-label={field.label}
                    value={value}
                    disabled={disabled}
                    onChange={(event) => onChange(event.target.value)}
                    className={FIELD}
                >
                    {value === '' && <option value="">{t('choose')}</option>}
                    {field.choices.map((choice) => (
                        <option key={choice.value} value={choice.value}>
                            {choice.label}
                        </option>
                    ))}
                </select>
            );
        case 'row':
            return (
                <CodeField
                    label={field.label}
                    of={field.of ?? ''}
                    autoFocus={isFirst}
                    value={value}
                    disabled={disabled}
                    onChange={onChange}
                    className="w-full disabled:border-transparent disabled:bg-transparent"
                />
            );
        case 'day':
            return <DateField label={field.label} value={value} onChange={onChange} disabled={disabled} optional />;
        case 'weekdays':
            return disabled ? <span>{value}</span> : <WeekdayTicks value={value} onChange={onChange} />;
        default:
            return (
                <input
                    aria-label={field.label}
                    autoFocus={isFirst}
                    inputMode={field.type === 'decimal' || field.type === 'whole' ? 'decimal' : undefined}
                    value={isDecimal ? swapped(value) : value}
                    disabled={disabled}
                    maxLength={field.type === 'text' ? 500 : 190}
                    placeholder={field.usual}
                    onChange={(event) => onChange(isDecimal ? swapped(event.target.value) : event.target.value)}
                    className={`${FIELD} disabled:border-transparent disabled:bg-transparent ${field.type === 'text' || field.type === 'code' ? 'w-full' : 'w-32'} ${field.type === 'decimal' || field.type === 'whole' ? 'text-right' : ''}`}
                />
            );
    }
}
