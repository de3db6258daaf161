<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverKeys;
use Symfony\Component\Process\Process;

/** Pop-ups by their real triggers: switched on by the coach, met by strangers on a desktop, on a phone and on another site. */
final class PopupTest extends BrowserTestCase
{
    /** What is shown over the page or placed in it; its inside is asked by a script on `box`. */
    private function inPopup(RemoteWebDriver $b, string $script, mixed ...$arguments): mixed
    {
        return $b->executeScript('const host = [...document.querySelectorAll("div")].find(e => e.shadowRoot'
            .'?.querySelector(".pop-box")); const box = host?.shadowRoot.querySelector(".pop-box"); if (!box) return null; '.$script,
            $arguments);
    }

    private function seePopup(RemoteWebDriver $b, string $words): void
    {
        $this->waitFor($b, fn (): bool => str_contains((string) $this->inPopup($b, 'return box.innerText'), $words),
            "it says “{$words}”");
    }

    private function isShown(RemoteWebDriver $b): bool
    {
        return $this->inPopup($b, 'return true') === true;
    }

    private function pressIn(RemoteWebDriver $b, string $words): void
    {
        $this->waitFor($b, fn (): bool => $this->inPopup($b, 'const e = [...box.querySelectorAll("a, button")].find(e => '
            .'(e.getAttribute("aria-label") ?? e.innerText.trim()) === arguments[0]); e?.click(); return Boolean(e)', $words) === true,
            $words);
    }

    /** How many views have been asked about, so that a test can wait for the next. */
    private function views(): int
    {
        return (int) $this->sql('select coalesce(sum(views), 0) from popup_visits');
    }

    private function open(RemoteWebDriver $b, string $url): void
    {
        $before = $this->views();
        $b->get($url);
        $this->waitFor($b, fn (): bool => $this->views() > $before, 'the page has asked');
    }

    /** @param  array<string, mixed>  $with */
    private function tools(RemoteWebDriver $b, string $command, array $with): void
    {
        (new ChromeDevToolsDriver($b))->execute($command, $with);
    }

    private function leaveByMouse(RemoteWebDriver $b): void
    {
        foreach ([400, 120, 3, -2] as $y) {
            $this->tools($b, 'Input.dispatchMouseEvent', ['type' => 'mouseMoved', 'x' => 500, 'y' => $y]);
        }
    }

    /** @param  array<string, mixed>  $with */
    private function live(RemoteWebDriver $owner, array $with): string
    {
        $funnel = $this->makeFunnel($owner, 'Autumn list');
        $popup = $this->askApi($owner, 'GET', "funnels/{$funnel}")['popups'][0];
        $this->askApi($owner, 'PUT', "parts/{$popup['id']}", $with + ['revision' => $popup['revision'], 'on' => true]);
        $this->publishAtOnce($owner, $funnel);

        return self::$site.'/'.$this->sql("select address from funnels where id = '{$funnel}'");
    }

