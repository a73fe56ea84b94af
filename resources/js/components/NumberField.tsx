import { useId } from 'react';
import { swapped } from '@/lib/digits';
import { readQuantity } from '@/lib/quantities';

interface Props {
    value: string;
    onChange: (text: string) => void;
    decimals: number;
    unit?: string;
    label?: string;
    name?: string;
    placeholder?: string;
    className?: string;
}

/** A quantity with its unit; what is wrong with it stands under it, and whoever uses it takes nothing of what is wrong. */
export function NumberField({ value, onChange, decimals, unit, label, name, placeholder, className = 'w-20' }: Props) {
    const { wrong } = readQuantity(value, decimals);
    const hint = useId();
    return (
        <span className="inline-flex flex-col">
            <span className="inline-flex items-center gap-1">
                <input
                    inputMode="decimal"
                    name={name}
                    aria-label={label}
                    aria-invalid={wrong !== null}
                    aria-describedby={wrong ? hint : undefined}
                    value={swapped(value)}
                    placeholder={placeholder}
                    onFocus={(event) => event.target.select()}
                    onChange={(event) => onChange(swapped(event.target.value))}
                    className={`h-[28px] rounded border bg-surface px-2 text-right text-sm ${wrong ? 'border-broken' : 'border-line'} ${className}`}
                />
                {unit && <span className="text-mute">{unit}</span>}
            </span>
            {wrong && (
                <span id={hint} role="alert" className="mt-0.5 text-xs text-broken">
                    {wrong}
                </span>
            )}
        </span>
    );
}
