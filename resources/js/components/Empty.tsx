import type { ReactNode } from 'react';

/** What stands where a list has nothing to show: why, and what could be done. */
export function Empty({ title, children }: { title: string; children?: ReactNode }) {
    return (
        <div className="rounded border border-line bg-surface px-6 py-10 text-center">
            <p className="text-lg font-semibold">{title}</p>
            {children && <div className="mx-auto mt-1 max-w-md text-mute">{children}</div>}
        </div>
    );
}
