import type { ReactNode } from 'react';
import { Button } from '@/components/Button';
import { t } from '@/lib/t';

interface Props {
    label: string;
    /** How many are picked, in words. */
    picked: string;
    trouble: string | null;
    onClear: () => void;
    children: ReactNode;
}

/** What is done to the rows that are picked in a list. */
export function BulkBar({ label, picked, trouble, onClear, children }: Props) {
    return (
        <div
            role="toolbar"
            aria-label={label}
            className="mb-2.5 flex flex-wrap items-center gap-2 rounded border border-draft bg-draft-tint px-3 py-2"
        >
            <strong className="mr-1">{picked}</strong>
            {children}
            <Button look="quiet" onClick={onClear}>
                {t('Pick none')}
            </Button>
            {trouble && (
                <p role="alert" className="w-full font-semibold text-broken">
                    {trouble}
                </p>
            )}
        </div>
    );
}
