import type { TroublePage } from '@/lib/shapes';
import { Head } from '@inertiajs/react';
import type { ReactNode } from 'react';
import { Mark } from '@/layout/Rail';
import { t } from '@/lib/t';

/** What stands where a page could not be shown: what happened, what was kept, what to do. */
export default function Trouble({ status }: TroublePage) {
    const words: Record<number, [string, string]> = {
        403: [t('This is not for you to see or do'), t('Nothing was changed. Ask an administrator if you need it.')],
        404: [t('There is nothing here'), t('What you look for has gone or never was. Check the address, or find it with the search.')],
        419: [t('The page has been open for too long'), t('Nothing was changed. Go back, reload it and try again.')],
        429: [t('Too many tries in a short time'), t('Wait a minute, then try again.')],
        503: [t('Yposta is being looked after'), t('It will be back in a moment.')],
    };
    const [title, advice] = words[status] ?? [
        t('Something went wrong inside'),
        t('Nothing was changed, and it was written to the log. Try again; if it stays, tell an administrator when it happened.'),
    ];
    return (
        <main className="flex min-h-screen items-center justify-center p-6">
            <Head title={title} />
            <div className="w-[420px] rounded border border-line bg-surface p-6">
                <p className="mb-4 flex items-center gap-2 font-bold">
                    <Mark /> Yposta
                </p>
                <h1 className="text-xl font-bold">{title}</h1>
                <p className="mt-1 mb-4 text-mute">{advice}</p>
                <a href="/" className="font-semibold text-act hover:underline">
                    {t('To Today')}
                </a>
            </div>
        </main>
    );
}

Trouble.layout = (page: ReactNode) => page;
