<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

/**
 * Which variant of a page in a split test a look at it gets. Once the test has ended everybody gets what it ended with; its owner
 * chooses; programs see the page as it was, so that search engines know one.
 */
final class LetterChoice
{
    /**
     * @param  bool  $isRunning  has the test begun, and not ended?
     * @param  string|null  $winner  its letter, where the test has ended with one
     * @param  string|null  $asked  the letter that its owner asks for
     * @param  bool  $isByAPerson  is it looked at by a person, or was something sent from it, which takes one?
     * @return string|null the letter; null where it is the visitor's own ({@see Assignment})
     */
    public static function of(bool $isRunning, ?string $winner, bool $isOwner, ?string $asked, bool $isByAPerson): ?string
    {
        return match (true) {
            ! $isRunning => $winner ?? SplitTest::ORIGINAL,
            $isOwner => $asked ?? SplitTest::ORIGINAL,
            ! $isByAPerson => SplitTest::ORIGINAL,
            default => null,
        };
    }
}
