import { Check, Loader } from 'lucide-react';
import type { ReactNode } from 'react';
import { t } from '@/lib/t';

interface Props {
    stages: { key: string; label: string; more?: ReactNode }[];
    /** What is being done; what stands before it is done. */
    at: string | null;
}

/** What something goes through, and how far it is. */
export function Stages({ stages, at }: Props) {
    const now = stages.findIndex((stage) => stage.key === at);
    return (
        <ol className="text-sm">
            {stages.map((stage, place) => (
                <li
                    key={stage.key}
                    className={`flex items-center gap-2 py-0.5 ${place > now ? 'text-mute' : ''} ${place === now ? 'font-semibold' : ''}`}
                >
                    <span className="w-4">
                        {place < now && <Check size={14} className="text-act" aria-label={t('done')} />}
                        {place === now && <Loader size={14} className="animate-spin text-act" aria-hidden />}
                    </span>
                    {stage.label}
                    {place === now && stage.more}
                </li>
            ))}
        </ol>
    );
}
