<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Serving\Arrival;
use App\Serving\BuyersOnly;
use App\Serving\LivePage;
use App\Serving\PlainPage;
use App\Serving\PublishedPages;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Takes what is sent from a live page: a form, a checkout, or the yes to an extra offer. */
final readonly class PageFormController
{
    public function __construct(
        private PublishedPages $published,
        private SignupController $signup,
        private CheckoutController $checkout,
        private ExtraOfferController $extra,
        private Arrival $arrival,
    ) {
    }

    public function __invoke(Request $request, string $funnel, string $page = ''): Response
    {
        $live = LivePage::at($request, $this->published, $funnel, $page);
        if (! $live instanceof LivePage) {
            return $live;
        }
        $sent = match (true) {
            $request->input('checkout') !== null => 'checkout',
            $request->input('extra') !== null => 'extra',
            default => 'form',
        };
        // A closed page may gather addresses; anything else that is sent comes too late.
        if ($live->closed && ($sent !== 'form' || ! $this->signup->takes($live, $request))) {
            return PlainPage::closed()->response();
        }
        if (! BuyersOnly::lets($request, $live)) {
            return PlainPage::forBuyers($live->funnel->url())->response();
        }

        // A checkout has its grace, and its own word where it comes too late; anything else is led on like a visit.
        $arrived = $sent === 'form' ? $this->arrival->at($live, $request) : null;
        if ($arrived instanceof Response) {
            return $arrived;
        }

        return match ($sent) {
            'checkout' => ($this->checkout)($request, $live),
            'extra' => $this->extra->accept($request, $live),
            'form' => ($this->signup)($request, $live),
        };
    }
}
