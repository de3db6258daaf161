<?php

declare(strict_types=1);

namespace Tests\Feature\Rehearsal;

use App\Automation\OwnerRules;
use App\Drafts\DraftRows;
use App\Drafts\Kinds\RuleKind;
use App\Drafts\NewFunnel;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Upload;
use App\Models\User;
use App\Publishing\NotReady;
use App\Publishing\Publishing;
use App\Rehearsal\Stages;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Storage;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Rehearsal\Life;
use Lantern\Core\Rehearsal\Option;
use Lantern\Core\Rehearsal\Rehearsal;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Drafts\Prices;
use Tests\TestCase;

/**
 * What is rehearsed is what happens: funnels that were made up are played by people who choose at random, once in the rehearsal and once
 * in the application itself, and after each choice both have come to the same pages, emails, tags, deadlines and money.
 */
final class BothWaysTest extends TestCase
{
    use LivePlay;

    private const STEPS = 14;

    private User $seller;

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        $first = (int) (getenv('LANTERN_REHEARSAL_FROM') ?: 1);
        for ($seed = $first; $seed < $first + (int) (getenv('LANTERN_REHEARSALS') ?: 12); $seed++) {
            yield "seed {$seed}" => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function test_what_is_rehearsed_is_what_happens(int $seed): void
    {
        config(['lantern.signups.least_seconds' => 0.0]);
        mt_srand($seed);
        $this->seller = $this->owner();
        $funnel = $this->madeUp();
        $zones = ['Europe/Oslo', 'Pacific/Auckland', 'America/St_Johns', 'Asia/Kathmandu', 'America/Los_Angeles', 'UTC'];
        $visitor = new Visitor(zone: $zones[mt_rand(0, 5)]);
        $rehearsal = new Rehearsal(Stages::of($funnel, $this->planOf($funnel)));
        $life = $rehearsal->begin($visitor, CarbonImmutable::now());
        $this->begin($funnel, $visitor);
        $story = [];
        for ($step = 0; $step < self::STEPS; $step++) {
            // A minute passes, and then they choose among what can be done by now.
            foreach ([null, $step] as $chooses) {
                $one = $chooses === null ? new Choice(ChoiceKind::Wait, minutes: 1) : $this->chosen($rehearsal, $life);
                $rehearsal->choose($life, $one);
                $one->kind === ChoiceKind::Wait ? $this->until($life->now) : $this->does($one);
            }
            $story[] = end($life->chosen)['words'] ?? '';
            self::assertSame(Told::life($life), $this->comesTo(), "seed {$seed}, {$funnel->goal}: ".implode(' → ', $story));
        }
    }

    /** What somebody does next: whatever can be done, the likelier the more follows from it. */
    private function chosen(Rehearsal $rehearsal, Life $life): Choice
    {
        // What is read or downloaded has its own tests: here it would only be the same request once more.
        $left = [ChoiceKind::Read, ChoiceKind::Download];
        $options = array_values(array_filter($rehearsal->options($life), fn (Option $o): bool => ! in_array($o->choice->kind, $left, true)
            && ! in_array($o->choice->to, ['download', 'calendar', 'away'], true)
            && ($o->choice->kind !== ChoiceKind::Join || $o->sessions !== [] || $o->choice->session === '')));
        $weights = ['page' => 6, 'popup' => 3, 'mailbox' => 4, 'session' => 4, 'time' => 3, 'device' => 1, 'address' => 1];
        $pool = [];
        foreach ($options as $option) {
            array_push($pool, ...array_fill(0, $option->choice->kind === ChoiceKind::Unsubscribe ? 1 : $weights[$option->group], $option));
        }
        $option = $pool[mt_rand(0, count($pool) - 1)];
        $bumps = $option->bumps === [] || mt_rand(0, 1) === 0 ? [] : [$option->bumps[0]['id']];
        $session = $option->sessions === [] ? '' : $option->sessions[mt_rand(0, count($option->sessions) - 1)]['key'];

        return new Choice($option->choice->kind, $option->choice->of, $option->choice->to, $option->choice->minutes, $session,
            $option->choice->popup, $bumps);
    }

    private function planOf(Funnel $funnel): \Lantern\Core\Plan\Plan
    {
        return $funnel->liveVersion?->plan() ?? throw new \LogicException('It is live.');
    }

    /** A starter, changed at random, and live. */
    private function madeUp(): Funnel
    {
        $goals = [Goal::Sell, Goal::Webinar, Goal::GiveAway, Goal::Launch, Goal::Webinar, Goal::Sell];
        $goal = $goals[mt_rand(0, count($goals) - 1)];
        $funnel = app(NewFunnel::class)->fromStarter($this->seller->business, $goal, 'Made up', 'First Season',
            $goal->hasLeadMagnet() ? $this->upload($this->seller) : null, Money::of(19_000, Currency::of('EUR')))->refresh();
        Prices::fillIn($funnel);
        MadeUpFunnel::change($funnel->refresh(), $this->recording());
        MadeUpFunnel::popup($funnel->refresh());
        for ($i = mt_rand(0, 3); $i > 0; $i--) {
            $rule = app(RuleKind::class);
            DraftRows::add($funnel, $rule->fresh($funnel, array_filter(MadeUpFunnel::rule($funnel), fn (mixed $v): bool => $v !== null)));
        }
        try {
            app(Publishing::class)->publish($funnel, null);
        } catch (NotReady) {
            // They would go round for ever.
            foreach (DraftPart::there($funnel->id, AutomationRule::kind())->get() as $row) {
                $row->change(['eachTime' => false])->save();
            }
            app(Publishing::class)->publish($funnel, null);
        }
        for ($i = mt_rand(0, 2); $i > 0; $i--) {
            app(OwnerRules::class)->add($this->seller->business, ['eachTime' => false] + MadeUpFunnel::rule($funnel));
        }

        return Funnel::query()->with(['liveVersion', 'business'])->findOrFail($funnel->id);
    }

    /** A recording of two and a half minutes. */
    private function recording(): string
    {
        $id = Ids::next();
        Storage::disk('uploads')->put("videos/{$id}", (string) file_get_contents(database_path('demo/media/first-melody.webm')));

        return Upload::query()->create(['id' => $id, 'business_id' => $this->seller->business_id, 'kind' => 'video', 'name' => 'first.webm',
            'mime' => 'video/webm', 'bytes' => 1, 'path' => "videos/{$id}", 'sha256' => str_repeat('0', 64)])->id;
    }
}
