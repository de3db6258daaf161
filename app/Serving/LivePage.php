<?php

declare(strict_types=1);

namespace App\Serving;

use App\Deadlines\VisitorIdentity;
use App\Models\Funnel;
use App\Models\PublishedPage;
use Lantern\Core\Deadlines\DeadlineStates;

/** A page that somebody gets, as {@see PageFinder} has found it. */
final readonly class LivePage
{
    /**
     * @param  bool  $closed  is it shown although the funnel is closed?
     * @param  string|null  $newVisitor  the id that this browser gets now, by which it keeps its variant
     * @param  PageDeadlines|null  $deadlines  that it has to do with, if it has; then how they stand for whom
     */
    public function __construct(
        public Funnel $funnel,
        public PublishedPage $page,
        public bool $closed = false,
        public ?PageDeadlines $deadlines = null,
        public ?DeadlineStates $states = null,
        public ?VisitorIdentity $identity = null,
        public ?string $newVisitor = null,
    ) {
    }
}
