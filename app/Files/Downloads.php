<?php

declare(strict_types=1);

namespace App\Files;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Delivery;
use App\Models\Submission;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;

/** Counts downloads, on the delivery and among the events of the page the person joined on. */
final readonly class Downloads
{
    public function __construct(private Events $events)
    {
    }

    public function count(Delivery $delivery, DateTimeImmutable $at, ?string $visitor, bool $owner): void
    {
        DB::transaction(function () use ($delivery, $at, $visitor, $owner): void {
            Delivery::query()->where('id', $delivery->id)->increment('downloads');
            $page = Submission::query()->where('person_id', $delivery->person_id)->where('funnel_id', $delivery->funnel_id)
                ->latest('submitted_at')->value('page_id');
            $this->events->take(new NewEvent(EventType::Downloaded, $delivery->funnel->business, $at, $delivery->funnel,
                page: is_string($page) ? $page : null,
                personId: $delivery->person_id, visitor: $visitor, owner: $owner, data: ['leadMagnet' => $delivery->lead_magnet_id]));
        });
    }
}
