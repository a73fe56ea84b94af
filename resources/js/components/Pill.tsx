import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';
import { Check, ChevronDown } from 'lucide-react';
import type { ReactNode } from 'react';

const SHAPE = 'inline-flex h-[27px] items-center gap-1.5 rounded-full border px-3 text-sm font-semibold whitespace-nowrap';

function look(on: boolean): string {
    return `${SHAPE} ${on ? 'border-act bg-act-tint text-act-dark' : 'border-line bg-surface hover:border-mute'}`;
}

/** A filter that is on or off. */
export function PillToggle({ on, onChange, children }: { on: boolean; onChange: (on: boolean) => void; children: ReactNode }) {
    return (
        <button type="button" aria-pressed={on} onClick={() => onChange(!on)} className={look(on)}>
            {children}
            {on && <Check size={13} aria-hidden />}
        </button>
    );
}

export interface Choice {
    value: string;
    label: string;
}

/** A filter with one of several values; the first is the one that filters nothing. */
export function PillSelect({
    label,
    value,
    choices,
    onChange,
}: {
    label: string;
    value: string;
    choices: Choice[];
    onChange: (value: string) => void;
}) {
    const chosen = choices.find((choice) => choice.value === value) ?? choices[0];
    const active = chosen !== choices[0];
    return (
        <Listbox value={value} onChange={onChange}>
            <ListboxButton aria-label={`${label}: ${chosen?.label ?? ''}`} className={look(active)}>
                {chosen?.label}
                <ChevronDown size={13} aria-hidden />
            </ListboxButton>
            <ListboxOptions
                anchor="bottom start"
                className="z-30 max-h-80 min-w-40 overflow-auto rounded border border-line bg-surface py-1 text-sm shadow-sm [--anchor-gap:4px] focus:outline-none"
            >
                {choices.map((choice) => (
                    <ListboxOption
                        key={choice.value}
                        value={choice.value}
                        className="flex cursor-pointer items-center justify-between gap-4 px-3 py-1 data-focus:bg-act-tint"
                    >
                        {choice.label}
                        {choice.value === value && <Check size={13} aria-hidden />}
                    </ListboxOption>
                ))}
            </ListboxOptions>
        </Listbox>
    );
}

/** One of a few values, all in sight, in one frame: one of them always holds. */
export function PillTabs({
    label,
    value,
    choices,
    onChange,
}: {
    label: string;
    value: string;
    choices: (Choice & { title?: string })[];
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
                    className={`px-3 whitespace-nowrap not-first:border-l not-first:border-line focus-visible:-outline-offset-2 ${
                        choice.value === value ? 'bg-act-tint font-semibold text-act-dark' : 'hover:bg-soft'
                    }`}
                >
                    {choice.label}
                </button>
            ))}
        </div>
    );
}
