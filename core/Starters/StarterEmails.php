<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

use Lantern\Core\Plan\Goal;
use Lantern\Core\Sequences\Delay;

/** The emails of the starters: whole emails that hold for any title, so that a funnel can go live as it is. */
final class StarterEmails
{
    /** @return list<array{name: string, subject: string, body: string, delay: Delay}> */
    public static function of(Goal $goal, StarterDesk $d): array
    {
        $title = ['title' => $d->title];
        $html = ['title' => $d->titleHtml()];
        $to = fn (string $page): array => ['link' => '{{page_'.$d->page($page).'}}'];
        $email = fn (string $name, string $subject, string $words, ?Delay $delay = null): array => [
            'name' => $name,
            'subject' => mb_substr($subject, 0, 200),
            'body' => $d->letter($words),
            'delay' => $delay ?? Delay::atOnce(),
        ];

        return match ($goal) {
            Goal::GiveAway, Goal::LongOptIn => [$email('Welcome email', $d->say('Here it is: :title', $title),
                $d->leadMagnet?->guide !== null ? self::ofGuide($d, $d->leadMagnet->guide, $d->leadMagnet->file !== null) :
                $d->say('<p>thank you for asking for “:title”. Here is your copy:</p><p><a href="{{download_link}}">Download it '
                    .'now</a></p><p>Set a quarter of an hour aside for it this week. Then hit reply and tell me how it went: I read '
                    .'every answer.</p>', $html))],
            Goal::WaitingList => [$email('Welcome to the list', $d->say('You are on the list: :title', $title),
                $d->say('<p>you are on the waiting list for “:title”. You will hear from me before anyone else.</p>'
                    .'<p>One question until then: what would you most like to get out of it? Hit reply and tell me.</p>', $html))],
            Goal::Form => [$email('Thank you', $d->say('Thank you: :title', $title),
                $d->say('<p>thank you for filling in “:title”. It has arrived, and I will be in touch.</p><p>If something else comes '
                    .'to your mind, hit reply.</p>', $html))],
            Goal::VideoSeries => [
                $email('Video 1', $d->say('Your first video: :title', $title),
                    $d->say('<p>good to have you here. The first video is ready, and it takes a quarter of an hour:</p>'
                        .'<p><a href=":link">Watch video 1</a></p><p>Try the one thing I show at the end. The next video comes the day '
                        .'after tomorrow.</p>', $to('lesson-1'))),
                $email('Video 2', $d->say('Video 2: the method'),
                    $d->say('<p>how did the first step go? Here is the second video. It shows the whole method, slowly:</p>'
                        .'<p><a href=":link">Watch video 2</a></p>', $to('lesson-2')), Delay::days(2, 9)),
                $email('Video 3', $d->say('Video 3: in real life'),
                    $d->say('<p>the last of the three: a whole week, with everything that goes wrong in it.</p>'
                        .'<p><a href=":link">Watch video 3</a></p><p>Tomorrow I will write about how we could go on together.</p>',
                        $to('lesson-3')), Delay::days(4, 9)),
                $email('The offer', $d->say('How we can go on together'),
                    $d->say('<p>you have seen how it is done. If you would like somebody beside you while you do it, this is for you:</p>'
                        .'<p><a href=":link">See the programme</a></p><p>And if not: keep the videos, and carry on. You know enough to '
                        .'begin.</p>', $to('sales')), Delay::days(5, 9)),
            ],
            Goal::Webinar, Goal::Sell, Goal::Launch, Goal::Own => [],
        };
    }

    /** Where what was asked for is read in the browser, perhaps beside a file. */
    private static function ofGuide(StarterDesk $d, string $guide, bool $file): string
    {
        return $d->say('<p>thank you for asking for “:title”. It is ready, and this link opens it where you left off, on any '
            .'device:</p>'
            .'<p><a href=":link">Read it now</a></p>', ['title' => $d->titleHtml(), 'link' => '{{page_'.$guide.'}}'])
            .($file ? $d->say('<p>Would you like it on paper? <a href="{{download_link}}">Here is the file.</a></p>') : '')
            .$d->say('<p>Set a quarter of an hour aside for it this week. Then hit reply and tell me how it went: I read every '
                .'answer.</p>');
    }
}
