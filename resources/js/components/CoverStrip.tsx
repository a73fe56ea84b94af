import { day, qty } from '@/lib/format';
import type { Strip } from '@/lib/shapes';
import { t } from '@/lib/t';
import { COVERS } from '@/lib/words';

/** The figures behind a strip, as its tooltip and for screen readers. */
function inWords(strip: Strip): string {
    const covered = strip.parts.map((part) => `${qty(part.qty)} ${strip.unit} ${t(COVERS[part.kind])}`).join(', ');
    return strip.complete ? `${covered}; ${t('complete :day', { day: day(strip.complete) })}` : covered;
}

/** How a need is covered, in proportion: stock, open orders, proposals, too late, nothing. The same everywhere. */
export function CoverStrip({ strip, width = 84, showDate = false }: { strip: Strip; width?: number; showDate?: boolean }) {
    const words = inWords(strip);
    return (
        <span className="inline-flex flex-col" title={words} style={{ width }}>
            <span role="img" aria-label={words} className="flex h-2 gap-px">
                {strip.parts.map((part) => (
                    <span
                        key={part.kind}
                        className={`cover-${part.kind} h-full min-w-1 rounded-[1px]`}
                        style={{ flexGrow: part.share, flexBasis: 0 }}
                    />
                ))}
            </span>
            {showDate && strip.complete && (
                <span className={`mt-px self-end text-2xs leading-tight ${strip.tooLate ? 'font-semibold text-broken' : 'text-mute'}`}>
                    {strip.tooLate && <span aria-hidden>! </span>}
                    {day(strip.complete)}
                </span>
            )}
        </span>
    );
}
