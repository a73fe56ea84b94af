import { useEffect, useRef } from 'react';
import { AnswerLines } from '@/components/AnswerLines';
import { PegList } from '@/components/PegList';
import type { Explanation } from '@/lib/shapes';
import { t } from '@/lib/t';

export interface AskedAt {
    answer: Explanation;
    box: DOMRect;
    back: HTMLElement;
}

const WIDTH = 340;

/** The answer to an asked number, beside it. Esc or a click elsewhere puts it away and gives the focus back. */
export function AnswerPopover({ asked, onClose }: { asked: AskedAt; onClose: () => void }) {
    const card = useRef<HTMLDivElement>(null);
    const { answer, box, back } = asked;

    useEffect(() => {
        card.current?.focus();
        const close = (event: globalThis.KeyboardEvent | MouseEvent) => {
            if (event instanceof KeyboardEvent ? event.key === 'Escape' : !card.current?.contains(event.target as Node)) {
                onClose();
                if (event instanceof KeyboardEvent) {
                    event.preventDefault();
                    back.focus();
                }
            }
        };
        window.addEventListener('keydown', close);
        window.addEventListener('mousedown', close);
        return () => {
            window.removeEventListener('keydown', close);
            window.removeEventListener('mousedown', close);
        };
    }, [back, onClose, asked]);

    const left = Math.max(8, Math.min(box.left - 40, window.innerWidth - WIDTH - 12));
    const below = window.innerHeight - box.bottom > 300;
    return (
        <div
            ref={card}
            role="dialog"
            aria-label={t('Where this number comes from')}
            tabIndex={-1}
            className="fixed z-40 overflow-y-auto rounded border border-ink bg-surface px-3 py-2.5 shadow-md focus:outline-none"
            style={{
                width: WIDTH,
                left,
                maxHeight: Math.max(240, below ? window.innerHeight - box.bottom - 20 : box.top - 20),
                ...(below ? { top: box.bottom + 5 } : { bottom: window.innerHeight - box.top + 5 }),
            }}
        >
            <h2 className="mb-1 border-b border-line pb-1.5 font-bold">{answer.title}</h2>
            <AnswerLines answer={answer} />
            <PegList title={answer.pegsTitle} pegs={answer.pegs} />
        </div>
    );
}
