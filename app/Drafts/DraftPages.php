<?php

declare(strict_types=1);

namespace App\Drafts;

use App\Languages\StarterVoice;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\OwnDesign;
use App\Support\Ids;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Section;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\PageSettings;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Reconnection;
use Lantern\Core\Plan\SharedSection;
use Lantern\Core\Plan\Way;
use Lantern\Core\Plan\WebAddress;
use Lantern\Core\Starters\Offered;
use Lantern\Core\Starters\StarterDesk;
use Lantern\Core\Starters\StarterForms;
use Lantern\Core\Starters\StarterOffers;
use Lantern\Core\Starters\StarterPages;
use Lantern\Core\Support\Invalid;

/** DraftPages that come and go in a draft, each time with the ways around them connected anew. */
final class DraftPages
{
    /**
     * Adds a page after another one (or at the end), from its role, from a design of the owner's, or empty.
     *
     * @return array{DraftPart, list<string>} the page, and what became of the ways, in sentences
     */
    public function add(Funnel $funnel, PageRole $role, ?string $after, ?OwnDesign $design = null, bool $empty = false): array
    {
        return DB::transaction(function () use ($funnel, $role, $after, $design, $empty): array {
            $plan = $this->plan($funnel);
            $document = match (true) {
                $design !== null => self::fitted(Document::fromArray($design->document), $plan),
                $empty => new Document([], Background::paper()),
                default => $this->starter($funnel, $plan, $role),
            };
            $names = array_map(fn (PagePlan $p): string => $p->name, $plan->pages);
            $name = $role->label();
            for ($n = 2; in_array($name, $names, true); $n++) {
                $name = $role->label()." {$n}";
            }

            return $this->put($funnel, $plan, $role, $name, $document, new PageSettings, $after);
        });
    }

    /** @return array{DraftPart, list<string>} */
    public function duplicate(DraftPart $row): array
    {
        return DB::transaction(function () use ($row): array {
            $page = self::page($row);

            return $this->put($row->funnel, $this->plan($row->funnel), $page->role, mb_substr($page->name, 0, 113).' (copy)',
                $page->document, $page->settings, $page->id);
        });
    }

    /**
     * Removes a page. It keeps its place and its ways, so that pages that go and come back in any order are where they were.
     *
     * @return list<string> what becomes of the rest of the funnel, in sentences
     */
    public function remove(DraftPart $row): array
    {
        $funnel = $row->funnel;
        $plan = $this->plan($funnel);
        // An empty draft is one to begin with; what visitors see always has a page.
        if (count($plan->pages) < 2 && $funnel->live_version_id !== null) {
            throw Invalid::at('page', 'This is the only page of the funnel. Add another one first.');
        }
        $row->forceFill(['removed' => []])->save();
        $first = $this->rows($funnel)->first();
        if ($first !== null && $first->text('address') !== '') {
            self::moveTo($first, '');
        }

        return Reconnection::removed($plan, $row->id, $this->plan($funnel)->ways)->sentences;
    }

    /** A page is to be there again: at its place and its address, with the ways that led from it and to it. */
    public function restored(DraftPart $row): void
    {
        $funnel = $row->funnel;
        $rows = $this->rows($funnel);
        $entry = $rows->first();
        $address = $row->text('address');
        if ($entry !== null && $row->position < $entry->position) {
            // It is the entry page; the one that took its place gets an address of its own again.
            self::moveTo($entry, $this->ownAddress($funnel, $entry));
            $address === '' ? null : self::moveTo($row, '');
        } elseif ($address === '' && $entry !== null) {
            self::moveTo($row, $this->ownAddress($funnel, $row));
        } elseif ($rows->contains(fn (DraftPart $p): bool => $p->text('address') === $address)) {
            self::moveTo($row, $this->address($funnel, $address));
        }
        DraftWays::restore($funnel, $row);
        $row->forceFill(['removed' => null])->save();
    }

    /**
     * Puts the pages in another order. The first one is the entry page, at the funnel's own address.
     *
     * @param  list<string>  $ids  all of the funnel's pages
     */
    public function reorder(Funnel $funnel, array $ids): void
    {
        DB::transaction(function () use ($funnel, $ids): void {
            $pages = $this->rows($funnel)->keyBy('id');
            if (count($ids) !== $pages->count() || count(array_unique($ids)) !== count($ids)
                || array_diff($ids, $pages->keys()->all()) !== []) {
                throw Invalid::at('pages', 'The pages of this funnel have changed meanwhile. Please load it again.');
            }
            $entry = $pages->get($ids[0]);
            $old = $pages->first(fn (DraftPart $p): bool => $p->text('address') === '');
            if ($entry !== null && $old !== null && $entry->id !== $old->id) {
                // One after the other, since no two pages may have one address at any moment.
                self::moveTo($old, $this->ownAddress($funnel, $old));
                self::moveTo($entry, '');
            }
            // Removed pages stay behind the page they were behind.
            $behind = ['' => []];
            $last = '';
            foreach (DraftPart::query()->where('funnel_id', $funnel->id)->where('kind', PagePlan::kind())
                ->orderBy('position')->orderBy('id')->get(['id', 'removed']) as $row) {
                $row->removed === null ? $behind[$last = $row->id] = [] : $behind[$last][] = $row->id;
            }
            $order = $behind[''];
            foreach ($ids as $id) {
                array_push($order, $id, ...$behind[$id]);
            }
            foreach ($order as $position => $id) {
                DraftPart::query()->where('id', $id)->update(['position' => $position]);
            }
        });
    }

