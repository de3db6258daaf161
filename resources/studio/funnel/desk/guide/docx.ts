/** A Word document is no longer than this, in bytes; its pictures are not needed. */
const MOST = 20_000_000;

/**
 * The text of a Word document as HTML, by what its styles are called. Macros are never run and pictures left out. What is no such
 * document is a RangeError whose message can be shown.
 */
export async function docxHtml(file: File): Promise<string> {
    if (file.size > MOST) {
        throw new RangeError('This document is too large: 20 MB at most. Please make it smaller, or paste its text.');
    }
    const { default: mammoth } = await import('mammoth');
    try {
        const arrayBuffer = await file.arrayBuffer();
        const { value } = await mammoth.convertToHtml(
            { arrayBuffer },
            {
                styleMap: ["p[style-name='Title'] => h1:fresh", "p[style-name='Subtitle'] => p:fresh"],
                convertImage: mammoth.images.imgElement(() => Promise.resolve({ src: '' })),
            },
        );
        return value.replace(/<img[^>]*>/g, '');
    } catch {
        throw new RangeError('This Word document cannot be read: it may be damaged, or of an older kind. Please save it anew as .docx.');
    }
}
