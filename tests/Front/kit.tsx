import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, type RenderResult } from '@testing-library/react';
import type { ReactElement, ReactNode } from 'react';
import { vi } from 'vitest';
import type { DataField, Shared, ShortageRow, Strip } from '@/lib/shapes';

/** What the browser has and jsdom has not: sizes that change. */
export function stubLayout(): void {
    vi.stubGlobal(
        'ResizeObserver',
        class {
            observe() {}
            unobserve() {}
            disconnect() {}
        },
    );
}

/** Stands in for the root of the application: a cache of its own for what is asked. */
export function Queries({ children }: { children: ReactNode }) {
    return (
        <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>{children}</QueryClientProvider>
    );
}

export function show(element: ReactElement): RenderResult {
    const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
    return render(element, { wrapper: ({ children }) => <QueryClientProvider client={client}>{children}</QueryClientProvider> });
}

export const SHARED: Shared & { trouble: string | null } = {
    user: { name: 'Ivo Marrow', role: 'planner', can: ['make studies', 'edit forecast', 'hold supply', 'run plan'] },
    sites: [{ code: 'OSK', name: 'Oskarhaven works' }],
    site: '',
    plan: {
        id: 7,
        finishedAt: '2026-03-02T06:00:00Z',
        changes: 0,
        planDate: '2026-03-02',
        madeFor: '2026-03-02',
        running: null,
        study: null,
        leavesOut: null,
        countsUnsent: true,
    },
    changes: [],
    touched: [],
    studies: [],
    countedForecasts: [],
    forecastNames: ['BASE'],
    draft: { lines: 0, version: 0, others: [] },
    counts: { proposals: 0, messages: 0 },
    trouble: null,
};

export const COVERED: Strip = { parts: [{ kind: 'stock', share: 1000, qty: '5' }], complete: '2026-03-10', tooLate: false, unit: 'pcs' };

/** The text of what has the focus. */
export function focused(): string {
    return document.activeElement?.textContent ?? '';
}

/** A component that runs short, with what differs. */
export function shortage(changes: Partial<ShortageRow>): ShortageRow {
    return {
        identity: 'part:M-1/10',
        state: 'waiting',
        item: 'ROD',
        name: 'Rod',
        site: 'MAIN',
        unit: 'pcs',
        qty: '5',
        short: '3',
        consumer: { label: 'M-1 HEAD', href: null },
        consumerDue: '2026-03-12',
        date: '2026-03-10',
        orderBy: null,
        daysPast: 0,
        expected: null,
        lateDays: 0,
        strip: { parts: [], complete: null, tooLate: false, unit: 'pcs' },
        hits: ['Isle Survey'],
        lines: ['SO-1/1 Isle Survey'],
        served: '',
        subject: null,
        reference: 'part:M-1/10',
        because: 'P-3308 comes Tue 10 Mar, 6 days late',
        group: '20514',
        accepted: null,
        ...changes,
    };
}

/** A column of a kind of data. */
export const field = (name: string, label: string, type: DataField['type'], more: Partial<DataField> = {}): DataField => ({
    name,
    label,
    type,
    choices: [],
    of: null,
    isNeeded: false,
    isKey: false,
    usual: '',
    ...more,
});
