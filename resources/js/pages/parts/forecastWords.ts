import type { KeyboardEvent } from 'react';
import { period } from '@/lib/format';

/** How a period is headed: with its year where it is a month, or in another year than today. */
export function headOf(start: string, bucket: string, today: string): string {
    const year = start.slice(2, 4);
    const name = period(start, bucket).replace(/ \d{4}$/, '');
    return bucket === 'month' || start.slice(0, 4) !== today.slice(0, 4) ? `${name} ${year}` : name;
}

/** What a key does with the chosen cells; null for a key that is typed or moves. */
export function commandOf({ key, ctrlKey, metaKey, shiftKey }: KeyboardEvent): 'clear' | 'fill' | 'percent' | 'undo' | 'redo' | null {
    if (ctrlKey || metaKey) {
        return key.toLowerCase() === 'z' ? (shiftKey ? 'redo' : 'undo') : key === 'y' ? 'redo' : null;
    }
    return ({ Delete: 'clear', Backspace: 'clear', f: 'fill', '%': 'percent' } as const)[key] ?? null;
}
