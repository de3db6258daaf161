<?php

declare(strict_types=1);

namespace App\Serving\Facts;

use App\Models\Business;
use App\Models\Funnel;
use App\Models\Order;
use App\Models\Registration;
use App\Models\Submission;
use App\Models\Upload;
use App\Orders\ExtraOfferSale;
use App\Orders\Purchases;
use App\Orders\Sold;
use App\People\Proof\Proven;
use App\Records\RegisteredSessions;
use App\Records\RegistrationLinks;
use App\Serving\GuideGate;
use App\Serving\Visit;
use App\Webinars\LiveRoom;
use App\Webinars\OwnRegistration;
use Carbon\CarbonImmutable;
use Lantern\Core\Webinars\ReplayState;
use Lantern\Core\Webinars\Webinar;

/** Loads what the slots of a page need for one visit: each thing once, and nothing that none of them asks for. */
final readonly class LoadsFacts
{
    public function __construct(private Purchases $purchases)
    {
    }

    /** @param  list<Need>  $needs */
    public function for(Visit $visit, array $needs, CarbonImmutable $now): Loaded
    {
        $known = [];
        $kinds = array_map(fn (Need $n): NeedKind => $n->kind, $needs);
        $any = fn (NeedKind ...$of): bool => array_filter($of, fn (NeedKind $k): bool => in_array($k, $kinds, true)) !== [];
        $order = $any(NeedKind::Order, NeedKind::Purchases, NeedKind::Offer) ? $visit->order() : null;
        $reader = $any(NeedKind::Reader, NeedKind::Offer, NeedKind::Registration, NeedKind::Replay, NeedKind::Places,
            NeedKind::PlacesToRegister)
            ? $visit->reader() : null;
        $own = [];
        $registration = function (Webinar $webinar) use (&$own, $visit, $reader): ?Registration {
            return array_key_exists($webinar->id, $own) ? $own[$webinar->id] : $own[$webinar->id] = OwnRegistration::of($visit->request,
                $visit->funnel, $webinar->id, $visit->submission, $reader);
        };
        foreach ($needs as $need) {
            if (array_key_exists($need->key(), $known)) {
                continue;
            }
            $known[$need->key()] = match ($need->kind) {
                NeedKind::Business => self::business($visit->funnel->business),
                NeedKind::Submission => self::submission($visit->submission),
                NeedKind::Order => $order === null ? null : self::order($order, $now),
                NeedKind::Purchases => $order === null || ! $order->state->isBought() ? null : $this->purchases($order),
                NeedKind::Reader => $reader === null ? null : new ReaderFacts($reader->person->id, $reader->person->email,
                    $reader->person->first_name, $reader->person->fullName()),
                NeedKind::Offer => self::offer($need->id, $order, $reader),
                NeedKind::Reading => GuideGate::reading($visit),
                NeedKind::Upload => self::upload($visit->funnel, $need->id),
                NeedKind::Registration => self::registration($need->webinar(), $registration($need->webinar())),
                NeedKind::Replay => self::replay($need->webinar(), $registration($need->webinar()), $now),
                NeedKind::Places => self::places($need->webinar(), $registration($need->webinar()), $now),
                // Whoever fills in the form once more may be somebody else.
                NeedKind::PlacesToRegister => self::places($need->webinar(), OwnRegistration::of($visit->request, $visit->funnel,
                    $need->id, null, $reader), $now),
            };
        }

        return new Loaded($known);
    }

    private static function business(Business $business): BusinessFacts
    {
        return new BusinessFacts($business->zone(), $business->tax_rate, $business->embed_hosts);
    }

    private static function submission(?Submission $found): ?SubmissionFacts
    {
        return $found === null ? null
            : new SubmissionFacts($found->id, $found->form_id, $found->state, $found->answers, $found->session !== null);
    }

    private static function order(Order $order, CarbonImmutable $now): OrderFacts
    {
        return new OrderFacts($order->id, $order->name, $order->state->isBought(), ExtraOfferSale::isFresh($order, $now),
            $order->method !== null, (string) $order->card_ends);
    }

    private function purchases(Order $order): PurchasesFacts
    {
        return new PurchasesFacts($this->purchases->ofOrder($order), $order->money($order->paid)->words($order->language),
            (string) $order->number, $order->email);
    }

    /** What an order in this browser holds is known here; what else its person has is not, before they have come by a link of theirs. */
    private static function offer(string $id, ?Order $order, ?Proven $reader): OfferFacts
    {
        return new OfferFacts(Sold::taken($id), ($order !== null && $order->state->isBought() && Sold::hasInOrder($order->id, $id))
            || ($reader !== null && Sold::has($reader->person, $id)));
    }

    private static function upload(Funnel $funnel, string $id): ?UploadFacts
    {
        $found = Upload::query()->where('business_id', $funnel->business_id)->whereIn('kind', ['video', 'captions'])->find($id);

        return $found === null ? null : new UploadFacts($found->src(), $found->mime);
    }

    private static function registration(Webinar $webinar, ?Registration $own): ?RegistrationFacts
    {
        return $own === null ? null : new RegistrationFacts($own->person_id, $own->session(), $own->state, $own->open === 1,
            RegisteredSessions::isCalledOff($webinar->id, $own->session_key), RegisteredSessions::of($webinar, $own)->replay,
            ['path' => RegistrationLinks::path($own), 'room' => RegistrationLinks::room($own),
                'calendar' => RegistrationLinks::calendar($own),
                'replay' => RegistrationLinks::replay($own)]);
    }

    private static function replay(Webinar $webinar, ?Registration $own, CarbonImmutable $now): ?ReplayState
    {
        return $own === null ? null : LiveRoom::at($webinar, $own->session())->attendee($own)->replay($now);
    }

    private static function places(Webinar $webinar, ?Registration $own, CarbonImmutable $now): PlacesFacts
    {
        return new PlacesFacts($webinar->schedule->places === null ? []
            : RegisteredSessions::taken($webinar->id, $now, $own?->person_id), RegisteredSessions::calledOff($webinar->id));
    }
}
