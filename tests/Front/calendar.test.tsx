// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { addDays } from '@/lib/format';
import type { CalendarDate, CalendarYear } from '@/lib/shapes';
import Calendar from '@/pages/Calendar';
import { SHARED, show, stubLayout } from './kit';

const http = vi.hoisted(() => ({ getJson: vi.fn(), postForm: vi.fn() }));
const router = vi.hoisted(() => ({ get: vi.fn() }));
const shared = vi.hoisted(() => ({ now: {} as object }));
const draft = vi.hoisted(() => ({ add: vi.fn(), busy: false, may: true, trouble: null, stamp: 0 }));

vi.mock('@inertiajs/react', () => ({
    router,
    usePage: () => ({ url: '/calendar', props: shared.now }),
    Head: () => null,
    Link: ({ href, children }: { href: string; children: React.ReactNode }) => <a href={href}>{children}</a>,
}));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...http }));
vi.mock('@/lib/draft', () => ({ useDraft: () => draft }));
vi.mock('@/layout/Shell', () => ({ Inspector: ({ children }: { children: React.ReactNode }) => <aside>{children}</aside> }));

stubLayout();

/** 2026, worked from Monday to Friday but for some days. */
function year(special: Record<string, Partial<CalendarDate>> = {}): CalendarYear {
    const months: CalendarDate[][] = Array.from({ length: 12 }, () => []);
    for (let iso = '2026-01-01'; iso < '2027-01-01'; iso = addDays(iso, 1)) {
        const works = ![0, 6].includes(new Date(`${iso}T00:00:00Z`).getUTCDay());
        months[Number(iso.slice(5, 7)) - 1]?.push({ day: iso, works, isSpecial: false, note: '', isDrafted: false, ...special[iso] });
    }
    return { code: 'WORK', year: 2026, weekdays: '12345', months, workingDays: 261, usedBy: ['Main plant'], others: ['WORK', 'OTHER'] };
}

/** The button of a day; finding it by its role would ask each of the year for its name. */
function dayOf(iso: string, says: string): HTMLButtonElement {
    const found = document.querySelector<HTMLButtonElement>(`[data-day='${iso}']`);
    expect(found?.getAttribute('aria-label')).toBe(says);
    return found as HTMLButtonElement;
}

const rows = () => draft.add.mock.calls.map(([changes]) => (changes as Record<string, unknown>[])[0]);

beforeEach(() => {
    Object.values({ ...http, ...router }).forEach((mock) => mock.mockReset());
    draft.add.mockReset().mockResolvedValue(true);
    draft.may = true;
    shared.now = SHARED;
});

afterEach(() => cleanup());

describe('a calendar', () => {
    it('makes a day another than its weekday, and that again, by click and keys', async () => {
        const user = userEvent.setup();
        show(<Calendar calendar={year({ '2026-05-01': { works: false, isSpecial: true, note: 'May Day' } })} />);
        await user.click(dayOf('2026-07-15', 'Wednesday 15 July, worked'));
        await user.keyboard('{ArrowRight}{ArrowDown}{Enter}');
        await user.click(dayOf('2026-05-01', 'Friday 1 May, closed, May Day'));
        expect(rows()).toEqual([
            {
                change: 'put_rows',
                kind: 'calendar_days',
                rows: [{ calendar: 'WORK', date: '2026-07-15', works: false, note: '' }],
                removed: [],
            },
            {
                change: 'put_rows',
                kind: 'calendar_days',
                rows: [{ calendar: 'WORK', date: '2026-07-23', works: false, note: '' }],
                removed: [],
            },
            { change: 'put_rows', kind: 'calendar_days', rows: [], removed: [['WORK', '2026-05-01']] },
        ]);
    });

    it('has one tab stop for all its days, does not leave the year, and names special days', async () => {
        const user = userEvent.setup();
        show(<Calendar calendar={year({ '2026-05-01': { works: false, isSpecial: true } })} />);
        expect(document.querySelectorAll("[data-day][tabindex='0']")).toHaveLength(1);
        dayOf('2026-01-01', 'Thursday 1 January, worked').focus();
        await user.keyboard('{ArrowLeft}');
        expect(document.activeElement?.getAttribute('data-day')).toBe('2026-01-01');
        await user.type(screen.getByLabelText('Name of Fri 1 May'), 'May Day{Enter}');
        expect(rows()[0]).toMatchObject({ rows: [{ calendar: 'WORK', date: '2026-05-01', works: false, note: 'May Day' }] });
        await user.click(screen.getByText('Sat'));
        expect(rows()[1]).toMatchObject({ kind: 'calendars', rows: [{ code: 'WORK', weekdays: '123456' }] });
        await user.click(screen.getByLabelText('The year after'));
        expect(router.get).toHaveBeenCalledWith('/calendar', { code: 'WORK', year: 2027 }, { preserveState: true });
    });

    it('says what a file would bring before it is drafted', async () => {
        const user = userEvent.setup();
        http.postForm.mockResolvedValue({
            new: 1,
            same: 2,
            partial: 3,
            some: [{ row: '2026-09-17', what: 'Founders day' }],
            change: '{"change":"put_rows"}',
        });
        show(<Calendar calendar={year()} />);
        fireEvent.change(screen.getByLabelText('Days off from an iCalendar file (.ics)'), {
            target: { files: [new File(['x'], 'days.ics')] },
        });
        await screen.findByText(/Founders day/);
        expect(draft.add).not.toHaveBeenCalled();
        await user.click(screen.getByText('Draft it for 1 day'));
        await waitFor(() => expect(draft.add).toHaveBeenCalledWith([{ change: 'put_rows' }], '1 day off brought in to WORK'));
    });

    it('is only looked at by whoever may not change it', () => {
        draft.may = false;
        show(<Calendar calendar={year()} />);
        expect(dayOf('2026-07-15', 'Wednesday 15 July, worked').disabled).toBe(true);
        expect(screen.queryByLabelText('Days off from an iCalendar file (.ics)')).toBeNull();
    });
});
