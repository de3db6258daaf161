<?php

declare(strict_types=1);

namespace App\People\Tags;

use App\Journey\CarriesOut;
use App\Journey\EffectContext;
use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Person;
use App\Models\Tag;
use App\Support\Instant;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Journey\Effects\AddTag;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\RemoveTag;

/** Tags come and go; a new one is an event. */
final readonly class Tagging implements CarriesOut
{
    public function __construct(private Events $events)
    {
    }

    public function add(Person $person, string $name, DateTimeImmutable $at): void
    {
        $tag = self::tag($person->business_id, $name);
        DB::transaction(function () use ($person, $tag, $at): void {
            if ($this->insert($person, $tag, null, $at)) {
                $this->events->take(NewEvent::of(EventType::Tagged, $person, $at, tag: $tag->name, data: ['tag' => $tag->name]));
            }
        });
    }

    public function carryOut(Effect $effect, EffectContext $context): void
    {
        if ($effect instanceof RemoveTag) {
            $this->remove($context->person, self::tag($context->person->business_id, $effect->tag)->id);
        }
        if (! $effect instanceof AddTag) {
            return;
        }
        $tag = self::tag($context->person->business_id, $effect->tag);
        if ($this->insert($context->person, $tag, $context->funnel?->id, $context->at)) {
            // It came with something that is recorded; the funnel that gave it has decided already, or a rule of the whole business.
            $this->events->follow(NewEvent::of(EventType::Tagged, $context->person, $context->at, tag: $tag->name),
                $context->funnel->id ?? '');
        }
    }

    /** @return bool is it new to them? */
    private function insert(Person $person, Tag $tag, ?string $funnel, DateTimeImmutable $at): bool
    {
        return DB::table('person_tag')->insertOrIgnore(['person_id' => $person->id, 'tag_id' => $tag->id, 'funnel_id' => $funnel,
            'tagged_at' => Instant::sql($at)]) > 0;
    }

    public function remove(Person $person, int $tag): void
    {
        DB::table('person_tag')->where('person_id', $person->id)->where('tag_id', $tag)->delete();
    }

    public static function tag(int $business, string $name): Tag
    {
        $name = mb_substr(trim((string) preg_replace('/[\s\p{Cc}]+/u', ' ', $name)), 0, 60);

        return Tag::query()->firstOrCreate(['business_id' => $business, 'name_key' => mb_strtolower($name)], ['name' => $name]);
    }
}
