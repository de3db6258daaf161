<?php

declare(strict_types=1);

namespace Lantern\Core\Messages;

/** What a mail server reports of a message that it took. */
enum ReportKind: string
{
    /** It did not arrive, and no message to this address will. */
    case Bounced = 'bounced';
    /** It did not arrive; another one may. */
    case Failed = 'failed';
    /** Its reader marked it as unwanted. */
    case Complained = 'complained';
    /** It is late, or has arrived: nothing follows from that. */
    case Passing = 'passing';
}
