<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Mail\Sending\MailServers;
use App\Models\Business;
use App\Models\Domain;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Domains\DomainName;
use Lantern\Core\Domains\DomainState;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Orders\OrderState;
use Lantern\Core\Webinars\RegistrationState;
use Lantern\Core\Webinars\SoonWords;

/** What waits for the owner's own hand today, each in a sentence that leads there. */
final class NeedsOwner
{
    /** Questions older than this are answered in another way, or never. */
    private const QUESTION_DAYS = 14;

    /**
     * @return list<array{key: string, words: string, action: string, to: string}> `to` is a path of the Studio
     */
    public static function today(Business $business, CarbonImmutable $now): array
    {
        return [...self::sessions($business, $now), ...self::questions($business, $now), ...self::domains($business),
            ...self::payments($business), ...self::mail($business, $now)];
    }

    /** @return list<array{key: string, words: string, action: string, to: string}> */
    private static function sessions(Business $business, CarbonImmutable $now): array
    {
        $rows = DB::table('registrations')->join('draft_parts', 'draft_parts.id', '=', 'webinar_id')
            ->where('business_id', $business->id)->where('registrations.owner', false)->where('state', RegistrationState::Registered)
            ->where('ends_at', '>', Instant::sql($now))->where('starts_at', '<=', Instant::sql($now->addDay()))
            ->groupBy('webinar_id', 'session_key')->orderByRaw('min(starts_at)')->limit(5)
            ->selectRaw('registrations.funnel_id, webinar_id, session_key, min(starts_at) as starts_at, count(*) as n, '
                .'min(draft_parts.name) as name')->get();
        $items = [];
        foreach ($rows as $row) {
            $begins = SoonWords::of(Instant::carbon($row->starts_at) ?? $now, $now, $business->zone());
            $items[] = ['key' => "session:{$row->session_key}", 'words' => "“{$row->name}” {$begins}: ".self::people((int) $row->n)
                .' registered.', 'action' => 'Control room',
                'to' => "/funnels/{$row->funnel_id}/webinar/{$row->webinar_id}/sessions/{$row->session_key}"];
        }

        return $items;
    }

    /** @return list<array{key: string, words: string, action: string, to: string}> */
    private static function questions(Business $business, CarbonImmutable $now): array
    {
        $rows = DB::table('room_questions')->join('draft_parts', 'draft_parts.id', '=', 'webinar_id')
            ->where('business_id', $business->id)->where('state', 'open')
            ->where('asked_at', '>=', Instant::sql($now->subDays(self::QUESTION_DAYS)))
            ->groupBy('webinar_id', 'session_key')->orderByRaw('max(asked_at) desc')->limit(5)
            ->selectRaw('draft_parts.funnel_id, webinar_id, session_key, count(*) as n, min(draft_parts.name) as name')->get();
        $items = [];
        foreach ($rows as $row) {
            $items[] = ['key' => "questions:{$row->session_key}",
                'words' => ((int) $row->n === 1 ? 'One question' : "{$row->n} questions")." from “{$row->name}” "
                    .((int) $row->n === 1 ? 'waits' : 'wait').' for an answer.', 'action' => 'Answer',
                'to' => "/funnels/{$row->funnel_id}/webinar/{$row->webinar_id}/sessions/{$row->session_key}"];
        }

        return $items;
    }

    /** @return list<array{key: string, words: string, action: string, to: string}> those that links are made with, and that fail */
    private static function domains(Business $business): array
    {
        $items = [];
        foreach (Domain::query()->where('business_id', $business->id)->whereNotNull('primary_of')->orderBy('id')->get() as $domain) {
            if ($domain->state() === DomainState::Trouble) {
                $items[] = ['key' => "domain:{$domain->id}", 'words' => 'Visitors do not find your pages: '
                    .DomainName::of($domain->name, true)->shown().' does not lead here at the moment.', 'action' => 'See the domain',
                    'to' => '/settings/domains'];
            }
        }

        return $items;
    }

    /** @return list<array{key: string, words: string, action: string, to: string}> */
    private static function payments(Business $business): array
    {
        $orders = DB::table('orders')->where('business_id', $business->id)->where('owner', false);
        $arrears = (clone $orders)->where('arrears', true)->count();
        $disputed = (clone $orders)->where('state', OrderState::Disputed)->count();
        $items = [];
        if ($arrears > 0) {
            $items[] = ['key' => 'arrears', 'words' => $arrears === 1 ? 'A payment of a plan failed, and is owed.'
                : "Payments of {$arrears} plans failed, and are owed.", 'action' => 'See the orders',
                'to' => '/sales/orders?state=arrears'];
        }
        if ($disputed > 0) {
            $items[] = ['key' => 'disputed', 'words' => $disputed === 1 ? 'A payment is disputed.' : "{$disputed} payments are disputed.",
                'action' => 'See the orders', 'to' => '/sales/orders?state=disputed'];
        }

        return $items;
    }

    /** @return list<array{key: string, words: string, action: string, to: string}> */
    private static function mail(Business $business, CarbonImmutable $now): array
    {
        $messages = DB::table('messages')->where('business_id', $business->id);
        $stuck = (clone $messages)->where('state', MessageState::Waiting)->where('attempts', '>', 0)->whereNotNull('trouble')
            ->orderByDesc('due_at')->first(['trouble']);
        $failed = (clone $messages)->where('state', MessageState::Failed)->where('updated_at', '>=', Instant::sql($now->subDay()))
            ->count();
        $items = [];
        if ($stuck !== null) {
            $isOutbox = MailServers::isOutbox($business->id);
            $items[] = ['key' => 'mail', 'words' => 'Emails wait: '.(string) $stuck->trouble,
                'action' => $isOutbox ? 'See the emails' : 'See the mail server', 'to' => $isOutbox ? '/emails' : '/settings#mail-server'];
        }
        if ($failed > 0) {
            $items[] = ['key' => 'failed', 'words' => $failed === 1 ? 'One email could not be sent since yesterday.'
                : "{$failed} emails could not be sent since yesterday.", 'action' => 'See which', 'to' => '/emails?state=failed'];
        }

        return $items;
    }

    private static function people(int $n): string
    {
        return $n === 1 ? 'one person is' : "{$n} people are";
    }
}
