<?php

declare(strict_types=1);

namespace App\Serving;

use App\Models\Funnel;
use App\Models\PublishedPage;
use Lantern\Core\Plan\Plan;

/** What follows when a published page was drawn, in the same transaction. */
interface FollowsDrawing
{
    public function drawn(PublishedPage $page, Funnel $funnel, Plan $plan): void;
}
