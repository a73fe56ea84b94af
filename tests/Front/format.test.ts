import { describe, expect, it } from 'vitest';
import { addDays, day, daysBetween, inDays, isZero, longDay, period, qty, weekday } from '@/lib/format';
import { t, tn } from '@/lib/t';

describe('counts', () => {
    it('have their thousands grouped in sentences, names and numbers of things do not', () => {
        expect(tn('1 line', ':n lines', 12345)).toBe('12,345 lines');
        expect(t('Pick proposal :number, :item', { number: 12345, item: 'ROD' })).toBe('Pick proposal 12345, ROD');
    });
});

describe('quantities', () => {
    it.each([
        ['0', undefined, '0'],
        ['1234567', undefined, '1,234,567'],
        ['-1234.5', undefined, '\u22121,234.5'],
        ['12', 3, '12.000'],
        ['0.1', 3, '0.100'],
        ['9000000000000.000001', undefined, '9,000,000,000,000.000001'],
    ])('shows %s with %s decimals as %s, never as a float', (text, decimals, shown) => {
        expect(qty(text, decimals)).toBe(shown);
    });

    it.each([
        ['0', true],
        ['0.000', true],
        ['-0', true],
        ['0.001', false],
        ['10', false],
    ])('knows whether %s is zero', (text, zero) => {
        expect(isZero(text)).toBe(zero);
    });
});

describe('days', () => {
    it('says the weekday always, and the year only when it differs', () => {
        expect(day('2026-03-12')).toBe('Thu 12 Mar');
        expect(day('2026-03-12', '2026-01-01')).toBe('Thu 12 Mar');
        expect(day('2027-03-12', '2026-01-01')).toBe('Fri 12 Mar 2027');
        expect(weekday('2026-03-02')).toBe('Mon');
        expect(longDay('2026-03-02')).toBe('Monday 2 March');
    });

    it('counts over months, leap days and changes of the clock', () => {
        expect(addDays('2026-02-28', 1)).toBe('2026-03-01');
        expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
        expect(addDays('2026-03-28', 2)).toBe('2026-03-30');
        expect(addDays('2026-01-01', -1)).toBe('2025-12-31');
        expect(daysBetween('2026-03-02', '2026-03-30')).toBe(28);
        expect(daysBetween('2026-03-30', '2026-03-02')).toBe(-28);
    });

    it('says how far a day is', () => {
        expect([inDays(0), inDays(1), inDays(5), inDays(-1), inDays(-3)]).toEqual([
            'today',
            'in 1 day',
            'in 5 days',
            '1 day past',
            '3 days past',
        ]);
    });

    it('heads a period by its first day, a month by its name', () => {
        expect(period('2026-03-02', 'week')).toBe('2 Mar');
        expect(period('2026-03-01', 'month')).toBe('Mar 2026');
    });
});
