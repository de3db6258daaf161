<?php

declare(strict_types=1);

namespace App\People\Segments\Rules;

use App\Models\Business;
use App\Support\Instant;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\People\State\Deed;
use Lantern\Core\Rules\Rule;

/** @implements RuleSql<\Lantern\Core\Rules\DeedRule> */
final class DeedRule implements RuleSql
{
    public function where(Builder $query, Rule $rule, Business $business, DateTimeImmutable $now): void
    {
        $since = $rule->since($now);
        $deeds = $rule->deed->isOfMail() ? $this->ofMail($rule->deed, $rule->with, $since)
            : $this->onPages($rule->deed, $rule->with, $since);
        $query->addWhereExistsQuery($deeds->selectRaw('1'), 'and', $rule->not);
    }

    private function ofMail(Deed $deed, string $with, ?DateTimeImmutable $since): Builder
    {
        $at = match ($deed) {
            Deed::Opened => 'messages.opened_at',
            Deed::Clicked => 'messages.clicked_at',
            default => 'messages.sent_at',
        };

        return DB::table('messages')->whereColumn('messages.person_id', 'people.id')->whereNotNull($at)->whereNotNull('messages.sent_at')
            ->when($with !== '', fn (Builder $q) => $q->where(fn (Builder $q) => $q->where('messages.email_id', $with)
                ->orWhere('messages.broadcast_id', $with)))
            ->when($since !== null, fn (Builder $q) => $q->where($at, '>=', Instant::sql($since ?? new DateTimeImmutable)));
    }

    private function onPages(Deed $deed, string $with, ?DateTimeImmutable $since): Builder
    {
        return DB::table('events')->whereColumn('events.person_id', 'people.id')
            ->where('events.type', $deed->value)
            ->when($with !== '',
                fn (Builder $q) => $q->where(fn (Builder $q) => $q->where('events.page_id', $with)->orWhere('events.funnel_id', $with)))
            ->when($since !== null, fn (Builder $q) => $q->where('events.at', '>=', Instant::sql($since ?? new DateTimeImmutable)));
    }
}
