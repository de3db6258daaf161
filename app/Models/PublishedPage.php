<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Lantern\Core\Plan\PageRole;

/**
 * A page of a version, drawn: all that a visit to it reads. It can be drawn anew from the plan of its version at any time.
 *
 * @property int $id
 * @property string $version_id
 * @property string $page_id
 * @property PageRole $role
 * @property string $address within its funnel; '' for the entry page
 * @property string $language in which its visitors are spoken to
 * @property array<string, array<string, string>> $phrases what its visitors are told in other words: the funnel's, and the business's
 *     below them
 * @property string $html with slots
 * @property array<string, array<string, mixed>> $slots by slot, what of the plan it is filled with
 * @property array<string, mixed> $policy see {@see \App\Serving\PagePolicy}
 * @property list<string>|null $products those whose buyers alone may see it; null where everybody may
 * @property array<string, mixed>|null $deadlines see {@see \App\Serving\PageDeadlines}; null where it has to do with none
 * @property array<string, mixed>|null $popup the pop-up that it is; null for a page
 * @property array<string, mixed>|null $guide of a guide, see {@see \App\Guides\GuideFacts}; null for any other page
 * @property list<string>|null $leads_to ids of the pages that its ways lead to
 * @property string $variant of a page in a split test: its letter; '' for the page as it was, and for any other
 * @property array{test: string, weights: array<string, int>}|null $split_test of the page as it was: the split test it is in
 * @property array{sections: list<string>, blocks: list<string>}|null $places ids in the order in which the page's script counts them
 * @property int $drawn_by the revision of the renderer that drew it
 * @property Version $version
 */
final class PublishedPage extends Record
{
    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = ['role' => PageRole::class, 'slots' => 'array', 'phrases' => 'array', 'policy' => 'array', 'products' => 'array',
        'deadlines' => 'array', 'popup' => 'array', 'guide' => 'array', 'leads_to' => 'array', 'split_test' => 'array', 'places' => 'array',
        'drawn_by' => 'integer'];

    /** @return BelongsTo<Version, $this> */
    public function version(): BelongsTo
    {
        return $this->belongsTo(Version::class);
    }
}
