<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Section;
use Lantern\Core\Plan\PageRole;

/** The pages of the starters: one for each role, and longer ones where a goal asks for them. */
final class StarterPages
{
    /** A page of a role as it begins in a funnel of any kind. */
    public static function of(PageRole $role, StarterDesk $d, int $number = 1): Document
    {
        return match ($role) {
            PageRole::OptIn => self::optIn($d),
            PageRole::Registration => self::registration($d),
            PageRole::Form => self::formOnly($d),
            PageRole::ThankYou => self::thankYou($d),
            PageRole::Confirmation => self::confirmation($d),
            PageRole::Lesson => self::lesson($d, $number, null),
            PageRole::Room => self::room($d),
            PageRole::Replay => self::replay($d),
            PageRole::Sales => StarterSales::sales($d),
            PageRole::Checkout => StarterSales::checkout($d),
            PageRole::Upsell => StarterSales::upsell($d),
            PageRole::Downsell => StarterSales::downsell($d),
            PageRole::Delivery => StarterSales::delivery($d),
            PageRole::Closed => self::closed($d),
            PageRole::Free => self::page($d->section('words-centred', $d->heading('[A heading for this page]'),
                $d->text('[What this page is about]')), $d->footer()),
        };
    }

    public static function optIn(StarterDesk $d): Document
    {
        $hasLeadMagnet = $d->leadMagnet !== null;

        return self::page($d->section($hasLeadMagnet ? 'opening-picture-right' : 'opening-centred',
            $d->heading($d->title),
            $d->text('Free for you. Tell me where to send it, and it is in your inbox in a minute.'),
            $d->formBlock(), ...($hasLeadMagnet ? [$d->cover()] : [])), $d->footer());
    }

    public static function longOptIn(StarterDesk $d): Document
    {
        $opening = $d->section('opening-picture-right', $d->eyebrow('Free for you'), $d->heading($d->title),
            $d->text('Short enough for one sitting, useful from the first page. Tell me where to send it, and it is in your inbox in a '
                .'minute.'),
            $d->formBlock(), $d->cover());

        return self::page(
            $d->section('header-centred', $d->logo()),
            $opening,
            $d->section('learn-icons', $d->heading('What you will take away'), $d->points([
                ['lamp', 'A place to begin', 'One clear first step for this week, small enough that you will take it.'],
                ['path', 'An order to go in', 'What comes first, what can wait, and what you may leave out altogether.'],
                ['clock', 'Time saved', 'The detours nearly everyone takes at the start, so that you need not take them too.'],
            ])),
            $d->section('fit-cards', $d->heading('Is it for you?'), $d->fit(
                ['you are starting, or starting again', 'you have little time and want to use it well',
                    'you like plain words better than big promises'],
                ['you look for a trick that does the work for you', 'you have been doing this for years'])),
            $d->section('host-left', $d->eyebrow('Who is writing'), $d->heading('I am {{host}}'),
                $d->text('I have helped people with this for years, one at a time, and the same questions come up again and again. This '
                    .'is the answer I wish somebody had handed me at the beginning.'), $d->picture()),
            $d->section('questions-folded', $d->heading('Questions people ask'), $d->questions([
                'What does it cost?' => 'Nothing. You give me your email address, and I write to you now and then.',
                'Will I drown in emails?' => 'No. An email when there is something to say, and one click takes you off the list.',
                'How long does it take?' => 'A quarter of an hour to read. Then it is there whenever you want to look something up.',
            ])),
            $d->section('action-band', $d->heading('It is ready when you are'), $d->button('Send it to me', 'section:'.$opening->id)),
            $d->footer(),
        );
    }

    public static function waitingList(StarterDesk $d): Document
    {
        return self::page($d->section('opening-centred', $d->eyebrow('Not open yet'), $d->heading("{$d->title}: be the first to know"),
            $d->text('The doors are closed for now. Leave your address, and you will hear before anyone else when they open.'),
            $d->formBlock()),
            $d->section('learn-cards', $d->heading('What the list is good for'), $d->points([
                ['calendar', 'The date, first', 'You know when the doors open before it stands anywhere else.'],
                ['people', 'A place for you', 'Places are few. Whoever is on the list chooses first.'],
                ['speech', 'A say in it', 'I ask the list what it needs most, and build accordingly.'],
            ])), $d->footer());
    }

    public static function formOnly(StarterDesk $d): Document
    {
        return self::page($d->section('opening-card', $d->logo(), $d->heading($d->title),
            $d->text('Leave your name and address here, and I will be in touch.'), $d->formBlock()), $d->footer());
    }

    public static function thankYou(StarterDesk $d): Document
    {
        $title = $d->titleHtml();
        $blocks = $d->leadMagnet !== null
            ? [$d->heading('It is yours, {{first_name|friend}}.'),
                $d->text("“{$title}” is ready. A copy is on its way to your inbox as well; if you cannot see it in five minutes, "
                    .'have a look in the spam folder.'), $d->download()]
            : [$d->heading('Thank you, {{first_name|friend}}.'),
                $d->text('A first email is on its way to your inbox. If you cannot see it in five minutes, have a look in the spam '
                    .'folder.')];

        return self::page($d->section('opening-card', ...$blocks), $d->footer());
    }

    public static function onTheList(StarterDesk $d): Document
    {
        return self::page($d->section('opening-card', $d->heading('You are on the list, {{first_name|friend}}.'),
            $d->text("As soon as there is news about “{$d->titleHtml()}”, you will read it in your inbox first.")), $d->footer());
    }

