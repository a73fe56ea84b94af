import { Search } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';

/** Narrows a list while one types; asks the server a moment after the last key. */
export function FindBox({ label, value, onChange }: { label: string; value: string; onChange: (text: string) => void }) {
    const [text, setText] = useState(value);
    const timer = useRef<ReturnType<typeof setTimeout>>(undefined);

    useEffect(() => () => clearTimeout(timer.current), []);

    return (
        <label
            className="relative ml-auto flex flex-[1_1_9rem] items-center"
            style={{ maxWidth: `calc(${Math.max(label.length, 14)}ch + 2.75rem)` }} // as wide as what it says, where there is room
        >
            <Search size={14} className="absolute left-2.5 text-mute" aria-hidden />
            <input
                type="search"
                aria-label={label}
                placeholder={label}
                value={text}
                onChange={(event) => {
                    const next = event.target.value;
                    setText(next);
                    clearTimeout(timer.current);
                    timer.current = setTimeout(() => onChange(next.trim()), 250);
                }}
                className="h-[27px] w-full rounded-full border border-line bg-surface pr-2 pl-7 text-sm hover:border-mute"
            />
        </label>
    );
}
