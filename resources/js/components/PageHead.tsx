import { Head } from '@inertiajs/react';
import type { ReactNode } from 'react';

/** The heading of a page with what is to know about it in one line. */
export function PageHead({ title, tab, children }: { title: string; tab?: string; children?: ReactNode }) {
    return (
        <div className="mb-2.5 flex min-w-0 items-baseline gap-3">
            <Head title={tab ?? title} />
            <h1 className="text-xl font-bold whitespace-nowrap">{title}</h1>
            <p className="min-w-0 truncate text-base text-mute">{children}</p>
        </div>
    );
}
