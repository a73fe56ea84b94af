// @vitest-environment jsdom
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DraftTray } from '@/layout/DraftTray';
import { DraftProvider } from '@/lib/draft';
import { Refusal } from '@/lib/http';
import type { ArrivalChangeRow, DraftFigure, DraftLine, DraftState } from '@/lib/shapes';
import { SHARED, show } from './kit';

const http = vi.hoisted(() => ({ getJson: vi.fn(), postJson: vi.fn(), deleteJson: vi.fn() }));
const shared = vi.hoisted(() => ({ now: {} as Record<string, unknown> }));

vi.mock('@inertiajs/react', () => ({
    router: { reload: vi.fn() },
    Link: ({ href, children }: { href: string; children: React.ReactNode }) => <a href={href}>{children}</a>,
}));
vi.mock('@/lib/shared', () => ({ useShared: () => shared.now }));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...http }));

const figure = (name: string, label: string, before: string, after: string, more: Partial<DraftFigure> = {}): DraftFigure => ({
    name,
    label,
    before,
    after,
    change: '',
    worse: false,
    better: false,
    ...more,
});
const line = (id: number, more: Partial<DraftLine> = {}): DraftLine => ({
    id,
    kind: 'move_order',
    sentence: `P-${id} to Wed 11 Mar`,
    parts: [],
    figures: [],
    notes: [],
    trouble: null,
    moved: false,
    may: true,
    ...more,
});
const slip = (more: Partial<ArrivalChangeRow>): ArrivalChangeRow => ({
    kind: 'line',
    reference: 'sales:SO-1/1',
    label: 'SO-1/1',
    item: 'WS-300',
    name: 'Weather station',
    customer: 'Coastal Trust',
    qty: '2',
    unit: 'pcs',
    due: '2026-03-09',
    before: '2026-03-09',
    after: '2026-03-13',
    days: 4,
    hurts: true,
    helps: false,
    href: '/demand?q=SO-1',
    need: 'sales:SO-1/1',
    ...more,
});
const state = (lines: DraftLine[], more: Partial<DraftState> = {}): DraftState => ({
    version: 3,
    lines,
    figures: [],
    slips: [],
    canUndo: true,
    canRedo: false,
    troubles: lines.filter((one) => one.trouble !== null).length,
    expected: {},
    broken: null,
    ...more,
});

async function tray(first: DraftState, others: string[] = []) {
    shared.now = { ...SHARED, draft: { lines: first.lines.length, version: first.version, others } };
    http.getJson.mockResolvedValue({ state: first, marks: [] });
    show(
        <DraftProvider>
            <DraftTray />
        </DraftProvider>,
    );
    if (first.lines.length > 0) {
        await screen.findByText(/^Draft, \d+ change/);
    }
    return userEvent.setup();
}

beforeEach(() => Object.values(http).forEach((mock) => mock.mockReset()));
afterEach(cleanup);

