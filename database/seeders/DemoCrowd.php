<?php

declare(strict_types=1);

namespace Database\Seeders;

use Carbon\CarbonImmutable;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Made-up people and when they come by; the same ones for the same seed. */
final class DemoCrowd
{
    private const FIRST = ['Ada', 'Alba', 'Anselm', 'Asta', 'Bea', 'Bodo', 'Carys', 'Dagny', 'Edda', 'Elio', 'Emrys', 'Enno', 'Fenja',
        'Florin', 'Greta', 'Hanno',
        'Ilka', 'Ines', 'Jarle', 'Jonna', 'Jules', 'Kaja', 'Karel', 'Leif', 'Liv', 'Lorcan', 'Maren', 'Mette', 'Milo', 'Nadja', 'Nuria',
        'Oda', 'Orla', 'Pavel',
        'Petra', 'Quirin', 'Ragna', 'Remy', 'Rhona', 'Runa', 'Selma', 'Senta', 'Sorcha', 'Tarek', 'Tilda', 'Tove', 'Ulla', 'Veit', 'Wanda',
        'Zora'];

    private const LAST = ['Abelwood', 'Ashgrove', 'Birkmoor', 'Bramwell', 'Calloway', 'Cobbett', 'Dunmarsh', 'Eastlake', 'Elderfield',
        'Fairwater', 'Fennick', 'Garrow',
        'Greenhalgh', 'Hallowell', 'Harrowby', 'Hazelden', 'Ivesdale', 'Kestrel', 'Langmere', 'Larkin', 'Marlowe', 'Merrifield',
        'Northcote', 'Oakhanger',
        'Penrose', 'Pinder', 'Quillan', 'Ravensby', 'Rowntree', 'Sandling', 'Selwood', 'Stanmore', 'Tarrant', 'Thackley', 'Underhill',
        'Vexley', 'Wainford', 'Westerby', 'Winslade', 'Yarrow'];

    private const ZONES = ['Europe/London', 'Europe/London', 'Europe/London', 'Europe/Berlin', 'Europe/Dublin', 'America/New_York',
        'Europe/Madrid', null];

    private const SOURCES = [null, null, null, 'newsletter', 'newsletter', 'podcast', 'concert-leaflet', 'friend'];

    private const HOURS = [7, 8, 8, 9, 10, 11, 12, 12, 13, 15, 17, 18, 19, 19, 20, 20, 20, 21, 21, 22];

    private Randomizer $dice;

    /** @var array<string, true> */
    private array $taken = [];

    public function __construct(int $seed)
    {
        $this->dice = new Randomizer(new Mt19937($seed));
    }

    public function between(int $least, int $most): int
    {
        return $this->dice->getInt($least, $most);
    }

    public function chance(float $of): bool
    {
        return $this->between(1, 1_000_000) <= $of * 1_000_000;
    }

    public function visitorId(): string
    {
        return bin2hex($this->dice->getBytes(16));
    }

    public function source(): ?string
    {
        return $this->one(self::SOURCES);
    }

    public function zone(): ?string
    {
        return $this->one(self::ZONES);
    }

    /** @return array<string, string> what they fill in; one in six leaves the name out */
    public function somebody(): array
    {
        do {
            [$first, $last] = [(string) $this->one(self::FIRST), (string) $this->one(self::LAST)];
            $email = strtolower("{$first}.{$last}@example.").(string) $this->one(['com', 'org', 'net']);
        } while (isset($this->taken[$email]));
        $this->taken[$email] = true;

        return ['email' => $email, 'first_name' => $this->chance(0.84) ? $first : ''];
    }

    /**
     * Moments in the week that begins then, more of them in the evening and at the weekend, none after the end.
     *
     * @return list<CarbonImmutable> in order
     */
    public function moments(CarbonImmutable $week, CarbonImmutable $end, int $count): array
    {
        $moments = [];
        while (count($moments) < $count) {
            $moment = $week->startOfDay()->addDays($this->between(0, 7))->addHours((int) $this->one(self::HOURS))
                ->addSeconds($this->between(0, 3599));
            if ($moment >= $week && $moment < $week->addWeek() && $moment < $end->subMinutes(6)
                && ($moment->isWeekend() || $this->chance(0.8))) {
                $moments[] = $moment;
            }
        }
        sort($moments);

        return $moments;
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $of
     * @return T
     */
    private function one(array $of): mixed
    {
        return $of[$this->between(0, count($of) - 1)];
    }
}
