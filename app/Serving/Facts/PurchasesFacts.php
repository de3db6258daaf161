<?php

declare(strict_types=1);

namespace App\Serving\Facts;

use Lantern\Core\Orders\AccessState;

/**
 * What an order opens.
 *
 * @phpstan-type File array{name: string, url: string}
 * @phpstan-type Item array{name: string, line: string, state: AccessState, open: string|null, files: list<File>}
 */
final readonly class PurchasesFacts
{
    /**
     * @param  list<Item>  $items
     * @param  string  $paid  in words
     */
    public function __construct(public array $items, public string $paid, public string $number, public string $email)
    {
    }
}
