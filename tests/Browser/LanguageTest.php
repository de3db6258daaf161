<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Payments\Practice\Behaviour;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Lantern\Core\Languages\VisualOrder;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\MadeUp;

/** A funnel in another language, as its owner makes it and as somebody with a phone goes through it. */
final class LanguageTest extends BrowserTestCase
{
    /** Names that are the same in every language, and what the page calls the product that its owner named. */
    private const NAMES = ['ferncroft', 'cello', 'room', 'imke', 'ada', 'moss', 'first', 'season', 'open', 'strings', 'your', 'from',
        'melody', 'to', 'example', 'pupils', 'javascript', 'code', 'video', 'link', 'mail', 'webinar', 'plan', 'browser', 'spam', 'live',
        'name', 'so', 'die', 'was', 'in', 'an', 'am', 'war', 'also', 'will', 'gift', 'hell', 'rot', 'tag', 'art', 'after', 'pdf', 'visa'];

    /** @return list<string> words that English phrases and starters have, and German ones have not */
    private static function englishWords(): array
    {
        $words = function (string ...$folders): array {
            $text = '';
            foreach ($folders as $folder) {
                foreach (glob(dirname(__DIR__, 2)."/lang/{$folder}/*.php") ?: [] as $file) {
                    $all = require $file;
                    array_walk_recursive($all, function (string $phrase) use (&$text): void {
                        $text .= ' '.preg_replace('/\{[^{}]*\}|<[^>]*>/', ' ', $phrase);
                    });
                }
            }
            preg_match_all('/\p{L}{2,}/u', mb_strtolower($text), $m);

            return array_unique($m[0]);
        };
        $starters = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/lang/de.json'), true);
        $of = function (array $texts): array {
            preg_match_all('/\p{L}{2,}/u', mb_strtolower((string) preg_replace('/\{\{[^}]*\}\}|<[^>]*>|:[a-z]+/', ' ',
                implode(' ', $texts))), $m);

            return array_unique($m[0]);
        };
        $german = [...$words('de', 'de-x-formal'), ...$of(array_values($starters)), ...self::NAMES];

        return array_values(array_diff([...$words('en'), ...$of(array_keys($starters))], $german));
    }

    /** @param  list<string>  $english */
    private function assertNotEnglish(RemoteWebDriver $b, array $english, string $where): void
    {
        $said = (string) $b->executeScript(<<<'JS'
            const labels = [...document.querySelectorAll('[aria-label],[alt],[placeholder],[title]')]
                .flatMap((e) => ['aria-label', 'alt', 'placeholder', 'title'].map((a) => e.getAttribute(a) ?? ''));
            return [document.title, document.body.innerText, ...labels].join('\n');
            JS);
        preg_match_all('/\p{L}{2,}/u', mb_strtolower((string) preg_replace('~\S*[@/]\S*~', ' ', $said)), $m);
        self::assertSame([], array_values(array_unique(array_intersect($m[0], $english))), "{$where}: {$said}");
        self::assertGreaterThan(3, count($m[0]), "{$where} says something");
        self::assertSame('de', $b->executeScript('return document.documentElement.lang'), $where);
        self::assertLessThanOrEqual($b->executeScript('return innerWidth'),
            $b->executeScript('return document.documentElement.scrollWidth'),
            "{$where} is as wide as a phone");
    }

    private function go(RemoteWebDriver $b, string $words, string $css = self::PRESSED): void
    {
        $b->executeScript('document.documentElement.style.scrollBehavior = "auto"');
        $this->press($b, $words, $css);
    }

