<?php

declare(strict_types=1);

namespace Tests\Feature\Studio;

use App\Models\Funnel;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Route as Routes;
use Tests\TestCase;

/** Nobody comes in who is not signed in, and no address that was made up finds or breaks anything. */
final class AddressesTest extends TestCase
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
