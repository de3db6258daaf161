<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Guides\Answers;
use App\Guides\ReadingLog;
use App\Serving\Browser;
use App\Support\AnswerKind;
use App\Support\Ids;
use App\Support\Input;
use App\Support\Seal;
use App\Support\SealPurpose;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Lantern\Core\Guides\PageReport;
use Lantern\Core\Results\Bots;

/** Takes what the script of a guide reports: which pages were in view for how long, and what their reader writes and ticks. */
final readonly class ReadController
{
    /** So many pieces are read of one report. */
    private const MOST = 60;

    /** No time of a device is farther off than a year, in seconds. */
    private const FAR = 31_536_000;

    public function __construct(private ReadingLog $log)
    {
    }

    public function __invoke(Request $request): Response
    {
        $reading = Input::text($request, 'reading');
        $known = Ids::is($reading) && Seal::holds(SealPurpose::Reading, $reading, Input::text($request, 'seal'), 32);
        if (! $known || Bots::is($request->userAgent())) {
            return self::answer(404);
        }
        $report = self::decoded($request, 'report');
        $sitting = is_string($report['sitting'] ?? null) && preg_match('/^[0-9a-f]{16}$/D', $report['sitting']) === 1
            ? $report['sitting'] : null;
        $open = is_int($report['open'] ?? null) ? max(0, min(self::FAR, $report['open'])) : 0;

        return self::answer($this->log->take($reading, $sitting, $open, self::seen($report['seen'] ?? null),
            self::said(self::decoded($request, 'answers')), Browser::id($request), CarbonImmutable::now()) ? 204 : 404);
    }

    /** @return array<array-key, mixed> */
    private static function decoded(Request $request, string $name): array
    {
        $data = json_decode(Input::text($request, $name), true, 6);

        return is_array($data) ? $data : [];
    }

    /** @return list<PageReport> what can be read of it */
    private static function seen(mixed $given): array
    {
        $seen = [];
        foreach (is_array($given) ? array_slice($given, 0, self::MOST) : [] as $piece) {
            [$page, $from, $until, $far] = is_array($piece) ? [$piece[0] ?? null, $piece[1] ?? null, $piece[2] ?? null, $piece[3] ?? null]
                : [null, null, null, null];
            if (is_string($page) && is_int($from) && is_int($until) && is_int($far) && abs($from) < self::FAR && abs($until) < self::FAR) {
                $seen[] = new PageReport($page, $from, $until, $far);
            }
        }

        return $seen;
    }

    /**
     * @param  array<array-key, mixed>  $given
     * @return list<array{string, int, string|bool}>
     */
    private static function said(array $given): array
    {
        $said = [];
        foreach (array_slice($given, 0, Answers::MOST) as $answer) {
            [$block, $item, $value] = is_array($answer) ? [$answer[0] ?? null, $answer[1] ?? null, $answer[2] ?? null] : [null, null, null];
            if (is_string($block) && is_int($item) && (is_string($value) || is_bool($value))) {
                $said[] = [$block, $item, $value];
            }
        }

        return $said;
    }

    private static function answer(int $status): Response
    {
        return new Response('', $status, ['Cache-Control' => 'no-store'] + AnswerKind::Plain->headers());
    }
}
