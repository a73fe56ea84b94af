// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { plainOf, rowOf, said } from '@/lib/dataRows';
import { Refusal } from '@/lib/http';
import type { BroughtRows, DataField, DataKind, DataRecord } from '@/lib/shapes';
import Data from '@/pages/Data';
import { DataBring } from '@/pages/parts/DataBring';
import { DataForm } from '@/pages/parts/DataForm';
import { DataMany } from '@/pages/parts/DataMany';
import { field, SHARED, show, stubLayout } from './kit';

const http = vi.hoisted(() => ({ getJson: vi.fn(), postJson: vi.fn(), postForm: vi.fn() }));
const router = vi.hoisted(() => ({ reload: vi.fn(), get: vi.fn() }));
const shared = vi.hoisted(() => ({ now: {} as object }));
const draft = vi.hoisted(() => ({ add: vi.fn(), busy: false, may: true, trouble: null as string | null, stamp: 0 }));

vi.mock('@inertiajs/react', () => ({
    router,
    usePage: () => ({ url: '/data', props: shared.now }),
    Head: () => null,
    Link: ({ href, children }: { href: string; children: React.ReactNode }) => <a href={href}>{children}</a>,
}));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...http }));
vi.mock('@/lib/draft', () => ({ useDraft: () => draft }));
vi.mock('@/layout/Shell', () => ({ Inspector: ({ children }: { children: React.ReactNode }) => <aside>{children}</aside> }));

stubLayout();

const ITEMS: DataKind = {
    kind: 'items',
    title: 'Items',
    one: 'item',
    many: 'items',
    isTyped: true,
    fields: [
        field('code', 'Item', 'code', { isNeeded: true, isKey: true }),
        field('name', 'Name', 'text'),
        field('decimals', 'Decimals', 'whole', { usual: '0' }),
        field('unitCost', 'Cost', 'decimal', { usual: '0' }),
        field('phantom', 'Phantom', 'flag', { usual: '0' }),
    ],
};
const BOM: DataKind = {
    ...ITEMS,
    kind: 'bom',
    fields: [field('item', 'Item', 'row', { isNeeded: true, of: 'items' }), field('qty', 'Quantity', 'decimal', { isNeeded: true })],
};
const LAMP: DataRecord = {
    identity: ['LAMP'],
    record: 'rows:items:LAMP',
    values: { code: 'LAMP', name: 'Lamp', decimals: 0, unitCost: '1250.5', phantom: false },
};
const SEEN: BroughtRows = {
    columns: [
        { head: 'Part no', field: '', samples: ['LAMP', 'BELL'] },
        { head: 'Cost', field: 'unitCost', samples: ['7'] },
    ],
    hasHead: true,
    decimal: null,
    ambiguous: null,
    new: 0,
    changed: 0,
    same: 0,
    wrong: 0,
    rows: [],
    missing: ['Item'],
};
const FOUND: BroughtRows = {
    ...SEEN,
    columns: [{ head: 'Part no', field: 'code', samples: ['LAMP', 'BELL'] }, SEEN.columns[1] as BroughtRows['columns'][0]],
    new: 1,
    changed: 1,
    missing: [],
    rows: [{ line: 2, fate: 'changed', row: 'LAMP', what: 'Cost 1 to 7' }],
};
const sent = (call: number) => http.postForm.mock.calls[call]?.[1] as FormData;

beforeEach(() => {
    Object.values({ ...http, ...router }).forEach((mock) => mock.mockReset());
    draft.add.mockReset().mockResolvedValue(true);
    draft.trouble = null;
    draft.may = true;
    http.getJson.mockResolvedValue([]);
    shared.now = SHARED;
    localStorage.clear();
});

afterEach(() => cleanup());

describe('values of master data', () => {
    it('reads what is typed by what the field is, and says it again', () => {
        const [code, name, decimals, cost, phantom] = ITEMS.fields as [DataField, DataField, DataField, DataField, DataField];
        expect([
            plainOf(decimals, '2'),
            plainOf(decimals, 'two'),
            plainOf(cost, ' 7.50 '),
            plainOf(phantom, '1'),
            plainOf(phantom, ''),
        ]).toEqual([2, 'two', '7.50', true, false]);
        expect([
            plainOf(name, ''),
            plainOf(cost, ''),
            said(cost, '1250.5'),
            said(phantom, true),
            said(phantom, false),
            said(code, null),
        ]).toEqual(['', null, '1,250.5', 'yes', '', '']);
        expect(rowOf(ITEMS, { code: 'A', name: '', decimals: '', unitCost: '3', phantom: '' })).toEqual({
            code: 'A',
            unitCost: '3',
            phantom: false,
        });
    });
});

