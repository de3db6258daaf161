<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Drafts\DraftRows;
use App\Drafts\NewFunnel;
use App\Files\Downloads;
use App\Files\Uploads;
use App\Forms\PopupOrigin;
use App\Forms\Signup;
use App\Forms\TakeSignup;
use App\Journey\Events;
use App\Journey\NewEvent;
use App\Mail\Sending\MessageSender;
use App\Mail\Unsubscribing\Unsubscribe;
use App\Models\Business;
use App\Models\Delivery;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Upload;
use App\Models\User;
use App\Publishing\Publishing;
use App\Support\DemoProgress;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Illuminate\Database\Seeder;
use Illuminate\Http\UploadedFile;
use Lantern\Core\Events\EventType;
use Lantern\Core\Forms\Answers;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use RuntimeException;

/**
 * The demo: Ferncroft Cello Room and three months of its life, lived through the application's own services with a
 * clock that is set to each moment. All people are made up. It runs in ordinary transactions: whoever wants it whole or not
 * at all loads it beside what there is ({@see \App\Console\LoadDemo}).
 */
final class DemoSeeder extends Seeder
{
    private const SEED = 12;

    private DemoCrowd $crowd;

    /** Nothing happens after this moment. */
    private CarbonImmutable $end;

    public function __construct(
        private readonly NewFunnel $new,
        private readonly Publishing $publishing,
        private readonly Uploads $uploads,
        private readonly TakeSignup $takeSignup,
        private readonly Events $events,
        private readonly MessageSender $postman,
        private readonly Downloads $downloads,
        private readonly Unsubscribe $unsubscribe,
        private readonly DemoPages $pages,
        private readonly DemoMail $mail,
        private readonly DemoSales $sales,
        private readonly DemoPopups $popups,
        private readonly DemoWebinars $webinars,
        private readonly DemoGuide $guide,
        private readonly DemoResults $results,
        private readonly DemoRules $rules,
        private readonly DemoProgress $progress,
    ) {
    }

    public function run(): void
    {
        if (User::query()->exists()) {
            throw new RuntimeException('There is an owner already; the demo is only loaded into an empty application.');
        }
        // Messages are sent below, each at its own moment, so no job has to wait for a worker.
        config(['queue.default' => 'null']);
        $clock = CarbonImmutable::getTestNow();
        $now = CarbonImmutable::now();
        $this->crowd = new DemoCrowd(self::SEED);
        $this->end = $now;
        try {
            $this->threeMonths($now);
        } finally {
            CarbonImmutable::setTestNow($clock);
        }
    }

    private function threeMonths(CarbonImmutable $now): void
    {
        CarbonImmutable::setTestNow($now->subWeeks(9));
        $business = $this->business();
        $this->closedFunnel($business, $now->subWeeks(8));
        $this->liveFunnel($business, $now->subWeeks(8), $now);
        $this->popups->readers($business, $this->crowd, $now->subWeeks(3), $now,
            intdiv(400, max(1, (int) config('lantern.demo_part'))));
        CarbonImmutable::setTestNow($now->subDays(5)->setTime(10, 0));
        $this->mail->broadcasts($business);
        $this->sendDue($now->subDays(4));
        $portrait = Upload::query()->where('name', 'music-room.png')->valueOrFail('id');
        $this->sales->sell($business, $this->crowd, $now, $portrait);
        $this->webinars->hold($business, $this->crowd, $now);
        $this->sendDue($now);
        CarbonImmutable::setTestNow($now->subDays(2));
        $this->pages->drafts($business, $portrait);
        $this->results->write($business, $now);
        $this->rules->write($business, $now);
        $this->sendDue($now);
        self::label();
    }

    private static function label(): void
    {
        $labels = ['Free' => ['Spring tuning checklist', 'Practice plan'],
            'First Season' => ['First Season, sales', 'First Season, autumn list'],
            'Webinars' => ['First Melody, live', 'First Melody, automated', 'Open strings webinar']];
        foreach ($labels as $label => $funnels) {
            Funnel::query()->whereIn('name', $funnels)->toBase()->update(['labels' => json_encode([$label])]);
        }
    }

