// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Refusal } from '@/lib/http';
import type { PromisedItem, PromiseReply } from '@/lib/shapes';
import { PromiseAnswer } from '@/pages/parts/PromiseAnswer';
import type { Asked } from '@/pages/parts/PromiseForm';
import { SHARED, show, stubLayout } from './kit';

const http = vi.hoisted(() => ({ postJson: vi.fn() }));

vi.mock('@inertiajs/react', () => ({
    Link: ({ href, children }: { href: string; children: React.ReactNode }) => <a href={href}>{children}</a>,
}));
vi.mock('@/lib/shared', () => ({ useShared: () => SHARED }));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...http }));

const item: PromisedItem = {
    of: 'stock:HEAD@MAIN',
    item: 'HEAD',
    name: 'Head',
    site: 'MAIN',
    unit: 'pc',
    decimals: 0,
    qty: '20',
    earliest: '2026-03-11',
    onDate: '10',
    split: [
        { qty: '10', day: '2026-03-03' },
        { qty: '10', day: '2026-03-11' },
    ],
    decidedBy: 'ROD: lead time 5, time left 4 days',
    strip: null,
    sources: [],
};

const answer: PromiseReply = { items: [item], together: false, day: null, decidedBy: null, hits: [], from: '2026-03-03' };

const asked: Asked = {
    wishes: [{ of: 'stock:HEAD@MAIN', label: 'HEAD', item: 'HEAD', site: 'MAIN', qty: '20', unit: 'pc', decimals: 0 }],
    wished: '2026-03-03',
    customer: 'Coastal Trust',
    order: '',
    together: false,
    regardless: false,
    capacity: true,
    of: '',
};

const put = (more: { answer?: PromiseReply; may?: boolean } = {}) => {
    const done = vi.fn();
    show(<PromiseAnswer asked={asked} answer={more.answer ?? answer} may={more.may ?? true} onDone={done} onAskAgain={vi.fn()} />);
    return done;
};

interface Sent {
    lines: { qty: string; date: string }[];
    agreed: string[];
    byHand?: boolean;
    until?: string;
}

const sent = (call = 0) => http.postJson.mock.calls[call]?.[1] as Sent;

beforeEach(() => {
    stubLayout();
    http.postJson.mockReset().mockResolvedValue({ message: 'done' });
});

afterEach(cleanup);

describe('the answer of a promise', () => {
    it('says the day and why not sooner, and holds in two parts by key', async () => {
        const done = put();
        screen.getByText('Wed 11 Mar');
        screen.getByText('not sooner: ROD: lead time 5, time left 4 days');
        screen.getByText('To Coastal Trust: We can deliver 20 pc HEAD (Head) by Wed 11 Mar.');
        fireEvent.click(screen.getByLabelText(/10 pc Tue 3 Mar, 10 pc Wed 11 Mar/));
        fireEvent.keyDown(document.body, { key: 'h' });
        await waitFor(() => expect(done).toHaveBeenCalledOnce());
        expect(http.postJson.mock.calls[0]?.[0]).toBe('/promise/hold');
        expect(sent().lines.map((line) => [line.qty, line.date])).toEqual([
            ['10', '2026-03-03'],
            ['10', '2026-03-11'],
        ]);
        expect(sent().until).toBe('2026-03-09');
    });

    it('accepts another day only by hand, and never holds it', async () => {
        put();
        fireEvent.click(screen.getByLabelText('another day, by hand'));
        expect(screen.getByRole<HTMLButtonElement>('button', { name: /^Hold until/ }).disabled).toBe(true);
        fireEvent.click(screen.getByRole('button', { name: /^Accept by hand/ }));
        await waitFor(() => expect(http.postJson).toHaveBeenCalledOnce());
        expect([sent().byHand, sent().lines[0]?.date]).toEqual([true, '2026-03-03']);
    });

    it('shows who comes later when that was found out meanwhile, and goes on only once it was agreed', async () => {
        const hit = { reference: 'sales:S1/1', label: 'S1/1', customer: 'Pier 9', item: 'HEAD', unit: 'pc' };
        http.postJson.mockRejectedValueOnce(
            new Refusal(
                'Others would come later for it: S1/1 Pier 9.',
                'hits',
                { hits: [{ ...hit, before: '2026-03-05', after: '2026-03-09', days: 4, missing: '0', href: '/demand' }] },
                422,
            ),
        );
        put();
        fireEvent.click(screen.getByRole('button', { name: /^Accept/ }));
        await screen.findByText('1 other line would come later for it');
        screen.getByText('4 days later');
        expect(screen.getByRole<HTMLButtonElement>('button', { name: /^Accept/ }).disabled).toBe(true);
        fireEvent.click(screen.getByLabelText('They may come later'));
        fireEvent.click(screen.getByRole('button', { name: /^Accept/ }));
        await waitFor(() => expect(http.postJson).toHaveBeenCalledTimes(2));
        expect(sent(1).agreed).toEqual(['sales:S1/1']);
    });

    it('offers nothing to those who may not promise', () => {
        put({ may: false });
        expect(screen.queryByRole('button', { name: /^Accept/ })).toBeNull();
        fireEvent.keyDown(document.body, { key: 'a' });
        expect(http.postJson).not.toHaveBeenCalled();
    });
});
