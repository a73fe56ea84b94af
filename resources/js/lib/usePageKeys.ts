import { useEffect, useEffectEvent } from 'react';

/**
 * Keys that do something on the whole page, by their name in small letters: not while one types or is asked something, nor together
 * with Ctrl, Alt or the like.
 */
export function usePageKeys(keys: Record<string, () => void>): void {
    const press = useEffectEvent((event: globalThis.KeyboardEvent) => {
        const work = keys[event.key.toLowerCase()];
        if (work) {
            event.preventDefault();
            work();
        }
    });

    useEffect(() => {
        const onKey = (event: globalThis.KeyboardEvent) => {
            const target = event.target as HTMLElement;
            const isAsked = target.closest('[role=dialog]') !== null;
            const isTyping = target.matches('input:not([type=checkbox], [type=radio]), select, textarea');
            if (!event.ctrlKey && !event.metaKey && !event.altKey && !isAsked && !isTyping) {
                press(event);
            }
        };
        document.addEventListener('keydown', onKey);
        return () => document.removeEventListener('keydown', onKey);
    }, []);
}
