import { t } from '@/lib/t';

/** Balances and dates as expected, where late things stand where they will really arrive, or as needed, as netting asks for them. */
export function AsSwitch({ value, onChange }: { value: string; onChange: (value: string) => void }) {
    const choices = [
        { value: 'expected', label: t('as expected'), title: t('Late things stand where they will really arrive') },
        { value: 'needed', label: t('as needed'), title: t('Everything stands where it is needed') },
    ];
    return (
        <div
            role="group"
            aria-label={t('Dates and balances')}
            className="flex h-[27px] overflow-hidden rounded-full border border-line bg-surface text-sm"
        >
            {choices.map((choice) => (
                <button
                    key={choice.value}
                    type="button"
                    title={choice.title}
                    aria-pressed={choice.value === value}
                    onClick={() => onChange(choice.value)}
                    className={`px-2.5 whitespace-nowrap ${choice.value === value ? 'bg-ink font-semibold text-surface' : 'hover:bg-soft'}`}
                >
                    {choice.label}
                </button>
            ))}
        </div>
    );
}
