<?php

declare(strict_types=1);

namespace Lantern\Core\Visits;

use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Deadlines\Guards;

/** Who asks for what page, and all that is known of both. The shell loads what the moment may need, and no more. */
final readonly class PageRequest
{
    /**
     * @param  SitePage|null  $asked  the page that stands at the address now
     * @param  string|null  $movedTo  the id of the page that stood there before, where it has another address now
     * @param  SitePage|null  $closedPage  the page that is shown while the funnel is closed; null where it has none
     * @param  string|null  $joinedOn  the id of the page on which this browser's form of this funnel was filled in
     * @param  bool  $registered  has this browser a place in a session of a webinar of this funnel?
     * @param  bool  $reads  may this browser read the guide that it asks for, because somebody has joined to read it?
     * @param  list<string>  $products  ids of those to which this browser has a right
     * @param  Guards|null  $guards  what deadlines guard; null where the page has to do with none
     * @param  array<string, DeadlineState>  $states  of the visitor, by deadline
     * @param  bool  $unguarded  is it the owner, who looks at the pages as they are? Nothing is in their way.
     * @param  string|null  $form  the id of the form that is sent
     */
    public function __construct(
        public Opening $opening,
        public ?SitePage $asked = null,
        public ?string $movedTo = null,
        public ?SitePage $closedPage = null,
        public ?string $joinedOn = null,
        public bool $registered = false,
        public bool $reads = false,
        public array $products = [],
        public ?Guards $guards = null,
        public array $states = [],
        public bool $unguarded = false,
        public PageAct $act = PageAct::Look,
        public ?string $form = null,
    ) {
    }
}
