import { describe, expect, it } from 'vitest';
import type { FoundRemedy, ShortageRow } from '@/lib/shapes';
import { fits, grouped } from '@/lib/shortageGroups';
import { cheaper } from '@/lib/useRemedies';

function row(changes: Partial<ShortageRow>): ShortageRow {
    return {
        identity: 'part:M-1/10',
        state: 'waiting',
        item: 'ROD',
        name: 'Rod',
        site: 'MAIN',
        unit: 'pcs',
        qty: '5',
        short: '3',
        consumer: { label: 'M-1 HEAD', href: null },
        consumerDue: '2026-03-12',
        date: '2026-03-10',
        orderBy: null,
        daysPast: 0,
        expected: null,
        lateDays: 0,
        strip: { parts: [], complete: null, tooLate: false, unit: 'pcs' },
        hits: ['Isle Survey'],
        lines: ['SO-1/1 Isle Survey'],
        served: '',
        subject: null,
        reference: 'part:M-1/10',
        accepted: null,
        ...changes,
    };
}

describe('the filters of shortages', () => {
    it('leave covered needs out unless they are asked for', () => {
        expect(fits(row({ state: 'covered' }), { state: '', q: '' })).toBe(false);
        expect(fits(row({ state: 'covered' }), { state: 'covered', q: '' })).toBe(true);
        expect(fits(row({ state: 'passed' }), { state: 'waiting', q: '' })).toBe(false);
        expect(fits(row({}), { state: '', q: '' })).toBe(true);
    });

    it.each(['rod', 'M-1', 'so-1/1', 'isle'])('find %s in item, order and customer', (q) => {
        expect(fits(row({}), { state: '', q })).toBe(true);
    });

    it('find nothing else', () => {
        expect(fits(row({}), { state: '', q: 'pier' })).toBe(false);
    });
});

describe('the groups of shortages', () => {
    const rows = [
        row({ identity: 'a', state: 'order_now' }),
        row({ identity: 'b', state: 'waiting', lines: ['SO-1/1 Isle Survey', 'SO-2/1 Pier 9 Supply'] }),
        row({ identity: 'c', state: 'passed', consumer: { label: 'M-2 HEAD', href: null }, consumerDue: null }),
    ];
    const shape = (by: string) => grouped(rows, by).map((group) => [group.key, group.rows.map((one) => one.identity)]);

    it('stand by what they wait for, the worst first', () => {
        expect(shape('component')).toEqual([
            ['waiting', ['b']],
            ['passed', ['c']],
            ['order_now', ['a']],
        ]);
    });

    it('stand by the order that needs them, two proposals of one item apart', () => {
        expect(shape('order')).toEqual([
            ['M-1 HEAD, Thu 12 Mar', ['a', 'b']],
            ['M-2 HEAD', ['c']],
        ]);
    });

    it('stand under each sales line that they are for', () => {
        expect(shape('customer')).toEqual([
            ['SO-1/1 Isle Survey', ['a', 'b', 'c']],
            ['SO-2/1 Pier 9 Supply', ['b']],
        ]);
    });
});

describe('remedies', () => {
    const found = (title: string, cost: number[]) => ({ row: { title }, cost }) as unknown as FoundRemedy;

    it('come by what they cost others, place by place', () => {
        const list = [
            found('hurts', [0, 3, -5]),
            found('does not solve', [1, 0, -9]),
            found('best', [0, 0, -3]),
            found('next', [0, 0, -1]),
        ];
        expect(list.sort(cheaper).map((one) => one.row.title)).toEqual(['best', 'next', 'hurts', 'does not solve']);
    });
});
