<?php

declare(strict_types=1);

namespace App\Languages;

use Lantern\Core\Forms\ConfirmWords;

/** What is said to whoever confirms their address: the owner's own words, and the application's where there are none. */
final class ConfirmSaid
{
    /** @param  SiteVoice  $voice  in the language of the page that the form stands on */
    public static function whole(ConfirmWords $own, SiteVoice $voice): ConfirmWords
    {
        $or = fn (string $words, string $phrase): string => $words === '' ? $voice->say($phrase) : $words;
        $body = '<p>'.e($voice->hello()).'</p><p>'.e($voice->say('confirm.body', ['business' => '{{business}}'])).'</p>';

        return new ConfirmWords($or($own->title, 'confirm.title'), $or($own->text, 'confirm.text'), $or($own->subject, 'confirm.subject'),
            $own->body === '' ? $body : $own->body, $or($own->button, 'confirm.button'));
    }

    /** The words that are the owner's own: the others come with the language. */
    public static function own(ConfirmWords $whole, SiteVoice $voice): ConfirmWords
    {
        $plain = self::whole(new ConfirmWords, $voice);
        $own = fn (string $is, string $was): string => $is === $was ? '' : $is;

        return new ConfirmWords($own($whole->title, $plain->title), $own($whole->text, $plain->text),
            $own($whole->subject, $plain->subject), $own($whole->body, $plain->body), $own($whole->button, $plain->button));
    }
}
