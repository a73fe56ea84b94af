import { useState } from 'react';
import { moment } from '@/lib/format';
import type { TodayFigure, WhyAnswer } from '@/lib/shapes';
import { t } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';

/** A figure against the plan before; asked, it says what was written since and how much of the difference each of it made. */
export function FigureRow({ figure }: { figure: TodayFigure }) {
    const [asked, setAsked] = useState(false);
    const differs = figure.change !== null && /^[+\u2212]/.test(figure.change);
    const { data, trouble } = useLoaded<WhyAnswer>(asked ? `/why?figure=${figure.name}` : null);
    return (
        <>
            <tr>
                <th scope="row" className="py-0.5 text-left font-normal">
                    {figure.label}
                </th>
                <td className="text-right font-bold">{figure.value}</td>
                <td className={`w-20 text-right text-sm ${figure.worse ? 'text-broken' : 'text-mute'}`}>
                    {differs ? (
                        <button
                            type="button"
                            aria-expanded={asked}
                            aria-label={t('Why :label :change', { label: figure.label, change: figure.change ?? '' })}
                            onClick={() => setAsked(!asked)}
                            className="underline decoration-dotted hover:decoration-solid"
                        >
                            {figure.change}
                        </button>
                    ) : (
                        (figure.change ?? t('first plan'))
                    )}
                </td>
            </tr>
            {asked && (
                <tr>
                    <td colSpan={3} className="pb-2">
                        {trouble && (
                            <p role="alert" className="text-sm text-broken">
                                {trouble}
                            </p>
                        )}
                        {!trouble && data === null && <p className="text-sm text-mute">{t('Trying each change since ...')}</p>}
                        {data !== null && (
                            <ul
                                aria-label={t('Why :label is another', { label: figure.label })}
                                className="rounded border border-line bg-paper px-2.5 py-1 text-sm"
                            >
                                {data.causes.map((cause, place) => (
                                    <li key={place} className="flex gap-3 border-b border-soft py-1 last:border-0">
                                        <span className="min-w-0 flex-1">
                                            {cause.text}
                                            {cause.at !== null && (
                                                <span className="block text-xs text-mute">
                                                    {[cause.by, moment(cause.at)].filter(Boolean).join(', ')}
                                                </span>
                                            )}
                                        </span>
                                        <strong className={cause.worse ? 'text-broken' : ''}>{cause.share}</strong>
                                    </li>
                                ))}
                                {data.causes.length === 0 && <li className="text-mute">{t('Nothing of it can be told.')}</li>}
                            </ul>
                        )}
                    </td>
                </tr>
            )}
        </>
    );
}
