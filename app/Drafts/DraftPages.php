<?php

declare(strict_types=1);

namespace App\Drafts;

use App\Models\Form;
use App\Models\Funnel;
use App\Models\OwnDesign;
use App\Models\Page;
use App\Models\Way;
use App\Support\Ids;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Section;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Reconnection;
use Lantern\Core\Plan\Way as WayPlan;
use Lantern\Core\Plan\WebAddress;
use Lantern\Core\Starters\StarterDesk;
use Lantern\Core\Starters\StarterForms;
use Lantern\Core\Starters\StarterPages;
use Lantern\Core\Support\Invalid;

/** DraftPages that come and go in a draft, each time with the ways around them connected anew. */
final class DraftPages
{
    public const MOST = 40;

    /**
     * Adds a page after another one (or at the end), from its role, from a design of the owner's, or empty.
     *
     * @return array{Page, list<string>} the page, and what became of the ways, in sentences
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

            return $this->put($funnel, $plan, $role, $name, $document, [], $after);
        });
    }

    /** @return array{Page, list<string>} */
    public function duplicate(Page $page): array
    {
        return DB::transaction(function () use ($page): array {
            $funnel = $page->funnel;
            $document = Document::fromArray($page->document);

            return $this->put($funnel, $this->plan($funnel), PageRole::from($page->role), mb_substr($page->name, 0, 113).' (copy)', $document, $page->settings, $page->id);
        });
    }

    /**
     * Takes a page out of the draft. It can be brought back.
     *
     * @return list<string> what became of the ways, in sentences
     */
    public function takeOut(Page $page): array
    {
        return DB::transaction(function () use ($page): array {
            $funnel = $page->funnel;
            $plan = $this->plan($funnel);
            if (count($plan->pages) < 2) {
                throw Invalid::at('page', 'This is the only page of the funnel. Add another one first.');
            }
            $result = Reconnection::removed($plan, $page->id);
            // What to put back: every way that this changes, as it was.
            $touched = array_values(array_filter($plan->ways, fn (WayPlan $w): bool => $w->page === $page->id || $w->toPage === $page->id));
            $next = $plan->pages[$page->position === 0 ? 1 : 0];
            $page->forceFill(['taken_out' => ['address' => $page->address, 'position' => $page->position, 'nextAddress' => $next->address,
                'ways' => array_map(fn (WayPlan $w): array => $w->toArray(), $touched)], 'address' => '~'.$page->id])->save();
            $this->writeWays($plan, $result->ways);
            $first = Page::query()->where('funnel_id', $funnel->id)->whereNull('taken_out')->orderBy('position')->firstOrFail();
            if ($first->address !== '') {
                $first->forceFill(['address' => '', 'revision' => $first->revision + 1])->save();
            }
            $this->renumber($funnel);

            return $result->sentences;
        });
    }

    public function bringBack(Page $page): void
    {
        DB::transaction(function () use ($page): void {
            $was = $page->taken_out ?? throw Invalid::at('page', 'This page is in the funnel already.');
            $funnel = $page->funnel;
            $others = Page::query()->where('funnel_id', $funnel->id)->whereNull('taken_out')->orderBy('position')->get();
            if ($was['address'] === '') {
                // It was the entry page; the one that took its place gets an address of its own again.
                $entry = $others->first();
                $entry?->forceFill(['address' => $this->address($funnel, $was['nextAddress'] !== '' ? $was['nextAddress'] : PageRole::from($entry->role)->address()), 'revision' => $entry->revision + 1])->save();
            }
            $address = $was['address'] !== '' && $others->contains('address', $was['address']) ? $this->address($funnel, $was['address']) : $was['address'];
            $page->forceFill(['taken_out' => null, 'address' => $address, 'position' => $was['position'], 'revision' => $page->revision + 1])->save();
            foreach ($others as $i => $other) {
                $other->forceFill(['position' => $i >= $was['position'] ? $i + 1 : $i])->save();
            }
            foreach ($was['ways'] as $way) {
                Way::query()->updateOrCreate(['page_id' => $way['page'], 'outcome' => $way['outcome']], ['to_page' => $way['toPage'] ?? null, 'to_url' => $way['toUrl'] ?? null]);
            }
            $this->renumber($funnel);
        });
    }

