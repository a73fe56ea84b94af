import { FIELD, Labelled } from '@/components/Labelled';
import { t } from '@/lib/t';

interface Props {
    value: string;
    onChange: (value: string) => void;
}

/** From 1, the most urgent, to 9. */
export function PriorityField({ value, onChange }: Props) {
    return (
        <Labelled label={t('Priority')}>
            <select value={value} onChange={(event) => onChange(event.target.value)} className={FIELD}>
                {[1, 2, 3, 4, 5, 6, 7, 8, 9].map((one) => (
                    <option key={one}>{one}</option>
                ))}
            </select>
        </Labelled>
    );
}
