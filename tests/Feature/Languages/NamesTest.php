<?php

declare(strict_types=1);

namespace Tests\Feature\Languages;

use App\Models\Person;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** People, funnels and tags in the order of the owner's language, and found by whoever has no such keys. */
final class NamesTest extends TestCase
{
    private User $imke;

    protected function setUp(): void
    {
        parent::setUp();
        $this->imke = $this->owner();
        $this->imke->business->forceFill(['locale' => 'pl-PL'])->save();
        foreach (['Zofia' => 'zofia', 'Łucja' => 'lu', 'Luiza' => 'luiza', 'Zoë' => 'zoe', 'Żaneta' => 'zan',
            'Müller' => 'mue'] as $name => $at) {
            Person::query()->create(['business_id' => $this->imke->business_id, 'email' => "{$at}@example.com",
                'email_key' => "{$at}@example.com",
                'first_name' => $name, 'joined_at' => now()]);
        }
    }

    /** @return list<string> */
    private function names(string $query): array
    {
        return array_column((array) $this->actingAs($this->imke)->getJson("/studio/api/people?{$query}")->assertOk()->json('people'),
            'firstName');
    }

    public function test_people_stand_in_the_order_of_the_language_and_anew_when_it_changes(): void
    {
        self::assertSame(['Luiza', 'Łucja', 'Müller', 'Zoë', 'Zofia', 'Żaneta'], $this->names('sort=name'));
        $settings = ['businessName' => 'F', 'senderName' => 'I', 'senderAddress' => 'imke@ferncroft.example', 'timezone' => 'Europe/Berlin',
            'currency' => 'EUR', 'locale' => 'de-DE'];
        $this->actingAs($this->imke)->putJson('/studio/api/settings', $settings)->assertOk();
        self::assertSame(['Łucja', 'Luiza', 'Müller', 'Żaneta', 'Zoë', 'Zofia'], $this->names('sort=name'));
    }

    public function test_people_are_found_without_their_marks_and_with_them(): void
    {
        self::assertSame(['Łucja'], $this->names('search=lucja'));
        self::assertSame(['Łucja'], $this->names('search='.urlencode('ŁUCJA')));
        self::assertSame(['Müller'], $this->names('search=muller'));
        self::assertSame(['Zoë'], $this->names('search='.urlencode('zoe@')));
        $found = $this->actingAs($this->imke)->getJson('/studio/api/search?q=zaneta')->assertOk()->getContent();
        self::assertStringContainsString('zan@example.com', (string) $found);
        Person::query()->where('email_key', 'lu@example.com')->sole()->forceFill(['first_name' => 'Ada'])->save();
        self::assertSame([], $this->names('search=lucja'));
    }

    public function test_funnels_and_tags_are_found_and_sorted_likewise(): void
    {
        foreach (['Żółw', 'Zamek', 'Łąka', 'Las'] as $name) {
            DB::table('tags')->insert(['business_id' => $this->imke->business_id, 'name' => $name, 'name_key' => mb_strtolower($name),
                'created_at' => now(), 'updated_at' => now()]);
            $this->draft($this->imke)->forceFill(['name' => $name])->save();
        }
        $kit = $this->actingAs($this->imke)->getJson('/studio/api/people/kit')->assertOk();
        self::assertSame(['Las', 'Łąka', 'Zamek', 'Żółw'], array_column((array) $kit->json('tags'), 'name'));
        self::assertSame(['Las', 'Łąka', 'Zamek', 'Żółw'], array_column((array) $kit->json('funnels'), 'name'));
        $found = $this->actingAs($this->imke)->getJson('/studio/api/funnels?search=zolw')->assertOk();
        self::assertSame(['Żółw'], array_column((array) $found->json('funnels'), 'name'));
    }
}
