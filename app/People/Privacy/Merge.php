<?php

declare(strict_types=1);

namespace App\People\Privacy;

use App\Experiments\Exposures;
use App\Models\Person;
use App\Records\Readings;
use App\Records\Runs;
use App\Results\Counts;
use App\Support\Instant;
use App\Warmth\Scores;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Support\Invalid;

/**
 * Makes one person of two. The one that stays keeps its address and what is known of it; what it lacks comes from the
 * other, whose history becomes its own. Whoever left under either address has left: a merge brings nobody back.
 */
final readonly class Merge
{
    public function __construct(private Counts $counts)
    {
    }

    public function merge(Person $stays, Person $goes): void
    {
        if ($stays->id === $goes->id || $stays->business_id !== $goes->business_id) {
            throw Invalid::at('with', 'Choose another person to merge with.');
        }
        DB::transaction(function () use ($stays, $goes): void {
            // An email that the one has had, or will have, does not come to them twice.
            foreach (['email_id', 'broadcast_id'] as $email) {
                $had = fn (Person $by) => DB::table('messages')->where('person_id', $by->id)->whereNotNull($email)
                    ->where('state', '!=', MessageState::Cancelled);
                $had($goes)->where('state', MessageState::Waiting)->whereIn($email, $had($stays)->select($email))->delete();
                $had($stays)->where('state', MessageState::Waiting)->whereIn($email, $had($goes)->select($email))->delete();
            }
            DB::table('messages')->where('person_id', $goes->id)->where('state', MessageState::Waiting)
                ->update(['to_address' => $stays->email]);
            $this->counts->mergePeople($stays->loadMissing('business')->business, $stays->id, $goes->id);
            Readings::merge($stays->id, $goes->id);
            foreach (PersonTables::all() as $table) {
                $table->merge($goes->id, $stays->id);
            }
            Readings::merged($stays->id, CarbonImmutable::now());
            Runs::merged($stays->id);
            Exposures::once($stays->id);
            Scores::anew($stays->id, CarbonImmutable::now());
            $earliest = fn (?string $a, ?string $b): ?string => $a === null ? $b : ($b === null ? $a : min($a, $b));
            $stays->forceFill([
                'first_name' => $stays->first_name === '' ? $goes->first_name : $stays->first_name,
                'last_name' => $stays->last_name === '' ? $goes->last_name : $stays->last_name,
                'phone' => $stays->phone === '' ? $goes->phone : $stays->phone, 'timezone' => $stays->timezone ?? $goes->timezone,
                'language' => $stays->language ?? $goes->language,
                'joined_at' => min($stays->joined_at, $goes->joined_at), 'active_at' => max($stays->active_at, $goes->active_at),
                'unsubscribed_at' => $earliest($stays->unsubscribed_at === null ? null : Instant::sql($stays->unsubscribed_at),
                    $goes->unsubscribed_at === null ? null : Instant::sql($goes->unsubscribed_at)),
                // A complaint is a person's; a mailbox that refuses is only a mailbox.
                'suppressed' => $goes->suppressed === 'complained' ? 'complained' : $stays->suppressed,
                'quiet_until' => max($stays->quiet_until, $goes->quiet_until),
                'pending' => $stays->pending && $goes->pending, 'confirmed_at' => $stays->confirmed_at ?? $goes->confirmed_at,
                // Agreeing to more than what was asked for holds only if both did.
                'marketing' => $stays->marketing && $goes->marketing, 'owner_try' => $stays->owner_try && $goes->owner_try,
            ])->save();
            $goes->delete();
        });
    }
}
