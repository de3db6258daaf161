<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

use Lantern\Core\Guides\Guide;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Section;

/** The guide of a starter: a cover, four pages to fill in, and a last one with the next step. */
final class StarterGuide
{
    /** @return list<GuidePage> */
    public static function pages(StarterDesk $d, Guide $guide): array
    {
        return [
            self::page($d, $guide, $d->say('Cover'), $d->section('opening-picture-right', $d->eyebrow($d->say('A guide by {{host}}')),
                $d->heading($guide->title),
                $d->text($d->say('Short enough for one sitting. Take something to write with, and begin.')), $d->cover())),
            self::page($d, $guide, $d->say('Before you begin'), $d->section('words-left', $d->heading($d->say('Before you begin')),
                $d->text($d->say('<p>[Who this is for, and what they are able to do afterwards]</p><p>[Why it is easier than they '
                    .'think]</p>'))),
                $d->section('exercise-question', $d->heading($d->say('Your turn')),
                    $d->reflection($d->say('What would you most like to be different in four weeks?')))),
            self::page($d, $guide, $d->say('The first step'), $d->section('words-left', $d->heading($d->say('The first step')),
                $d->text($d->say('<p>[The one thing to do first, and how to do it]</p><p>[What most people do instead, and why it does '
                    .'not work]</p>')))),
            self::page($d, $guide, $d->say('How to go on'), $d->section('learn-steps', $d->heading($d->say('How to go on')), $d->points([
                ['path', $d->say('[The second step]'), $d->say('[One sentence about it]')],
                ['clock', $d->say('[The third step]'), $d->say('[One sentence about it]')],
                ['spark', $d->say('[The fourth step]'), $d->say('[One sentence about it]')],
            ]))),
            self::page($d, $guide, $d->say('Your list'), $d->section('exercise-list', $d->heading($d->say('Your list')),
                $d->text($d->say('Tick off what you have done. Your ticks are here when you come back.')),
                $d->checklist($d->say('[The first thing to do]'), $d->say('[The second thing to do]'),
                    $d->say('[The third thing to do]')))),
            self::page($d, $guide, $d->say('What comes next'), self::last($d)),
        ];
    }

    /** A page more, to be filled in. */
    public static function more(StarterDesk $d, Guide $guide, string $name): GuidePage
    {
        return self::page($d, $guide, $name, $d->section('words-left', $d->heading($d->say('[A heading for this page]')),
            $d->text($d->say('[What this page is about]'))));
    }

    /** The last page has the next step: the offer where the funnel has a page for it, an answer by email where it has none. */
    private static function last(StarterDesk $d): Section
    {
        $to = $d->known('sales') ? $d->link('sales') : ($d->known('checkout') ? $d->link('checkout') : '');

        return $d->section('action-card', $d->heading($d->say('What comes next')),
            $d->text($to === '' ? $d->say('You have read it all. Answer one of my emails and tell me what you will try first: I read every '
                .'answer.') : $d->say('You have read it all. If you would like somebody beside you while you do it, this is for you.')),
            ...($to === '' ? [] : [$d->button($d->say('See the programme'), $to)]));
    }

    private static function page(StarterDesk $d, Guide $guide, string $name, Section ...$sections): GuidePage
    {
        return new GuidePage($d->id(), $guide->id, mb_substr($name, 0, 120), new Document(array_values($sections), Background::paper()));
    }

    /** A page of text alone. */
    public static function written(StarterDesk $d, Guide $guide, string $name, Block ...$blocks): GuidePage
    {
        return self::page($d, $guide, $name, $d->section('words-left', ...$blocks));
    }
}
