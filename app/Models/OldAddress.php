<?php

declare(strict_types=1);

namespace App\Models;

/**
 * An address that was public once and leads on for good: of a funnel, or of one of its pages.
 *
 * @property int $id
 * @property string $funnel_id
 * @property string|null $page_id null for the funnel itself
 * @property string $address
 */
final class OldAddress extends Record
{
}
