<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Automation\OwnerRules;
use App\Automation\RuleWork;
use App\Drafts\DraftPlan;
use App\Drafts\DraftRows;
use App\Drafts\Kinds\RuleKind;
use App\Journey\PageViews;
use App\Journey\Stranger;
use App\Models\Business;
use App\Models\Funnel;
use App\Models\Order;
use App\Models\Person;
use App\Publishing\Publishing;
use App\Rehearsal\Stages;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;
use Lantern\Core\Promises\Promise;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Rehearsal\Record;
use Lantern\Core\Rehearsal\Rehearsal;
use Lantern\Core\Sequences\EmailPlan;

/** Rules of the demo, of a funnel and of the whole business, with some people for whom one has acted; and a promise that is kept. */
final readonly class DemoRules
{
    /** Subscribers who looked at the sales page three times and did not buy. */
    private const WATCHING = 3;

    public function __construct(private OwnerRules $rules, private RuleKind $kind, private Publishing $publishing, private PageViews $views,
        private RuleWork $work)
    {
    }

    public function write(Business $business, CarbonImmutable $now): void
    {
        $selling = Funnel::query()->where('name', 'First Season, sales')->firstOrFail();
        CarbonImmutable::setTestNow($now->subDays(2));
        $page = DraftPlan::read($selling)->pageOf(PageRole::Sales)->id ?? '';
        DraftRows::add($selling, $this->kind->fresh($selling, ['name' => 'Watching the sales page',
            'when' => [['kind' => 'page', 'page' => $page, 'times' => 3]],
            'only' => ['all' => true, 'rules' => [['kind' => 'deed', 'deed' => 'bought', 'not' => true]]],
            'acts' => [['kind' => 'tag', 'tag' => 'Watching'], ['kind' => 'tell', 'words' => 'Looked three times, and did not buy']]]));
        $this->publishing->publish($selling->refresh(), null, 'Says who keeps looking');
        foreach ([['name' => 'Talks to me', 'when' => [['kind' => 'replied']], 'acts' => [['kind' => 'tag', 'tag' => 'Talks to me']]],
            ['name' => 'A word to those who finished', 'when' => [['kind' => 'guide-finished',
                'guide' => DraftPlan::read(Funnel::query()->where('name', 'Practice plan')->firstOrFail())->guides[0]->id ?? '']],
                'after' => ['days' => 1, 'time' => '09:00'], 'acts' => [['kind' => 'note',
                    'words' => 'Finished the guide: ask how it goes']]]] as $rule) {
            $this->rules->add($business, $rule);
        }
        $this->look($selling, $page, $now);
        $this->promise($selling, $now);
    }

    private function look(Funnel $selling, string $page, CarbonImmutable $now): void
    {
        $selling->load('business');
        foreach (Person::query()->with('business')->where('business_id', $selling->business_id)->whereNull('unsubscribed_at')
            ->whereNotIn('id', Order::query()->select('person_id'))->orderByDesc('warmth')->limit(self::WATCHING)
            ->get() as $i => $person) {
            for ($looks = 3; $looks > 0; $looks--) {
                $at = $now->subHours(7 * $looks + $i);
                CarbonImmutable::setTestNow($at);
                $this->views->see($selling, (string) $selling->live_version_id, $page, $person->id,
                    new Stranger(md5("watching {$i}"), '203.0.113.9', $selling->business->zone()), null, $at);
                $this->work->work($at);
            }
        }
    }

    private function promise(Funnel $selling, CarbonImmutable $now): void
    {
        $plan = DraftPlan::read($selling->refresh());
        $email = array_values(array_filter($plan->emails, fn (EmailPlan $e): bool => $e->name === 'The introductory price'))[0] ?? null;
        if ($email === null) {
            return;
        }
        $visitor = new Visitor(zone: 'Pacific/Auckland', name: 'Wren Holloway');
        $choices = [new Choice(ChoiceKind::GetTag, 'Interested in First Season'), new Choice(ChoiceKind::Wait, minutes: 1440),
            new Choice(ChoiceKind::Click, $email->id, 'page:'.($plan->pageAt('introductory')->id ?? ''))];
        $start = $now->setTime((int) $now->format('G'), 0)->utc();
        $life = (new Rehearsal(Stages::of($selling, $plan)))->play($visitor, $start, $choices);
        DraftRows::add($selling, (new Promise(Ids::next(), 'Whoever clicks a day late has three days at 190, wherever they live', $visitor,
            $start, $choices))->keeping(...Record::of($life)));
    }
}
