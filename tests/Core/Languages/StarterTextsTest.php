<?php

declare(strict_types=1);

namespace Tests\Core\Languages;

use DateTimeImmutable;
use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\LeadMagnet;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Sender;
use Lantern\Core\Starters\Starter;
use Lantern\Core\Starters\StarterDesk;
use Lantern\Core\Starters\StarterGuide;
use Lantern\Core\Starters\StarterPages;
use Lantern\Core\Starters\StarterReminders;
use Lantern\Core\Starters\StarterWords;
use Lantern\Core\Webinars\WebinarMode;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\MadeUp;

/** The starters are written whole in each language that they are written in, and say nothing past it. */
final class StarterTextsTest extends TestCase
{
    private const ROOT = __DIR__.'/../../..';

    /** @return array{list<Plan>, array<string, true>} every plan that the starters make, and the texts they asked for */
    private static function all(): array
    {
        $words = new class implements StarterWords
        {
            /** @var array<string, true> */
            public array $asked = [];

            public function of(string $english): string
            {
                $this->asked[$english] = true;

                return MadeUp::greek($english);
            }
        };
        $n = 0;
        $newId = function () use (&$n): string {
            return sprintf('%026d', ++$n);
        };
        $sender = new Sender('Φερν', 'Ιμκε', 'imke@ferncroft.example', '', 'Europe/Berlin');
        $plans = [];
        foreach (Goal::cases() as $goal) {
            foreach (WebinarMode::cases() as $mode) {
                $file = new LeadMagnet('lm', 'Φ', 'f', 'plan.pdf', 'application/pdf', 5);
                foreach ([[null, false], [$file, false], [$file, true], [new LeadMagnet('lm', 'Φ'), true]] as [$leadMagnet, $guide]) {
                    foreach (['Φ', ''] as $title) {
                        $plans[] = (new Starter($sender, $newId, new DateTimeImmutable('2027-01-01'), $words))
                            ->build($goal, 'Name', $title, 'address', $leadMagnet, mode: $mode, withGuide: $guide);
                    }
                }
            }
        }
        foreach (PageRole::ofPages() as $role) {
            // A page that is added later has its address in the language, too.
            $words->of($role->address());
            foreach (range(1, 4) as $number) {
                StarterPages::of($role, (new StarterDesk($sender, $newId, 'Φ', words: $words))->inFunnel(['sales' => 'x']), $number);
            }
        }

        $desk = new StarterDesk($sender, $newId, 'Φ', words: $words);
        StarterGuide::more($desk, new Guide('g', 'Φ'), 'Φ');
        StarterReminders::parts($desk, new Guide('g', 'Φ'), [], [['days' => 1, 'not' => 'begun'], ['days' => 2, 'not' => 'finished'],
            ['days' => 3, 'not' => 'finished']]);
        $desk->link('sales');
        StarterGuide::pages($desk, new Guide('g', 'Φ'));

        return [$plans, array_filter($words->asked, fn (string $k): bool => $k !== '', ARRAY_FILTER_USE_KEY)];
    }

    /** @return array<string, string> by their English words */
    private static function texts(string $language): array
    {
        return (array) json_decode((string) file_get_contents(self::ROOT."/lang/{$language}.json"), true, 3, JSON_THROW_ON_ERROR);
    }

    /** @return list<string> merge fields, values and marks of a text, in no order */
    private static function parts(string $text): array
    {
        // What stands after a bar is said where the field is empty.
        preg_match_all('~\{\{[a-z_]+|(?<![\w"]):[a-z]+[A-Z]?[a-z]*\b|href="[^"]*"|</?[a-z]+~', str_replace(': ', ' ', $text), $m);
        $parts = $m[0];
        sort($parts);

        return $parts;
    }

    public function test_nothing_that_a_visitor_reads_goes_past_the_language(): void
    {
        foreach (self::all()[0] as $plan) {
            $found = [];
            $texts = [];
            foreach ([...$plan->pages, ...$plan->popups, ...$plan->guidePages] as $page) {
                foreach ($page->document->sections as $section) {
                    foreach ($section->blocks as $block) {
                        $texts[] = MergeFields::fill($block->words(), [], strval(...));
                    }
                }
            }
            foreach ($plan->emails as $email) {
                array_push($texts, MergeFields::fill($email->subject, [], strval(...)), strip_tags(MergeFields::fill($email->body, [],
                    strval(...))));
            }
            foreach ($plan->forms as $form) {
                array_push($texts, $form->button, $form->consent, ...array_map(fn ($f): string => $f->label, $form->fields));
            }
            foreach ($plan->products as $product) {
                array_push($texts, $product->name, $product->line);
            }
            foreach ($plan->offers as $offer) {
                array_push($texts, ...array_map(fn ($b): string => $b->text, $offer->bumps));
            }
            foreach ($plan->deadlines as $deadline) {
                $texts[] = $deadline->warning->text;
            }
            foreach ($texts as $text) {
                array_push($found, ...MadeUp::found($text, ''));
            }
            self::assertSame([], array_values(array_unique($found)), $plan->goal->value);
        }
    }

    /** @return iterable<string, array{string}> */
    public static function languages(): iterable
    {
        foreach (['de', 'es'] as $language) {
            yield $language => [$language];
            yield "{$language}, formal" => ["{$language}-x-formal"];
        }
    }

    #[DataProvider('languages')]
    public function test_every_text_is_there_with_the_same_parts(string $language): void
    {
        $asked = self::all()[1];
        $texts = self::texts($language);
        self::assertGreaterThan(250, count($asked));
        self::assertSame([], array_keys(array_diff_key($texts, $asked)), 'what no starter says');
        if (str_contains($language, 'formal')) {
            self::assertSame([], array_keys(array_intersect_assoc($texts, self::texts(explode('-', $language)[0]))), 'said no other way');
        } else {
            self::assertSame([], array_keys(array_diff_key($asked, $texts)), 'what is missing');
        }
        foreach ($texts as $english => $text) {
            self::assertSame(self::parts($english), self::parts($text), $english);
            self::assertSame(trim($text), $text);
        }
    }

    public function test_formal_texts_never_say_du_or_tu(): void
    {
        $all = fn (string $language): string => implode("\n", self::texts("{$language}-x-formal") + self::texts($language));

        self::assertSame(0, preg_match_all('/\b(?:du|dich|dir|dein\w*)\b/iu', $all('de'), $m), implode(', ', $m[0]));
        self::assertSame(0, preg_match_all('/\b(?:tú|te|ti|tus?|tuyo|contigo)\b/iu', $all('es'), $m), implode(', ', $m[0]));
    }
}
