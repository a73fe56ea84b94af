import { useRef, useState } from 'react';
import { Button } from '@/components/Button';
import { useShared } from '@/lib/shared';
import { type Sentence, t } from '@/lib/t';
import { DateField } from '@/components/DateField';

export type Fields = Record<string, string | number | boolean | string[]>;

interface Field {
    name: string;
    label: Sentence;
    type: 'text' | 'whole' | 'quantity' | 'date' | 'list' | 'site' | 'calendar';
    optional?: boolean;
}

interface ChangeKind {
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

const INPUT = 'h-[28px] w-full rounded border border-line bg-surface px-2 text-sm';

/** Picks a kind of change and fills its fields. Whether it fits is for the server to say. */
export function ChangeFields({ calendars, onAdd }: { calendars: string[]; onAdd: (fields: Fields) => void }) {
    const { sites, plan } = useShared();
    const [key, setKey] = useState('');
    const choice = useRef<HTMLSelectElement>(null);
    const [values, setValues] = useState<Record<string, string>>({});
    const kind = CHANGE_KINDS.find((one) => one.key === key);
    const valueOf = (field: Field) =>
        values[field.name] ??
        { site: sites[0]?.code ?? '', calendar: calendars[0] ?? '', date: plan.planDate, text: '', whole: '', quantity: '', list: '' }[
            field.type
        ];
    const missing = kind?.fields.some((field) => !field.optional && valueOf(field).trim() === '');
    const add = () => {
        if (!kind || missing) {
            return;
        }
        const fields: Fields = { change: kind.change, ...kind.fixed };
        kind.fields.forEach((field) => {
            const text = (field.optional && values[field.name] === undefined ? '' : valueOf(field)).trim();
            if (field.type === 'list') {
                fields[field.name] = text
                    .split(',')
                    .map((one) => one.trim())
                    .filter(Boolean);
            } else if (text !== '') {
                fields[field.name] = field.type === 'whole' ? Number(text) : text;
            }
        });
        onAdd(fields);
        setKey('');
        setValues({});
        choice.current?.focus(); // what had the focus goes with the fields
    };
    return (
        <div className="mt-1.5 rounded border border-line bg-paper p-2">
            <select
                ref={choice}
                aria-label={t('Add a change')}
                value={key}
                onChange={(event) => {
                    setKey(event.target.value);
                    setValues({});
                }}
                className={INPUT}
            >
                <option value="">{t('Add a change')}</option>
                {CHANGE_KINDS.map((one) => (
                    <option key={one.key} value={one.key}>
                        {t(one.label)}
                    </option>
                ))}
            </select>
            {kind && (
                <div
                    className="mt-2 grid grid-cols-[110px_1fr] items-center gap-x-2 gap-y-1.5 text-sm"
                    onKeyDown={(event) => {
                        if (event.key === 'Enter' && (event.target as HTMLElement).matches('input')) {
                            event.preventDefault();
                            add();
                        }
                    }}
                >
                    {kind.fields.map((field) => {
                        const id = `change-${field.name}`;
                        const set = (value: string) => setValues({ ...values, [field.name]: value });
                        const choices =
                            field.type === 'site'
                                ? sites.map((site) => [site.code, site.name] as const)
                                : field.type === 'calendar'
                                  ? calendars.map((code) => [code, code] as const)
                                  : null;
                        return (
                            <div key={field.name} className="contents">
                                <label htmlFor={id}>{t(field.label)}</label>
                                {choices ? (
                                    <select id={id} value={valueOf(field)} onChange={(event) => set(event.target.value)} className={INPUT}>
                                        {choices.map(([code, label]) => (
                                            <option key={code} value={code}>
                                                {label}
                                            </option>
                                        ))}
                                    </select>
                                ) : field.type === 'date' ? (
                                    <DateField
                                        id={id}
                                        value={field.optional ? (values[field.name] ?? '') : (valueOf(field) ?? '')}
                                        onChange={set}
                                        optional={field.optional}
                                    />
                                ) : (
                                    <input
                                        id={id}
                                        type={field.type === 'whole' ? 'number' : 'text'}
                                        inputMode={field.type === 'quantity' ? 'decimal' : undefined}
                                        value={field.optional ? (values[field.name] ?? '') : valueOf(field)}
                                        onChange={(event) => set(event.target.value)}
                                        className={INPUT}
                                    />
                                )}
                            </div>
                        );
                    })}
                    <span />
                    <Button className="justify-self-start" onClick={add} disabled={missing}>
                        {t('Add it')}
                    </Button>
                </div>
            )}
        </div>
    );
}
