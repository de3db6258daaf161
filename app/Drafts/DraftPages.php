<?php

declare(strict_types=1);

namespace App\Drafts;

use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\OwnDesign;
use App\Models\Way;
use App\Support\Ids;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
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
use Lantern\Core\Plan\Way as WayPlan;
use Lantern\Core\Plan\WebAddress;
use Lantern\Core\Starters\StarterDesk;
use Lantern\Core\Starters\StarterForms;
use Lantern\Core\Starters\StarterPages;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

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
     * What becomes of the rest of the funnel when a page is removed, and what to put back when it is wanted again.
     *
     * @return array{keep: array<string, mixed>, sentences: list<string>}
     */
    public function remove(DraftPart $row): array
    {
        $funnel = $row->funnel;
        $plan = $this->plan($funnel);
        if (count($plan->pages) < 2) {
            throw Invalid::at('page', 'This is the only page of the funnel. Add another one first.');
        }
        $result = Reconnection::removed($plan, $row->id);
        // What to put back: every way that this changes, as it was.
        $touched = array_values(array_filter($plan->ways, fn (WayPlan $w): bool => $w->page === $row->id || $w->toPage === $row->id));
        $next = $plan->pages[$row->position === 0 ? 1 : 0];
        $keep = ['position' => $row->position, 'nextAddress' => $next->address,
            'ways' => array_map(fn (WayPlan $w): array => $w->toArray(), $touched)];
        $this->writeWays($plan, $result->ways);
        $row->forceFill(['removed' => []])->save();
        $first = $this->rows($funnel)->first();
        if ($first !== null && $first->text('address') !== '') {
            self::moveTo($first, '');
        }
        $this->renumber($funnel);

        return ['keep' => $keep, 'sentences' => $result->sentences];
    }

    /** A page is to be there again: at its place and its address, with the ways that led from it and to it. */
    public function restored(DraftPart $row): void
    {
        $was = (array) $row->removed;
        $funnel = $row->funnel;
        $others = $this->rows($funnel);
        $there = [...$others->map(fn (DraftPart $p): string => $p->id)->all(), $row->id];
        $address = $row->text('address');
        if ($address === '') {
            // It was the entry page; the one that took its place gets an address of its own again.
            $entry = $others->first();
            $next = is_string($was['nextAddress'] ?? null) ? $was['nextAddress'] : '';
            if ($entry !== null) {
                self::moveTo($entry, $this->address($funnel, $next !== '' ? $next : self::page($entry)->role->address()));
            }
        } elseif ($others->contains(fn (DraftPart $p): bool => $p->text('address') === $address)) {
            $row->put(self::at($row, $this->address($funnel, $address)));
        }
        $position = is_int($was['position'] ?? null) ? $was['position'] : $others->count();
        foreach ($others->values() as $i => $other) {
            $other->forceFill(['position' => $i >= $position ? $i + 1 : $i])->save();
        }
        $row->forceFill(['position' => $position, 'removed' => null])->save();
        foreach (is_array($was['ways'] ?? null) ? $was['ways'] : [] as $way) {
            $read = WayPlan::fromShape(Shape::of($way));
            // Pages that went meanwhile are led to by nobody.
            if (in_array($read->page, $there, true) && ($read->toPage === null || in_array($read->toPage, $there, true))) {
                $this->writeWay($funnel, $read);
            }
        }
        $this->renumber($funnel);
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
                self::moveTo($old, $this->address($funnel, self::page($old)->role->address()));
                self::moveTo($entry, '');
            }
            foreach ($ids as $position => $id) {
                $pages->get($id)?->forceFill(['position' => $position])->save();
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
        $row->put(self::at($row, $address))->forceFill(['revision' => $row->revision + 1])->save();
    }

    /** A design's blocks as this funnel can use them: its form and its lead magnet in place of those the design was made with. */
    public static function fitted(Document $document, Plan $plan): Document
    {
        $part = fn (string $kind, string $id): string => match ($kind) {
            'form' => ($plan->form($id) ?? $plan->forms[0] ?? null)->id ?? '',
            'lead-magnet' => ($plan->leadMagnet($id) ?? $plan->leadMagnets[0] ?? null)->id ?? '',
            default => $id,
        };

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
        $at = count($plan->pages);
        foreach ($plan->pages as $i => $page) {
            $at = $page->id === $after ? $i + 1 : $at;
        }
        DraftPart::query()->where('funnel_id', $funnel->id)->where('kind', PagePlan::kind())->whereNull('removed')
            ->where('position', '>=', $at)->increment('position');
        $row = DraftParts::row($funnel, new PagePlan(Ids::next(), $role, $name, $at === 0 ? '' : $this->address($funnel, $role->address()),
            DraftPlan::asStored($document), $settings), $at);
        $with = $this->plan($funnel);
        $result = Reconnection::added($with, $row->id);
        $this->writeWays($with, $result->ways);

        return [$row, $result->sentences];
    }

    /** A page of a role as starters have it, with a form if the funnel has none yet. */
    private function starter(Funnel $funnel, Plan $plan, PageRole $role): Document
    {
        $leadMagnet = $plan->leadMagnets[0] ?? null;
        $title = $leadMagnet->title ?? ($plan->entry()?->document->headline() ?: $plan->name);
        $desk = new StarterDesk($plan->sender, Ids::next(...), $title, '', $leadMagnet, $plan->forms[0] ?? null);
        if ($role->hasOneGoal() && $desk->form === null) {
            $form = StarterForms::of(Goal::Form, $desk);
            DraftParts::add($funnel, $form);
            $desk = $desk->withForm($form);
        }
        $pages = [];
        foreach ($plan->pages as $page) {
            $pages[$page->role->value] ??= $page->id;
        }
        $number = 1 + count(array_filter($plan->pages, fn (PagePlan $p): bool => $p->role === $role));

        return StarterPages::of($role, $desk->inFunnel($pages), $number);
    }

    private function plan(Funnel $funnel): Plan
    {
        return DraftPlan::read(Funnel::query()->findOrFail($funnel->id));
    }

    private function address(Funnel $funnel, string $wanted): string
    {
        $rows = $this->rows($funnel);
        $taken = $rows->map(fn (DraftPart $p): string => $p->text('address'))->all();

        return WebAddress::suggest($wanted, fn (string $a): bool => in_array($a, $taken, true));
    }

    /**
     * Writes what is different, and no more.
     *
     * @param  list<WayPlan>  $ways
     */
    private function writeWays(Plan $plan, array $ways): void
    {
        $funnel = Funnel::query()->findOrFail($plan->id);
        $key = fn (WayPlan $w): string => "{$w->page} {$w->outcome->value}";
        $wanted = array_column(array_map(fn (WayPlan $w): array => [$key($w), $w], $ways), 1, 0);
        foreach ($plan->ways as $way) {
            if (! isset($wanted[$key($way)])) {
                Way::query()->where('page_id', $way->page)->where('outcome', $way->outcome->value)->delete();
            }
        }
        foreach ($wanted as $way) {
            if ($plan->way($way->page, $way->outcome)?->toArray() !== $way->toArray()) {
                $this->writeWay($funnel, $way);
            }
        }
    }

    public function writeWay(Funnel $funnel, WayPlan $way): void
    {
        Way::query()->updateOrCreate(['funnel_id' => $funnel->id, 'page_id' => $way->page, 'outcome' => $way->outcome->value],
            ['to_page' => $way->toPage, 'to_url' => $way->toUrl]);
    }

    private function renumber(Funnel $funnel): void
    {
        foreach ($this->rows($funnel) as $i => $page) {
            if ($page->position !== $i) {
                $page->forceFill(['position' => $i])->save();
            }
        }
    }
}
