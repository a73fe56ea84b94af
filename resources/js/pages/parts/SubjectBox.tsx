import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { useEffect, useState } from 'react';
import { getJson } from '@/lib/http';
import type { Subject } from '@/lib/shapes';
import { t } from '@/lib/t';

/** Picks what availability is asked of: an item, an open order, a sales line. */
export function SubjectBox({ value, onPick }: { value: string; onPick: (of: string) => void }) {
    const [text, setText] = useState('');
    const [found, setFound] = useState<Subject[]>([]);

    useEffect(() => {
        if (text.trim() === '') {
            return;
        }
        const control = new AbortController();
        const timer = setTimeout(() => {
            getJson<Subject[]>('/availability/subjects', { q: text }, control.signal)
                .then(setFound)
                .catch(() => undefined);
        }, 150);
        return () => {
            clearTimeout(timer);
            control.abort();
        };
    }, [text]);

    return (
        <Combobox<string> value={value} onChange={(of) => of && onPick(of)} immediate>
            <ComboboxInput
                displayValue={(of: string) => of.replace(/^\w+:/, '')}
                onChange={(event) => setText(event.target.value)}
                placeholder={t('Type a code or name')}
                aria-label={t('Order, sales line or item')}
                className="h-[30px] w-56 rounded border border-line bg-surface px-2"
            />
            {text.trim() !== '' && (
                <ComboboxOptions
                    anchor="bottom start"
                    className="z-30 w-80 rounded border border-line bg-surface py-1 text-sm shadow-sm [--anchor-gap:4px] empty:hidden"
                >
                    {found.map((subject) => (
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
