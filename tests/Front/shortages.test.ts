import { describe, expect, it } from 'vitest';
import type { FoundRemedy } from '@/lib/shapes';
import { fits, grouped } from '@/lib/shortageGroups';
import { cheaper } from '@/lib/useRemedies';
import { shortage } from './kit';

describe('the filters of shortages', () => {
    it('leave covered needs out unless they are asked for', () => {
        expect(fits(shortage({ state: 'covered' }), { state: '', q: '' })).toBe(false);
        expect(fits(shortage({ state: 'covered' }), { state: 'covered', q: '' })).toBe(true);
        expect(fits(shortage({ state: 'passed' }), { state: 'waiting', q: '' })).toBe(false);
        expect(fits(shortage({}), { state: '', q: '' })).toBe(true);
    });

    it.each(['rod', 'M-1', 'so-1/1', 'isle'])('find %s in item, order and customer', (q) => {
        expect(fits(shortage({}), { state: '', q })).toBe(true);
    });

    it('find nothing else', () => {
        expect(fits(shortage({}), { state: '', q: 'pier' })).toBe(false);
    });
});

describe('the groups of shortages', () => {
    const rows = [
        shortage({ identity: 'a', state: 'order_now' }),
        shortage({ identity: 'b', state: 'waiting', lines: ['SO-1/1 Isle Survey', 'SO-2/1 Pier 9 Supply'] }),
        shortage({ identity: 'c', state: 'passed', consumer: { label: 'M-2 HEAD', href: null }, consumerDue: null }),
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
