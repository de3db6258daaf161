<?php

declare(strict_types=1);

namespace App\People\Segments;

use App\Models\Business;
use App\People\Fields\OwnFields;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Rules\Examples;
use Lantern\Core\Rules\Rules;

/** What rules about people can speak of, by name: fields, tags, pages, funnels, emails. */
final class PeopleKit
{
    private const FIELDS = ['email' => 'Email address', 'first_name' => 'First name', 'last_name' => 'Last name', 'phone' => 'Phone',
        'timezone' => 'Time zone'];

    /** @return array<string, mixed> */
    public static function of(Business $business): array
    {
        $own = OwnFields::of($business->id);
        $byName = ['sort_key(name, ?)', [$business->locale]];
        $tags = DB::table('tags')->where('business_id', $business->id)->orderByRaw(...$byName)->get(['id', 'name'])->all();
        $webinars = self::parts($business, 'webinar');
        $deadlines = self::parts($business, 'deadline');

        return [
            'fields' => [...array_map(fn (string $name, string $label): array => ['name' => $name, 'label' => $label,
                'kind' => 'short_text',
                'options' => [], 'own' => false], array_keys(self::FIELDS),
                self::FIELDS),
                ...array_map(fn (array $f): array => $f + ['own' => true], $own)],
            'tags' => $tags,
            'funnels' => DB::table('funnels')->where('business_id', $business->id)->orderByRaw(...$byName)->get(['id', 'name'])->all(),
            'pages' => self::parts($business, 'page'),
            'emails' => self::parts($business, 'email'),
            'deadlines' => $deadlines, 'webinars' => $webinars,
            'guides' => self::parts($business, 'guide'), 'guidePages' => self::parts($business, 'guide-page'),
            'broadcasts' => DB::table('broadcasts')->where('business_id', $business->id)->whereNotNull('started_at')
                ->orderByDesc('started_at')->limit(100)->get(['id', 'name'])->all(),
            'sequences' => self::parts($business, 'sequence'), 'forms' => self::parts($business, 'form'),
            'offers' => self::parts($business, 'offer'), 'products' => self::parts($business, 'product'),
            'segments' => DB::table('segments')->where('business_id', $business->id)->whereNull('deleted_at')->orderByRaw(...$byName)
                ->get(['id', 'name', 'rules'])
                ->map(fn ($s): array => ['id' => $s->id, 'name' => $s->name, 'rules' => json_decode((string) $s->rules, true)])->all(),
            'rules' => Rules::describe(),
            'examples' => Examples::of($webinars[0]->id ?? null, $deadlines[0]->id ?? null, $tags[0]->name ?? null),
        ];
    }

    /** @return list<object> parts of the owner's funnels, each with the name of its funnel */
    private static function parts(Business $business, string $kind): array
    {
        return array_values(DB::table('draft_parts')->join('funnels', 'funnels.id', '=', 'draft_parts.funnel_id')
            ->where('business_id', $business->id)->where('kind', $kind)
            ->whereNull('removed')->orderByRaw('sort_key(funnels.name, ?)',
                [$business->locale])->orderBy('position')->orderBy('draft_parts.id')
            ->get(['draft_parts.id', 'draft_parts.name', 'funnels.name as funnel'])->all());
    }

    /** @return callable(string): string what things are called that rules name by their ids */
    public static function names(Business $business): callable
    {
        $kit = self::of($business);
        $names = array_column($kit['fields'], 'label', 'name');
        foreach (['funnels', 'pages', 'emails', 'deadlines', 'webinars', 'guides', 'guidePages', 'broadcasts'] as $things) {
            foreach ($kit[$things] as $thing) {
                $names[$thing->id] = $thing->name;
            }
        }

        return fn (string $id): string => $names[$id] ?? 'something that is gone';
    }
}
