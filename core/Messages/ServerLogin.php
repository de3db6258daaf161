<?php

declare(strict_types=1);

namespace Lantern\Core\Messages;

use SensitiveParameter;

/** To whom a password of a mail server is told: the server and the user name for which it was typed, and nobody else. */
final readonly class ServerLogin
{
    public function __construct(public string $host, public string $username, #[SensitiveParameter] public ?string $password)
    {
    }

    /** With what was typed now: an empty password leaves that there is, unless the server or the name is another one. */
    public function typed(string $host, string $username, #[SensitiveParameter] string $password): self
    {
        $isSame = strcasecmp($host, $this->host) === 0 && $username === $this->username;

        return new self($host, $username, $password !== '' ? $password : ($isSame ? $this->password : null));
    }
}
