import { router } from '@inertiajs/react';
import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { deleteJson, freshKey, getJson, postJson, Refusal } from '@/lib/http';
import type { DraftMark, DraftState } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';

/** A change as the server keeps it: its kind and its fields. */
export type Change = Record<string, unknown> & { change: string };

interface Answer {
    state: DraftState;
    marks: DraftMark[];
}

interface Draft {
    state: DraftState;
    marks: Record<string, DraftMark>;
    /** Counts up whenever the draft is another one, so that what depends on it loads again. */
    stamp: number;
    busy: boolean;
    trouble: string | null;
    done: { message: string; commit: number | null } | null;
    may: boolean;
    add: (changes: Change[], title?: string) => Promise<boolean>;
    drop: (id: number) => void;
    accept: (id: number) => void;
    discard: () => void;
    step: (back: boolean) => void;
    commit: () => void;
    keep: (name: string) => void;
    undoCommit: (commit: number) => void;
    clear: () => void;
}

const EMPTY: DraftState = { version: 0, lines: [], figures: [], slips: [], canUndo: false, canRedo: false, troubles: 0 };

const DraftContext = createContext<Draft | null>(null);

/** The person's draft, for every page: what it holds, what it does, and how to change it. */
export function useDraft(): Draft {
    const draft = useContext(DraftContext);
    if (!draft) {
        throw new Error('useDraft is for what stands inside a DraftProvider');
    }
    return draft;
}

export function DraftProvider({ children }: { children: ReactNode }) {
    const shared = useShared();
    const [answer, setAnswer] = useState<Answer>({ state: EMPTY, marks: [] });
    const [stamp, setStamp] = useState(0);
    const [busy, setBusy] = useState(false);
    const [trouble, setTrouble] = useState<string | null>(null);
    const [done, setDone] = useState<Draft['done']>(null);
    const commitKey = useRef<{ version: number; key: string } | null>(null);
    const lines = shared.draft.lines;
    const version = shared.draft.version;
    const planned = shared.plan.id;
    const changes = shared.plan.changes;

    const take = useCallback((next: Answer) => {
        setAnswer(next);
        setStamp((old) => old + 1);
        setTrouble(null);
    }, []);
    const refuse = useCallback((cause: unknown) => setTrouble(cause instanceof Refusal ? cause.message : String(cause)), []);

    useEffect(() => {
        if (lines === 0) {
            return;
        }
        const control = new AbortController();
        getJson<Answer>('/draft', {}, control.signal)
            .then(take)
            .catch((cause: unknown) => control.signal.aborted || refuse(cause));
        return () => control.abort();
    }, [lines, version, planned, changes, take, refuse]);

    const send = useCallback(
        async (request: Promise<Answer>): Promise<boolean> => {
            setBusy(true);
            setDone(null);
            try {
                take(await request);
                return true;
            } catch (cause) {
                refuse(cause);
                return false;
            } finally {
                setBusy(false);
            }
        },
        [take, refuse],
    );

    const draft = useMemo<Draft>(
        () => ({
            state: answer.state,
            marks: Object.fromEntries(answer.marks.map((mark) => [mark.reference, mark])),
            stamp,
            busy,
            trouble,
            done,
            may: shared.user.can.includes('make studies'),
            add: (list, title) => send(postJson<Answer>('/draft/lines', { changes: list, title: title ?? null })),
            drop: (id) => void send(deleteJson<Answer>(`/draft/lines/${id}`)),
            accept: (id) => void send(postJson<Answer>(`/draft/lines/${id}/accept`, {})),
            discard: () => void send(deleteJson<Answer>('/draft')),
            step: (back) => void send(postJson<Answer>('/draft/step', { back })),
            commit: () => {
                // the same draft pressed twice is sent under the same key, and written once
                const seen = answer.state.version;
                if (commitKey.current?.version !== seen) {
                    commitKey.current = { version: seen, key: freshKey() };
                }
                setBusy(true);
                postJson<{ message: string; commit: number }>('/draft/commit', { version: seen, key: commitKey.current.key })
                    .then((written) => {
                        take({ state: { ...EMPTY, version: seen + 1 }, marks: [] });
                        setDone(written);
                        router.reload();
                    })
                    .catch((cause: unknown) => {
                        refuse(cause);
                        commitKey.current = null;
                        return getJson<Answer>('/draft').then((next) => setAnswer(next));
                    })
                    .finally(() => setBusy(false));
            },
            keep: (name) => {
                setBusy(true);
                postJson<{ name: string }>('/draft/keep', { name })
                    .then(({ name: kept }) => {
                        setDone({ message: t('Kept as the study :name; it is being planned.', { name: kept }), commit: null });
                        router.reload();
                    })
                    .catch(refuse)
                    .finally(() => setBusy(false));
            },
            undoCommit: (commit) => {
                setBusy(true);
                postJson<{ message: string }>(`/journal/${commit}/undo`, { key: freshKey() })
                    .then(({ message }) => {
                        setDone({ message, commit: null });
                        setStamp((old) => old + 1);
                        router.reload();
                    })
                    .catch(refuse)
                    .finally(() => setBusy(false));
            },
            clear: () => {
                setTrouble(null);
                setDone(null);
            },
        }),
        [answer, stamp, busy, trouble, done, shared.user.can, send, take, refuse],
    );

    return <DraftContext value={draft}>{children}</DraftContext>;
}
