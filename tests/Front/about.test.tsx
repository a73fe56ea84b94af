// @vitest-environment jsdom
import { cleanup, screen, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { AboutPage, AboutTable, DataField, DataKind } from '@/lib/shapes';
import About from '@/pages/About';
import { field, SHARED, show, stubLayout } from './kit';

const shared = vi.hoisted(() => ({ now: {} as object }));
const draft = vi.hoisted(() => ({ add: vi.fn(), busy: false, may: true, trouble: null as string | null, stamp: 0 }));

vi.mock('@inertiajs/react', () => ({
    usePage: () => ({ url: '/about', props: shared.now }),
    Head: () => null,
    Link: ({ href, children }: { href: string; children: React.ReactNode }) => <a href={href}>{children}</a>,
}));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), getJson: vi.fn(() => Promise.resolve([])) }));
vi.mock('@/lib/draft', () => ({ useDraft: () => draft }));
vi.mock('@/layout/Shell', () => ({ Inspector: ({ children }: { children: React.ReactNode }) => <aside>{children}</aside> }));

stubLayout();

const kind = (name: string, title: string, one: string, fields: DataField[], isTyped = true): DataKind => ({
    kind: name,
    title,
    one,
    many: title,
    fields,
    isTyped,
});
const ITEMS = kind('items', 'Items', 'item', [field('code', 'Item', 'code', { isKey: true }), field('name', 'Name', 'text')]);
const OFFERS = kind('supplier_items', 'Offers', 'offer', [
    field('supplier', 'Supplier', 'text', { isKey: true, isNeeded: true }),
    field('item', 'Item', 'text', { isKey: true, isNeeded: true }),
    field('leadDays', 'Lead days', 'whole', { usual: '0' }),
    field('minQty', 'At least', 'decimal', { usual: '0' }),
]);
const ORDERS = kind('orders', 'Open orders', 'open order', [field('code', 'Order', 'code', { isKey: true })], false);
const offer = (supplier: string, leadDays: number) => ({
    identity: [supplier, 'LAMP'],
    record: `rows:supplier_items:LAMP ${supplier}`,
    values: { supplier, item: 'LAMP', leadDays, minQty: '0' },
});
const table = (of: DataKind, by: string, rows: AboutTable['list']['rows'], total = rows.length): AboutTable => ({
    kind: of,
    by,
    list: { rows, total },
});
const PAGE: AboutPage = {
    of: 'items',
    code: 'LAMP',
    name: 'Lamp',
    kind: ITEMS,
    own: { identity: ['LAMP'], record: 'rows:items:LAMP', values: { code: 'LAMP', name: 'Lamp' } },
    facts: [{ label: 'His last receipts', value: 'all of 3 in time' }],
    tables: [table(OFFERS, 'item', [offer('SAW', 4), offer('MILL', 9)], 7), table(ORDERS, 'code', [])],
};

beforeEach(() => {
    draft.may = true;
    draft.add.mockReset();
    draft.add.mockResolvedValue(true);
    shared.now = SHARED;
});
afterEach(cleanup);

const beside = () => within(document.querySelector('aside') as HTMLElement);

describe('all about one thing', () => {
    it('shows its rows without what all of them say, and its own beside', () => {
        show(<About {...PAGE} />);
        const rows = within(screen.getByRole('region', { name: 'Offers' }));
        expect(rows.getAllByRole('columnheader').map((one) => one.textContent)).toEqual(['Supplier', 'Lead days']);
        expect(rows.getByText('MILL')).toBeTruthy();
        expect(rows.getByText('All 7').getAttribute('href')).toBe('/data?kind=supplier_items&q=LAMP');
        expect(beside().getByDisplayValue('Lamp')).toBeTruthy();
        expect(screen.getByText('all of 3 in time')).toBeTruthy();
        expect(screen.getByText('Open orders')).toBeTruthy(); // nothing yet
        expect(screen.queryByText('All that is kept of it')).toBeNull(); // one is there
    });

    it('changes a row beside it by keys, as a line of the draft', async () => {
        const user = userEvent.setup();
        show(<About {...PAGE} />);
        screen.getByText('SAW').closest('tr')?.focus();
        await user.keyboard('{ArrowDown}{Enter}');
        const lead = beside().getByLabelText('Lead days');
        await user.clear(lead);
        await user.type(lead, '12{Enter}');
        expect(draft.add).toHaveBeenCalledWith([
            {
                change: 'put_rows',
                kind: 'supplier_items',
                rows: [{ supplier: 'MILL', item: 'LAMP', leadDays: 12, minQty: '0' }],
                removed: [],
            },
        ]);
    });

    it('begins a new row that is about it already', async () => {
        const user = userEvent.setup();
        show(<About {...PAGE} />);
        await user.click(screen.getByRole('button', { name: 'New: offer' }));
        expect(beside().getByLabelText<HTMLInputElement>('Item').value).toBe('LAMP');
        await user.type(beside().getByLabelText('Supplier'), 'PLANE{Enter}');
        expect(draft.add).toHaveBeenCalledWith([
            {
                change: 'put_rows',
                kind: 'supplier_items',
                rows: [expect.objectContaining({ supplier: 'PLANE', item: 'LAMP' })],
                removed: [],
            },
        ]);
    });

    it('offers nothing new to whoever may not write', () => {
        draft.may = false;
        show(<About {...PAGE} />);
        expect(screen.queryByRole('button', { name: 'New: offer' })).toBeNull();
    });
});
