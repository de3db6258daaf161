<?php

declare(strict_types=1);

namespace App\Orders;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Order;
use App\People\Proof\Proven;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;

/**
 * Orders become their person's. An order that was placed with the address of somebody who is known belongs to itself: it gives what
 * was bought and sends its receipt, and nothing of the person is shown or changed by it. Once they come by a link in an email, it
 * is theirs, and the rest of what follows from buying follows: tags, emails that start and stop.
 */
final readonly class JoinOrders
{
    public function __construct(private Events $events)
    {
    }

    public function to(Proven $proven): void
    {
        $waiting = Order::query()->where('person_id', $proven->person->id)->whereNull('joined_at')->whereNotNull('bought_at');
        foreach ($waiting->orderBy('bought_at')->pluck('id') as $id) {
            DB::transaction(fn () => $this->join((string) $id, $proven));
        }
    }

    private function join(string $id, Proven $proven): void
    {
        $now = CarbonImmutable::now();
        // Once: whoever turns it has it.
        if (Order::query()->whereKey($id)->whereNull('joined_at')->update(['joined_at' => Instant::sql($now)]) === 0) {
            return;
        }
        $order = Order::query()->with(['funnel.business', 'funnel.liveVersion', 'version', 'person.business'])->findOrFail($id);
        $person = $order->person;
        $person->forceFill(['pending' => false, 'owner_try' => $person->owner_try && $order->owner,
            'confirmed_at' => $person->confirmed_at ?? $now])->save();
        $events = DB::table('events')->where('funnel_id', $order->funnel_id)->whereIn('type', [EventType::Bought->value,
            EventType::Declined->value])->where('at', '>=', Instant::sql($order->placed_at))
            ->where('data', 'like', '%"order":"'.$order->id.'"%')->orderBy('id')->get();
        DB::table('events')->whereIn('id', $events->pluck('id'))->whereNull('person_id')->update(['person_id' => $person->id]);
        foreach ($events->where('type', EventType::Bought->value) as $event) {
            $data = (array) json_decode((string) $event->data, true);
            $offers = array_values(array_filter((array) ($data['offers'] ?? []), is_string(...)));
            $this->events->joined(NewEvent::ofOrder(EventType::Bought, $order, (string) $event->page_id, $now, $offers, []));
        }
    }
}
