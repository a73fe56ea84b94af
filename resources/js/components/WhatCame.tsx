import { Notice } from '@/components/Notice';
import type { Told } from '@/lib/shapes';

/** What came of a command: what was done, or why it was not. */
export function WhatCame({ of }: { of: { answer: Told | null; trouble: string | null; clear: () => void } }) {
    return (
        <>
            {of.answer && (
                <Notice tone="done" onClose={of.clear}>
                    {of.answer.message}
                </Notice>
            )}
            {of.trouble && (
                <Notice tone="broken" onClose={of.clear}>
                    {of.trouble}
                </Notice>
            )}
        </>
    );
}
