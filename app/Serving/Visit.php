<?php

declare(strict_types=1);

namespace App\Serving;

use App\Models\Funnel;
use App\Models\PublishedPage;
use App\Models\Submission;
use Illuminate\Http\Request;

/** One visit to a published page: what its slots are filled from. */
final readonly class Visit
{
    /** The cookie that holds which submission was made in this browser. */
    public const JOINED = 'lantern_joined';

    /** Greets with what was typed on this very device, never with what is known of that address. */
    public ?Submission $submission;

    /**
     * @param  array<string, string|list<string>>  $typed  what was typed, by field, to be kept
     * @param  array<string, string>  $errors  by field; `form` for the form as a whole
     */
    public function __construct(
        public Funnel $funnel,
        public PublishedPage $page,
        public Request $request,
        public array $typed = [],
        public array $errors = [],
    ) {
        $id = $request->cookie(self::JOINED);
        $this->submission = is_string($id) ? Submission::query()->where('id', $id)->where('funnel_id', $funnel->id)->first() : null;
    }

    /** The path of a page of the funnel: of its entry page without an address. */
    public function path(string $address = ''): string
    {
        return "/{$this->funnel->address}".($address === '' ? '' : "/{$address}");
    }
}
