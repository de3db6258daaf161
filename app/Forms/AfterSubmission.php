<?php

declare(strict_types=1);

namespace App\Forms;

use App\Models\Submission;
use Lantern\Core\Journey\AfterForm;
use Lantern\Core\Journey\Onward;
use Lantern\Core\Plan\Plan;

/** Where whoever has filled in a form goes, as an address. */
final class AfterSubmission
{
    /** @param  Plan  $plan  of what is live, or of what they saw */
    public static function url(Submission $submission, Plan $plan): string
    {
        return self::to(AfterForm::of($plan, $submission->page_id, $submission->form_id, $submission->state, $submission->popup_id),
            $plan, $submission);
    }

    public static function to(Onward $onward, Plan $plan, Submission $submission): string
    {
        return match (true) {
            $onward->waits => Confirmations::waitingLink($submission),
            $onward->url !== null => $onward->url,
            default => $submission->funnel->url($plan->page($onward->page ?? '')->address ?? ''),
        };
    }
}