    public function test_the_starters_popup_is_switched_on_changed_and_met_once_by_the_mouse(): void
    {
        $this->steps(function (): void {
            $owner = $this->browser();
            $this->signIn($owner);
            $funnel = $this->makeFunnel($owner, 'Autumn list');
            $draft = $this->askApi($owner, 'GET', "funnels/{$funnel}");
            $email = $draft['emails'][0];
            $this->askApi($owner, 'PUT', "parts/{$email['id']}", ['revision' => $email['revision'],
                'body' => $email['body'].'<p><a href="{{page_'.$draft['pages'][0]['id'].'}}">See the page</a></p>']);
            $owner->navigate()->refresh();
            $this->press($owner, 'Before they leave', 'section[aria-label=Timeline] .bar');
            $this->press($owner, 'Dark card');
            $owner->switchTo()->frame($this->find($owner, 'iframe[data-ready=true]'));
            $this->find($owner, '.pop-box .tone-ink');
            $heading = $this->find($owner, '.pop-box [data-field=text]');
            $this->retype($heading, 'A word when it opens?');
            $owner->switchTo()->defaultContent();
            $this->press($owner, 'The section');
            $this->press($owner, 'The pop-up');
            $this->press($owner, 'Switched off');
            $this->seeText($owner, 'Switched on');
            $this->seeText($owner, 'Everything is saved');
            $this->press($owner, 'Publish version 1');
            $this->press($owner, 'Make it live');
            $this->seeText($owner, 'All changes are live');
            $url = self::$site.'/'.$this->sql("select address from funnels where id = '{$funnel}'");

            $visitor = $this->browser();
            $this->open($visitor, $url);
            self::assertFalse($this->isShown($visitor));
            $visitor->executeScript('document.querySelector("input[type=email]").scrollIntoView()');
            $this->leaveByMouse($visitor);
            $this->seePopup($visitor, 'Shall I tell you when it opens?');
            self::assertTrue($this->inPopup($visitor, 'return box.closest("dialog").matches(":modal") && box.contains(host.shadowRoot'
                .'.activeElement)'), 'a real dialog, which has the focus');
            self::assertSame([true, true], $this->inPopup($visitor, 'const r = box.querySelector(".pop-close").getBoundingClientRect();'
                .'return [r.width >= 44, r.height >= 44]'));
            for ($i = 0; $i < 6; $i++) {
                $visitor->getKeyboard()->sendKeys(WebDriverKeys::TAB);
                self::assertNotSame('INPUT', $visitor->executeScript('return document.activeElement.tagName'),
                    'the page behind is out of reach');
            }
            $this->pressIn($visitor, 'Yes, tell me');
            $this->seePopup($visitor, 'A word when it opens?');
            $visitor->getKeyboard()->sendKeys('no address');
            $this->inPopup($visitor, 'const e = box.querySelector("input[type=email]"); e.focus(); e.select()');
            $visitor->getKeyboard()->sendKeys('nonsense');
            $this->pressIn($visitor, 'Put me on the list');
            $this->waitFor($visitor, fn (): bool => $this->inPopup($visitor,
                'return box.querySelector("[aria-invalid]") !== null') === true,
                'what is wrong is marked');
            self::assertSame('nonsense', $this->inPopup($visitor, 'return box.querySelector("input[type=email]").value'));
            $this->inPopup($visitor, 'box.querySelector("input[type=email]").select()');
            $visitor->getKeyboard()->sendKeys('wren@example.com');
            $this->pressIn($visitor, 'Put me on the list');
            $this->seePopup($visitor, 'Thank you');
            self::assertSame('wren@example.com',
                $this->sql('select email from people join submissions on submissions.person_id = people.id '
                .'where popup_id is not null'));
            $visitor->getKeyboard()->sendKeys(WebDriverKeys::ESCAPE);
            $this->waitFor($visitor, fn (): bool => ! $this->isShown($visitor), 'Escape closes it');
            self::assertSame(0, (int) $this->sql("select count(*) from popup_facts where type = 'closed'"),
                'whoever has joined closes nothing');

            // Never again in this browser, nor with a link from our email in another one.
            $this->open($visitor, $url);
            $this->leaveByMouse($visitor);
            $link = $this->waitFor($visitor, fn () => $this->sql("select html from messages where to_address = 'wren@example.com' "
                ."and state = 'sent' and html like '%/l/%'"), 'the welcome email with a link');
            preg_match('~href="([^"]*/l/[^"]+)"~', (string) $link, $m);
            $phone = $this->browser(400, 800);
            $before = $this->views();
            $phone->get(html_entity_decode($m[1]));
            if ($this->views() === $before) {
                $this->open($phone, $url);
            }
            self::assertSame([1, 1], [(int) $this->sql("select count(*) from popup_facts where type = 'shown'"),
                (int) $this->sql("select count(*) from popup_facts where type = 'eligible'")]);
            self::assertFalse($this->isShown($visitor));

            $owner->navigate()->refresh();
            $this->press($owner, 'Results', '[role=tab]');
            $this->waitFor($owner, fn () => str_contains($this->find($owner, '[data-test=popup-numbers]')->getText(), "Joined\n1"),
                'who joined');
        });
    }

