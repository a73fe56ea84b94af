import { describe, expect, it } from 'vitest';
import { sumOf } from '@/lib/quantities';
import type { ProposalRow } from '@/lib/shapes';
import { mergedOf } from '@/pages/parts/proposalSums';

const row = (number: number, more: Partial<ProposalRow>): ProposalRow =>
    ({ number, kind: 'buy', item: 'ROD', site: 'OSK', supplier: 'SUP', qty: '10', wanted: '2026-03-20', ...more }) as ProposalRow;

describe('sums of quantities', () => {
    it.each([
        [[], '0'],
        [['1', '2'], '3'],
        [['0.1', '0.2'], '0.3'],
        [['9007199254740993', '0.000001'], '9007199254740993.000001'],
        [['2.5', '2.5'], '5'],
    ])('are exact: %j', (quantities, sum) => {
        expect(sumOf(quantities)).toBe(sum);
    });
});

describe('several proposals of one item', () => {
    it('become the first of them, in all that is picked, as it was typed', () => {
        const rows = [row(3, { wanted: '2026-03-25' }), row(1, {}), row(2, { qty: '2.5', wanted: '2026-03-22' }), row(4, { item: 'GLUE' })];
        const merged = mergedOf(rows, new Map([[3, { qty: '20' }]]));
        expect(merged?.quantities).toEqual(new Map([[1, '32.5']]));
        expect(merged?.rest).toEqual([2, 3]);
    });

    it('stay apart where they are for another site or from another supplier', () => {
        expect(mergedOf([row(1, {}), row(2, { site: 'LIN' })], new Map())).toBeNull();
        expect(mergedOf([row(1, {}), row(2, {})], new Map([[2, { way: 'buy:OTHER' }]]))).toBeNull();
        expect(mergedOf([row(1, {})], new Map())).toBeNull();
    });
});
