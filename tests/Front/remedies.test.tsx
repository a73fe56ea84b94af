// @vitest-environment jsdom
import { act, cleanup, screen, waitFor, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Refusal } from '@/lib/http';
import type { FoundRemedy, RemedyRow } from '@/lib/shapes';
import { AskedPart } from '@/pages/parts/AskedParts';
import { ResolvePanel } from '@/pages/parts/ResolvePanel';
import { ShortagePanel } from '@/pages/parts/ShortagePanel';
import { SHARED, shortage, show } from './kit';

const http = vi.hoisted(() => ({ postJson: vi.fn() }));
const draft = vi.hoisted(() => ({ now: {} as Record<string, unknown>, add: vi.fn() }));

vi.mock('@inertiajs/react', () => ({
    Link: ({ href, children }: { href: string; children: React.ReactNode }) => <a href={href}>{children}</a>,
}));
vi.mock('@/lib/shared', () => ({ useShared: () => SHARED }));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...http }));
vi.mock('@/lib/draft', () => ({ useDraft: () => draft.now }));

const remedy = (title: string, more: Partial<RemedyRow> = {}): RemedyRow => ({
    kind: 'pull_in',
    title,
    note: '3 days earlier',
    solves: true,
    expected: '2026-03-10',
    figures: [],
    hurt: [],
    moreLate: 0,
    changes: '[{"change":"move_order","order":"P-1","due":"2026-03-09"}]',
    letter: '',
    room: null,
    ...more,
});
const found = (title: string, cost: number[], more: Partial<RemedyRow> = {}): FoundRemedy => ({ row: remedy(title, more), cost });

/** Answers as the server does: one line for each, as it is found. Gives a way to say more, to end, and to see whether it was cancelled. */
function stream() {
    let control: ReadableStreamDefaultController<Uint8Array> | undefined;
    const signals: AbortSignal[] = [];
    const body = new ReadableStream<Uint8Array>({ start: (given) => void (control = given) });
    vi.stubGlobal(
        'fetch',
        vi.fn((_: string, { signal }: { signal: AbortSignal }) => {
            signals.push(signal);
            return Promise.resolve({ ok: true, body });
        }),
    );
    const say = (text: string) => act(async () => control?.enqueue(new TextEncoder().encode(text)));
    return {
        say,
        tell: (...some: object[]) => say(some.map((one) => `${JSON.stringify(one)}\n`).join('')),
        end: () => act(async () => control?.close()),
        signals,
    };
}

const titles = () => screen.queryAllByRole('listitem').map((card) => within(card).getAllByText(/./)[0]?.textContent);

beforeEach(() => {
    http.postJson.mockReset();
    draft.add.mockReset();
    draft.now = { state: { lines: [] }, stamp: 0, busy: false, may: true, add: draft.add };
});
afterEach(() => {
    cleanup();
    vi.unstubAllGlobals();
});

