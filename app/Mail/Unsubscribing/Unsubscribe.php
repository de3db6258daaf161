<?php

declare(strict_types=1);

namespace App\Mail\Unsubscribing;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Message;
use App\Models\Person;
use App\Records\PersonLookup;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Messages\MessageKind;
use Lantern\Core\Messages\MessageState;

/** Ends emails to a person: all of them, some of them, or for a while. Doing it twice is doing it once. */
final readonly class Unsubscribe
{
    public const QUIET_DAYS = 30;

    public const WHY = 'Unsubscribed before it was due.';

    public function __construct(private Events $events)
    {
    }

    /** @param  Message|null  $through  the email whose link was followed; nothing when the owner does it */
    public function unsubscribe(Person $person, ?Message $through): void
    {
        DB::transaction(function () use ($person, $through): void {
            $left = $person->unsubscribed_at;
            // The owner's doing can be taken back; that of the person themselves cannot, so it is noted even then.
            if ($left !== null && ($through === null || $this->didThemselves($person, $left))) {
                return;
            }
            $now = CarbonImmutable::now();
            $person->forceFill(['unsubscribed_at' => $now])->save();
            $this->events->take($through === null ? NewEvent::of(EventType::Unsubscribed, $person, $now, why: self::WHY)
                : NewEvent::ofMessage(EventType::Unsubscribed, $through, $person, $now));
            $this->lost($through, 'unsubscribed', $now);
        });
    }

    /** No more of one kind of emails: `broadcasts`, or a sequence by its id. */
    public function from(Person $person, string $what, ?Message $through): void
    {
        DB::transaction(function () use ($person, $what, $through): void {
            $now = CarbonImmutable::now();
            DB::table('opt_outs')->insertOrIgnore(['person_id' => $person->id, 'what' => $what, 'at' => Instant::sql($now)]);
            $this->lost($through, 'less', $now);
            if ($what === 'broadcasts') {
                Message::query()->where('person_id', $person->id)->where('kind', MessageKind::Broadcast->value)
                    ->where('state', MessageState::Waiting)
                    ->update(['state' => MessageState::Cancelled, 'trouble' => 'Chose not to get these any more.']);
            } else {
                $this->events->leave($person, $what, 'Chose not to get these any more.', $now);
            }
        });
    }

    /** Nothing for a month; what is due meanwhile comes afterwards. */
    public function quiet(Person $person): void
    {
        $person->forceFill(['quiet_until' => CarbonImmutable::now()->addDays(self::QUIET_DAYS)])->save();
    }

    /** Everything again as it was: what was pressed by mistake is taken back, and what is still to come comes. */
    public function back(Person $person): void
    {
        DB::transaction(function () use ($person): void {
            $now = Instant::sql(CarbonImmutable::now());
            DB::table('messages')->where('person_id', $person->id)->where('state', MessageState::Cancelled)->where('trouble', self::WHY)
                ->where('due_at', '>', $now)
                ->update(['state' => MessageState::Waiting, 'trouble' => null, 'queued_at' => null, 'updated_at' => $now]);
            DB::table('enrolments')->where('person_id', $person->id)->where('ended_why', self::WHY)
                ->whereExists(PersonLookup::onTheWay(...))->update(['ended_at' => null, 'ended_why' => null]);
            $person->forceFill(['unsubscribed_at' => null, 'quiet_until' => null])->save();
            DB::table('opt_outs')->where('person_id', $person->id)->delete();
        });
    }

    private function didThemselves(Person $person, CarbonImmutable $left): bool
    {
        return DB::table('events')->where('person_id', $person->id)->where('type', EventType::Unsubscribed->value)
            ->where('at', '>=', Instant::sql($left))->whereNotNull('data->message')->exists();
    }

    private function lost(?Message $through, string $how, CarbonImmutable $at): void
    {
        if ($through !== null) {
            DB::table('messages')->where('id', $through->id)->whereNull('lost_at')
                ->update(['lost_at' => Instant::sql($at), 'lost_why' => $how, 'updated_at' => Instant::sql($at)]);
        }
    }
}
