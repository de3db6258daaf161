<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Experiments\Variant;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Offers\Coupon;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\Product;
use Lantern\Core\Parts\Part;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Promises\Promise;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\Webinar;

/** The kinds of parts a funnel is made of, in the order in which a plan is written. */
final class PartKinds
{
    /** @var list<class-string<Part>> */
    public const ALL = [PagePlan::class, FormPlan::class, SequencePlan::class, EmailPlan::class, LeadMagnet::class, SharedSection::class,
        Product::class, Offer::class, Coupon::class, Deadline::class, Popup::class, Webinar::class,
        SplitTest::class, Variant::class, Guide::class, GuidePage::class, Promise::class,
        AutomationRule::class];

    /** @return array<string, class-string<Part>> */
    public static function byName(): array
    {
        return array_combine(array_map(fn (string $class): string => $class::kind(), self::ALL), self::ALL);
    }

    /**
     * @return class-string<Part>
     *
     * @throws Invalid for a kind that is not known
     */
    public static function named(string $kind, string $path = 'kind'): string
    {
        return self::byName()[$kind] ?? throw Invalid::at($path, 'A funnel has no part of this kind.');
    }

    public static function read(Shape $shape): Part
    {
        return self::named($shape->text('kind', 30), $shape->path('kind'))::fromShape($shape);
    }

    /** @return array<string, mixed> */
    public static function write(Part $part): array
    {
        return ['kind' => $part::kind()] + $part->toArray();
    }
}
