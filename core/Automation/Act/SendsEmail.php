<?php

declare(strict_types=1);

namespace Lantern\Core\Automation\Act;

/** They are sent one email of a funnel, whatever sequence it belongs to, and at the hours at which that writes. */
final readonly class SendsEmail implements Act
{
    use OfPart;

    private const KIND = 'send-email';

    private const FIELD = 'email';

    private const CHOOSE = 'Please choose an email.';

    public static function label(): string
    {
        return 'Send one email';
    }

    public function words(callable $name): string
    {
        return "they are sent {$this->called($name)}";
    }
}
