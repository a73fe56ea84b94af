import { day, qty } from '@/lib/format';
import type { DataField, DataKind, DataRecord } from '@/lib/shapes';
import { t } from '@/lib/t';

export type Plain = string | number | boolean | null;

/** A value as it is typed. */
export function typedOf(field: DataField, value: Plain | undefined): string {
    if (value === null || value === undefined) {
        return '';
    }
    return field.type === 'flag' ? (value === true ? '1' : '') : String(value);
}

/** What was typed as the server takes it; empty is what the field usually is. */
export function plainOf(field: DataField, text: string): Plain {
    const typed = text.trim();
    if (field.type === 'flag') {
        return typed === '1';
    }
    if (typed === '') {
        return field.type === 'text' ? '' : null;
    }
    return field.type === 'whole' && /^\d+$/.test(typed) ? Number(typed) : typed;
}

/** A value as it is read in a list. */
export function said(field: DataField, value: Plain | undefined): string {
    if (value === null || value === undefined || value === '') {
        return '';
    }
    switch (field.type) {
        case 'flag':
            return value === true ? t('yes') : '';
        case 'choice':
            return field.choices.find((choice) => choice.value === value)?.label ?? String(value);
        case 'day':
            return day(String(value));
        case 'decimal':
            return qty(String(value));
        default:
            return String(value);
    }
}

export const isRight = (field: DataField): boolean => field.type === 'decimal' || field.type === 'whole';

/** What a form begins with: a row, or what a new one usually is. */
export function formOf(kind: DataKind, row: DataRecord | null): Record<string, string> {
    return Object.fromEntries(
        kind.fields.map((field) => [
            field.name,
            row === null
                ? field.type === 'choice' || field.type === 'weekdays' || field.type === 'row'
                    ? field.usual
                    : ''
                : typedOf(field, row.values[field.name]),
        ]),
    );
}

/**
 * The row of a form, without what was left empty: that is what it usually is.
 *
 * @param was what it stood as; what is emptied of it is sent as nothing
 */
export function rowOf(kind: DataKind, form: Record<string, string>, was: DataRecord | null = null): Record<string, Plain> {
    const row: Record<string, Plain> = {};
    for (const field of kind.fields) {
        const value = plainOf(field, form[field.name] ?? '');
        if (value !== null && !(value === '' && field.name === 'name')) {
            row[field.name] = value;
        } else if (was !== null) {
            row[field.name] = null;
        }
    }
    return row;
}

/** The key of a row among those that are shown. */
export const rowKey = (row: DataRecord): string => row.identity.join('\u001f');

/** What a row is called. */
export function called(kind: DataKind, row: DataRecord): string {
    const keys = kind.fields.filter((field) => field.isKey);
    const named = keys.length > 0 ? keys : kind.fields.slice(0, 4);
    return named
        .map((field) => said(field, row.values[field.name]))
        .filter((part) => part !== '')
        .join(' ');
}
