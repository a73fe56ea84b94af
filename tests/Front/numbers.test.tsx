// @vitest-environment jsdom
import { cleanup, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { NumberField } from '@/components/NumberField';
import { grouped, swapped } from '@/lib/digits';
import { qty } from '@/lib/format';
import { hours } from '@/lib/load';
import { readQuantity } from '@/lib/quantities';
import type { OutlineLine } from '@/lib/shapes';
import { LineQuantity } from '@/pages/parts/LineQuantity';
import { show, stubLayout } from './kit';

stubLayout();

beforeEach(() => {
    document.documentElement.dataset.numbers = 'comma';
});
afterEach(() => {
    cleanup();
    delete document.documentElement.dataset.numbers;
});

/** A field, and what is read of it. */
function Amount({ start, tell }: { start: string; tell: (value: string | null) => void }) {
    const [text, setText] = useState(start);
    tell(readQuantity(text, 3).value);
    return <NumberField value={text} decimals={3} label="Amount" onChange={setText} />;
}

describe('numbers with a comma', () => {
    it('are written so', () => {
        expect([grouped(1234567), qty('1234.5', 2), qty('-0.125'), hours(6_096)]).toEqual([
            '1.234.567',
            '1.234,50',
            '\u22120,125',
            '101,6',
        ]);
    });

    it('change places on their way in and out, and only there', () => {
        expect([swapped('1.234,5'), swapped('1,234.5'), swapped('+5 %')]).toEqual(['1,234.5', '1.234,5', '+5 %']);
        delete document.documentElement.dataset.numbers;
        expect([swapped('1.234,5'), qty('1234.5'), grouped(1234)]).toEqual(['1.234,5', '1,234.5', '1,234']);
    });

    it('are read as they are written where they are typed: what stood there first, too', async () => {
        const user = userEvent.setup();
        const tell = vi.fn();
        show(<Amount start="1.234" tell={tell} />);
        const field = screen.getByLabelText<HTMLInputElement>('Amount');
        expect(field.value).toBe('1,234'); // a bit more than one
        expect(tell).toHaveBeenLastCalledWith('1.234');
        for (const [typed, read] of [
            ['1,2', '1.2'],
            ['1,200', '1.2'],
            ['1.200', '1200'],
            ['1.200,5', '1200.5'],
            ["1'200,5", '1200.5'],
            ['0,0001', null],
        ] as const) {
            await user.clear(field);
            await user.type(field, typed);
            expect(field.value).toBe(typed);
            expect(tell).toHaveBeenLastCalledWith(read);
        }
    });

    it('are sent as they are kept', async () => {
        const user = userEvent.setup();
        const onSet = vi.fn();
        const line = { component: 'GLUE', values: { qty: '0.25' } } as unknown as OutlineLine;
        show(
            <table>
                <tbody>
                    <tr data-row tabIndex={-1}>
                        <td>
                            <LineQuantity line={line} onSet={onSet} onBack={vi.fn()} />
                        </td>
                    </tr>
                </tbody>
            </table>,
        );
        const field = screen.getByLabelText<HTMLInputElement>('Quantity of GLUE');
        expect(field.value).toBe('0,25');
        await user.clear(field);
        await user.type(field, '0,5{Enter}');
        expect(onSet).toHaveBeenCalledWith('0.5');
    });
});
