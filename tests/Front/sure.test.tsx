// @vitest-environment jsdom
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { Refusal } from '@/lib/http';
import { useSure } from '@/lib/useSure';

const post = vi.fn<(sure: boolean) => Promise<string>>();

function Typing() {
    const [ask, asking] = useSure('Draft it so', 'Nothing has been drafted yet.');
    const [said, setSaid] = useState('');
    const type = () =>
        void ask(post).then(
            (answer) => setSaid(answer),
            (cause: unknown) => setSaid(cause instanceof Error ? cause.message : ''),
        );
    return (
        <>
            <button type="button" onClick={type}>
                Type
            </button>
            <output>{said}</output>
            {asking}
        </>
    );
}

const far = () => Promise.reject(new Refusal('Far off.', 'absurd', { lines: ['ROD: 370,000 instead of 4'] }, 422));

afterEach(cleanup);

describe('a quantity far from what stood there', () => {
    it('is asked about, and sent again when it is meant', async () => {
        const user = userEvent.setup();
        post.mockReset().mockImplementation((sure) => (sure ? Promise.resolve('done') : far()));
        render(<Typing />);
        await user.click(screen.getByText('Type'));
        expect((await screen.findByRole('dialog')).textContent).toContain('ROD: 370,000 instead of 4');
        await user.click(screen.getByRole('button', { name: 'Draft it so' }));
        await waitFor(() => expect(screen.getByRole('status').textContent).toBe('done'));
        expect(post.mock.calls).toEqual([[false], [true]]);
        expect(screen.queryByRole('dialog')).toBeNull();
    });

    it('is not sent again when it is not, by key', async () => {
        const user = userEvent.setup();
        post.mockReset().mockImplementation(far);
        render(<Typing />);
        await user.click(screen.getByText('Type'));
        await screen.findByRole('dialog');
        await user.keyboard('{Enter}'); // the focus is on going back
        await waitFor(() => expect(screen.getByRole('status').textContent).toBe('Far off.'));
        expect(post.mock.calls).toEqual([[false]]);
    });

    it('leaves other refusals alone', async () => {
        const user = userEvent.setup();
        post.mockReset().mockRejectedValue(new Refusal('Not yours.', 'forbidden', {}, 422));
        render(<Typing />);
        await user.click(screen.getByText('Type'));
        await waitFor(() => expect(screen.getByRole('status').textContent).toBe('Not yours.'));
        expect(screen.queryByRole('dialog')).toBeNull();
    });
});
