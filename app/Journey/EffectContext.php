<?php

declare(strict_types=1);

namespace App\Journey;

use App\Models\Funnel;
use App\Models\Order;
use App\Models\Person;
use App\Models\Submission;
use App\Models\Version;
use DateTimeImmutable;

/** For whom an effect is carried out, when, and because of what. */
final readonly class EffectContext
{
    /**
     * @param  Funnel|null  $funnel  that decided it; none where it follows without one, such as from a bounce
     * @param  Submission|null  $submission  the form that led to it, if one did
     * @param  Order|null  $order  likewise, what was bought
     * @param  string|null  $visitor  the id of the browser in which it happened
     */
    public function __construct(
        public Person $person,
        public DateTimeImmutable $at,
        public ?Funnel $funnel = null,
        public ?Version $version = null,
        public ?Submission $submission = null,
        public ?Order $order = null,
        public ?string $visitor = null,
    ) {
    }
}
