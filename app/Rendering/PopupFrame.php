<?php

declare(strict_types=1);

namespace App\Rendering;

use Lantern\Core\Popups\Frame;
use Lantern\Core\Popups\Placement;
use Lantern\Core\Popups\Popup;

/** How a pop-up stands on the screen, as the classes that `resources/site/popup.css` knows. */
final class PopupFrame
{
    public static function classes(Frame $frame, Placement $stand): string
    {
        return 'pop-stage stand-'.$stand->value.' size-'.$frame->size->value.' enter-'.$frame->entry->value
            .($stand->isDialog() ? ' is-dialog back-'.$frame->backdrop->value : '');
    }

    /** @return array<string, string> what its steps are called, by the id of their section */
    public static function steps(Popup $popup): array
    {
        $steps = [];
        foreach (['question' => $popup->question(), 'main' => $popup->main(), 'thanks' => $popup->thanks()] as $name => $section) {
            if ($section !== null) {
                $steps[$section->id] = $name;
            }
        }

        return $steps;
    }

    /** A drawn pop-up with one of its steps alone. */
    public static function only(string $html, string $step): string
    {
        return (string) preg_replace_callback('~<!--step:(question|main|thanks)-->.*?<!--/step-->~s',
            fn (array $m): string => $m[1] === $step ? $m[0] : '', $html);
    }

    /**
     * The steps of a drawn pop-up.
     *
     * @return array<string, string> HTML by the name of the step
     */
    public static function stepsIn(string $html): array
    {
        // No words of an owner's can hold a comment.
        preg_match_all('~<!--step:(question|main|thanks)-->(.*?)<!--/step-->~s', $html, $m);

        return array_map(trim(...), array_combine($m[1], $m[2]));
    }
}
