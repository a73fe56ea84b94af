import { qty } from '@/lib/format';
import type { Explanation, Tone } from '@/lib/shapes';

const TONES: Partial<Record<Tone, string>> = {
    plain: '',
    sum: 'font-bold border-t border-line pt-1 mt-1',
    mute: 'text-mute',
    broken: 'font-semibold text-broken',
};

/** The arithmetic behind a number, line by line. */
export function AnswerLines({ answer }: { answer: Explanation }) {
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
