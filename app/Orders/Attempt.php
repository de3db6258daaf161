<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Funnel;
use App\Models\Version;
use App\People\Proof\Proven;
use DateTimeImmutable;
use Lantern\Core\Offers\Coupon;
use Lantern\Core\Offers\Quote;
use Lantern\Core\People\EmailAddress;
use Lantern\Core\Plan\PagePlan;

/** A checkout that was filled in rightly, with all that came along with it. */
final readonly class Attempt
{
    /**
     * @param  string  $token  of the checkout as it was loaded: the same one sent twice is one order
     * @param  string|null  $method  what the card fields handed over; none where nothing is due now
     * @param  string  $code  of the coupon, as it is compared
     * @param  DateTimeImmutable|null  $shownAt  when the checkout was shown to them
     * @param  Proven|null  $proven  who it is known to be that buys
     * @param  bool|null  $marketing  did they tick that they want further emails? null where they were not asked
     */
    public function __construct(
        public Funnel $funnel,
        public Version $version,
        public PagePlan $page,
        public Quote $quote,
        public EmailAddress $email,
        public string $name,
        public string $token,
        public DateTimeImmutable $at,
        public ?string $method = null,
        public ?Coupon $coupon = null,
        public string $code = '',
        public ?bool $marketing = null,
        public ?string $visitor = null,
        public ?string $zone = null,
        public ?string $source = null,
        public ?string $ip = null,
        public bool $owner = false,
        public ?DateTimeImmutable $shownAt = null,
        public ?Proven $proven = null,
    ) {
    }
}