    /** @return Collection<int, DraftPart> the pages that are there, in order */
    private function rows(Funnel $funnel): Collection
    {
        return DraftPart::there($funnel->id, PagePlan::kind())->get();
    }

    private static function page(DraftPart $row): PagePlan
    {
        $page = $row->part();

        return $page instanceof PagePlan ? $page : throw Invalid::at('page', 'This is no page.');
    }

    private static function at(DraftPart $row, string $address): PagePlan
    {
        $page = self::page($row);

        return new PagePlan($page->id, $page->role, $page->name, $address, $page->document, $page->settings);
    }

    private static function moveTo(DraftPart $row, string $address): void
    {
        $own = $address === '' ? $row->text('address') : null;
        $row->put(self::at($row, $address))->forceFill(['revision' => $row->revision + 1, 'own_address' => $own])->save();
    }

    /** Where a page is that is not the entry page any more. */
    private function ownAddress(Funnel $funnel, DraftPart $row): string
    {
        return $this->address($funnel, (string) $row->own_address !== '' ? (string) $row->own_address : self::page($row)->role->address());
    }

    /** A design's blocks as this funnel can use them: its form, lead magnet and offer in place of those the design was made with. */
    public static function fitted(Document $document, Plan $plan): Document
    {
        $first = $plan->firstParts();
        $part = fn (string $kind, string $id): string => $plan->part($id) === null ? $first[$kind] ?? '' : $id;

        return $document->with(array_map(fn (Section $s): Section => $s->fitted(Ids::next(...), $part,
            fn (string $id): bool => $plan->page($id) !== null)
            ->unsharedUnless(array_map(fn (SharedSection $s): string => $s->id, $plan->sharedSections())), $document->sections));
    }

    /** @return array{DraftPart, list<string>} */
    private function put(
        Funnel $funnel,
        Plan $plan,
        PageRole $role,
        string $name,
        Document $document,
        PageSettings $settings,
        ?string $after,
    ): array {
        if (count($plan->pages) >= PagePlan::most()) {
            throw Invalid::at('pages', 'A funnel has '.PagePlan::most().' pages at most.');
        }
        $rows = $this->rows($funnel);
        $before = $rows->firstWhere('id', $after) ?? $rows->last();
        $at = $before === null ? 0 : $before->position + 1;
        DraftPart::query()->where('funnel_id', $funnel->id)->where('kind', PagePlan::kind())->where('position', '>=', $at)
            ->increment('position');
        $row = DraftRows::row($funnel,
            new PagePlan(Ids::next(), $role, $name, $before === null ? ''
                : $this->address($funnel, StarterVoice::in($plan->language)->of($role->address())),
                DraftPlan::asStored($document), $settings), $at);
        $with = $this->plan($funnel);
        $drawn = DraftWays::drawn($funnel->load('ways'));
        $result = Reconnection::added($with, $row->id, $drawn);
        DraftWays::write($funnel, ...array_filter($result->ways, fn (Way $w): bool => ! in_array($w, $drawn, false)));

        return [$row, $result->sentences];
    }

    /** A page of a role as starters have it, with a form if the funnel has none yet. */
    private function starter(Funnel $funnel, Plan $plan, PageRole $role): Document
    {
        $leadMagnet = $plan->leadMagnets[0] ?? null;
        $title = $leadMagnet->title ?? ($plan->entry()?->document->headline() ?: $plan->name);
        $desk = new StarterDesk($plan->sender, Ids::next(...), $title, $leadMagnet, $plan->forms[0] ?? null,
            self::offers($plan), $plan->webinars[0] ?? null, StarterVoice::in($plan->language));
        if ($role->hasOneGoal() && $desk->form === null) {
            $form = StarterForms::of(Goal::Form, $desk);
            DraftRows::add($funnel, $form);
            $desk = $desk->withForm($form);
        }
        $pages = [];
        foreach ($plan->pages as $page) {
            $pages[$page->role->value] ??= $page->id;
        }
        $number = 1 + count(array_filter($plan->pages, fn (PagePlan $p): bool => $p->role === $role));

        return StarterPages::of($role, $desk->inFunnel($pages), $number);
    }

    /** @return array<string, Offered> the first offers of a funnel, as starters call them */
    private static function offers(Plan $plan): array
    {
        $offers = [];
        foreach (array_slice($plan->offers, 0, 3) as $i => $offer) {
            $offers[StarterOffers::KEYS[$i]] = new Offered($offer, $plan->product($offer->product)->name ?? $offer->name);
        }

        return $offers;
    }

    private function plan(Funnel $funnel): Plan
    {
        return DraftPlan::read(Funnel::query()->findOrFail($funnel->id));
    }

    private function address(Funnel $funnel, string $wanted): string
    {
        $rows = $this->rows($funnel);
        $taken = [...$rows->map(fn (DraftPart $p): string => $p->text('address'))->all(),
            ...DraftPart::there($funnel->id, Guide::kind())->get()->map(fn (DraftPart $g): string => $g->text('address'))->all()];

        return WebAddress::suggest($wanted, fn (string $a): bool => in_array($a, $taken, true));
    }
}
