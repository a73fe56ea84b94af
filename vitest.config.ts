import { defineConfig } from 'vitest/config';

// the front end's own logic, without a browser, in part on a document of jsdom; what people see is tested in one by tests/Browser
export default defineConfig({
    resolve: { alias: { '@': '/resources/js' } },
    test: {
        include: ['tests/Front/**/*.test.{ts,tsx}'],
        environment: 'node',
        // rows of a virtual grid are drawn once they are measured, which no test asks for
        onConsoleLog: (log) => !log.includes('was not wrapped in act'),
    },
});
