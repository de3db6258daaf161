<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Events\Outcome;
use Lantern\Core\Languages\Languages;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Parts\Part;

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
            $groups[] = new self($page->name,
                $before === null ? ['This page is new.'] : [...$page->changesSince($before), ...self::ways($was, $is, $page)]);
        }
        foreach ($was->pages as $page) {
            if ($is->page($page->id) === null) {
                $groups[] = new self($page->name, ['This page is removed.']);
            }
        }
        $groups[] = new self('Forms, emails and files', self::others($was, $is));

        return array_values(array_filter($groups, fn (self $g): bool => $g->sentences !== []));
    }

    /** @return list<string> */
    private static function whole(Plan $was, Plan $is): array
    {
        $sentences = [];
        if ($was->name !== $is->name) {
            $sentences[] = "The funnel was called “{$was->name}”.";
        }
        if ($was->address !== $is->address) {
            $sentences[] = "Its address is “{$is->address}”; “{$was->address}” leads there from now on.";
        }
        if ($was->goal !== $is->goal) {
            $sentences[] = 'What the funnel is for is different.';
        }
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
        if ($was->currency !== $is->currency && ($was->offers !== [] || $is->offers !== [])) {
            $sentences[] = "It sells in {$is->currency}; it sold in {$was->currency}.";
        }
        if ($was->language !== $is->language) {
            $sentences[] = 'Visitors are spoken to in '.Languages::name($is->language).'; it was '.Languages::name($was->language).'.';
        }
        if ($was->phrases()->toArray() !== $is->phrases()->toArray()) {
            $sentences[] = 'Some of what is said to visitors is in other words.';
        }
        if ($was->times->toArray() !== $is->times->toArray()) {
            $sentences[] = $is->times->words();
        }
        if ($was->sender->toArray() !== $is->sender->toArray()) {
            $sentences[] = 'What Settings say of your business is different.';
        }
        foreach (PartKinds::ALL as $kind) {
            $order = fn (Plan $a, Plan $b): array => array_values(array_filter(
                array_map(fn (Part $p): string => $p->id(), $a->partsOf($kind)), fn (string $id): bool => $b->part($id) !== null));
            if ($order($was, $is) !== $order($is, $was)) {
                $sentences[] = 'The '.$kind::label().'s are in another order.';
            }
        }

        return $sentences;
    }

    /** @return list<string> where outcomes of a page lead now, where they led elsewhere before */
    private static function ways(Plan $was, Plan $is, PagePlan $page): array
    {
        $sentences = [];
        foreach (Outcome::cases() as $outcome) {
            $new = $is->way($page->id, $outcome);
            if ($was->way($page->id, $outcome)?->toArray() !== $new?->toArray()) {
                $target = $new === null ? '' : $new->toUrl ?? '“'.($is->page((string) $new->toPage)->name ?? 'a page that is gone').'”';
                $sentences[] = str_replace('..', '.', "{$outcome->whoFirst()} ".($new === null ? 'are led nowhere.' : "go to {$target}."));
            }
        }

        return $sentences;
    }

    /** @return list<string> what became of all parts but the pages */
    private static function others(Plan $was, Plan $is): array
    {
        $sentences = [];
        foreach ($is->parts as $part) {
            $before = $was->part($part->id());
            array_push($sentences, ...match (true) {
                $part instanceof PagePlan => [],
                $before === null => ['New '.$part::label().": “{$part->name()}”."],
                default => $part->changesSince($before),
            });
        }
        foreach ($was->parts as $part) {
            if (! $part instanceof PagePlan && $is->part($part->id()) === null) {
                $sentences[] = 'Removed '.$part::label().": “{$part->name()}”.";
            }
        }

        return $sentences;
    }
}
