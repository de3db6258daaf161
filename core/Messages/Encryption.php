<?php

declare(strict_types=1);

namespace Lantern\Core\Messages;

/** How the way to a mail server is kept secret. */
enum Encryption: string
{
    /** From the first byte on, usually on port 465. */
    case Tls = 'tls';
    /** Asked for after the greeting, usually on port 587; without it nothing is sent. */
    case StartTls = 'starttls';
    /** Not at all, unless the server offers it. */
    case None = 'none';
}
