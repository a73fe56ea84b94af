import { defineConfig } from 'vitest/config';

// the front end's own logic, without a browser, in part on a document of jsdom; what people see is tested in one by tests/Browser
export default defineConfig({
    resolve: { alias: { '@': '/resources/js' } },
    test: {
        testTimeout: 20_000, // a machine that does other things as well is slow, not wrong
        include: ['tests/Front/**/*.test.{ts,tsx}'],
        environment: 'node',
        // rows of a virtual grid are drawn once they are measured, which no test asks for
        onConsoleLog: (log) => !log.includes('was not wrapped in act'),
    },
});
