<?php

declare(strict_types=1);

namespace App\Mail;

use App\Jobs\SendMessage;
use App\Models\Funnel;
use App\Models\Person;
use App\Models\Version;
use App\Support\Ids;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Journey\SendEmail;

/** Plans messages: each has a key that can be used once, so that nothing is ever planned twice. */
final class Planner
{
    public function planSequenceEmail(Funnel $funnel, Version $version, Person $person, SendEmail $effect): void
    {
        $this->plan("sequence:{$effect->email}:{$person->id}", [
            'business_id' => $person->business_id, 'person_id' => $person->id, 'funnel_id' => $funnel->id, 'version_id' => $version->id,
            'email_id' => $effect->email, 'kind' => 'sequence', 'name' => $version->plan()->email($effect->email)->name ?? 'Email',
            'to_address' => $person->email, 'due_at' => Instant::sql($effect->at),
        ]);
    }

    /** A new download link for somebody whose link has run out: once an hour at most, however often it is asked for. */
    public function planNewLink(Person $person, string $funnel): void
    {
        $now = CarbonImmutable::now();
        $this->plan('new-link:'.$person->id.':'.$now->utc()->format('YmdH'), [
            'business_id' => $person->business_id, 'person_id' => $person->id, 'funnel_id' => $funnel, 'version_id' => null, 'email_id' => null,
            'kind' => 'new-link', 'name' => 'New download link', 'to_address' => $person->email, 'due_at' => Instant::sql($now),
        ]);
    }

    /** @param  array<string, mixed>  $message */
    private function plan(string $key, array $message): void
    {
        $now = CarbonImmutable::now();
        $due = $message['due_at'] <= Instant::sql($now);
        $id = Ids::next();
        $planned = DB::table('messages')->insertOrIgnore($message + [
            'id' => $id, 'unique_key' => $key, 'state' => 'waiting', 'queued_at' => $due ? Instant::sql($now) : null,
            'created_at' => Instant::sql($now), 'updated_at' => Instant::sql($now),
        ]);
        if ($planned === 1 && $due) {
            SendMessage::dispatch($id);
        }
    }
}
