<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

use Lantern\Core\Forms\FormField;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\People\FieldKind;
use Lantern\Core\Plan\Goal;

/** The forms of the starters: a first name if the visitor likes, and the address. */
final class StarterForms
{
    public static function of(Goal $goal, StarterDesk $d): FormPlan
    {
        $business = mb_strimwidth($d->sender->business, 0, 120, '…');
        [$name, $button, $consent] = match ($goal) {
            Goal::WaitingList, Goal::Launch => ['Waiting list form', 'Put me on the list',
                "Yes, {$business} may email me when the doors open, and now and then before. I can unsubscribe at any time."],
            Goal::Webinar => ['Registration form', 'Keep me a place',
                "Yes, email me about this webinar, and the occasional email from {$business} afterwards. I can unsubscribe at any time."],
            Goal::VideoSeries => ['Sign-up form', 'Show me the first video',
                "Yes, email me the videos and the occasional email from {$business}. I can unsubscribe at any time."],
            Goal::Form => ['Form', 'Send', "Yes, {$business} may write to me by email. I can unsubscribe at any time."],
            default => ['Sign-up form', 'Send it to me',
                "Yes, email me this and the occasional email from {$business}. I can unsubscribe at any time."],
        };
        $tag = trim(mb_substr($d->title, 0, 60));

        return new FormPlan($d->id(), $name, [
            new FormField(FieldKind::FirstName, 'First name', false),
            new FormField(FieldKind::Email, 'Email address', true),
        ], $button, $consent, false, [$tag === '' ? 'New' : $tag], webinar: $goal === Goal::Webinar ? $d->webinar->id ?? '' : '');
    }
}
