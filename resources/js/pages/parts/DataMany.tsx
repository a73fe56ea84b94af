import { useState } from 'react';
import { BulkBar } from '@/components/BulkBar';
import { Button } from '@/components/Button';
import { FIELD } from '@/components/Labelled';
import { useDraft } from '@/lib/draft';
import { postJson } from '@/lib/http';
import type { DataEdit, DataKind, DataRecord } from '@/lib/shapes';
import { swapped } from '@/lib/digits';
import { t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';

interface Props {
    kind: DataKind;
    rows: DataRecord[];
    onClear: () => void;
}

/** One column of the picked rows gets another value: first it says what of which row, then it is a line of the draft. */
export function DataMany({ kind, rows, onClear }: Props) {
    const draft = useDraft();
    const fields = kind.fields.filter((field) => !field.isKey);
    const [name, setName] = useState(fields[0]?.name ?? '');
    const [value, setValue] = useState('');
    const field = fields.find((one) => one.name === name);
    const isNumber = field?.type === 'decimal' || field?.type === 'whole';
    const look = useCommand(() =>
        postJson<DataEdit>('/data/many', { kind: kind.kind, rows: rows.map((row) => row.identity), field: name, value }),
    );
    const edit = look.answer;
    const take = async () => {
        if (edit?.change) {
            const title = t(':label of :n :kind to :value', {
                label: field?.label ?? '',
                n: edit.count,
                kind: kind.many,
                value: value === '' ? t('nothing') : (field?.choices.find((choice) => choice.value === value)?.label ?? value),
            });
            if (await draft.add([JSON.parse(edit.change) as { change: string }], title)) {
                look.clear();
                onClear();
            }
        }
    };
    return (
        <BulkBar
            label={t('What is done to the picked rows')}
            picked={tn('1 row picked', ':n rows picked', rows.length)}
            trouble={look.trouble}
            onClear={onClear}
        >
            <form
                className="flex flex-wrap items-center gap-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    look.send(undefined);
                }}
            >
                <select
                    aria-label={t('What gets another value')}
                    value={name}
                    onChange={(event) => {
                        setName(event.target.value);
                        setValue('');
                        look.clear();
                    }}
                    className={FIELD}
                >
                    {fields.map((one) => (
                        <option key={one.name} value={one.name}>
                            {one.label}
                        </option>
                    ))}
                </select>
                {field?.type === 'choice' || field?.type === 'flag' ? (
                    <select
                        aria-label={t('Its new value')}
                        value={value}
                        onChange={(event) => {
                            setValue(event.target.value);
                            look.clear();
                        }}
                        className={FIELD}
                    >
                        <option value="">{t('choose')}</option>
                        {field.type === 'flag' && <option value="1">{t('yes')}</option>}
                        {field.type === 'flag' && <option value="0">{t('no')}</option>}
                        {field.choices.map((choice) => (
                            <option key={choice.value} value={choice.value}>
                                {choice.label}
                            </option>
                        ))}
                    </select>
                ) : (
                    <input
                        aria-label={t('Its new value')}
                        value={isNumber ? swapped(value) : value}
                        maxLength={500}
                        placeholder={isNumber ? t('12, +2 or -10 %') : ''}
                        onChange={(event) => {
                            setValue(isNumber ? swapped(event.target.value) : event.target.value);
                            look.clear();
                        }}
                        className={`${FIELD} w-32`}
                    />
                )}
                <Button type="submit" disabled={look.busy}>
                    {t('See what differs')}
                </Button>
            </form>
            {edit !== null && (
                <div className="w-full text-sm">
                    {edit.count === 0 ? (
                        <p className="text-mute">{t('All of them say so already.')}</p>
                    ) : (
                        <>
                            <ul className="mb-1.5 columns-2 gap-6">
                                {edit.some.map((one) => (
                                    <li key={one.row} className="truncate" title={`${one.row}: ${one.what}`}>
                                        <strong>{one.row}</strong> {one.what}
                                    </li>
                                ))}
                                {edit.count > edit.some.length && (
                                    <li className="text-mute">{t('and :n more', { n: edit.count - edit.some.length })}</li>
                                )}
                            </ul>
                            <Button look="draft" disabled={draft.busy} onClick={() => void take()}>
                                {tn('Draft it for 1 row', 'Draft it for :n rows', edit.count)}
                            </Button>
                        </>
                    )}
                </div>
            )}
        </BulkBar>
    );
}
