// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { CauseStrip } from '@/components/CauseStrip';
import { CoverStrip } from '@/components/CoverStrip';
import type { CoverKind, Strip } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { COVERS, MESSAGE_KINDS, NEED_STATES, ORDER_KINDS } from '@/lib/words';

afterEach(cleanup);

const strip = (parts: [CoverKind, number, string][], more: Partial<Strip> = {}): Strip => ({
    parts: parts.map(([kind, share, qty]) => ({ kind, share, qty })),
    complete: '2026-03-13',
    tooLate: false,
    unit: 'pcs',
    ...more,
});

describe('CoverStrip', () => {
    it('says in words what it draws, for everybody alike', () => {
        render(
            <CoverStrip
                strip={strip([
                    ['stock', 250, '5'],
                    ['late', 750, '15'],
                ])}
            />,
        );
        expect(screen.getByRole('img').getAttribute('aria-label')).toBe('5 pcs from stock, 15 pcs too late; complete Fri 13 Mar');
        const parts = Array.from(screen.getByRole('img').children) as HTMLElement[];
        expect(parts.map((part) => part.style.flexGrow)).toEqual(['250', '750']);
        expect(parts.map((part) => part.className.split(' ')[0])).toEqual(['cover-stock', 'cover-late']);
    });

    it('shows the day when it is asked to, and marks one that is too late with more than a colour', () => {
        const { rerender } = render(<CoverStrip strip={strip([['order', 1000, '20']])} />);
        expect(screen.queryByText('Fri 13 Mar')).toBeNull();
        rerender(<CoverStrip strip={strip([['late', 1000, '20']], { tooLate: true })} showDate />);
        expect(screen.getByText(/Fri 13 Mar/).textContent).toBe('! Fri 13 Mar');
    });

    it('has no day where part of it is covered by nothing', () => {
        render(<CoverStrip strip={strip([['nothing', 1000, '20']], { complete: null })} showDate />);
        expect(screen.getByRole('img').getAttribute('aria-label')).toBe('20 pcs not covered');
    });
});

describe('CauseStrip', () => {
    it('gives what is for nobody to the stock rule', () => {
        render(<CauseStrip causes={{ sales: 500, forecast: 250 }} />);
        expect(screen.getByRole('img').getAttribute('aria-label')).toBe('50 % for sales, 25 % for forecast, 25 % for the stock rule');
        expect(screen.getByRole('img').children).toHaveLength(3);
    });

    it('draws nothing for a share that is none', () => {
        render(<CauseStrip causes={{ sales: 1000, forecast: 0 }} />);
        expect(screen.getByRole('img').children).toHaveLength(1);
    });
});

describe('the words', () => {
    it('fill in what they are given, and leave what they are not', () => {
        expect(t('in :n days', { n: 3 })).toBe('in 3 days');
        expect(t('in :n days')).toBe('in :n days');
        expect(tn('in 1 day', 'in :n days', 1)).toBe('in 1 day');
        expect(tn('in 1 day', 'in :n days', 2)).toBe('in 2 days');
    });

    it('differ for what differs', () => {
        for (const words of [COVERS, MESSAGE_KINDS, NEED_STATES, ORDER_KINDS]) {
            const said = Object.values(words);
            expect(new Set(said).size).toBe(said.length);
            said.forEach((word) => expect(t(word)).not.toBe(''));
        }
    });
});
