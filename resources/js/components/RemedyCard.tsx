import { useState } from 'react';
import { FigureChange } from '@/components/FigureChange';
import { day } from '@/lib/format';
import { fullness } from '@/lib/load';
import type { LoadFigure, RemedyRow } from '@/lib/shapes';
import { t, tn } from '@/lib/t';

interface Props {
    remedy: RemedyRow;
    /** How full the work centre is then, where it is one that does not fit. */
    figure?: LoadFigure | undefined;
    number: number;
    drafted: boolean;
    today: string;
    disabled: boolean;
    onTry: () => void;
}

const TOLD = ['lateLines', 'lateDays', 'stockValue'];

/** A way out of a shortage: what it is, what it does to the totals, and who pays for it. */
export function RemedyCard({ remedy, figure, number, drafted, today, disabled, onTry }: Props) {
    const [copied, setCopied] = useState(false);
    return (
        <li className={`rounded border px-3 py-1.5 text-sm ${drafted ? 'border-draft bg-draft-tint' : 'border-line bg-paper'}`}>
            <div className="flex items-baseline gap-2">
                <strong className="flex-1">{remedy.title}</strong>
                {drafted ? (
                    <strong className="text-draft">{t('In the draft')}</strong>
                ) : (
                    <button
                        type="button"
                        data-remedy={number}
                        disabled={disabled}
                        onClick={onTry}
                        className="font-bold text-act hover:underline disabled:text-faint"
                    >
                        {t('Try')}
                        <span className="sr-only">: {remedy.title}</span>{' '}
                        {number < 10 && (
                            <kbd aria-hidden className="ml-1 rounded border border-line px-1 font-sans text-2xs text-mute">
                                {number}
                            </kbd>
                        )}
                    </button>
                )}
            </div>
            {remedy.moreLate > 0 && (
                <p className="font-semibold text-broken">{tn('makes one more line late', 'makes :n more lines late', remedy.moreLate)}</p>
            )}
            <p className="flex flex-wrap gap-x-3">
                {figure && (
                    <span className={`font-semibold ${figure.over ? 'text-broken' : 'text-act-dark'}`}>
                        {t('then :percent', { percent: fullness(figure, 'percent') })}
                    </span>
                )}
                {remedy.figures
                    .filter((figure) => TOLD.includes(figure.name))
                    .map((figure) => (
                        <FigureChange key={figure.name} figure={figure} />
                    ))}
                {!remedy.solves && !figure && (
                    <span className="text-look-ink">
                        {remedy.expected ? t('helps, but only :day', { day: day(remedy.expected, today) }) : t('helps in part')}
                    </span>
                )}
            </p>
            {remedy.room && <p className="font-semibold text-look-ink">{remedy.room}</p>}
            {remedy.hurt.length > 0 ? (
                <p className="text-broken">{remedy.hurt.join(', ')}</p>
            ) : (
                <p className="text-mute">{t('No one else is hurt.')}</p>
            )}
            <p className="text-mute">{remedy.note}</p>
            {remedy.letter && (
                <button
                    type="button"
                    onClick={() => void navigator.clipboard.writeText(remedy.letter).then(() => setCopied(true))}
                    title={remedy.letter}
                    className="font-semibold text-act hover:underline"
                >
                    {copied ? t('Note copied') : t('Copy a note to the supplier')}
                </button>
            )}
        </li>
    );
}
