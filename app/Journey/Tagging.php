<?php

declare(strict_types=1);

namespace App\Journey;

use App\Models\Funnel;
use App\Models\Person;
use App\Models\Tag;
use App\Results\Recorder;
use App\Support\Instant;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Journey\Event;
use Lantern\Core\Journey\EventType;
use Lantern\Core\Journey\Journey;

/** Tags come and go; in live funnels a new one may start a sequence or end one. */
final readonly class Tagging
{
    public function __construct(private EffectRunner $perform, private Recorder $recorder)
    {
    }

    /** @param  string|null  $decided  the funnel whose sequences have been decided upon already */
    public function add(Person $person, string $name, DateTimeImmutable $at, ?string $decided = null): void
    {
        $tag = self::tag($person->business_id, $name);
        $added = DB::table('person_tag')->insertOrIgnore(['person_id' => $person->id, 'tag_id' => $tag->id, 'funnel_id' => $decided, 'tagged_at' => Instant::sql($at)]);
        if ($added > 0) {
            if ($decided === null) {
                // A tag that came with a form is part of having joined.
                $this->recorder->note(EventType::Tagged, $person, $at, null, ['tag' => $tag->name]);
            }
            $this->react($person, $tag->name, $at, $decided);
        }
    }

    public function remove(Person $person, int $tag): void
    {
        DB::table('person_tag')->where('person_id', $person->id)->where('tag_id', $tag)->delete();
    }

    /** What follows from a tag in the live funnels of the business. */
    public function react(Person $person, string $tag, DateTimeImmutable $at, ?string $decided = null): void
    {
        foreach (self::listening($person->business_id, $tag) as $funnel) {
            if ($funnel->id !== $decided && $funnel->liveVersion !== null) {
                $decision = (new Journey($funnel->liveVersion->plan()))->decide(PersonLookup::visitor($person), new Event(EventType::Tagged, $at, tag: $tag));
                $this->perform->all($decision->effects, $funnel, $funnel->liveVersion, $person, $at);
            }
        }
    }

    /** @return list<Funnel> live funnels with a sequence that starts or ends with the tag */
    public static function listening(int $business, string $tag): array
    {
        $found = [];
        foreach (Funnel::query()->with(['liveVersion', 'business'])->where('business_id', $business)->where('state', 'live')->whereNull('archived_at')
            ->whereHas('sequences')->get() as $funnel) {
            foreach ($funnel->liveVersion?->plan()->sequences ?? [] as $sequence) {
                if ($sequence->startsOn($tag) || $sequence->endsOn($tag)) {
                    $found[$funnel->id] = $funnel;
                }
            }
        }

        return array_values($found);
    }

    public static function tag(int $business, string $name): Tag
    {
        $name = mb_substr(trim((string) preg_replace('/[\s\p{Cc}]+/u', ' ', $name)), 0, 60);

        return Tag::query()->firstOrCreate(['business_id' => $business, 'name_key' => mb_strtolower($name)], ['name' => $name]);
    }
}
