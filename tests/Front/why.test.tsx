// @vitest-environment jsdom
import { cleanup, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { TodayFigure } from '@/lib/shapes';
import { Causes } from '@/pages/parts/Causes';
import { FigureRow } from '@/pages/parts/FigureRow';
import { show, stubLayout } from './kit';

const http = vi.hoisted(() => ({ getJson: vi.fn() }));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...http }));

stubLayout();

const figure = (more: Partial<TodayFigure> = {}): TodayFigure => ({
    name: 'lateLines',
    label: 'Lines late',
    value: '9',
    change: '+3',
    worse: true,
    ...more,
});
const shown = (one: TodayFigure) =>
    show(
        <table>
            <tbody>
                <FigureRow figure={one} />
            </tbody>
        </table>,
    );

beforeEach(() => http.getJson.mockReset());
afterEach(() => cleanup());

describe('a figure against the plan before', () => {
    it('says why it is another when it is asked, and only then', async () => {
        const user = userEvent.setup();
        http.getJson.mockResolvedValue({
            before: '6',
            after: '9',
            causes: [
                { text: 'Sales line SO-9/1: due Fri 20 Mar', by: 'Nell Harrow', at: '2026-03-01T08:00:00Z', share: '+4', worse: true },
                { text: 'P-3308 to Mon 9 Mar', by: 'Lena Quist', at: null, share: '\u22121', worse: false },
            ],
        });
        shown(figure());
        expect(http.getJson).not.toHaveBeenCalled();
        await user.click(screen.getByRole('button', { name: 'Why Lines late +3' }));
        const list = await screen.findByRole('list', { name: 'Why Lines late is another' });
        expect(list.textContent).toContain('SO-9/1');
        expect(list.textContent).toContain('Nell Harrow');
        expect(list.textContent).not.toContain('2026-03');
        expect([...list.querySelectorAll('strong')].map((one) => one.textContent)).toEqual(['+4', '\u22121']);
        expect(String(http.getJson.mock.calls[0]?.[0])).toBe('/why?figure=lateLines');
        await user.click(screen.getByRole('button', { name: 'Why Lines late +3' }));
        expect(screen.queryByRole('list')).toBeNull();
    });

    it('is not asked where it is the same, or the first', () => {
        shown(figure({ change: 'same', worse: false }));
        shown(figure({ change: null }));
        expect(screen.queryByRole('button')).toBeNull();
    });
});

describe('what made it another plan', () => {
    it('is told change by change when somebody asks, with what each did', async () => {
        const user = userEvent.setup();
        http.getJson.mockResolvedValue({
            causes: [
                {
                    text: 'P-3308 to Mon 9 Mar',
                    by: 'Lena Quist',
                    at: '2026-03-01T08:00:00Z',
                    shares: [
                        { figure: 'Lines late', share: '\u22122', worse: false, better: true },
                        { figure: 'Proposals', share: '+1', worse: false, better: false },
                    ],
                },
            ],
        });
        show(<Causes figures={[figure()]} />);
        expect(http.getJson).not.toHaveBeenCalled();
        await user.click(screen.getByRole('button', { name: 'What made it another plan' }));
        const one = await screen.findByRole('listitem');
        expect(one.textContent).toContain('P-3308 to Mon 9 Mar');
        expect(one.textContent).toContain('lines late \u22122');
        expect(one.textContent).toContain('Lena Quist');
        expect(String(http.getJson.mock.calls[0]?.[0])).toBe('/why/all');
    });

    it('is not asked where nothing differs', () => {
        show(<Causes figures={[figure({ change: 'same' }), figure({ change: null })]} />);
        expect(screen.queryByRole('button')).toBeNull();
    });
});
