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

/** Letters that a language has beside these, as FontFiles.php knows them. */
const letters: Record<string, string> = { pl: 'ĄąĆćĘęŁłŃńŚśŹźŻż' };

/** What a language with letters of its own needs of the first file, as FontFiles.php knows it. */
const plain = [...Array.from({ length: 0x7f - 0x20 }, (_, i) => String.fromCodePoint(0x20 + i)), ...'\u00a0§«°·»×Óó–—‘’‚“”„†‡•…‹›€−'].join(
    '',
);

/** Of the font for Hebrew letters: what stands between words, so that a page without a Latin letter needs no Latin font. */
const signs = [
    ...Array.from({ length: 0x7f - 0x20 }, (_, i) => String.fromCodePoint(0x20 + i)).filter((c) => !/[A-Za-z]/.test(c)),
    ...Array.from({ length: 0xc0 - 0xa0 }, (_, i) => String.fromCodePoint(0xa0 + i)),
    ...'×–—‘’‚“”„†‡•…‹›€−',
].join('');

/** Without the features no look uses, and without instructions for screens of few pixels, which today's browsers leave aside. */
const cut = (file: string, text: string) => subsetFont(readFileSync(file), text, { targetFormat: 'woff2', noHinting: true });

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
                for (const weight of weights) {
                    const file = (subset: string) => `${font}-${subset}-${weight}-normal.woff2`;
                    // A page's fonts are up to a third smaller for it.
                    writeFileSync(join(target, file('latin')), await cut(join(source, file('latin')), latin));
                    writeFileSync(join(target, file('plain')), await cut(join(source, file('latin')), plain));
                    if (files.includes(file('latin-ext'))) {
                        copyFileSync(join(source, file('latin-ext')), join(target, file('latin-ext')));
                        for (const [language, more] of Object.entries(letters)) {
                            writeFileSync(join(target, file(language)), await cut(join(source, file('latin-ext')), more));
                        }
                    }
                }
            }
            const hebrew = 'node_modules/@fontsource/noto-sans-hebrew/files';
            for (const weight of [400, 700]) {
                const name = (subset: string) => `noto-sans-hebrew-${subset}-${weight}-normal.woff2`;
                copyFileSync(join(hebrew, name('hebrew')), join(target, name('hebrew')));
                writeFileSync(join(target, name('signs')), await cut(join(hebrew, name('latin')), signs));
            }
        },
    };
}

export default defineConfig({
    plugins: [
        laravel({
            input: [
                'resources/studio/main.ts',
                ...['base', 'points', 'proof', 'sell', 'countdown', 'pay', 'media', 'popup', 'webinar', 'share', 'entrance', 'guide'].map(
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
                'resources/site/guide.ts',
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
