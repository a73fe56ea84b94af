import { FIELD, Labelled } from '@/components/Labelled';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { DateField } from '@/components/DateField';
import { useDraft } from '@/lib/draft';
import { addDays, weekday } from '@/lib/format';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { Trial } from '@/pages/parts/DraftForms';

const TIME = /^(?:[01]\d|2[0-3]):[0-5]\d$/;

/** Monday to Sunday, as days of which the names are taken. */
const WEEK = ['2026-03-02', '2026-03-03', '2026-03-04', '2026-03-05', '2026-03-06', '2026-03-07', '2026-03-08'];

function TimeField({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) {
    const isTime = TIME.test(value) || value === '24:00';
    return (
        <Labelled label={label}>
            <input
                value={value}
                onChange={(event) => onChange(event.target.value)}
                inputMode="numeric"
                placeholder="06:00"
                aria-invalid={!isTime}
                title={t('A time like 06:30')}
                className={`${FIELD} w-[62px] ${isTime ? '' : 'border-broken'}`}
            />
        </Labelled>
    );
}

/** A work centre or one of its units is down, or it works longer: tried on the draft before anything is written. */
export function CentreDraft({ centre, units, from, to }: { centre: string; units: number; from: string; to: string }) {
    const { plan } = useShared();
    const draft = useDraft();
    const [down, setDown] = useState({ from, fromTime: '00:00', to, toTime: '24:00', unit: '', reason: '' });
    const [speed, setSpeed] = useState('');
    const [shift, setShift] = useState({ weekdays: '5', from: '14:00', to: '22:00' });
    if (!draft.may || plan.study !== null) {
        return null;
    }
    const isDown = TIME.test(down.fromTime) && (TIME.test(down.toTime) || down.toTime === '24:00');
    const isShift = TIME.test(shift.from) && (TIME.test(shift.to) || shift.to === '24:00') && shift.weekdays !== '';
    return (
        <>
            <Trial title={t('It is down')}>
                <div className="flex flex-wrap items-end gap-2">
                    <Labelled label={t('From')}>
                        <DateField
                            value={down.from}
                            min={plan.planDate}
                            onChange={(day) => setDown({ ...down, from: day })}
                            name="down-from"
                        />
                    </Labelled>
                    <TimeField label={t('at')} value={down.fromTime} onChange={(time) => setDown({ ...down, fromTime: time })} />
                    <Labelled label={t('Until')}>
                        <DateField value={down.to} min={plan.planDate} onChange={(day) => setDown({ ...down, to: day })} name="down-to" />
                    </Labelled>
                    <TimeField label={t('at')} value={down.toTime} onChange={(time) => setDown({ ...down, toTime: time })} />
                    {units > 1 && (
                        <Labelled label={t('What')}>
                            <select
                                value={down.unit}
                                onChange={(event) => setDown({ ...down, unit: event.target.value })}
                                className={FIELD}
                                name="down-unit"
                            >
                                <option value="">{t('all of it')}</option>
                                {Array.from({ length: units }, (_, place) => (
                                    <option key={place} value={place + 1}>
                                        {t('unit :number', { number: place + 1 })}
                                    </option>
                                ))}
                            </select>
                        </Labelled>
                    )}
                    <Labelled label={t('Reason')}>
                        <input
                            value={down.reason}
                            maxLength={190}
                            onChange={(event) => setDown({ ...down, reason: event.target.value })}
                            className={`${FIELD} w-[150px]`}
                            name="down-reason"
                        />
                    </Labelled>
                </div>
                <Button
                    look="draft"
                    disabled={!isDown || draft.busy}
                    onClick={() => {
                        const end = down.toTime === '24:00' ? `${addDays(down.to, 1)} 00:00` : `${down.to} ${down.toTime}`;
                        void draft.add([
                            {
                                change: 'close_centre',
                                workCentre: centre,
                                from: `${down.from} ${down.fromTime}`,
                                to: end,
                                unit: down.unit === '' ? null : Number(down.unit),
                                reason: down.reason,
                            },
                        ]);
                    }}
                >
                    {t('Try it down')}
                </Button>
            </Trial>
            <Trial title={t('It works slower or faster')}>
                <div className="flex items-end gap-2">
                    <Labelled label={t('Percent of the planned speed')}>
                        <input
                            type="number"
                            min={1}
                            max={1000}
                            step="any"
                            value={speed}
                            onChange={(event) => setSpeed(event.target.value)}
                            className={`${FIELD} w-[80px]`}
                            name="speed"
                        />
                    </Labelled>
                    <Button
                        look="draft"
                        disabled={!(Number(speed) > 0) || draft.busy}
                        onClick={() => void draft.add([{ change: 'change_efficiency', workCentre: centre, efficiency: speed }])}
                    >
                        {t('Try the speed')}
                    </Button>
                </div>
            </Trial>
            <Trial title={t('It works longer')}>
                <div role="group" aria-label={t('Weekdays')} className="flex gap-1">
                    {WEEK.map((day, place) => {
                        const number = String(place + 1);
                        const isOn = shift.weekdays.includes(number);
                        return (
                            <button
                                key={day}
                                type="button"
                                aria-pressed={isOn}
                                onClick={() =>
                                    setShift({
                                        ...shift,
                                        weekdays: isOn
                                            ? shift.weekdays.replace(number, '')
                                            : [...shift.weekdays, number].sort((one, other) => one.localeCompare(other)).join(''),
                                    })
                                }
                                className={`h-[26px] rounded border px-1.5 text-sm ${isOn ? 'border-draft bg-draft-tint font-semibold text-draft' : 'border-line bg-surface'}`}
                            >
                                {weekday(day)}
                            </button>
                        );
                    })}
                </div>
                <div className="flex items-end gap-2">
                    <TimeField label={t('From')} value={shift.from} onChange={(time) => setShift({ ...shift, from: time })} />
                    <TimeField label={t('Until')} value={shift.to} onChange={(time) => setShift({ ...shift, to: time })} />
                    <Button
                        look="draft"
                        disabled={!isShift || draft.busy}
                        onClick={() => void draft.add([{ change: 'add_shift', workCentre: centre, ...shift }])}
                    >
                        {t('Try the shift')}
                    </Button>
                </div>
            </Trial>
        </>
    );
}
