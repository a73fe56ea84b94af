import { defineConfig } from 'vitest/config';

// the front end's own logic, without a browser, in part on a document of jsdom; what people see is tested in one by tests/Browser
export default defineConfig({
    resolve: { alias: { '@': '/resources/js' } },
    test: { include: ['tests/Front/**/*.test.{ts,tsx}'], environment: 'node' },
});