describe('a row of master data', () => {
    it('is drafted once all that is needed is there, and closes when it is new', async () => {
        const user = userEvent.setup();
        const onClose = vi.fn();
        show(<DataForm kind={ITEMS} row={null} like={null} onClose={onClose} onCopy={vi.fn()} />);
        const button = screen.getByRole<HTMLButtonElement>('button', { name: 'Draft it' });
        expect(button.disabled).toBe(true);
        await user.type(screen.getByLabelText('Item'), 'BELL{Enter}');
        expect(draft.add).toHaveBeenCalledWith([
            { change: 'put_rows', kind: 'items', rows: [{ code: 'BELL', phantom: false }], removed: [] },
        ]);
        await waitFor(() => expect(onClose).toHaveBeenCalled());
    });

    it('marks what differs, keeps its key, and says why it was refused', async () => {
        const user = userEvent.setup();
        draft.add.mockResolvedValue(false);
        draft.trouble = 'LAMP is used: the structure of POST';
        const onClose = vi.fn();
        show(<DataForm kind={ITEMS} row={LAMP} like={null} onClose={onClose} onCopy={vi.fn()} />);
        expect(screen.getByLabelText<HTMLInputElement>('Item').disabled).toBe(true);
        expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Draft it' }).disabled).toBe(true);
        await user.click(screen.getByLabelText('Phantom'));
        await user.click(screen.getByRole('button', { name: 'Draft it' }));
        expect((draft.add.mock.calls[0]?.[0] as { rows: object[] }[])[0]?.rows).toEqual([{ ...LAMP.values, phantom: true }]);
        await user.click(screen.getByRole('button', { name: 'Take back' }));
        expect(screen.queryByRole('button', { name: 'Take back' })).toBeNull();
        await user.click(screen.getByRole('button', { name: 'Without it' }));
        expect(draft.add).toHaveBeenLastCalledWith([{ change: 'put_rows', kind: 'items', rows: [], removed: [['LAMP']] }]);
        expect(screen.getByRole('alert').textContent).toContain('is used');
        expect(onClose).not.toHaveBeenCalled();
    });

    it('takes the old row away where rows have no key', async () => {
        const user = userEvent.setup();
        const row: DataRecord = { identity: ['LAMP', '2'], record: 'rows:bom:LAMP', values: { item: 'LAMP', qty: '2' } };
        show(<DataForm kind={BOM} row={row} like={null} onClose={vi.fn()} onCopy={vi.fn()} />);
        await user.clear(screen.getByLabelText('Quantity'));
        await user.type(screen.getByLabelText('Quantity'), '3{Enter}');
        expect(draft.add).toHaveBeenCalledWith([
            { change: 'put_rows', kind: 'bom', rows: [{ item: 'LAMP', qty: '3' }], removed: [['LAMP', '2']] },
        ]);
    });

    it('is only read by whoever may not write', () => {
        draft.may = false;
        show(<DataForm kind={ITEMS} row={LAMP} like={null} onClose={vi.fn()} onCopy={vi.fn()} />);
        expect(screen.queryByRole('button', { name: 'Draft it' })).toBeNull();
        expect(screen.queryByLabelText('Name')).toBeNull(); // it is read
        expect(screen.getByText('Lamp')).toBeTruthy();
    });
});

describe('many rows', () => {
    it('say first what differs, then become one line of the draft', async () => {
        const user = userEvent.setup();
        const onClear = vi.fn();
        http.postJson.mockResolvedValue({ count: 1, some: [{ row: 'LAMP', what: 'Cost 1 to 2' }], change: '{"change":"put_rows"}' });
        show(<DataMany kind={ITEMS} rows={[LAMP]} onClear={onClear} />);
        await user.selectOptions(screen.getByLabelText('What gets another value'), 'unitCost');
        await user.type(screen.getByLabelText('Its new value'), '+1{Enter}');
        expect(http.postJson).toHaveBeenCalledWith('/data/many', { kind: 'items', rows: [['LAMP']], field: 'unitCost', value: '+1' });
        await screen.findByText('Cost 1 to 2');
        expect(draft.add).not.toHaveBeenCalled();
        await user.click(screen.getByRole('button', { name: 'Draft it for 1 row' }));
        expect(draft.add).toHaveBeenCalledWith([{ change: 'put_rows' }], 'Cost of 1 items to +1');
        await waitFor(() => expect(onClear).toHaveBeenCalled());
    });

    it('does not offer to draft what was looked at before another value was typed', async () => {
        const user = userEvent.setup();
        http.postJson.mockResolvedValue({ count: 1, some: [{ row: 'LAMP', what: 'Cost 1 to 2' }], change: '{"change":"put_rows"}' });
        show(<DataMany kind={ITEMS} rows={[LAMP]} onClear={vi.fn()} />);
        await user.type(screen.getByLabelText('Its new value'), 'x{Enter}');
        await screen.findByText('Cost 1 to 2');
        await user.type(screen.getByLabelText('Its new value'), 'y');
        expect(screen.queryByRole('button', { name: /Draft it for/ })).toBeNull();
    });
});

