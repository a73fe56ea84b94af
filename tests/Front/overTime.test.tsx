// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { OverTime, type TimeRange, type TimeSlot } from '@/components/OverTime';

const slot = (from: string, late: number, soon: number): TimeSlot => ({
    from,
    to: from,
    parts: [
        { look: 'cover-late', count: late },
        { look: 'cover-proposal', count: soon },
    ],
    figure: late,
    figureLook: '',
    words: `${from}: ${late} late`,
});
const SLOTS = [slot('2026-03-02', 1, 0), slot('2026-03-03', 0, 4), slot('2026-03-04', 2, 2), slot('2026-03-05', 0, 0)];

function Picture() {
    const [picked, setPicked] = useState<TimeRange | null>(null);
    return (
        <>
            <OverTime label="When" slots={SLOTS} today="2026-03-02" picked={picked} onPick={setPicked} />
            <output>{picked ? `${picked.from} ${picked.to}` : 'all'}</output>
        </>
    );
}

const said = () => screen.getByRole('status').textContent;
const days = () => screen.getAllByRole('option');

afterEach(cleanup);

describe('what bites over time', () => {
    it('is drawn in proportion, nothing of what there is none of, and named by the day', () => {
        render(<Picture />);
        const heights = days().map((one) => [...one.querySelectorAll<HTMLElement>('[class*=cover-]')].map((part) => part.style.height));
        expect(heights).toEqual([['16px'], ['62px'], ['31px', '31px'], []]);
        expect(days().map((one) => one.lastElementChild?.textContent)).toEqual(['Mon 2', 'Tue 3', 'Wed 4', 'Thu 5']);
        expect(screen.getByRole('option', { name: '2026-03-04: 2 late' })).toBeTruthy();
    });

    it('is picked by drawing over days, either way, and one alone is put away again', () => {
        render(<Picture />);
        const [first, , third] = days() as [HTMLElement, HTMLElement, HTMLElement];
        fireEvent.pointerDown(third, { button: 0 });
        fireEvent.pointerEnter(first);
        expect(days().map((one) => one.getAttribute('aria-selected'))).toEqual(['true', 'true', 'true', 'false']);
        expect(said()).toBe('all');
        fireEvent.pointerUp(first);
        expect(said()).toBe('2026-03-02 2026-03-04');
        fireEvent.pointerDown(third, { button: 0 });
        fireEvent.pointerUp(third);
        expect(said()).toBe('2026-03-04 2026-03-04');
        fireEvent.pointerDown(third, { button: 0 });
        fireEvent.pointerUp(third);
        expect(said()).toBe('all');
    });

    it('is picked by key: arrows go, Shift takes along, Enter picks one, Escape none', async () => {
        const user = userEvent.setup();
        render(<Picture />);
        await user.tab();
        expect(document.activeElement).toBe(days()[0]);
        await user.keyboard('{ArrowRight}');
        expect(said()).toBe('all');
        await user.keyboard('{Shift>}{ArrowRight}{ArrowRight}{ArrowRight}{/Shift}');
        expect(said()).toBe('2026-03-03 2026-03-05');
        await user.keyboard('{Shift>}{ArrowLeft}{/Shift}');
        expect(said()).toBe('2026-03-03 2026-03-04');
        await user.keyboard('{Escape}');
        expect(said()).toBe('all');
        await user.keyboard('{Home}{Enter}');
        expect(said()).toBe('2026-03-02 2026-03-02');
        await user.keyboard('{Enter}');
        expect(said()).toBe('all');
    });
});
