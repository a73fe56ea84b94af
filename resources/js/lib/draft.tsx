import { router } from '@inertiajs/react';
import { createContext, useContext, useEffect, useRef, useState, type ReactNode } from 'react';
import { deleteJson, freshKey, getJson, postJson } from '@/lib/http';
import type { Committed, DraftAnswer, DraftMark, DraftState, KeptStudy, Told } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { useSure } from '@/lib/useSure';

/** A change as the server keeps it: its kind and its fields. */
export type Change = Record<string, unknown> & { change: string };

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

const EMPTY: DraftState = {
    version: 0,
    lines: [],
    figures: [],
    slips: [],
    canUndo: false,
    canRedo: false,
    troubles: 0,
    expected: {},
    broken: null,
};

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
    const [answer, setAnswer] = useState<DraftAnswer>({ state: EMPTY, marks: [] });
    const [stamp, setStamp] = useState(0);
    const [done, setDone] = useState<Draft['done']>(null);
    const [ask, asking] = useSure('Draft it so', 'Nothing has been drafted yet.');
    const commitKey = useRef<{ version: number; key: string } | null>(null);
    const { lines, version } = shared.draft;
    const { id: planned, changes } = shared.plan;

    const take = (next: DraftAnswer) => {
        setAnswer(next);
        setStamp((old) => old + 1);
    };
    // one after the other: each line is tried on top of those before it
    const { send, sent, busy, trouble, clear } = useCommand((work: () => Promise<void>) => work(), undefined, undefined, 'draft');
    const edit = (request: () => Promise<DraftAnswer>) => {
        setDone(null);
        return sent(async () => take(await request()));
    };
    const tell = (message: string, commit: number | null) => {
        setDone({ message, commit });
        router.reload();
    };
    const commit = () => {
        // the same draft pressed twice is sent under the same key, and written once
        const seen = answer.state.version;
        if (commitKey.current?.version !== seen) {
            commitKey.current = { version: seen, key: freshKey() };
        }
        const { key } = commitKey.current;
        send(async () => {
            try {
                const written = await postJson<Committed>('/draft/commit', { version: seen, key });
                take({ state: { ...EMPTY, version: seen + 1 }, marks: [] });
                tell(written.message, written.commit);
            } catch (cause) {
                commitKey.current = null;
                setAnswer(await getJson<DraftAnswer>('/draft'));
                throw cause;
            }
        });
    };

    useEffect(() => {
        if (lines > 0) {
            send(async () => take(await getJson<DraftAnswer>('/draft')));
        }
        // eslint-disable-next-line react-hooks/exhaustive-deps -- loaded anew when the draft or the plan is another one
    }, [lines, version, planned, changes]);

    const draft: Draft = {
        state: answer.state,
        marks: Object.fromEntries(answer.marks.map((mark) => [mark.reference, mark])),
        stamp,
        busy,
        trouble,
        done,
        may: shared.user.can.includes('make studies'),
        add: (list, title) =>
            edit(() => ask((sure) => postJson<DraftAnswer>('/draft/lines', { changes: list, title: title ?? null, sure }))),
        drop: (id) => void edit(() => deleteJson(`/draft/lines/${id}`)),
        accept: (id) => void edit(() => postJson(`/draft/lines/${id}/accept`, {})),
        discard: () => void edit(() => deleteJson('/draft')),
        step: (back) => void edit(() => postJson('/draft/step', { back })),
        commit,
        keep: (name) =>
            send(async () => {
                const kept = await postJson<KeptStudy>('/draft/keep', { name });
                tell(t('Kept as the study :name; it is being planned.', { name: kept.name }), null);
            }),
        undoCommit: (commit) => {
            const key = freshKey();
            send(async () => {
                const { message } = await postJson<Told>(`/journal/${commit}/undo`, { key });
                setStamp((old) => old + 1);
                tell(message, null);
            });
        },
        clear: () => {
            clear();
            setDone(null);
        },
    };

    return (
        <DraftContext value={draft}>
            {children}
            {asking}
        </DraftContext>
    );
}
