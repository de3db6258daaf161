import { againSentence, readingSentence, stopSentence, timeWords, toRead } from '@/funnel/desk/guide/words';
import { docxHtml } from '@/funnel/desk/guide/docx';
import type { GuideNumbers } from '@/api/types';
import JSZip from 'jszip';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Answers } from '../../resources/site/guide/answers';
import { QUIET, Watch, type Seen } from '../../resources/site/guide/attention';

describe('what is watched of a page of a guide', () => {
    /** What happens at which second: a page is opened, somebody is there (+), or the tab is behind (-). */
    const told = (happens: Record<number, string>, seconds: number, scrolled = 10): Seen[] => {
        const watch = new Watch(0);
        let visible = true;
        for (let s = 0; s <= seconds; s++) {
            watch.tick(s * 1000, visible, scrolled);
            const what = happens[s] ?? '';
            if (what === '+') {
                watch.sign(s * 1000);
            } else if (what === '-' || what === '*') {
                visible = what === '*';
            } else if (what !== '') {
                watch.turn(what, s * 1000);
            }
        }
        return watch.take();
    };

    it.each<[string, Record<number, string>, number, Seen[]]>([
        ['nothing before a page is open', {}, 20, []],
        ['a page, second by second', { 0: 'a' }, 20, [['a', 0, 20, 10]]],
        [
            'each page its own',
            { 0: 'a', 5: 'b', 9: 'a' },
            20,
            [
                ['a', 0, 5, 10],
                ['b', 5, 9, 10],
                ['a', 9, 20, 10],
            ],
        ],
        ['no more than a minute without a sign', { 0: 'a' }, 200, [['a', 0, 60, 10]]],
        [
            'and again from the next sign on',
            { 0: 'a', 100: '+' },
            130,
            [
                ['a', 0, 60, 10],
                ['a', 100, 130, 10],
            ],
        ],
        ['on and on while somebody is there', { 0: 'a', 50: '+', 100: '+' }, 170, [['a', 0, 160, 10]]],
        [
            'nothing in a tab behind',
            { 0: 'a', 10: '-', 30: '*' },
            40,
            [
                ['a', 0, 10, 10],
                ['a', 30, 40, 10],
            ],
        ],
        ['nothing in place of what is locked', { 0: 'a', 5: '-', 6: '' }, 20, [['a', 0, 5, 10]]],
    ])('is %s', (_, happens, seconds, seen) => expect(told(happens, seconds)).toEqual(seen));

    it('is not while the machine sleeps', () => {
        const watch = new Watch(0);
        watch.turn('a', 0);
        watch.tick(5000, true, 50);
        watch.tick(50_000, true, 50);
        watch.tick(51_000, true, 50);
        expect(watch.take()).toEqual([
            ['a', 0, 5, 50],
            ['a', 50, 51, 50],
        ]);
    });
    it('is as far as it was scrolled at the farthest, on each page anew', () => {
        const watch = new Watch(0);
        watch.turn('a', 0);
        watch.tick(1000, true, 80.4);
        watch.tick(2000, true, 20);
        watch.turn('b', 2000);
        watch.tick(3000, true, 5);
        expect(watch.take().map((s) => s[3])).toEqual([80, 5]);
    });
    it('is taken once, and comes back when it could not be told, the newest of it', () => {
        const watch = new Watch(0);
        watch.turn('a', 0);
        watch.tick(1000, true, 0);
        const taken = watch.take();
        expect(watch.take()).toEqual([]);
        watch.keep(taken);
        watch.tick(2000, true, 0);
        expect(watch.take()).toEqual([['a', 0, 2, 0]]);
        watch.keep(Array.from({ length: 99 }, (_x, i): Seen => ['p', i * 10, i * 10 + 1, 0]));
        expect(watch.take()).toHaveLength(60);
        expect(QUIET).toBe(60_000);
    });
});

