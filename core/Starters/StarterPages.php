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
            PageRole::Free, PageRole::Guide => self::page($d->section('words-centred', $d->heading($d->say('[A heading for this page]')),
                $d->text($d->say('[What this page is about]'))), $d->footer()),
        };
    }

    public static function optIn(StarterDesk $d): Document
    {
        $hasLeadMagnet = $d->leadMagnet !== null;

        return self::page($d->section($hasLeadMagnet ? 'opening-picture-right' : 'opening-centred',
            $d->heading($d->title),
            $d->text($d->say('Free for you. Tell me where to send it, and it is in your inbox in a minute.')),
            $d->formBlock(), ...($hasLeadMagnet ? [$d->cover()] : [])), $d->footer());
    }

    public static function longOptIn(StarterDesk $d): Document
    {
        $opening = $d->section('opening-picture-right', $d->eyebrow($d->say('Free for you')), $d->heading($d->title),
            $d->text($d->say('Short enough for one sitting, useful from the first page. Tell me where to send it, and it is in your '
                .'inbox in a minute.')),
            $d->formBlock(), $d->cover());

        return self::page(
            $d->section('header-centred', $d->logo()),
            $opening,
            $d->section('learn-icons', $d->heading($d->say('What you will take away')), $d->points([
                ['lamp', $d->say('A place to begin'), $d->say('One clear first step for this week, small enough that you will take it.')],
                ['path', $d->say('An order to go in'), $d->say('What comes first, what can wait, and what you may leave out altogether.')],
                ['clock', $d->say('Time saved'),
                    $d->say('The detours nearly everyone takes at the start, so that you need not take them too.')],
            ])),
            $d->section('fit-cards', $d->heading($d->say('Is it for you?')), $d->fit(
                [$d->say('you are starting, or starting again'), $d->say('you have little time and want to use it well'),
                    $d->say('you like plain words better than big promises')],
                [$d->say('you look for a trick that does the work for you'), $d->say('you have been doing this for years')])),
            $d->section('host-left', $d->eyebrow($d->say('Who is writing')), $d->heading($d->say('I am {{host}}')),
                $d->text($d->say('I have helped people with this for years, one at a time, and the same questions come up again and '
                    .'again. This is the answer I wish somebody had handed me at the beginning.')), $d->picture()),
            $d->section('questions-folded', $d->heading($d->say('Questions people ask')), $d->questions([
                $d->say('What does it cost?') => $d->say('Nothing. You give me your email address, and I write to you now and then.'),
                $d->say('Will I drown in emails?') => $d->say('No. An email when there is something to say, and one click takes you off '
                    .'the list.'),
                $d->say('How long does it take?') => $d->say('A quarter of an hour to read. Then it is there whenever you want to look '
                    .'something up.'),
            ])),
            $d->section('action-band', $d->heading($d->say('It is ready when you are')),
                $d->button($d->say('Send it to me'), 'section:'.$opening->id)),
            $d->footer(),
        );
    }

    public static function waitingList(StarterDesk $d): Document
    {
        return self::page($d->section('opening-centred', $d->eyebrow($d->say('Not open yet')),
            $d->heading($d->say(':title: be the first to know', ['title' => $d->title])),
            $d->text($d->say('The doors are closed for now. Leave your address, and you will hear before anyone else when they open.')),
            $d->formBlock()),
            $d->section('learn-cards', $d->heading($d->say('What the list is good for')), $d->points([
                ['calendar', $d->say('The date, first'), $d->say('You know when the doors open before it stands anywhere else.')],
                ['people', $d->say('A place for you'), $d->say('Places are few. Whoever is on the list chooses first.')],
                ['speech', $d->say('A say in it'), $d->say('I ask the list what it needs most, and build accordingly.')],
            ])), $d->footer());
    }

    public static function formOnly(StarterDesk $d): Document
    {
        return self::page($d->section('opening-card', $d->logo(), $d->heading($d->title),
            $d->text($d->say('Leave your name and address here, and I will be in touch.')), $d->formBlock()), $d->footer());
    }

    public static function thankYou(StarterDesk $d): Document
    {
        $title = $d->titleHtml();
        $blocks = $d->leadMagnet !== null
            ? [$d->heading($d->say('It is yours, {{first_name|friend}}.')),
                $d->text($d->say('“:title” is ready. A copy is on its way to your inbox as well; if you cannot see it in five minutes, '
                    .'have a look in the spam folder.', ['title' => $title])), $d->download()]
            : [$d->heading($d->say('Thank you, {{first_name|friend}}.')),
                $d->text($d->say('A first email is on its way to your inbox. If you cannot see it in five minutes, have a look in the spam '
                    .'folder.'))];

        return self::page($d->section('opening-card', ...$blocks), $d->footer());
    }

    public static function onTheList(StarterDesk $d): Document
    {
        return self::page($d->section('opening-card', $d->heading($d->say('You are on the list, {{first_name|friend}}.')),
            $d->text($d->say('As soon as there is news about “:title”, you will read it in your inbox first.',
                ['title' => $d->titleHtml()]))), $d->footer());
    }

    public static function registration(StarterDesk $d): Document
    {
        return self::page(
            $d->section('opening-form-right', $d->eyebrow($d->say('A free webinar with {{host}}')), $d->heading($d->title),
                $d->text($d->isLive() ? $d->say('An hour together, live. I show you how it is done, and you ask whatever you like.')
                    : $d->say('I show you how it is done, from beginning to end. What you would like to ask reaches me by email.')),
                $d->bullets($d->say('What to do first, and why most people begin at the wrong end'),
                    $d->say('The method I use with everyone I teach, step by step'),
                    $d->say('What to do in the week afterwards, so that something comes of it')),
                $d->formBlock()),
            $d->section('agenda-line', $d->heading($d->say('How the hour goes')), $d->agenda([
                ['0:00', $d->say('Welcome'), $d->say('Who is here, and what you would like to take home.')],
                ['0:10', $d->say('The method'), $d->say('Shown from beginning to end, slowly enough to follow.')],
                ['0:40', $d->say('Where to go from here'), $d->say('How to carry on by yourself, and how we could work together.')],
                ['0:50', $d->say('Your questions'), $d->isLive() ? $d->say('All of them, for as long as it takes.')
                    : $d->say('Send them while you watch; I '
                    .'answer each one.')],
            ])),
            $d->section('host-right', $d->eyebrow($d->say('Your host')), $d->heading($d->say('I am {{host}}')),
                $d->text($d->say('I teach this for a living, mostly to people who thought it was too late for them. I have yet to meet '
                    .'the one for whom it was.')), $d->picture()),
            $d->footer(),
        );
    }

    public static function confirmation(StarterDesk $d): Document
    {
        return self::page(
            $d->section('opening-card', $d->eyebrow($d->say('Your place is kept')),
                $d->heading($d->say('See you there, {{first_name|friend}}.')),
                $d->text($d->say('You are registered for “:title”. The link to the room is on its way to your inbox.',
                    ['title' => $d->titleHtml()])),
                ...($d->webinar === null ? [] : [$d->webinarBlock(BlockKind::Session, $d->say('Your session'))])),
            $d->section('learn-steps', $d->heading($d->say('Three things to do now')), $d->points([
                ['calendar', $d->say('Put it in your calendar'), $d->say('An hour without interruptions is worth two with them.')],
                ['note', $d->say('Write down one question'), $d->say('The one you would ask if nobody else were listening.')],
                ['speech', $d->say('Answer my email'), $d->say('Tell me what you hope for, and I will prepare for it.')],
            ])),
            $d->footer(),
        );
    }

    /** @param  string|null  $next  the name of the page that comes after it */
    public static function lesson(StarterDesk $d, int $number, ?string $next): Document
    {
        [$heading, $words, $points] = [
            1 => [$d->say('The first step, and why it comes first'),
                $d->say('Watch this before anything else: it saves you the detour nearly everyone takes.'),
                [$d->say('Where you stand today'), $d->say('The one thing to change first'), $d->say('What to try before the next video')]],
            2 => [$d->say('The method, from beginning to end'), $d->say('Now that you know where you stand: how it is done, shown slowly.'),
                [$d->say('The three parts of it'), $d->say('What a good day looks like'), $d->say('What to do on a bad one')]],
            3 => [$d->say('What it looks like in real life'),
                $d->say('A whole week, with everything that goes wrong in it, and how to carry on by yourself.'),
                [$d->say('A week from Monday to Sunday'), $d->say('How you notice that it works'), $d->say('Where to go from here')]],
        ][$number] ?? [$d->say('Video :number', ['number' => (string) $number]), $d->say('Watch it in one go; it is short.'),
            [$d->say('What it is about'), $d->say('What to try afterwards')]];

        return self::page(
            $d->section('header-centred', $d->logo()),
            $d->section('opening-video', $d->eyebrow($d->say('Video :number', ['number' => (string) $number])), $d->heading($heading),
                $d->text($words), $d->video($heading),
                ...($next === null ? []
                    : [$d->button($number === 3 ? $d->say('How we can go on together')
                        : $d->say('On to video :number', ['number' => (string) ($number + 1)]), $d->link($next))])),
            $d->section('learn-columns', $d->heading($d->say('What is in it')), $d->bullets(...$points)),
            $d->footer(),
        );
    }

    public static function room(StarterDesk $d): Document
    {
        return self::page(
            $d->section('video-dark', $d->eyebrow($d->say('You are in the room')), $d->heading($d->title),
                ...($d->webinar === null ? [$d->video($d->title), $d->button($d->say('To the offer from the webinar'), 'outcome:attended')]
                    : [$d->webinarBlock(BlockKind::Room)])),
            $d->section('words-centred',
                $d->text($d->say('You hear nothing? Load the page again, or try another browser. Everything I show is in the replay as '
                    .'well.'))),
            $d->footer(),
        );
    }

    public static function replay(StarterDesk $d): Document
    {
        return self::page(
            $d->section('opening-video', $d->eyebrow($d->say('The replay')), $d->heading($d->title),
                $d->text($d->say('You could not be there, or want to see it once more? Here is the whole hour. It stays up for a few '
                    .'days only.')),
                $d->webinar === null ? $d->video($d->title)
                    : $d->webinarBlock(BlockKind::Replay,
                        $d->say('The replay is over. It was open for a few days; the programme is still open.')),
                ...($d->link('sales') === '' ? [] : [$d->button($d->say('See the offer'), $d->link('sales'))])),
            $d->section('agenda-table', $d->heading($d->say('Where to find what')), $d->agenda([
                ['0:00', $d->say('Welcome'), ''], ['0:10', $d->say('The method, step by step'), ''],
                ['0:40', $d->say('Where to go from here'), ''],
                ['0:50', $d->say('Questions and answers'), ''],
            ])),
            $d->footer(),
        );
    }

    public static function closed(StarterDesk $d): Document
    {
        return self::page($d->section('opening-card', $d->eyebrow($d->say('The doors are closed')),
            $d->heading($d->say('This is over for now')),
            $d->text($d->say('They open again, usually twice a year. If you are on my list, you will be the first to read about it.'))),
            $d->footer());
    }

    public static function page(Section ...$sections): Document
    {
        return new Document(array_values($sections), Background::paper());
    }
}
