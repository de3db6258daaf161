<?php

declare(strict_types=1);

namespace App\People\Segments\Rules;

use App\Models\Business;
use App\Records\RegisteredSessions;
use DateTimeImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Rules\Rule;
use Lantern\Core\Webinars\RegistrationState;

/** @implements RuleSql<\Lantern\Core\Rules\WebinarRule> */
final class WebinarRule implements RuleSql
{
    public function where(Builder $query, Rule $rule, Business $business, DateTimeImmutable $now): void
    {
        $column = RegisteredSessions::STATES[$rule->state] ?? null;
        $theirs = DB::table('registrations')->selectRaw('1')->where('webinar_id', $rule->webinar)
            ->whereColumn('registrations.person_id', 'people.id');
        $query->addWhereExistsQuery($column === null
            ? $theirs->where('state', RegistrationState::Registered)->whereNotNull('open') : $theirs->whereNotNull($column), 'and',
            $rule->not);
    }
}
