import { defineConfig } from 'vite';

/** The script of pop-ups: one file that needs no other, since it runs on pages that are not ours. */
export default defineConfig({
    publicDir: false,
    build: {
        outDir: 'public/build',
        emptyOutDir: false,
        manifest: 'popup-manifest.json',
        rollupOptions: {
            input: 'resources/site/popup.ts',
            output: { format: 'iife', entryFileNames: 'assets/popup-[hash].js' },
        },
    },
});
