<?php

declare(strict_types=1);

namespace Tests\Feature\Studio;

use App\Drafts\DraftGuides;
use Illuminate\Routing\Route as RouteOf;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** No input gives a 500: every address with values of the wrong type in every place is answered with a sentence. */
final class HostileInputTest extends TestCase
{
    /** Names of values that some request of the application has, from all of its code. */
    private const NAMES = [
        'name', 'title', 'goal', 'file', 'price', 'email', 'password', 'revision', 'words', 'tag', 'kind', 'of', 'ids', 'rules', 'with',
        'funnel',
        'note', 'subject', 'body', 'delay', 'sequence', 'only', 'fields', 'document', 'settings', 'address', 'role', 'look', 'changes',
        'logo',
        'icon', 'parameters', 'code', 'place', 'design', 'arrangement', 'section', 'sections', 'block', 'blocks', 'shared', 'after', 'page',
        'outcome', 'toPage', 'toUrl', 'pages', 'order', 'state', 'search', 'sort', 'perPage', 'from', 'until', 'key', 'label', 'options',
        'columns',
        'tags', 'known', 'consent', 'variant', 'person', 'sendAt', 'audience', 'form', 'token', 'step', 'source', 'visitor', 'zone',
        'website',
        'first_name', 'firstName', 'lastName', 'timezone', 'phone', 'what', 'sample', 'signature', 'expires', 'delivery', 'marketing',
        'again',
        'businessName', 'locale', 'senderName', 'senderAddress', 'postalAddress', 'currency', 'embedHosts', 'messagesPerMinute', 'slowMs',
        'failingUntil',
        'bouncing', 'complaining', 'starts', 'ends', 'window', 'button', 'consentRequired', 'doubleOptIn', 'confirmWords', 'hook', 'notice',
        'to', 'exact', 'reading', 'segment', 'people', 'all', 'read', 'dates', 'existing', 'opened', 'seconds', 'picture', 'tone',
        'background', 'report', 'answers', 'reminders', 'instead', 'list', 'open', 'saves', 'finish', 'leadMagnet', 'format', 'text',
    ];

    /** @return iterable<string, array{mixed}> */
    public static function values(): iterable
    {
        yield 'lists for words' => [['x', ['y' => ['z']]]];
        yield 'empty lists' => [[]];
        yield 'numbers' => [-9_007_199_254_740_993];
        yield 'fractions' => [1.5e308];
        yield 'true' => [true];
        yield 'nothing' => [null];
        yield 'huge words' => [str_repeat('ä', 1_001)];
        yield 'controls and bytes' => ["a\0b\u{202e}\r\nBcc: x@example.com\u{fffe}"];
        yield 'maps' => [(object) ['id' => ['x'], 'kind' => 7, 'sections' => 'no', '__proto__' => 1]];
        yield 'deep' => [array_reduce(range(1, 12), fn (mixed $in): array => ['rules' => [$in]], 'x')];
        yield 'words for numbers' => ['1e999'];
        yield 'a day there is not' => ['2026-99-99'];
        yield 'more letters than a database compares' => [str_repeat('a', 60_000)];
    }

