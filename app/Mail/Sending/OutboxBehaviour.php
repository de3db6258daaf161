<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * How the outbox behaves: so slow, out of order until a moment, and to which addresses it answers that there is no
 * such mailbox or whose readers report what they get as spam. An address may be a whole host, written `@host`.
 */
final readonly class OutboxBehaviour
{
    /**
     * @param  list<string>  $bouncing
     * @param  list<string>  $complaining
     */
    private function __construct(
        public int $slowMs,
        public ?CarbonImmutable $failingUntil,
        public array $bouncing,
        public array $complaining,
    ) {
    }

    public static function now(): self
    {
        $mood = DB::table('outbox_moods')->where('id', 1)->value('mood');

        return self::read(Shape::of(is_string($mood) ? json_decode($mood, true) : []));
    }

    /** @throws Invalid */
    public static function read(Shape $shape): self
    {
        $until = $shape->text('failingUntil', 40, '');
        if ($until !== '' && preg_match('/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d+)?Z$/D', $until) !== 1) {
            throw Invalid::at('failingUntil', 'A moment is written like 2027-03-01T09:00:00Z.');
        }
        $list = function (string $key) use ($shape): array {
            $written = array_map(fn (string $a): string => mb_strtolower(trim($a)), $shape->texts($key, 100, 254));

            return array_values(array_unique(array_filter($written, fn (string $a): bool => str_contains($a, '@'))));
        };

        return new self($shape->integer('slowMs', 0, 10_000, 0), $until === '' ? null : new CarbonImmutable($until), $list('bouncing'),
            $list('complaining'));
    }

    public function keep(): void
    {
        $now = Instant::sql(CarbonImmutable::now());
        DB::table('outbox_moods')->upsert(['id' => 1, 'mood' => json_encode($this->toArray(), JSON_THROW_ON_ERROR), 'created_at' => $now,
            'updated_at' => $now], ['id'], ['mood', 'updated_at']);
    }

    public function failsAt(CarbonImmutable $at): bool
    {
        return $this->failingUntil !== null && $at < $this->failingUntil;
    }

    public function bounces(string $to): bool
    {
        return self::among($to, $this->bouncing);
    }

    public function complains(string $to): bool
    {
        return self::among($to, $this->complaining);
    }

    /** @param  list<string>  $list */
    private static function among(string $to, array $list): bool
    {
        $to = mb_strtolower($to);

        return in_array($to, $list, true) || in_array((string) strrchr($to, '@'), $list, true);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['slowMs' => $this->slowMs, 'failingUntil' => Instant::json($this->failingUntil) ?? '', 'bouncing' => $this->bouncing,
            'complaining' => $this->complaining];
    }
}
