<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Promises\Aspect;
use Lantern\Core\Promises\Expected;

/** What of a played way can be promised. */
final class Record
{
    /** @return list<Expected> in the order in which it happened */
    public static function of(Life $life): array
    {
        $record = [];
        foreach ($life->happened as $happening) {
            $aspect = self::aspect($happening);
            if ($aspect !== null && count($record) < Expected::MOST) {
                $record[] = new Expected($aspect, $happening->kind->value, Moments::written($happening->at), $happening->choice,
                    self::about($happening), self::value($happening));
            }
        }

        return $record;
    }

    private static function aspect(Happening $happening): ?Aspect
    {
        return match ($happening->kind) {
            HappeningKind::Page, HappeningKind::Notice, HappeningKind::Away, HappeningKind::Impossible => Aspect::Pages,
            // Receipts and the like follow from what is promised otherwise.
            HappeningKind::Email => $happening->text('kind') === 'sequence' ? Aspect::Emails : null,
            HappeningKind::DeadlineStarted => Aspect::Deadlines,
            HappeningKind::Bought, HappeningKind::NotForSale, HappeningKind::CardRefused => Aspect::Money,
            HappeningKind::Tagged, HappeningKind::TagRemoved => Aspect::Tags,
            default => null,
        };
    }

    private static function about(Happening $happening): string
    {
        return mb_substr(match ($happening->kind) {
            HappeningKind::Notice => $happening->text('notice'),
            HappeningKind::Away => $happening->text('url'),
            HappeningKind::Impossible => $happening->text('do'),
            default => $happening->of,
        }, 0, 80);
    }

    private static function value(Happening $happening): string
    {
        return match ($happening->kind) {
            HappeningKind::Page => $happening->text('price'),
            HappeningKind::DeadlineStarted => $happening->text('ends'),
            HappeningKind::Bought => $happening->text('paid'),
            HappeningKind::NotForSale => $happening->text('why'),
            default => '',
        };
    }
}
