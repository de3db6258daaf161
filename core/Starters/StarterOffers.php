<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\OrderBump;
use Lantern\Core\Offers\Price;
use Lantern\Core\Offers\PriceKind;
use Lantern\Core\Offers\Product;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;

/**
 * What the starters sell: the programme, an extra offer after it, and a smaller one for whoever says no to that, which can
 * also be ticked at the checkout. The extra ones wait for their prices.
 */
final readonly class StarterOffers
{
    /** The offers by the names that the starters use, the main one first. */
    public const KEYS = ['main', 'extra', 'smaller', 'introductory'];

    /**
     * @param  list<Part>  $parts  products, offers, and what buying starts
     * @param  array<string, Offered>  $offers  by name
     */
    private function __construct(public array $parts, public array $offers)
    {
    }

    public static function isMadeFor(Goal $goal): bool
    {
        return in_array($goal, [Goal::Sell, Goal::Webinar, Goal::VideoSeries, Goal::Launch], true);
    }

    /**
     * @param  Money|null  $price  of the main offer; null when it is not known yet
     * @param  bool  $hasIntroductory  is there an introductory price, too?
     * @param  Money|null  $introductory  which; null when it is not known yet
     */
    public static function of(StarterDesk $d, Currency $currency, ?Money $price, bool $hasIntroductory,
        ?Money $introductory = null): self
    {
        $title = $d->title === '' ? $d->say('The programme') : mb_substr($d->title, 0, 120);
        $welcome = new SequencePlan($d->id(), 'For buyers', ends: new Triggers);
        $email = new EmailPlan($d->id(), 'Welcome to buyers', mb_substr($d->say('Welcome to :title', ['title' => $title]), 0, 200),
            $d->letter($d->say('<p>you are in “:title”, and I am glad of it. Here is how we begin:</p><p><a href=":link">Your first '
                .'three steps</a></p><p>If anything is unclear, hit reply: I read every answer.</p>', ['title' => $d->titleHtml(),
                    'link' => '{{page_'.$d->page('delivery').'}}'])), Delay::atOnce(), $welcome->id);
        $tag = fn (string $name): string => 'Bought '.mb_strimwidth($name, 0, 50, '…');
        $main = new Product($d->id(), $title, '', [$tag($title)], sequence: $welcome->id);
        $extra = new Product($d->id(), $d->say('A private hour'),
            $d->say('One hour, just the two of us, with a plan of your own afterwards.'),
            [$tag('a private hour')]);
        $smaller = new Product($d->id(), $d->say('The recordings'), $d->say('The exercises as audio files, to play along with.'),
            [$tag('the recordings')]);
        $open = Price::of(PriceKind::Once, Money::zero($currency));
        $smallerOffer = new Offer($d->id(), $d->say('The recordings'), $smaller->id, $open);
        $offers = [
            'main' => new Offered(new Offer($d->id(), 'Regular price', $main->id,
                Price::of(PriceKind::Once, $price ?? Money::zero($currency)),
                bumps: [new OrderBump($smallerOffer->id, $d->say('Yes, add the recordings to my order.'))]), $main->name),
            'extra' => new Offered(new Offer($d->id(), $d->say('A private hour'), $extra->id, $open), $extra->name),
            'smaller' => new Offered($smallerOffer, $smaller->name),
        ] + ($hasIntroductory ? ['introductory' => new Offered(new Offer($d->id(), 'Introductory price', $main->id,
            Price::of(PriceKind::Once, $introductory ?? Money::zero($currency)),
            bumps: [new OrderBump($smallerOffer->id, $d->say('Yes, add the recordings to my order.'))]), $main->name)] : []);

        return new self([$main, $extra, $smaller, ...array_values(array_map(fn (Offered $o): Offer => $o->offer, $offers)), $welcome,
            $email], $offers);
    }
}
