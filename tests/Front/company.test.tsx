// @vitest-environment jsdom
import { cleanup, screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Refusal } from '@/lib/http';
import type { CompanyValues, PersonRow, SalesRow } from '@/lib/shapes';
import Company from '@/pages/Company';
import People from '@/pages/People';
import { SalesInBulk } from '@/pages/parts/SalesInBulk';
import { COVERED, SHARED, show, stubLayout } from './kit';

const http = vi.hoisted(() => ({ getJson: vi.fn(), postJson: vi.fn() }));
const router = vi.hoisted(() => ({ reload: vi.fn() }));
const shared = vi.hoisted(() => ({ now: {} as object }));
const draft = vi.hoisted(() => ({ add: vi.fn(), busy: false, may: true }));

vi.mock('@inertiajs/react', () => ({
    router,
    usePage: () => ({ url: '/company', props: shared.now }),
    Head: () => null,
    Link: ({ href, children }: { href: string; children: React.ReactNode }) => <a href={href}>{children}</a>,
}));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...http }));
vi.mock('@/lib/draft', () => ({ useDraft: () => draft }));

stubLayout();

const VALUES: CompanyValues = {
    name: 'Marrowby Instruments',
    address: '4 Weir Lane',
    currency: 'EUR',
    timeZone: 'UTC',
    calendar: '',
    numbers: 'point',
    overPercent: 10,
    holdOnRelease: true,
    countUnsent: true,
    belowZero: false,
};
const person = (email: string, more: Partial<PersonRow> = {}): PersonRow => ({
    email,
    name: email.split('@')[0] ?? '',
    role: 'buyer',
    retiredAt: null,
    seenAt: null,
    isOneself: false,
    ...more,
});
const body = (call: number) => http.postJson.mock.calls[call]?.[1] as Record<string, unknown>;

beforeEach(() => {
    Object.values({ ...http, ...router }).forEach((mock) => mock.mockReset());
    draft.add.mockReset();
    http.postJson.mockResolvedValue({ message: 'Done.', password: null, commit: 1 });
    shared.now = { ...SHARED, user: { ...SHARED.user, can: ['move stock', 'keep settings'] } };
});
afterEach(cleanup);

describe('settings of the company', () => {
    it('sends only what was changed, with what was seen, and nothing while nothing differs', async () => {
        const user = userEvent.setup();
        show(<Company values={VALUES} isDemo={false} timeZones={['Atlantic/Azores', 'UTC']} calendars={['WEEK']} />);
        const write = screen.getByRole<HTMLButtonElement>('button', { name: 'Write it' });
        expect(write.disabled).toBe(true);
        await user.click(screen.getByRole('checkbox', { name: /More may be taken/ }));
        await user.click(write);
        await waitFor(() => expect(router.reload).toHaveBeenCalled());
        expect(body(0)).toEqual({ values: { belowZero: true }, seen: VALUES });
        await user.click(screen.getByRole('checkbox', { name: /holds its material/ }));
        await user.click(screen.getByRole('button', { name: 'Take back' }));
        expect(screen.getByRole<HTMLInputElement>('checkbox', { name: /holds its material/ }).checked).toBe(true);
    });

    it('keeps what was typed when somebody else was faster', async () => {
        const user = userEvent.setup();
        http.postJson.mockRejectedValueOnce(new Refusal('Somebody else has changed that.', 'stale', {}, 422));
        show(<Company values={VALUES} isDemo={false} timeZones={['Atlantic/Azores', 'UTC']} calendars={['WEEK']} />);
        await user.clear(screen.getByLabelText('Name'));
        await user.type(screen.getByLabelText('Name'), 'Marrowby');
        await user.click(screen.getByRole('button', { name: 'Write it' }));
        await screen.findByText('Somebody else has changed that.');
        expect(router.reload).toHaveBeenCalled();
        expect(screen.getByLabelText<HTMLInputElement>('Name').value).toBe('Marrowby');
    });
});

describe('people', () => {
    it('are added with a password that is told once, and asked about before their way in is taken', async () => {
        const user = userEvent.setup();
        http.postJson.mockResolvedValueOnce({ message: 'Orla may sign in.', password: 'four-words-of-it' });
        show(<People people={[person('rufus@x.example', { isOneself: true }), person('lena@x.example')]} roles={['planner', 'buyer']} />);
        expect(screen.queryByRole('button', { name: 'Retire rufus' })).toBeNull();
        await user.type(screen.getByLabelText('Name'), 'Orla');
        await user.type(screen.getByLabelText('Email address'), 'orla@x.example{Enter}');
        await screen.findByText('four-words-of-it');
        expect(body(0)).toEqual({ email: 'orla@x.example', name: 'Orla', role: 'planner' });
        await user.click(screen.getByRole('button', { name: 'Retire lena' }));
        expect(http.postJson).toHaveBeenCalledTimes(1);
        await user.click(screen.getByRole('button', { name: 'Retire' }));
        await waitFor(() => expect(http.postJson.mock.calls[1]?.[0]).toBe('/people/retire'));
        expect(screen.queryByText('four-words-of-it')).toBeNull();
    });

    it('get another role from the list, and those who are retired none', async () => {
        const user = userEvent.setup();
        show(
            <People
                people={[person('lena@x.example'), person('old@x.example', { retiredAt: '2026-02-01' })]}
                roles={['planner', 'buyer']}
            />,
        );
        expect(screen.queryByRole('combobox', { name: 'Role of old' })).toBeNull();
        await user.selectOptions(screen.getByRole('combobox', { name: 'Role of lena' }), 'planner');
        await waitFor(() => expect(body(0)).toEqual({ email: 'lena@x.example', name: 'lena', role: 'planner' }));
    });
});

describe('sales lines that are picked', () => {
    const row = (line: string, more: Partial<SalesRow> = {}): SalesRow =>
        ({ order: 'S1', line, open: '5', due: '2026-03-20', strip: COVERED, heldUntil: null, ...more }) as SalesRow;
    const waits = row('2', { strip: { ...COVERED, parts: [{ kind: 'order', share: 1000, qty: '5' }] } });

    it('are shipped as far as they are on stock, under one key until it is answered', async () => {
        const [told, cleared] = [vi.fn(), vi.fn()];
        const user = userEvent.setup();
        show(<SalesInBulk rows={[row('1'), waits, row('3', { heldUntil: '2026-03-30' })]} onClear={cleared} onTold={told} />);
        await user.click(screen.getByRole('button', { name: 'Ship the one on stock' }));
        await waitFor(() => expect(told).toHaveBeenCalledWith('Done..'));
        expect(body(0).lines).toEqual([{ order: 'S1', line: '1', qty: '5' }]);
        expect(cleared).toHaveBeenCalled();
    });

    it('are tried together with another priority, as one line of the draft', async () => {
        const user = userEvent.setup();
        show(<SalesInBulk rows={[row('1'), waits]} onClear={vi.fn()} onTold={vi.fn()} />);
        await user.selectOptions(screen.getByRole('combobox', { name: 'Priority of all of them' }), '1');
        expect(draft.add).toHaveBeenCalledWith(
            [
                { change: 'change_sales_line', order: 'S1', line: '1', priority: 1 },
                { change: 'change_sales_line', order: 'S1', line: '2', priority: 1 },
            ],
            '2 sales lines of another priority',
        );
    });
});
