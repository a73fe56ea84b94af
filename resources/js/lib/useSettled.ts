import { useEffect, useState } from 'react';

/** What is typed, once it has stayed the same for so many milliseconds. */
export function useSettled(text: string, wait: number): string {
    const [settled, setSettled] = useState(text);
    useEffect(() => {
        const timer = setTimeout(() => setSettled(text), wait);
        return () => clearTimeout(timer);
    }, [text, wait]);
    return settled;
}
