<?php

declare(strict_types=1);

namespace Tests;

use App\Front\Answer;
use App\Front\Front;
use App\Front\FrontPages;
use App\Serving\SeenViews;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PDO;

/**
 * Every page that any test of the application looks at is asked for both ways, before the framework and from it: where the front
 * answers, its answer is the framework's, byte for byte, but for what is random.
 */
trait BothWays
{
    /** How many of the looks of this test the front has answered. */
    protected int $answeredByFront = 0;

    /** Likewise of the views that pages report. */
    protected int $viewsBefore = 0;

    /**
     * @param  array<string, mixed>  $cookies
     * @param  array<string, mixed>  $server
     * @param  array<string, mixed>  $posted
     */
    protected function frontAnswer(string $method, string $uri, array $cookies, array $server, array $posted = []): ?Answer
    {
        $parts = parse_url(str_starts_with($uri, '/') ? "http://localhost{$uri}" : $uri);
        $database = DB::connection()->getPdo();
        if ($parts === false || ! $database instanceof PDO || DB::connection()->getDriverName() !== 'sqlite') {
            return null;
        }
        $query = $parts['query'] ?? '';

        return Front::answer(base_path(), $server + ['REQUEST_METHOD' => $method, 'QUERY_STRING' => $query,
            'REQUEST_URI' => ($parts['path'] ?? '/').($query === '' ? '' : "?{$query}"), 'SCRIPT_NAME' => '/index.php',
            'REMOTE_ADDR' => '127.0.0.1', 'HTTP_HOST' => ($parts['host'] ?? '').(isset($parts['port']) ? ":{$parts['port']}" : ''),
            'HTTPS' => ($parts['scheme'] ?? '') === 'https' ? 'on' : ''], $cookies, FrontPages::settings(), $database,
            now()->toImmutable(), $posted);
    }

    /**
     * What is counted after the front has taken a view, which is then taken back, so that the framework takes it.
     *
     * @param  array<string, mixed>  $cookies
     * @param  array<string, mixed>  $server
     * @param  array<string, mixed>  $posted
     * @return array{int, array<string, list<mixed>>}|null the answer and what is written; null where the front leaves it to the framework
     */
    protected function viewBefore(string $uri, array $cookies, array $server, array $posted): ?array
    {
        DB::beginTransaction();
        try {
            $answer = $this->frontAnswer('POST', $uri, $cookies, $server, $posted);
            self::assertNull(Front::$fault, (string) Front::$fault);
            if ($answer !== null) {
                $visitor = $posted['visitor'] ?? $cookies['lantern_visitor'] ?? null;
                app(SeenViews::class)->count(is_string($visitor) ? $visitor : '');
            }

            return $answer === null ? null : [$answer->status, self::counted()];
        } finally {
            DB::rollBack();
        }
    }

    /** @return array<string, list<mixed>> all that views write, without what numbers rows */
    protected static function counted(): array
    {
        $rows = [];
        foreach (['events', 'counts', 'experiment_people'] as $table) {
            $rows[$table] = DB::table($table)->get()->map(fn (object $row): array => array_diff_key((array) $row, ['id' => 0]))->sort()
                ->values()->all();
        }

        return $rows;
    }

    /** @param  TestResponse<\Symfony\Component\HttpFoundation\Response>  $framework */
    protected function assertSameAnswer(Answer $front, TestResponse $framework, string $asked): void
    {
        $this->answeredByFront++;
        $headers = array_map(fn (array $values): string => (string) $values[0], $framework->headers->allPreserveCaseWithoutCookies());
        $expected = ['status' => $framework->getStatusCode(), 'headers' => self::sorted($headers),
            'cookies' => array_map(fn ($cookie): string => self::bare((string) $cookie), $framework->headers->getCookies()),
            'body' => ''];
        [$body, $ours] = [self::bare(self::unpacked((string) $framework->getContent())), self::bare(self::unpacked($front->body))];
        // Whose browser has no id yet gets one by chance, and with it a variant by chance.
        if ($body !== $ours && ! ($front->cookie !== null && self::letter($body) !== self::letter($ours))) {
            $at = max(0, strspn($body ^ $ours, "\0") - 60);
            $expected['body'] = substr($body, $at, 200);
            $ours = substr($ours, $at, 200);
        }
        self::assertSame($expected, ['status' => $front->status, 'headers' => self::sorted($front->headers),
            'cookies' => $front->cookie === null ? [] : [self::bare($front->cookie)], 'body' => $expected['body'] === '' ? '' : $ours],
            "{$asked} is answered alike both ways");
    }

    private static function letter(string $html): string
    {
        return preg_match('/data-variant="([a-e])"/', $html, $m) === 1 ? $m[1] : '';
    }

    private static function unpacked(string $body): string
    {
        return str_starts_with($body, "\x1f\x8b") ? (string) gzdecode($body) : $body;
    }

    /**
     * @param  array<string, string>  $headers
     * @return array<string, string>
     */
    private static function sorted(array $headers): array
    {
        $headers = array_change_key_case($headers);
        unset($headers['date']);
        ksort($headers);

        return $headers;
    }

    /** Without what is random each time. */
    private static function bare(string $text): string
    {
        return (string) preg_replace(['/\b[a-z0-9]{32}\.\d{13}\.[0-9a-f]{64}\b/', '/^lantern_visitor=[0-9a-f]{32}/', '/Max-Age=\d+/'],
            ['TOKEN', 'lantern_visitor=ID', 'Max-Age'], $text);
    }
}
