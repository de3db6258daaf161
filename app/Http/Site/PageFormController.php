<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Serving\Guard;
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
        if ($live->closed) {
            return PlainPage::closed()->response();
        }
        if (! Guard::lets($request, $live)) {
            return PlainPage::forBuyers($live->funnel->url())->response();
        }

        return match ($sent) {
            'checkout' => ($this->checkout)($request, $live),
            'extra' => $this->extra->accept($request, $live),
            'form' => ($this->signup)($request, $live),
        };
    }
}