    public function test_on_a_phone_scrolling_the_back_button_and_looking_away_count_and_a_hidden_tab_does_not(): void
    {
        $this->steps(function (): void {
            $owner = $this->browser();
            $this->signIn($owner);
            $always = ['limits' => ['repeat' => 'always', 'afterClosed' => 0, 'apart' => 0], 'asks' => true];
            $url = $this->live($owner, $always);
            $phone = $this->browser(400, 800);
            $this->tools($phone, 'Emulation.setTouchEmulationEnabled', ['enabled' => true]);
            $this->tools($phone, 'Emulation.setEmulatedMedia', ['features' => [['name' => 'hover', 'value' => 'none'],
                ['name' => 'pointer', 'value' => 'coarse']]]);

            // Coming back by the back button.
            $this->open($phone, $url);
            self::assertFalse($this->isShown($phone));
            $phone->get('about:blank');
            $phone->navigate()->back();
            $this->seePopup($phone, 'Shall I tell you when it opens?');
            $this->pressIn($phone, 'No, thank you');
            $this->waitFor($phone, fn (): bool => ! $this->isShown($phone), 'a no closes it');

            // A fast scroll up from deep down.
            $this->open($phone, $url);
            // On a machine that is busy a frame may take so long that it was not fast: then they scroll once more.
            $this->waitFor($phone, function () use ($phone): bool {
                $phone->executeScript('document.body.style.minHeight = "6000px"; scrollTo({top: 5000, behavior: "instant"})');
                $this->waitFor($phone, fn (): bool => $phone->executeScript('return scrollY') > 4000, 'deep down');
                $phone->executeAsyncScript('const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(() => { '
                    .'scrollTo({top: 3600, behavior: "instant"}); requestAnimationFrame(() => setTimeout(done, 300)); }))');

                return $this->isShown($phone);
            }, 'a fast scroll up opens it');
            $this->seePopup($phone, 'Shall I tell you when it opens?');
            $this->pressIn($phone, 'Close');

            // Seconds count while the page is looked at, and only then.
            $timed = $this->live($owner, ['triggers' => [['kind' => 'seconds', 'amount' => 2]]] + $always);
            $look = fn (string $how) => $phone->executeScript('Object.defineProperty(document, "visibilityState", {get: () => '
                .'arguments[0], configurable: true}); document.dispatchEvent(new Event("visibilitychange"))', [$how]);
            $this->open($phone, $timed);
            $look('hidden');
            $phone->executeAsyncScript('setTimeout(arguments[0], 3200)');
            self::assertFalse($this->isShown($phone), 'nobody looks at it');
            $look('visible');
            $this->seePopup($phone, 'Shall I tell you when it opens?');
            self::assertSame('seconds', $this->sql('select opened_by from popup_facts where type = "shown" order by id desc limit 1'));

            // At a depth of scrolling.
            $deep = $this->live($owner, ['triggers' => [['kind' => 'depth', 'amount' => 60]]] + $always);
            $this->open($phone, $deep);
            $phone->executeScript('document.body.style.minHeight = "4000px"; scrollTo({top: 600, behavior: "instant"})');
            $this->waitFor($phone, fn (): bool => $phone->executeScript('return scrollY') > 500, 'not far');
            self::assertFalse($this->isShown($phone));
            $phone->executeScript('scrollTo({top: 2400, behavior: "instant"})');
            $this->seePopup($phone, 'Shall I tell you when it opens?');
        });
    }

