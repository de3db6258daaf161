<?php

declare(strict_types=1);

namespace App\People\Privacy;

/** How the rows of one table are told in a person's history. */
interface TellsHistory
{
    /**
     * @param  array<string, string>  $names  of the business's funnels and pages, by id
     * @return list<array<string, mixed>> the newest, each with `kind`, `at` (ISO 8601), `what` it was about, `funnel` (a name),
     *                                    `source`, `id`, and `message` (an id, where it is about one)
     */
    public static function tell(string $person, array $names, int $most): array;
}