    #[DataProvider('values')]
    public function test_no_value_in_any_place_breaks_the_application(mixed $value): void
    {
        $owner = $this->owner();
        $funnel = $this->live($owner);
        $this->join($funnel, ['email' => 'robin@example.com']);
        $part = fn (string $kind): string => (string) DB::table('draft_parts')->where('kind', $kind)->value('id');
        $ids = ['funnel' => $funnel->id, 'page' => $part('page'), 'part' => $part('email'), 'email' => $part('email'),
            'sequence' => $part('sequence'), 'person' => (string) DB::table('people')->value('id'),
            'version' => (string) $funnel->live_version_id,
            'broadcast' => (string) $this->actingAs($owner)->postJson('/studio/api/broadcasts')->json('id'), 'format' => 'csv',
            'message' => (string) DB::table('messages')->value('id'), 'form' => $part('form'), 'kind' => 'opening',
            'tag' => (string) DB::table('tags')->value('id'),
            'guide' => app(DraftGuides::class)->make($funnel->refresh(), ['title' => 'Plan'])->id];
        $given = array_fill_keys(self::NAMES, $value);
        // No web server takes a longer address than this.
        $asked = array_fill_keys(self::NAMES, is_string($value) ? mb_substr($value, 0, 80) : $value);
        $broken = [];
        foreach (Route::getRoutes() as $route) {
            assert($route instanceof RouteOf);
            foreach (array_diff($route->methods(), ['HEAD', 'OPTIONS']) as $method) {
                $isApi = str_starts_with($route->uri(), 'studio/api');
                $uri = $route->uri() === '{funnel}/{page?}' ? $funnel->address : (string) preg_replace_callback('/\{(\w+)\??\}/',
                    fn (array $m): string => $ids[$m[1]] ?? '01aaaaaaaaaaaaaaaaaaaaaaaa', $route->uri());
                if ($uri === 'studio/api/session' && $method === 'DELETE') {
                    continue;
                }
                DB::beginTransaction();
                $this->actingAs($owner);
                $answer = $method === 'GET'
                    ? $this->get('/'.$uri.'?'.http_build_query($asked), $isApi ? ['Accept' => 'application/json'] : [])
                    : ($isApi ? $this->json($method, '/'.$uri, $given)
                        : $this->call($method, '/'.$uri, (array) json_decode((string) json_encode($given,
                            JSON_INVALID_UTF8_SUBSTITUTE), true)));
                DB::rollBack();
                if ($answer->getStatusCode() >= 500) {
                    $broken["{$method} {$route->uri()}"] = ($answer->exception?->getMessage() ?? '?').' at '
                        .basename((string) $answer->exception?->getFile()).':'.$answer->exception?->getLine();
                }
            }
        }

        self::assertSame([], $broken);
    }

