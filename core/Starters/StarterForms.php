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
        $business = ['business' => mb_strimwidth($d->sender->business, 0, 120, '…')];
        [$name, $button, $consent] = match ($goal) {
            Goal::WaitingList, Goal::Launch => ['Waiting list form', $d->say('Put me on the list'),
                $d->say('Yes, :business may email me when the doors open, and now and then before. I can unsubscribe at any time.',
                    $business)],
            Goal::Webinar => ['Registration form', $d->say('Keep me a place'),
                $d->say('Yes, email me about this webinar, and the occasional email from :business afterwards. I can unsubscribe at any '
                    .'time.', $business)],
            Goal::VideoSeries => ['Sign-up form', $d->say('Show me the first video'),
                $d->say('Yes, email me the videos and the occasional email from :business. I can unsubscribe at any time.', $business)],
            Goal::Form => ['Form', $d->say('Send'), $d->say('Yes, :business may write to me by email. I can unsubscribe at any time.',
                $business)],
            default => ['Sign-up form', $d->say('Send it to me'),
                $d->say('Yes, email me this and the occasional email from :business. I can unsubscribe at any time.', $business)],
        };
        $tag = trim(mb_substr($d->title, 0, 60));

        return new FormPlan($d->id(), $name, [
            new FormField(FieldKind::FirstName, $d->say('First name'), false),
            new FormField(FieldKind::Email, $d->say('Email address'), true),
        ], $button, $consent, false, [$tag === '' ? 'New' : $tag], webinar: $goal === Goal::Webinar ? $d->webinar->id ?? '' : '');
    }
}