    public function test_a_formal_german_funnel_is_made_and_somebody_registers_buys_and_leaves_without_a_word_of_english(): void
    {
        $this->steps(function (): void {
            $english = self::englishWords();
            self::assertContains('please', $english);
            self::assertGreaterThan(400, count($english));
            $owner = $this->browser();
            $this->signIn($owner);
            $owner->get(self::$studio.'/studio/funnels/new');
            $this->press($owner, 'Hold a webinar', '[role=radio]');
            $this->fill($owner, 'What is the webinar called?', 'First Season');
            $language = $this->find($owner, 'input[role=combobox]');
            $language->click();
            $language->sendKeys('Germ');
            $this->press($owner, 'German', '[role=option]');
            $this->choose($owner, 'Visitors are addressed', 'Formally: Sie');
            $this->fill($owner, 'What does the programme cost', '290');
            $this->press($owner, 'Make the funnel');
            $this->waitFor($owner, fn (RemoteWebDriver $o): bool => preg_match('~/funnels/[0-9a-z]{26}$~', $o->getCurrentURL()) === 1,
                'it is made');
            $funnel = basename($owner->getCurrentURL());
            $this->priceOffers($owner, $funnel);
            // A phrase in other words, by hand.
            $owner->get(self::$studio."/studio/funnels/{$funnel}/phrases");
            $this->fill($owner, 'Find a phrase', 'Name on the receipt');
            $this->retype($this->find($owner, '[data-phrase="checkout.name"] textarea'), 'Wie Sie auf dem Beleg heißen');
            $this->seeText($owner, 'Everything is saved');
            $this->waitFor($owner, fn (): bool => str_contains((string) $this->sql("select phrases from funnels where id = '{$funnel}'"),
                'auf dem Beleg hei'), 'it is kept');
            $this->retype($this->find($owner, '[data-phrase="checkout.name"] textarea'), 'Name {wann}');
            $this->seeText($owner, '{wann} is not known here.');
            $this->retype($this->find($owner, '[data-phrase="checkout.name"] textarea'), 'Wie Sie auf dem Beleg heißen');
            $this->seeText($owner, 'Everything is saved');
            $this->publishAtOnce($owner, $funnel);
            $address = (string) $this->sql("select address from funnels where id = '{$funnel}'");

            $b = $this->browser(375, 760);
            $b->get(self::$site."/{$address}");
            $this->assertNotEnglish($b, $english, 'the registration page');
            $this->fill($b, 'E-Mail-Adresse', 'ada');
            $b->executeScript('document.querySelector("form button[type=submit]").click()');
            $this->seeText($b, 'Das sieht nicht nach einer E-Mail-Adresse aus. Bitte prüfen Sie sie auf Tippfehler.');
            $this->assertNotEnglish($b, $english, 'what is wrong');
            $this->retype($this->field($b, 'E-Mail-Adresse'), 'ada@pupils.example');
            $b->executeScript('document.querySelector("form button[type=submit]").click()');
            $this->waitFor($b, fn (RemoteWebDriver $b): bool => str_ends_with($b->getCurrentURL(), '/bestaetigung'),
                'the confirmation page');
            $this->assertNotEnglish($b, $english, 'the confirmation page');
            $b->get(self::$site."/{$address}/raum");
            $this->find($b, '.room-stage');
            $this->assertNotEnglish($b, $english, 'the room');
            $b->get(self::$site."/{$address}/programm");
            $this->assertNotEnglish($b, $english, 'the sales page');
            $this->go($b, 'Ich bin dabei', 'a.button');
            $this->find($b, 'form.checkout');
            $this->assertNotEnglish($b, $english, 'the checkout');
            $this->fill($b, 'E-Mail-Adresse', 'ada@pupils.example');
            $frame = $this->find($b, '[data-card] iframe');
            $b->switchTo()->frame($frame);
            $this->assertNotEnglish($b, $english, 'the card');
            foreach (['number' => Behaviour::Approves->number(), 'until' => '08/31', 'code' => '123'] as $name => $value) {
                $this->retype($this->find($b, "#{$name}"), $value);
            }
            $b->switchTo()->defaultContent();
            $this->seeText($b, 'Wie Sie auf dem Beleg heißen');
            $this->go($b, 'Jetzt bezahlen');
            $this->seeText($b, 'Soll ich mir ansehen, wie es bei Ihnen läuft?');
            $this->assertNotEnglish($b, $english, 'the extra offer');
            $this->go($b, 'Nein danke', 'a.button');
            $this->assertNotEnglish($b, $english, 'the smaller offer');
            $this->go($b, 'Nein danke', 'a.button');
            $this->seeText($b, 'schön, dass Sie da sind');
            $this->assertNotEnglish($b, $english, 'the delivery page');

            $receipt = (string) $this->waitFor($b,
                fn (): mixed => $this->sql("select text from messages where kind = 'receipt' and text is "
                .'not null') ?: false, 'the receipt');
            preg_match('~(/my/[0-9a-z]{26}/\S+)~', $receipt, $m);
            $b->get(self::$site.$m[1]);
            $this->assertNotEnglish($b, $english, 'the purchases');
            preg_match_all('/\p{L}{2,}/u', mb_strtolower((string) preg_replace('~\S*[@/]\S*~', ' ', $receipt)), $words);
            self::assertSame([], array_values(array_unique(array_intersect($words[0], $english))), $receipt);
            $confirmation = (string) $this->waitFor($b,
                fn (): mixed => $this->sql("select text from messages where subject like 'Ihr Platz%' "
                .'and text is not null') ?: false, 'the confirmation');
            preg_match('~(/u/\S+)~', $confirmation, $m);
            $b->get(self::$site.$m[1]);
            $this->assertNotEnglish($b, $english, 'the page to leave');
            $this->find($b, 'button[value=all]')->click();
            $this->seeText($b, 'Sie sind abgemeldet');
            $this->assertNotEnglish($b, $english, 'having left');
        });
    }

