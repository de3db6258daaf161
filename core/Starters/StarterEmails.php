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
        $title = $d->titleHtml();
        $link = fn (string $page, string $words): string => '<p><a href="{{page_'.$d->page($page).'}}">'.$words.'</a></p>';
        $email = fn (string $name, string $subject, string $words, ?Delay $delay = null): array => [
            'name' => $name,
            'subject' => mb_substr($subject, 0, 200),
            'body' => "<p>Hello {{first_name|there}},</p>{$words}<p>Warmly,<br>{$d->signed()}</p>",
            'delay' => $delay ?? Delay::atOnce(),
        ];

        return match ($goal) {
            Goal::GiveAway, Goal::LongOptIn => [$email('Welcome email', 'Here it is: '.$d->title,
                "<p>thank you for asking for “{$title}”. Here is your copy:</p><p><a href=\"{{download_link}}\">Download it now</a></p>"
                .'<p>Set a quarter of an hour aside for it this week. Then hit reply and tell me how it went: I read every answer.</p>')],
            Goal::WaitingList => [$email('Welcome to the list', 'You are on the list: '.$d->title,
                "<p>you are on the waiting list for “{$title}”. You will hear from me before anyone else.</p>"
                .'<p>One question until then: what would you most like to get out of it? Hit reply and tell me.</p>')],
            Goal::Form => [$email('Thank you', 'Thank you: '.$d->title,
                "<p>thank you for filling in “{$title}”. It has arrived, and I will be in touch.</p><p>If something else comes to "
                    .'your mind, hit reply.</p>')],
            Goal::VideoSeries => [
                $email('Video 1', 'Your first video: '.$d->title,
                    '<p>good to have you here. The first video is ready, and it takes a quarter of an hour:</p>'
                        .$link('lesson-1', 'Watch video 1')
                        .'<p>Try the one thing I show at the end. The next video comes the day after tomorrow.</p>'),
                $email('Video 2', 'Video 2: the method',
                    '<p>how did the first step go? Here is the second video. It shows the whole method, slowly:</p>'
                        .$link('lesson-2', 'Watch video 2'), Delay::days(2, 9)),
                $email('Video 3', 'Video 3: in real life',
                    '<p>the last of the three: a whole week, with everything that goes wrong in it.</p>'.$link('lesson-3', 'Watch video 3')
                        .'<p>Tomorrow I will write about how we could go on together.</p>', Delay::days(4, 9)),
                $email('The offer', 'How we can go on together',
                    '<p>you have seen how it is done. If you would like somebody beside you while you do it, this is for you:</p>'
                        .$link('sales', 'See the programme').'<p>And if not: keep the videos, and carry on. You know enough to begin.</p>',
                    Delay::days(5, 9)),
            ],
            Goal::Webinar, Goal::Sell, Goal::Launch, Goal::Own => [],
        };
    }
}
