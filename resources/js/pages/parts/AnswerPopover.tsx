import { flip, offset, shift, size, useFloating } from '@floating-ui/react-dom';
import { useEffect, useRef } from 'react';
import { AnswerLines } from '@/components/AnswerLines';
import { PegList } from '@/components/PegList';
import type { Explanation } from '@/lib/shapes';
import { t } from '@/lib/t';

export interface AskedAt {
    answer: Explanation;
    /** Whose number it is: the answer stands beside it, and the focus goes back there. */
    back: HTMLElement;
}

const WIDTH = 340;

/** The answer to an asked number, beside it. Esc or a click elsewhere puts it away and gives the focus back. */
export function AnswerPopover({ asked, onClose }: { asked: AskedAt; onClose: () => void }) {
    const card = useRef<HTMLDivElement>(null);
    const { answer, back } = asked;
    const { refs, floatingStyles } = useFloating({
        strategy: 'fixed',
        placement: 'bottom-start',
        elements: { reference: back },
        middleware: [
            offset({ mainAxis: 5, crossAxis: -40 }),
            flip(),
            shift({ padding: 8 }),
            size({
                padding: 20,
                apply: ({ availableHeight, elements }) => {
                    elements.floating.style.maxHeight = `${Math.max(240, availableHeight)}px`;
                },
            }),
        ],
    });

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

    return (
        <div
            ref={(element) => {
                card.current = element;
                refs.setFloating(element);
            }}
            role="dialog"
            aria-label={t('Where this number comes from')}
            tabIndex={-1}
            className="z-40 overflow-y-auto rounded border border-ink bg-surface px-3 py-2.5 shadow-md focus:outline-none"
            style={{ ...floatingStyles, width: WIDTH }}
        >
            <h2 className="mb-1 border-b border-line pb-1.5 font-bold">{answer.title}</h2>
            <AnswerLines answer={answer} />
            <PegList title={answer.pegsTitle} pegs={answer.pegs} />
        </div>
    );
}
