<?php

declare(strict_types=1);

namespace App\Journey;

use App\Experiments\Exposures;
use App\Models\Funnel;
use App\Models\Person;
use App\Models\Version;
use App\Records\PersonLookup;
use App\Results\Counts;
use App\Support\Instant;
use App\Warmth\Scores;
use App\Warmth\WarmDays;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Journey\Decision;
use Lantern\Core\Journey\Effects\StopSequence;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Warmth\Warming;

/**
 * The one door for what happens. An event is recorded, the Journey of its funnel and of every live funnel that listens
 * is asked, and what they decide is carried out, all in one transaction. Nobody records, decides or carries out beside it.
 */
final readonly class Events
{
    /** How the moment of an event is written: its order among others of the same second is kept. */
    public const AT = 'Y-m-d H:i:s.u';

    public function __construct(private Counts $counts, private EffectRunner $effects, private Earlier $earlier,
        private BusinessRules $rules)
    {
    }

    /** @return Decision what the Journey of its own funnel decided, after it was carried out */
    public function take(NewEvent $event): Decision
    {
        return DB::transaction(function () use ($event): Decision {
            if ($event->visitor !== null && $event->type !== EventType::Viewed) {
                // What they did follows from what they saw: what a visit came from, and which variant.
                $this->earlier->take($event->visitor, $event->at);
            }
            $warmer = $this->record($event);
            $decision = $this->follow($event);
            if ($warmer?->becameWarm() === true) {
                $this->becameWarm($event);
            }

            return $decision;
        });
    }

    /** Once what led to it has been followed. It belongs to no funnel: whichever waits for it hears it. */
    private function becameWarm(NewEvent $event): void
    {
        $person = $event->person ?? Person::query()->with('business')->find($event->personId);
        if ($person instanceof Person) {
            $this->take(NewEvent::of(EventType::BecameWarm, $person, $event->at));
        }
    }

    /**
     * What follows from an event that is recorded as part of another one, such as a tag that comes with joining.
     *
     * @param  string|null  $decided  the funnel that has decided upon it already
     */
    public function follow(NewEvent $event, ?string $decided = null): Decision
    {
        return DB::transaction(function () use ($event, $decided): Decision {
            $core = $event->inCore();
            $version = $event->version ?? $event->funnel?->liveVersion;
            $own = match (true) {
                $decided !== null => new Decision,
                // Nobody to whom anything could happen, and nothing that leads anywhere.
                $event->person === null && $event->stranger === null && $event->type->outcome() === null => new Decision,
                $version === null => $this->withoutFunnel($event, $core),
                default => (new Journey($version->plan(), $this->rules->of($event->business->id)))->decide(self::known($event, $core),
                    $core),
            };
            if ($event->alone) {
                // Whose it is comes later, by a link in an email; and with it the rest.
                $this->carryOut($own->ofOrder(), $event, $event->funnel, $version);

                return $own;
            }
            $this->carryOut($own, $event, $event->funnel, $version);
            $this->listen($event, $core, $decided);

            return $own;
        });
    }

    /** What follows whatever funnel it happened in, or in none; among it what the rules of the whole business wait for. */
    private function withoutFunnel(NewEvent $event, Event $core): Decision
    {
        $own = Journey::withoutFunnel($core);
        // What is known of the person is loaded only where one of them hears it.
        $rules = $event->person === null || $core->keys() === [] ? [] : array_values(array_filter($this->rules->of($event->business->id),
            fn (AutomationRule $r): bool => $r->when->heardBy($core) !== null));

        return $rules === [] ? $own : new Decision($own->way, [...$own->effects,
            ...Journey::ofBusiness($rules, self::known($event, $core), $core)->effects]);
    }

    /** What happened to an order that belonged to itself has happened to a person: what was left of it follows. */
    public function joined(NewEvent $event): void
    {
        DB::transaction(function () use ($event): void {
            $core = $event->inCore();
            $version = $event->version ?? $event->funnel?->liveVersion;
            if ($version !== null) {
                $decision = (new Journey($version->plan(), $this->rules->of($event->business->id)))->decide(self::known($event, $core),
                    $core);
                $this->carryOut($decision->ofPerson(), $event, $event->funnel, $version);
            }
            $this->listen($event, $core, null);
            $this->active($event->person?->id, $event);
        });
    }

    /** @param  string|null  $decided  the funnel that has decided upon it already */
    private function listen(NewEvent $event, Event $core, ?string $decided): void
    {
        foreach ($this->listening($event, $core, $decided ?? $event->funnel?->id) as $funnel) {
            if ($funnel->liveVersion !== null) {
                // Looked up anew each time: what one funnel did is known to the next.
                $this->carryOut((new Journey($funnel->liveVersion->plan(), $this->rules->of($event->business->id)))
                    ->listen(self::known($event, $core), $core), $event,
                    $funnel, $funnel->liveVersion);
            }
        }
    }

    /**
     * Somebody enters a sequence of a live funnel by the owner's hand.
     *
     * @return bool did they? Not if they are in it, were in it before, or have a tag that ends it
     */
    public function enter(Person $person, Funnel $funnel, string $sequence, DateTimeImmutable $at): bool
    {
        return DB::transaction(function () use ($person, $funnel, $sequence, $at): bool {
            $version = $funnel->liveVersion;
            $effects = $version === null ? [] : (new Journey($version->plan(), $this->rules->of($person->business_id)))
                ->start(PersonLookup::forJourney($person, $at), $sequence,
                    $at);
            $this->effects->run($effects, new EffectContext($person, $at, $funnel, $version));

            return $effects !== [];
        });
    }

    /**
     * Somebody leaves a sequence by the owner's hand, or because they asked for it.
     *
     * @param  string  $why  one sentence for the owner
     */
    public function leave(Person $person, string $sequence, string $why, DateTimeImmutable $at): void
    {
        DB::transaction(fn () => $this->effects->run([new StopSequence($sequence, $why)], new EffectContext($person, $at)));
    }

    /** @return Warming|null what became of the person's warmth, if it is one who is known */
    private function record(NewEvent $event): ?Warming
    {
        $person = $event->alone ? null : $event->person->id ?? $event->personId;
        $row = [
            'business_id' => $event->business->id, 'type' => $event->type->value, 'funnel_id' => $event->funnel?->id,
            'page_id' => $event->page,
            'version_id' => $event->version?->id, 'visitor' => $event->visitor, 'person_id' => $person, 'source' => $event->source,
            'owner' => $event->owner, 'variant' => $event->variant['letter'] ?? self::variantSeen($event, $person),
            'part' => $event->part ?? self::formBlock($event),
            'data' => $event->data === [] ? null : json_encode($event->data, JSON_THROW_ON_ERROR),
            'at' => CarbonImmutable::instance($event->at)->utc()->format(self::AT),
        ] + Origin::of($event, $event->person->id ?? $event->personId)->toArray() + Origin::step($event);
        $id = DB::table('events')->insertGetId($row);
        $this->counts->add($event->business, ['id' => $id] + $row);
        $this->experiments($event, $person);
        $this->active($person, $event);

        return $person !== null && ! $event->owner
            && WarmDays::note($person, $event->type, $event->page, $event->at, $event->business->zone())
            ? Scores::follow($person, $event->business, CarbonImmutable::now()) : null;
    }

    /** Of a sign-up: the block of the page that is its form. A form in a pop-up is on no page. */
    private static function formBlock(NewEvent $event): ?string
    {
        $document = $event->type !== EventType::Joined || $event->form === null || $event->page === null ? null
            : ($event->version ?? $event->funnel?->liveVersion)?->plan()->page($event->page)?->document;
        foreach ($document?->blocksOf(BlockKind::Form) ?? [] as $block) {
            if ($block->field('form') === $event->form && $event->submission?->popup_id === null) {
                return $block->id;
            }
        }

        return null;
    }

    /** Of what is done on a page, or came of an email, in a split test: which variant of it somebody had. */
    private static function variantSeen(NewEvent $event, ?string $person): ?string
    {
        if ($event->email !== null && $person !== null) {
            return Exposures::seenOf($event->email, null, $person);
        }

        return $event->page === null || $event->owner || $event->type === EventType::Viewed || $event->type->outcome() === null ? null
            : Exposures::seenOf($event->page, $event->visitor, $person);
    }

    /** What split tests are told. */
    private function experiments(NewEvent $event, ?string $person): void
    {
        if ($event->owner || $event->funnel === null) {
            return;
        }
        if ($event->variant !== null && $event->visitor !== null) {
            Exposures::see($event->variant['test'], $event->variant['letter'], $event->visitor, $person, $event->at,
                $event->business->zone());
        }
        $of = in_array($event->type, [EventType::Opened, EventType::Clicked], true) ? self::mailed($event) : null;
        Exposures::reach($event->funnel->id, $event->type, $event->visitor, $person, $event->at, $event->order?->total,
            $event->order?->currency, $of);
        if ($event->type === EventType::Clicked) {
            // Whoever clicked has seen the email, whatever became of its picture.
            Exposures::reach($event->funnel->id, EventType::Opened, $event->visitor, $person, $event->at, about: $of);
        }
    }

    /** @return list<string> ids of the email that was opened or clicked, and of its sequence */
    private static function mailed(NewEvent $event): array
    {
        $sequence = $event->email === null ? null : $event->funnel?->liveVersion?->plan()->email($event->email)?->sequence;

        return array_values(array_filter([$event->email, $sequence], fn (?string $id): bool => $id !== null && $id !== ''));
    }

    private function active(?string $person, NewEvent $event): void
    {
        if ($person !== null && $event->type->isActivity()) {
            $at = Instant::sql($event->at);
            DB::table('people')->where('id', $person)->where(fn (Builder $q) => $q->whereNull('active_at')->orWhere('active_at', '<', $at))
                ->update(['active_at' => $at]);
        }
    }

    /** What is known of the person matters only where something may be set off. */
    private static function known(NewEvent $event, Event $core): PersonState
    {
        $person = match (true) {
            $core->keys() === [] => PersonState::unknown($event->business->zone()),
            $event->person !== null => PersonLookup::forJourney($event->person, $event->at),
            $event->stranger !== null => PersonLookup::stranger($event->stranger->visitor, $event->stranger->ip, $event->stranger->zone,
                $event->business->zone(), $event->version?->plan()->deadlines ?? [], $event->at),
            default => PersonState::unknown($event->business->zone()),
        };

        return $event->owner ? $person->asOwner() : $person;
    }

    private function carryOut(Decision $decision, NewEvent $event, ?Funnel $funnel, ?Version $version): void
    {
        if ($event->person !== null && $decision->effects !== []) {
            $this->effects->run($decision->effects, new EffectContext($event->person, $event->at, $funnel, $version, $event->submission,
                $event->order, $event->visitor));
        } elseif ($event->stranger !== null && $funnel !== null && ! $event->owner) {
            $this->effects->runForStranger($decision->effects, $event->stranger, $funnel, $event->at);
        }
    }

    /** @return list<Funnel> live funnels of the business, other than its own, of which a part waits for the event */
    private function listening(NewEvent $event, Event $core, ?string $except): array
    {
        $keys = $event->person === null ? [] : $core->keys();

        return $keys === [] ? [] : array_values(Funnel::query()->with(['liveVersion', 'business'])
            ->where('business_id', $event->business->id)->where('state', FunnelState::Live)
            ->whereNull('archived_at')->when($except !== null, fn ($q) => $q->where('id', '!=', $except))
            ->whereIn('live_version_id', DB::table('version_triggers')->whereIn('trigger_key', $keys)->select('version_id'))->orderBy('id')
            ->get()->all());
    }
}
