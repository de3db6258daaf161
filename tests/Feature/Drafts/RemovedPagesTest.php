<?php

declare(strict_types=1);

namespace Tests\Feature\Drafts;

use App\Drafts\DraftPages;
use App\Drafts\DraftParts;
use App\Models\DraftPart;
use App\Models\User;
use Lantern\Core\Plan\PageRole;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Drafts\Page;
use Tests\Drafts\SellingFunnel;
use Tests\TestCase;

/** Pages that are removed and restored, in any order, with what happens to their ways meanwhile. */
final class RemovedPagesTest extends TestCase
{
    use SellingFunnel;

    private User $owner;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
        $this->actingAs($this->owner);
    }

    /** @return iterable<string, array{string, list<string>, list<string>}> which page goes, what is left, and how it is connected */
    public static function removals(): iterable
    {
        yield 'the entry page' => [
            'sales', ['upsell /', 'downsell /instead', 'delivery /welcome', 'closed /closed'],
            ['downsell bought delivery', 'downsell declined delivery', 'upsell bought delivery', 'upsell declined downsell'],
        ];
        yield 'the extra offer' => [
            'upsell', ['sales /', 'downsell /instead', 'delivery /welcome', 'closed /closed'],
            ['downsell bought delivery', 'downsell declined delivery', 'sales bought delivery', 'sales time-ran-out closed'],
        ];
        yield 'the smaller offer' => [
            'downsell', ['sales /', 'upsell /one-more-thing', 'delivery /welcome', 'closed /closed'],
            ['sales bought upsell', 'sales time-ran-out closed', 'upsell bought delivery', 'upsell declined delivery'],
        ];
        yield 'the closed page' => [
            'closed', ['sales /', 'upsell /one-more-thing', 'downsell /instead', 'delivery /welcome'],
            ['downsell bought delivery', 'downsell declined delivery', 'sales bought upsell', 'upsell bought delivery',
                'upsell declined downsell'],
        ];
    }

    /**
     * @param  list<string>  $left
     * @param  list<string>  $ways
     */
    #[DataProvider('removals')]
    public function test_a_page_is_removed_and_restored_just_as_it_was(string $role, array $left, array $ways): void
    {
        $funnel = $this->selling();
        $page = $this->page($funnel, $role);
        self::assertSame(self::SELLING, $this->pages($funnel));
        self::assertSame(self::SELLING_WAYS, $this->ways($funnel));

        $this->deleteJson("/studio/api/parts/{$page->id}")->assertOk()->assertJsonCount(match ($role) {
            'sales', 'upsell', 'downsell', 'closed' => 1
        }, 'sentences');
        self::assertSame($left, $this->pages($funnel));
        self::assertSame($ways, $this->ways($funnel));
        $this->deleteJson("/studio/api/parts/{$page->id}")->assertStatus(422);

        $this->postJson("/studio/api/parts/{$page->id}/restore")->assertOk()->assertJsonPath('id', $page->id);
        self::assertSame(self::SELLING, $this->pages($funnel));
        self::assertSame(self::SELLING_WAYS, $this->ways($funnel));
        $this->postJson("/studio/api/parts/{$page->id}/restore")->assertStatus(422);
    }

    public function test_pages_removed_one_after_the_other_come_back_in_turn(): void
    {
        $funnel = $this->selling();
        $order = ['sales', 'delivery', 'upsell', 'closed'];
        $ids = array_map(fn (string $r): string => $this->page($funnel, $r)->id, $order);
        foreach ($ids as $id) {
            $this->deleteJson("/studio/api/parts/{$id}")->assertOk();
        }
        self::assertSame(['downsell /'], $this->pages($funnel));
        foreach (array_reverse($ids) as $id) {
            $this->postJson("/studio/api/parts/{$id}/restore")->assertOk();
        }

        self::assertSame(self::SELLING, $this->pages($funnel));
        self::assertSame(self::SELLING_WAYS, $this->ways($funnel));
    }

    public function test_pages_that_go_and_come_in_any_order_leave_everything_as_it_was(): void
    {
        $dice = new Randomizer(new Mt19937(11));
        $parts = app(DraftParts::class);
        foreach (range(1, 8) as $round) {
            $funnel = $this->selling();
            $row = fn (string $id): DraftPart => DraftPart::query()->with('funnel')->findOrFail($id);
            $there = DraftPart::there($funnel->id, 'page')->pluck('id')->all();
            $gone = $new = [];
            for ($step = 0; $step < 14; $step++) {
                $in = array_values(array_diff([...$there, ...$new], $gone));
                switch ($dice->getInt(0, 3)) {
                    case 0:
                        $new[] = app(DraftPages::class)
                            ->add($funnel->refresh(), PageRole::Registration, $in[$dice->getInt(0, count($in) - 1)])[0]->id;
                        break;
                    case 1:
                        if ($gone !== []) {
                            $parts->restore($row(array_splice($gone, $dice->getInt(0, count($gone) - 1), 1)[0]));
                        }
                        break;
                    default:
                        if (count($in) > 1) {
                            $gone[] = $in[$dice->getInt(0, count($in) - 1)];
                            $parts->remove($row(end($gone)));
                        }
                }
                self::assertSame([], preg_grep('/gone/', $this->ways($funnel)), "round {$round}: a way leads to what is not there");
                $pages = $this->pages($funnel);
                self::assertStringEndsWith(' /', $pages[0]);
                self::assertCount(1, preg_grep('~ /$~', $pages) ?: []);
            }
            foreach ($dice->shuffleArray(array_values(array_diff($gone, $new))) as $id) {
                $parts->restore($row($id));
            }
            foreach (array_diff($new, $gone) as $id) {
                $parts->remove($row($id));
            }
            self::assertSame(self::SELLING, $this->pages($funnel), "round {$round}");
            self::assertSame(self::SELLING_WAYS, $this->ways($funnel), "round {$round}");
        }
    }

    public function test_a_way_chosen_while_a_page_was_gone_stays_and_one_taken_back_leads_there_again(): void
    {
        foreach ([[true, 'closed'], [true, 'none'], [false, 'closed']] as [$isTakenBack, $chosen]) {
            $funnel = $this->selling();
            [$sales, $upsell, $closed] = array_map(fn (string $r): string => $this->page($funnel, $r)->id, ['sales', 'upsell', 'closed']);
            $this->deleteJson("/studio/api/parts/{$upsell}")->assertOk();
            $before = collect($this->getJson("/studio/api/funnels/{$funnel->id}")->json('ways'))->firstWhere('page', $sales);
            $this->putJson("/studio/api/pages/{$sales}/ways",
                ['outcome' => 'bought'] + ($chosen === 'none' ? ['none' => true] : ['toPage' => $closed]))->assertOk();
            if ($isTakenBack) {
                $this->putJson("/studio/api/pages/{$sales}/ways", ['outcome' => 'bought', 'toPage' => $before['toPage']])->assertOk();
            }
            $this->postJson("/studio/api/parts/{$upsell}/restore")->assertOk();

            self::assertSame($isTakenBack, in_array('sales bought upsell', $this->ways($funnel), true));
            self::assertSame(! $isTakenBack, in_array('sales bought closed', $this->ways($funnel), true));
        }
    }

    public function test_pages_in_another_order_take_along_the_removed_ones_behind_them(): void
    {
        $funnel = $this->selling();
        [$sales, $upsell, $downsell, $delivery, $closed] = DraftPart::there($funnel->id, 'page')->pluck('id')->all();
        foreach ([$upsell, $delivery] as $id) {
            $this->deleteJson("/studio/api/parts/{$id}")->assertOk();
        }
        $this->putJson("/studio/api/funnels/{$funnel->id}/order", ['pages' => [$downsell, $closed, $sales]])->assertOk();
        foreach ([$delivery, $upsell] as $id) {
            $this->postJson("/studio/api/parts/{$id}/restore")->assertOk();
        }

        self::assertSame(['downsell /', 'delivery /welcome', 'closed /closed', 'sales /sales', 'upsell /one-more-thing'],
            $this->pages($funnel));
        self::assertSame(self::SELLING_WAYS, $this->ways($funnel));
    }

    public function test_the_only_page_of_what_visitors_see_stays(): void
    {
        $funnel = $this->live($this->owner);
        $this->deleteJson('/studio/api/parts/'.$this->entry($funnel)->id)->assertOk();
        $last = $this->entry($funnel->refresh());

        $this->deleteJson("/studio/api/parts/{$last->id}")->assertStatus(422)
            ->assertJsonPath('message', 'This is the only page of the funnel. Add another one first.');
        self::assertSame(['thank-you /'], $this->pages($funnel));
    }

    public function test_an_address_that_was_given_away_meanwhile_is_not_taken_twice(): void
    {
        $funnel = $this->draft($this->owner);
        $thanks = $this->page($funnel, 'thank-you');
        $this->deleteJson("/studio/api/parts/{$thanks->id}")->assertOk();
        $this->postJson("/studio/api/funnels/{$funnel->id}/pages", ['role' => 'thank-you'])->assertCreated()
            ->assertJsonPath('page.address', 'thank-you');
        $this->postJson("/studio/api/parts/{$thanks->id}/restore")->assertOk();

        $addresses = Page::query()->where('funnel_id', $funnel->id)->get()->pluck('address')->all();
        self::assertSame(count($addresses), count(array_unique($addresses)));
        self::assertContains('thank-you-2', $addresses);
    }
}
