<?php

declare(strict_types=1);

namespace Tests\Feature\Release;

use App\Drafts\DraftParts;
use App\Drafts\DraftPlan;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\User;
use App\Models\Way;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Way as WayPlan;
use Tests\Drafts\SellingFunnel;
use Tests\TestCase;

/** Pages that were removed under an earlier release come back as they were. */
final class RemovedPagesMigrationTest extends TestCase
{
    use SellingFunnel;

    private User $owner;

    public function test_pages_that_were_removed_before_come_back_to_their_place_address_and_ways(): void
    {
        $this->owner = $this->owner();
        $funnel = $this->selling();
        $written = fn (): array => [
            array_map(fn (PagePlan $p): array => [$p->id, $p->address], DraftPlan::read(Funnel::query()->findOrFail($funnel->id))->pages),
            collect(DraftPlan::read(Funnel::query()->findOrFail($funnel->id))->ways)->map(fn (WayPlan $w): array => $w->toArray())
                ->sortBy(fn (array $w): string => $w['page'].$w['outcome'])->values()->all()];
        $before = $written();
        [$sales, $upsell, $downsell, $delivery] = DraftPart::there($funnel->id, 'page')->pluck('id')->all();
        // As the earlier release left it: first the entry page was removed, then the one that took its place.
        $way = fn (string $page, string $outcome, string $to): array => ['page' => $page, 'outcome' => $outcome, 'toPage' => $to];
        $closed = DraftPart::there($funnel->id, 'page')->get()->last()->id;
        $this->remove($sales, ['at' => '2026-05-01T10:00:00Z', 'position' => 0, 'nextAddress' => 'one-more-thing',
            'ways' => [$way($sales, 'bought', $upsell), $way($sales, 'time-ran-out', $closed)]], '');
        $this->remove($upsell, ['at' => '2026-05-02T10:00:00Z', 'position' => 0, 'nextAddress' => 'instead',
            'ways' => [$way($upsell, 'bought', $delivery), $way($upsell, 'declined', $downsell)]], '');
        DraftPart::query()->findOrFail($downsell)->change(['address' => ''])->save();
        foreach ([$downsell, $delivery, $closed] as $position => $id) {
            DB::table('draft_parts')->where('id', $id)->update(['position' => $position]);
        }
        Way::query()->whereIn('page_id', [$sales, $upsell])->delete();
        Schema::table('draft_parts', fn ($table) => $table->dropColumn('own_address'));

        (require database_path('migrations/2026_04_01_000007_add_own_address_of_entry_pages.php'))->up();

        foreach ([$sales, $upsell] as $id) {
            app(DraftParts::class)->restore(DraftPart::query()->with('funnel')->findOrFail($id));
        }
        self::assertSame($before, $written());
    }

    /** @param  array<string, mixed>  $removed */
    private function remove(string $id, array $removed, string $address): void
    {
        DraftPart::query()->findOrFail($id)->change(['address' => $address])->forceFill(['removed' => $removed])->save();
    }
}
