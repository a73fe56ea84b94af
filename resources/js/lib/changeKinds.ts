import { useState } from 'react';
import { useShared } from '@/lib/shared';
import { type Sentence } from '@/lib/t';

export type Fields = Record<string, string | number | boolean | string[]>;

export interface Field {
    name: string;
    label: Sentence;
    type: 'text' | 'whole' | 'quantity' | 'date' | 'list' | 'site' | 'calendar';
    optional?: boolean;
}

export interface ChangeKind {
    key: string;
    change: string;
    label: Sentence;
    fields: Field[];
    fixed?: Fields;
}

/** What can be changed in a study, with the fields of the server's change. */
export const CHANGE_KINDS: ChangeKind[] = [
    {
        key: 'demand',
        change: 'scale_demand',
        label: 'More or less demand',
        fields: [
            { name: 'percent', label: 'Percent of what there is', type: 'whole' },
            { name: 'items', label: 'Only items (codes, with commas)', type: 'list', optional: true },
            { name: 'customers', label: 'Only customers (with commas)', type: 'list', optional: true },
        ],
    },
    {
        key: 'lead',
        change: 'change_planning',
        label: 'Another lead time',
        fields: [
            { name: 'item', label: 'Item', type: 'text' },
            { name: 'site', label: 'Site', type: 'site' },
            { name: 'leadDays', label: 'Working days', type: 'whole' },
        ],
    },
    {
        key: 'safety',
        change: 'change_planning',
        label: 'Another safety stock',
        fields: [
            { name: 'item', label: 'Item', type: 'text' },
            { name: 'site', label: 'Site', type: 'site' },
            { name: 'safetyStock', label: 'Safety stock', type: 'quantity' },
        ],
    },
    {
        key: 'move',
        change: 'move_order',
        label: 'An order on another date',
        fields: [
            { name: 'order', label: 'Order', type: 'text' },
            { name: 'due', label: 'Due', type: 'date' },
        ],
    },
    {
        key: 'resize',
        change: 'resize_order',
        label: 'Another quantity of an order',
        fields: [
            { name: 'order', label: 'Order', type: 'text' },
            { name: 'qty', label: 'Quantity', type: 'quantity' },
        ],
    },
    { key: 'cancel', change: 'cancel_order', label: 'Without an order', fields: [{ name: 'order', label: 'Order', type: 'text' }] },
    {
        key: 'sales',
        change: 'change_sales_line',
        label: 'Another sales line',
        fields: [
            { name: 'order', label: 'Sales order', type: 'text' },
            { name: 'line', label: 'Line', type: 'text' },
            { name: 'qty', label: 'Quantity', type: 'quantity', optional: true },
            { name: 'due', label: 'Due', type: 'date', optional: true },
        ],
    },
    {
        key: 'stock',
        change: 'change_stock',
        label: 'Another stock',
        fields: [
            { name: 'item', label: 'Item', type: 'text' },
            { name: 'site', label: 'Site', type: 'site' },
            { name: 'qty', label: 'On hand', type: 'quantity' },
        ],
    },
    {
        key: 'closed',
        change: 'work_days',
        label: 'Days closed',
        fields: [
            { name: 'calendar', label: 'Calendar', type: 'calendar' },
            { name: 'from', label: 'From', type: 'date' },
            { name: 'to', label: 'To', type: 'date' },
        ],
    },
    {
        key: 'worked',
        change: 'work_days',
        label: 'Days worked',
        fixed: { works: true },
        fields: [
            { name: 'calendar', label: 'Calendar', type: 'calendar' },
            { name: 'from', label: 'From', type: 'date' },
            { name: 'to', label: 'To', type: 'date' },
        ],
    },
];

/** A change of a study while it is typed. */
export interface PendingChange {
    kind: ChangeKind | null;
    /** What stands in a field: what was typed, else what it begins with. */
    valueOf: (field: Field) => string;
    /** The change, ready for the server; null while no kind is chosen or a field is missing. */
    fields: Fields | null;
    choose: (key: string) => void;
    type: (name: string, value: string) => void;
    forget: () => void;
}

export function usePendingChange(calendars: string[]): PendingChange {
    const { sites, plan } = useShared();
    const [key, setKey] = useState('');
    const [values, setValues] = useState<Record<string, string>>({});
    const kind = CHANGE_KINDS.find((one) => one.key === key) ?? null;
    const begins: Record<Field['type'], string> = {
        site: sites[0]?.code ?? '',
        calendar: calendars[0] ?? '',
        date: plan.planDate,
        text: '',
        whole: '',
        quantity: '',
        list: '',
    };
    const valueOf = (field: Field) => values[field.name] ?? (field.optional ? '' : begins[field.type]);
    const missing = kind === null || kind.fields.some((field) => !field.optional && valueOf(field).trim() === '');
    const choose = (next: string) => {
        setKey(next);
        setValues({});
    };
    return {
        kind,
        valueOf,
        fields: missing ? null : read(kind, valueOf),
        choose,
        type: (name, value) => setValues({ ...values, [name]: value }),
        forget: () => choose(''),
    };
}

function read(kind: ChangeKind, valueOf: (field: Field) => string): Fields {
    const fields: Fields = { change: kind.change, ...kind.fixed };
    kind.fields.forEach((field) => {
        const text = valueOf(field).trim();
        if (field.type === 'list') {
            fields[field.name] = text
                .split(',')
                .map((one) => one.trim())
                .filter(Boolean);
        } else if (text !== '') {
            fields[field.name] = field.type === 'whole' ? Number(text) : text;
        }
    });
    return fields;
}
