import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';

// the words are those of English; `vite build --mode xx` takes those of lang/xx.json
export default defineConfig(({ mode }) => ({
    plugins: [laravel({ input: ['resources/js/app.tsx'], refresh: true }), react(), tailwindcss()],
    resolve: {
        alias: [
            { find: '@', replacement: '/resources/js' },
            { find: /^.*\/lang\/en\.json$/, replacement: `/lang/${['production', 'development'].includes(mode) ? 'en' : mode}.json` },
        ],
    },
    build: { chunkSizeWarningLimit: 700 },
}));
