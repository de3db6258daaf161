<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use Lantern\Core\Events\Outcome;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Block\Link;
use Lantern\Core\Page\Look\Contrast;
use Lantern\Core\Page\Look\Paint;
use Lantern\Core\Page\PageFacts;
use Lantern\Core\Page\Section;
use Lantern\Core\Page\SectionKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;

/** What hurts on one page. It runs on the desk with every change and is part of the go-live check. */
final class PageCheck
{
    /**
     * Words that are meant to be replaced: a prompt of two words or more in square brackets, or filler Latin.
     * A single word in brackets is left alone, since people write "[sic]" or "[1]".
     */
    public const PLACEHOLDER = '/\[\s*\p{L}[^\[\]]*\s[^\[\]]+\]|\blorem ipsum\b/iu';

    /** A picture that weighs more than this makes a phone wait. Bytes. */
    private const HEAVY = 350_000;

    /** A headline of more characters fills a phone's first screen; a button of more breaks into lines. */
    private const LONG_HEADLINE = 90;

    private const LONG_BUTTON = 32;

    /** A paragraph of more characters is a wall on a phone. */
    private const LONG_PARAGRAPH = 700;

    private const MANY_FIELDS = 3;

    /** @var list<Finding> */
    private array $findings = [];

    private function __construct(private readonly Plan $plan, private readonly PagePlan $page, private readonly PageFacts $facts)
    {
    }

    /** @return list<Finding> blockers first, then advice, each from top to bottom */
    public static function of(Plan $plan, PagePlan $page, PageFacts $facts): array
    {
        $check = new self($plan, $page, $facts);
        $check->whole();
        foreach ($page->document->sections as $section) {
            $check->section($section);
        }
        $findings = $check->findings;
        usort($findings, fn (Finding $a, Finding $b): int => $b->blocks <=> $a->blocks);

        return $findings;
    }

    private function add(
        string $code,
        bool $blocks,
        string $message,
        string $place = '',
        string $fixLabel = '',
        string $open = 'page',
        ?string $id = null,
        string $openLabel = 'Show me',
    ): void {
        $this->findings[] = new Finding($code, $blocks, $message, $open, $id ?? $this->page->id, $openLabel, $place, $fixLabel);
    }

    private function whole(): void
    {
        $document = $this->page->document;
        $name = "“{$this->page->name}”";
        $forms = $document->blocksOf(BlockKind::Form);
        if ($this->page->role->hasOneGoal() && $forms === []) {
            $this->add('no-form', true, "{$name} has no form, so nobody can join.");
        }
        if ($document->headline() === '') {
            $this->add('no-headline', true, "{$name} has no headline.");
        } elseif (mb_strlen($document->headline()) > self::LONG_HEADLINE) {
            $this->add('long-for-phone', false, 'The headline fills the first screen of a phone: '.mb_strlen($document->headline())
                .' characters, '.self::LONG_HEADLINE.' are plenty.',
                ($document->blocksOf(BlockKind::Heading)[0] ?? null)->id ?? '');
        }
        if ($this->page->role->hasOneGoal()) {
            $this->oneGoal();
        }
        $before = true;
        foreach ($document->sections as $section) {
            foreach ($section->blocks as $block) {
                if ($block->kind === BlockKind::Heading && $block->words() !== '') {
                    $before = false;
                } elseif ($before && array_filter($block->items, fn (array $i): bool => ($i['title'] ?? '') !== '') !== []
                    && $block->kind !== BlockKind::Menu) {
                    $this->add('heading-order', false,
                        'Titles come before the headline here: whoever has the page read aloud meets them out of order.', $block->id);
                    $before = false;
                }
            }
        }
    }

    /** An opt-in page that offers other ways out loses people to them. */
    private function oneGoal(): void
    {
        $forms = array_unique(array_map(fn (Block $b): string => $b->field('form'), $this->page->document->blocksOf(BlockKind::Form)));
        if (count($forms) > 1) {
            $this->add('many-goals', false, 'Two different forms on one page: visitors do not know which one is meant.',
                $this->page->document->blocksOf(BlockKind::Form)[1]->id);
        }
        foreach ($this->page->document->sections as $section) {
            foreach ($section->kind === SectionKind::Footer ? [] : $section->blocks as $block) {
                foreach ($block->links() as $link) {
                    if (in_array(Link::read($link)->kind, ['page', 'outside', 'outcome'], true)) {
                        $this->add('many-goals', false, 'This page has one goal, the form; a link that leads away from it costs sign-ups.',
                            $block->id,
                            in_array($block->kind, [BlockKind::Menu, BlockKind::Button], true) ? 'Remove' : '');
                        break;
                    }
                }
            }
        }
    }

