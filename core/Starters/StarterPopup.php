<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Section;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Popups\AfterJoining;
use Lantern\Core\Popups\Entry;
use Lantern\Core\Popups\Frame;
use Lantern\Core\Popups\Limits;
use Lantern\Core\Popups\Placement;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\PopupDesigns;
use Lantern\Core\Popups\PopupTrigger;
use Lantern\Core\Popups\Size;
use Lantern\Core\Popups\Targeting;
use Lantern\Core\Popups\TriggerKind;

/**
 * The one discreet pop-up of a starter: for whoever is about to leave the first page, and off until its owner switches it on. It
 * asks a question first, whose no is as plain as its yes.
 */
final class StarterPopup
{
    public static function of(Goal $goal, StarterDesk $desk, ?FormPlan $form): Popup
    {
        $newId = $desk->id(...);
        [$question, $yes, $heading, $text] = self::words($goal, $desk);
        $main = PopupDesigns::get('popup-card')->section($newId, ['form' => $form->id ?? '']);
        $main = $main->with(array_map(fn (Block $b): Block => match ($b->kind) {
            BlockKind::Heading => $b->with(['text' => $heading]),
            BlockKind::Text => $b->with(['html' => $text]),
            default => $form !== null ? $b : new Block($newId(), BlockKind::Button, ['text' => $desk->say('Write to me'),
                'url' => $desk->sender->address === '' ? '' : "mailto:{$desk->sender->address}"]),
        }, $main->blocks));
        $asked = PopupDesigns::question($newId);
        $asked = $asked->with(array_map(fn (Block $b): Block => match (true) {
            $b->kind === BlockKind::Heading => $b->with(['text' => $question]),
            $b->field('url') === 'popup:next' => $b->with(['text' => $yes]),
            default => $b->with(['text' => $desk->say($b->field('text'))]),
        }, $asked->blocks));
        $sections = [$asked, $main, ...($form === null ? [] : [self::thanks($desk)])];

        return new Popup($desk->id(), 'Before they leave', new Document($sections, Background::paper()), asks: true,
            frame: new Frame(Placement::Middle, Size::Small, entry: Entry::Rise), triggers: [new PopupTrigger(TriggerKind::Leaving)],
            targeting: new Targeting('some', [$desk->page(self::page($goal))]), limits: new Limits('days', 30, 2, 90, 1, 30),
            after: $form === null ? new AfterJoining('page') : new AfterJoining);
    }

    private static function thanks(StarterDesk $desk): Section
    {
        $thanks = PopupDesigns::thanks($desk->id(...));

        return $thanks->with(array_map(fn (Block $b): Block => $b->with(array_map($desk->say(...), $b->fields)), $thanks->blocks));
    }

    /** The page that people come to first. */
    private static function page(Goal $goal): string
    {
        return match ($goal) {
            Goal::Webinar => 'registration',
            Goal::Form => 'form',
            Goal::Sell => 'sales',
            Goal::Launch => 'introductory',
            default => 'opt-in',
        };
    }

    /** @return array{string, string, string, string} the question, its yes, and the heading and text of what it leads to */
    private static function words(Goal $goal, StarterDesk $desk): array
    {
        return match ($goal) {
            Goal::GiveAway, Goal::LongOptIn => [$desk->say('Would you like to take it along?'), $desk->say('Yes, send it to me'),
                $desk->title,
                $desk->say('Free, and in your inbox in a minute.')],
            Goal::VideoSeries => [$desk->say('Would you like to see the first video?'), $desk->say('Yes, show me'),
                $desk->say('The first video is free'),
                $desk->say('Tell me where to send it. The others follow in the days after.')],
            Goal::Webinar => [$desk->say('Shall I keep a seat for you?'), $desk->say('Yes, keep me one'), $desk->say('Your seat'),
                $desk->say('It is free. Everything you need to come in arrives by email.')],
            Goal::Sell => [$desk->say('Is there a question I can answer?'), $desk->say('Yes, there is'), $desk->say('Write to me'),
                $desk->say('One line is enough. I read every question, and answer it myself.')],
            Goal::WaitingList, Goal::Launch => [$desk->say('Shall I tell you when it opens?'), $desk->say('Yes, tell me'),
                $desk->say('You will hear first'),
                $desk->say('One email when the doors open, and nothing you did not ask for.')],
            Goal::Form, Goal::Own => [$desk->say('Shall I get back to you?'), $desk->say('Yes, please'), $desk->say('Leave me a line'),
                $desk->say('I read it, and answer myself.')],
        };
    }
}
