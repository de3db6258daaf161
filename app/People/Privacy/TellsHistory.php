<?php

declare(strict_types=1);

namespace App\People\Privacy;

/** How the rows of one table are told in a person's history. */
interface TellsHistory
{
    /** @return list<string> every `kind` it tells; the Studio has words for each */
    public static function kinds(): array;

    /**
     * @param  array<string, string>  $names  of the business's funnels, pages, webinars and products, by id; an offer is called what it
     *     sells
     * @return list<array<string, mixed>> the newest, each with `kind`, `at` (ISO 8601), `what` it was about, `funnel` (a name),
     *                                    `source`, `id`, and `message` (an id, where it is about one)
     */
    public static function tell(string $person, array $names, int $most): array;
}
