// @vitest-environment jsdom
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DraftProvider, useDraft } from '@/lib/draft';
import { Refusal } from '@/lib/http';
import type { DraftState } from '@/lib/shapes';
import { Queries } from './kit';

const http = vi.hoisted(() => ({ getJson: vi.fn(), postJson: vi.fn(), deleteJson: vi.fn() }));
const reload = vi.hoisted(() => vi.fn());
const shared = vi.hoisted(() => ({
    draft: { lines: 0, version: 0, others: [] },
    plan: { id: 1, changes: 0 },
    user: { can: ['make studies'] },
}));

vi.mock('@inertiajs/react', () => ({ router: { reload } }));
vi.mock('@/lib/shared', () => ({ useShared: () => shared }));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...http }));

const state = (more: Partial<DraftState>): DraftState => ({
    version: 1,
    lines: [],
    figures: [],
    slips: [],
    canUndo: false,
    canRedo: false,
    troubles: 0,
    expected: {},
    broken: null,
    ...more,
});
const mark = { reference: 'order:P1', due: '2026-03-11', qty: null, text: 'P1 to Wed 11 Mar' };
const wrapper = ({ children }: { children: ReactNode }) => (
    <Queries>
        <DraftProvider>{children}</DraftProvider>
    </Queries>
);
const draft = () => renderHook(useDraft, { wrapper }).result;
const refuse = (message: string) => new Refusal(message, 'stale', {}, 422);

beforeEach(() => {
    Object.values(http).forEach((mock) => mock.mockReset());
    reload.mockReset();
    shared.draft.lines = 0;
});
afterEach(cleanup);

describe('the draft', () => {
    it('is loaded only where the person has one', async () => {
        draft();
        expect(http.getJson).not.toHaveBeenCalled();
        cleanup();
        shared.draft.lines = 2;
        http.getJson.mockResolvedValue({ state: state({ version: 3 }), marks: [mark] });
        const result = draft();
        await waitFor(() => expect(result.current.state.version).toBe(3));
        expect(result.current.marks['order:P1']?.text).toBe('P1 to Wed 11 Mar');
    });

    it('takes what a line makes of it, and counts that it is another one', async () => {
        http.postJson.mockResolvedValue({ state: state({ version: 2 }), marks: [mark] });
        const result = draft();
        const before = result.current.stamp;
        let added = false;
        await act(async () => {
            added = await result.current.add([{ change: 'move_order', order: 'P1', due: '2026-03-11' }], 'P1 later');
        });
        expect(added).toBe(true);
        expect(http.postJson).toHaveBeenCalledWith('/draft/lines', {
            changes: [{ change: 'move_order', order: 'P1', due: '2026-03-11' }],
            title: 'P1 later',
            sure: false,
        });
        expect(result.current.state.version).toBe(2);
        expect(result.current.stamp).toBe(before + 1);
        await waitFor(() => expect(result.current.busy).toBe(false));
    });

    it('says why a line was refused, and stays as it was', async () => {
        http.postJson.mockRejectedValue(refuse('P1 is cancelled.'));
        const result = draft();
        let added = true;
        await act(async () => {
            added = await result.current.add([{ change: 'cancel_order', order: 'P1' }]);
        });
        expect(added).toBe(false);
        await waitFor(() => expect(result.current.trouble).toBe('P1 is cancelled.'));
        expect(result.current.state.version).toBe(0);
        act(() => result.current.clear());
        await waitFor(() => expect(result.current.trouble).toBeNull());
    });

    it('is sent under one key however often it is pressed, and is empty when it is written', async () => {
        let write: (answer: unknown) => void = () => undefined;
        http.postJson.mockImplementation(() => new Promise((resolve) => (write = resolve)));
        const result = draft();
        act(() => result.current.commit());
        act(() => result.current.commit());
        await waitFor(() => expect(http.postJson).toHaveBeenCalledTimes(1)); // the second waits for the answer to the first
        await act(async () => write({ message: '1 change written.', commit: 7 }));
        await waitFor(() => expect(http.postJson).toHaveBeenCalledTimes(2));
        const keys = http.postJson.mock.calls.map(([, body]) => (body as { key: string }).key);
        expect(keys[0]).toBe(keys[1]);
        await act(async () => write({ message: '1 change written.', commit: 7 }));
        await waitFor(() => expect(result.current.done).toEqual({ message: '1 change written.', commit: 7 }));
        expect(result.current.state.lines).toEqual([]);
        expect(reload).toHaveBeenCalled();
    });

    it('shows what no longer fits when it cannot be written, and takes another key then', async () => {
        http.postJson.mockRejectedValue(refuse('1 line does not fit.'));
        http.getJson.mockResolvedValue({ state: state({ version: 0, troubles: 1 }), marks: [] });
        const result = draft();
        await act(async () => result.current.commit());
        await waitFor(() => expect(result.current.state.troubles).toBe(1));
        await waitFor(() => expect(result.current.trouble).toBe('1 line does not fit.'));
        await act(async () => result.current.commit());
        const [first, second] = http.postJson.mock.calls.map(([, body]) => (body as { key: string }).key);
        expect(first).not.toBe(second);
    });

    it('is kept as a study, stepped, dropped and discarded by the server', async () => {
        http.postJson.mockResolvedValue({ name: 'Try', state: state({}), marks: [] });
        http.deleteJson.mockResolvedValue({ state: state({}), marks: [] });
        const result = draft();
        await act(async () => result.current.keep('Try'));
        await waitFor(() => expect(result.current.done?.message).toContain('Try'));
        await act(async () => result.current.step(true));
        await act(async () => result.current.drop(3));
        await act(async () => result.current.discard());
        expect(http.postJson.mock.calls.map(([url, body]) => [url, body])).toEqual([
            ['/draft/keep', { name: 'Try' }],
            ['/draft/step', { back: true }],
        ]);
        expect(http.deleteJson.mock.calls.map(([url]) => url as string)).toEqual(['/draft/lines/3', '/draft']);
    });

    it('tries lines one after the other, so that each is tried on top of those before', async () => {
        const answers: ((answer: unknown) => void)[] = [];
        http.postJson.mockImplementation(() => new Promise((resolve) => answers.push(resolve)));
        const result = draft();
        act(() => {
            void result.current.add([{ change: 'release_order', order: 'P1' }]);
            void result.current.add([{ change: 'release_order', order: 'P2' }]);
        });
        await waitFor(() => expect(answers).toHaveLength(1));
        expect(result.current.busy).toBe(true);
        await act(async () => answers[0]?.({ state: state({ version: 2 }), marks: [] }));
        await waitFor(() => expect(answers).toHaveLength(2));
        await act(async () => answers[1]?.({ state: state({ version: 3 }), marks: [] }));
        await waitFor(() => expect(result.current.busy).toBe(false));
        expect(result.current.state.version).toBe(3);
    });

    it('is only for those who may try something', () => {
        shared.user.can = [];
        expect(draft().current.may).toBe(false);
        shared.user.can = ['make studies'];
        expect(draft().current.may).toBe(true);
    });
});
