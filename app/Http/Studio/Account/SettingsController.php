<?php

declare(strict_types=1);

namespace App\Http\Studio\Account;

use App\Http\Studio\StudioController;
use App\Models\Business;
use App\Models\Person;
use App\Results\Counts;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Lantern\Core\Languages\Languages;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\TaxRate;

/** The business: what every page and email says about who is speaking. */
final class SettingsController extends StudioController
{
    /** @return array<string, list<mixed>> what is asked of what is typed */
    public static function rules(): array
    {
        return [
            'businessName' => ['required', 'string', 'max:120'],
            'senderName' => ['required', 'string', 'max:120', 'not_regex:/[\x00-\x1f]|=\?/'],
            'senderAddress' => ['required', 'email:rfc', 'max:254'],
            'postalAddress' => ['nullable', 'string', 'max:400'],
            'taxRate' => ['sometimes', 'string', 'max:10'],
            'taxName' => ['sometimes', 'string', 'max:40'],
            'taxNumber' => ['nullable', 'string', 'max:60'],
            'weeklyReport' => ['sometimes', 'boolean'],
            'saleNotices' => ['sometimes', 'array', 'max:3'],
            'saleNotices.*' => ['string', 'in:sale,trouble,refund'],
            'timezone' => ['required', 'timezone:all'],
            'currency' => ['required', 'regex:/^[A-Z]{3}$/'],
            'locale' => ['sometimes', 'required', Rule::in(Languages::locales())],
            'language' => ['sometimes', 'required', 'string', fn (string $at, mixed $tag, callable $fail) => is_string($tag)
                && Languages::isKnown($tag) ? null : $fail('There is no such language. Please choose one from the list.')],
            'messagesPerMinute' => ['sometimes', 'integer', 'min:1', 'max:100000'],
            'embedHosts' => ['sometimes', 'array', 'max:30'],
            'embedHosts.*' => ['required', 'string', 'max:120',
                'regex:/^[a-z0-9]([a-z0-9-]*[a-z0-9])?(\.[a-z0-9]([a-z0-9-]*[a-z0-9])?)+$/'],
        ];
    }

    public const MESSAGES = [
        'businessName.required' => 'What is your business called?',
        'senderName.required' => 'Whose name should stand on your emails?',
        'senderName.not_regex' => 'A name is one line, without =? in it.',
        'senderAddress.required' => 'Which address should your emails come from?',
        'senderAddress.email' => 'This does not look like an email address.',
        'timezone.timezone' => 'Please choose a time zone from the list.',
        'locale.*' => 'Please choose how dates and numbers are written from the list.',
        'currency.*' => 'Please choose a currency.',
        'messagesPerMinute.*' => 'Between one and 100,000 messages a minute.',
        'embedHosts.*.regex' => 'A host is written like video.example, without https:// and without a path.',
        'name.required' => 'What is your name?',
        'email.required' => 'Which address will you sign in with?',
        'email.email' => 'This does not look like an email address.',
    ];

    public function update(Request $request, Counts $counts): JsonResponse
    {
        $given = $request->validate(self::rules(), self::MESSAGES);
        $business = $this->business();
        [$before, $locale] = [$business->timezone, $business->locale];
        $business->forceFill(self::columns($given))->save();
        if ($before !== $business->timezone) {
            $counts->rebuild($business); // Days begin at another moment now.
        }
        if ($locale !== $business->locale) {
            Person::sortAnew($business->id, $business->locale);
        }

        return response()->json(self::json($business));
    }

    /**
     * @param  array<string, mixed>  $given
     * @return array<string, mixed>
     */
    public static function columns(array $given): array
    {
        return [
            'name' => $given['businessName'], 'sender_name' => $given['senderName'], 'sender_address' => $given['senderAddress'],
            'postal_address' => $given['postalAddress'] ?? '', 'timezone' => $given['timezone'],
            'currency' => is_string($given['currency'] ?? null) ? Currency::of($given['currency'])->code : 'EUR',
        ] + (isset($given['embedHosts']) ? ['embed_hosts' => array_values(array_unique($given['embedHosts']))] : [])
            + (isset($given['taxRate']) ? ['tax_rate' => TaxRate::typed($given['taxRate'], 'taxRate')->hundredths] : [])
            + (isset($given['taxName']) ? ['tax_name' => trim($given['taxName']) === '' ? 'Tax' : trim($given['taxName'])] : [])
            + (array_key_exists('taxNumber', $given) ? ['tax_number' => trim((string) $given['taxNumber'])] : [])
            + (isset($given['saleNotices']) ? ['sale_notices' => array_values(array_unique($given['saleNotices']))] : [])
            + (isset($given['weeklyReport']) ? ['weekly_report' => (bool) $given['weeklyReport']] : [])
            + (isset($given['locale']) ? ['locale' => $given['locale']] : [])
            + (isset($given['language']) ? ['language' => $given['language']] : [])
            + (isset($given['messagesPerMinute']) ? ['messages_per_minute' => (int) $given['messagesPerMinute']] : []);
    }

    /** @return array<string, mixed> */
    public static function json(Business $business): array
    {
        return ['businessName' => $business->name, 'senderName' => $business->sender_name, 'senderAddress' => $business->sender_address,
            'postalAddress' => $business->postal_address, 'timezone' => $business->timezone, 'currency' => $business->currency,
            'locale' => $business->locale, 'language' => $business->language,
            'embedHosts' => $business->embed_hosts, 'messagesPerMinute' => $business->messages_per_minute,
            'taxRate' => TaxRate::of($business->tax_rate)->plain(), 'taxName' => $business->tax_name, 'taxNumber' => $business->tax_number,
            'saleNotices' => $business->sale_notices, 'weeklyReport' => $business->weekly_report];
    }
}
