import { useState } from 'react';
import { Button } from '@/components/Button';
import { moment } from '@/lib/format';
import type { WhyAnswer } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';

/** Asks what of all that was written since made a line late by other days than in the plan before. */
export function WhyLate({ of }: { of: string }) {
    const [asked, setAsked] = useState(false);
    const { data, trouble } = useLoaded<WhyAnswer>(asked ? `/why/line?${new URLSearchParams({ of }).toString()}` : null);
    const days = (text: string) => tn('1 day late', ':n days late', Number(text));
    return (
        <div className="mt-1">
            <Button look="quiet" className="!h-6 !px-0 !text-sm" aria-expanded={asked} onClick={() => setAsked(!asked)}>
                {t('What changed since the plan before?')}
            </Button>
            {asked && trouble && <p className="text-sm">{trouble}</p>}
            {asked && !trouble && data === null && <p className="text-sm text-mute">{t('Trying each change since ...')}</p>}
            {asked && data !== null && (
                <>
                    <p className="text-sm">{t('Before: :before. Now: :after.', { before: days(data.before), after: days(data.after) })}</p>
                    <ul className="text-sm">
                        {data.causes.map((cause, place) => (
                            <li key={place} className="flex gap-3 py-0.5">
                                <span className="min-w-0 flex-1">
                                    {cause.text}
                                    {cause.at !== null && (
                                        <span className="block text-xs">{[cause.by, moment(cause.at)].filter(Boolean).join(', ')}</span>
                                    )}
                                </span>
                                <strong>{cause.share}</strong>
                            </li>
                        ))}
                    </ul>
                </>
            )}
        </div>
    );
}
