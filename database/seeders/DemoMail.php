<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Mail\Broadcasts\Broadcasting;
use App\Mail\Sending\Feedback;
use App\Models\Broadcast;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\EmailPart;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Segment;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Lantern\Core\Emails\BroadcastState;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** The emails of the demo and what became of them: a branch, a signature, segments, a broadcast, readers who open and click. */
final class DemoMail
{
    /** Dice of their own, so that the crowd stays the same whoever reads. */
    private readonly Randomizer $dice;

    public function __construct(private readonly Feedback $feedback, private readonly Broadcasting $broadcasting)
    {
        $this->dice = new Randomizer(new Mt19937(7));
    }

    /** On day seven one email for those who looked at the plan again, and one for the others. Emails go out by day. */
    public function branch(Funnel $funnel, Business $business): void
    {
        $signature = EmailPart::query()->create(['id' => Ids::next(), 'business_id' => $business->id, 'name' => 'Imke’s signature',
            'body' => '<p>Imke<br><em>Ferncroft Cello Room</em></p>']);
        $plan = DraftPart::there($funnel->id, 'email')->where('name', 'Day 3: four bars')->firstOrFail();
        foreach (['Day 7: how was it?' => false, 'Day 7: for the keen ones' => true] as $name => $keen) {
            $email = DraftPart::there($funnel->id, 'email')->where('name', $name)->firstOrFail();
            $email->change(['only' => ['all' => true,
                'rules' => [['kind' => 'deed', 'deed' => 'clicked', 'not' => ! $keen, 'with' => $plan->id]]],
                'body' => $email->text('body').'<div data-part="'.$signature->id.'"></div>'])->save();
        }
        DraftPart::there($funnel->id, 'sequence')->firstOrFail()
            ->change(['name' => 'Twelve minutes', 'window' => ['days' => [1, 2, 3, 4, 5, 6, 7], 'from' => 8, 'to' => 20]])->save();
    }

    /** Now and then somebody opens an email, and some of them follow its link. */
    public function read(Message $message, DemoCrowd $crowd, CarbonImmutable $end): void
    {
        $warm = match (true) {
            $message->name === 'Welcome email' => [68, 55],
            str_contains($message->name, 'Day 1') => [52, 0],
            str_contains($message->name, 'Day 3') => [44, 38],
            default => [36, 24],
        };
        $at = CarbonImmutable::now()->addMinutes($this->dice->getInt(1, 600));
        if ($at >= $end || $this->dice->getInt(1, 100) > $warm[0]) {
            return;
        }
        $this->feedback->opened($message->loadMissing('person.business'), $at);
        if ($warm[1] > 0 && $this->dice->getInt(1, 100) <= $warm[1] && $at->addMinutes(2) < $end) {
            $this->feedback->clicked($message, 'https://ferncroft.example/', $at->addMinutes(2));
        }
    }

    public function broadcasts(Business $business): void
    {
        $tag = ['kind' => 'tag', 'tag' => 'The Twelve-Minute Practice Plan'];
        $keen = ['all' => true, 'rules' => [$tag, ['all' => false,
            'rules' => [['kind' => 'deed', 'deed' => 'clicked', 'days' => 30],
                ['kind' => 'date', 'date' => 'active', 'compare' => 'within', 'days' => 14]]]]];
        Segment::query()->create(['id' => Ids::next(), 'business_id' => $business->id, 'name' => 'Keen on the plan', 'rules' => $keen]);
        Segment::query()->create(['id' => Ids::next(), 'business_id' => $business->id, 'name' => 'Quiet for a month',
            'rules' => ['all' => true, 'rules' => [['kind' => 'date', 'date' => 'active', 'compare' => 'longer', 'days' => 30]]]]);
        $letter = Broadcast::query()->create(['id' => Ids::next(), 'business_id' => $business->id,
            'funnel_id' => Funnel::query()->where('business_id', $business->id)->where('address', 'practice-plan')->value('id'),
            'name' => 'An evening of open strings', 'subject' => 'Would you like to listen in?', 'audience' => $keen,
            'state' => BroadcastState::Scheduled, 'send_at' => CarbonImmutable::now(),
            'body' => '<p>Hello {{first_name|there}},</p><p>on the last Thursday of the month five of my students play for each other, '
                .'mistakes and all. You are welcome to sit in the back row and listen.</p><p><a '
                    .'href="https://ferncroft.example/evening">Keep me a chair</a></p><p>Warmly,<br>Imke</p>']);
        $this->broadcasting->start($letter, CarbonImmutable::now());
        Broadcast::query()->whereKey($letter->id)->update(['state' => BroadcastState::Sent]);
        Broadcast::query()->create(['id' => Ids::next(), 'business_id' => $business->id, 'name' => 'First Season opens',
            'subject' => 'Twelve weeks, twelve minutes a day', 'settings' => ['otherSubject' => 'The doors are open', 'share' => 20],
            'body' => '<p>Hello {{first_name|there}},</p><p>the new season begins, and there are eight chairs.</p><p>Warmly,<br>Imke</p>']);
    }
}
