import { LoaderCircle } from 'lucide-react';
import { useEffect } from 'react';
import { RemedyCard } from '@/components/RemedyCard';
import { useDraft, type Change } from '@/lib/draft';
import type { FoundRelief, FoundRemedy } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useRemedies } from '@/lib/useRemedies';

interface Props {
    title: string;
    /** Where they are told; null where nothing can be worked out. */
    url: string | null;
    /** What is said where nothing that could be planned helps. */
    nothing: string;
}

/** A way out, and where it is one of a work centre how full that is then. */
type Found = FoundRemedy & Partial<Pick<FoundRelief, 'figure'>>;

/** The ways out of a shortage or an overload as they are found, cheapest for others first. Choosing one drafts it. */
export function WaysOut({ title, url, nothing }: Props) {
    const { plan } = useShared();
    const draft = useDraft();
    const { found, looking, trouble } = useRemedies<Found>(url, draft.stamp);
    useEffect(() => {
        document.addEventListener('keydown', tryByNumber);
        return () => document.removeEventListener('keydown', tryByNumber);
    }, []);
    const drafted = new Set(draft.state.lines.map((line) => line.sentence));
    return (
        <>
            <h3 className="mt-3 flex items-center gap-2 text-xs font-bold text-mute">
                {title}
                {looking && <LoaderCircle size={13} className="animate-spin text-act" aria-label={t('Planning each')} />}
            </h3>
            {trouble && <p className="mt-1 text-broken">{trouble}</p>}
            <ul className="mt-1.5 space-y-1.5">
                {found.map(({ row: remedy, figure }, place) => (
                    <RemedyCard
                        key={`${remedy.kind} ${remedy.title}`}
                        remedy={remedy}
                        figure={figure}
                        number={place + 1}
                        drafted={drafted.has(remedy.title)}
                        today={plan.planDate}
                        disabled={!draft.may || draft.busy}
                        onTry={() => void draft.add(JSON.parse(remedy.changes) as Change[], remedy.title)}
                    />
                ))}
            </ul>
            {!looking && found.length === 0 && !trouble && <p className="mt-1 text-mute">{nothing}</p>}
        </>
    );
}

/** The number of a remedy tries it, unless something is typed. */
function tryByNumber(event: KeyboardEvent) {
    const types =
        event.target instanceof Element && event.target.closest('input, select, textarea, [role=dialog], [role=listbox]') !== null;
    if (!types && /^[1-9]$/.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey) {
        document.querySelector<HTMLButtonElement>(`[data-remedy="${event.key}"]`)?.click();
    }
}
