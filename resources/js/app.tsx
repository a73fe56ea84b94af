import '../css/app.css';

import { createInertiaApp } from '@inertiajs/react';
import type { ComponentType, ReactNode } from 'react';
import { createRoot } from 'react-dom/client';
import { Shell } from '@/layout/Shell';

interface Page {
    default: ComponentType & { layout?: (page: ReactNode) => ReactNode };
}

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
        createRoot(el).render(<App {...props} />);
    },
    progress: { color: '#1d6a51', delay: 300 },
});
