import { copy } from '@/ui/copy';
import { useToasts } from '@/stores/toasts';
import { createPinia, setActivePinia } from 'pinia';
import { expect, it, vi } from 'vitest';

it.each([
    [() => Promise.resolve(), 'The link is copied.'],
    [() => Promise.reject(new Error('closed')), 'Your browser keeps its clipboard closed. The link, to copy by hand: https://x.example/'],
])('says what became of it', async (writeText, said) => {
    setActivePinia(createPinia());
    const wrote = vi.fn(writeText);
    vi.stubGlobal('navigator', { clipboard: { writeText: wrote } });
    await copy('The link', 'https://x.example/');
    vi.unstubAllGlobals();
    expect(wrote).toHaveBeenCalledWith('https://x.example/');
    expect(useToasts().toasts.map((t) => t.words)).toEqual([said]);
});
