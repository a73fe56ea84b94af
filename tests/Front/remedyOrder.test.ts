import { describe, expect, it } from 'vitest';
import type { FoundRemedy } from '@/lib/shapes';
import { cheaper } from '@/lib/useRemedies';

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
