<?php

declare(strict_types=1);

namespace App\Rendering;

use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Forms\FormField;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Block\Blocks;
use Lantern\Core\Page\Block\Entrance;
use Lantern\Core\Page\Look\Look;
use Lantern\Core\Page\Section;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;

/** Which fonts and which parts of the styles a page needs. */
final readonly class PageAssets
{
    /** The parts of the styles beside the base, which is always there; blocks say which they need. */
    private const GROUPS = ['points', 'proof', 'sell', 'countdown', 'pay', 'media', 'popup', 'webinar', 'share', 'entrance', 'guide'];

    /** So many sections a page begins with, before anybody scrolls. */
    private const FIRST = 2;

    /**
     * @param  list<array{string, int}>  $first  family and weight of the fonts that are loaded at once
     * @param  list<array{string, int}>  $fonts  of all fonts
     * @param  list<string>  $groups  of styles
     * @param  array<string, list<float>>  $sizes  how far what stands in for a font is stretched, by its family and weight
     * @param  string  $language  by whose letters fonts are chosen
     */
    private function __construct(public array $first, public array $fonts, public array $groups, public array $sizes = [],
        public string $language = 'en')
    {
    }

    public static function of(Plan $plan, PagePlan $page): self
    {
        return new self(self::ownLook($plan, $page)->fonts(), self::fontsOf($plan, $page), self::groups($plan, $page, false),
            self::sizesOf($plan, $page), $plan->languageOf($page));
    }

    /** For a page of the application's own making, in the look of a funnel. */
    public static function ofLook(Look $look, string $language = 'en'): self
    {
        return new self($look->fonts(), array_values(array_unique($look->fonts(), SORT_REGULAR)), ['base'], language: $language);
    }

    /** For the desk, where anything may be added. */
    public static function withAllStyles(Plan $plan, PagePlan $page): self
    {
        return new self(self::ownLook($plan, $page)->fonts(), self::fontsOf($plan, $page), self::groups($plan, $page, true),
            language: $plan->languageOf($page));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['first' => $this->first, 'fonts' => $this->fonts, 'groups' => $this->groups, 'sizes' => $this->sizes,
            'language' => $this->language];
    }

    /** @param  array<string, mixed>  $written  as `toArray` wrote it */
    public static function fromArray(array $written): self
    {
        $fonts = function (mixed $list): array {
            $read = [];
            foreach (is_array($list) ? $list : [] as $font) {
                if (is_array($font) && is_string($font[0] ?? null) && is_int($font[1] ?? null)) {
                    $read[] = [$font[0], $font[1]];
                }
            }

            return $read;
        };
        $groups = is_array($written['groups'] ?? null) ? $written['groups'] : [];
        $sizes = [];
        foreach (is_array($written['sizes'] ?? null) ? $written['sizes'] : [] as $font => $of) {
            $sizes[(string) $font] = array_values(array_map(floatval(...), array_filter(is_array($of) ? $of : [], is_numeric(...))));
        }

        return new self($fonts($written['first'] ?? null), $fonts($written['fonts'] ?? null),
            array_values(array_filter($groups, is_string(...))), $sizes,
            is_string($written['language'] ?? null) ? $written['language'] : 'en');
    }

    private static function ownLook(Plan $plan, PagePlan $page): Look
    {
        return $plan->lookOf($page->document->look);
    }

    /** @return list<array{string, int}> */
    private static function fontsOf(Plan $plan, PagePlan $page): array
    {
        $looks = [self::ownLook($plan, $page), ...array_map(fn (string $id): Look => $plan->lookOf($id), $page->document->looks())];

        return array_values(array_unique(array_merge(...array_map(fn (Look $l): array => $l->fonts(), $looks)), SORT_REGULAR));
    }

    /** @param  list<Section>  $sections */
    private static function comesIn(array $sections): bool
    {
        return array_filter($sections, fn (Section $s): bool => $s->entrance !== Entrance::None
            || array_filter($s->blocks, fn (Block $b): bool => $b->entrance !== Entrance::None) !== []) !== [];
    }

    /**
     * By the words that the page has in each font where it begins: what is in view when the fonts come is what could jump.
     *
     * @return array<string, list<float>>
     */
    private static function sizesOf(Plan $plan, PagePlan $page): array
    {
        $words = [];
        foreach ($page->document->sections as $i => $section) {
            $look = $plan->lookOf($section->look ?? $page->document->look);
            $heading = "{$look->headingFont} {$look->headingWeight}";
            $found = [];
            foreach ($section->blocks as $block) {
                $font = match ($block->kind) {
                    BlockKind::Heading, BlockKind::Logo => $heading,
                    BlockKind::Button, BlockKind::Download => "{$look->bodyFont} 700",
                    default => "{$look->bodyFont} 400",
                };
                $text = MergeFields::fill($block->words(), ['business' => $plan->sender->business] + $plan->fields, strval(...));
                $found[$font] = ($found[$font] ?? '').($font === $heading && $look->capitals ? mb_strtoupper($text) : $text);
                $labels = array_map(fn (FormField $f): string => $f->label, $plan->form($block->field('form'))->fields ?? []);
                $found["{$look->bodyFont} 700"] = ($found["{$look->bodyFont} 700"] ?? '').implode('', $labels);
            }
            foreach ($found as $font => $text) {
                $words[$font] = $i < self::FIRST || ($words[$font] ?? '') === '' ? ($words[$font] ?? '').$text : $words[$font];
            }
        }
        $sizes = [];
        foreach (self::fontsOf($plan, $page) as [$family, $weight]) {
            [$drawn, $drawnWeight] = FontFiles::drawnIn($family, $weight, $plan->languageOf($page));
            $sizes["{$family} {$weight}"] = StandIns::sizes($drawn, $drawnWeight, $words["{$family} {$weight}"] ?? '');
        }

        return $sizes;
    }

    /** @return list<string> */
    private static function groups(Plan $plan, PagePlan $page, bool $all): array
    {
        $groups = ['base'];
        $needed = array_map(fn (Block $b): string => Blocks::of($b->kind)->css, $page->document->blocks());
        foreach (self::GROUPS as $group) {
            $used = in_array($group, $needed, true);
            // Pictures and videos behind a section need the styles of media too.
            $behind = $group === 'media' && array_filter($page->document->sections,
                fn (Section $s): bool => $s->background->picture !== null || $s->background->video !== null) !== [];
            $warns = $group === 'countdown' && array_filter($plan->deadlines, fn (Deadline $d): bool => $d->warning->isShown()
                && $d->guardedPage($page->id) !== null) !== [];
            $registers = $group === 'webinar' && array_filter($page->document->blocksOf(BlockKind::Form),
                fn (Block $b): bool => ($plan->form($b->field('form'))->webinar ?? '') !== '') !== [];
            $comesIn = $group === 'entrance' && self::comesIn($page->document->sections);
            $isRead = $group === 'guide' && $page->role === PageRole::Guide;
            if ($group === 'popup' ? $page->isPopup() : $all || $isRead || $used || $behind || $warns || $registers || $comesIn) {
                $groups[] = $group;
            }
        }

        return $groups;
    }
}
