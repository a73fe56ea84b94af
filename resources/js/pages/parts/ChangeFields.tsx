import { useRef } from 'react';
import { Button } from '@/components/Button';
import { CHANGE_KINDS, type PendingChange } from '@/lib/changeKinds';
import { useShared } from '@/lib/shared';
import { swapped } from '@/lib/digits';
import { t } from '@/lib/t';
import { DateField } from '@/components/DateField';

const INPUT = 'h-[28px] w-full rounded border border-line bg-surface px-2 text-sm';

interface Props {
    change: PendingChange;
    calendars: string[];
    onAdd: () => void;
}

/** Picks a kind of change and fills its fields. Whether it fits is for the server to say. */
export function ChangeFields({ change, calendars, onAdd }: Props) {
    const { sites } = useShared();
    const { kind, valueOf, fields } = change;
    const choice = useRef<HTMLSelectElement>(null);
    const add = () => {
        if (fields !== null) {
            onAdd();
            choice.current?.focus(); // what had the focus goes with the fields
        }
    };
    return (
        <div className="mt-1.5 rounded border border-line bg-paper p-2">
            <select
                ref={choice}
                aria-label={t('Add a change')}
                value={kind?.key ?? ''}
                onChange={(event) => change.choose(event.target.value)}
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
                        const set = (value: string) => change.type(field.name, value);
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
                                    <DateField id={id} value={valueOf(field)} onChange={set} optional={field.optional} />
                                ) : (
                                    <input
                                        id={id}
                                        type={field.type === 'whole' ? 'number' : 'text'}
                                        inputMode={field.type === 'quantity' ? 'decimal' : undefined}
                                        value={field.type === 'quantity' ? swapped(valueOf(field)) : valueOf(field)}
                                        onChange={(event) =>
                                            set(field.type === 'quantity' ? swapped(event.target.value) : event.target.value)
                                        }
                                        className={INPUT}
                                    />
                                )}
                            </div>
                        );
                    })}
                    <span />
                    <Button className="justify-self-start" onClick={add} disabled={fields === null}>
                        {t('Add it')}
                    </Button>
                </div>
            )}
        </div>
    );
}
