<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use App\Languages\Voices;
use App\Serving\Facts\Loaded;
use App\Serving\Slots\SlotKinds;
use App\Serving\VisitFacts;
use App\Support\SiteAddress;
use Carbon\CarbonImmutable;
use Lantern\Core\Plan\Goal;
use LogicException;
use Tests\Core\Plan\Plans;
use Tests\TestCase;

/** Slots are filled from plain facts, and each says beforehand which. */
final class NeedsTest extends TestCase
{
    private static function facts(Loaded $loaded): VisitFacts
    {
        return new VisitFacts(new SiteAddress('https://pages.example', '', 'plan'), 'page', '', false, [], '', null, null,
            CarbonImmutable::parse('2026-11-29 12:00:00'), true, Voices::of('en'), loaded: $loaded);
    }

    public function test_what_a_slot_did_not_say_it_needs_is_a_mistake_and_no_empty_answer(): void
    {
        $merge = app(SlotKinds::class)->slot('merge');

        self::assertSame('there', $merge->fill('first_name', [], 'there', self::facts(new Loaded(['Submission:' => null,
            'Order:' => null]))));
        $this->expectException(LogicException::class);
        $this->expectExceptionMessage('was not loaded');
        $merge->fill('first_name', [], 'there', self::facts(new Loaded));
    }

    public function test_a_room_is_drawn_for_a_stranger_from_facts_alone(): void
    {
        $plan = Plans::of(Goal::Webinar);
        $page = array_values(array_filter($plan->pages, fn ($p): bool => $p->role->value === 'room'))[0];
        $block = array_values(array_filter(array_merge([], ...array_map(fn ($s): array => $s->blocks, $page->document->sections)),
            fn ($b): bool => $b->kind->value === 'room'))[0];
        $slot = app(SlotKinds::class)->slot('room');
        $noted = (array) json_decode((string) json_encode($slot->note($block->id, $plan, $page, Voices::of('en'))), true);
        $keys = array_map(fn ($need): string => $need->key(), $slot->needs($block->id, $noted));

        self::assertSame(['Business:', "Registration:{$plan->webinars[0]->id}"], $keys);
        self::assertStringContainsString('href="/plan"', $slot->fill($block->id, $noted, '',
            self::facts(new Loaded(array_fill_keys($keys, null)))));
    }
}
