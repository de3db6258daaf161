<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

use Lantern\Core\Experiments\Content\EmailContent;
use Lantern\Core\Experiments\Content\PageContent;
use Lantern\Core\Experiments\Content\PopupContent;
use Lantern\Core\Experiments\Content\TimingContent;
use Lantern\Core\Experiments\Content\VariantContent;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;

/** What a split test is of. */
enum Tested: string
{
    case Page = 'page';
    case Email = 'email';
    case Popup = 'popup';
    case Timing = 'timing';

    /** In a sentence: "the timing of a sequence". */
    public function label(): string
    {
        return match ($this) {
            self::Page => 'a page',
            self::Email => 'an email',
            self::Popup => 'a pop-up',
            self::Timing => 'the timing of a sequence',
        };
    }

    /** What it is called once it is known which one: "the page". */
    public function name(): string
    {
        return match ($this) {
            self::Page => 'page',
            self::Email => 'email',
            self::Popup => 'pop-up',
            self::Timing => 'sequence',
        };
    }

    /** The kind of the part that it is of. */
    public function partKind(): string
    {
        return match ($this) {
            self::Page => 'page',
            self::Email => EmailPlan::kind(),
            self::Popup => Popup::kind(),
            self::Timing => SequencePlan::kind(),
        };
    }

    /** @return class-string<VariantContent> what differs between its variants */
    public function content(): string
    {
        return match ($this) {
            self::Page => PageContent::class,
            self::Email => EmailContent::class,
            self::Popup => PopupContent::class,
            self::Timing => TimingContent::class,
        };
    }

    /** @return non-empty-list<TestGoal> what it may want more of, the usual one first */
    public function goals(): array
    {
        return match ($this) {
            self::Page => [TestGoal::Signup, TestGoal::Confirmation, TestGoal::Sale, TestGoal::Revenue],
            self::Email => [TestGoal::Click, TestGoal::Open, TestGoal::Sale, TestGoal::Revenue],
            self::Popup => [TestGoal::Signup, TestGoal::Confirmation, TestGoal::Click, TestGoal::Sale, TestGoal::Revenue],
            self::Timing => [TestGoal::Sale, TestGoal::Click, TestGoal::Revenue],
        };
    }

    /** Is it of what is sent to somebody on the list, rather than of what visitors look at? */
    public function isSent(): bool
    {
        return $this === self::Email || $this === self::Timing;
    }

    /** Who gets its variants: "visitors", "readers". */
    public function who(int $many = 2): string
    {
        return ($this->isSent() ? 'reader' : 'visitor').($many === 1 ? '' : 's');
    }

    /** The rate that is expected where there was nothing yet. */
    public function usual(TestGoal $goal): float
    {
        return match ($goal) {
            TestGoal::Signup => $this === self::Popup ? 0.03 : 0.3,
            TestGoal::Confirmation => $this === self::Popup ? 0.02 : 0.25,
            TestGoal::Sale, TestGoal::Revenue => $this === self::Email ? 0.005 : 0.02,
            TestGoal::Click => $this === self::Timing ? 0.15 : 0.03,
            TestGoal::Open => 0.35,
        };
    }

    /**
     * After how many seconds somebody who has not reached the goal is held not to; null where that may be any time, as in the weeks
     * that a sequence takes.
     */
    public function settlesAfter(TestGoal $goal): ?int
    {
        return match (true) {
            $this === self::Timing, $goal === TestGoal::Sale, $goal === TestGoal::Revenue => null,
            $goal === TestGoal::Signup => 86_400,
            default => 3 * 86_400,
        };
    }
}
