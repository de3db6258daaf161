<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use DateTimeImmutable;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Events\Trigger\TagAdded;
use Lantern\Core\Languages\Languages;
use Lantern\Core\Offers\Product;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Block\Link;
use Lantern\Core\Page\PageFacts;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Rules\DeedRule;
use Lantern\Core\Sequences\EmailPlan;

/** What still stands between a funnel and the public. Blockers come first, then advice, each in the order of the way. */
final class GoLiveCheck
{
    /**
     * @param  DateTimeImmutable|null  $now  what days without a year are read by; none leaves them out
     * @param  list<string>  $own  names of the owner's own fields of people
     * @param  RuleSurroundings  $around  what else its rules may set off, or be set off by
     * @return list<Finding>
     */
    public static function of(Plan $plan, PageFacts $facts = new PageFacts, ?DateTimeImmutable $now = null, array $own = [],
        RuleSurroundings $around = new RuleSurroundings): array
    {
        $findings = [...self::sender($plan), ...self::language($plan), ...self::connections($plan)];
        foreach ($plan->pages as $page) {
            array_push($findings, ...PageCheck::of($plan, $page, $facts));
        }
        foreach ($plan->emails as $email) {
            // That the postal address is missing is said once, of the sender.
            $emailFacts = EmailFacts::ofPlan($plan, $now ?? new DateTimeImmutable('@0'), $own, 'said of the sender');
            array_push($findings,
                ...array_filter(EmailCheck::of($email->name, $email->subject, $email->body, $emailFacts, 'email', $email->id),
                    fn (Finding $f): bool => $now !== null || ! str_starts_with($f->code, 'deadline')));
        }
        array_push($findings, ...self::sequences($plan), ...OfferCheck::of($plan), ...DeadlineCheck::of($plan, $now),
            ...RuleCheck::of($plan, $around, $own), ...PopupCheck::of($plan, $facts),
            ...GuideCheck::of($plan, $facts), ...WebinarCheck::of($plan, $now),
            ...SplitTestCheck::of($plan, fn (Plan $p): array => self::of($p, $facts, $now, $own, $around)));
        array_push($findings, ...self::delivery($plan), ...self::trusted($plan, $facts));
        usort($findings, fn (Finding $a, Finding $b): int => $b->blocks <=> $a->blocks);

        return $findings;
    }

    /** @param  list<Finding>  $findings */
    public static function blocked(array $findings): bool
    {
        return array_filter($findings, fn (Finding $f): bool => $f->blocks) !== [];
    }

