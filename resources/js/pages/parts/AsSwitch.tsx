import { PillTabs } from '@/components/Pill';
import { t } from '@/lib/t';

/** Balances and dates as expected, where late things stand where they will really arrive, or as needed, as netting asks for them. */
export function AsSwitch({ value, onChange }: { value: string; onChange: (value: string) => void }) {
    return (
        <PillTabs
            label={t('Dates and balances')}
            value={value}
            onChange={onChange}
            choices={[
                { value: 'expected', label: t('as expected'), title: t('Late things stand where they will really arrive') },
                { value: 'needed', label: t('as needed'), title: t('Everything stands where it is needed') },
            ]}
        />
    );
}