    public static function registration(StarterDesk $d): Document
    {
        return self::page(
            $d->section('opening-form-right', $d->eyebrow('A free webinar with {{host}}'), $d->heading($d->title),
                $d->text($d->isLive() ? 'An hour together, live. I show you how it is done, and you ask whatever you like.'
                    : 'I show you how it is done, from beginning to end. What you would like to ask reaches me by email.'),
                $d->bullets('What to do first, and why most people begin at the wrong end',
                    'The method I use with everyone I teach, step by step',
                    'What to do in the week afterwards, so that something comes of it'),
                $d->formBlock()),
            $d->section('agenda-line', $d->heading('How the hour goes'), $d->agenda([
                ['0:00', 'Welcome', 'Who is here, and what you would like to take home.'],
                ['0:10', 'The method', 'Shown from beginning to end, slowly enough to follow.'],
                ['0:40', 'Where to go from here', 'How to carry on by yourself, and how we could work together.'],
                ['0:50', 'Your questions', $d->isLive() ? 'All of them, for as long as it takes.' : 'Send them while you watch; I '
                    .'answer each one.'],
            ])),
            $d->section('host-right', $d->eyebrow('Your host'), $d->heading('I am {{host}}'),
                $d->text('I teach this for a living, mostly to people who thought it was too late for them. I have yet to meet the one '
                    .'for whom it was.'), $d->picture()),
            $d->footer(),
        );
    }

    public static function confirmation(StarterDesk $d): Document
    {
        return self::page(
            $d->section('opening-card', $d->eyebrow('Your place is kept'), $d->heading('See you there, {{first_name|friend}}.'),
                $d->text("You are registered for “{$d->titleHtml()}”. The link to the room is on its way to your inbox."),
                ...($d->webinar === null ? [] : [$d->webinarBlock(BlockKind::Session, 'Your session')])),
            $d->section('learn-steps', $d->heading('Three things to do now'), $d->points([
                ['calendar', 'Put it in your calendar', 'An hour without interruptions is worth two with them.'],
                ['note', 'Write down one question', 'The one you would ask if nobody else were listening.'],
                ['speech', 'Answer my email', 'Tell me what you hope for, and I will prepare for it.'],
            ])),
            $d->footer(),
        );
    }

    /** @param  string|null  $next  the name of the page that comes after it */
    public static function lesson(StarterDesk $d, int $number, ?string $next): Document
    {
        [$heading, $words, $points] = [
            1 => ['The first step, and why it comes first',
                'Watch this before anything else: it saves you the detour nearly everyone takes.',
                ['Where you stand today', 'The one thing to change first', 'What to try before the next video']],
            2 => ['The method, from beginning to end', 'Now that you know where you stand: how it is done, shown slowly.',
                ['The three parts of it', 'What a good day looks like', 'What to do on a bad one']],
            3 => ['What it looks like in real life',
                'A whole week, with everything that goes wrong in it, and how to carry on by yourself.',
                ['A week from Monday to Sunday', 'How you notice that it works', 'Where to go from here']],
        ][$number] ?? ["Video {$number}", 'Watch it in one go; it is short.', ['What it is about', 'What to try afterwards']];

        return self::page(
            $d->section('header-centred', $d->logo()),
            $d->section('opening-video', $d->eyebrow("Video {$number}"), $d->heading($heading), $d->text($words), $d->video($heading),
                ...($next === null ? []
                    : [$d->button($number === 3 ? 'How we can go on together' : 'On to video '.($number + 1), $d->link($next))])),
            $d->section('learn-columns', $d->heading('What is in it'), $d->bullets(...$points)),
            $d->footer(),
        );
    }

    public static function room(StarterDesk $d): Document
    {
        return self::page(
            $d->section('video-dark', $d->eyebrow('You are in the room'), $d->heading($d->title),
                ...($d->webinar === null ? [$d->video($d->title), $d->button('To the offer from the webinar', 'outcome:attended')]
                    : [$d->webinarBlock(BlockKind::Room)])),
            $d->section('words-centred',
                $d->text('You hear nothing? Load the page again, or try another browser. Everything I show is in the replay as well.')),
            $d->footer(),
        );
    }

    public static function replay(StarterDesk $d): Document
    {
        return self::page(
            $d->section('opening-video', $d->eyebrow('The replay'), $d->heading($d->title),
                $d->text('You could not be there, or want to see it once more? Here is the whole hour. It stays up for a few days only.'),
                $d->webinar === null ? $d->video($d->title)
                    : $d->webinarBlock(BlockKind::Replay, 'The replay is over. It was open for a few days; the programme is still open.'),
                ...($d->link('sales') === '' ? [] : [$d->button('See the offer', $d->link('sales'))])),
            $d->section('agenda-table', $d->heading('Where to find what'), $d->agenda([
                ['0:00', 'Welcome', ''], ['0:10', 'The method, step by step', ''], ['0:40', 'Where to go from here', ''],
                ['0:50', 'Questions and answers', ''],
            ])),
            $d->footer(),
        );
    }

    public static function closed(StarterDesk $d): Document
    {
        return self::page($d->section('opening-card', $d->eyebrow('The doors are closed'), $d->heading('This is over for now'),
            $d->text('They open again, usually twice a year. If you are on my list, you will be the first to read about it.')),
            $d->footer());
    }

    public static function page(Section ...$sections): Document
    {
        return new Document(array_values($sections), Background::paper());
    }
}
