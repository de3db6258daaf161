<?php

declare(strict_types=1);

namespace App\Serving;

use App\Deadlines\VisitorIdentity;
use App\Models\Funnel;
use App\Models\Order;
use App\Models\PublishedPage;
use App\Models\Submission;
use App\People\Proof\Proven;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Illuminate\Http\Request;
use Lantern\Core\Deadlines\DeadlineStates;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Offers\Quote;

/** One visit to a published page: what its slots are filled from. */
final readonly class Visit
{
    /** Greets with what was typed on this very device, never with what is known of that address. */
    public ?Submission $submission;

    /**
     * @param  array<string, string|list<string>>  $typed  what was typed, by field, to be kept
     * @param  array<string, Phrase>  $errors  by field; `form` for the form as a whole
     * @param  Quote|null  $quote  what the checkout comes to, as it was filled in
     * @param  bool  $seen  is this view recorded already?
     * @param  string|null  $newVisitor  the id that this browser gets now
     * @param  PageDeadlines|null  $deadlines  that the page is concerned with, and how they stand for this visitor
     */
    public function __construct(
        public Funnel $funnel,
        public PublishedPage $page,
        public Request $request,
        public array $typed = [],
        public array $errors = [],
        public ?Quote $quote = null,
        public ?PageDeadlines $deadlines = null,
        public ?DeadlineStates $states = null,
        public ?VisitorIdentity $identity = null,
        public bool $seen = false,
        public ?string $newVisitor = null,
    ) {
        $this->submission = self::submissionOf($request, $funnel);
    }

    public static function submissionOf(Request $request, Funnel $funnel): ?Submission
    {
        $id = SiteCookies::read($request, SiteCookie::Joined);

        return is_string($id) ? Submission::query()->where('id', $id)->where('funnel_id', $funnel->id)->first() : null;
    }

    /**
     * The same with what was typed, to be kept, and what is wrong with it.
     *
     * @param  array<string, string|list<string>>  $typed
     * @param  array<string, Phrase>  $errors
     */
    public function with(array $typed, array $errors, ?Quote $quote = null): self
    {
        return new self($this->funnel, $this->page, $this->request, $typed, $errors, $quote, $this->deadlines, $this->states,
            $this->identity, $this->seen, $this->newVisitor);
    }

    /** Where visitors of this page are led once the deadline that guards it has passed, if they are led anywhere. */
    public function afterwards(): ?string
    {
        $place = $this->deadlines?->guards->afterwards($this->page->page_id);
        $address = $place?->page === null ? null : $this->deadlines?->address($place->page);

        return $place->url ?? ($address === null ? null : $this->funnel->url($address));
    }

    /** The order that was placed in this browser, if it is one of this funnel's. */
    public function order(): ?Order
    {
        return self::orderOf($this->request, $this->funnel);
    }

    public static function orderOf(Request $request, Funnel $funnel): ?Order
    {
        $id = SiteCookies::read($request, SiteCookie::Order);

        return is_string($id) ? Order::query()->with(['version', 'funnel.business', 'person', 'lines'])->where('id', $id)
            ->where('funnel_id', $funnel->id)->first() : null;
    }

    /** Who came by a link in an email to them, in this browser. */
    public function reader(): ?Proven
    {
        return self::readerOf($this->request, $this->funnel);
    }

    public static function readerOf(Request $request, Funnel $funnel): ?Proven
    {
        return Proven::byCookie(SiteCookies::read($request, SiteCookie::Reader), $funnel->business_id);
    }
}
