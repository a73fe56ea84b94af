import { useId, useState } from 'react';

/** One of two. */
export function Choice({
    title,
    choices,
    second,
    onChange,
}: {
    title: string;
    choices: [string, string];
    second: boolean;
    onChange: (second: boolean) => void;
}) {
    const name = useId();
    return (
        <fieldset className="mt-2.5">
            <legend className="text-xs font-bold text-mute">{title}</legend>
            {choices.map((label, place) => (
                <label key={label} className="flex min-h-6 items-center gap-2">
                    <input
                        type="radio"
                        name={name}
                        checked={second === (place === 1)}
                        onChange={() => onChange(place === 1)}
                        className="accent-act"
                    />
                    {label}
                </label>
            ))}
        </fieldset>
    );
}

/** A count of days with what it counts behind it. */
export function Days({ label, value, onChange }: { label: string; value: number; onChange: (days: number) => void }) {
    return (
        <label className="flex min-h-7 items-center gap-2">
            <WholeField value={value} onChange={onChange} />
            {label}
        </label>
    );
}

const MOST_DAYS = 3660;

/** A count of days; while it is none, what stood there before holds. */
export function WholeField({ value, onChange }: { value: number; onChange: (days: number) => void }) {
    const [typed, setTyped] = useState(String(value));
    return (
        <input
            type="number"
            required
            min={0}
            max={MOST_DAYS}
            step={1}
            value={typed}
            onChange={(event) => {
                setTyped(event.target.value);
                const days = Number(event.target.value);
                if (event.target.value !== '' && Number.isInteger(days) && days >= 0 && days <= MOST_DAYS) {
                    onChange(days);
                }
            }}
            className="h-7 w-16 rounded border border-line bg-surface px-1.5 text-right"
        />
    );
}
