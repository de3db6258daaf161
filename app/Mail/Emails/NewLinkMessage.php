<?php

declare(strict_types=1);

namespace App\Mail\Emails;

use App\Languages\Voices;
use App\Models\Message;
use Lantern\Core\Page\Look\Colour;

/** A new download link for somebody whose link has run out. */
final class NewLinkMessage extends KindOfMessage
{
    public function source(Message $message): EmailSource
    {
        $file = DownloadLink::delivery($message)?->leadMagnet?->name;
        $voice = Voices::ofMessage($message);
        $language = $voice->language()->tag;
        $body = (new SaidBody($voice))->hello();
        $file === null ? $body->say('mail.link.here_unnamed') : $body->say('mail.link.here', ['file' => $file]);

        return new EmailSource($voice->say('mail.link.subject'), $body->link('mail.link.download', '{{download_link}}')
            ->say('mail.link.not_you')->done(), Colour::of(EmailSource::ACCENT), tracked: false, language: $language);
    }
}
