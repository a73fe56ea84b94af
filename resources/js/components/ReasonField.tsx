interface Props {
    label: string;
    value: string;
    onChange: (value: string) => void;
    /** Escape. */
    onBack: () => void;
    className: string;
}

/** Asked for before something is put aside or given back; one line, where typing goes at once. */
export function ReasonField({ label, value, onChange, onBack, className }: Props) {
    return (
        <input
            autoFocus
            aria-label={label}
            placeholder={label}
            value={value}
            maxLength={190}
            onChange={(event) => onChange(event.target.value)}
            onKeyDown={(event) => event.key === 'Escape' && onBack()}
            className={className}
        />
    );
}
