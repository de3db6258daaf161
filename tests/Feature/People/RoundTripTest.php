<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\Mail\Unsubscribing\Unsubscribe;
use App\Models\Person;
use App\Models\User;
use App\People\Fields\OwnFields;
use App\People\Tags\Tagging;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Lantern\Core\People\FieldKind;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\TestCase;

/** What goes out as CSV or JSON comes in again with nothing lost, and nobody who left is written to because of it. */
final class RoundTripTest extends TestCase
{
    private const KEPT = ['email', 'first_name', 'last_name', 'phone', 'timezone', 'language', 'joined_at', 'suppressed', 'pending',
        'marketing'];

    private function people(User $owner): void
    {
        $at = CarbonImmutable::parse('2027-03-01 23:30:15.250');
        $make = fn (string $name, array $more = []): Person => Person::query()->create($more + ['business_id' => $owner->business_id,
            'email' => "{$name}@example.com", 'email_key' => "{$name}@example.com", 'joined_at' => $at, 'first_name' => ucfirst($name)]);
        $robin = $make('robin', ['timezone' => 'America/St_Johns', 'language' => 'de-x-formal', 'last_name' => '=O’Neil, "Bo"',
            'phone' => '+44 20 7946 0000']);
        foreach (['Berlin, Germany', 'a;b', '12" LP', 'Plain'] as $tag) {
            app(Tagging::class)->add($robin, $tag, $at);
        }
        OwnFields::add($owner->business_id, 'level', 'Level', FieldKind::Choices, []);
        OwnFields::add($owner->business_id, 'story', 'Story', FieldKind::LongText, []);
        OwnFields::set($robin->id, 'level', ['a;b', 'Berlin, Germany']);
        OwnFields::set($robin->id, 'story', ["First line,\nsecond \"line\"; third"]);
        app(Unsubscribe::class)->unsubscribe($make('left'), null);
        $make('bounced', ['suppressed' => 'bounced']);
        $make('complained', ['suppressed' => 'complained']);
        $make('unconfirmed', ['pending' => true]);
        $make('quiet', ['marketing' => false]);
        $make('one', ['timezone' => 'Pacific/Apia', 'language' => 'pt-BR']);
        OwnFields::set(Person::query()->where('email', 'one@example.com')->sole()->id, 'level', ['x|y']);
    }

    /** @return array<string, mixed> by address */
    private static function all(User $owner): array
    {
        $all = [];
        foreach (Person::query()->with('tags')->where('business_id', $owner->business_id)->orderBy('email_key')->get() as $p) {
            $all[$p->email] = DB::table('people')->where('id', $p->id)->first(self::KEPT);
            $all["{$p->email} more"] = [$p->subscription()->value, $p->unsubscribed_at !== null,
                $p->tags->pluck('name')->sort()->values()->all(),
                DB::table('person_values')->where('person_id', $p->id)->orderBy('name')->orderBy('id')->get(['name', 'value'])->all()];
        }

        return $all;
    }

    private function bring(string $name, string $content): TestResponse
    {
        $import = $this->post('/studio/api/imports', ['file' => $this->file($name, $content)], ['Accept' => 'application/json'])
            ->assertCreated();

        return $this->postJson("/studio/api/imports/{$import->json('id')}/start", ['columns' => $import->json('reading.guess'),
            'known' => 'fill', 'agreed' => true, 'marketing' => true, 'tags' => []]);
    }

    #[TestWith(['csv'])]
    #[TestWith(['json'])]
    public function test_what_went_out_comes_in_with_nothing_lost(string $format): void
    {
        $owner = $this->owner();
        $this->people($owner);
        $file = (string) $this->actingAs($owner)->get("/studio/api/people/export/{$format}")->assertOk()->streamedContent();
        $other = $this->owner('other@example.com');
        OwnFields::add($other->business_id, 'level', 'Level', FieldKind::Choices, []);
        OwnFields::add($other->business_id, 'story', 'Story', FieldKind::LongText, []);
        $this->actingAs($other);
        $this->bring("people.{$format}", $file)->assertSuccessful();
        $this->runQueue();

        self::assertSame([], DB::table('import_refusals')->pluck('why')->all());
        self::assertEquals(self::all($owner), self::all($other));
        self::assertCount(14, self::all($other));
    }

    public function test_a_list_brings_nobody_back_and_lets_those_go_whom_it_says_have_left(): void
    {
        $owner = $this->owner();
        $this->people($owner);
        $this->actingAs($owner);
        $before = self::all($owner);
        $this->bring('list.csv', "Email,Standing\nleft@example.com,subscribed\nbounced@example.com,active\nrobin@example.com,Opted-out\n"
            ."one@example.com,cleaned\nnew@example.com,perhaps\n")->assertSuccessful();
        $this->runQueue();

        $subscription = fn (string $name): string => Person::query()->where('email', "{$name}@example.com")->sole()->subscription()->value;
        self::assertSame(['unsubscribed', 'bounced', 'unsubscribed', 'bounced'], array_map($subscription, ['left', 'bounced', 'robin',
            'one']));
        self::assertSame(0, Person::query()->where('email', 'new@example.com')->count());
        self::assertStringContainsString('“perhaps” is no subscription state', (string) DB::table('import_refusals')->value('why'));
        $import = (string) DB::table('imports')->value('id');
        $this->postJson("/studio/api/imports/{$import}/undo")->assertSuccessful();
        $this->runQueue();
        self::assertEquals($before, self::all($owner), 'and taking it back puts them back');
    }

    public function test_json_that_is_none_is_refused_in_words(): void
    {
        $this->actingAs($this->owner());
        foreach (['{"people": [{"email": "a@example.com"}' => 'ends in the middle', '[{"email": nonsense}]' => 'is no JSON',
            '{"people": 7}' => 'no list of people', '[["a"]]' => 'nothing to read', '[{"a":"'.str_repeat('x',
                300_000).'"}]' => 'longer than'] as $json => $words) {
            $answer = $this->post('/studio/api/imports', ['file' => $this->file('people.json', (string) $json)],
                ['Accept' => 'application/json'])
                ->assertUnprocessable();
            self::assertStringContainsString($words, (string) $answer->json('message'));
        }
    }
}
