<?php

declare(strict_types=1);

namespace App\Mail\Emails;

use App\Models\Message;
use Illuminate\Contracts\Container\Container;
use LogicException;

/** The class of each kind of message. */
final readonly class KindsOfMessages
{
    /** @param  array<string, class-string<KindOfMessage>>  $classes  by the name of the kind */
    public function __construct(private Container $app, private array $classes)
    {
    }

    public function kindOf(Message $message): KindOfMessage
    {
        $class = $this->classes[$message->kind->value]
            ?? throw new LogicException("Nobody knows messages of the kind “{$message->kind->value}”.");

        return $this->app->make($class);
    }
}
