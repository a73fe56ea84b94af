import { useState, type ReactNode } from 'react';
import { Refusal } from '@/lib/http';
import type { Sentence } from '@/lib/t';
import { SureDialog } from '@/components/SureDialog';

/** Refusals that ask whether it is meant. */
const ASKED = ['absurd', 'lacks', 'below_zero'];

interface Asked {
    reason: string;
    lines: string[];
    answer: (sure: boolean) => void;
}

const TITLES: Record<string, Sentence> = { lacks: 'Release it all the same?', below_zero: 'Take more than the books have?' };

/** Sends a typed quantity, and where it is far from what stood there asks the person first whether it is meant. */
export function useSure(yes: Sentence, note: Sentence): [<T>(send: (sure: boolean) => Promise<T>) => Promise<T>, ReactNode] {
    const [asked, setAsked] = useState<Asked | null>(null);
    const sure = async <T,>(send: (sure: boolean) => Promise<T>): Promise<T> => {
        try {
            return await send(false);
        } catch (cause) {
            if (!(cause instanceof Refusal) || !ASKED.includes(cause.reason)) {
                throw cause;
            }
            const meant = await new Promise<boolean>((answer) => {
                setAsked({ reason: cause.reason, lines: (cause.details.lines as string[] | undefined) ?? [], answer });
            });
            setAsked(null);
            if (!meant) {
                throw cause;
            }
            return send(true);
        }
    };
    const dialog = asked && (
        <SureDialog
            title={TITLES[asked.reason]}
            lines={asked.lines}
            note={note}
            yes={yes}
            onSure={() => asked.answer(true)}
            onBack={() => asked.answer(false)}
        />
    );
    return [sure, dialog];
}
