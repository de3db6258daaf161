<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;

/** Code of an owner's own on a public page, in the browser in which they are signed in, gets nothing of the Studio. */
final class OwnCodeTest extends BrowserTestCase
{
    /** Tries every way there is, and writes down what each of them got. */
    private const ATTACK = <<<'HTML'
        <script>
        window.got = {};
        window.attack = async (studio) => {
            const tries = {
                read: async () => (await fetch(studio + '/studio/api/people', { credentials: 'include' })).text(),
                session: async () => (await fetch(studio + '/studio/api/session', { credentials: 'include' })).text(),
                sameHost: async () => {
                    const r = await fetch('/studio/api/people', { credentials: 'include' });
                    return r.ok ? r.text() : '';
                },
                write: async () => (await fetch(studio + '/studio/api/funnels', { method: 'POST', credentials: 'include',
                    headers: { 'Content-Type': 'application/json' },
                    body: '{"goal":"waiting-list","name":"Planted","title":"x"}' })).text(),
                simpleWrite: async () => { const r = await fetch(studio + '/studio/api/broadcasts', { method: 'POST', mode: 'no-cors',
                    credentials: 'include', body: new URLSearchParams({ name: 'Planted' }) });
                    return r.type === 'opaque' ? '' : r.text(); },
                cookie: async () => document.cookie.includes('lantern_studio') || document.cookie.includes('XSRF') ? document.cookie : '',
                frame: () => new Promise((done) => {
                    const frame = document.createElement('iframe');
                    frame.src = studio + '/studio/people';
                    frame.onload = () => { try { done(frame.contentDocument ? 'a document' : ''); } catch { done(''); } };
                    document.body.append(frame);
                    setTimeout(() => done(''), 3000);
                }),
                window: () => new Promise((done) => {
                    const opened = window.open(studio + '/studio/people');
                    setTimeout(() => { try { done(opened?.document?.body?.innerText ?? ''); } catch { done(''); } }, 1500);
                }),
                form: () => new Promise((done) => {
                    const target = document.createElement('iframe');
                    target.name = 'target';
                    const form = document.createElement('form');
                    Object.assign(form, { method: 'post', target: 'target', action: studio + '/studio/api/broadcasts' });
                    document.body.append(target, form);
                    target.onload = () => { try { done(target.contentDocument?.body.innerText ?? ''); } catch { done(''); } };
                    form.submit();
                    setTimeout(() => done(''), 3000);
                }),
            };
            for (const [name, go] of Object.entries(tries)) {
                try { window.got[name] = await go(); } catch { window.got[name] = ''; }
            }
            return window.got;
        };
        </script>
        HTML;

    public function test_it_can_neither_read_nor_write_as_the_owner(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->signIn($b);
            $funnel = $this->makeFunnel($b, 'With a counter');
            $page = $this->askApi($b, 'GET', "funnels/{$funnel}")['pages'][0];
            $this->askApi($b, 'PUT', "parts/{$page['id']}", ['revision' => $page['revision'], 'settings' => ['head' => self::ATTACK]]);
            $this->publishAtOnce($b, $funnel);
            $before = $this->counts();
            $address = (string) $this->sql("select address from funnels where id = '{$funnel}'");
            // Opened as an owner opens it, so that this is the very browser that is signed in.
            $b->get(self::$studio."/studio/open/{$funnel}");
            $this->waitFor($b, fn (RemoteWebDriver $b): bool => $b->getCurrentURL() === self::$site."/{$address}", 'the page is open');

            $b->manage()->timeouts()->setScriptTimeout(40);
            $got = $b->executeAsyncScript('const done = arguments[1]; window.attack(arguments[0]).then(done, e => done(String(e)))',
                [self::$studio]);
            self::assertIsArray($got, 'the code ran');
            self::assertCount(9, $got);
            self::assertSame([], array_filter($got, fn (mixed $answer): bool => $answer !== ''), 'it got nothing');
            self::assertSame($before, $this->counts(), 'it changed nothing');
            $b->manage()->getLog('browser');
            $b->get(self::$studio.'/studio');
            $this->byWords($b, 'Your account');
        });
    }

    /** @return list<int> funnels, broadcasts, people and views */
    private function counts(): array
    {
        return array_map(fn (string $table): int => (int) $this->sql("select count(*) from {$table}"),
            ['funnels', 'broadcasts', 'people', "events where type = 'viewed'"]);
    }
}
