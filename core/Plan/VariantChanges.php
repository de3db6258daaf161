<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Experiments\Variant;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Sequences\EmailPlan;

/** How a variant differs from what its split test is of, in sentences for its owner. */
final class VariantChanges
{
    /** @return list<string> */
    public static function of(Plan $plan, SplitTest $test, Variant $variant): array
    {
        $as = $plan->withContent($variant->content, $test->part);
        [$page, $popup, $email] = [$plan->page($test->part), $plan->popup($test->part), $plan->email($test->part)];

        return match (true) {
            $page !== null => PageChanges::between($page, $as->page($test->part) ?? $page),
            $popup !== null => self::popup($popup, $as->popup($test->part) ?? $popup),
            $email !== null => self::email($email, $as->email($test->part) ?? $email),
            default => self::times($plan, $as, $test->part),
        };
    }

    /** @return list<string> */
    private static function popup(Popup $was, Popup $is): array
    {
        return [...PageChanges::between(PagePlan::ofPopup($was), PagePlan::ofPopup($is)),
            ...$was->frame->toArray() === $is->frame->toArray() ? [] : ['It has another design.'],
            ...$was->words() === $is->words() ? [] : [$is->words()]];
    }

    /** @return list<string> */
    private static function email(EmailPlan $was, EmailPlan $is): array
    {
        return [...$was->subject === $is->subject ? [] : ["Its subject is “{$is->subject}” instead of “{$was->subject}”."],
            ...$was->body === $is->body ? [] : ['Its text is different.']];
    }

    /** @return list<string> */
    private static function times(Plan $was, Plan $is, string $sequence): array
    {
        $sentences = [];
        foreach ($was->emailsOf($sequence) as $email) {
            $other = $is->email($email->id) ?? $email;
            if ($other->writtenTiming() !== $email->writtenTiming()) {
                $sentences[] = "“{$email->name}” goes out {$other->timingWords()} instead of {$email->timingWords()}.";
            }
        }

        return $sentences;
    }
}