    public function test_a_form_is_placed_on_another_site_where_nothing_of_either_touches_the_other(): void
    {
        $this->steps(function (): void {
            $owner = $this->browser();
            $this->signIn($owner);
            $port = Chrome::freePort();
            $blog = "http://127.0.0.1:{$port}";
            $site = (string) $this->askApi($owner, 'POST', 'sites', ['address' => $blog, 'name' => 'Notes'])['id'];
            $page = fn (string $more): string => '<!doctype html><title>A note</title><style>html{font-size:62.5%} h2,button{color:red;'
                .'font:bold 9rem cursive!important} p{margin:0}</style><article><h1>A note</h1>'
                .implode('', array_fill(0, 6,
                    '<p style="min-height:300px">Words to read.</p>')).'<div data-lantern="here"></div>'.$more.'</article>'
                .str_repeat('<script async src="'.self::$site."/w/{$site}.js\"></script>", 2);
            $folder = self::$folder.'/blog';
            @mkdir($folder);
            file_put_contents("{$folder}/router.php",
                '<?php header("Content-Security-Policy: default-src \'none\'; style-src \'unsafe-inline\'; '
                .'script-src '.self::$site.'; connect-src '.self::$site.'; font-src '.self::$site.'; img-src '.self::$site.'"); echo '
                .var_export($page(''), true).';');
            $server = new Process([PHP_BINARY, '-S', "127.0.0.1:{$port}", "{$folder}/router.php"]);
            $server->start();
            Chrome::waitForPort($port, $server);

            $funnel = $this->makeFunnel($owner, 'Autumn list');
            $popup = $this->askApi($owner, 'POST', "funnels/{$funnel}/parts", ['kind' => 'popup', 'design' => 'popup-placed']);
            $document = json_decode((string) preg_replace('/\[[^\]"{}]{3,}\]/u', 'One email when it opens',
                (string) json_encode($popup['document'],
                    JSON_UNESCAPED_UNICODE)), true);
            $this->askApi($owner, 'PUT', "parts/{$popup['id']}", ['revision' => $popup['revision'], 'on' => true, 'document' => $document,
                'targeting' => ['pages' => 'none', 'sites' => [['site' => $site, 'patterns' => [['how' => 'exactly',
                    'text' => '/second']]]]],
                'spot' => ['how' => 'after-paragraph', 'number' => 5]]);
            // A slip on the same page, which comes before anything is placed.
            $slip = $this->askApi($owner, 'GET', "funnels/{$funnel}")['popups'][0];
            $this->askApi($owner, 'PUT', "parts/{$slip['id']}", ['revision' => $slip['revision'], 'on' => true,
                'frame' => ['placement' => 'corner-right', 'size' => 'small'], 'triggers' => [['kind' => 'seconds', 'amount' => 0]],
                'targeting' => ['pages' => 'none', 'sites' => [['site' => $site, 'patterns' => [['how' => 'exactly',
                    'text' => '/third']]]]]]);
            $this->publishAtOnce($owner, $funnel);

            $reader = $this->browser();
            $this->open($reader, "{$blog}/first");
            self::assertFalse($this->isShown($reader));
            // The site goes on to its next page without loading one.
            $before = $this->views();
            $reader->executeScript('history.pushState({}, "", "/second")');
            $this->waitFor($reader, fn (): bool => $this->views() > $before, 'the new page is asked about');
            $this->seePopup($reader, 'One email when it opens');
            self::assertSame(1, $reader->executeScript('return [...document.querySelectorAll("article div")]'
                .'.filter(e => e.shadowRoot).length'), 'two scripts are one');
            self::assertTrue($reader->executeScript('const ps = [...document.querySelectorAll("article > p")]; return ps[4]'
                .'.nextElementSibling.shadowRoot !== null'), 'it stands after the fifth paragraph');
            $button = $this->inPopup($reader, 'const s = getComputedStyle(box.querySelector("form button")); return [s.color, s.fontSize]');
            self::assertNotSame('rgb(255, 0, 0)', $button[0]);
            self::assertEqualsWithDelta(18, (float) $button[1], 3, 'the site’s own size of letters plays no part');
            self::assertSame('rgb(255, 0, 0)', $reader->executeScript('const h = document.body.appendChild(document.createElement("h2")); '
                .'return getComputedStyle(h).color'), 'nor do ours on the site');
            $this->inPopup($reader,
                'host.scrollIntoView({block: "center", behavior: "instant"}); box.querySelector("input[type=email]").focus()');
            $reader->getKeyboard()->sendKeys('kim@example.com');
            $this->pressIn($reader, 'Put me on the list');
            $this->seePopup($reader, 'Thank you');
            self::assertSame('/second', $this->sql("select site_path from submissions where popup_id = '{$popup['id']}'"));
            self::assertSame([], $reader->manage()->getCookies(), 'no cookie of ours is left there');

            $this->askApi($owner, 'PUT', "parts/{$popup['id']}",
                ['revision' => 2, 'targeting' => ['pages' => 'none', 'sites' => [['site' => $site,
                    'patterns' => []]]], 'spot' => ['how' => 'mark', 'text' => 'here']]);
            $this->publishAtOnce($owner, $funnel);
            $other = $this->browser();
            $this->open($other, "{$blog}/third");
            $this->waitFor($other, fn (): bool => (int) $other->executeScript('return [...document.querySelectorAll("div")].filter(e => '
                .'e.shadowRoot).length') === 2, 'a slip takes nothing away that is placed');

            $owner->get(self::$studio.'/studio/settings/sites');
            $this->seeText($owner, 'Installed: last seen');
            $this->press($owner, 'Pages on which it was seen');
            $this->seeText($owner, '/second');
            $server->stop(2);
        });
    }
}
