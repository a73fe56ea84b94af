import { usePage } from '@inertiajs/react';
import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import { createPortal } from 'react-dom';
import { Notice } from '@/components/Notice';
import { DraftTray } from '@/layout/DraftTray';
import { Rail } from '@/layout/Rail';
import { TopBar } from '@/layout/TopBar';
import { DraftProvider } from '@/lib/draft';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useFirstRow } from '@/lib/useFirstRow';

const Slot = createContext<Places>({ aside: null, skip: null });

/** Where an inspector stands, and the way to it. */
interface Places {
    aside: HTMLElement | null;
    skip: HTMLElement | null;
}

/** The frame of every page: rail, top bar, the page, and on the right the place of the inspector. */
export function Shell({ children }: { children: ReactNode }) {
    const { trouble } = useShared();
    const { url } = usePage();
    useFirstRow();
    const [aside, setAside] = useState<HTMLElement | null>(null);
    const [skip, setSkip] = useState<HTMLElement | null>(null);
    const places = useMemo(() => ({ aside, skip }), [aside, skip]);
    const [hidden, setHidden] = useState<string | null>(null);
    return (
        <DraftProvider>
            <Slot value={places}>
                <SkipLink to="page">{t('To the page')}</SkipLink>
                <span ref={setSkip} className="contents" />
                <div className="flex h-screen overflow-hidden">
                    <Rail />
                    <div className="flex min-w-0 flex-1 flex-col">
                        <TopBar />
                        <div className="flex min-h-0 flex-1">
                            <main
                                id="page"
                                tabIndex={-1}
                                className="relative flex min-w-0 flex-1 flex-col scroll-pt-10 scroll-pb-20 overflow-y-auto px-3.5 pt-3 pb-4 focus:outline-none"
                            >
                                {trouble && hidden !== url && (
                                    <Notice tone="broken" onClose={() => setHidden(url)}>
                                        {trouble}
                                    </Notice>
                                )}
                                {children}
                            </main>
                            <div ref={setAside} className="contents" />
                        </div>
                        <DraftTray />
                    </div>
                </div>
            </Slot>
        </DraftProvider>
    );
}

/** Puts its content into the inspector's place, whichever page it is written in. */
export function Inspector({ label, children }: { label: string; children: ReactNode }) {
    const { aside, skip } = useContext(Slot);
    return (
        <>
            {skip && createPortal(<SkipLink to="inspector">{t('To the panel on the right')}</SkipLink>, skip)}
            {aside &&
                createPortal(
                    <aside
                        id="inspector"
                        tabIndex={-1}
                        aria-label={label}
                        className="relative w-[344px] shrink-0 overflow-y-auto border-l border-line bg-surface px-3.5 py-3 focus:outline-none min-[1500px]:w-[400px]"
                    >
                        {children}
                    </aside>,
                    aside,
                )}
        </>
    );
}

/** Seen once the focus is on it: the first stops of the Tab key. */
function SkipLink({ to, children }: { to: string; children: string }) {
    return (
        <a href={`#${to}`} className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-surface focus:p-2">
            {children}
        </a>
    );
}
