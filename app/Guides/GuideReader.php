<?php

declare(strict_types=1);

namespace App\Guides;

use App\Models\Delivery;
use App\Models\Submission;
use App\People\Proof\Proven;
use App\Records\GuideFacts;
use App\Support\Ids;
use App\Support\Instant;
use App\Support\Seal;
use App\Support\SealPurpose;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Forms\SubmissionState;
use Lantern\Core\Guides\ReadingRight;

/**
 * Who may read a guide: whoever filled in the form in this browser, or came by a link in an email to them. What they wrote and where they
 * were is shown to whoever it is proven of, from all their doors; by a form alone, only what was said by that form.
 */
final readonly class GuideReader
{
    /** @param  string  $submission  the form by which they read; '' where it is proven who they are */
    private function __construct(public string $person, public string $submission)
    {
    }

    public static function of(GuideFacts $facts, ?Submission $submission, ?Proven $reader): ?self
    {
        if ($submission !== null && $submission->state === SubmissionState::Taken && $submission->person_id !== $reader?->person->id) {
            $delivery = self::delivery($facts, (string) $submission->person_id);
            if ($delivery !== null && ReadingRight::holds($delivery->revoked_at, $submission->submitted_at)) {
                return new self((string) $submission->person_id, $submission->id);
            }
        }
        $delivery = $reader === null ? null : self::delivery($facts, $reader->person->id);

        return $reader !== null && $delivery !== null && ReadingRight::holds($delivery->revoked_at, null)
            ? new self($reader->person->id, '') : null;
    }

    private static function delivery(GuideFacts $facts, string $person): ?Delivery
    {
        return Delivery::query()->where('person_id', $person)->whereIn('lead_magnet_id', $facts->leadMagnets)
            ->orderByRaw('revoked_at is not null')->first();
    }

    public function isProven(): bool
    {
        return $this->submission === '';
    }

    /** The reading of theirs by this door; it begins with the first look. */
    public function reading(string $guide, string $funnel, DateTimeImmutable $now): string
    {
        $mine = ['guide_id' => $guide, 'person_id' => $this->person, 'submission_id' => $this->submission];
        $found = DB::table('guide_readings')->where($mine)->value('id');
        if ($found === null) {
            DB::table('guide_readings')->insertOrIgnore($mine + ['id' => Ids::next(), 'funnel_id' => $funnel,
                'opened_at' => Instant::sql($now)]);
            $found = DB::table('guide_readings')->where($mine)->value('id');
        }

        return (string) $found;
    }

    public static function seal(string $reading): string
    {
        return Seal::of(SealPurpose::Reading, $reading, 32);
    }
}
