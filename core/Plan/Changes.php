<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Page\Section;

/** What differs between two plans of one funnel, page by page, in words for its owner. */
final readonly class Changes
{
    /**
     * @param  string  $about  a page's private name, or what the changes are about
     * @param  list<string>  $sentences
     */
    private function __construct(public string $about, public array $sentences)
    {
    }

    /** @return list<self> the funnel as a whole first, then its pages in the order of the way; nothing for what is the same */
    public static function between(Plan $was, Plan $is): array
    {
        $groups = [new self('The whole funnel', self::whole($was, $is))];
        foreach ($is->pages as $page) {
            $before = $was->page($page->id);
            $groups[] = new self($page->name, $before === null ? ['This page is new.'] : self::page($was, $is, $before, $page));
        }
        foreach ($was->pages as $page) {
            if ($is->page($page->id) === null) {
                $groups[] = new self($page->name, ['This page is taken out.']);
            }
        }
        $groups[] = new self('Forms, emails and files', self::others($was, $is));

        return array_values(array_filter($groups, fn (self $g): bool => $g->sentences !== []));
    }

    /** @return list<string> */
    private static function whole(Plan $was, Plan $is): array
    {
        $sentences = [];
        if ($was->lookId !== $is->lookId) {
            $sentences[] = 'The look is “'.Looks::get($is->lookId)->name.'”; it was “'.Looks::get($was->lookId)->name.'”.';
        }
        if ($was->changes->toArray() !== $is->changes->toArray()) {
            $sentences[] = 'Your own colours or fonts are different.';
        }
        if ($was->logo !== $is->logo || $was->icon !== $is->icon) {
            $sentences[] = 'The logo or the icon is different.';
        }
        if ($was->fields !== $is->fields || $was->parameters !== $is->parameters) {
            $sentences[] = 'The funnel’s own fields are different.';
        }
        if ($was->sender->toArray() !== $is->sender->toArray()) {
            $sentences[] = 'What Settings say of your business is different.';
        }
        $order = fn (Plan $a, Plan $b): array => array_values(array_filter(array_map(fn (PagePlan $p): string => $p->id, $a->pages), fn (string $id): bool => $b->page($id) !== null));
        if ($order($was, $is) !== $order($is, $was)) {
            $sentences[] = 'The pages are in another order.';
        }

        return $sentences;
    }

    /** @return list<string> */
    private static function page(Plan $wasPlan, Plan $isPlan, PagePlan $was, PagePlan $is): array
    {
        $sentences = [];
        if ($was->name !== $is->name) {
            $sentences[] = "It was called “{$was->name}”.";
        }
        if ($was->address !== $is->address && $is->address !== '') {
            $sentences[] = "Its address ends in “{$is->address}”; ".($was->address === '' ? 'it was the entry page.' : "“{$was->address}” leads there from now on.");
        }
        if ($was->settings->toArray() !== $is->settings->toArray()) {
            $sentences[] = 'What it tells browsers and search engines, or your own code on it, is different.';
        }
        if ($was->document->look !== $is->document->look || $was->document->background->toArray() !== $is->document->background->toArray()) {
            $sentences[] = 'Its look or its background is different.';
        }
        array_push($sentences, ...self::sections($was, $is));
        foreach ($is->role->possibleOutcomes() as $outcome) {
            $old = $wasPlan->way($was->id, $outcome);
            $new = $isPlan->way($is->id, $outcome);
            if ($old?->toArray() !== $new?->toArray()) {
                $sentences[] = "{$outcome->whoFirst()} ".($new === null ? 'are led nowhere.' : 'go to '.($new->toUrl ?? '“'.($isPlan->page((string) $new->toPage)->name ?? 'a page that is gone').'”').'.');
            }
        }

        return array_map(fn (string $s): string => str_replace('..', '.', $s), $sentences);
    }

    /** @return list<string> */
    private static function sections(PagePlan $was, PagePlan $is): array
    {
        $sentences = [];
        foreach ($is->document->sections as $section) {
            $before = $was->document->section($section->id);
            if ($before === null) {
                $sentences[] = "New section: “{$section->title()}”.";
            } else {
                array_push($sentences, ...self::section($before, $section));
            }
        }
        foreach ($was->document->sections as $section) {
            if ($is->document->section($section->id) === null) {
                $sentences[] = "Taken out: “{$section->title()}”.";
            }
        }
        $order = fn (PagePlan $a, PagePlan $b): array => array_values(array_filter(array_map(fn (Section $s): string => $s->id, $a->document->sections), fn (string $id): bool => $b->document->section($id) !== null));
        if ($order($was, $is) !== $order($is, $was)) {
            $sentences[] = 'Its sections are in another order.';
        }

        return $sentences;
    }

    /** @return list<string> */
    private static function section(Section $was, Section $is): array
    {
        $old = array_column(array_map(fn (Block $b): array => [$b->id, $b], $was->blocks), 1, 0);
        $new = array_column(array_map(fn (Block $b): array => [$b->id, $b], $is->blocks), 1, 0);
        $what = [];
        foreach ($new as $id => $block) {
            $before = $old[$id] ?? null;
            if ($before === null) {
                $what[] = mb_strtolower($block->kind->label()).' added';
            } elseif ($before->passages() !== $block->passages()) {
                $what[] = $block->kind->label() === 'Heading' ? 'heading' : 'words';
            } elseif ($before->pictures() !== $block->pictures() || $before->field('video') !== $block->field('video')) {
                $what[] = 'picture';
            } elseif ($before->toArray() !== $block->toArray()) {
                $what[] = mb_strtolower($block->kind->label());
            }
        }
        foreach (array_diff_key($old, $new) as $block) {
            $what[] = mb_strtolower($block->kind->label()).' taken out';
        }
        if (array_keys(array_intersect_key($old, $new)) !== array_keys(array_intersect_key($new, $old))) {
            $what[] = 'order';
        }
        if ($was->arrangement !== $is->arrangement) {
            $what[] = 'arrangement';
        }
        if ($was->background->toArray() !== $is->background->toArray() || $was->look !== $is->look) {
            $what[] = 'background';
        }
        if ($was->hidden !== $is->hidden) {
            $what[] = 'where it is hidden';
        }

        return $what === [] ? [] : ["Changed in “{$is->title()}”: ".implode(', ', array_values(array_unique($what))).'.'];
    }

    /** @return list<string> */
    private static function others(Plan $was, Plan $is): array
    {
        $sentences = [];
        foreach ($is->forms as $form) {
            $before = $was->form($form->id);
            if ($before === null || $before->toArray() !== $form->toArray()) {
                $sentences[] = ($before === null ? 'New form: ' : 'Changed form: ')."“{$form->name}”.";
            }
        }
        foreach ($is->emails as $email) {
            $before = $was->email($email->id);
            if ($before === null || $before->toArray() !== $email->toArray()) {
                $sentences[] = ($before === null ? 'New email: ' : 'Changed email: ')."“{$email->name}”.";
            }
        }
        foreach ($was->emails as $email) {
            if ($is->email($email->id) === null) {
                $sentences[] = "Email taken out: “{$email->name}”.";
            }
        }
        foreach ($is->leadMagnets as $gift) {
            if ($was->leadMagnet($gift->id)?->toArray() !== $gift->toArray()) {
                $sentences[] = "“{$gift->title}” has another file or title.";
            }
        }

        return $sentences;
    }
}
