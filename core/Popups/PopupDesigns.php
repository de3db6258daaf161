<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use Lantern\Core\Page\Arrangement;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Design\Design;
use Lantern\Core\Page\Design\Designs;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Section;
use Lantern\Core\Page\SectionKind;
use Lantern\Core\Support\Invalid;

/**
 * The designs of pop-ups: how its words are arranged ({@see Designs}), and how it stands on the screen. Going from one to
 * another keeps words and pictures.
 */
final class PopupDesigns
{
    /** Where each stands, and how large. */
    private const STANDS = [
        'popup-card' => ['middle', 'medium'], 'popup-card-dark' => ['middle', 'small'],
        'popup-picture-left' => ['middle', 'large'], 'popup-picture-right' => ['middle', 'large'],
        'popup-form-right' => ['middle', 'large'],
        'popup-full' => ['full', 'medium'], 'popup-full-picture' => ['full', 'large'],
        'popup-side' => ['side-right', 'medium'], 'popup-side-picture' => ['side-left', 'small'],
        'popup-top' => ['top', 'medium'], 'popup-bottom' => ['bottom', 'medium'],
        'popup-slip' => ['corner-right', 'small'], 'popup-slip-dark' => ['corner-left', 'small'],
        'popup-placed' => ['placed', 'medium'], 'popup-placed-beside' => ['placed', 'large'], 'popup-placed-line' => ['placed', 'large'],
    ];

    /** @return list<Design> */
    public static function all(): array
    {
        return Designs::of(SectionKind::Popup);
    }

    /** @throws Invalid when there is no such design */
    public static function get(string $id): Design
    {
        return isset(self::STANDS[$id]) ? Designs::get($id) : throw Invalid::at('design', 'There is no such design.');
    }

    public static function stand(Design $design): Placement
    {
        return Placement::from(self::STANDS[$design->id][0]);
    }

    public static function size(Design $design): Size
    {
        return Size::from(self::STANDS[$design->id][1]);
    }

    /**
     * A new pop-up, which is off. One that stands over the page is shown to whoever is about to leave.
     *
     * @param  callable(): string  $newId
     * @param  array<string, string>  $parts  ids of the parts of the funnel that it shows, by their kind
     */
    public static function fresh(string $id, string $name, Design $design, callable $newId, array $parts): Popup
    {
        $stand = self::stand($design);
        $document = new Document([$design->section($newId, $parts), self::thanks($newId)], Background::paper());

        return new Popup($id, $name, $document, frame: (new Frame)->in($stand, self::size($design)),
            triggers: $stand === Placement::Placed ? [] : [new PopupTrigger(TriggerKind::Leaving)],
            targeting: $stand === Placement::Placed ? new Targeting('none') : new Targeting);
    }

    /**
     * The pop-up in another design. Only what it offers is arranged by it; the steps before and after take on its colours.
     *
     * @param  callable(): string  $newId
     * @param  array<string, string>  $parts  likewise
     */
    public static function applied(Popup $popup, Design $design, callable $newId, array $parts): Popup
    {
        $main = $popup->main()?->id;
        $sections = array_map(function (Section $s) use ($main, $design, $newId, $parts): Section {
            $same = $design->applied($s->with(arrangement: $design->arrangement), $newId, $parts);

            return $s->id === $main ? $same : $s->with(background: $same->background);
        }, $popup->document->sections);

        return $popup->framed($popup->frame->in(self::stand($design), self::size($design)), $popup->document->with($sections));
    }

    /** The design that a pop-up is in, or comes closest to. */
    public static function nearest(Popup $popup): Design
    {
        $designs = self::all();
        $main = $popup->main();
        $score = fn (Design $d): int => ($main === null ? 0 : $d->likeness($main))
            + (self::stand($d) === $popup->frame->placement ? 20 : 0) + (self::size($d) === $popup->frame->size ? 1 : 0);
        usort($designs, fn (Design $a, Design $b): int => $score($b) <=> $score($a));

        return $designs[0];
    }

    /**
     * A question whose yes goes on, and whose no closes it: a plain no, which makes nobody say something about themselves.
     *
     * @param  callable(): string  $newId
     */
    public static function question(callable $newId): Section
    {
        return new Section($newId(), SectionKind::Popup, Arrangement::Centred, [
            new Block($newId(), BlockKind::Heading, ['text' => '[A question that a yes answers]']),
            new Block($newId(), BlockKind::Button, ['text' => 'Yes, please', 'url' => 'popup:next'], style: 'main'),
            new Block($newId(), BlockKind::Button, ['text' => 'No, thank you', 'url' => 'popup:close'], style: 'link'),
        ], Background::paper());
    }

    /** @param  callable(): string  $newId */
    public static function thanks(callable $newId): Section
    {
        return new Section($newId(), SectionKind::Popup, Arrangement::Centred, [
            new Block($newId(), BlockKind::Heading, ['text' => 'Thank you']),
            new Block($newId(), BlockKind::Text, ['html' => 'It is on its way: please look into your inbox in a minute.']),
        ], Background::paper());
    }
}
