import { describe, expect, it } from 'vitest';
import { addMonths, isoOf, readDay, weeksOf } from '@/lib/dates';
import { day } from '@/lib/format';

const TODAY = '2026-03-04'; // a Wednesday

describe('readDay', () => {
    it.each([
        ['13.3', '2026-03-13'],
        ['13.3.', '2026-03-13'],
        ['13/3', '2026-03-13'],
        ['13.3.27', '2027-03-13'],
        ['13.3.2027', '2027-03-13'],
        ['3.3', '2027-03-03'],
        ['4.3', '2026-03-04'],
        ['13', '2026-03-13'],
        ['3', '2026-04-03'],
        ['13 mar', '2026-03-13'],
        ['13 march 2027', '2027-03-13'],
        ['1 feb', '2027-02-01'],
        ['fri 13 mar', '2026-03-13'],
        ['2026-03-13', '2026-03-13'],
        ['+5', '2026-03-09'],
        ['-2', '2026-03-02'],
        ['+2w', '2026-03-18'],
        ['wed', '2026-03-04'],
        ['Fri', '2026-03-06'],
        ['tuesday', '2026-03-10'],
        ['today', '2026-03-04'],
        ['tomorrow', '2026-03-05'],
        ['29.2.28', '2028-02-29'],
    ])('takes %s for %s', (text, iso) => expect(readDay(text, TODAY)).toBe(iso));

    it.each(['', 'x', '32.3', '29.2.27', '2026-13-01', '13.13', '+', '13 foo', 'friends of mine 3'])('takes %s for no day', (text) =>
        expect(readDay(text, TODAY)).toBeNull(),
    );

    it('reads back every day that it writes', () => {
        for (let n = 0; n < 800; n += 7) {
            const iso = new Date(Date.parse(`${TODAY}T00:00:00Z`) + n * 86_400_000).toISOString().slice(0, 10);
            expect(readDay(day(iso, TODAY), TODAY)).toBe(iso);
        }
    });
});

describe('the month', () => {
    it('has whole weeks from Monday that touch it', () => {
        const weeks = weeksOf('2026-03-13');
        expect(weeks[0]).toEqual(['2026-02-23', '2026-02-24', '2026-02-25', '2026-02-26', '2026-02-27', '2026-02-28', '2026-03-01']);
        expect(weeks).toHaveLength(6);
        expect(weeks.at(-1)?.[0]).toBe('2026-03-30');
        expect(weeksOf('2027-02-10')).toHaveLength(4);
    });

    it('goes to the same day of another month, or its last', () => {
        expect(addMonths('2026-01-31', 1)).toBe('2026-02-28');
        expect(addMonths('2026-03-13', -3)).toBe('2025-12-13');
        expect(addMonths('2028-02-29', 12)).toBe('2029-02-28');
    });

    it('knows which days there are', () => {
        expect(isoOf(2026, 2, 29)).toBeNull();
        expect(isoOf(2028, 2, 29)).toBe('2028-02-29');
        expect(isoOf(2026, 0, 1)).toBeNull();
    });
});
