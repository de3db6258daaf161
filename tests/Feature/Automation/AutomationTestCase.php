<?php

declare(strict_types=1);

namespace Tests\Feature\Automation;

use App\Automation\RuleWork;
use App\Journey\BusinessRules;
use App\Models\Person;
use App\Models\RuleRun;
use App\People\Tags\Tagging;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Tests\Feature\Sales\SalesTestCase;

/** A selling funnel that is live, its owner signed in, and one person on the list. */
abstract class AutomationTestCase extends SalesTestCase
{
    protected Person $robin;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->seller);
        $this->robin = $this->person('robin@example.com');
    }

    protected function person(string $email): Person
    {
        return Person::query()->create(['business_id' => $this->seller->business_id, 'email' => $email, 'email_key' => $email,
            'joined_at' => CarbonImmutable::now(), 'first_name' => ucfirst(strtok($email, '@') ?: '')]);
    }

    /**
     * A rule of the funnel, in its draft.
     *
     * @param  array<string, mixed>  $rule
     * @return string its id
     */
    protected function draftRule(array $rule): string
    {
        return (string) $this->postJson("/studio/api/funnels/{$this->funnel->id}/parts", ['kind' => 'automation'] + $rule)->assertCreated()
            ->json('id');
    }

    /**
     * A rule of the whole business, at work.
     *
     * @param  array<string, mixed>  $rule
     * @return string its id
     */
    protected function rule(array $rule): string
    {
        return (string) $this->postJson('/studio/api/rules', $rule + ['name' => 'A rule'])->assertCreated()->json('id');
    }

    /** @return array<string, mixed> */
    protected static function onTag(string $tag): array
    {
        return ['when' => [['kind' => 'tag', 'tag' => $tag]]];
    }

    /** @return array<string, mixed> */
    protected static function gives(string ...$tags): array
    {
        return ['acts' => array_map(fn (string $t): array => ['kind' => 'tag', 'tag' => $t], array_values($tags))];
    }

    protected function tag(string $tag, ?Person $person = null): void
    {
        app(Tagging::class)->add(($person ?? $this->robin)->refresh(), $tag, CarbonImmutable::now());
        $this->acts();
    }

    /** Whatever is due by now happens. */
    protected function acts(): int
    {
        app(BusinessRules::class)->forget();

        return app(RuleWork::class)->work(CarbonImmutable::now());
    }

    /** @return list<string> in the order in which they got them */
    protected function tags(?Person $person = null): array
    {
        return array_values(array_map(strval(...), DB::table('person_tag')->join('tags', 'tags.id', '=', 'tag_id')
            ->where('person_id', ($person ?? $this->robin)->id)->orderBy('person_tag.rowid')->pluck('name')->all()));
    }

    /** @return list<string> how each run stands, in the order in which they began */
    protected function states(string $rule): array
    {
        return array_values(RuleRun::query()->where('rule_id', $rule)->orderBy('id')->get()
            ->map(fn (RuleRun $r): string => $r->state->value)->all());
    }
}
