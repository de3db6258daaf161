<?php

declare(strict_types=1);

namespace Tests\Feature\Studio;

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
        'name', 'title', 'goal', 'file', 'price', 'email', 'password', 'revision', 'words', 'tag', 'kind', 'of', 'ids', 'rules', 'with', 'funnel',
        'note', 'subject', 'body', 'delay', 'sequence', 'only', 'fields', 'document', 'settings', 'address', 'role', 'look', 'changes', 'logo',
        'icon', 'parameters', 'code', 'place', 'design', 'arrangement', 'section', 'sections', 'block', 'blocks', 'shared', 'after', 'page',
        'outcome', 'toPage', 'toUrl', 'pages', 'order', 'state', 'search', 'sort', 'perPage', 'from', 'until', 'key', 'label', 'options', 'columns',
        'tags', 'known', 'consent', 'variant', 'person', 'sendAt', 'audience', 'form', 'token', 'step', 'source', 'visitor', 'zone', 'website',
        'first_name', 'firstName', 'lastName', 'timezone', 'phone', 'what', 'sample', 'signature', 'expires', 'delivery', 'marketing', 'again',
        'businessName', 'senderName', 'senderAddress', 'postalAddress', 'currency', 'embedHosts', 'messagesPerMinute', 'slowMs', 'failingUntil',
        'bouncing', 'complaining', 'starts', 'ends', 'window', 'button', 'consentRequired', 'doubleOptIn', 'confirmWords', 'hook', 'notice',
        'to', 'exact', 'reading', 'segment', 'people', 'all', 'read', 'dates', 'existing', 'opened', 'seconds', 'picture', 'tone', 'background',
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
        yield 'huge words' => [str_repeat('ä', 70_000)];
        yield 'controls and bytes' => ["a\0b\u{202e}\r\nBcc: x@example.com\u{fffe}"];
        yield 'maps' => [(object) ['id' => ['x'], 'kind' => 7, 'sections' => 'no', '__proto__' => 1]];
        yield 'deep' => [array_reduce(range(1, 20), fn (mixed $in): array => ['sections' => [$in], 'rules' => [$in]], 'x')];
        yield 'words for numbers' => ['1e999'];
    }

    #[DataProvider('values')]
    public function test_no_value_in_any_place_breaks_the_application(mixed $value): void
    {
        $owner = $this->owner();
        $funnel = $this->live($owner);
        $this->join($funnel, ['email' => 'robin@example.com']);
        $part = fn (string $kind): string => (string) DB::table('draft_parts')->where('kind', $kind)->value('id');
        $ids = ['funnel' => $funnel->id, 'page' => $part('page'), 'part' => $part('email'), 'email' => $part('email'),
            'sequence' => $part('sequence'), 'person' => (string) DB::table('people')->value('id'), 'version' => (string) $funnel->live_version_id,
            'broadcast' => (string) $this->actingAs($owner)->postJson('/studio/api/broadcasts')->json('id'), 'format' => 'csv',
            'message' => (string) DB::table('messages')->value('id'), 'form' => $part('form'), 'kind' => 'opening',
            'tag' => (string) DB::table('tags')->value('id')];
        $given = array_fill_keys(self::NAMES, $value);
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
                $answer = $method === 'GET' ? $this->get('/'.$uri.'?'.http_build_query($given), $isApi ? ['Accept' => 'application/json'] : [])
                    : ($isApi ? $this->json($method, '/'.$uri, $given) : $this->call($method, '/'.$uri, (array) json_decode((string) json_encode($given,
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
}
