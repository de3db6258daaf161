import { copyFileSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import tailwindcss from '@tailwindcss/vite';
import vue from '@vitejs/plugin-vue';
import laravel from 'laravel-vite-plugin';
import subsetFont from 'subset-font';
import { defineConfig, type Plugin } from 'vite';
import { standInTable } from './resources/fonts/standIns.ts';

/** The fonts of the looks, under names that never change: pages published long ago still find them. */
const lookFonts: Record<string, number[]> = {
    'dm-serif-display': [400],
    'dm-sans': [400, 700],
    lora: [700],
    'nunito-sans': [400, 700],
    'space-grotesk': [700],
    karla: [400, 700],
    'playfair-display': [700],
    'source-sans-3': [400, 700],
    archivo: [400, 700, 800],
    'cormorant-garamond': [700],
    'bricolage-grotesque': [800],
    figtree: [400, 700, 800],
};

/** What a western European page is written with; other letters come from the second file, when a page has them. */
const latin = [
    ...Array.from({ length: 0x7f - 0x20 }, (_, i) => String.fromCodePoint(0x20 + i)),
    ...Array.from({ length: 0x100 - 0xa0 }, (_, i) => String.fromCodePoint(0xa0 + i)),
    ...'ŒœŠšŽžŸıˆ˜–—‘’‚“”„†‡•…‹›€™−←↑→↓',
].join('');

function copyLookFonts(): Plugin {
    return {
        name: 'copy-look-fonts',
        async writeBundle() {
            const target = 'public/build/fonts';
            mkdirSync(target, { recursive: true });
            writeFileSync(join(target, 'stand-ins.json'), JSON.stringify(standInTable(lookFonts, latin)));
            for (const [font, weights] of Object.entries(lookFonts)) {
                const source = join('node_modules/@fontsource', font, 'files');
                const files = readdirSync(source);
                for (const subset of ['latin', 'latin-ext']) {
                    for (const weight of weights) {
                        const name = `${font}-${subset}-${weight}-normal.woff2`;
                        if (!files.includes(name)) {
                            continue;
                        }
                        if (subset === 'latin') {
                            // Without the features no look uses, and without instructions for screens of few pixels, which today's
                            // browsers leave aside, a page's fonts are up to a third smaller.
                            writeFileSync(
                                join(target, name),
                                await subsetFont(readFileSync(join(source, name)), latin, { targetFormat: 'woff2', noHinting: true }),
                            );
                        } else {
                            copyFileSync(join(source, name), join(target, name));
                        }
                    }
                }
            }
        },
    };
}

export default defineConfig({
    plugins: [
        laravel({
            input: [
                'resources/studio/main.ts',
                ...['base', 'points', 'proof', 'sell', 'countdown', 'pay', 'media', 'popup', 'webinar', 'share', 'entrance'].map(
                    (part) => `resources/site/${part}.css`,
                ),
                'resources/site/visitor.ts',
                'resources/site/countdown.ts',
                'resources/site/embed.ts',
                'resources/site/checkout.ts',
                'resources/site/webinar.ts',
                'resources/site/card.ts',
                'resources/site/share.ts',
                'resources/site/entrance.ts',
                'resources/site/busy.ts',
            ],
        }),
        vue(),
        tailwindcss(),
        copyLookFonts(),
    ],
    resolve: { alias: { '@': '/resources/studio' } },
    build: { chunkSizeWarningLimit: 1200 },
});
