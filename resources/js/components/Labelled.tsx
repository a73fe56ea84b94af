import type { ReactNode } from 'react';

/** The look of a field in a form of the draft. */
export const FIELD = 'h-[28px] rounded border border-line bg-surface px-2 text-sm';

/** A field with its name above it. */
export function Labelled({ label, children }: { label: string; children: ReactNode }) {
    return (
        <label className="flex flex-col gap-0.5">
            <span className="text-xs text-mute">{label}</span>
            {children}
        </label>
    );
}