    /** @return list<Finding> what an owner should know of that is not looked into: code on pages, and addresses that get people's data */
    private static function trusted(Plan $plan, PageFacts $facts): array
    {
        $findings = [];
        foreach ($plan->pages as $page) {
            if ($page->settings->hasCode()) {
                $findings[] = new Finding('own-code', false, $facts->codeRuns
                    ? "“{$page->name}” carries code of your own. It can do anything on that page: publish only what you trust."
                    : "The code of your own on “{$page->name}” does not run: the Studio and your pages share one host. Give the "
                        .'pages a host '
                        .'of their own (SITE_URL), and it will.', 'page', $page->id, 'Open the page');
            }
        }
        foreach ($plan->forms as $form) {
            if ($form->hook !== '') {
                $findings[] = new Finding('hook', false, "What people fill in at “{$form->name}” is also sent to {$form->hook}", 'form',
                    $form->id,
                    'Open the form');
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function sender(Plan $plan): array
    {
        $missing = array_keys(array_filter([
            'a sender name' => trim($plan->sender->name) === '',
            'a sender address' => trim($plan->sender->address) === '',
            'a postal address' => trim($plan->sender->postalAddress) === '',
        ]));
        if ($plan->emails === [] || $missing === []) {
            return [];
        }
        $what = count($missing) === 1 ? $missing[0] : implode(', ', array_slice($missing, 0, -1)).' and '.$missing[count($missing) - 1];

        return [new Finding('sender-missing', true, "Emails need {$what}: the law and the spam filters ask for it.", 'settings', '',
            'Add it in Settings')];
    }

    /** @return list<Finding> a language that the application does not speak, where nobody has said its phrases in it either */
    private static function language(Plan $plan): array
    {
        $findings = [];
        $languages = array_values(array_unique([$plan->language, ...array_map($plan->languageOf(...), $plan->pages)]));
        foreach ($languages as $language) {
            if (! Languages::isSpoken($language) && ($plan->phrases()->texts[$language] ?? []) === []) {
                $name = Languages::name($language);
                $findings[] = new Finding('language', false, 'What the application itself says is in English here: it does not speak '
                    ."{$name} yet. You can say its phrases in {$name} yourself, one by one or from a file.", 'phrases', '',
                    'Say them yourself');
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function connections(Plan $plan): array
    {
        if ($plan->entry() === null) {
            return [new Finding('no-pages', true, 'This funnel has no page to show.', 'settings', '', 'Open the funnel')];
        }
        $findings = [];
        foreach ($plan->pages as $page) {
            foreach (self::outcomes($plan, $page) as $outcome) {
                $way = $plan->way($page->id, $outcome);
                if ($way === null) {
                    $findings[] = new Finding('dead-end', true, "“{$page->name}” leads nowhere for {$outcome->who()}.", 'way',
                        $page->id,
                        'Choose where they go');
                } elseif ($way->toPage !== null && $plan->page($way->toPage) === null) {
                    $findings[] = new Finding('dead-end', true, "“{$page->name}” leads to a page that is gone for {$outcome->who()}.",
                        'way', $page->id, 'Choose where they go');
                }
            }
        }
        $reached = self::reachable($plan);
        foreach ($plan->pages as $page) {
            // The closed page is shown while the funnel is closed, whether a way leads there or not.
            if (! isset($reached[$page->id]) && $page->role !== PageRole::Closed) {
                $findings[] = new Finding('unreachable', false, "No way leads to “{$page->name}”, so nobody will see it.", 'page',
                    $page->id, 'Open the page');
            }
        }

        return $findings;
    }

    /**
     * @return list<Outcome> what can happen on the page and must lead somewhere: a form on it means people can join, whatever its
     *     role, and on a sales page whose offer is bought elsewhere they choose it
     */
    public static function outcomes(Plan $plan, PagePlan $page): array
    {
        $outcomes = $page->role->outcomes();
        if ($page->document->blocksOf(BlockKind::Checkout) !== []) {
            $outcomes = [Outcome::Bought];
        } elseif ($page->role === PageRole::Sales && ($plan->way($page->id, Outcome::Chose) !== null
            || $plan->pageOf(PageRole::Checkout) !== null)) {
            $outcomes = [Outcome::Chose];
        }
        if ($page->document->blocksOf(BlockKind::Form) !== [] && ! in_array(Outcome::Joined, $outcomes, true)) {
            $outcomes[] = Outcome::Joined;
        }

        return $outcomes;
    }

    /** @return array<string, true> ids of the pages that can be reached from the entry page and from the emails */
    private static function reachable(Plan $plan): array
    {
        $reached = [];
        $next = [$plan->entry()?->id];
        foreach ($plan->emails as $email) {
            preg_match_all('/\{\{\s*page_([A-Za-z0-9-]+)/', $email->body, $m);
            array_push($next, ...$m[1]);
        }
        while ($next !== []) {
            $id = array_shift($next);
            if ($id === null || isset($reached[$id]) || $plan->page($id) === null) {
                continue;
            }
            $reached[$id] = true;
            foreach ($plan->ways as $way) {
                if ($way->page === $id) {
                    $next[] = $way->toPage;
                }
            }
            foreach ($plan->page($id)->document->blocks() as $block) {
                foreach ($block->links() as $url) {
                    $link = Link::read($url);
                    $next[] = $link->kind === 'page' ? $link->target : null;
                }
            }
        }

        return $reached;
    }

    /** @return list<Finding> */
    private static function sequences(Plan $plan): array
    {
        $findings = [];
        $byProducts = array_map(fn (Product $p): ?string => $p->sequence, $plan->products);
        foreach ($plan->sequences as $sequence) {
            if ($plan->emailsOf($sequence->id) !== [] && $sequence->starts->isEmpty() && ! in_array($sequence->id, $byProducts, true)) {
                $findings[] = new Finding('never-started', false, "Nothing starts “{$sequence->name}”: no form, no tag and no product. "
                    .'Its emails go to those only whom you put into it yourself.', 'sequence', $sequence->id, 'Open the sequence');
            }
            foreach ([...$sequence->starts->references(), ...$sequence->ends->references()] as $id) {
                if ($plan->nameOf($id) === '') {
                    $findings[] = new Finding('trigger-gone', false, "“{$sequence->name}” waits for something that is gone.",
                        'sequence',
                        $sequence->id, 'Open the sequence');
                }
            }
        }
        foreach ($plan->forms as $form) {
            foreach ($plan->startedBy(new Event(EventType::Joined, new DateTimeImmutable('@0'), form: $form->id)) as $sequence) {
                foreach ($form->tags as $tag) {
                    if ($sequence->ends->has(new TagAdded($tag))) {
                        $findings[] = new Finding('ends-at-once', true,
                            "“{$form->name}” starts “{$sequence->name}” and gives the tag “{$tag}”, which ends it: "
                            .'nobody would get its emails.', 'form', $form->id, 'Open the form');
                    }
                }
            }
        }
        foreach ($plan->products as $product) {
            $sequence = $plan->sequence($product->sequence ?? '');
            foreach ($product->tags as $tag) {
                if ($sequence !== null && $sequence->ends->has(new TagAdded($tag))) {
                    $findings[] = new Finding('ends-at-once', true, "“{$product->name}” starts “{$sequence->name}” and gives the "
                        ."tag “{$tag}”, which ends it: no buyer would get its emails.", 'product', $product->id, 'Open the product');
                }
            }
        }
        foreach ($plan->emails as $email) {
            foreach ($email->only->rules() as $rule) {
                $other = $rule instanceof DeedRule && $rule->deed->isOfMail() ? $plan->email($rule->with) : null;
                if ($other !== null && $other->sequence === $email->sequence && $other->offset() >= $email->offset()) {
                    $findings[] = new Finding('branch-too-early', false,
                        "“{$email->name}” asks what readers did with “{$other->name}”, which does not come before it.", 'email',
                        $email->id,
                        'Open the email');
                }
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function delivery(Plan $plan): array
    {
        $findings = [];
        $onPages = array_merge([], ...array_map(
            fn (PagePlan $p): array => array_map(fn (Block $b): string => $b->field('leadMagnet'),
                $p->document->blocksOf(BlockKind::Download)),
            $plan->pages,
        ));
        $inEmail = array_filter($plan->emails, fn (EmailPlan $e): bool => $e->linksToLeadMagnet()) !== [];
        foreach ($plan->leadMagnets as $leadMagnet) {
            if (! $leadMagnet->isThere()) {
                $findings[] = new Finding('file-missing', true,
                    "“{$leadMagnet->title}” has no file and no guide yet, so there is nothing to hand over.",
                    'lead-magnet', $leadMagnet->id, 'Add the file');
            }
            if (! $inEmail && ! in_array($leadMagnet->id, $onPages, true)) {
                $findings[] = new Finding('not-delivered', true,
                    "“{$leadMagnet->title}” is promised but never handed over: no page and no email links to it.", 'lead-magnet',
                    $leadMagnet->id, 'See the file');
            }
        }

        return $findings;
    }
}
