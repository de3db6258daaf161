<?php

declare(strict_types=1);

namespace App\Http\Site\Pay;

use App\Files\FileAnswer;
use App\Languages\SiteLanguage;
use App\Languages\SiteVoice;
use App\Models\Order;
use App\Models\Person;
use App\Models\ProductAccess;
use App\Models\Receipt;
use App\Models\Upload;
use App\Orders\CardChange;
use App\Orders\JoinOrders;
use App\Orders\PayLinks;
use App\Orders\Payments;
use App\Orders\Purchases;
use App\Orders\ReceiptPdf;
use App\Payments\PaymentProvider;
use App\People\Proof\Proven;
use App\Serving\AtHome;
use App\Serving\PlainPage;
use App\Support\AnswerKind;
use App\Support\Ids;
use App\Support\Input;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\View;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Offers\ProductFile;
use Lantern\Core\Orders\AccessState;
use Lantern\Core\Results\Bots;
use Symfony\Component\HttpFoundation\Response;

/** “My purchases”: everything a buyer has, behind a sealed link, without a password. */
final readonly class PurchasesController
{
    public function __construct(
        private Purchases $purchases,
        private CardChange $cards,
        private PaymentProvider $provider,
        private JoinOrders $joining,
        private SiteLanguage $language,
    ) {
    }

    /** @param  'my'|'look'  $as  theirs, by an email; or as their owner looks at it, which is no act of theirs */
    private static function proven(string $person, string $seal, string $as = 'my'): ?Proven
    {
        return Proven::byLink(Ids::is($person) ? Person::query()->with('business')->find($person) : null, $seal,
            "{$as}|{$person}");
    }

    public function show(Request $request, string $person, string $seal): Response
    {
        $proven = self::proven($person, $seal);
        // A program that looks links over before their reader does is not their reader.
        if ($proven !== null && ! Bots::is($request->userAgent())) {
            $this->joining->to($proven);
        }

        return $this->page($person, $seal);
    }

    /** @param  array<string, Phrase>  $errors */
    private function page(string $person, string $seal, array $errors = [], ?Phrase $said = null): Response
    {
        $proven = self::proven($person, $seal) ?? self::proven($person, $seal, 'look');
        if ($proven === null) {
            return PlainPage::linkIsNotYours()->response();
        }
        $found = $proven->person;
        $voice = $this->voice($found);

        return $this->answer(View::make('pay.my', ['person' => $found, 'items' => $this->purchases->ofPerson($proven),
            'orders' => $this->cards->orders($proven), 'fields' => $this->provider->cardFields($voice->language()->tag),
            'say' => $voice, 'errors' => array_map($voice->say(...), $errors), 'said' => $said === null ? '' : $voice->say($said),
            'here' => "/my/{$person}/{$seal}"])->render(), $errors === [] ? 200 : 422);
    }

    /** A new card for a plan; what is owed is charged to it at once. */
    public function newCard(Request $request, string $person, string $seal): Response
    {
        $proven = self::proven($person, $seal);
        $order = $proven === null ? null : $this->cards->order($proven, Input::text($request, 'order'));
        if ($order === null) {
            return PlainPage::linkIsNotYours()->response();
        }
        $method = Payments::method($request->input('method'));
        if ($method === null) {
            return $this->page($person, $seal, ['card' => Phrase::of('purchase.no_new_card')]);
        }
        $trouble = $this->cards->change($order, $method);

        return is_string($trouble) && $trouble !== '' ? redirect()->away($trouble, 303)
            : $this->page($person, $seal, $trouble instanceof Phrase ? ['card' => $trouble] : [],
                $trouble instanceof Phrase ? null : Phrase::of('purchase.new_card'));
    }

    public function open(Request $request, string $access, string $seal): Response
    {
        $found = $this->access($access, $seal, "open|{$access}");
        if (! $found instanceof ProductAccess) {
            return $found;
        }
        AtHome::orThere($request, $found->funnel->site());
        $product = $found->product();
        $page = $product->page === null ? null : $found->funnel->liveVersion?->plan()->page($product->page);
        $to = $page !== null ? $found->funnel->url($page->address) : $product->url;
        if ($to === '') {
            return PlainPage::fileGone()->response();
        }
        ProductAccess::query()->whereKey($found->id)->increment('opened');
        $known = SiteCookies::read($request, SiteCookie::Access);
        $ids = array_slice(array_unique([$found->id, ...array_filter(explode(' ', is_string($known) ? $known : ''), Ids::is(...))]), 0, 40);

        return redirect()->away($to, 303)->withCookie(SiteCookies::give(SiteCookie::Access,
            implode(' ', $ids)))->withHeaders(['Cache-Control' => 'private, no-store', 'Referrer-Policy' => 'no-referrer']);
    }

    public function file(Request $request, string $access, string $upload, string $seal, string $name): Response
    {
        $found = $this->access($access, $seal, "file|{$access}|{$upload}");
        if (! $found instanceof ProductAccess) {
            return $found;
        }
        $has = array_filter($found->product()->files, fn (ProductFile $f): bool => $f->id === $upload) !== [];
        $file = $has ? Upload::query()->where('business_id', $found->business_id)->find($upload) : null;
        $response = $file === null ? null : FileAnswer::of($file);
        if ($response === null) {
            return PlainPage::fileGone()->response();
        }
        if ($request->isMethod('GET') && ! $request->headers->has('Range')) {
            ProductAccess::query()->whereKey($found->id)->increment('opened');
        }

        return $response;
    }

    public function receipt(string $receipt, string $seal, string $name): Response
    {
        $found = PayLinks::holds($seal, "receipt|{$receipt}") ? Receipt::query()->find($receipt) : null;
        if ($found === null) {
            return PlainPage::linkIsNotYours()->response();
        }

        return new \Illuminate\Http\Response(ReceiptPdf::of($found), 200, ['Content-Type' => 'application/pdf',
            'Content-Disposition' => "inline; filename=\"receipt-{$found->number}.pdf\""] + AnswerKind::Download->headers());
    }

    /** Their own language, or else that in which they bought last. */
    private function voice(Person $person): SiteVoice
    {
        $bought = Order::query()->where('person_id', $person->id)->whereNotNull('bought_at')->latest('bought_at')->value('language');

        return $this->language->is($person->language ?? (is_string($bought) ? $bought : $person->business->language), $person->business);
    }

    private function access(string $id, string $seal, string $of): ProductAccess|Response
    {
        $found = PayLinks::holds($seal, $of) ? ProductAccess::query()->with(['person', 'funnel.liveVersion'])->find($id) : null;

        return match ($found?->state) {
            null => PlainPage::linkIsNotYours()->response(),
            AccessState::Paused => PlainPage::accessPaused()->response($this->voice($found->person)->language()->tag, $found->funnel),
            AccessState::Ended => PlainPage::accessEnded()->response($this->voice($found->person)->language()->tag, $found->funnel),
            AccessState::Active => $found,
        };
    }

    private function answer(string $html, int $status): Response
    {
        return new \Illuminate\Http\Response($html, $status,
            AnswerKind::Page->headers() + ['Cache-Control' => 'no-store', 'X-Robots-Tag' => 'noindex']);
    }
}
