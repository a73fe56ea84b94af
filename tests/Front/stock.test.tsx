// @vitest-environment jsdom
import { cleanup, screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Refusal } from '@/lib/http';
import type { ComponentRow, MovementRow, MovementRows, OrderLineRow, OrderRow, PointDetail, SalesRow, WaitingNeed } from '@/lib/shapes';
import Movements from '@/pages/Movements';
import { OrdersInBulk } from '@/pages/parts/OrdersInBulk';
import { BlockForm, IssueForm, ReceiveForm, SendForm, ShipForm } from '@/pages/parts/StockForms';
import { SHARED, show, stubLayout } from './kit';

const http = vi.hoisted(() => ({ getJson: vi.fn(), postJson: vi.fn() }));
const keys = vi.hoisted(() => ({ next: 0 }));
const router = vi.hoisted(() => ({ reload: vi.fn(), get: vi.fn() }));
const shared = vi.hoisted(() => ({ now: {} as object }));
const draft = vi.hoisted(() => ({ add: vi.fn(), busy: false, may: false }));

vi.mock('@inertiajs/react', () => ({
    router,
    usePage: () => ({ url: '/orders', props: shared.now }),
    Head: () => null,
    Link: ({ href, children }: { href: string; children: React.ReactNode }) => <a href={href}>{children}</a>,
}));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...http, freshKey: () => `key-${(keys.next += 1)}` }));
vi.mock('@/lib/draft', () => ({ useDraft: () => draft }));

stubLayout();

beforeEach(() => {
    Object.values({ ...http, ...router }).forEach((mock) => mock.mockReset());
    http.postJson.mockResolvedValue({ message: '5 pcs of ROD received with P-1', commit: 3 });
    keys.next = 0;
    shared.now = { ...SHARED, user: { ...SHARED.user, can: ['move stock'] } };
});
afterEach(cleanup);

const line = { code: 'P-1', item: 'ROD', unit: 'pcs', decimals: 0, open: '5', waiting: [] as WaitingNeed[] } as OrderLineRow;
const body = (call: number) => http.postJson.mock.calls[call]?.[1] as Record<string, unknown>;

describe('what is posted on an order', () => {
    it('receives all that is open, or what is typed, and tells what was written', async () => {
        const told = vi.fn();
        const user = userEvent.setup();
        show(<ReceiveForm line={line} kind="buy" onDone={told} />);
        await user.click(screen.getByRole('button', { name: 'Receive' }));
        await waitFor(() => expect(told).toHaveBeenCalledWith('5 pcs of ROD received with P-1.', 3));
        expect(http.postJson.mock.calls[0]?.[0]).toBe('/movements/receive');
        const lines = [{ order: 'P-1', item: 'ROD', qty: '5', last: false, parts: false }];
        expect(body(0)).toMatchObject({ lines, note: '' });
        expect(router.reload).toHaveBeenCalledTimes(1);
        const field = screen.getByRole('textbox', { name: 'Received P-1' });
        await user.clear(field);
        await user.type(field, '2');
        await user.click(screen.getByRole('checkbox', { name: 'No more of it comes' }));
        await user.type(field, '{Enter}');
        await waitFor(() => expect(told).toHaveBeenCalledTimes(2));
        expect(body(1)).toMatchObject({ lines: [{ order: 'P-1', item: 'ROD', qty: '2', last: true, parts: false }] });
        expect(body(1).key).not.toBe(body(0).key); // another receipt, not the same once more
    });

    it('sends the same key again after a refusal, and nothing where nothing is typed', async () => {
        http.postJson.mockRejectedValueOnce(new Refusal('Order P-1 is not open. Nothing was written.', 'over', {}, 422));
        const user = userEvent.setup();
        show(<ReceiveForm line={line} kind="make" onDone={vi.fn()} />);
        const button = screen.getByRole('button', { name: 'Receive' });
        await user.click(button);
        expect((await screen.findByRole('alert')).textContent).toBe('Order P-1 is not open. Nothing was written.');
        await user.click(button);
        await waitFor(() => expect(http.postJson).toHaveBeenCalledTimes(2));
        expect(body(1).key).toBe(body(0).key);
        expect(body(0)).toMatchObject({ lines: [{ parts: true }] });
        for (const typed of ['0', 'many', '1.5']) {
            const field = screen.getByRole('textbox', { name: 'Received P-1' });
            await user.clear(field);
            await user.type(field, `${typed}{Enter}`);
        }
        expect(http.postJson).toHaveBeenCalledTimes(2);
    });

    it('issues more only with a reason, and takes back', async () => {
        const row = { line: '10', item: 'ROD', unit: 'pcs', decimals: 0, open: '3' } as ComponentRow;
        const user = userEvent.setup();
        show(<IssueForm row={row} order="M-1" onDone={vi.fn()} />);
        await user.click(screen.getByRole('checkbox', { name: 'More than planned, with a reason' }));
        const issue = screen.getByRole<HTMLButtonElement>('button', { name: 'Issue' });
        expect(issue.disabled).toBe(true);
        await user.type(screen.getByRole('textbox', { name: 'Reason' }), 'one was bent');
        await user.click(issue);
        await waitFor(() => expect(http.postJson).toHaveBeenCalledTimes(1));
        expect(body(0)).toMatchObject({ order: 'M-1', parts: [{ line: '10', qty: '3' }], more: true, note: 'one was bent' });
        await user.click(screen.getByRole('checkbox', { name: 'It comes back into stock' }));
        await user.click(screen.getByRole('button', { name: 'Take back' }));
        await waitFor(() => expect(http.postJson).toHaveBeenCalledTimes(2));
        expect(body(1)).toMatchObject({ parts: [{ line: '10', qty: '-3' }], more: false });
    });

    it('ships a sales line', async () => {
        const user = userEvent.setup();
        show(<ShipForm row={{ order: 'SO-1', line: '2', unit: 'pcs', decimals: 0, open: '4' } as SalesRow} onDone={vi.fn()} />);
        await user.click(screen.getByRole('button', { name: 'Ship' }));
        await waitFor(() => expect(body(0)).toMatchObject({ lines: [{ order: 'SO-1', line: '2', qty: '4' }] }));
    });
});

