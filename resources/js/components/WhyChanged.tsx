import { useState } from 'react';
import { Button } from '@/components/Button';
import { moment } from '@/lib/format';
import type { WhyAnswer } from '@/lib/shapes';
import { t } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';

interface Props {
    /** Where the answer comes from. */
    url: string;
    /** What it was before and is now, in a sentence. */
    say: (answer: WhyAnswer) => string;
}

/** Asks what of all that was written since the plan before made something another; each cause with its share. */
export function WhyChanged({ url, say }: Props) {
    const [asked, setAsked] = useState(false);
    const { data, trouble } = useLoaded<WhyAnswer>(asked ? url : null);
    return (
        <div className="mt-1">
            <Button look="quiet" className="!h-6 !px-0 !text-sm" aria-expanded={asked} onClick={() => setAsked(!asked)}>
                {t('What changed since the plan before?')}
            </Button>
            {asked && trouble && <p className="text-sm">{trouble}</p>}
            {asked && !trouble && data === null && <p className="text-sm text-mute">{t('Trying each change since ...')}</p>}
            {asked && data !== null && (
                <>
                    <p className="text-sm">{say(data)}</p>
                    <ul className="text-sm">
                        {data.causes.map((cause, place) => (
                            <li key={place} className="flex gap-3 py-0.5">
                                <span className="min-w-0 flex-1">
                                    {cause.text}
                                    {cause.at !== null && (
                                        <span className="block text-xs">{[cause.by, moment(cause.at)].filter(Boolean).join(', ')}</span>
                                    )}
                                </span>
                                <strong className="whitespace-nowrap">{cause.share}</strong>
                            </li>
                        ))}
                    </ul>
                </>
            )}
        </div>
    );
}
