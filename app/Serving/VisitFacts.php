<?php

declare(strict_types=1);

namespace App\Serving;

use App\Deadlines\VisitorIdentity;
use App\Languages\SiteVoice;
use App\Serving\Facts\Loaded;
use App\Support\SiteAddress;
use DateTimeImmutable;
use Lantern\Core\Deadlines\DeadlineStates;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Offers\Quote;

/** One visit to a published page, as plain values: what its slots are filled from, whoever asks and however it was loaded. */
final readonly class VisitFacts
{
    /**
     * @param  string  $page  its id
     * @param  string  $pageAddress  below the funnel's; '' for the entry page
     * @param  array<array-key, mixed>  $query  the parameters of the address
     * @param  string  $queryString  the same as it was written
     * @param  array<array-key, mixed>|null  $posted  the form that was sent; null where the page is only looked at
     * @param  string|null  $askedZone  the name of the time zone that the browser gave
     * @param  bool  $mayRunCode  does the owner's own code run here? Not on one host with the Studio
     * @param  array<string, string|list<string>>  $typed  what was typed, by field, to be kept
     * @param  SiteVoice  $voice  in the language of the page
     * @param  array<string, Phrase>  $errors  by field; `form` for the form as a whole
     * @param  Quote|null  $quote  what the checkout comes to, as it was filled in
     * @param  bool  $seen  is this view recorded already?
     * @param  PageDeadlines|null  $deadlines  that the page is concerned with, and how they stand for this visitor
     */
    public function __construct(
        public SiteAddress $site,
        public string $page,
        public string $pageAddress,
        public bool $isPopup,
        public array $query,
        public string $queryString,
        public ?array $posted,
        public ?string $askedZone,
        public DateTimeImmutable $now,
        public bool $mayRunCode,
        public SiteVoice $voice,
        public array $typed = [],
        public array $errors = [],
        public ?Quote $quote = null,
        public bool $seen = false,
        public ?PageDeadlines $deadlines = null,
        public ?DeadlineStates $states = null,
        public ?VisitorIdentity $identity = null,
        public Loaded $loaded = new Loaded,
    ) {
    }

    /** What is wrong with a field, said; '' where nothing is. */
    public function error(string $field): string
    {
        return isset($this->errors[$field]) ? $this->voice->say($this->errors[$field]) : '';
    }

    /** The path of a page of the funnel: of its entry page without an address. */
    public function path(string $address = ''): string
    {
        return $this->site->path($address);
    }

    /** The path of this page. */
    public function here(): string
    {
        return $this->site->path($this->pageAddress);
    }

    /** What was sent with the form, or else what the address says. */
    public function input(string $name): mixed
    {
        return $this->posted[$name] ?? $this->query[$name] ?? null;
    }

    /** What was typed on this very device into a field: in a form of the funnel, or at its checkout. */
    public function answer(string $field): ?string
    {
        $answer = $this->loaded->submission()->answers[$field] ?? null;
        $order = is_string($answer) ? null : $this->loaded->order();
        if ($order === null || $order->name === '') {
            return is_string($answer) ? $answer : null;
        }
        [$first, $last] = [...explode(' ', $order->name, 2), ''];

        return match ($field) {
            'first_name' => $first,
            'last_name' => $last,
            default => null,
        };
    }
}