describe('the ways out of a shortage', () => {
    const panel = (more: Partial<Parameters<typeof ShortagePanel>[0]> = {}) =>
        show(<ShortagePanel row={shortage({})} solved={false} onClose={() => undefined} {...more} />);

    it('come as they are found, those that cost others least first', async () => {
        const server = stream();
        panel();
        expect(vi.mocked(fetch).mock.calls[0]?.[0]).toBe('/shortages/remedies?identity=part%3AM-1%2F10&item=ROD');
        await server.tell(found('Make the order later', [2, 0]));
        expect(titles()).toEqual(['Make the order later']);
        expect(screen.getByLabelText('Planning each')).toBeTruthy();
        await server.tell(found('Ask for it earlier', [0, 1]), found('Take it from M-9', [0, 0]));
        expect(titles()).toEqual(['Take it from M-9', 'Ask for it earlier', 'Make the order later']);
        await server.end();
        await waitFor(() => expect(screen.queryByLabelText('Planning each')).toBeNull());
    });

    it('are read whole, however the answer comes in pieces', async () => {
        const server = stream();
        panel();
        const text = `${JSON.stringify(found('Ask for it earlier', [1]))}\n`;
        await server.say(text.slice(0, 40));
        expect(titles()).toEqual([]);
        await server.say(text.slice(40) + text.slice(0, 5));
        expect(titles()).toEqual(['Ask for it earlier']);
    });

    it('say what hinders them, keeping what was found', async () => {
        const server = stream();
        panel();
        await server.tell(found('Ask for it earlier', [1]), { trouble: 'There is no plan to ask.' });
        await screen.findByText('There is no plan to ask.');
        cleanup();
        vi.stubGlobal('fetch', () => Promise.resolve({ ok: false, body: null }));
        panel();
        await screen.findByText('The remedies could not be worked out.');
    });

    it('say also at a part of what was asked why they were not found, and where nothing helps', async () => {
        const need = { item: 'ROD', name: 'Rod', site: 'MAIN', unit: 'pcs', for: 'M-1', qty: '5', date: '2026-03-10', cover: [] };
        const part = { ...need, identity: 'part:M-1/10', short: '3', decides: true };
        const server = stream();
        show(<AskedPart need={part} today="2026-03-02" onClose={() => undefined} />);
        await server.end();
        await screen.findByText('Nothing that could be planned would help.');
        cleanup();
        vi.stubGlobal('fetch', () => Promise.resolve({ ok: false, body: null }));
        show(<AskedPart need={part} today="2026-03-02" onClose={() => undefined} />);
        await screen.findByText('The remedies could not be worked out.');
        expect(screen.queryByText('Nothing that could be planned would help.')).toBeNull();
        cleanup();
        show(<AskedPart need={{ ...part, identity: null }} today="2026-03-02" onClose={() => undefined} />);
        expect(screen.getByText(/^This is only asked/)).toBeTruthy();
    });

    it('are no longer asked for when one has gone on', () => {
        const server = stream();
        const { unmount } = panel();
        expect(server.signals[0]?.aborted).toBe(false);
        unmount();
        expect(server.signals[0]?.aborted).toBe(true);
    });

    it('are drafted with what they change, and marked once they are', async () => {
        const server = stream();
        const user = userEvent.setup();
        const { rerender } = panel();
        await server.tell(found('Ask for it earlier', [1], { hurt: ['SO-9/1 2 days later'], solves: false }));
        expect(screen.getByText('SO-9/1 2 days later')).toBeTruthy();
        expect(screen.getByText('helps, but only Tue 10 Mar')).toBeTruthy();
        await user.click(screen.getByRole('button', { name: 'Try: Ask for it earlier' }));
        expect(draft.add).toHaveBeenCalledWith([{ change: 'move_order', order: 'P-1', due: '2026-03-09' }], 'Ask for it earlier');
        draft.now = { ...draft.now, state: { lines: [{ sentence: 'Ask for it earlier' }] } };
        rerender(<ShortagePanel row={shortage({})} solved={false} onClose={() => undefined} />);
        expect(screen.getByText('In the draft')).toBeTruthy();
        expect(screen.queryByRole('button', { name: /^Try/ })).toBeNull();
    });

    it('are not to be tried by who may not, nor while another is planned', async () => {
        const server = stream();
        draft.now = { ...draft.now, busy: true };
        panel();
        await server.tell(found('Ask for it earlier', [1]));
        expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Try: Ask for it earlier' }).disabled).toBe(true);
        cleanup();
        const other = stream();
        draft.now = { ...draft.now, busy: false, may: false };
        panel();
        await other.tell(found('Ask for it earlier', [1]));
        expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Try: Ask for it earlier' }).disabled).toBe(true);
        expect(screen.queryByLabelText('Leave it, with a reason')).toBeNull();
    });

    it('are not asked for where nothing is short, or the draft has solved it', () => {
        stream();
        panel({ row: shortage({ short: '0' }) });
        panel({ solved: true });
        expect(fetch).not.toHaveBeenCalled();
        expect(screen.getByText('ROD is covered with your draft')).toBeTruthy();
    });

    it('can be left, with a reason, which can be taken back', async () => {
        const user = userEvent.setup();
        stream();
        http.postJson.mockResolvedValue({ accepted: null });
        panel();
        await user.type(screen.getByLabelText('Leave it, with a reason'), 'customer agreed{Enter}');
        await screen.findByText('Accepted: customer agreed');
        expect(http.postJson).toHaveBeenLastCalledWith('/shortages/accept', { identity: 'part:M-1/10', reason: 'customer agreed' });
        await user.click(screen.getByRole('button', { name: 'Take back' }));
        await waitFor(() => expect(screen.queryByText('Accepted: customer agreed')).toBeNull());
        http.postJson.mockRejectedValue(new Refusal('You may not do this. Nothing was changed.', 'forbidden', {}, 403));
        await user.click(screen.getByRole('button', { name: 'Accept' }));
        await screen.findByText('You may not do this. Nothing was changed.');
    });

    it('lead to the order that is short, unless it is only proposed', () => {
        stream();
        panel({ row: shortage({ subject: 'order:M-1' }) });
        expect(screen.getByRole('link', { name: 'Check another date' }).getAttribute('href')).toBe('/complete?of=order%3AM-1');
        cleanup();
        panel({ row: shortage({ subject: null }) });
        expect(screen.queryByRole('link', { name: 'Check another date' })).toBeNull();
    });
});

describe('resolving a whole list', () => {
    it('proposes a remedy for each and drafts those that are ticked', async () => {
        const user = userEvent.setup();
        http.postJson.mockResolvedValue({
            proposals: [
                { identity: 'a', item: 'ROD', remedy: remedy('Ask for it earlier'), solvedBy: null, inTime: false },
                { identity: 'b', item: 'CAP', remedy: null, solvedBy: 'Ask for it earlier', inTime: false },
                {
                    identity: 'c',
                    item: 'PIN',
                    remedy: remedy('Order it now', { changes: '[{"change":"put_order"}]' }),
                    solvedBy: null,
                    inTime: false,
                },
                { identity: 'd', item: 'LID', remedy: null, solvedBy: null, inTime: false },
            ],
        });
        draft.add.mockResolvedValue(true);
        const rows = ['a', 'b', 'c', 'd'].map((identity) => shortage({ identity, item: identity }));
        show(<ResolvePanel rows={rows} onClose={() => undefined} />);
        await screen.findByText('Order it now');
        expect(http.postJson.mock.calls[0]?.[1]).toEqual({ needs: rows.map(({ identity, item }) => ({ identity, item })) });
        const boxes = screen.getAllByRole<HTMLInputElement>('checkbox');
        expect(boxes).toHaveLength(2);
        await user.click(boxes[1] as HTMLElement);
        await user.click(screen.getByRole('button', { name: /^Draft/ }));
        await waitFor(() => expect(draft.add).toHaveBeenCalledTimes(1));
        expect(draft.add.mock.calls[0]?.[1]).toBe('Ask for it earlier');
    });
});
