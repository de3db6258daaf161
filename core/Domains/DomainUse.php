<?php

declare(strict_types=1);

namespace Lantern\Core\Domains;

/** What a domain leads to. */
enum DomainUse: string
{
    /** All funnels of the business, each below its own web address, and at the front page one of them if wished. */
    case Business = 'business';
    /** One funnel alone: its pages stand directly below the domain. */
    case Funnel = 'funnel';
}
