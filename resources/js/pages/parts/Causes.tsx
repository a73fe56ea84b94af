import { useState } from 'react';
import { Button } from '@/components/Button';
import { moment } from '@/lib/format';
import type { TodayFigure, WhyChanges } from '@/lib/shapes';
import { t } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';

/** What made this plan another than the one before, change by change; each is tried when somebody asks. */
export function Causes({ figures }: { figures: TodayFigure[] }) {
    const [asked, setAsked] = useState(false);
    const { data, trouble } = useLoaded<WhyChanges>(asked ? '/why/all' : null);
    if (!figures.some((figure) => figure.change !== null && /^[+\u2212]/.test(figure.change))) {
        return null;
    }
    return (
        <section aria-label={t('What made it another plan')} className="mt-2">
            <Button look="quiet" className="!px-0" aria-expanded={asked} onClick={() => setAsked(!asked)}>
                {t('What made it another plan')}
            </Button>
            {asked && trouble && (
                <p role="alert" className="text-sm text-broken">
                    {trouble}
                </p>
            )}
            {asked && !trouble && data === null && <p className="text-sm text-mute">{t('Trying each change since ...')}</p>}
            {asked && data !== null && (
                <ol className="text-sm">
                    {data.causes.map((cause, place) => (
                        <li key={place} className="border-b border-soft py-1.5 last:border-0">
                            <span className="block font-semibold">{cause.text}</span>
                            {cause.at !== null && (
                                <span className="block text-xs text-mute">{[cause.by, moment(cause.at)].filter(Boolean).join(', ')}</span>
                            )}
                            <span className="flex flex-wrap gap-x-3">
                                {cause.shares.map(({ figure, share, worse, better }) => (
                                    <span key={figure} className="whitespace-nowrap">
                                        {figure.toLowerCase()}{' '}
                                        <strong className={worse ? 'text-broken' : better ? 'text-act' : ''}>{share}</strong>
                                    </span>
                                ))}
                            </span>
                        </li>
                    ))}
                    {data.causes.length === 0 && <li className="text-mute">{t('Nothing of it can be told.')}</li>}
                </ol>
            )}
        </section>
    );
}
