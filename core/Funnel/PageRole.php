<?php

declare(strict_types=1);

namespace Lantern\Core\Funnel;

/** What a page does in its funnel. */
enum PageRole: string
{
    case OptIn = 'opt-in';
    case ThankYou = 'thank-you';

    public function label(): string
    {
        return match ($this) {
            self::OptIn => 'Opt-in page',
            self::ThankYou => 'Thank-you page',
        };
    }

    /**
     * The outcomes this kind of page can have; each must lead somewhere before the funnel goes live.
     *
     * @return list<Outcome>
     */
    public function outcomes(): array
    {
        return match ($this) {
            self::OptIn => [Outcome::Joined],
            self::ThankYou => [],
        };
    }
}
