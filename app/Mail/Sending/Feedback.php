<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Message;
use App\Models\Person;
use App\People\Consent\Suppressions;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;

/** What comes back of a message: opened, clicked, bounced, reported. Each is noted as often as it happens and counts once. */
final readonly class Feedback
{
    public function __construct(private Events $events)
    {
    }

    /** Mail programs open by themselves, and some readers never load pictures: a number to be read with care. */
    public function opened(Message $message, CarbonImmutable $at): void
    {
        $this->counted($message, 'opened_at', 'opens', EventType::Opened, $at, []);
    }

    public function clicked(Message $message, string $to, CarbonImmutable $at): void
    {
        $this->counted($message, 'clicked_at', 'clicks', EventType::Clicked, $at, ['to' => mb_substr($to, 0, 500)]);
        // Whoever clicked has seen the email, whatever became of its picture.
        DB::table('messages')->where('id', $message->id)->whereNull('opened_at')->update(['opened_at' => Instant::sql($at), 'opens' => 1]);
    }

    /** @param  array<string, mixed>  $data */
    private function counted(Message $message, string $column, string $count, EventType $type, CarbonImmutable $at, array $data): void
    {
        DB::transaction(function () use ($message, $column, $count, $type, $at, $data): void {
            $first = DB::table('messages')->where('id', $message->id)->whereNull($column)
                ->update([$column => Instant::sql($at), 'updated_at' => Instant::sql($at)]) === 1;
            DB::table('messages')->where('id', $message->id)->increment($count);
            if ($message->person !== null && ($first || $type === EventType::Clicked)) {
                $this->events->take(NewEvent::ofMessage($type, $message, $message->person, $at, $data));
            }
        });
    }

    public function bounced(Message $message, string $why): void
    {
        $this->lost($message, 'bounced', EventType::Bounced, $why);
    }

    /** It did not arrive this once; the next one may. */
    public function undelivered(Message $message, string $why): void
    {
        DB::table('messages')->where('id', $message->id)->whereNull('lost_at')
            ->update(['trouble' => mb_substr("It did not arrive: {$why}", 0, 500), 'updated_at' => Instant::sql(CarbonImmutable::now())]);
    }

    public function complained(Message $message): void
    {
        $this->lost($message, 'complained', EventType::Complained, 'Reported as spam by its reader.');
    }

    private function lost(Message $message, string $how, EventType $type, string $why): void
    {
        DB::transaction(function () use ($message, $how, $type, $why): void {
            $now = CarbonImmutable::now();
            DB::table('messages')->where('id', $message->id)->whereNull('lost_at')
                ->update(['lost_at' => Instant::sql($now), 'lost_why' => $how, 'trouble' => mb_substr($why, 0, 500),
                    'updated_at' => Instant::sql($now)]);
            $person = $message->person;
            if ($person === null) {
                return;
            }
            Suppressions::add($message->business_id, $message->to_address, $how);
            if ($person->suppressed !== 'complained' && $person->suppressed !== $how) {
                $person->forceFill(['suppressed' => $how])->save();
                $this->events->take(NewEvent::ofMessage($type, $message, $person, $now));
            }
        });
    }

    /** The owner knows better: the address works, or its reader asked to be written to again. */
    public function lift(Person $person): void
    {
        DB::transaction(function () use ($person): void {
            Suppressions::lift($person->business_id, $person->email);
            $person->forceFill(['suppressed' => null])->save();
        });
    }
}
