<?php

declare(strict_types=1);

namespace App\Serving;

use App\Models\Funnel;
use App\Models\Order;
use App\Models\Person;
use App\Models\PublishedPage;
use App\Models\Submission;
use Illuminate\Http\Request;
use Lantern\Core\Offers\Quote;

/** One visit to a published page: what its slots are filled from. */
final readonly class Visit
{
    /** The cookie that holds which submission was made in this browser. */
    public const JOINED = 'lantern_joined';

    /** Likewise, which order was placed. */
    public const ORDER = 'lantern_order';

    /** Likewise, who came by a link in an email to them. */
    public const READER = 'lantern_reader';

    /** Greets with what was typed on this very device, never with what is known of that address. */
    public ?Submission $submission;

    /**
     * @param  array<string, string|list<string>>  $typed  what was typed, by field, to be kept
     * @param  array<string, string>  $errors  by field; `form` for the form as a whole
     * @param  Quote|null  $quote  what the checkout comes to, as it was filled in
     */
    public function __construct(
        public Funnel $funnel,
        public PublishedPage $page,
        public Request $request,
        public array $typed = [],
        public array $errors = [],
        public ?Quote $quote = null,
    ) {
        $id = $request->cookie(self::JOINED);
        $this->submission = is_string($id) ? Submission::query()->where('id', $id)->where('funnel_id', $funnel->id)->first() : null;
    }

    /** What was typed on this very device into a field: in a form of the funnel, or at its checkout. */
    public function answer(string $field): ?string
    {
        $answer = $this->submission->answers[$field] ?? null;
        $order = $answer === null ? $this->order() : null;
        if ($order === null || $order->name === '') {
            return $answer;
        }
        [$first, $last] = [...explode(' ', $order->name, 2), ''];

        return match ($field) {
            'first_name' => $first,
            'last_name' => $last,
            default => null,
        };
    }

    /** The order that was placed in this browser, if it is one of this funnel's. */
    public function order(): ?Order
    {
        return self::orderOf($this->request, $this->funnel);
    }

    public static function orderOf(Request $request, Funnel $funnel): ?Order
    {
        $id = $request->cookie(self::ORDER);

        return is_string($id) ? Order::query()->with(['version', 'funnel.business', 'person', 'lines'])->where('id', $id)
            ->where('funnel_id', $funnel->id)->first() : null;
    }

    /** Who came by a link in an email to them, in this browser. */
    public function reader(): ?Person
    {
        return self::readerOf($this->request, $this->funnel);
    }

    public static function readerOf(Request $request, Funnel $funnel): ?Person
    {
        $id = $request->cookie(self::READER);

        return is_string($id) ? Person::query()->where('business_id', $funnel->business_id)->whereNull('erased_at')->find($id) : null;
    }

    /** The path of a page of the funnel: of its entry page without an address. */
    public function path(string $address = ''): string
    {
        return "/{$this->funnel->address}".($address === '' ? '' : "/{$address}");
    }
}
