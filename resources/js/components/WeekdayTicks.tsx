import { weekday } from '@/lib/format';
import { t } from '@/lib/t';

/** Monday to Sunday, as days of which the names are taken. */
const WEEK = ['2026-03-02', '2026-03-03', '2026-03-04', '2026-03-05', '2026-03-06', '2026-03-07', '2026-03-08'];

interface Props {
    value: string;
    onChange: (value: string) => void;
    /** Whether what is ticked holds already. */
    holds?: boolean;
}

/** Days of a week, Monday as `1`. */
export function WeekdayTicks({ value, onChange, holds = false }: Props) {
    const on = holds ? 'border-act bg-act-tint text-act-dark' : 'border-draft bg-draft-tint text-draft';
    return (
        <div role="group" aria-label={t('Weekdays')} className="flex gap-1">
            {WEEK.map((day, place) => {
                const number = String(place + 1);
                const isOn = value.includes(number);
                const next = isOn ? value.replace(number, '') : [...value, number].sort((one, other) => one.localeCompare(other)).join('');
                return (
                    <button
                        key={day}
                        type="button"
                        aria-pressed={isOn}
                        onClick={() => onChange(next)}
                        className={`h-[26px] rounded border px-1.5 text-sm ${isOn ? `${on} font-semibold` : 'border-line bg-surface'}`}
                    >
                        {weekday(day)}
                    </button>
                );
            })}
        </div>
    );
}