    /**
     * Puts the pages in another order. The first one is the entry page, at the funnel's own address.
     *
     * @param  list<string>  $ids  all of the funnel's pages
     */
    public function reorder(Funnel $funnel, array $ids): void
    {
        DB::transaction(function () use ($funnel, $ids): void {
            $pages = $funnel->pages()->get()->keyBy('id');
            if (count($ids) !== $pages->count() || count(array_unique($ids)) !== count($ids) || array_diff($ids, $pages->keys()->all()) !== []) {
                throw Invalid::at('pages', 'The pages of this funnel have changed meanwhile. Please load it again.');
            }
            $entry = $pages->get($ids[0]);
            $old = $pages->first(fn (Page $p): bool => $p->address === '');
            if ($entry !== null && $old !== null && $entry->id !== $old->id) {
                // One after the other, since no two pages may have one address at any moment.
                $old->forceFill(['address' => $this->address($funnel, PageRole::from($old->role)->address()), 'revision' => $old->revision + 1])->save();
                $entry->forceFill(['address' => '', 'revision' => $entry->revision + 1])->save();
            }
            foreach ($ids as $position => $id) {
                $pages->get($id)?->forceFill(['position' => $position])->save();
            }
        });
    }

    /** A design's blocks as this funnel can use them: its form and its gift in place of those the design was made with. */
    public static function fitted(Document $document, Plan $plan): Document
    {
        $form = $plan->forms[0]->id ?? '';
        $gift = $plan->leadMagnets[0]->id ?? '';

        return $document->with(array_map(fn (Section $s): Section => $s->fitted(Ids::next(...), fn (string $id): string => $plan->form($id) === null ? $form : $id,
            fn (string $id): string => $plan->leadMagnet($id) === null ? $gift : $id,
            fn (string $id): bool => $plan->page($id) !== null)->unsharedUnless(array_keys($plan->shared)), $document->sections));
    }

    /**
     * @param  array<string, mixed>  $settings
     * @return array{Page, list<string>}
     */
    private function put(Funnel $funnel, Plan $plan, PageRole $role, string $name, Document $document, array $settings, ?string $after): array
    {
        if (count($plan->pages) >= self::MOST) {
            throw Invalid::at('pages', 'A funnel has '.self::MOST.' pages at most.');
        }
        $at = count($plan->pages);
        foreach ($plan->pages as $i => $page) {
            $at = $page->id === $after ? $i + 1 : $at;
        }
        Page::query()->where('funnel_id', $funnel->id)->whereNull('taken_out')->where('position', '>=', $at)->increment('position');
        $page = Page::query()->create(['id' => Ids::next(), 'funnel_id' => $funnel->id, 'role' => $role->value, 'name' => $name,
            'address' => $at === 0 ? '' : $this->address($funnel, $role->address()), 'position' => $at, 'document' => DraftPlan::asStored($document)->toArray(),
            'settings' => $settings, 'revision' => 1]);
        $with = $this->plan($funnel);
        $result = Reconnection::added($with, $page->id);
        $this->writeWays($with, $result->ways);

        return [$page, $result->sentences];
    }

    /** A page of a role as starters have it, with a form if the funnel has none yet. */
    private function starter(Funnel $funnel, Plan $plan, PageRole $role): Document
    {
        $gift = $plan->leadMagnets[0] ?? null;
        $title = $gift->title ?? ($plan->entry()?->document->headline() ?: $plan->name);
        $desk = new StarterDesk($plan->sender, Ids::next(...), $title, '', $gift, $plan->forms[0] ?? null);
        if ($role->hasOneGoal() && $desk->form === null) {
            $form = StarterForms::of(Goal::Form, $desk);
            Form::query()->create(['id' => $form->id, 'funnel_id' => $funnel->id, 'name' => $form->name, 'definition' => DraftPlan::definition($form)]);
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
        return WebAddress::suggest($wanted, fn (string $a): bool => Page::query()->where('funnel_id', $funnel->id)->where('address', $a)->exists());
    }

    /**
     * Writes what is different, and no more.
     *
     * @param  list<WayPlan>  $ways
     */
    private function writeWays(Plan $plan, array $ways): void
    {
        $key = fn (WayPlan $w): string => "{$w->page} {$w->outcome->value}";
        $wanted = array_column(array_map(fn (WayPlan $w): array => [$key($w), $w], $ways), 1, 0);
        foreach ($plan->ways as $way) {
            if (! isset($wanted[$key($way)])) {
                Way::query()->where('page_id', $way->page)->where('outcome', $way->outcome->value)->delete();
            }
        }
        foreach ($wanted as $way) {
            if ($plan->way($way->page, $way->outcome)?->toArray() !== $way->toArray()) {
                Way::query()->updateOrCreate(['page_id' => $way->page, 'outcome' => $way->outcome->value], ['to_page' => $way->toPage, 'to_url' => $way->toUrl]);
            }
        }
    }

    private function renumber(Funnel $funnel): void
    {
        foreach (Page::query()->where('funnel_id', $funnel->id)->whereNull('taken_out')->orderBy('position')->orderBy('id')->get() as $i => $page) {
            if ($page->position !== $i) {
                $page->forceFill(['position' => $i])->save();
            }
        }
    }
}
