import type { DraftFigure } from '@/lib/shapes';
import { t } from '@/lib/t';
import { BRIEF_FIGURES } from '@/lib/words';

/** A total before and after what is drafted: better in green, worse in vermilion, each with its words; `brief` where many stand in one line. */
export function FigureChange({ figure, brief = false }: { figure: DraftFigure; brief?: boolean }) {
    const short = BRIEF_FIGURES[figure.name];
    const tone = figure.worse ? 'text-broken' : figure.better ? 'text-act' : 'text-draft';
    return (
        <span className="whitespace-nowrap" title={`${figure.label} ${figure.change}`}>
            {brief && short ? t(short) : figure.label.toLowerCase()} <s className="text-mute">{figure.before}</s>{' '}
            <strong className={tone}>{figure.after}</strong>
        </span>
    );
}
