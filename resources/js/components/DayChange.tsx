import { DateField } from '@/components/DateField';
import { Button } from '@/components/Button';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';

interface Props {
    /** ISO date; empty for none. */
    day: string;
    onDay: (day: string) => void;
    label: string;
    busy: boolean;
    onChange: () => void;
}

/** A day, and what is done with the picked rows on it. */
export function DayChange({ day, onDay, label, busy, onChange }: Props) {
    const { plan } = useShared();
    return (
        <>
            <label htmlFor="bulk-day" className="ml-2 text-sm">
                {t('Day')}
            </label>
            <DateField id="bulk-day" value={day} onChange={onDay} min={plan.planDate} optional />
            <Button disabled={busy || day === ''} onClick={onChange}>
                {label}
            </Button>
        </>
    );
}
