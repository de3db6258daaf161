<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Drafts\DraftRows;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Ids;
use App\Support\RichText;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Events\Trigger\FormFilledIn;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Parts\Part;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\Webinar;

final class EmailKind extends DraftKind
{
    public function part(): string
    {
        return EmailPlan::class;
    }

    public function list(): string
    {
        return 'emails';
    }

    public function typed(): array
    {
        return ['name', 'subject', 'body', 'timing', 'sequence', 'only'];
    }

    public function cleaned(Part $part, Business $business): Part
    {
        $email = $part->toArray();

        return EmailPlan::fromShape(Shape::of([
            'subject' => RichText::line((string) $email['subject']),
            'body' => RichText::email((string) $email['body'])->html,
        ] + $email));
    }

    protected function check(DraftPart $row, Part $part): void
    {
        if ($part->needs() !== $row->part()->needs()
            && array_diff($part->needs(), $row->funnel->parts()->where('kind', SequencePlan::kind())->pluck('id')->all()) !== []) {
            throw Invalid::at('sequence', 'This sequence is not in this funnel.');
        }
        $by = $part instanceof EmailPlan ? $part->byDeadline()?->deadline : null;
        $was = $row->part();
        if ($by !== null && (! $was instanceof EmailPlan || $was->byDeadline()?->deadline !== $by)
            && $row->funnel->parts()->where('kind', Deadline::kind())->where('id', $by)->doesntExist()) {
            throw Invalid::at('timing', 'This deadline is not in this funnel.');
        }
        $session = $part instanceof EmailPlan ? $part->bySession()?->webinar : null;
        if ($session !== null && (! $was instanceof EmailPlan || $was->bySession()?->webinar !== $session)
            && $row->funnel->parts()->where('kind', Webinar::kind())->where('id', $session)->doesntExist()) {
            throw Invalid::at('timing', 'This webinar is not in this funnel.');
        }
    }

    /** A follow-up, two days after the last email there is, or one day after joining. */
    public function fresh(Funnel $funnel, array $typed): Part
    {
        $sequence = $this->sequence($funnel, is_string($typed['sequence'] ?? null) ? $typed['sequence'] : '');
        $last = 0;
        foreach ($funnel->parts->where('kind', EmailPlan::kind()) as $row) {
            $email = $row->part();
            $last = $email instanceof EmailPlan && $email->sequence === $sequence ? max($last, $email->offset()) : $last;
        }
        $days = min(Delay::MOST_DAYS, $last < 1440 ? 1 : intdiv($last, 1440) + 2);

        return new EmailPlan(Ids::next(), "Follow-up, day {$days}", '', '<p>Hello {{first_name|there}},</p><p></p>', Delay::days($days, 9),
            $sequence);
    }

    /** The sequence that is named, or the first there is; a funnel that has none gets one, started by all its forms. */
    private function sequence(Funnel $funnel, string $id): string
    {
        $sequences = $funnel->parts->where('kind', SequencePlan::kind());
        $found = $id === '' ? $sequences->first() : $sequences->firstWhere('id', $id);
        if ($found !== null) {
            return $found->id;
        }
        $forms = $funnel->parts->where('kind', FormPlan::kind())->map(fn (DraftPart $f): FormFilledIn => new FormFilledIn($f->id))->all();

        return DraftRows::add($funnel, new SequencePlan(Ids::next(), 'Follow-up', new Triggers($forms)))->id;
    }

    public function json(DraftPart $row, Part $part): array
    {
        return ! $part instanceof EmailPlan ? []
            : ['subject' => $part->subject, 'body' => $part->body, 'timing' => $part->writtenTiming(), 'offset' => $part->offset(),
                'timingWords' => $part->timingWords(), 'sequence' => $part->sequence, 'only' => $part->only->toArray()];
    }
}
