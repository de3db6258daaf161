<?php

declare(strict_types=1);

namespace Lantern\Core\Messages;

/** Where the messages of a business go. */
enum MailWay: string
{
    /** Nowhere: they are kept and shown in the Studio. */
    case Outbox = 'outbox';
    /** To the mail server named in Settings. */
    case Server = 'server';
    /** To that named in `.env` on this machine. */
    case File = 'file';
}
