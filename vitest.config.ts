import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vitest/config';

export default defineConfig({
    plugins: [vue()],
    resolve: {
        alias: {
            '@': new URL('./resources/studio', import.meta.url).pathname,
            // As a browser gets it: what reads a file there is not what reads one in Node.
            mammoth: 'mammoth/mammoth.browser.js',
        },
    },
    test: {
        setupFiles: ['tests/Studio/setup.ts'],
        include: ['tests/Studio/**/*.test.ts'],
        environment: 'happy-dom',
        pool: 'threads',
        isolate: false,
        restoreMocks: true,
        env: { TZ: 'America/New_York' },
    },
});
