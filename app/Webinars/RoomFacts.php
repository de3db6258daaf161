<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Languages\SiteVoice;
use App\Languages\Voices;
use App\Models\Funnel;
use App\Models\Registration;
use App\Models\Version;
use Illuminate\Support\Facades\Cache;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Offers\Price;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\Webinar;

/**
 * What a room needs of a version: worked out once and kept, since a version never changes and a report comes from everybody every few
 * seconds.
 */
final readonly class RoomFacts
{
    /** Of what is kept; another form is worked out anew. */
    private const FORM = 3;

    /**
     * @param  array{name: string, price: Price, address: string, guards: list<string>}|null  $offer  what is offered, the address of the
     *     page that sells it below its funnel's, and the deadlines that guard it
     * @param  OwnPhrases  $own  what is said in other words in the room's funnel
     * @param  string  $attended  where those are led who attended: an address elsewhere, or `page:` and that of a page; '' for nowhere
     * @param  string  $missed  likewise, those who did not
     */
    private function __construct(
        public Webinar $webinar,
        public string $language,
        public OwnPhrases $own,
        public ?array $offer,
        public string $attended,
        public string $missed,
    ) {
    }

    /** In which whoever is in the room is spoken to. */
    public static function voice(?self $facts, Funnel $funnel): SiteVoice
    {
        return Voices::of($facts->language ?? $funnel->language, $funnel->business, $facts?->own);
    }

    /** As it is public now; as it was when they registered where it is gone from its funnel. Nothing where it is in neither. */
    public static function of(Registration $registration): ?self
    {
        $live = $registration->relationLoaded('funnel') ? $registration->funnel->live_version_id
            : Funnel::query()->whereKey($registration->funnel_id)->value('live_version_id');

        return (is_string($live) ? self::in($live, $registration->webinar_id) : null)
            ?? self::in($registration->version_id, $registration->webinar_id);
    }

    private static function in(string $version, string $webinar): ?self
    {
        $kept = Cache::rememberForever('room:'.self::FORM.":{$version}:{$webinar}", function () use ($version, $webinar): array {
            $plan = Version::query()->find($version)?->plan();
            $found = $plan?->webinar($webinar);

            return $plan === null || $found === null ? [] : self::written($plan, $found);
        });
        $shape = Shape::of(is_array($kept) ? $kept : []);
        $found = $shape->optionalGroup('webinar');
        $offer = $shape->optionalGroup('offer');

        return $found === null ? null : new self(Webinar::fromShape($found), $shape->text('language', Language::LONGEST),
            OwnPhrases::of($shape->optionalGroup('phrases')?->all()),
            $offer === null ? null
            : ['name' => $offer->text('name', 300), 'price' => Price::fromShape($offer->group('price')),
                'address' => $offer->text('address', 100),
                'guards' => $offer->texts('guards', 100, 40)], $shape->text('attended', 2000), $shape->text('missed', 2000));
    }

    /** @return array<string, mixed> */
    private static function written(Plan $plan, Webinar $webinar): array
    {
        $offer = $plan->offer($webinar->offer->offer ?? '');
        $product = $offer === null ? null : $plan->product($offer->product);

        $room = $plan->pageOf(PageRole::Room);
        $language = $room === null ? $plan->language : $plan->languageOf($room);

        return ['webinar' => $webinar->toArray(), 'language' => $language, 'phrases' => $plan->phrases()->toArray(),
            'offer' => $offer === null || $product === null ? null
            : ['name' => $product->name, 'price' => $offer->price->toArray(),
                'address' => self::pageOf($plan, $offer->id),
                'guards' => array_values(array_map(fn (Deadline $d): string => $d->id,
                    array_filter($plan->deadlines, fn (Deadline $d): bool => in_array($offer->id, $d->offers, true))))],
            'attended' => self::leads($plan, Outcome::Attended), 'missed' => self::leads($plan, Outcome::Missed)];
    }

    /** The page that sells an offer: the sales page that shows it, or its checkout. */
    private static function pageOf(Plan $plan, string $offer): string
    {
        foreach ([PageRole::Sales, PageRole::Checkout] as $role) {
            foreach ($plan->pages as $page) {
                if ($page->role === $role && in_array($offer, $page->document->references(), true)) {
                    return $page->address;
                }
            }
        }

        return '';
    }

    private static function leads(Plan $plan, Outcome $outcome): string
    {
        $room = $plan->pageOf(PageRole::Room);
        $way = $room === null ? null : (new Journey($plan))->way($room->id, $outcome);
        $to = $way?->toPage === null ? null : $plan->page($way->toPage);

        return $way->toUrl ?? ($to === null ? '' : "page:{$to->address}");
    }
}
