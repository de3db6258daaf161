<?php

declare(strict_types=1);

namespace App\Drafts;

use App\Drafts\Kinds\GuideKind;
use App\Languages\StarterVoice;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Ids;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Page\Document;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\LeadMagnet;
use Lantern\Core\Starters\StarterDesk;
use Lantern\Core\Starters\StarterGuide;
use Lantern\Core\Starters\StarterReminders;
use Lantern\Core\Support\Invalid;

/** Guides that come into a draft, and their pages: added, duplicated, put in another order. */
final readonly class DraftGuides
{
    public function __construct(private DraftParts $parts)
    {
    }

    /**
     * A guide with pages: of a document, or those of the starter.
     *
     * @param  array<array-key, mixed>  $typed  its title
     * @param  list<array{name: string, document: Document}>  $pages  none for those of the starter
     * @param  DraftPart|null  $leadMagnet  what gives it from now on
     * @return DraftPart the guide
     */
    public function make(Funnel $funnel, array $typed, array $pages = [], ?DraftPart $leadMagnet = null): DraftPart
    {
        return DB::transaction(function () use ($funnel, $typed, $pages, $leadMagnet): DraftPart {
            $given = $leadMagnet?->part();
            $guide = GuideKind::begun($funnel, $typed + ['title' => $given instanceof LeadMagnet ? $given->title : '']);
            $row = DraftRows::add($funnel, $guide);
            $made = $pages === [] ? StarterGuide::pages($this->desk($funnel), $guide)
                : array_map(fn (array $p): GuidePage => new GuidePage(Ids::next(), $guide->id, $p['name'], $p['document']), $pages);
            foreach ($made as $page) {
                $this->put($row, $page, null);
            }
            if ($given instanceof LeadMagnet && $leadMagnet !== null) {
                $leadMagnet->put($given->withGuide($guide->id))->forceFill(['revision' => $leadMagnet->revision + 1])->save();
            }

            return $row;
        });
    }

    /**
     * One page more, after another one or at the end.
     *
     * @param  string|null  $of  the page that it is to be a copy of
     */
    public function add(DraftPart $guide, ?string $after, ?string $of = null): DraftPart
    {
        return DB::transaction(function () use ($guide, $after, $of): DraftPart {
            $part = $guide->part();
            $copied = $of === null ? null : GuideKind::pages($guide)->find($of)?->part();
            if (! $part instanceof Guide) {
                throw Invalid::at('guide', 'This is no guide.');
            }
            $names = GuideKind::pages($guide)->pluck('name')->all();
            $name = fn (string $word): string => self::free($word, $names);

            return $this->put($guide, $copied instanceof GuidePage
                ? $copied->copy(Ids::next(...), $name(mb_substr($copied->name, 0, 105).' (copy)'))
                : StarterGuide::more($this->desk($guide->funnel), $part, $name('Page '.(count($names) + 1))), $after);
        });
    }

    /**
     * More pages, such as those of another document.
     *
     * @param  list<array{name: string, document: Document}>  $pages
     * @return list<DraftPart>
     */
    public function addAll(DraftPart $guide, array $pages, ?string $after): array
    {
        return DB::transaction(function () use ($guide, $pages, $after): array {
            $rows = [];
            foreach ($pages as $page) {
                $rows[] = $row = $this->put($guide, new GuidePage(Ids::next(), $guide->id, $page['name'], $page['document']), $after);
                $after = $row->id;
            }

            return $rows;
        });
    }

    /**
     * The pages of a document in place of those that are there.
     *
     * @param  list<array{name: string, document: Document}>  $pages
     * @return array{list<DraftPart>, list<string>} the new ones, and the ids of those that went
     */
    public function replace(DraftPart $guide, array $pages): array
    {
        return DB::transaction(function () use ($guide, $pages): array {
            $gone = GuideKind::pages($guide)->with('funnel')->get()->each($this->parts->remove(...));

            return [$this->addAll($guide, $pages, null), array_values($gone->map(fn (DraftPart $p): string => $p->id)->all())];
        });
    }

    /** @param  list<string>  $ids  all pages of the guide */
    public function reorder(DraftPart $guide, array $ids): void
    {
        DB::transaction(function () use ($guide, $ids): void {
            $rows = GuideKind::pages($guide)->get()->keyBy('id');
            if (count($ids) !== $rows->count() || count(array_unique($ids)) !== count($ids)
                || array_diff($ids, $rows->keys()->all()) !== []) {
                throw Invalid::at('pages', 'The pages of this guide have changed meanwhile. Please load it again.');
            }
            // The places that they had among all pages of guides, in their new order.
            $places = $rows->map(fn (DraftPart $p): int => $p->position)->sort()->values()->all();
            foreach ($ids as $i => $id) {
                $rows->get($id)?->forceFill(['position' => $places[$i]])->save();
            }
        });
    }

    /**
     * Reminders of a guide, as a sequence that the forms of the funnel start.
     *
     * @param  list<array{days: int, not: 'begun'|'finished'}>  $reminders
     * @return list<DraftPart> the sequence, then its emails
     */
    public function remind(DraftPart $guide, array $reminders): array
    {
        return DB::transaction(function () use ($guide, $reminders): array {
            $part = $guide->part();
            $parts = $part instanceof Guide ? StarterReminders::parts($this->desk($guide->funnel), $part,
                DraftPlan::read($guide->funnel)->forms, $reminders) : [];

            return array_map(fn (Part $p): DraftPart => DraftRows::add($guide->funnel, $p), $parts);
        });
    }

    private function put(DraftPart $guide, GuidePage $page, ?string $after): DraftPart
    {
        if (GuideKind::pages($guide)->count() >= Guide::MOST_PAGES) {
            throw Invalid::at('pages', 'A guide has '.Guide::MOST_PAGES.' pages at most.');
        }
        DraftRows::roomFor($guide->funnel_id, $page);
        $before = $after === null ? null : GuideKind::pages($guide)->find($after);
        $last = 1 + (int) DraftPart::query()->where('funnel_id', $guide->funnel_id)->where('kind', GuidePage::kind())->max('position');
        $at = $before === null ? $last : $before->position + 1;
        DraftPart::query()->where('funnel_id', $guide->funnel_id)->where('kind', GuidePage::kind())->where('position', '>=', $at)
            ->increment('position');
        $row = DraftRows::row($guide->funnel, $page, $at);
        $guide->funnel->unsetRelation('parts');

        return $row;
    }

    /** @param  array<array-key, string>  $names */
    private static function free(string $word, array $names): string
    {
        $name = $word;
        for ($n = 2; in_array($name, $names, true); $n++) {
            $name = "{$word} {$n}";
        }

        return $name;
    }

    private function desk(Funnel $funnel): StarterDesk
    {
        $plan = DraftPlan::read($funnel);
        $pages = [];
        foreach ($plan->pages as $page) {
            $pages[$page->role->value] ??= $page->id;
        }

        return (new StarterDesk($plan->sender, Ids::next(...), $plan->name, words: StarterVoice::in($plan->language)))->inFunnel($pages);
    }
}
