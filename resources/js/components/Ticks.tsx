interface Props {
    title: string;
    /** Codes with their names. */
    all: [string, string][];
    chosen: string[];
    /** Beside each other instead of below. */
    inline?: boolean;
    onChange: (chosen: string[]) => void;
}

/** Some of a few, each with a box to tick. */
export function Ticks({ title, all, chosen, inline = false, onChange }: Props) {
    if (all.length === 0) {
        return null;
    }
    return (
        <fieldset className="mt-2.5">
            <legend className="text-xs font-bold text-mute">{title}</legend>
            <div className={inline ? 'flex flex-wrap gap-x-4' : ''}>
                {all.map(([code, name]) => (
                    <label key={code} className="flex min-h-6 items-center gap-2 text-sm">
                        <input
                            type="checkbox"
                            checked={chosen.includes(code)}
                            onChange={(event) => onChange(event.target.checked ? [...chosen, code] : chosen.filter((one) => one !== code))}
                            className="accent-act"
                        />
                        {name}
                    </label>
                ))}
            </div>
        </fieldset>
    );
}