describe('what goes to another site', () => {
    it('is sent as a whole, and told', async () => {
        const told = vi.fn();
        const user = userEvent.setup();
        show(<SendForm line={{ ...line, code: 'T-1' }} from="OSK" onDone={told} />);
        await user.click(screen.getByRole('button', { name: 'Send it from OSK' }));
        await waitFor(() => expect(told).toHaveBeenCalled());
        expect(http.postJson.mock.calls[0]?.[0]).toBe('/movements/send');
        expect(body(0)).toMatchObject({ order: 'T-1' });
    });
});

describe('many orders', () => {
    const order = (code: string, more: Partial<OrderRow>) =>
        ({ code, kind: 'buy', status: 'firm', held: false, open: [], stage: null, ...more }) as OrderRow;

    it('are received at once, those that can be', async () => {
        const [told, cleared] = [vi.fn(), vi.fn()];
        const user = userEvent.setup();
        const orders = [order('P-1', {}), order('T-1', { kind: 'transfer' }), order('M-1', { kind: 'make', status: 'released' })];
        show(<OrdersInBulk orders={orders} onClear={cleared} onTold={told} />);
        expect(screen.queryByRole('button', { name: 'Release' })).toBeNull(); // that is for who may make orders
        await user.click(screen.getByRole('button', { name: 'Receive all that is open of 2' }));
        await waitFor(() => expect(told).toHaveBeenCalledTimes(1));
        expect(body(0)).toMatchObject({ orders: ['P-1', 'M-1'] });
        expect(cleared).toHaveBeenCalledTimes(1);
    });

    it('are not received by whom it is not for', () => {
        shared.now = { ...SHARED, user: { ...SHARED.user, can: [] } };
        show(<OrdersInBulk orders={[order('P-1', {})]} onClear={vi.fn()} onTold={vi.fn()} />);
        expect(screen.queryByRole('button', { name: /Receive/ })).toBeNull();
    });
});

