<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;
use Lantern\Core\Emails\EmailBody;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sequences\EmailPlan;

/** An email that has come. */
final readonly class Mail
{
    /**
     * @param  string  $kind  sequence, confirm or receipt
     * @param  string  $of  the id of the email of a sequence, of the form that asks, or the number of the order
     * @param  string  $variant  the letter of what was sent, of one in a split test
     * @param  PersonState|null  $reader  what was known of them when it was sent: it was written for that, whatever they do later
     */
    public function __construct(public string $kind, public string $of, public DateTimeImmutable $at, public string $name,
        public string $variant = '', public ?PersonState $reader = null)
    {
    }

    /** The email of a sequence that it is; null where it is none, or one of another funnel. */
    public function email(Plan $plan): ?EmailPlan
    {
        return $this->kind === 'sequence' ? $plan->as($this->of, $this->variant)->email($this->of) : null;
    }

    /** What they got to read: without the parts that were for others. */
    public function body(Plan $plan): string
    {
        $body = $this->email($plan)->body ?? '';

        return $this->reader === null ? $body : EmailBody::forReader($body, $this->reader, $this->at);
    }

    /** @return list<string> what can be followed in it, as {@see Links} writes it */
    public function links(Plan $plan): array
    {
        return Links::ofEmail($this->body($plan));
    }
}
