<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Serving\LivePage;
use App\Serving\PageFinder;
use App\Serving\PlainPage;
use App\Support\Place;
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

    public function __invoke(Request $request, string $funnel = '', string $page = ''): Response
    {
        [$funnel, $page] = Place::here($request)->asked("/{$funnel}".($page === '' ? '' : "/{$page}")) ?? [null, ''];
        if ($funnel === null) {
            return PlainPage::notHere()->response();
        }
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
