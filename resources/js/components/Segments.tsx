export interface Segment {
    value: string;
    label: string;
    title?: string;
}

/** One of a few ways to look at the same things, all in sight. */
export function Segments({
    label,
    value,
    choices,
    onChange,
}: {
    label: string;
    value: string;
    choices: Segment[];
    onChange: (value: string) => void;
}) {
    return (
        <div role="group" aria-label={label} className="flex h-[27px] overflow-hidden rounded-full border border-line bg-surface text-sm">
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
