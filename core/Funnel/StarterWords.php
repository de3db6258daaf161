<?php

declare(strict_types=1);

namespace Lantern\Core\Funnel;

use Lantern\Core\Email\Delay;

/**
 * The words of the starters: whole sentences that hold for any title, so that a funnel can go live as it is.
 *
 * @phpstan-type Words array{formName: string, button: string, consent: string, tag: string, headline: string,
 *     lead: string, thanks: string, next: string, footer: string,
 *     emails: list<array{name: string, subject: string, body: string, delay: Delay}>}
 */
final class StarterWords
{
    /** @return Words */
    public static function for(Goal $goal, string $title, Sender $sender): array
    {
        $html = htmlspecialchars($title, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5);
        $business = $sender->business;
        $from = htmlspecialchars($business, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5);
        $signed = htmlspecialchars(trim($sender->name) === '' ? $business : $sender->name, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5);
        $footer = "{$from} · You can unsubscribe from any email with one click.";

        return match ($goal) {
            Goal::GiveAway => [
                'formName' => 'Sign-up form',
                'button' => 'Send it to me',
                'consent' => "Yes, email me this and the occasional letter from {$business}. I can unsubscribe at any time.",
                'tag' => self::tag($title),
                'headline' => $title,
                'lead' => 'Free for you. Tell me where to send it, and it is in your inbox in a minute.',
                'thanks' => 'It is yours, {{first_name|friend}}.',
                'next' => "“{$html}” is ready. A copy is on its way to your inbox as well; if you cannot see it in five minutes, have a look in the spam folder.",
                'footer' => $footer,
                'emails' => [[
                    'name' => 'Welcome email',
                    'subject' => self::subject('Here it is: ', $title),
                    'body' => "<p>Hello {{first_name|there}},</p><p>thank you for asking for “{$html}”. Here is your copy:</p>"
                        .'<p><a href="{{download_link}}">Download it now</a></p>'
                        .'<p>Set a quarter of an hour aside for it this week. Then hit reply and tell me how it went: I read every answer.</p>'
                        ."<p>Warmly,<br>{$signed}</p>",
                    'delay' => Delay::atOnce(),
                ]],
            ],
            Goal::WaitingList => [
                'formName' => 'Waiting list form',
                'button' => 'Put me on the list',
                'consent' => "Yes, {$business} may email me when the doors open, and now and then before. I can unsubscribe at any time.",
                'tag' => self::tag($title),
                'headline' => "{$title}: be the first to know",
                'lead' => 'The doors are closed for now. Leave your address, and you will hear before anyone else when they open.',
                'thanks' => 'You are on the list, {{first_name|friend}}.',
                'next' => "As soon as there is news about “{$html}”, you will read it in your inbox first.",
                'footer' => $footer,
                'emails' => [[
                    'name' => 'Welcome to the list',
                    'subject' => self::subject('You are on the list: ', $title),
                    'body' => "<p>Hello {{first_name|there}},</p><p>you are on the waiting list for “{$html}”. You will hear from me before anyone else.</p>"
                        .'<p>One question until then: what would you most like to get out of it? Hit reply and tell me.</p>'
                        ."<p>Warmly,<br>{$signed}</p>",
                    'delay' => Delay::atOnce(),
                ]],
            ],
        };
    }

    private static function subject(string $before, string $title): string
    {
        return mb_substr($before.$title, 0, 200);
    }

    private static function tag(string $title): string
    {
        $tag = trim(mb_substr($title, 0, 60));

        return $tag === '' ? 'New' : $tag;
    }
}