    private function business(): Business
    {
        $business = Business::query()
            ->create(['name' => 'Ferncroft Cello Room', 'sender_name' => 'Imke Farrow', 'sender_address' => 'imke@ferncroft.example',
                'postal_address' => '3 Ferncroft Yard, Exampleton', 'timezone' => 'Europe/London', 'currency' => 'EUR']);
        User::query()->create(['business_id' => $business->id, 'name' => 'Imke Farrow', 'email' => 'imke@ferncroft.example',
            'password' => 'twelve minutes a day']);

        return $business;
    }

    private function liveFunnel(Business $business, CarbonImmutable $from, CarbonImmutable $now): void
    {
        CarbonImmutable::setTestNow($from->subDay());
        $funnel = $this->new->fromStarter($business, Goal::GiveAway, 'Practice plan', 'The Twelve-Minute Practice Plan',
            $this->uploads->file($business, $this->media('practice-plan.pdf')));
        $cover = $this->uploads->picture($business, $this->media('cover.png'));
        $room = $this->uploads->picture($business, $this->media('music-room.png'));
        $funnel->forceFill(['address' => 'practice-plan'])->save();
        $this->words($funnel, $cover->id);
        $this->followUps($funnel, $business);
        $this->publishing->publish($funnel, User::query()->first(), 'First try: plain and short');
        // Starts small, rises with an email to the list in week three and a podcast in week five, dips in week seven.
        $this->live($funnel, $from, $now, [30, 42, 78, 54, 86, 62, 28, 56], [0.26, 0.27, 0.33, 0.29, 0.34, 0.31, 0.28, 0.33],
            function (int $week) use ($funnel, $room, $cover): void {
                if ($week === 4) {
                    $this->guide->write($funnel->refresh(), $cover->id, $room->id);
                    $this->publishing->publish($funnel->refresh(), User::query()->first(), 'The plan can be read in the browser');
                }
                if ($week === 3) {
                    $entry = DraftPart::there($funnel->id, 'page')->firstOrFail();
                    $document = $entry->definition['document'];
                    $document['sections'][0]['blocks'][0]['text'] = 'Play your first melody on twelve minutes a day';
                    $entry->change(['document' => $document])->save();
                    $this->publishing->publish($funnel->refresh(), User::query()->first(),
                        'A headline that says what they will be able to do');
                }
                if ($week === 5) {
                    $this->pages->grow($funnel, $room->id);
                    $this->pages->footer($funnel);
                    $this->popups->write($funnel);
                    $this->publishing->publish($funnel->refresh(), User::query()->first(), 'The long page, with one footer for all');
                    $this->results->headline($funnel->refresh());
                    $this->results->subject($funnel->refresh(), 'Day 1: the chair', 'Leave the cello out of its case');
                }
            });
    }

    private function closedFunnel(Business $business, CarbonImmutable $from): void
    {
        CarbonImmutable::setTestNow($from->subDay());
        $funnel = $this->new->fromStarter($business, Goal::GiveAway, 'Spring tuning checklist', 'The Ten-Point Tuning Checklist',
            $this->uploads->file($business, $this->media('practice-plan.pdf')));
        $funnel->forceFill(['look' => 'salon'])->save();
        $this->publishing->publish($funnel, User::query()->first());
        $this->live($funnel, $from, $from->addWeeks(3), [40, 45, 25], [0.21, 0.24, 0.2], fn () => null);
        $this->publishing->close($funnel);
    }

