<?php

declare(strict_types=1);

namespace Lantern\Core\Promises;

/** What of a played way a promise is about. */
enum Aspect: string
{
    /** Which pages they see, and what they are told in place of one. */
    case Pages = 'pages';
    /** Which emails come. */
    case Emails = 'emails';
    /** When they come. */
    case Times = 'times';
    /** When deadlines begin and end for them. */
    case Deadlines = 'deadlines';
    /** What they buy and pay, and what they cannot buy. */
    case Money = 'money';
    case Tags = 'tags';

    public function label(): string
    {
        return match ($this) {
            self::Pages => 'The pages they see',
            self::Emails => 'The emails they get',
            self::Times => 'When the emails come',
            self::Deadlines => 'When deadlines begin and end',
            self::Money => 'What they buy and pay',
            self::Tags => 'The tags they get',
        };
    }
}
