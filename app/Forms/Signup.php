<?php

declare(strict_types=1);

namespace App\Forms;

use App\Models\Funnel;
use App\Models\Version;
use App\People\Proof\Proven;
use DateTimeImmutable;
use Lantern\Core\Forms\Answers;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Plan\PagePlan;

/** A form that was filled in rightly, with all that came along with it. */
final readonly class Signup
{
    /**
     * @param  array<string, string>  $source address parameters and referrer, for where the person came from
     * @param  string  $session  the key of the session that was chosen; '' where the form asks for none
     * @param  string|null  $id  of the submission that it becomes, where that was said already
     * @param  PopupOrigin|null  $popped  the pop-up or placed form in which it was
     */
    public function __construct(
        public Funnel $funnel,
        public Version $version,
        public PagePlan $page,
        public FormPlan $form,
        public Answers $answers,
        public string $token,
        public DateTimeImmutable $at,
        public ?string $visitor = null,
        public ?string $zone = null,
        public array $source = [],
        public ?string $ip = null,
        public ?string $userAgent = null,
        public bool $owner = false,
        public ?PopupOrigin $popped = null,
        public string $session = '',
        public ?Proven $proven = null,
        public ?string $id = null,
    ) {
    }
}