    private function section(Section $section): void
    {
        $this->contrast($section);
        foreach ($section->blocks as $block) {
            $this->words($block);
            $this->links($block);
            $this->pictures($block);
            $this->parts($block);
        }
    }

    private function contrast(Section $section): void
    {
        $look = $this->plan->lookOf($section->look ?? $this->page->document->look);
        $background = $section->background->isPaper() && $section->look === null ? $this->page->document->background : $section->background;
        if ($background->picture !== null && $background === $this->page->document->background) {
            return; // In front of a page's picture the words stand on a sheet of the look's paper.
        }
        $paint = Paint::of($look, $background, $this->facts->tonesOf($background));
        $this->outlines($section, $paint);
        $least = $paint->leastContrast();
        if ($least >= Contrast::TEXT - 0.005) {
            return;
        }
        $failing = array_filter($section->blocks,
            fn (Block $b): bool => $b->words() !== '' && ($least < Contrast::LARGE || $b->kind !== BlockKind::Heading));
        foreach ($failing as $block) {
            $this->add('contrast', false, '“'.mb_strimwidth($block->words(), 0, 40, '…').'” cannot be read well here: contrast '
                .number_format(floor($least * 10) / 10, 1).' to 1, '
                .($block->kind === BlockKind::Heading ? '3' : '4.5').' is the least.', $block->id, 'Choose a readable colour');
        }
    }

    private function outlines(Section $section, Paint $paint): void
    {
        foreach ($paint->outlineContrast() >= Contrast::LARGE ? [] : $section->blocks as $block) {
            if ($block->kind === BlockKind::Form) {
                $this->add('contrast', false, 'The outlines of the fields cannot be seen well here: contrast '
                    .number_format(floor($paint->outlineContrast() * 10) / 10, 1).' to 1, 3 is the least.', $block->id,
                    'Choose a readable colour');
            }
        }
    }

    private function words(Block $block): void
    {
        foreach ($block->passages() as $passage) {
            if (preg_match(self::PLACEHOLDER, $passage, $m) === 1) {
                $this->add('placeholder', true, "“{$this->page->name}” still says “".mb_strimwidth($m[0], 0, 60, '…').'”.',
                    $block->id);
                break;
            }
        }
        if ($block->kind === BlockKind::Heading && $block->words() === '') {
            $this->add('empty-heading', false, 'A heading here is empty; those who have the page read aloud stumble over it.', $block->id,
                'Remove');
        }
        if ($block->kind === BlockKind::Button && mb_strlen($block->field('text')) > self::LONG_BUTTON) {
            $this->add('long-for-phone', false, "The button “{$block->field('text')}” breaks into several lines on a phone.",
                $block->id);
        }
        foreach (preg_split('~</p>|</li>|<br\s*/?>~i', $block->field('html')) ?: [] as $paragraph) {
            if (mb_strlen(strip_tags($paragraph)) > self::LONG_PARAGRAPH) {
                $this->add('long-for-phone', false, 'A paragraph here is a wall of words on a phone. Two or three shorter ones are read.',
                    $block->id);
                break;
            }
        }
    }

