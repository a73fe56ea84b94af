// @vitest-environment jsdom
import { describe, expect, it, vi } from 'vitest';
import { commands } from '@/layout/SearchPalette';

vi.mock('@inertiajs/react', () => ({ router: {} }));

describe('places to go', () => {
    it.each([
        ['purchase', 'Open orders'],
        ['exceptions', 'Messages to work through'],
        ['what if', 'New study'],
        ['who changed', 'Journal'],
        ['DELIVERY date', 'When is it complete?'],
        ['password', 'Your account'],
        ['short', 'Shortages'],
        ['projects', 'Jobs'],
        ['profit', 'Costs and margins'],
        ['import', 'Data'],
    ])('are found by the words that people use: %s', (typed, label) => {
        expect(commands(typed).map((one) => one.label)).toContain(label);
    });

    it('are not found by the inside of a word', () => {
        expect(commands('assword')).toEqual([]);
        expect(commands('purchase scenario')).toEqual([]);
    });
});