    /**
     * @param  list<int>  $visitors  by week
     * @param  list<float>  $rates  the share of each week's visitors who join
     * @param  callable(int): mixed  $atWeekStart
     */
    private function live(
        Funnel $funnel,
        CarbonImmutable $from,
        CarbonImmutable $until,
        array $visitors,
        array $rates,
        callable $atWeekStart,
    ): void {
        foreach ($visitors as $week => $whole) {
            $this->progress->at($funnel->name, $week, count($visitors));
            $count = intdiv($whole, max(1, (int) config('lantern.demo_part')));
            CarbonImmutable::setTestNow($from->addWeeks($week));
            $atWeekStart($week);
            $funnel->refresh()->load(['liveVersion', 'business']);
            $joiners = (int) round($count * $rates[$week]);
            $moments = $this->crowd->moments($from->addWeeks($week), $until, $count);
            foreach ($moments as $i => $moment) {
                // Spread the joiners evenly over the week's visitors.
                $joins = intdiv(($i + 1) * $joiners, $count) > intdiv($i * $joiners, $count);
                $this->sendDue($moment);
                $this->visit($funnel, $moment, $joins, $until);
            }
        }
        $this->sendDue($until);
    }

    private function visit(Funnel $funnel, CarbonImmutable $at, bool $joins, CarbonImmutable $until): void
    {
        $version = $funnel->liveVersion ?? throw new RuntimeException('The funnel is not live.');
        $plan = $version->plan();
        [$entry, $thanks] = $plan->pages;
        $visitor = $this->crowd->visitorId();
        $source = $this->crowd->source();
        // The other headline does a little better.
        $seen = $this->results->variant($entry->id, $visitor)['letter'] ?? '';
        $joins = $joins ? $seen !== 'a' || ! $this->crowd->chance(0.12) : $seen === 'b' && $this->crowd->chance(0.06);
        $view = fn (string $page, CarbonImmutable $when, ?string $person = null) => $this->events
            ->take(new NewEvent(EventType::Viewed, $funnel->business, $when, $funnel,
                $version, $page, personId: $person, visitor: $visitor, source: $source,
                device: DemoResults::device($visitor), variant: $this->results->variant($page, $visitor)));
        CarbonImmutable::setTestNow($at);
        $view($entry->id, $at);
        $did = fn (EventType $type, ?string $part, CarbonImmutable $when) => $this->events
            ->take(new NewEvent($type, $funnel->business, $when, $funnel, $version, $entry->id, visitor: $visitor, part: $part));
        if ($at->addSeconds(33) < $until) {
            $did(EventType::Read, DemoResults::read($entry, $visitor), $at->addSeconds(30));
        }
        if ($joins && $at->addSeconds(33) < $until) {
            $did(EventType::Pressed, DemoResults::pressed($entry), $at->addSeconds(33));
        }
        if ($this->crowd->chance(0.13) && $at->addSeconds(20) < $until) {
            $view($entry->id, $at->addSeconds(20));
        }
        $joined = $at->addSeconds($this->crowd->between(35, 240));
        $asked = $this->popups->view($funnel, $visitor, $this->crowd, $at, $joins && $joined < $until, $source);
        if (! $joins || $joined >= $until) {
            return;
        }
        CarbonImmutable::setTestNow($joined);
        $somebody = $this->crowd->somebody();
        $popup = $asked === null ? null : $this->popups->id($funnel);
        [$submission] = $this->takeSignup->take(new Signup($funnel, $version, $entry, $plan->forms[0],
            Answers::read($plan->forms[0], $somebody), md5($visitor), $joined, $visitor, $this->crowd->zone(),
            $source === null ? [] : ['utm_source' => $source], '192.0.2.'.$this->crowd->between(1, 254), 'Demo browser',
            popped: $popup === null ? null : new PopupOrigin($popup)));
        $this->guide->joined($submission, $joined);
        if ($asked !== null) {
            $this->popups->joined($funnel, $asked, $submission->person_id);
        }
        $view($thanks->id, $joined->addSeconds(1), $submission->person_id);
        $fetched = $joined->addSeconds($this->crowd->between(5, 60));
        if ($this->crowd->chance(0.74) && $fetched < $until) {
            $delivery = Delivery::query()->with(['funnel.business', 'funnel.liveVersion'])->where('person_id', $submission->person_id)
                ->where('funnel_id', $funnel->id)->first();
            if ($delivery !== null) {
                $this->downloads->count($delivery, $fetched, $visitor, false);
            }
        }
    }

