<?php

declare(strict_types=1);

namespace Tests;

use App\Front\Answer;
use App\Front\Front;
use App\Front\FrontPages;
use App\Serving\BusyPage;
use App\Serving\WrittenDown;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PDO;
use Throwable;

/**
 * Every page that any test of the application looks at is asked for both ways, before the framework and from it: where the front
 * answers, its answer is the framework's, byte for byte, but for what is random.
 */
trait BothWays
{
    /** How many of the looks of this test the front has answered. */
    protected int $answeredByFront = 0;

    /** Likewise of the views that pages report, and of the forms that are sent: of so many in each test, since that takes long. */
    protected int $viewsBefore = 0;

    protected int $signupsBefore = 0;

    private const SIGNUPS = 1;

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
                try {
                    app(WrittenDown::class)->take(is_string($visitor) ? $visitor : '', now());
                } catch (Throwable $e) {
                    self::assertTrue(BusyPage::isWhy($e), (string) $e);
                }
            }

            return $answer === null ? null : [$answer->status, self::counted()];
        } finally {
            DB::rollBack();
        }
    }

    /**
     * What is written after the front has taken a form and it was taken in, which is then taken back, so that the framework takes it.
     *
     * @param  array<string, mixed>  $cookies
     * @param  array<string, mixed>  $server
     * @param  array<string, mixed>  $posted
     * @return array{Answer, string|null}|null nothing written where it could not be taken in; null where the front leaves it to the
     *     framework
     */
    protected function signupBefore(string $uri, array $cookies, array $server, array $posted): ?array
    {
        if ($this->signupsBefore >= self::SIGNUPS) {
            return null;
        }
        DB::beginTransaction();
        try {
            $answer = $this->frontAnswer('POST', $uri, $cookies, $server, $posted);
            self::assertNull(Front::$fault, (string) Front::$fault);
            if ($answer !== null) {
                $this->signupsBefore++;
                self::assertSame(1, DB::table('received_signups')->count(), 'it was written down');
                $visitor = DB::table('received_signups')->value('visitor');
                try {
                    app(WrittenDown::class)->take(is_string($visitor) ? $visitor : '', now());
                } catch (Throwable $e) {
                    self::assertTrue(BusyPage::isWhy($e), (string) $e);
                }
            }
            $isTaken = DB::table('received_signups')->doesntExist();

            return $answer === null ? null : [$answer, $isTaken ? self::wholeDatabase() : null];
        } finally {
            DB::rollBack();
        }
    }

    /** @return string all that is in the database but for the queue, with its ids numbered as they come */
    protected static function wholeDatabase(): string
    {
        $rows = [];
        foreach (DB::table('sqlite_master')->where('type', 'table')->orderBy('name')->pluck('name') as $table) {
            if (! in_array($table, ['jobs', 'sqlite_sequence', 'cache', 'cache_locks', 'page_fronts'], true)) {
                $rows[] = $table.' '.DB::table((string) $table)->get()->toJson();
            }
        }
        $rows[] = 'jobs '.DB::table('jobs')->count();

        return self::numbered(implode("\n", $rows));
    }

    protected static function numbered(string $text): string
    {
        $numbers = [];

        return (string) preg_replace_callback('/\b(?:[0-9a-hjkmnp-tv-z]{26}|[0-9a-f]{32}|[0-9a-f]{40})\b/',
            function (array $m) use (&$numbers): string {
                return $numbers[$m[0]] ??= '#'.count($numbers);
            }, $text);
    }

    /** @param  TestResponse<\Symfony\Component\HttpFoundation\Response>  $framework */
    protected function assertTakenAlike(Answer $front, ?string $written, TestResponse $framework, string $asked): void
    {
        if ($written === null) {
            self::assertGreaterThanOrEqual(500, $framework->getStatusCode(), "{$asked} cannot be taken in either way");

            return;
        }
        $bare = fn (string $text): string => (string) preg_replace(['~/c/wait/[0-9a-z]{26}/[0-9a-f]{32}~', '/Max-Age=\d+/',
            '/^(lantern_\w+)=(?!deleted)[^;]+/', '/(=deleted; expires=)[^;]+/'], ['/c/wait/', 'Max-Age', '$1=ID', '$1'], $text);
        $headers = array_map(fn (array $values): string => (string) $values[0], $framework->headers->allPreserveCaseWithoutCookies());
        // In which order cookies are given means nothing.
        $cookies = array_map(fn ($cookie): string => $bare((string) $cookie), $framework->headers->getCookies());
        $ours = array_map($bare, $front->cookies);
        sort($cookies);
        sort($ours);
        self::assertSame([$framework->getStatusCode(), array_map($bare, self::sorted($headers)), $cookies,
            $bare((string) $framework->getContent())],
            [$front->status, array_map($bare, self::sorted($front->headers)), $ours, $bare($front->body)],
            "{$asked} is taken alike both ways");
        self::assertSame(self::wholeDatabase(), $written, "what follows from {$asked} is the same both ways");
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
        if ($body !== $ours && ! ($front->cookies !== [] && self::letter($body) !== self::letter($ours))) {
            $at = max(0, strspn($body ^ $ours, "\0") - 60);
            $expected['body'] = substr($body, $at, 200);
            $ours = substr($ours, $at, 200);
        }
        self::assertSame($expected, ['status' => $front->status, 'headers' => self::sorted($front->headers),
            'cookies' => array_map(self::bare(...), $front->cookies), 'body' => $expected['body'] === '' ? '' : $ours],
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