describe('what is not usable, or goes elsewhere', () => {
    it('is received blocked, or straight to whom it is for', async () => {
        const told = vi.fn();
        const user = userEvent.setup();
        const waiting = [{ reference: 'part:M-1/10', label: 'M-1 HEAD', qty: '3' }];
        show(<ReceiveForm line={{ ...line, waiting }} kind="buy" onDone={told} />);
        await user.selectOptions(screen.getByRole('combobox', { name: 'Goes' }), 'part:M-1/10');
        await user.click(screen.getByRole('button', { name: 'Receive' }));
        await waitFor(() => expect(told).toHaveBeenCalledTimes(1));
        expect(body(0)).toMatchObject({ lines: [{ to: 'part:M-1/10', blocked: false }] });
        await user.click(screen.getByRole('checkbox', { name: 'Blocked until somebody has looked at it' }));
        expect(screen.queryByRole('combobox', { name: 'Goes' })).toBeNull();
        await user.click(screen.getByRole('button', { name: 'Receive' }));
        await waitFor(() => expect(told).toHaveBeenCalledTimes(2));
        expect(body(1)).toMatchObject({ lines: [{ to: '', blocked: true }] });
    });

    it('is blocked with a reason, and freed or scrapped once it is', async () => {
        const told = vi.fn();
        const user = userEvent.setup();
        const detail = { item: 'ROD', site: 'OSK', unit: 'pcs', decimals: 0, stock: '9', blocked: '0' } as PointDetail;
        show(<BlockForm detail={detail} onDone={told} />);
        await user.type(screen.getByRole('textbox', { name: 'Blocked of 9 there' }), '4');
        expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Block' }).disabled).toBe(true);
        await user.type(screen.getByRole('textbox', { name: 'Reason' }), 'bent');
        await user.click(screen.getByRole('button', { name: 'Block' }));
        await waitFor(() => expect(body(0)).toMatchObject({ what: 'block', item: 'ROD', site: 'OSK', qty: '4', note: 'bent' }));
        cleanup();
        show(<BlockForm detail={{ ...detail, blocked: '4' }} onDone={told} />);
        await user.click(screen.getByRole('button', { name: 'Free it again' }));
        await waitFor(() => expect(body(1)).toMatchObject({ what: 'release', qty: '4' }));
        await user.click(screen.getByRole('radio', { name: 'Scrap it' }));
        expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Scrap it' }).disabled).toBe(true); // that takes a reason, too
    });

    it('asks before more is taken than the books have', async () => {
        const told = vi.fn();
        const user = userEvent.setup();
        http.postJson.mockRejectedValueOnce(new Refusal('Only 2.', 'below_zero', { lines: ['there is only 2 pcs'] }, 422));
        const row = { order: 'S1', line: '1', open: '5', unit: 'pcs', decimals: 0 } as SalesRow;
        show(<ShipForm row={row} onDone={told} />);
        await user.click(screen.getByRole('button', { name: 'Ship' }));
        await screen.findByText('there is only 2 pcs');
        expect(told).not.toHaveBeenCalled();
        await user.click(screen.getByRole('button', { name: 'Take it' }));
        await waitFor(() => expect(told).toHaveBeenCalledTimes(1));
        expect(body(1)).toMatchObject({ sure: true, key: body(0).key });
    });
});

describe('the ledger', () => {
    const row = (id: number, more: Partial<MovementRow>): MovementRow => ({
        id,
        kind: 'receipt',
        item: 'ROD',
        name: 'Rod',
        site: 'OSK',
        qty: '5',
        unit: 'pcs',
        decimals: 0,
        document: { label: 'P-1', href: '/orders/line?code=P-1' },
        reason: '',
        day: '2026-03-02',
        by: 'Pell Corrie',
        isBlocked: false,
        isBelowZero: false,
        counterOf: null,
        isCountered: false,
        ...more,
    });
    const list: MovementRows = {
        rows: [
            row(4, { qty: '-5', counterOf: 3 }),
            row(3, { isCountered: true }),
            row(2, { kind: 'issue', qty: '-2' }),
            row(1, { kind: 'import' }),
        ],
        count: 5,
        more: true,
    };

    it('takes back what can be, once, and shows older ones', async () => {
        http.getJson.mockResolvedValue({ rows: [row(0, { item: 'OLD' })], count: 0, more: false });
        const user = userEvent.setup();
        show(<Movements list={list} filter={{ q: 'rod' }} blocked={[]} may />);
        const buttons = screen.getAllByRole('button', { name: /^Take back/ });
        expect(buttons.map((button) => button.getAttribute('aria-label'))).toEqual(['Take back: -2 ROD']);
        await user.click(buttons[0] as HTMLElement);
        await waitFor(() => expect(http.postJson.mock.calls[0]?.[0]).toBe('/movements/2/reverse'));
        expect(router.reload).toHaveBeenCalled();
        expect(screen.getByText(/takes 3 back/)).toBeTruthy();
        await user.click(screen.getByRole('button', { name: 'Show older ones' }));
        await screen.findByText('OLD');
        expect(http.getJson.mock.calls[0]?.[0]).toBe('/movements/rows?q=rod&before=1');
        expect(screen.queryByRole('button', { name: 'Show older ones' })).toBeNull();
    });

    it('takes nothing back for whom it is not', () => {
        show(<Movements list={list} filter={{}} blocked={[]} may={false} />);
        expect(screen.queryByRole('button', { name: /^Take back/ })).toBeNull();
    });
});