    /** Sends what is due by then, each message at the moment it is due; now and then somebody has enough. */
    private function sendDue(CarbonImmutable $until): void
    {
        foreach (Message::query()->where('state', MessageState::Waiting)->where('due_at', '<=', $until->format('Y-m-d H:i:s.v'))
            ->orderBy('due_at')->get(['id', 'due_at']) as $message) {
            $this->guide->upTo($message->due_at);
            CarbonImmutable::setTestNow(min($message->due_at->addSeconds(2), $this->end));
            $sent = $this->postman->send($message->id);
            $person = $sent?->person;
            if ($sent?->state === MessageState::Sent && $person !== null) {
                $this->mail->read($sent, $this->crowd, $this->end);
                if ($this->crowd->chance(0.009)) {
                    $this->unsubscribe->unsubscribe($person, $sent);
                }
            }
        }
        $this->guide->upTo($until);
    }

    private function words(Funnel $funnel, string $cover): void
    {
        foreach (DraftPart::there($funnel->id, 'page')->get() as $page) {
            $document = $page->definition['document'];
            if ($page->position === 0) {
                $document['sections'][0]['blocks'][1]['html'] = 'You took up the cello as a grown-up, and an hour of practice never '
                    .'happens. This five-page plan fits between two other things and still takes you somewhere. Free.';
                $document['sections'][0]['blocks'][3]['picture'] = $cover;
                $document['sections'][0]['blocks'][3]['alt'] = 'The cover of the guide: a cello and a clock face';
            }
            $page->change(['document' => $document])->save();
        }
    }

    private function followUps(Funnel $funnel, Business $business): void
    {
        $letters = [
            [Delay::days(1, 9), 'Day 1: the chair', 'Where does your cello stand?',
                '<p>Hello {{first_name|there}},</p><p>the most useful thing in the plan is not in it: leave the cello out of its case. A '
                    .'case is a locked door.</p><p>Put the chair where it will stay, a pencil on the music, and see what twelve minutes '
                        .'feel like tomorrow.</p><p>Imke</p>'],
            [Delay::days(3, 9), 'Day 3: four bars', 'Only four bars',
                '<p>Hello {{first_name|there}},</p><p>which four bars did you choose? Most people choose the hard ones. Choose the ones '
                    .'you would like to hear.</p><p>If the guide has slipped away, here it is again:</p><p><a '
                        .'href="{{download_link}}">The plan, once more</a></p><p>Imke</p>'],
            [Delay::days(7, 18), 'Day 7: how was it?', 'A week of twelve minutes',
                '<p>Hello {{first_name|there}},</p><p>a week has gone by. Reply with one sentence: what was easier on Friday than on '
                    .'Monday?</p><p>I read every answer, and I answer most.</p>'],
            [Delay::days(7, 18), 'Day 7: for the keen ones', 'You came back for more',
                '<p>Hello {{first_name|there}},</p><p>you looked at the plan again, and that is how it begins. If you would like '
                    .'somebody beside you for twelve weeks, hit reply and tell me: First Season starts again soon.</p>'],
        ];
        $sequence = DraftPart::there($funnel->id, 'sequence')->firstOrFail()->id;
        foreach ($letters as [$delay, $name, $subject, $body]) {
            DraftRows::add($funnel, new EmailPlan(Ids::next(), $name, $subject, $body, $delay, $sequence));
        }
        $this->mail->branch($funnel, $business);
    }

    private function media(string $name): UploadedFile
    {
        return new UploadedFile(database_path("demo/media/{$name}"), $name, null, null, true);
    }
}
