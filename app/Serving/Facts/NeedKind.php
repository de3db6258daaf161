<?php

declare(strict_types=1);

namespace App\Serving\Facts;

/** The kinds of what is loaded for a visit, by {@see LoadsFacts}. */
enum NeedKind
{
    case Business;
    case Submission;
    case Order;
    case Purchases;
    case Reader;
    case Offer;
    case Upload;
    case Registration;
    case Replay;
    case Places;
    case PlacesToRegister;
    case Reading;
}
