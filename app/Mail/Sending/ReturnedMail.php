<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use App\Models\Business;
use App\Models\Message;
use App\Models\Person;
use App\Support\Hosts;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Lantern\Core\Messages\DeliveryReport;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Messages\ReportKind;
use Lantern\Core\People\EmailAddress;
use Lantern\Core\Support\Invalid;

/** What mail servers report of messages they took, at an address that the owner gives to their provider or mailbox. */
final readonly class ReturnedMail
{
    /** Bytes of a report: it may carry the whole message that came back. */
    public const MOST = 2_000_000;

    public function __construct(private Feedback $feedback)
    {
    }

    /**
     * @param  list<DeliveryReport>  $reports
     * @return array<string, int> how many were of each kind, and how many of messages that are not known here
     */
    public function take(Business $business, array $reports): array
    {
        $counts = array_fill_keys([...array_column(ReportKind::cases(), 'value'), 'unknown'], 0);
        foreach ($reports as $report) {
            $message = $this->message($business, $report);
            $counts[$message === null ? 'unknown' : $report->kind->value]++;
            if ($message !== null) {
                match ($report->kind) {
                    ReportKind::Bounced => $this->feedback->bounced($message, $report->why),
                    ReportKind::Failed => $this->feedback->undelivered($message, $report->why),
                    ReportKind::Complained => $this->feedback->complained($message),
                    ReportKind::Passing => null,
                };
            }
        }
        if ($reports !== []) {
            $business->forceFill(['reported_at' => CarbonImmutable::now()])->save();
        }

        return $counts;
    }

    /** The address that takes reports; null until the owner asks for one. */
    public static function url(Business $business): ?string
    {
        return $business->report_key === null ? null : Hosts::site()."/m/returned/{$business->id}/{$business->report_key}";
    }

    /** A new address; one that was given out before takes nothing any more. */
    public static function renew(Business $business): void
    {
        $business->forceFill(['report_key' => Str::lower(Str::random(40))])->save();
    }

    /** The message of a report: by its id, or where that is not told the last one that went to that address. */
    private function message(Business $business, DeliveryReport $report): ?Message
    {
        $sent = Message::query()->with('person.business')->where('business_id', $business->id);
        if (Ids::is($report->messageId)) {
            return $sent->find($report->messageId);
        }
        try {
            $key = EmailAddress::of($report->address)->key;
        } catch (Invalid) {
            return null;
        }
        $person = Person::query()->where('business_id', $business->id)->where('email_key', $key)->whereNull('erased_at')->value('id');

        return $person === null ? null : $sent->where('person_id', $person)->where('state', MessageState::Sent)->latest('sent_at')
            ->orderByDesc('id')->first();
    }
}
