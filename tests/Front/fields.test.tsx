// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { DateField } from '@/components/DateField';
import { NumberField } from '@/components/NumberField';

vi.mock('@/lib/shared', () => ({ useShared: () => ({ plan: { planDate: '2026-03-04' } }) }));
vi.stubGlobal(
    'ResizeObserver',
    class {
        observe() {}
        unobserve() {}
        disconnect() {}
    },
);

afterEach(cleanup);

function Day({ first = '2026-03-13', heard, ...more }: { first?: string; heard: (iso: string) => void; min?: string; optional?: boolean }) {
    const [value, setValue] = useState(first);
    return (
        <DateField
            label="Due"
            value={value}
            onChange={(iso) => {
                setValue(iso);
                heard(iso);
            }}
            {...more}
        />
    );
}

describe('DateField', () => {
    const field = () => screen.getByLabelText<HTMLInputElement>('Due');

    it('shows the weekday, and takes a day as one says it', async () => {
        const heard = vi.fn();
        render(<Day heard={heard} />);
        expect(field().value).toBe('Fri 13 Mar');
        await userEvent.clear(field());
        await userEvent.type(field(), '+5');
        expect(heard).toHaveBeenLastCalledWith('2026-03-09');
        fireEvent.blur(field());
        expect(field().value).toBe('Mon 9 Mar');
    });

    it('says what is no day, and keeps the one before', async () => {
        const heard = vi.fn();
        render(<Day heard={heard} />);
        await userEvent.clear(field());
        await userEvent.type(field(), '32.3');
        expect(screen.getByRole('alert').textContent).toContain('This is no day');
        expect(field().getAttribute('aria-invalid')).toBe('true');
        await userEvent.keyboard('{Escape}');
        expect(screen.queryByRole('alert')).toBeNull();
        expect(field().value).toBe('Fri 13 Mar');
        expect(heard).toHaveBeenLastCalledWith('2026-03-13');
    });

    it('takes nothing before the first day that may be chosen', async () => {
        const heard = vi.fn();
        render(<Day heard={heard} min="2026-03-10" />);
        await userEvent.clear(field());
        await userEvent.type(field(), '2026-03-09');
        expect(heard).toHaveBeenLastCalledWith('2026-03-13');
        expect(screen.getByRole('alert').textContent).toContain('Not before Tue 10 Mar');
    });

    it('moves by days and weeks with the arrow keys, and can be emptied where that is allowed', async () => {
        const heard = vi.fn();
        render(<Day heard={heard} optional />);
        fireEvent.keyDown(field(), { key: 'ArrowUp' });
        expect(heard).toHaveBeenLastCalledWith('2026-03-14');
        fireEvent.keyDown(field(), { key: 'ArrowDown', shiftKey: true });
        expect(heard).toHaveBeenLastCalledWith('2026-03-07');
        await userEvent.clear(field());
        expect(heard).toHaveBeenLastCalledWith('');
        expect(screen.queryByRole('alert')).toBeNull();
    });

    it('lets a day be picked from a month, none before the first that may be', async () => {
        const heard = vi.fn();
        render(<Day heard={heard} min="2026-03-10" />);
        await userEvent.click(screen.getByLabelText('Pick a day'));
        expect((await screen.findByLabelText<HTMLButtonElement>('Mon 9 Mar')).disabled).toBe(true);
        await userEvent.click(screen.getByLabelText('Tue 17 Mar'));
        expect(heard).toHaveBeenLastCalledWith('2026-03-17');
    });
});

describe('NumberField', () => {
    it('says under it what is wrong', () => {
        const { rerender } = render(<NumberField label="Quantity" value="1.5" decimals={1} unit="kg" onChange={() => undefined} />);
        expect(screen.queryByRole('alert')).toBeNull();
        rerender(<NumberField label="Quantity" value="1.5" decimals={0} unit="kg" onChange={() => undefined} />);
        expect(screen.getByRole('alert').textContent).toBe('Whole ones only.');
        expect(screen.getByLabelText('Quantity').getAttribute('aria-describedby')).toBe(screen.getByRole('alert').id);
    });
});
