<?php

declare(strict_types=1);

namespace Lantern\Core\Agenda;

/** What comes due by itself, in the order in which it is done at one moment: what others follow from comes before them. */
enum Task
{
    /** Views of pages that their scripts have reported, and forms that were sent: written down, and not taken in yet. */
    case WrittenDown;
    /** Funnels whose moment to close has come. */
    case Opening;
    /** Deadlines that have ended. */
    case Deadlines;
    /** What became of sessions that are over. */
    case Sessions;
    /** Split tests that may end by themselves. */
    case SplitTests;
    /** Counts of months that are over. */
    case Counts;
    /** How warm people are, as all of it fades. */
    case Warmth;
    /** Days in fields of people that come round. */
    case Dates;
    /** What rules do for somebody because of what happened. */
    case Rules;
    case Broadcasts;
    /** The email of the day to the owner. */
    case Digest;
    /** The email of the day about readers of guides, to the owner. */
    case ReaderDigest;
    /** The email of each Monday to the owner. */
    case Report;
    /** That somebody has become warm, to the owner. */
    case WarmNotices;
    /** Calls to web addresses of the owner's. */
    case Hooks;
    /** Looks whether domains of owners' lead here. */
    case Domains;
    /** What the practice payments have to tell. */
    case ProviderCalls;
    /** Payments and refunds that are open, and those of plans whose day has come. */
    case Payments;
    case Receipts;
    /** Emails. */
    case Messages;
}
