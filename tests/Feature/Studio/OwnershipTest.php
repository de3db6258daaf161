<?php

declare(strict_types=1);

namespace Tests\Feature\Studio;

use App\Models\Funnel;
use App\Models\Person;
use App\Models\User;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route as Routes;
use Tests\TestCase;

/** Nobody comes in who is not signed in, and nobody reaches what belongs to another business, by any way of the Studio there is. */
final class OwnershipTest extends TestCase
{
    /** Ways that are open before signing in, by what they are for. */
    private const OPEN = ['GET studio/api/session', 'POST studio/api/session', 'POST studio/api/setup'];

    /** Parts of an address that are a choice among a few words and not somebody's thing. */
    private const WORDS = ['format' => 'csv', 'kind' => 'opening', 'any' => 'nothing'];

    /** @return list<array{string, Route}> method and route, for all that the Studio answers */
    private function ways(): array
    {
        $ways = [];
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            if (str_starts_with($route->uri(), 'studio/api/') || str_starts_with($route->uri(), 'studio/preview/')) {
                foreach (array_diff($route->methods(), ['HEAD', 'OPTIONS', 'PATCH']) as $method) {
                    $ways[] = [$method, $route];
                }
            }
        }

        return $ways;
    }

    /** @param  array<string, string>  $ids */
    private function address(Route $route, array $ids): string
    {
        return '/'.(string) preg_replace_callback('/\{(\w+)\??\}/', function (array $m) use ($route, $ids): string {
            self::assertArrayHasKey($m[1], $ids + self::WORDS, "What stands for {{$m[1]}} in {$route->uri()}?");

            return ($ids + self::WORDS)[$m[1]];
        }, $route->uri());
    }

    /** Something of everything that has an address of its own. @return array<string, string> ids by the name they have in addresses */
    private function things(User $owner): array
    {
        $funnel = $this->live($owner);
        $this->join($funnel, ['email' => 'robin@example.com', 'first_name' => 'Robin']);
        $this->runQueue();
        $person = Person::query()->where('business_id', $owner->business_id)->sole()->id;
        $this->actingAs($owner);
        $rules = ['all' => true, 'rules' => [['kind' => 'tag', 'has' => true, 'tag' => 'x']]];
        $made = fn (string $path, array $data): string => (string) $this->postJson("/studio/api/{$path}", $data)->assertSuccessful()
            ->json('id');
        $note = $this->postJson("/studio/api/people/{$person}/notes", ['words' => 'Plays left-handed'])->assertSuccessful();
        self::assertNotSame('', (string) $note->getContent());
        $segment = $made('segments', ['name' => 'Keen', 'rules' => $rules]);
        $field = $this->postJson('/studio/api/people/fields', ['name' => 'level', 'label' => 'Level', 'kind' => 'line'])
            ->assertSuccessful();
        self::assertNotSame('', (string) $field->getContent());
        $import = $this->post('/studio/api/imports', ['file' => $this->file('list.csv', "email\nlist@example.org\n")],
            ['Accept' => 'application/json'])->assertSuccessful();
        self::assertNotSame('', (string) $import->getContent());
        $act = $this->postJson('/studio/api/people/acts', ['kind' => 'tag', 'of' => 'Choir', 'ids' => [$person]])->assertSuccessful();
        self::assertNotSame('', (string) $act->getContent());
        $last = fn (string $table): string => (string) DB::table($table)->orderByDesc('id')->value('id');

        $part = fn (string $kind): string => (string) DB::table('draft_parts')->where('funnel_id', $funnel->id)->where('kind', $kind)
            ->value('id');

        return ['funnel' => $funnel->id, 'version' => (string) $funnel->live_version_id, 'page' => $this->entry($funnel)->id,
            'person' => $person, 'segment' => $segment,
            'email' => $part('email'), 'sequence' => $part('sequence'), 'message' => $last('messages'), 'tag' => $last('tags'),
            'note' => $last('person_notes'),
            'field' => (string) DB::table('own_fields')->value('name'), 'delivery' => $last('deliveries'), 'import' => $last('imports'),
            'act' => $last('bulk_acts'),
            'broadcast' => $made('broadcasts', []), 'part' => $part('form'), 'emailPart' => $made('email-parts', ['name' => 'Signature']),
            'call' => '1', 'design' => '1'];
    }

    /** Everything that is kept, but for what a request leaves behind of itself. */
    private function kept(): string
    {
        $all = [];
        foreach (DB::getSchemaBuilder()->getTableListing(schemaQualified: false) as $table) {
            if (! in_array($table, ['sessions', 'cache', 'cache_locks', 'migrations'], true)) {
                $all[$table] = hash('sha256', json_encode(DB::table($table)->get(),
                    JSON_THROW_ON_ERROR | JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE));
            }
        }

        return json_encode($all, JSON_THROW_ON_ERROR);
    }

    public function test_whoever_is_not_signed_in_is_let_in_nowhere(): void
    {
        $asked = 0;
        foreach ($this->ways() as [$method, $route]) {
            if (in_array("{$method} {$route->uri()}", self::OPEN, true) || $route->uri() === 'studio/api/{any}') {
                continue;
            }
            $ids = array_fill_keys($route->parameterNames(), '01h00000000000000000000000');
            self::assertSame(401, $this->json($method, $this->address($route, $ids))->status(), "{$method} {$route->uri()}");
            $asked++;
        }
        self::assertGreaterThan(100, $asked);
    }

    public function test_what_belongs_to_another_is_not_there_and_does_not_change(): void
    {
        $things = $this->things($this->owner());
        $other = $this->owner('other@ferncroft.example');
        $this->actingAs($other);
        self::assertNotContains('', $things, 'there is something of everything');
        $before = $this->kept();
        $asked = 0;
        foreach ($this->ways() as [$method, $route]) {
            $names = array_diff($route->parameterNames(), array_keys(self::WORDS));
            if ($names === []) {
                continue;
            }
            $status = $this->json($method, $this->address($route, $things),
                ['revision' => 1, 'name' => 'Mine now', 'tag' => 'Mine', 'words' => 'Mine', 'with' => $things['person']])->status();
            self::assertSame(404, $status, "{$method} {$route->uri()}");
            self::assertSame($before, $this->kept(), "{$method} {$route->uri()} left something changed");
            $asked++;
        }
        self::assertGreaterThan(80, $asked);
    }

    public function test_an_address_that_was_made_up_finds_nothing_and_breaks_nothing(): void
    {
        $this->actingAs($this->owner());
        $made = ['01h00000000000000000000000', "x' or 1=1 --", '../../etc/passwd', str_repeat('9', 400), '-1', '0', "\u{202e}abc",
            '{{first_name}}'];
        foreach ($this->ways() as [$method, $route]) {
            $names = array_diff($route->parameterNames(), array_keys(self::WORDS));
            foreach ($names === [] ? [] : $made as $id) {
                if (str_contains($id, '/') && str_starts_with($route->uri(), 'studio/preview/')) {
                    continue; // With a slash it is an address of the Studio's own screens, which says itself that there is nothing.
                }
                $status = $this->json($method, $this->address($route, array_fill_keys($names, rawurlencode($id))))->status();
                self::assertSame(404, $status, "{$method} {$route->uri()} with {$id}");
            }
        }
        self::assertSame(0, Funnel::query()->count());
    }
}
