import { readFileSync } from 'node:fs';
import { create, type Font } from 'fontkitten';

/**
 * What is needed to let a font of the visitor's device stand in for a look's font until that has come: how wide each letter is and how
 * high a line. A page stretches the device's font so that its own words are as wide in both; then nothing shifts when the font comes.
 *
 * The measures of devices' fonts are read from free ones that were drawn to them (Arimo to Arial, Tinos to Times New Roman).
 */
interface Device {
    font: string;
    /** What it is called on devices, by weight. */
    names: Record<number, string[]>;
}
const SANS: Device[] = [
    {
        font: 'arimo',
        names: { 400: ['Arial', 'Liberation Sans', 'Arimo'], 700: ['Arial Bold', 'Arial-BoldMT', 'Liberation Sans Bold', 'Arimo Bold'] },
    },
    { font: 'roboto', names: { 400: ['Roboto'], 700: ['Roboto Bold', 'Roboto-Bold'] } },
    { font: 'dejavu-sans', names: { 400: ['DejaVu Sans'], 700: ['DejaVu Sans Bold'] } },
];
const SERIF: Device[] = [
    {
        font: 'tinos',
        names: {
            400: ['Times New Roman', 'Liberation Serif', 'Tinos'],
            700: ['Times New Roman Bold', 'TimesNewRomanPS-BoldMT', 'Liberation Serif Bold', 'Tinos Bold'],
        },
    },
    { font: 'noto-serif', names: { 400: ['Noto Serif'], 700: ['Noto Serif Bold', 'NotoSerif-Bold'] } },
    { font: 'dejavu-serif', names: { 400: ['DejaVu Serif'], 700: ['DejaVu Serif Bold'] } },
];
/** Of Hebrew letters; the devices' own other fonts have them from one that is drawn alike. */
const HEBREW: Device[] = SANS.slice(0, 1);
const SERIFS = ['dm-serif-display', 'lora', 'playfair-display', 'cormorant-garamond'];

/** Ascent and descent in hundredths of an em, and the width of each letter in thousandths. */
export interface Measures {
    ascent: number;
    descent: number;
    gap: number;
    widths: Record<string, number>;
}
export interface StandInTable {
    fonts: Record<string, Record<number, Measures & { standIns: { local: string[]; font: string; weight: number }[] }>>;
    devices: Record<string, Record<number, Measures>>;
}

function measures(font: string, weight: number, letters: string, subset = 'latin'): Measures {
    const read = create(readFileSync(`node_modules/@fontsource/${font}/files/${font}-${subset}-${weight}-normal.woff2`)) as Font;
    const per = (n: number, of: number) => Math.round((n / read.unitsPerEm) * of * 100) / 100;
    return {
        ascent: per(read.ascent, 100),
        descent: per(-read.descent, 100),
        gap: per(read.lineGap, 100),
        widths: Object.fromEntries(
            [...new Set(letters)]
                .filter((c) => read.hasGlyphForCodePoint(c.codePointAt(0)!))
                .map((c) => [c, Math.round(per(read.glyphForCodePoint(c.codePointAt(0)!).advanceWidth, 1000))]),
        ),
    };
}

/**
 * @param fonts their weights by name
 * @param letters those that are measured
 */
export function standInTable(fonts: Record<string, number[]>, letters: string): StandInTable {
    const table: StandInTable = { fonts: {}, devices: {} };
    for (const [font, weights] of Object.entries(fonts)) {
        for (const weight of weights) {
            const near = weight > 500 ? 700 : 400;
            const devices = SERIFS.includes(font) ? SERIF : SANS;
            (table.fonts[font] ??= {})[weight] = {
                ...measures(font, weight, letters),
                standIns: devices.map((d) => ({ local: d.names[near]!, font: d.font, weight: near })),
            };
            for (const d of devices) {
                (table.devices[d.font] ??= {})[near] ??= measures(d.font, near, letters);
            }
        }
    }
    const hebrew = Array.from({ length: 27 }, (_, i) => String.fromCodePoint(0x5d0 + i)).join('');
    for (const weight of [400, 700]) {
        (table.fonts['noto-sans-hebrew'] ??= {})[weight] = {
            ...measures('noto-sans-hebrew', weight, hebrew, 'hebrew'),
            standIns: HEBREW.map((d) => ({ local: d.names[weight]!, font: d.font, weight })),
        };
        for (const d of HEBREW) {
            Object.assign(table.devices[d.font]![weight]!.widths, measures(d.font, weight, hebrew, 'hebrew').widths);
        }
    }
    return table;
}