describe('the tray', () => {
    it('is not there where nobody drafts anything', async () => {
        await tray(state([], { canUndo: false }));
        expect(screen.queryByRole('region')).toBeNull();
    });

    it('names others who draft, to whom has no draft and beside an empty one', async () => {
        await tray(state([], { canUndo: false }), ['Lena', 'Oskar']);
        expect(screen.getByText('Drafts of others: Lena, Oskar')).toBeTruthy();
    });

    it('tells what the draft does in the figures that matter, and that it changes none', async () => {
        await tray(
            state([line(1)], {
                figures: [figure('lateLines', 'lines late', '8', '6', { better: true }), figure('proposals', 'proposals', '90', '91')],
            }),
        );
        const bar = screen.getByRole('region', { name: 'Draft' });
        expect(bar.textContent).toContain('lines late');
        expect(bar.textContent).not.toContain('proposals');
        cleanup();
        await tray(state([line(1)]));
        expect(screen.getByText('no figure changes')).toBeTruthy();
    });

    it('opens to its lines, each with what it does, and drops one', async () => {
        const user = await tray(
            state([line(1, { notes: ['P-9 first'] }), line(2, { parts: ['P-2 to Wed 11 Mar', 'P-3 to Thu 12 Mar'] })], {
                slips: [slip({}), slip({ kind: 'order', reference: 'order:M-1', label: 'M-1', customer: '', need: '', after: null })],
            }),
        );
        await user.click(screen.getByRole('button', { name: 'Draft, 2 changes' }));
        expect(screen.getByText('P-9 first')).toBeTruthy();
        expect(screen.getByText('changes nothing by itself')).toBeTruthy();
        expect(screen.getByText('P-2 to Wed 11 Mar; P-3 to Thu 12 Mar')).toBeTruthy();
        const [customers, orders] = screen.getAllByRole('heading', { level: 3 });
        expect(customers?.textContent).toBe('Customers 1');
        expect(orders?.textContent).toBe('Orders 1');
        expect(screen.getByText('not covered')).toBeTruthy();
        expect(screen.getByRole<HTMLAnchorElement>('link', { name: 'Ways out' }).getAttribute('href')).toBe(
            '/shortages?days=55&open=sales%3ASO-1%2F1',
        );
        http.deleteJson.mockResolvedValue({ state: state([line(2)]), marks: [] });
        await user.click(screen.getByRole('button', { name: 'Drop: P-1 to Wed 11 Mar' }));
        expect(http.deleteJson).toHaveBeenCalledWith('/draft/lines/1');
        await screen.findByText('Draft, 1 change');
    });

    it('does not let one commit what does not fit, was changed by someone, or is not his', async () => {
        for (const hindrance of [{ trouble: 'P-1 is cancelled.' }, { moved: true }, { may: false }]) {
            await tray(state([line(1), line(2, hindrance)]));
            expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Commit' }).disabled).toBe(true);
            cleanup();
        }
        await tray(state([line(1), line(2)]));
        expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Commit' }).disabled).toBe(false);
    });

    it('says at each line why it cannot be committed, and takes over what was changed meanwhile', async () => {
        const user = await tray(
            state([line(1, { trouble: 'P-1 is cancelled.' }), line(2, { moved: true }), line(3, { may: false })], { troubles: 1 }),
        );
        expect(screen.getByText('1 line does not fit')).toBeTruthy();
        await user.click(screen.getByRole('button', { name: /^Draft, 3/ }));
        const lines = screen.getAllByRole('listitem');
        expect(within(lines[0] as HTMLElement).getByText('does not fit: P-1 is cancelled.')).toBeTruthy();
        expect(within(lines[2] as HTMLElement).getByText('not yours to commit')).toBeTruthy();
        http.postJson.mockResolvedValue({ state: state([line(1), line(2), line(3)]), marks: [] });
        await user.click(screen.getByRole('button', { name: 'Take it all the same' }));
        expect(http.postJson).toHaveBeenCalledWith('/draft/lines/2/accept', {});
    });

    it('says that nobody can plan it, and lets it be committed', async () => {
        await tray(state([line(1)], { figures: [], broken: 'ROD at MAIN goes beyond. With this draft it can be planned again.' }));

        expect(screen.getByRole('alert').textContent).toContain('it can be planned again');
        expect(screen.queryByText('no figure changes')).toBeNull();
        expect(screen.getByRole('button', { name: 'Commit' })).toHaveProperty('disabled', false);
    });

    it('is undone and done again by key, but not while one types', async () => {
        const user = await tray(state([line(1)]));
        http.postJson.mockResolvedValue({ state: state([], { canRedo: true }), marks: [] });
        await user.keyboard('{Control>}z{/Control}');
        expect(http.postJson).toHaveBeenLastCalledWith('/draft/step', { back: true });
        await screen.findByText('Draft, empty');
        await user.keyboard('{Control>}{Shift>}Z{/Shift}{/Control}');
        expect(http.postJson).toHaveBeenLastCalledWith('/draft/step', { back: false });
        http.postJson.mockResolvedValue({ state: state([line(1)]), marks: [] });
        await waitFor(() => expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Undo' }).disabled).toBe(false));
        const calls = http.postJson.mock.calls.length;
        const typing = document.body.appendChild(document.createElement('input'));
        typing.focus();
        await user.keyboard('{Control>}z{/Control}');
        typing.remove();
        expect(http.postJson.mock.calls).toHaveLength(calls);
    });

    it('comes to Commit by key without pressing it, and commits by the next', async () => {
        const user = await tray(state([line(1)]));
        await user.keyboard('{Control>}{Enter}{/Control}');
        expect(document.activeElement?.id).toBe('draft-commit');
        expect(http.postJson).not.toHaveBeenCalled();
        http.postJson.mockResolvedValue({ message: '1 change written.', commit: 12, orders: [] });
        await user.keyboard('{Enter}');
        await screen.findByText('1 change written.');
        expect(http.postJson.mock.calls[0]?.slice(0, 1)).toEqual(['/draft/commit']);
        http.postJson.mockResolvedValue({ message: '1 change undone.' });
        await user.click(screen.getByRole('button', { name: 'Undo this commit' }));
        await screen.findByText('1 change undone.');
        expect(http.postJson.mock.lastCall?.[0]).toBe('/journal/12/undo');
    });

    it('is kept under a name, which Escape puts away', async () => {
        const user = await tray(state([line(1)]));
        await user.click(screen.getByRole('button', { name: 'Keep as study' }));
        const name = screen.getByRole<HTMLInputElement>('textbox', { name: 'Name of the study' });
        await user.type(name, '{Escape}');
        expect(screen.queryByRole('textbox')).toBeNull();
        await user.click(screen.getByRole('button', { name: 'Keep as study' }));
        await user.clear(screen.getByRole('textbox'));
        await user.type(screen.getByRole('textbox'), 'Boards late');
        http.postJson.mockResolvedValue({ study: 4, name: 'Boards late', run: 9 });
        await user.keyboard('{Enter}');
        await screen.findByText('Kept as the study Boards late; it is being planned.');
        expect(http.postJson).toHaveBeenCalledWith('/draft/keep', { name: 'Boards late' });
    });

    it('keeps its lines and says why, when the server refuses; and is put away', async () => {
        const user = await tray(state([line(1)]));
        http.deleteJson.mockRejectedValue(new Refusal('The server cannot be reached.', 'offline', {}, 0));
        await user.click(screen.getByRole('button', { name: 'Discard' }));
        expect((await screen.findByRole('alert')).textContent).toContain('The server cannot be reached.');
        expect(screen.getByText('Draft, 1 change')).toBeTruthy();
        await user.click(screen.getByRole('button', { name: 'Put away' }));
        expect(screen.queryByRole('alert')).toBeNull();
    });
});
