// @vitest-environment jsdom
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { userEvent, type UserEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Refusal } from '@/lib/http';
import type { ArrivalChangeRow, ConversionPreview, ProposalRow, ProposalsPage } from '@/lib/shapes';
import Proposals from '@/pages/Proposals';
import { SHARED, show, stubLayout } from './kit';

const http = vi.hoisted(() => ({ getJson: vi.fn(), postJson: vi.fn() }));
const router = vi.hoisted(() => ({ reload: vi.fn(), get: vi.fn() }));
const shared = vi.hoisted(() => ({ now: {} as object }));

vi.mock('@inertiajs/react', () => ({
    router,
    Head: () => null,
    usePage: () => ({ url: '/proposals', props: shared.now }),
    Link: ({ href, children }: { href: string; children: React.ReactNode }) => <a href={href}>{children}</a>,
}));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...http }));
vi.mock('@/layout/Shell', () => ({ Inspector: ({ children }: { children: React.ReactNode }) => <aside>{children}</aside> }));
vi.mock('@/lib/draft', () => ({ useDraft: () => ({ state: { lines: [] }, marks: {}, may: false }) }));

stubLayout();

const proposal = (number: number, more: Partial<ProposalRow> = {}): ProposalRow => ({
    reference: `proposal:${number}`,
    number,
    kind: 'buy',
    item: `B-${number}`,
    site: 'OSK',
    name: `Part ${number}`,
    unit: 'pcs',
    decimals: 0,
    qty: '20',
    start: '2026-03-02',
    wanted: '2026-03-16',
    due: '2026-03-16',
    expected: '2026-03-16',
    supplier: 'GRIN',
    supplierName: 'Grindel Metals',
    fromSite: null,
    daysToStart: 0,
    waitsFor: null,
    causes: { sales: 1000, forecast: 0 },
    purpose: 'SO-1/1',
    value: '40.00',
    currency: 'EUR',
    restsUntil: null,
    restsWhy: '',
    ...more,
});
const page = (rows: ProposalRow[]): ProposalsPage => ({
    run: 7,
    groups: [{ key: 'GRIN', title: 'Grindel Metals', note: 'OSK', value: '80.00', currency: 'EUR', count: rows.length, rows }],
    total: rows.length,
    shown: rows.length,
    passed: 0,
    today: rows.length,
    resting: 0,
    until: '2026-03-08',
    filter: { by: 'supplier', until: 'week', q: '', open: '', sort: '', rest: '' },
    views: [],
});
const late: ArrivalChangeRow = {
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
    href: null,
    need: '',
};
const MADE = {
    orders: [{ code: 'PO-1', kind: 'buy', title: 'Grindel Metals', what: '20 pcs B-1', href: '/orders/PO-1' }],
    commit: 3,
    message: '1 purchase order made.',
};

const tick = (n: number) => screen.getByRole('checkbox', { name: `Pick proposal ${n}, B-${n}` });
const quantity = (n: number) => screen.getByRole<HTMLInputElement>('textbox', { name: `Quantity of B-${n}` });
const PREVIEW: ConversionPreview = {
    orders: [{ kind: 'buy', title: 'Grindel Metals for Oskarhaven', lines: ['20 pcs B-1'], value: '40', currency: 'EUR' }],
    lines: [{ number: 1, value: '40', currency: 'EUR', instead: null, trouble: null }],
    message: '1 purchase order',
    worth: '40 EUR',
};
const preview = vi.fn();
const convert = vi.fn();
type Sent = { key: string; sure: boolean; agreed: boolean; lines: unknown[] };
const sent = (call = -1) => convert.mock.calls.at(call)?.[0] as Sent;

/** Sees what would be ordered, then orders it. */
async function converts(user: UserEvent): Promise<void> {
    await user.keyboard('c');
    await screen.findByRole('region', { name: 'What will be ordered' });
    await waitFor(() => expect(screen.getByRole<HTMLButtonElement>('button', { name: /^Make/ }).disabled).toBe(false));
    await user.keyboard('c');
}

