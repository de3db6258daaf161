<?php

declare(strict_types=1);

namespace App\Orders;

use App\Journey\CarriesOut;
use App\Journey\EffectContext;
use App\Models\Order;
use App\Models\OrderLine;
use App\Models\Person;
use App\Models\ProductAccess;
use DateTimeImmutable;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\EndAccess;
use Lantern\Core\Journey\Effects\GiveAccess;
use Lantern\Core\Journey\Effects\GiveProduct;
use Lantern\Core\Offers\Product;
use Lantern\Core\Orders\AccessState;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Orders\LineState;

/** Who may open what they bought: given with the order, paused and resumed, ended, or given by the owner's hand. */
final readonly class Accesses implements CarriesOut
{
    public function carryOut(Effect $effect, EffectContext $context): void
    {
        if ($effect instanceof GiveAccess || $effect instanceof EndAccess) {
            $this->byRule($effect, $context);
        }
        $product = $effect instanceof GiveProduct ? $context->version?->plan()->product($effect->product) : null;
        if ($product === null || $context->order === null) {
            return;
        }
        $access = ProductAccess::query()->firstOrCreate(['person_id' => $context->person->id, 'product_id' => $product->id,
            'order_id' => $context->order->id],
            $this->values($product, $context->order->business_id, $context->order->funnel_id, $context->at));
        if ($access->wasRecentlyCreated) {
            OrderLog::add($context->order, FactType::AccessGiven, $context->at,
                data: ['product' => $product->id, 'name' => $product->name]);
        }
    }

    /** Access that a rule gives belongs to no order; access that it takes away, to whichever. */
    private function byRule(GiveAccess|EndAccess $effect, EffectContext $context): void
    {
        $product = $context->version?->plan()->product($effect->product);
        if ($effect instanceof GiveAccess && $product !== null && $context->funnel !== null) {
            $this->give($context->person, $context->funnel->id, $product, $context->at);
        } elseif ($effect instanceof EndAccess) {
            foreach (ProductAccess::query()->with('order')->where('person_id', $context->person->id)
                ->where('product_id', $effect->product)->get() as $access) {
                $this->end($access, $context->at);
            }
        }
    }

    /** By the owner's hand. */
    public function give(Person $person, string $funnel, Product $product, DateTimeImmutable $at, ?Order $order = null): ProductAccess
    {
        $access = ProductAccess::query()->where('person_id', $person->id)->where('product_id', $product->id)
            ->where('order_id', $order?->id)->first();
        if ($access === null) {
            $access = ProductAccess::query()->create(['person_id' => $person->id, 'product_id' => $product->id, 'order_id' => $order?->id]
                + $this->values($product, $person->business_id, $funnel, $at));
        } else {
            $access->forceFill(['state' => AccessState::Active, 'changed_at' => $at])->save();
        }
        if ($order !== null) {
            OrderLog::add($order, FactType::AccessGiven, $at,
                data: ['product' => $product->id, 'name' => $product->name, 'byHand' => true]);
        }

        return $access;
    }

    /** @return array<string, mixed> */
    private function values(Product $product, int $business, string $funnel, DateTimeImmutable $at): array
    {
        return ['business_id' => $business, 'funnel_id' => $funnel, 'product' => $product->toArray(), 'state' => AccessState::Active,
            'given_at' => $at, 'changed_at' => $at];
    }

    public function pause(Order $order, DateTimeImmutable $at, string $why): void
    {
        $this->change($order, AccessState::Active, AccessState::Paused, FactType::AccessPaused, $at, $why);
    }

    public function resume(Order $order, DateTimeImmutable $at): void
    {
        $this->change($order, AccessState::Paused, AccessState::Active, FactType::AccessResumed, $at, '');
    }

    private function change(Order $order, AccessState $from, AccessState $to, FactType $fact, DateTimeImmutable $at, string $why): void
    {
        $changed = ProductAccess::query()->where('order_id', $order->id)->where('state', $from)->update(['state' => $to,
            'changed_at' => $at]);
        if ($changed > 0) {
            OrderLog::add($order, $fact, $at, data: array_filter(['why' => $why]));
        }
    }

    /**
     * Ends access to what some lines gave, and frees their places. A product that another line of the order gave as well stays.
     *
     * @param  list<int>  $lines  numbers of the lines
     */
    public function endOfLines(Order $order, array $lines, DateTimeImmutable $at): void
    {
        OrderLine::query()->where('order_id', $order->id)->whereIn('number', $lines)->where('state', LineState::Bought)
            ->update(['state' => LineState::Returned]);
        $order->unsetRelation('lines');
        $kept = OrderLine::query()->where('order_id', $order->id)->where('state', LineState::Bought)->pluck('product_id');
        $ended = ProductAccess::query()->with('order')->where('order_id', $order->id)
            ->where('state', '!=', AccessState::Ended)->get();
        foreach ($ended->reject(fn (ProductAccess $a): bool => $kept->contains($a->product_id)) as $access) {
            $this->end($access, $at);
        }
    }

    public function end(ProductAccess $access, DateTimeImmutable $at): void
    {
        if ($access->state === AccessState::Ended) {
            return;
        }
        $access->forceFill(['state' => AccessState::Ended, 'changed_at' => $at])->save();
        if ($access->order !== null) {
            OrderLog::add($access->order, FactType::AccessEnded, $at,
                data: ['product' => $access->product_id, 'name' => $access->product()->name]);
        }
    }
}
