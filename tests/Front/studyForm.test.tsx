// @vitest-environment jsdom
import { cleanup, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { StudyForm } from '@/pages/parts/StudyForm';
import { SHARED, show, stubLayout } from './kit';

const http = vi.hoisted(() => ({ postJson: vi.fn() }));

vi.mock('@inertiajs/react', () => ({ Link: () => null }));
vi.mock('@/lib/shared', () => ({ useShared: () => SHARED }));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...http }));

stubLayout();
const saved = vi.fn();
const sent = () => http.postJson.mock.calls.at(-1)?.[1] as { run: boolean; changes: unknown[] };

beforeEach(() => {
    saved.mockReset();
    http.postJson.mockReset();
    http.postJson.mockResolvedValue({ id: 4, run: 9 });
    show(<StudyForm study={null} calendars={['PLANT']} onClose={() => undefined} onSaved={saved} />);
});
afterEach(cleanup);

describe('what is typed of a study and not added', () => {
    const typing = async (percent: string) => {
        const user = userEvent.setup();
        await user.type(screen.getByLabelText('Name'), 'Ten times');
        await user.selectOptions(screen.getByLabelText('Add a change'), 'More or less demand');
        if (percent !== '') {
            await user.type(screen.getByLabelText('Percent of what there is'), percent);
        }
        return user;
    };

    it('is asked about before the study is kept, and goes along when it is meant', async () => {
        const user = await typing('1000');
        await user.click(screen.getByRole('button', { name: 'Keep and plan it' }));
        expect(screen.getByRole('alert').textContent).toContain('More or less demand: 1000 is typed, but not added.');
        expect(http.postJson).not.toHaveBeenCalled();
        await user.click(screen.getByRole('button', { name: 'Add it and keep' }));
        expect(sent()).toMatchObject({ run: true, changes: [{ change: 'scale_demand', percent: 1000, items: [], customers: [] }] });
        expect(saved).toHaveBeenCalledWith(4, 9);
    });

    it('is left out when it is not meant, and stays where one goes back', async () => {
        const user = await typing('1000');
        await user.click(screen.getByRole('button', { name: 'Only keep it' }));
        await user.click(screen.getByRole('button', { name: 'Go back' }));
        expect(screen.queryByRole('alert')).toBeNull();
        expect(screen.getByLabelText<HTMLInputElement>('Percent of what there is').value).toBe('1000');
        await user.click(screen.getByRole('button', { name: 'Only keep it' }));
        await user.click(screen.getByRole('button', { name: 'Keep without it' }));
        expect(sent()).toMatchObject({ run: false, changes: [] });
    });

    it('cannot be added while a field is missing', async () => {
        const user = await typing('');
        await user.click(screen.getByRole('button', { name: 'Keep and plan it' }));
        expect(screen.getByRole('alert').textContent).toContain('More or less demand is chosen, but not filled in.');
        expect(screen.queryByRole('button', { name: 'Add it and keep' })).toBeNull();
        expect(http.postJson).not.toHaveBeenCalled();
    });

    it('is not asked about once it was added', async () => {
        const user = await typing('90{Enter}');
        expect(screen.getByText('More or less demand: 90')).toBeTruthy();
        await user.click(screen.getByRole('button', { name: 'Keep and plan it' }));
        expect(sent()).toMatchObject({ changes: [{ change: 'scale_demand', percent: 90 }] });
    });
});