describe('what a reader writes and ticks', () => {
    const PAGE = `<main data-kept="Kept" data-not-kept="Not kept" data-offline="Offline">
        <div><textarea data-answer="why"></textarea><span class="reflection-kept"></span></div>
        <input type="checkbox" data-tick="list" data-item="1"></main>`;
    const words = () => document.querySelector('textarea')!;
    const box = () => document.querySelector<HTMLInputElement>('input')!;
    const said = () => document.querySelector('.reflection-kept')!.textContent;
    const open = () => new Answers(document.querySelector('main')!, 'r1', 's1');
    const type = (text: string) => {
        words().value = text;
        words().dispatchEvent(new Event('input', { bubbles: true }));
    };
    const sent = (fetched: ReturnType<typeof vi.fn>, call: number): unknown =>
        JSON.parse((fetched.mock.calls[call]![1] as { body: URLSearchParams }).body.get('answers')!);

    beforeEach(() => {
        vi.useFakeTimers();
        localStorage.clear();
        document.body.innerHTML = PAGE;
    });
    afterEach(() => {
        vi.useRealTimers();
        vi.unstubAllGlobals();
    });

    it('goes to the server when they pause, and is said to be kept', async () => {
        const fetched = vi.fn(() => Promise.resolve(new Response(null, { status: 204 })));
        vi.stubGlobal('fetch', fetched);
        open();
        type('For');
        type('For me');
        box().checked = true;
        box().dispatchEvent(new Event('input', { bubbles: true }));
        await vi.advanceTimersByTimeAsync(900);
        expect(fetched).toHaveBeenCalledTimes(1);
        expect(sent(fetched, 0)).toEqual([
            ['why', -1, 'For me'],
            ['list', 1, true],
        ]);
        expect([said(), localStorage.length]).toEqual(['Kept', 0]);
    });
    it('is here again after a visit without a connection, and is sent then', async () => {
        vi.stubGlobal(
            'fetch',
            vi.fn(() => Promise.reject(new TypeError('offline'))),
        );
        open();
        type('Under the sea');
        await vi.advanceTimersByTimeAsync(900);
        expect(said()).toBe('Not kept');
        document.body.innerHTML = PAGE;
        const fetched = vi.fn(() => Promise.resolve(new Response(null, { status: 204 })));
        vi.stubGlobal('fetch', fetched);
        open();
        expect(words().value).toBe('Under the sea');
        await vi.advanceTimersByTimeAsync(900);
        expect(sent(fetched, 0)).toEqual([['why', -1, 'Under the sea']]);
        expect(localStorage.length).toBe(0);
    });
    it('is not lost when it goes on while it is being sent', async () => {
        let answer: (made: Response) => void = () => undefined;
        const fetched = vi.fn(() => new Promise<Response>((done) => (answer = done)));
        vi.stubGlobal('fetch', fetched);
        open();
        type('a');
        await vi.advanceTimersByTimeAsync(900);
        type('ab');
        answer(new Response(null, { status: 204 }));
        await vi.advanceTimersByTimeAsync(900);
        expect(sent(fetched, 1)).toEqual([['why', -1, 'ab']]);
    });
    it('bears whatever stands in the browser’s store', () => {
        for (const kept of ['{', 'null', '[1]', '[["why",-1,true],["list",1,"x"],["gone",0,true]]', '[["\\"]",-1,"x"]]']) {
            localStorage.setItem('lantern-answers-r1', kept);
            expect(open).not.toThrow();
        }
        expect([words().value, box().checked]).toEqual(['', false]);
    });
});

