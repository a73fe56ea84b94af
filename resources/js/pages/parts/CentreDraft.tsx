import { FIELD, Labelled } from '@/components/Labelled';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { DateField } from '@/components/DateField';
import { WeekdayTicks } from '@/components/WeekdayTicks';
import { useDraft } from '@/lib/draft';
import { addDays } from '@/lib/format';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { Trial } from '@/pages/parts/DraftForms';

const TIME = /^(?:[01]\d|2[0-3]):[0-5]\d$/;

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
                <WeekdayTicks value={shift.weekdays} onChange={(weekdays) => setShift({ ...shift, weekdays })} />
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
