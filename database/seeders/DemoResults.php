<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Drafts\DraftParts;
use App\Drafts\DraftRows;
use App\Experiments\Exposures;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Experiment;
use App\Models\Funnel;
use App\Models\FunnelGoal;
use App\Models\Spend;
use App\Models\User;
use App\Publishing\SplitTests;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Lantern\Core\Experiments\Content\EmailContent;
use Lantern\Core\Experiments\Content\PageContent;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Experiments\Tested;
use Lantern\Core\Experiments\TestGoal;
use Lantern\Core\Experiments\Variant;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Success;
use Lantern\Core\Results\Device;
use Lantern\Core\Sequences\EmailPlan;

/** What results are made of beside visits: a split test that runs, what was spent, and a goal that is written down. */
final class DemoResults
{
    /** Who sees what depends on it: always the same, so that each load shows the same state of the test. */
    private const TEST = '01m8nqsapmgzc9m9vgtngr0qh1';

    private ?Experiment $test = null;

    public function __construct(private readonly SplitTests $tests, private readonly DraftParts $parts)
    {
    }

    /** Another headline for half of the visitors. */
    public function headline(Funnel $funnel): void
    {
        $page = DraftPart::there($funnel->id, PagePlan::kind())->firstOrFail();
        $part = $page->part();
        if (! $part instanceof PagePlan) {
            return;
        }
        $test = DraftRows::add($funnel, new SplitTest(self::TEST, $page->name, $page->id));
        $variant = DraftRows::add($funnel->refresh(), new Variant(Ids::next(), 'What it costs them: twelve minutes', $test->id, 'b',
            new PageContent($part->document)));
        $document = $variant->definition['document'];
        $document['sections'][0]['blocks'][0]['text'] = 'Twelve minutes a day, and a melody by spring';
        $this->parts->change($variant, ['document' => $document]);
        $this->tests->start($funnel->refresh(), $test, User::query()->first());
        $this->test = Experiment::query()->find($test->id);
    }

    /** Another subject for half of the readers of an email. */
    public function subject(Funnel $funnel, string $email, string $subject): void
    {
        $part = DraftPart::there($funnel->id, EmailPlan::kind())->where('name', $email)->firstOrFail()->part();
        if ($part instanceof EmailPlan) {
            $test = DraftRows::add($funnel, new SplitTest(Ids::next(), $part->name, $part->id, Tested::Email, TestGoal::Open));
            DraftRows::add($funnel->refresh(), new Variant(Ids::next(), 'What to do instead of a question', $test->id, 'b',
                new EmailContent($subject, $part->body), of: Tested::Email));
            $this->tests->start($funnel->refresh(), $test, User::query()->first());
        }
    }

    /** @return array{test: string, letter: string}|null what somebody sees of a page that is tested */
    public function variant(string $page, string $visitor): ?array
    {
        return $this->test?->part_id !== $page ? null : ['test' => $this->test->id,
            'letter' => Exposures::letter($this->test->id, $this->test->weights(), $visitor, null)];
    }

    /** How far somebody reads on a page: most stop early, some read to the end; the id of the section. */
    public static function read(PagePlan $page, string $visitor): ?string
    {
        $sections = $page->document->sections;
        $far = (hexdec(substr($visitor, 2, 4)) / 0x10000) ** 1.7;

        return ($sections[(int) ($far * count($sections))] ?? null)?->id;
    }

    /** The form or button that is pressed on a page: its first one. */
    public static function pressed(PagePlan $page): ?string
    {
        foreach ($page->document->blocks() as $block) {
            if (in_array($block->kind, [BlockKind::Form, BlockKind::Button], true)) {
                return $block->id;
            }
        }

        return null;
    }

    /** One of the buttons of a page: which one, by their browser's id. */
    public static function button(PagePlan $page, string $visitor): ?string
    {
        $buttons = $page->document->blocksOf(BlockKind::Button);

        return ($buttons[(int) (hexdec($visitor[7]) / 16 * count($buttons))] ?? null)?->id;
    }

    /** By what they look: by their browser's id, so that it is always the same. */
    public static function device(string $visitor): Device
    {
        return match (true) {
            hexdec($visitor[0]) < 9 => Device::Phone,
            hexdec($visitor[0]) < 15 => Device::Computer,
            default => Device::Tablet,
        };
    }

    public function write(Business $business, CarbonImmutable $now): void
    {
        $day = fn (int $ago): string => $now->subDays($ago)->setTimezone($business->timezone)->format('Y-m-d');
        foreach ([['podcast', 55, 28, 26_000, 'Two mentions'], ['podcast', 27, 0, 18_000, 'One mention'], ['newsletter', 27, 0, 4_900,
            'The sending itself'], ['concert-leaflet', 40, 12, 12_000, 'Six hundred leaflets']] as [$source, $from, $to, $amount, $note]) {
            Spend::query()->create(['business_id' => $business->id, 'source' => $source, 'from_day' => $day($from), 'to_day' => $day($to),
                'amount' => $amount, 'currency' => $business->currency, 'note' => $note]);
        }
        $selling = Funnel::query()->where('name', 'First Season, sales')->firstOrFail();
        FunnelGoal::query()->create(['funnel_id' => $selling->id, 'what' => Success::Sales, 'wanted' => 60, 'until' => $day(-42),
            'rates' => [], 'since' => $now->subDays(20)]);
    }
}
