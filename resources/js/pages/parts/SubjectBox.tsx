import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { useState } from 'react';
import type { Subject } from '@/lib/shapes';
import { t } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { useSettled } from '@/lib/useSettled';

interface Props {
    value: string;
    label: string;
    onPick: (of: string, subject: Subject | null) => void;
    /** Whether only items are found. */
    itemsOnly?: boolean;
    name?: string;
}

/** Picks what availability is asked of: an item, an open order, a sales line. */
export function SubjectBox({ value, label, onPick, itemsOnly = false, name }: Props) {
    const [text, setText] = useState('');
    const settled = useSettled(text.trim(), 150);
    const { data } = useLoaded<Subject[]>(
        settled === '' ? null : `/complete/subjects?${new URLSearchParams({ q: settled, ...(itemsOnly && { items: '1' }) }).toString()}`,
    );

    return (
        <Combobox<string> value={value} onChange={(of) => of && onPick(of, data?.find((one) => one.of === of) ?? null)} immediate>
            <ComboboxInput
                displayValue={(of: string) => (of === '' ? '' : label)}
                onChange={(event) => setText(event.target.value)}
                placeholder={t('Type a code or name')}
                aria-label={name ?? t('Order, sales line or item')}
                className="h-[28px] w-44 rounded border border-line bg-surface px-2"
            />
            {text.trim() !== '' && (
                <ComboboxOptions
                    anchor="bottom start"
                    className="z-30 w-80 rounded border border-line bg-surface py-1 text-sm shadow-sm [--anchor-gap:4px] empty:hidden"
                >
                    {data?.map((subject) => (
                        <ComboboxOption
                            key={subject.of}
                            value={subject.of}
                            className="flex cursor-pointer gap-2 px-3 py-1 data-focus:bg-act-tint"
                        >
                            <strong className="whitespace-nowrap">{subject.label}</strong>
                            <span className="truncate text-mute">{subject.note}</span>
                        </ComboboxOption>
                    ))}
                </ComboboxOptions>
            )}
        </Combobox>
    );
}
