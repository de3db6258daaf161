<?php

declare(strict_types=1);

namespace App\Forms;

use App\Languages\ConfirmSaid;
use App\Languages\Voices;
use App\Mail\Emails\EmailSource;
use App\Mail\Emails\KindOfMessage;
use App\Models\Confirmation;
use App\Models\Message;
use App\Support\RichText;

/** The question whether an address is theirs. Whoever is asked is on no list yet, so there is nothing to unsubscribe from. */
final class ConfirmationMessage extends KindOfMessage
{
    public function source(Message $message): ?EmailSource
    {
        $plan = self::plan($message);
        $confirmation = Confirmation::query()->with('submission.version')->where('id', $message->content['confirmation'] ?? '')->first();
        if ($plan === null || $confirmation === null) {
            return null;
        }
        $form = $confirmation->submission->form_id;
        $words = ($plan->form($form) ?? $confirmation->submission->version->plan()->form($form))?->confirm;

        if ($words === null) {
            return null;
        }
        $version = $confirmation->submission->version->plan();
        $page = $version->page($confirmation->submission->page_id);
        $language = $page === null ? $plan->language : $version->languageOf($page);
        $voice = Voices::of($language, $message->business, $version->phrases());
        $words = ConfirmSaid::whole($words, $voice);

        return new EmailSource($words->subject, RichText::email($words->body.'<p><a href="{{confirm_link}}">'.e($words->button).'</a></p>'
            .'<p>'.e($voice->say('confirm.not_you')).'</p>'), $plan->look()->accent,
            ['confirm_link' => Confirmations::link($confirmation)]
                + EmailSource::fieldsOf($plan, $message->business, $message->funnel->address ?? $plan->address), false, $language);
    }

    public function canBeLeft(): bool
    {
        return false;
    }
}
