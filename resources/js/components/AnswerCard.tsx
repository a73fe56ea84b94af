import { Link } from '@inertiajs/react';
import { qty } from '@/lib/format';
import type { Answer } from '@/lib/shapes';

const TONES: Record<string, string> = {
    plain: '',
    sum: 'font-bold border-t border-line pt-1 mt-1',
    mute: 'text-mute',
    broken: 'font-semibold text-broken',
};

/** The arithmetic behind a number, line by line. */
export function AnswerLines({ answer }: { answer: Answer }) {
    return (
        <dl className="text-sm">
            {answer.lines.map((line, place) => (
                <div key={place} className={`flex justify-between gap-4 py-0.5 ${TONES[line.tone] ?? ''}`}>
                    <dt>{line.text}</dt>
                    {line.qty !== null && <dd className="font-semibold whitespace-nowrap">{qty(line.qty)}</dd>}
                </div>
            ))}
        </dl>
    );
}

/** What a number is pegged to, with links onward. */
export function AnswerPegs({ answer }: { answer: Answer }) {
    if (answer.pegs.length === 0) {
        return null;
    }
    return (
        <>
            <h3 className="mt-3 mb-1 text-xs font-bold text-mute">{answer.pegsTitle}</h3>
            <ul className="text-sm">
                {answer.pegs.map((peg, place) => (
                    <li key={place} className="flex items-baseline gap-3 border-b border-soft py-1 last:border-0">
                        <span className="min-w-0 flex-1 truncate">
                            {peg.what.href ? (
                                <Link href={peg.what.href} className="font-semibold text-act underline-offset-2 hover:underline">
                                    {peg.what.label}
                                </Link>
                            ) : (
                                peg.what.label
                            )}
                        </span>
                        <span className="text-xs whitespace-nowrap text-mute">{peg.note}</span>
                        <span className="w-14 text-right font-semibold whitespace-nowrap">{qty(peg.qty)}</span>
                    </li>
                ))}
            </ul>
        </>
    );
}
