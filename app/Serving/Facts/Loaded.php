<?php

declare(strict_types=1);

namespace App\Serving\Facts;

use Lantern\Core\Webinars\ReplayState;
use Lantern\Core\Webinars\Webinar;
use LogicException;

/** What was loaded for a visit, by what its page needs. What was not asked for is a mistake, never an empty answer. */
final readonly class Loaded
{
    /** @param  array<string, mixed>  $known  by {@see Need::key()}; null where there is nothing of it */
    public function __construct(private array $known = [])
    {
    }

    public function business(): BusinessFacts
    {
        return $this->of(Need::business(), BusinessFacts::class) ?? throw new LogicException('There is no page without a business.');
    }

    public function submission(): ?SubmissionFacts
    {
        return $this->of(Need::submission(), SubmissionFacts::class);
    }

    public function order(): ?OrderFacts
    {
        return $this->of(Need::order(), OrderFacts::class);
    }

    public function purchases(): ?PurchasesFacts
    {
        return $this->of(Need::purchases(), PurchasesFacts::class);
    }

    public function reader(): ?ReaderFacts
    {
        return $this->of(Need::reader(), ReaderFacts::class);
    }

    public function reading(): ?ReadingFacts
    {
        return $this->of(Need::reading(), ReadingFacts::class);
    }

    public function offer(string $id): OfferFacts
    {
        return $this->of(Need::offer($id), OfferFacts::class) ?? throw new LogicException("Of the offer {$id} nothing is known.");
    }

    public function upload(string $id): ?UploadFacts
    {
        return $id === '' ? null : $this->of(Need::upload($id), UploadFacts::class);
    }

    public function registration(Webinar $webinar): ?RegistrationFacts
    {
        return $this->of(Need::registration($webinar), RegistrationFacts::class);
    }

    public function replay(Webinar $webinar): ?ReplayState
    {
        return $this->of(Need::replay($webinar), ReplayState::class);
    }

    public function places(Webinar $webinar): PlacesFacts
    {
        return $this->of(Need::places($webinar), PlacesFacts::class) ?? new PlacesFacts([], []);
    }

    public function placesToRegister(Webinar $webinar): PlacesFacts
    {
        return $this->of(Need::placesToRegister($webinar), PlacesFacts::class) ?? new PlacesFacts([], []);
    }

    /**
     * @template T of object
     *
     * @param  class-string<T>  $class
     * @return T|null
     */
    private function of(Need $need, string $class): ?object
    {
        if (! array_key_exists($need->key(), $this->known)) {
            throw new LogicException("{$need->key()} was not loaded: the slot that asks for it does not say that it needs it.");
        }
        $found = $this->known[$need->key()];

        return $found instanceof $class ? $found : null;
    }
}
