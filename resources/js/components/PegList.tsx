import { MaybeLink } from '@/components/MaybeLink';
import { qty } from '@/lib/format';
import type { ExplanationPeg } from '@/lib/shapes';

/** Whom something serves or what serves it: each with its day and quantity, and a link onward. */
export function PegList({ title, pegs }: { title: string; pegs: ExplanationPeg[] }) {
    if (pegs.length === 0) {
        return null;
    }
    return (
        <>
            <h3 className="mt-3 mb-1 text-xs font-bold text-mute">{title}</h3>
            <ul className="text-sm">
                {pegs.map((peg, place) => (
                    <li key={place} className="flex items-baseline gap-3 border-b border-soft py-1 last:border-0">
                        <span className="min-w-0 flex-1 truncate">
                            <MaybeLink to={peg.what} className="font-semibold text-act underline-offset-2 hover:underline" />
                        </span>
                        <span className="text-xs whitespace-nowrap text-mute">{peg.note}</span>
                        <span className="w-14 text-right font-semibold whitespace-nowrap">{qty(peg.qty)}</span>
                    </li>
                ))}
            </ul>
        </>
    );
}
