<?php

declare(strict_types=1);

namespace App\Mail\Emails;

use App\Models\Message;
use App\Models\Version;
use Carbon\CarbonImmutable;
use Lantern\Core\Messages\SendVerdict;
use Lantern\Core\Plan\Plan;

/**
 * What is particular to one kind of message: where its words come from, and what else must be so for it to go out. A kind
 * is one class, named in {@see \App\Providers\AppServiceProvider::MESSAGES}.
 */
abstract class KindOfMessage
{
    /** @return EmailSource|null what it says, before it has a reader; nothing when there is nothing left to say */
    abstract public function source(Message $message): ?EmailSource;

    /** The plan its words are taken from: that of the live version, or of the one it was planned under. */
    protected static function plan(Message $message): ?Plan
    {
        return ($message->funnel->liveVersion ?? Version::query()->find($message->version_id))?->plan();
    }

    /** What it says for its reader, where that was written out when it was planned. */
    public function written(Message $message): ?WrittenEmail
    {
        return null;
    }

    /** Does it go to somebody on the list, and to nobody once they are gone? */
    public function isForPerson(): bool
    {
        return true;
    }

    /** Does it carry a link to unsubscribe by? */
    public function canBeLeft(): bool
    {
        return true;
    }

    /** The name under which its reader may choose to get no more like it; null for what was asked for by itself. */
    public function optOut(Message $message): ?string
    {
        return null;
    }

    /** It has gone out. */
    public function sent(Message $message, CarbonImmutable $at): void
    {
    }

    /** The last word, when nothing about its reader speaks against it. */
    public function verdict(Message $message, CarbonImmutable $now): SendVerdict
    {
        return SendVerdict::go();
    }
}
