<?php

declare(strict_types=1);

namespace App\Mail\Emails;

use App\Models\Message;
use App\Support\RichText;
use Lantern\Core\Page\Look\Colour;

/** A new download link for somebody whose link has run out. */
final class NewLinkMessage extends KindOfMessage
{
    public function source(Message $message): EmailSource
    {
        $title = DownloadLink::delivery($message)?->leadMagnet->name ?? 'your download';

        return new EmailSource('Your new download link', RichText::email('<p>Hello {{first_name|there}},</p><p>here is a new link to “'
            .e($title).'”:</p><p><a href="{{download_link}}">Download it now</a></p><p>You asked for it on our page. If that was not '
                .'you, nothing needs doing.</p>'),
            Colour::of(EmailSource::ACCENT), tracked: false);
    }
}
