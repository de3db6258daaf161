<?php

declare(strict_types=1);

namespace Tests\Drafts;

use App\Drafts\DraftPlan;
use App\Drafts\NewFunnel;
use App\Models\Funnel;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\Plan;
use Tests\Core\Plan\Plans;

/** A funnel whose programme is bought elsewhere, of the owner of a test: five pages and the ways between them, in shorthand. */
trait SellingFunnel
{
    private function selling(): Funnel
    {
        $plan = app(NewFunnel::class)->fromStarter($this->owner->business, Goal::Sell, 'Selling', 'First Season', null, Plans::price());
        $written = DraftPlan::read($plan)->toArray();
        $plan->forceDelete();
        $isCheckout = fn (array $part): bool => ($part['role'] ?? '') === 'checkout' || ($part['address'] ?? '') === 'introductory';
        $gone = array_column(array_filter($written['parts'], $isCheckout), 'id');
        $upsell = array_column(array_filter($written['parts'], fn (array $p): bool => ($p['role'] ?? '') === 'upsell'), 'id')[0] ?? '';
        $written['parts'] = array_values(array_filter($written['parts'], fn (array $p): bool => ! $isCheckout($p)
            && in_array($p['kind'], ['page'], true)));
        $written['ways'] = array_values(array_filter($written['ways'], fn (array $w): bool => ! in_array($w['page'], $gone, true)));
        foreach ($written['ways'] as $i => $way) {
            $written['ways'][$i] = $way['outcome'] === 'chose' ? ['outcome' => 'bought', 'toPage' => $upsell] + $way : $way;
        }
        $text = (string) preg_replace(['/"offer":"[^"]*"/', '/outcome:chose/'], ['"offer":""', 'outcome:bought'],
            json_encode($written, JSON_THROW_ON_ERROR));

        return DraftPlan::store(Plan::fromArray(json_decode($text, true)), $this->owner->business)->refresh();
    }

    /** @return list<string> roles in the order of the way, with addresses */
    private function pages(Funnel $funnel): array
    {
        return Page::query()->where('funnel_id', $funnel->id)->whereNull('removed')->orderBy('position')->get()
            ->map(fn (Page $p): string => "{$p->role} /{$p->address}")->values()->all();
    }

    /** @return list<string> */
    private function ways(Funnel $funnel): array
    {
        $plan = DraftPlan::read(Funnel::query()->findOrFail($funnel->id));
        $role = fn (?string $id): string => $plan->page((string) $id)?->role->value ?? 'gone';
        $ways = array_map(fn ($w): string => "{$role($w->page)} {$w->outcome->value} ".($w->toUrl ?? $role($w->toPage)), $plan->ways);
        sort($ways);

        return $ways;
    }

    private function page(Funnel $funnel, string $role): Page
    {
        return Page::query()->where('funnel_id', $funnel->id)->where('definition->role', $role)->firstOrFail();
    }

    private const SELLING = ['sales /', 'upsell /one-more-thing', 'downsell /instead', 'delivery /welcome', 'closed /closed'];

    private const SELLING_WAYS = ['downsell bought delivery', 'downsell declined delivery', 'sales bought upsell',
        'sales time-ran-out closed', 'upsell bought delivery', 'upsell declined downsell'];
}
