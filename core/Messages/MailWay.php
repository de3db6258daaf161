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

    /** As was chosen in Settings; where nothing was, or the file is gone, to the server in `.env`, else to the outbox. */
    public static function of(?self $chosen, bool $isInFile): self
    {
        return $chosen === null || $chosen === self::File ? ($isInFile ? self::File : self::Outbox) : $chosen;
    }
}
