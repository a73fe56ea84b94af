// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { OrderDetail } from '@/lib/shapes';
import Order from '@/pages/Order';
import { SHARED, stubLayout } from './kit';

const draft = vi.hoisted(() => ({ now: {} as Record<string, unknown> }));
const shared = vi.hoisted(() => ({ now: {} as object }));

vi.mock('@inertiajs/react', () => ({
    Head: () => null,
    Link: ({ href, children }: { href: string; children: React.ReactNode }) => <a href={href}>{children}</a>,
}));
vi.mock('@/lib/shared', () => ({ useShared: () => shared.now }));
vi.mock('@/lib/draft', () => ({ useDraft: () => draft.now }));
vi.mock('@/layout/Shell', () => ({ Inspector: ({ children }: { children: React.ReactNode }) => <aside>{children}</aside> }));

stubLayout();
afterEach(cleanup);

const order: OrderDetail = {
    code: 'P-1',
    kind: 'buy',
    status: 'done',
    site: 'OSK',
    siteName: 'Oskarhaven works',
    supplier: 'Grindel Metals',
    currency: 'EUR',
    total: null,
    createdBy: null,
    createdAt: null,
    lines: [
        {
            reference: 'order:P-1',
            code: 'P-1',
            item: 'ROD',
            name: 'Rod',
            unit: 'pcs',
            decimals: 0,
            qty: '20',
            received: '0',
            open: '20',
            from: null,
            start: null,
            due: '2026-03-10',
            expected: '2026-03-10',
            price: null,
            pinned: false,
            priority: 5,
            source: null,
            messages: [],
            serves: [],
            waiting: [],
            components: [],
            held: false,
            notBefore: null,
            finishBy: null,
            operations: [],
            confirmedQty: null,
            confirmedDue: null,
            confirmedHow: null,
            took: null,
        },
    ],
    purchase: null,
};
const show = (more: Record<string, unknown> = {}, touched: string[] = []) => {
    draft.now = { marks: {}, state: { lines: [], expected: {} }, may: true, busy: false, ...more };
    shared.now = { ...SHARED, touched };
    render(<Order order={order} />);
    return screen.getAllByRole('row')[1]?.textContent ?? '';
};

describe('the page of an order', () => {
    it('has the dates and the quantity of the draft, with what stands beside them', () => {
        expect(show()).toContain('20 pcs·Tue 10 MarTue 10 Mar');
        cleanup();
        const mark = { reference: 'order:P-1', due: '2026-03-18', qty: '35', text: 'P-1 to Wed 18 Mar' };
        const row = show({
            marks: { 'order:P-1': mark },
            state: { lines: [], expected: { 'order:P-1': { day: '2026-03-19', lateDays: 1 } } },
        });
        expect(row).toContain('20 35 pcs');
        expect(row).toContain('10 Mar Wed 18 Mar');
        expect(row).toContain('10 Mar Thu 19 Mar');
        expect(screen.getByText('Wed 18 Mar').className).toContain('draft');
        cleanup();
        expect(show({ state: { lines: [], expected: { 'order:P-1': { day: null, lateDays: 0 } } } })).toContain('10 Mar not covered');
    });

    it('marks what was changed after the plan was made, and only that', () => {
        const words = 'Changed since this plan was made; what it says here is from before.';
        show({}, ['order:P-2']);
        expect(screen.queryByLabelText(words)).toBeNull();
        cleanup();
        show({}, ['order:P-1']);
        expect(screen.getByLabelText(words)).toBeTruthy();
        expect(screen.getByText(words)).toBeTruthy();
    });
});
