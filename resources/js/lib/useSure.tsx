import { useState, type ReactNode } from 'react';
import { Refusal } from '@/lib/http';
import type { Sentence } from '@/lib/t';
import { AbsurdDialog } from '@/pages/parts/AbsurdDialog';

interface Asked {
    lines: string[];
    answer: (sure: boolean) => void;
}

/** Sends a typed quantity, and where it is far from what stood there asks the person first whether it is meant. */
export function useSure(yes: Sentence, note: Sentence): [<T>(send: (sure: boolean) => Promise<T>) => Promise<T>, ReactNode] {
    const [asked, setAsked] = useState<Asked | null>(null);
    const sure = async <T,>(send: (sure: boolean) => Promise<T>): Promise<T> => {
        try {
            return await send(false);
        } catch (cause) {
            if (!(cause instanceof Refusal) || cause.reason !== 'absurd') {
                throw cause;
            }
            const meant = await new Promise<boolean>((answer) => {
                setAsked({ lines: (cause.details.lines as string[] | undefined) ?? [], answer });
            });
            setAsked(null);
            if (!meant) {
                throw cause;
            }
            return send(true);
        }
    };
    const dialog = asked && (
        <AbsurdDialog lines={asked.lines} note={note} yes={yes} onSure={() => asked.answer(true)} onBack={() => asked.answer(false)} />
    );
    return [sure, dialog];
}