    public function test_nothing_runs_over_where_phrases_are_long_or_go_from_right_to_left(): void
    {
        $this->steps(function (): void {
            $owner = $this->browser();
            $this->signIn($owner);
            $made = $this->askApi($owner, 'POST', 'funnels', ['goal' => 'webinar', 'name' => 'Wide', 'title' => 'Wide and long',
                'price' => '190',
                'introductory' => '150']);
            $funnel = (string) $made['id'];
            $this->priceOffers($owner, $funnel, 1_234_500);
            $texts = [];
            foreach ($this->askApi($owner, 'GET', 'settings/phrases?language=en')['places'] as $place) {
                foreach ($place['phrases'] as $phrase) {
                    $texts[$phrase['key']] = $phrase['ships'];
                }
            }
            $this->askApi($owner, 'PUT', 'settings/phrases', ['language' => MadeUp::TAG, 'texts' => MadeUp::phrases($texts)]);
            $b = $this->browser(320, 640);
            foreach ([MadeUp::TAG => 'ltr', 'he' => 'rtl'] as $language => $direction) {
                $this->askApi($owner, 'PUT', "funnels/{$funnel}", ['language' => $language]);
                $this->publishAtOnce($owner, $funnel);
                foreach (['', '/confirmation', '/room', '/replay', '/sales', '/order', '/order-introductory', '/nothing'] as $page) {
                    $b->get(self::$site.'/wide-and-long'.$page);
                    self::assertSame($direction, $b->executeScript('return getComputedStyle(document.body).direction'), $page);
                    self::assertSame([320, []], $b->executeScript(<<<'JS'
                        const over = [...document.querySelectorAll('body *')].filter((e) => {
                            const box = e.getBoundingClientRect();
                            return box.width > 0 && !e.closest('.not-for-people, .unseen') && (box.right > innerWidth + 1 || box.left < -1);
                        });
                        return [document.documentElement.scrollWidth,
                            over.map((e) => `${e.tagName}.${e.className}: ${e.textContent}`).slice(0, 5)];
                        JS), "{$language}{$page}");
                }
            }
        });
    }

    public function test_lines_are_drawn_in_the_order_in_which_a_browser_draws_them(): void
    {
        $letters = ['א', 'ב', 'ג', 'a', 'b', 'c', '1', '2', '3', '.', ',', '-', '+', '%', '€', ' ', ':', '/', '(', ')', '#'];
        $dice = new Randomizer(new Mt19937(26));
        $lines = [];
        for ($i = 0; $i < 500; $i++) {
            $line = '';
            for ($n = $dice->getInt(3, 14); $n > 0; $n--) {
                $line .= $letters[$dice->getInt(0, count($letters) - 1)];
            }
            $lines[] = trim((string) preg_replace('/ +/', ' ', "א{$line}"));
        }
        $b = $this->browser();
        $b->get('data:text/html,<meta charset=utf-8><div dir=rtl id=line style="white-space:pre;font:20px monospace"></div>');
        $drawn = $b->executeScript(<<<'JS'
            const line = document.getElementById('line');
            return arguments[0].map((words) => {
                line.textContent = words;
                const places = [...words].map((letter, i) => {
                    const range = document.createRange();
                    range.setStart(line.firstChild, i);
                    range.setEnd(line.firstChild, i + 1);
                    const box = range.getBoundingClientRect();
                    return [box.left + box.width / 2, letter];
                });
                return places.sort((a, b) => a[0] - b[0]).map(([, letter]) => letter).join('');
            });
            JS, [$lines]);
        // A bracket that is mirrored is the other one of its pair.
        $plain = fn (string $line): string => str_replace(')', '(', $line);
        foreach ($lines as $i => $line) {
            self::assertSame($plain($drawn[$i]), $plain(VisualOrder::of($line)), $line);
        }
    }
}
