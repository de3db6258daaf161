<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Languages\Names;
use Lantern\Core\People\EmailAddress;
use Lantern\Core\People\Subscription;

/**
 * Somebody on the list: one for each address.
 *
 * @property string $id
 * @property int $business_id
 * @property string $email as typed
 * @property string|null $language in which they are spoken to, as {@see \Lantern\Core\Languages\Language} reads it; null for that of the
 *     funnel
 * @property string $email_key by which two spellings are one person
 * @property string $first_name
 * @property string $last_name
 * @property string $phone
 * @property string|null $timezone
 * @property bool $owner_try joined only in the owner's own browser, while trying things out
 * @property string $first_key the name in small letters, for rules; likewise `last_key`
 * @property string $last_key
 * @property string $found_by name and address without marks on their letters, for searching
 * @property string $sorted_by the name as the owner's language sorts it
 * @property CarbonImmutable|null $confirmed_at
 * @property bool $pending waits for the address to be confirmed, and has never joined otherwise
 * @property bool $marketing agreed to emails beyond what they asked for
 * @property string|null $suppressed `bounced` or `complained`
 * @property CarbonImmutable|null $quiet_until chose to hear nothing until then
 * @property int $warmth from 0 to 100, see {@see \App\Warmth\Scores}
 * @property CarbonImmutable|null $spoken_at when the owner last spoke to them, by their own word
 * @property CarbonImmutable|null $active_at
 * @property CarbonImmutable|null $erased_at
 * @property string|null $import_id
 * @property CarbonImmutable|null $unsubscribed_at
 * @property string $mailbox behind the address, for limits alone
 * @property CarbonImmutable $joined_at
 * @property Business $business
 * @property \Illuminate\Database\Eloquent\Collection<int, Tag> $tags
 */
final class Person extends Record
{
    use HasUlids;

    protected $table = 'people';

    /** @var array<string, string> */
    protected $casts = ['owner_try' => 'boolean', 'unsubscribed_at' => 'immutable_datetime', 'joined_at' => 'immutable_datetime',
        'confirmed_at' => 'immutable_datetime', 'pending' => 'boolean', 'marketing' => 'boolean',
        'quiet_until' => 'immutable_datetime', 'active_at' => 'immutable_datetime',
        'spoken_at' => 'immutable_datetime', 'warmth' => 'integer', 'erased_at' => 'immutable_datetime'];

    protected $attributes = ['first_name' => '', 'mailbox' => '',
        'last_name' => '', 'phone' => '', 'timezone' => null, 'unsubscribed_at' => null,
        'owner_try' => false,
        'confirmed_at' => null, 'pending' => false, 'marketing' => true, 'suppressed' => null, 'quiet_until' => null, 'active_at' => null,
        'spoken_at' => null, 'warmth' => 0,
        'erased_at' => null, 'import_id' => null];

    protected static function booted(): void
    {
        self::saving(function (self $person): void {
            if ($person->isDirty(['first_name', 'last_name', 'email', 'business_id'])) {
                $locale = Business::query()->whereKey($person->business_id)->value('locale');
                $person->forceFill(self::nameKeys($person->first_name, $person->last_name, $person->email,
                    is_string($locale) ? $locale : 'en'));
            }
            $person->mailbox = EmailAddress::mailboxOf($person->email_key);
        });
    }

    /**
     * What somebody is compared, found and sorted by.
     *
     * @param  string  $locale  of the owner, in whose order names stand
     * @return array{first_key: string, last_key: string, found_by: string, sorted_by: string}
     */
    public static function nameKeys(string $first, string $last, string $email, string $locale): array
    {
        return ['first_key' => mb_strtolower($first), 'last_key' => mb_strtolower($last),
            'found_by' => Names::folded(trim("{$first} {$last}")."\n{$email}"),
            'sorted_by' => Names::sortKey("{$first} {$last}", $locale)];
    }

    /** Everybody's name in the order of another language. */
    public static function sortAnew(int $business, string $locale): void
    {
        DB::table('people')->where('business_id', $business)->select(['id', 'first_name', 'last_name', 'email'])->orderBy('id')
            ->chunkById(2000, function (Collection $people) use ($locale): void {
                DB::transaction(function () use ($people, $locale): void {
                    foreach ($people as $person) {
                        DB::table('people')->where('id',
                            $person->id)->update(array_intersect_key(self::nameKeys((string) $person->first_name,
                                (string) $person->last_name, (string) $person->email, $locale), ['found_by' => 0, 'sorted_by' => 0]));
                    }
                });
            }, 'id');
    }

    /** How they stand to the list; what weighs most comes first. */
    public function subscription(): Subscription
    {
        return match (true) {
            $this->suppressed === 'complained' => Subscription::Complained,
            $this->suppressed !== null => Subscription::Bounced,
            $this->unsubscribed_at !== null => Subscription::Unsubscribed,
            $this->pending => Subscription::Unconfirmed,
            ! $this->marketing => Subscription::NoMarketing,
            default => Subscription::Subscribed,
        };
    }

    public function fullName(): string
    {
        return trim("{$this->first_name} {$this->last_name}");
    }

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }

    /** @return BelongsToMany<Tag, $this> */
    public function tags(): BelongsToMany
    {
        return $this->belongsToMany(Tag::class)->withPivot(['funnel_id', 'tagged_at'])->orderBy('name');
    }

    /** @return HasMany<Submission, $this> */
    public function submissions(): HasMany
    {
        return $this->hasMany(Submission::class);
    }

    /** @return HasMany<PersonValue, $this> what is known of them in the owner's own fields */
    public function values(): HasMany
    {
        return $this->hasMany(PersonValue::class);
    }
}
