import '../css/app.css';

import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { createInertiaApp } from '@inertiajs/react';
import type { ComponentType, ReactNode } from 'react';
import { createRoot } from 'react-dom/client';
import { Shell } from '@/layout/Shell';

interface Page {
    default: ComponentType & { layout?: (page: ReactNode) => ReactNode };
}

// what is refused is said, not asked again; a plan changes by what people do, not by time
const queries = new QueryClient({ defaultOptions: { queries: { retry: false, refetchOnWindowFocus: false } } });

const pages = import.meta.glob<Page>('./pages/**/*.tsx');

void createInertiaApp({
    title: (title) => (title ? `${title} - Yposta` : 'Yposta'),
    resolve: async (name) => {
        const load = pages[`./pages/${name}.tsx`];
        if (!load) {
            throw new Error(`There is no page ${name}`);
        }
        const page = (await load()).default;
        page.layout ??= (content) => <Shell>{content}</Shell>;
        return page;
    },
    setup({ el, App, props }) {
        createRoot(el).render(
            <QueryClientProvider client={queries}>
                <App {...props} />
            </QueryClientProvider>,
        );
    },
    progress: { color: '#1d6a51', delay: 300 },
});
