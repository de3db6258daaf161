<?php

declare(strict_types=1);

namespace Tests\Browser;

use DateTimeImmutable;
use DateTimeZone;
use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Lantern\Core\Page\Look\Looks;

/** axe-core finds nothing serious or critical on the Studio's main views and on the public pages in every look. */
final class AccessibilityTest extends BrowserTestCase
{
    private function check(RemoteWebDriver $b, string $view): void
    {
        $b->executeScript((string) file_get_contents(dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js'));
        $b->manage()->timeouts()->setScriptTimeout(30);
        $found = $b->executeAsyncScript('const done = arguments[arguments.length - 1];
            axe.run(document, { iframes: false }).then(r => done({ passes: r.passes.length, found: r.violations.filter(v => ["serious",
                "critical"].includes(v.impact))
                .map(v => v.id + ": " + v.nodes.map(n => n.html.slice(0, 160) + " " + (n.any[0]?.message ?? "")).join(" | ")) }),
                    e => done({ passes: 0, found: [String(e)] }));');
        self::assertSame([], $found['found'], $view);
        self::assertGreaterThan(5, $found['passes'], "axe looked at {$view}");
    }

    public function test_the_studio_and_the_public_pages(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $b->get(self::$studio.'/studio');
            $this->find($b, 'button[type=submit]');
            $this->check($b, 'first run');
            $this->signIn($b);
            $this->check($b, 'the empty home');
            $b->get(self::$studio.'/studio/funnels/new');
            $this->press($b, 'Give something away');
            $this->fill($b, 'Private name', 'Practice plan');
            $this->fill($b, 'What is the lead magnet called?', 'The Twelve-Minute Practice Plan');
            $b->findElement(WebDriverBy::cssSelector('input[type=file]'))->setFileDetector(new LocalFileDetector)->sendKeys($this->pdf());
            $this->check($b, 'new funnel');
            $this->press($b, 'Make the funnel');
            $this->press($b, 'Publish version 1');
            $this->byWords($b, 'Make it live');
            $this->check($b, 'the go-live check');
            $this->press($b, 'Make it live');
            $this->find($b, '[data-test=public-url]');
            $this->check($b, 'published');
            $funnel = (string) $this->sql('select id from funnels');
            $address = (string) $this->sql('select address from funnels');

            $stranger = $this->browser();
            foreach (array_keys(Looks::all()) as $look) {
                $this->sql("update funnels set look = '{$look}'");
                $this->publishAtOnce($b, $funnel);
                $stranger->get(self::$site."/{$address}");
                $this->check($stranger, "the opt-in page in {$look}");
                $stranger->get(self::$site."/{$address}/thank-you");
                $this->check($stranger, "the thank-you page in {$look}");
            }
            $stranger->get(self::$site."/{$address}");
            $this->press($stranger, 'Send it to me');
            $this->seeText($stranger, 'Please fill in your email address.');
            $this->check($stranger, 'the opt-in page with an error');
            $this->fill($stranger, 'Email address', 'robin@example.com');
            $this->press($stranger, 'Send it to me');
            $this->seeText($stranger, 'It is yours');
            $stranger->get(self::$site.'/f/01aaaaaaaaaaaaaaaaaaaaaaaa/x.pdf');
            $this->check($stranger, 'a link that has run out');
            $this->waitFor($b, fn (): bool => (int) $this->sql("select count(*) from messages where state = 'sent'") === 1,
                'the email is sent');

            $ids = fn (string $table): string => (string) $this->sql("select id from {$table}");
            $part = fn (string $kind): string => "funnels/{$funnel}/{$kind}/"
                .$this->sql("select id from draft_parts where kind = '{$kind}' order by position");
            foreach (['funnels' => 'table', "funnels/{$funnel}" => '[data-test=joined] li', $part('page') => 'iframe[data-ready=true]',
                $part('form') => 'fieldset',
                $part('email') => '.email-text p', $part('lead-magnet') => 'input[type=file]', 'people' => 'table',
                'people/submissions' => 'dl', 'people/imports' => 'input[type=file]',
                'emails/broadcasts' => 'nav[aria-label="Parts of this screen"]', $part('sequence') => 'table',
                "people/{$ids('people')}" => '#history',
                "emails/{$ids('messages')}" => '[role=tablist]', "results/{$funnel}" => 'canvas',
                "results/{$funnel}/leaks" => '[data-test=worst]',
                "results/{$funnel}/tests" => 'form', "results/{$funnel}/plan" => '[data-test=rate]', 'results' => '[data-test=all-funnels]',
                'results/costs' => '[data-test=value], form',
                'settings#mail-server' => 'form', 'settings/domains' => 'form'] as $path => $css) {
                $b->get(self::$studio."/studio/{$path}");
                $this->waitFor($b, fn (RemoteWebDriver $b): bool => count($b->findElements(WebDriverBy::cssSelector($css))) > 0, $path);
                $this->check($b, $path);
            }
            $b->get(self::$studio.'/studio/emails/broadcasts');
            $this->press($b, 'Write a broadcast');
            $this->find($b, '.email-text p');
            $this->press($b, 'Only those who …');
            $this->check($b, 'a broadcast with a rule');
        });
    }

    public function test_webinars(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->signIn($b);
            $funnel = (string) $this->askApi($b, 'POST', 'funnels', ['goal' => 'webinar', 'name' => 'Melody', 'title' => 'First Melody',
                'price' => '290'])['id'];
            foreach ($this->askApi($b, 'GET', "funnels/{$funnel}")['offers'] as $offer) {
                $this->askApi($b, 'PUT', "parts/{$offer['id']}", ['revision' => $offer['revision'],
                    'price' => ['kind' => 'once', 'amount' => 19_000, 'currency' => 'EUR']]);
            }
            $this->publishAtOnce($b, $funnel);
            $webinar = (string) $this->sql("select id from draft_parts where kind = 'webinar'");
            $visitor = $this->browser();
            $address = self::$site.'/'.$this->sql("select address from funnels where id = '{$funnel}'");
            $visitor->get($address);
            $this->find($visitor, '[data-sessions]');
            $this->check($visitor, 'the registration page');
            $this->fill($visitor, 'Email address', 'robin@example.com');
            $visitor->executeScript('document.querySelector("form button[type=submit]").click()');
            $this->find($visitor, '.session-acts a');
            $this->press($visitor, 'Another time suits you better?', 'summary');
            $this->check($visitor, 'the confirmation page');
            $this->sql("update registrations set starts_at = '".self::fromNow('+5 minutes')."'");
            $visitor->get("{$address}/room");
            $this->seeText($visitor, 'It begins in');
            $this->check($visitor, 'the room');
            $visitor->get("{$address}/replay");
            $this->seeText($visitor, 'The replay is not here yet');
            $this->check($visitor, 'the replay before it opens');
            $b->get(self::$studio."/studio/funnels/{$funnel}/webinar/{$webinar}");
            $this->find($b, '[data-test=sessions] a');
            $this->find($b, '[data-test=calendar]');
            $this->check($b, 'the desk of a webinar');
            $this->press($b, 'Control room', '[data-test=sessions] a');
            $this->press($b, 'A new poll');
            $this->check($b, 'the control room');
            $this->press($b, 'Report', '[role=tab]');
            $this->find($b, '[data-test=people]');
            $this->check($b, 'the report');
        });
    }

    public function test_popups(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->signIn($b);
            $funnel = (string) $this->askApi($b, 'POST', 'funnels', ['goal' => 'waiting-list', 'name' => 'List',
                'title' => 'Autumn'])['id'];
            $popup = $this->askApi($b, 'GET', "funnels/{$funnel}")['popups'][0];
            $this->askApi($b, 'PUT', "parts/{$popup['id']}", ['revision' => $popup['revision'], 'on' => true,
                'triggers' => [['kind' => 'seconds', 'amount' => 0]], 'frame' => ['entry' => 'none'],
                'limits' => ['repeat' => 'always', 'apart' => 0, 'afterClosed' => 0]]);
            $this->askApi($b, 'POST', 'sites', ['address' => 'https://blog.example', 'name' => 'Notes']);
            $stranger = $this->browser();
            foreach (array_keys(Looks::all()) as $look) {
                $this->sql("update funnels set look = '{$look}'");
                $this->publishAtOnce($b, $funnel);
                $stranger->get(self::$site.'/'.$this->sql('select address from funnels'));
                $modal = 'return [...document.body.children].some(e => e.shadowRoot?.querySelector("dialog:modal"))';
                $this->waitFor($stranger, fn (RemoteWebDriver $s): bool => (bool) $s->executeScript($modal), 'the pop-up');
                $this->check($stranger, "a pop-up in {$look}");
                $stranger->get(self::$site."/p/{$popup['id']}");
                $this->check($stranger, "its own page in {$look}");
            }
            $b->get(self::$studio."/studio/funnels/{$funnel}/popup/{$popup['id']}");
            $this->find($b, 'iframe[data-ready=true]');
            foreach (['Design', 'Opens', 'Where', 'After', 'Results'] as $tab) {
                $this->press($b, $tab, '[role=tab]');
                $this->check($b, "the desk of a pop-up: {$tab}");
            }
            $b->get(self::$studio.'/studio/settings/sites');
            $this->find($b, '[data-site]');
            $this->check($b, 'sites');
            $b->get(self::$studio."/studio/funnels/{$funnel}");
            $this->addToFunnel($b, 'Add a pop-up');
            $this->byWords($b, 'Small, in the corner');
            $this->check($b, 'the designs of pop-ups');
        });
    }

    public function test_what_sells_and_its_deadlines(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->signIn($b);
            $funnel = (string) $this->askApi($b, 'POST', 'funnels', ['goal' => 'launch', 'name' => 'Launch', 'title' => 'First Season',
                'price' => '290'])['id'];
            foreach ($this->askApi($b, 'GET', "funnels/{$funnel}")['offers'] as $offer) {
                $this->askApi($b, 'PUT', "parts/{$offer['id']}", ['revision' => $offer['revision'],
                    'price' => ['kind' => 'once', 'amount' => 6_000, 'currency' => 'EUR']]);
            }
            // Open already, and in its last hour.
            $this->askApi($b, 'PUT', "funnels/{$funnel}", ['times' => []]);
            $deadline = (string) $this->sql("select id from draft_parts where kind = 'deadline' and name = 'Introductory price' "
                ."and funnel_id = '{$funnel}'");
            $soon = ['moment' => (new DateTimeImmutable('+30 minutes', new DateTimeZone('UTC')))->format('Y-m-d\TH:i'), 'zone' => 'UTC'];
            $this->askApi($b, 'PUT', "parts/{$deadline}", ['revision' => 1, 'latest' => $soon]);
            $stranger = $this->browser();
            foreach (array_keys(Looks::all()) as $look) {
                $this->sql("update funnels set look = '{$look}'");
                $this->publishAtOnce($b, $funnel);
                $stranger->get(self::$site.'/first-season');
                $this->find($stranger, '.last-warning:not([hidden])');
                $this->check($stranger, "the sales page with its countdown in {$look}");
                $stranger->executeScript('localStorage.clear()');
            }
            $stranger->get(self::$site.'/first-season/order-introductory');
            $this->find($stranger, 'form.checkout');
            $this->check($stranger, 'the checkout with its countdown');
            $email = (string) $this->sql("select id from draft_parts where name = 'Two days left' and funnel_id = '{$funnel}'");
            $offer = (string) $this->sql("select id from draft_parts where kind = 'offer' and funnel_id = '{$funnel}'");
            foreach (["deadline/{$deadline}" => '[data-test=examples] li', "email/{$email}" => '.email-text p', 'offers' => 'h1',
                "offer/{$offer}" => 'fieldset', '' => 'section[aria-label=Timeline] .bar.deadline'] as $path => $css) {
                $b->get(rtrim(self::$studio."/studio/funnels/{$funnel}/{$path}", '/'));
                $this->find($b, $css);
                $this->check($b, "a launch: {$path}");
            }
        });
    }
}
