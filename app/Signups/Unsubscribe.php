<?php

declare(strict_types=1);

namespace App\Signups;

use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Results\Recorder;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Journey\CancelEmails;
use Lantern\Core\Journey\Event;
use Lantern\Core\Journey\EventType;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Journey\Visitor;

/** Ends all letters to a person. Doing it twice is doing it once. */
final readonly class Unsubscribe
{
    public function __construct(private Recorder $recorder)
    {
    }

    public function of(Person $person, Message $through): void
    {
        DB::transaction(function () use ($person, $through): void {
            if ($person->unsubscribed_at !== null) {
                return;
            }
            $now = CarbonImmutable::now();
            $person->forceFill(['unsubscribed_at' => $now])->save();
            $funnel = Funnel::query()->with(['business', 'liveVersion'])->find($through->funnel_id);
            if ($funnel?->liveVersion !== null) {
                $this->recorder->record(EventType::Unsubscribed, $funnel->business, $funnel->id, null, $now, person: $person->id,
                    data: ['message' => $through->id]);
                $decision = (new Journey($funnel->liveVersion->plan()))->decide(new Visitor(new DateTimeZone('UTC')), new Event(EventType::Unsubscribed, $now));
                if ($decision->effectsOf(CancelEmails::class) === []) {
                    return;
                }
            }
            Message::query()->where('person_id', $person->id)->where('state', 'waiting')->where('kind', 'sequence')
                ->update(['state' => 'cancelled', 'trouble' => 'Unsubscribed before it was due.']);
        });
    }
}