describe('the text of a Word document', () => {
    const paragraph = (text: string, style = '') =>
        `<w:p>${style && `<w:pPr><w:pStyle w:val="${style}"/></w:pPr>`}<w:r><w:t>${text}</w:t></w:r></w:p>`;
    const styles = ['Title', 'heading 1', 'heading 2']
        .map((name) => `<w:style w:type="paragraph" w:styleId="${name.replace(' ', '')}"><w:name w:val="${name}"/></w:style>`)
        .join('');
    const XML = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';
    const W = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"';
    const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
    const PACKAGE = 'http://schemas.openxmlformats.org/package/2006';

    async function docx(body: string, more: Record<string, string> = {}): Promise<File> {
        const zip = new JSZip();
        zip.file(
            '[Content_Types].xml',
            `${XML}<Types xmlns="${PACKAGE}/content-types"><Default Extension="xml" ContentType="application/xml"/></Types>`,
        );
        zip.file(
            '_rels/.rels',
            `${XML}<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="d" Type="${OFFICE}/officeDocument" Target="word/document.xml"/></Relationships>`,
        );
        zip.file(
            'word/_rels/document.xml.rels',
            `${XML}<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="s" Type="${OFFICE}/styles" Target="styles.xml"/></Relationships>`,
        );
        zip.file('word/styles.xml', `${XML}<w:styles ${W}>${styles}</w:styles>`);
        zip.file('word/document.xml', `${XML}<w:document ${W}><w:body>${body}</w:body></w:document>`);
        Object.entries(more).forEach(([name, content]) => zip.file(name, content));
        return new File([await zip.generateAsync({ type: 'arraybuffer' })], 'plan.docx');
    }

    it('is read by what its styles are called, and is words, not marks', async () => {
        const body =
            paragraph('The plan', 'Title') + paragraph('Tuning', 'heading1') + paragraph('Listen &lt;b&gt;') + paragraph('On', 'heading2');
        expect(await docxHtml(await docx(body))).toBe('<h1>The plan</h1><h1>Tuning</h1><p>Listen &lt;b&gt;</p><h2>On</h2>');
    });
    it('leaves macros alone', async () => {
        const file = await docx(paragraph('Play'), { 'word/vbaProject.bin': 'Sub AutoOpen()', 'word/vbaData.xml': '<x/>' });
        expect(await docxHtml(file)).toBe('<p>Play</p>');
    });
    it.each<[string, () => File | Promise<File>]>([
        ['no zip', () => new File(['hello'], 'plan.docx')],
        ['nothing', () => new File([], 'plan.docx')],
        [
            'a zip of something else',
            async () => new File([await new JSZip().file('a', 'b').generateAsync({ type: 'arraybuffer' })], 'x.docx'),
        ],
        ['half of one', async () => new File([(await (await docx(paragraph('x'))).arrayBuffer()).slice(0, 300)], 'plan.docx')],
    ])('is said to be unreadable when it is %s', async (_, file) => {
        await expect(docxHtml(await file())).rejects.toThrow('cannot be read');
    });
    it('is said to be too much beyond 20 MB', async () => {
        await expect(docxHtml({ size: 20_000_001 } as File)).rejects.toThrow('too large');
    });
});

describe('how a guide is read, in words', () => {
    const numbers = (n: Partial<GuideNumbers>): GuideNumbers =>
        ({ given: 0, begun: 0, finished: 0, median: 0, least: 10, pages: [], stop: null, ...n }) as GuideNumbers;
    const pages = [{ id: 'p', name: 'Tuning', again: 3 }] as GuideNumbers['pages'];

    it.each<[number, string]>([
        [0, '0 s'],
        [59, '59 s'],
        [90, '2 min'],
        [3599, '1 h'],
        [3900, '1 h 5 min'],
    ])('%d seconds are %s', (seconds, words) => expect(timeWords(seconds)).toBe(words));
    it.each<[Partial<GuideNumbers>, string]>([
        [{}, 'Nobody has this guide yet. Whoever joins gets it.'],
        [{ given: 1 }, '1 person may read it. Nobody has begun yet.'],
        [
            { given: 9, begun: 4, median: 70 },
            'Of 9 people who may read it 4 began and nobody has finished it yet; half of them read for 1 min or longer.',
        ],
        [
            { given: 9, begun: 4, finished: 2, median: 7 },
            'Of 9 people who may read it 4 began and 2 finished it; half of them read for 7 s or longer.',
        ],
    ])('%o: %s', (n, words) => expect(readingSentence(numbers(n))).toBe(words));
    it('says where people stop only when enough have begun', () => {
        expect(stopSentence(numbers({ begun: 9 }))).toBe('Where people stop is said once 10 have begun.');
        expect(stopSentence(numbers({ begun: 10 }))).toBe('Whoever begins goes on to the last page.');
        expect(stopSentence(numbers({ begun: 10, pages, stop: { page: 'p', number: 2, came: 8, stopped: 5 } }))).toBe(
            'Most stop at page 2, “Tuning”: of 8 who came to it 5 went no further.',
        );
    });
    it('says what is read twice, or nothing', () => {
        expect(againSentence(numbers({}))).toBe('');
        expect(againSentence(numbers({ pages }))).toContain('“Tuning”: 3 people');
        expect(toRead(0)).toBe('1 s to read');
    });
});
