<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

use Lantern\Core\Funnel\Plan;

/** The way through a funnel: what a visitor did, and what follows from it. Live traffic asks here and nowhere else. */
final readonly class Journey
{
    public function __construct(private Plan $plan)
    {
    }

    public function decide(Visitor $visitor, Event $event): Decision
    {
        $outcome = $event->type->outcome();
        $way = $outcome === null || $event->page === null ? null : $this->plan->way($event->page, $outcome);

        return match ($event->type) {
            EventType::Joined => new Decision($way, $this->joined($visitor, $event)),
            EventType::Unsubscribed => new Decision(null, [new CancelEmails]),
            EventType::Viewed, EventType::Downloaded => new Decision($way),
        };
    }

    /** @return list<Effect> */
    private function joined(Visitor $visitor, Event $event): array
    {
        $effects = [];
        $has = array_map(mb_strtolower(...), $visitor->tags);
        foreach ($this->plan->form($event->form ?? '')->tags ?? [] as $tag) {
            if (! in_array(mb_strtolower($tag), $has, true)) {
                $effects[] = new AddTag($tag);
            }
        }
        foreach ($this->plan->leadMagnets as $leadMagnet) {
            if ($leadMagnet->file !== null) {
                $effects[] = new DeliverFile($leadMagnet->id);
            }
        }
        // An email that was sent or is on its way is never planned again: joining twice is one sequence.
        foreach ($this->plan->emails as $email) {
            if (! in_array($email->id, $visitor->emails, true)) {
                $effects[] = new SendEmail($email->id, $email->delay->from($event->at, $visitor->zone));
            }
        }

        return $effects;
    }
}
