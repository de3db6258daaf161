<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use Symfony\Component\Mime\Email;

/** Whoever carries messages to their readers: the outbox that ships with the application, or a mail server. */
interface Provider
{
    /**
     * Takes a message over. The same message id handed over again must not reach the reader twice where the
     * provider can know it.
     *
     * @param  int  $business  the id of that whose message it is
     *
     * @throws TemporaryTrouble when trying again later may help
     * @throws PermanentTrouble when it never will, such as an address that does not exist
     */
    public function handOver(string $messageId, int $business, string $to, Email $email): void;
}