    /** Requests that are right, of which every single value is then replaced by one of the wrong type. */
    public function test_no_single_value_of_the_wrong_type_breaks_a_request_that_is_right_otherwise(): void
    {
        $owner = $this->owner();
        $funnel = $this->live($owner);
        $form = $this->form($funnel);
        $this->post("/{$funnel->address}", ['email' => 'robin@example.com'] + $form)->assertStatus(303);
        $this->actingAs($owner);
        $draft = $this->getJson("/studio/api/funnels/{$funnel->id}")->json();
        $person = (string) DB::table('people')->value('id');
        $broadcast = $this->postJson('/studio/api/broadcasts')->json();
        $rules = ['all' => true,
            'rules' => [['kind' => 'tag', 'tag' => 'x'], ['kind' => 'deed', 'deed' => 'opened', 'days' => 7]]];
        $import = $this->post('/studio/api/imports', ['file' => $this->file('list.csv', "email,first_name\nkim@example.com,Kim\n")],
            ['Accept' => 'application/json'])->json('id');
        $part = fn (array $row): array => ['PUT', "parts/{$row['id']}", $row];
        $requests = [
            $part($draft['pages'][0]), $part($draft['forms'][0]), $part($draft['emails'][0]), $part($draft['sequences'][0]),
            $part($draft['leadMagnets'][0]),
            ['PUT', "funnels/{$funnel->id}", ['name' => 'x', 'address' => 'x-y', 'look' => 'salon', 'changes' => ['accent' => '#123456'],
                'fields' => ['a' => 'b'], 'parameters' => ['city'], 'logo' => null]],
            ['POST', "funnels/{$funnel->id}/parts", ['kind' => 'form', 'name' => 'Another']],
            ['POST', "funnels/{$funnel->id}/pages", ['role' => 'sales', 'after' => $draft['pages'][0]['id']]],
            ['PUT', "funnels/{$funnel->id}/order", ['pages' => array_column($draft['pages'], 'id')]],
            ['PUT', "pages/{$draft['pages'][0]['id']}/ways",
                ['outcome' => 'joined', 'toPage' => $draft['pages'][1]['id'], 'toUrl' => null]],
            ['POST', "pages/{$draft['pages'][0]['id']}/draw",
                ['document' => $draft['pages'][0]['document'], 'sections' => ['s'], 'look' => 'salon']],
            ['POST', "pages/{$draft['pages'][0]['id']}/sections",
                ['design' => 'agenda-table', 'document' => $draft['pages'][0]['document']]],
            ['PUT', "broadcasts/{$broadcast['id']}", ['revision' => 1, 'subject' => 'x', 'body' => '<p>x</p>', 'audience' => $rules,
                'settings' => ['share' => 20, 'hours' => 4, 'otherSubject' => 'y']]],
            ['POST', 'segments', ['name' => 'Keen', 'rules' => $rules]],
            ['POST', 'people/count', ['rules' => $rules]],
            ['POST', 'people/acts', ['kind' => 'tag', 'of' => 'Choir', 'ids' => [$person], 'rules' => $rules]],
            ['POST', 'people/fields', ['name' => 'level', 'label' => 'Level', 'kind' => 'choice', 'options' => ['a', 'b']]],
            ['PUT', "people/{$person}",
                ['firstName' => 'R', 'lastName' => 'A', 'email' => 'r@example.com', 'phone' => '1', 'timezone' => 'UTC',
                    'fields' => ['level' => ['x']]]],
            ['POST', "imports/{$import}/start", ['columns' => ['email', 'first_name'], 'known' => 'replace', 'tags' => ['x'],
                'consent' => ['words' => 'x', 'date' => '2026-01-01']]],
            ['PUT', 'settings', ['name' => 'x', 'senderName' => 'x', 'senderAddress' => 'x@example.com', 'postalAddress' => 'x',
                'timezone' => 'UTC', 'currency' => 'EUR', 'embedHosts' => ['video.example'], 'messagesPerMinute' => 60]],
            ['PUT', 'messages/mood', ['slowMs' => 0, 'failingUntil' => '', 'bouncing' => ['x@example.com'], 'complaining' => []]],
            ['POST', 'session', ['email' => 'imke@ferncroft.example', 'password' => 'x']],
            ['POST', 'setup', ['name' => 'x', 'email' => 'x@example.com', 'password' => 'twelve minutes a day', 'businessName' => 'x',
                'senderName' => 'x', 'senderAddress' => 'x@example.com', 'postalAddress' => 'x', 'timezone' => 'UTC', 'currency' => 'EUR']],
            ['SITE', $funnel->address, ['email' => 'kim@example.com', 'first_name' => 'Kim', 'consent' => 'yes'] + $form],
            ['SITE', 'm/view',
                ['funnel' => $funnel->id, 'page' => $draft['pages'][0]['id'], 'visitor' => str_repeat('a', 32), 'source' => 'x']],
            ['SITE', 'f/again', ['email' => 'robin@example.com', 'delivery' => 'x']],
        ];
        $broken = [];
        $asked = 0;
        foreach ($requests as [$method, $path, $body]) {
            foreach (self::wrong($body) as $at => $wrong) {
                DB::beginTransaction();
                $answer = $method === 'SITE' ? $this->post("/{$path}", $wrong) : $this->json($method, "/studio/api/{$path}", $wrong);
                DB::rollBack();
                $asked++;
                if ($answer->getStatusCode() >= 500) {
                    $broken["{$method} {$path} {$at}"] = ($answer->exception?->getMessage() ?? '?').' at '
                        .basename((string) $answer->exception?->getFile()).':'.$answer->exception?->getLine();
                }
            }
        }

        self::assertSame([], $broken);
        self::assertGreaterThan(1000, $asked);
    }

    /**
     * @param  array<array-key, mixed>  $body
     * @return iterable<string, array<array-key, mixed>> the body with one value replaced, by where and what
     */
    private static function wrong(array $body, int $depth = 0): iterable
    {
        foreach ($body as $key => $value) {
            foreach (['list' => ['x'], 'map' => ['a' => ['b']], 'number' => -1.5, 'text' => "\u{202e}x", 'true' => true,
                'null' => null] as $as => $other) {
                yield "{$key}: {$as}" => array_replace($body, [$key => $other]);
            }
            // The first of a list stands for all.
            if (is_array($value) && $depth < 7 && ($key === 0 || ! is_int($key))) {
                foreach (self::wrong($value, $depth + 1) as $at => $inside) {
                    yield "{$key}.{$at}" => array_replace($body, [$key => $inside]);
                }
            }
        }
    }
}
