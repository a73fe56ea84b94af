import { useId, useState } from 'react';
import { FIELD } from '@/components/Labelled';
import type { LabelledValue } from '@/lib/shapes';
import { useLoaded } from '@/lib/useLoaded';
import { useSettled } from '@/lib/useSettled';

interface Props {
    label: string;
    /** The kind of master data whose codes it takes. */
    of: string;
    value: string;
    onChange: (code: string) => void;
    disabled?: boolean;
    autoFocus?: boolean;
    placeholder?: string;
    className?: string;
}

/** The code of something; codes and names that have in them what is typed are proposed. */
export function CodeField({ label, of, value, onChange, disabled = false, autoFocus = false, placeholder, className = '' }: Props) {
    const list = useId();
    const [asked, setAsked] = useState(false);
    const q = useSettled(value, 200);
    const { data } = useLoaded<LabelledValue[]>(asked && !disabled ? `/data/codes?${new URLSearchParams({ of, q }).toString()}` : null);
    return (
        <>
            <input
                aria-label={label}
                autoFocus={autoFocus}
                placeholder={placeholder}
                value={value}
                disabled={disabled}
                maxLength={190}
                list={list}
                onFocus={() => setAsked(true)}
                onChange={(event) => onChange(event.target.value)}
                className={`${FIELD} ${className}`}
            />
            <datalist id={list}>
                {(data ?? []).map(({ value: code, label: name }) => (
                    <option key={code} value={code}>
                        {name === code ? code : `${code} ${name}`}
                    </option>
                ))}
            </datalist>
        </>
    );
}