    private function links(Block $block): void
    {
        $name = $block->field('text') !== '' ? "“{$block->field('text')}”" : 'A link';
        if (in_array($block->kind, [BlockKind::Button, BlockKind::Price], true) && $block->field('url') === '') {
            $this->add('empty-link', true,
                ($block->field('text') === '' ? 'A button' : "The button {$name}")." on “{$this->page->name}” leads nowhere.",
                $block->id,
                $block->kind === BlockKind::Button ? 'Remove' : '');
        }
        if ($block->kind === BlockKind::Menu && array_filter($block->items, fn (array $i): bool => ($i['url'] ?? '') === '') !== []) {
            $this->add('empty-link', true, "An entry of the menu on “{$this->page->name}” leads nowhere.", $block->id);
        }
        foreach ($block->links() as $url) {
            $link = Link::read($url);
            $outcome = $link->kind === 'outcome' ? Outcome::tryFrom($link->target) : null;
            $dead = match ($link->kind) {
                'page' => $this->plan->page($link->target) === null,
                'section' => $this->page->document->section($link->target) === null,
                'outcome' => $outcome === null || ! in_array($outcome, $this->page->outcomes(), true),
                // Inside a pop-up links go from step to step; on a page such a link leads nowhere.
                'popup' => in_array($link->target, Link::STEPS, true) ? ! $this->page->isPopup()
                    : $this->plan->popup($link->target) === null,
                default => false,
            };
            if ($dead) {
                $this->add('dead-link', true, "{$name} on “{$this->page->name}” leads to something that is gone.", $block->id);
            } elseif ($outcome !== null && $this->plan->way($this->page->id, $outcome) === null
                && ! in_array($outcome, GoLiveCheck::outcomes($this->plan, $this->page), true)) {
                $this->add('dead-link', true,
                    "{$name} on “{$this->page->name}” leads nowhere yet: no way is chosen for {$outcome->who()}.",
                    $block->id, open: 'way', openLabel: 'Choose where they go');
            }
        }
    }

    private function pictures(Block $block): void
    {
        foreach ($block->pictures() as $id) {
            if (($this->facts->bytes[$id] ?? 0) > self::HEAVY) {
                $this->add('heavy-picture', false, 'A picture here weighs '.number_format($this->facts->bytes[$id] / 1000)
                    .' KB; on a train nobody waits for it. A calmer or smaller one weighs less.', $block->id);
            }
        }
        $described = in_array($block->kind, [BlockKind::Picture, BlockKind::Cover, BlockKind::Gallery, BlockKind::Logos], true);
        foreach ($described ? [$block->fields, ...$block->items] : [] as $fields) {
            if (($fields['picture'] ?? '') !== '' && trim($fields['alt'] ?? '') === '') {
                $this->add('no-description', false,
                    "A picture on “{$this->page->name}” has no description for those who cannot see it.",
                    $block->id);
                break;
            }
        }
        $empty = match ($block->kind) {
            BlockKind::Picture => $block->field('picture') === '',
            BlockKind::Gallery, BlockKind::Logos => array_filter($block->items, fn (array $i): bool => ($i['picture'] ?? '') !== '') === [],
            default => false,
        };
        if ($empty) {
            $this->add('empty-picture', false, 'A place for a picture is empty. Visitors do not see it.', $block->id, 'Remove');
        }
    }

    private function parts(Block $block): void
    {
        if ($block->kind === BlockKind::Form) {
            $form = $this->plan->form($block->field('form'));
            if ($form === null) {
                $this->add('form-gone', true, "The form on “{$this->page->name}” is gone.", $block->id);
            } elseif (count($form->fields) > self::MANY_FIELDS) {
                $this->add('many-fields', false, 'The form asks for '.count($form->fields)
                    .' things. Every one beyond the address costs sign-ups.', $block->id, open: 'form', id: $form->id,
                    openLabel: 'Open the form');
            }
        }
        if ($block->kind === BlockKind::Download && $this->plan->leadMagnet($block->field('leadMagnet')) === null) {
            $this->add('download-gone', true, "The download on “{$this->page->name}” is tied to nothing.", $block->id);
        }
        if ($block->kind === BlockKind::Video) {
            $url = $block->field('url');
            if ($block->field('video') === '' && $url === '') {
                $shown = in_array($this->page->role, [PageRole::Lesson, PageRole::Room, PageRole::Replay], true);
                $this->add('no-video', $shown, "“{$this->page->name}” has a place for a video and no video yet.", $block->id,
                    $shown ? '' : 'Remove');
            } elseif ($url !== '' && ! $this->facts->mayEmbed($url)) {
                $this->add('embed-refused', false,
                    'This video comes from a place that is not on your list, so visitors see a link instead. Add its host under Settings.',
                    $block->id);
            }
        }
        if ($block->kind === BlockKind::Countdown && $block->field('until') === '' && $block->field('deadline') === '') {
            $this->add('no-moment', true, "The countdown on “{$this->page->name}” has no end. Choose a deadline, or say until "
                .'when.', $block->id, 'Remove');
        }
    }
}
