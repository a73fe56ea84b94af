// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { Refusal } from '@/lib/http';
import { useCommand } from '@/lib/useCommand';
import { useKept } from '@/lib/useKept';

afterEach(cleanup);

function wrapper({ children }: { children: ReactNode }) {
    return <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>;
}

describe('useCommand', () => {
    it('is busy until it is answered, and sends once however often it is asked', async () => {
        let answer: (text: string) => void = () => undefined;
        const send = vi.fn<(n: number) => Promise<string>>(() => new Promise<string>((resolve) => (answer = resolve)));
        const done = vi.fn();
        const { result } = renderHook(() => useCommand(send, done), { wrapper });
        act(() => result.current.send(7));
        await waitFor(() => expect(result.current.busy).toBe(true));
        act(() => result.current.send(8));
        act(() => answer('made'));
        await waitFor(() => expect(result.current.answer).toBe('made'));
        expect(send).toHaveBeenCalledTimes(1);
        expect(done.mock.calls[0]?.slice(0, 2)).toEqual(['made', 7]);
        expect(result.current.busy).toBe(false);
        act(() => result.current.clear());
        await waitFor(() => expect(result.current.answer).toBeNull());
    });

    it('says why it was refused', async () => {
        const send = () => Promise.reject(new Refusal('Somebody was faster.', 'stale', {}, 422));
        const { result } = renderHook(() => useCommand(send), { wrapper });
        act(() => result.current.send(undefined));
        await waitFor(() => expect(result.current.trouble).toBe('Somebody was faster.'));
    });

    it('shows no trouble that has been dealt with', async () => {
        const refused = vi.fn(({ reason }: Refusal) => reason === 'absurd');
        const send = () => Promise.reject(new Refusal('Is it meant?', 'absurd', {}, 422));
        const { result } = renderHook(() => useCommand(send, undefined, refused), { wrapper });
        act(() => result.current.send(undefined));
        await waitFor(() => expect(refused).toHaveBeenCalled());
        await waitFor(() => expect(result.current.busy).toBe(false));
        expect(result.current.trouble).toBeNull();
    });
});

describe('useKept', () => {
    it('keeps a value under its name, and starts anew from what cannot be read', () => {
        const first = renderHook(() => useKept('test', { n: 1 }));
        act(() => first.result.current[1]({ n: 2 }));
        expect(renderHook(() => useKept('test', { n: 1 })).result.current[0]).toEqual({ n: 2 });
        window.localStorage.setItem('yposta.test', '{');
        expect(renderHook(() => useKept('test', { n: 1 })).result.current[0]).toEqual({ n: 1 });
    });
});
