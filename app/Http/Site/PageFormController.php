<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Serving\LivePage;
use App\Serving\PageFinder;
use Illuminate\Http\Request;
use Lantern\Core\Visits\PageAct;
use Symfony\Component\HttpFoundation\Response;

/** Takes what is sent from a live page: a form, a checkout, or the yes to an extra offer. */
final readonly class PageFormController
{
    public function __construct(
        private PageFinder $finder,
        private SignupController $signup,
        private CheckoutController $checkout,
        private ExtraOfferController $extra,
    ) {
    }

    public function __invoke(Request $request, string $funnel, string $page = ''): Response
    {
        $sent = match (true) {
            $request->input('checkout') !== null => 'checkout',
            $request->input('extra') !== null => 'extra',
            default => 'form',
        };
        $live = $this->finder->find($request, $funnel, $page, $sent === 'form' ? PageAct::Form : PageAct::Buy);
        if (! $live instanceof LivePage) {
            return $live;
        }

        return match ($sent) {
            'checkout' => ($this->checkout)($request, $live),
            'extra' => $this->extra->accept($request, $live),
            'form' => ($this->signup)($request, $live),
        };
    }
}