beforeEach(() => {
    Object.values({ ...http, ...router }).forEach((mock) => mock.mockReset());
    http.getJson.mockRejectedValue(new Refusal('This proposal is not in the live plan.', 'error', {}, 404));
    [preview, convert].forEach((mock) => mock.mockReset());
    http.postJson.mockImplementation((url: string, body: unknown) => (url.endsWith('/preview') ? preview(body) : convert(body)));
    preview.mockResolvedValue(PREVIEW);
    convert.mockResolvedValue(MADE);
    shared.now = { ...SHARED, user: { ...SHARED.user, can: ['convert purchases', 'make studies'] } };
});
afterEach(cleanup);

describe('proposals', () => {
    it('are converted as they were ticked, and the orders made of them are named', async () => {
        const user = userEvent.setup();
        show(<Proposals {...page([proposal(1), proposal(2)])} />);
        await user.click(tick(1));
        await converts(user);
        await screen.findByText('1 purchase order made.');
        expect(sent()).toMatchObject({ run: 7, sure: false, agreed: false, lines: [{ number: 1 }] });
        expect(screen.getByRole('link', { name: 'PO-1' }).getAttribute('href')).toBe('/orders/PO-1');
        expect(router.reload).toHaveBeenCalled();
        expect(screen.queryByText('1 picked')).toBeNull();
        await user.click(tick(2));
        await converts(user);
        await waitFor(() => expect(convert).toHaveBeenCalledTimes(2));
        expect(sent(1).key).not.toBe(sent(0).key);
    });

    it('do nothing at the key while none is ticked, or while one types', async () => {
        const user = userEvent.setup();
        show(<Proposals {...page([proposal(1)])} />);
        await user.keyboard('c');
        await user.click(tick(1));
        await user.click(quantity(1));
        await user.keyboard('c');
        expect(convert).not.toHaveBeenCalled();
    });

    it('take what was typed, show the figure beside it, and give it back with Escape or when emptied', async () => {
        const user = userEvent.setup();
        show(<Proposals {...page([proposal(1), proposal(2)])} />);
        await user.click(quantity(1));
        await user.keyboard('35');
        expect(quantity(1).value).toBe('35');
        expect(screen.getByText('20', { selector: 's' })).toBeTruthy();
        await user.keyboard('{Escape}');
        expect(quantity(1).value).toBe('20');
        await user.click(quantity(2));
        await user.keyboard('{Backspace}{Enter}');
        await user.tab();
        expect(quantity(2).value).toBe('20');
        await user.click(quantity(1));
        await user.keyboard('35{Enter}');
        await user.click(tick(1));
        await converts(user);
        await waitFor(() => expect(sent().lines).toEqual([{ number: 1, qty: '35' }]));
    });

    it('say what they would become before anything is ordered, and nothing is until it is pressed again', async () => {
        const user = userEvent.setup();
        const other = proposal(4, { kind: 'make', supplier: null, value: null });
        show(<Proposals {...page([proposal(1), proposal(2), other])} />);
        await user.click(screen.getByRole('checkbox', { name: 'All of Grindel Metals' }));
        expect(screen.getByText('2 picked')).toBeTruthy();
        expect((await screen.findByText(/^1 purchase order/)).textContent).toBe('1 purchase order (40 EUR)');
        expect(preview).toHaveBeenLastCalledWith({ run: 7, picked: [1, 2], lines: [{ number: 1 }, { number: 2 }] });
        expect(screen.queryByRole('checkbox', { name: 'Pick proposal 4, B-4' })).toBeNull();
        await user.click(screen.getByRole('button', { name: /^Convert/ }));
        const shown = screen.getByRole('region', { name: 'What will be ordered' });
        expect(within(shown).getByRole('listitem').textContent).toBe('Grindel Metals for Oskarhaven20 pcs B-140 EUR');
        await user.keyboard('{Escape}');
        expect(screen.queryByRole('region', { name: 'What will be ordered' })).toBeNull();
        await user.click(screen.getByRole('button', { name: /^Convert/ }));
        await user.click(screen.getByRole('button', { name: 'Go back' }));
        await user.click(screen.getByRole('button', { name: 'Pick none' }));
        expect(screen.queryByText('2 picked')).toBeNull();
        expect(convert).not.toHaveBeenCalled();
    });

    it('have the value of what was typed, or say why it cannot be ordered', async () => {
        const user = userEvent.setup();
        preview.mockResolvedValue({ ...PREVIEW, lines: [{ number: 1, value: '70', currency: 'EUR', instead: null, trouble: null }] });
        show(<Proposals {...page([proposal(1)])} />);
        await user.click(quantity(1));
        await user.keyboard('35');
        expect((await screen.findByText('70')).className).toContain('draft');
        expect(preview).toHaveBeenLastCalledWith({ run: 7, picked: [], lines: [{ number: 1, qty: '35' }] });
        preview.mockResolvedValue({
            ...PREVIEW,
            orders: [],
            lines: [{ number: 1, value: null, currency: '', trouble: 'B-1 takes no decimals.' }],
        });
        await user.keyboard('.5{Enter}');
        await screen.findByTitle('B-1 takes no decimals.');
        await user.click(tick(1));
        await user.keyboard('c');
        await waitFor(() => expect(screen.getAllByText('B-1 takes no decimals.').length).toBeGreaterThan(1));
        await user.keyboard('c');
        expect(convert).not.toHaveBeenCalled();
    });

    it('close their panel once they are orders', async () => {
        const user = userEvent.setup();
        http.getJson.mockReset();
        http.getJson.mockRejectedValue(new Refusal('Gone.', 'error', {}, 404));
        show(
            <Proposals
                {...{
                    ...page([proposal(1), proposal(2)]),
                    filter: { by: 'supplier', until: 'week', q: '', open: '1', sort: '', rest: '' },
                }}
            />,
        );
        await screen.findByText('Gone.');
        await user.click(tick(1));
        await converts(user);
        await screen.findByText('1 purchase order made.');
        expect(screen.queryByText('Gone.')).toBeNull();
    });

    it('are not for who may not convert them, nor in a study', () => {
        shared.now = { ...SHARED, user: { ...SHARED.user, can: [] } };
        show(<Proposals {...page([proposal(1)])} />);
        expect(screen.queryByRole('checkbox', { name: /Pick proposal/ })).toBeNull();
        expect(screen.queryByRole('textbox', { name: 'Quantity of B-1' })).toBeNull();
        cleanup();
        shared.now = {
            ...SHARED,
            plan: { ...SHARED.plan, study: { id: 1, name: 'Try' } },
            user: { ...SHARED.user, can: ['convert purchases'] },
        };
        show(<Proposals {...page([proposal(1)])} />);
        expect(screen.queryByRole('checkbox', { name: /Pick proposal/ })).toBeNull();
    });

    it('ask at an absurd quantity before anything is ordered, under the same key', async () => {
        const user = userEvent.setup();
        convert.mockRejectedValueOnce(new Refusal('Is it meant?', 'absurd', { lines: ['20,000 pcs B-1, 20 are needed'] }, 422));
        show(<Proposals {...page([proposal(1)])} />);
        await user.click(tick(1));
        await converts(user);
        const dialog = await screen.findByRole('dialog');
        expect(within(dialog).getByText('20,000 pcs B-1, 20 are needed')).toBeTruthy();
        await user.keyboard('c'); // the key is not for what stands behind the question
        expect(convert).toHaveBeenCalledTimes(1);
        await user.click(within(dialog).getByRole('button', { name: 'Order it so' }));
        await screen.findByText('1 purchase order made.');
        expect(sent()).toMatchObject({ sure: true });
        expect(sent(0).key).toBe(sent(1).key);
    });

    it('say whom it would make wait, and take along what prevents it', async () => {
        const user = userEvent.setup();
        const along = [{ number: 9, item: 'B-9', name: 'Part 9', qty: '5', unit: 'pcs', due: '2026-03-12' }];
        convert.mockRejectedValueOnce(new Refusal('1 line would wait.', 'delays', { lines: [late], along, left: 0 }, 422));
        show(<Proposals {...page([proposal(1)])} />);
        await user.click(tick(1));
        await converts(user);
        const dialog = await screen.findByRole('dialog');
        expect(dialog.textContent).toContain('SO-1/1');
        expect(dialog.textContent).toContain('Fri 13 Mar');
        await user.keyboard('{Enter}');
        await waitFor(() => expect(sent().lines).toEqual([{ number: 1 }, { number: 9 }]));
        expect(sent()).toMatchObject({ sure: false, agreed: false });
    });

    it('convert all the same once it was said, and go back to the list with what was ticked', async () => {
        const user = userEvent.setup();
        convert.mockRejectedValueOnce(new Refusal('1 line would wait.', 'delays', { lines: [late], along: [], left: 1 }, 422));
        show(<Proposals {...page([proposal(1)])} />);
        await user.click(tick(1));
        await converts(user);
        await user.click(await screen.findByRole('button', { name: 'Back to the list' }));
        await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
        expect(screen.getByText('1 picked')).toBeTruthy();
        convert.mockRejectedValueOnce(new Refusal('1 line would wait.', 'delays', { lines: [late], along: [], left: 1 }, 422));
        await user.click(screen.getByRole('button', { name: /^Make 1 order/ }));
        await user.click(await screen.findByRole('button', { name: 'Convert all the same' }));
        await screen.findByText('1 purchase order made.');
        expect(sent()).toMatchObject({ agreed: true, lines: [{ number: 1 }] });
    });

    it('load anew when somebody was faster', async () => {
        const user = userEvent.setup();
        convert.mockRejectedValueOnce(new Refusal('Proposal 1 is PO-9 by Lena.', 'converted', {}, 422));
        show(<Proposals {...page([proposal(1)])} />);
        await user.click(tick(1));
        await converts(user);
        await screen.findByText('Proposal 1 is PO-9 by Lena.');
        expect(router.reload).toHaveBeenCalled();
        expect(screen.queryByText('1 picked')).toBeNull();
    });

    it('load the rest as their end comes into sight, under the headings that stand already', async () => {
        const heading = { key: 'GRIN', title: 'Grindel Metals', note: 'OSK', value: '80.00', currency: 'EUR', count: 3 };
        http.getJson.mockReset();
        http.getJson.mockResolvedValue({ total: 3, groups: [{ ...heading, rows: [proposal(2), proposal(3)] }] });
        const first = page([proposal(1)]);
        show(<Proposals {...{ ...first, shown: 3, groups: [{ ...heading, rows: [proposal(1)] }] }} />);
        expect(screen.queryByRole('checkbox', { name: 'All of Grindel Metals' })).toBeNull();
        await screen.findByRole('checkbox', { name: 'Pick proposal 3, B-3' });
        expect(http.getJson.mock.calls[0]?.slice(0, 2)).toEqual(['/proposals/rows', { ...first.filter, offset: 1 }]);
        expect(screen.getAllByRole('rowheader', { name: /^Grindel Metals/ })).toHaveLength(1);
        expect(screen.getByRole('checkbox', { name: 'All of Grindel Metals' })).toBeTruthy();
        expect(http.getJson).toHaveBeenCalledTimes(1);
    });

    it('tell what there is when nothing is due', () => {
        show(<Proposals {...{ ...page([]), groups: [], total: 12 }} />);
        expect(screen.getByText('12 more start later. Choose a longer time to see them.')).toBeTruthy();
        cleanup();
        show(<Proposals {...{ ...page([]), groups: [], run: null }} />);
        expect(screen.getByText('Nothing has been planned yet')).toBeTruthy();
    });
});
