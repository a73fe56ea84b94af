import type { DraftFigure } from '@/lib/shapes';

/** A total before and after what is drafted: better in green, worse in vermilion, each with its words. */
export function FigureChange({ figure }: { figure: DraftFigure }) {
    const tone = figure.worse ? 'text-broken' : figure.better ? 'text-act' : 'text-draft';
    return (
        <span className="whitespace-nowrap" title={`${figure.label} ${figure.change}`}>
            {figure.label.toLowerCase()} <s className="text-mute">{figure.before}</s> <strong className={tone}>{figure.after}</strong>
        </span>
    );
}
