import { describe, expect, it } from 'vitest';
import { readQuantity, restOf } from '@/lib/quantities';

describe('readQuantity', () => {
    it.each([
        ['12', 0, '12'],
        ['012', 0, '12'],
        ['1,5', 1, '1.5'],
        ['1.50', 1, '1.5'],
        ['1,234', 0, '1234'],
        ['1,234.5', 2, '1234.5'],
        ["1'234", 0, '1234'],
        ['1 234', 0, '1234'],
        ['.5', 1, '0.5'],
        ['0', 0, '0'],
        ['123456789012', 0, '123456789012'],
        ['0.000001', 6, '0.000001'],
    ])('takes %s with %i decimals for %s', (text, decimals, value) => expect(readQuantity(text, decimals)).toEqual({ value, wrong: null }));

    it.each([
        ['-1', 0, 'This is no quantity.'],
        ['a', 0, 'This is no quantity.'],
        ['1.2.3', 3, 'This is no quantity.'],
        ['.', 2, 'This is no quantity.'],
        ['1.5', 0, 'Whole ones only.'],
        ['1.234', 2, 'At most 2 decimals.'],
        ['1234567890123', 0, 'This is too much.'],
    ])('says what is wrong with %s', (text, decimals, wrong) => expect(readQuantity(text, decimals)).toEqual({ value: null, wrong }));

    it('takes an empty field for none', () => expect(readQuantity('  ', 0)).toEqual({ value: null, wrong: null }));
});

describe('restOf', () => {
    it('is exact, and nothing where all is taken', () => {
        expect(restOf('10', '0.000001')).toBe('9.999999');
        expect(restOf('8', '3')).toBe('5');
        expect(restOf('8', '8')).toBeNull();
        expect(restOf('8', '9')).toBeNull();
    });
});