describe('a table that is brought', () => {
    it('is looked at, its columns named, and written as it was seen; the names are known the next time', async () => {
        const user = userEvent.setup();
        const onTold = vi.fn();
        http.postForm.mockResolvedValueOnce(SEEN).mockResolvedValueOnce(FOUND);
        const { unmount } = show(<DataBring kind={ITEMS} onClose={vi.fn()} onTold={onTold} />);
        await user.type(screen.getByRole('textbox'), 'Part no');
        await user.click(screen.getByRole('button', { name: 'Look at it' }));
        expect((await screen.findByText(/Say which column is: Item/)).textContent).toContain('Item');
        await user.selectOptions(screen.getByLabelText('What column 1 is'), 'code');
        await screen.findByText('Cost 1 to 7');
        expect(sent(1).getAll('mapping[]')).toEqual(['code', 'unitCost']);

        http.postForm.mockResolvedValueOnce({ message: 'Items brought in.' });
        await user.click(screen.getByRole('button', { name: 'Write 2 rows' }));
        await waitFor(() => expect(onTold).toHaveBeenCalledWith('Items brought in.'));
        expect([sent(2).get('new'), sent(2).get('changed'), String(sent(2).get('key')).length]).toEqual(['1', '1', 32]);

        unmount();
        http.postForm.mockReset().mockResolvedValueOnce(SEEN).mockResolvedValueOnce(FOUND);
        show(<DataBring kind={ITEMS} onClose={vi.fn()} onTold={onTold} />);
        await user.type(screen.getByRole('textbox'), 'Part no');
        await user.click(screen.getByRole('button', { name: 'Look at it' }));
        await screen.findByText('Cost 1 to 7');
        expect(sent(1).getAll('mapping[]')).toEqual(['code', 'unitCost']);
    });

    it('writes nothing while something is wrong or can be read in two ways, and says why it was refused', async () => {
        const user = userEvent.setup();
        http.postForm
            .mockResolvedValueOnce({ ...FOUND, wrong: 1, ambiguous: '1,234' })
            .mockResolvedValueOnce(FOUND)
            .mockRejectedValueOnce(new Refusal('What stands here has changed since you looked.', 'stale', {}, 422))
            .mockResolvedValueOnce({ ...FOUND, new: 0 });
        show(<DataBring kind={ITEMS} onClose={vi.fn()} onTold={vi.fn()} />);
        fireEvent.change(screen.getByLabelText('or a file: XLSX or CSV'), { target: { files: [new File(['x'], 'items.csv')] } });
        await user.click(screen.getByRole('button', { name: 'Look at it' }));
        expect((await screen.findByRole<HTMLButtonElement>('button', { name: 'Write 2 rows' })).disabled).toBe(true);
        expect(sent(0).get('file')).toBeInstanceOf(File);
        await user.click(screen.getByRole('radio', { name: 'with a comma before the decimals' }));
        await waitFor(() => expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Write 2 rows' }).disabled).toBe(false));
        expect(sent(1).get('decimal')).toBe('comma');
        await user.click(screen.getByRole('button', { name: 'Write 2 rows' }));
        expect((await screen.findByRole('alert')).textContent).toContain('has changed since');
        await screen.findByRole('button', { name: 'Write 1 row' });
    });
});

describe('the page of data', () => {
    const page = {
        shelves: [{ title: 'Items', kinds: [{ kind: 'items', title: 'Items', count: 1 }] }],
        kind: ITEMS,
        filter: {},
        opens: null,
    };

    it('opens a row, begins another like it, and picks rows to change them together', async () => {
        const user = userEvent.setup();
        show(<Data {...page} list={{ rows: [LAMP], total: 1 }} />);
        await user.click(screen.getByText('1,250.5'));
        expect(screen.getByRole('heading', { name: 'LAMP' })).toBeTruthy();
        await user.click(screen.getByRole('button', { name: 'Another like it' }));
        expect(screen.getByRole('heading', { name: 'New: item' })).toBeTruthy();
        expect(screen.getByLabelText<HTMLInputElement>('Cost').value).toBe('1250.5');
        await user.click(screen.getByRole('checkbox', { name: 'Pick LAMP' }));
        expect(screen.getByRole('toolbar', { name: 'What is done to the picked rows' })).toBeTruthy();
    });

    it('begins with what was asked for, and offers nothing to write to whoever may not', () => {
        const { unmount } = show(<Data {...page} opens="bring" list={{ rows: [], total: 0 }} />);
        expect(screen.getByRole('region', { name: 'Bring a table in' })).toBeTruthy();
        unmount();
        draft.may = false;
        show(<Data {...page} list={{ rows: [LAMP], total: 1 }} />);
        expect(screen.queryByRole('button', { name: 'New: item' })).toBeNull();
        expect(screen.queryByRole('checkbox')).toBeNull();
    });
});
