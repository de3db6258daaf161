<?php

declare(strict_types=1);

namespace App\Serving;

use App\Support\Homes;
use App\Support\Hosts;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Results\Touch;

/** What the address of a page says of its visitor: where they came from, and what hidden fields and merge fields ask for. */
final class Source
{
    /** Address parameters that say where a visitor came from. */
    public const PARAMETERS = ['utm_source', 'utm_medium', 'utm_campaign', 'utm_term', 'utm_content', 'ref'];

    /** What is known of a page of another site: its title, and the first parameter of its address. */
    public const OF_SITE = ['site_title', 'site_search'];

    /**
     * @param  mixed  $carried  a query string, as the address had it or the form carried it along
     * @param  list<string>  $more  names of parameters beside those that say where somebody came from
     * @return array<string, string>
     */
    public static function read(mixed $carried, array $more = []): array
    {
        if (! is_string($carried) || strlen($carried) > 2000) {
            return [];
        }
        parse_str($carried, $query);
        $source = [];
        foreach ([...self::PARAMETERS, ...$more] as $key) {
            $value = $query[$key] ?? '';
            if (is_string($value) && $value !== '' && mb_check_encoding($value, 'UTF-8')) {
                $source[$key] = mb_substr($value, 0, 100);
            }
        }

        return $source;
    }

    /**
     * Where a visit came from, by its short name; nothing for a direct one.
     *
     * @param  mixed  $carried  a query string
     * @param  mixed  $referrer  the address of the page that led here
     */
    public static function touch(mixed $carried, mixed $referrer): ?string
    {
        $own = array_map(fn (string $url): string => strtolower((string) parse_url($url, PHP_URL_HOST)), [Hosts::site(), Hosts::studio()]);
        $own = is_string($referrer) && $referrer !== '' ? [...$own, ...app(Homes::class)->names()] : $own;

        return Touch::of(self::read($carried), is_string($referrer) ? $referrer : '', $own) ?: null;
    }

    /** @return array<string, string> what the address gave for the hidden fields of a form, as the form carried it along */
    public static function parametersOf(FormPlan $form, mixed $carried): array
    {
        return self::read($carried, self::wanted([$form]));
    }

    /**
     * @param  list<FormPlan>  $forms
     * @return list<string> names of address parameters that hidden fields ask for
     */
    public static function wanted(array $forms): array
    {
        $names = [];
        foreach ($forms as $form) {
            foreach ($form->fields as $field) {
                if ($field->parameter !== '') {
                    $names[] = $field->parameter;
                }
            }
        }

        return $names;
    }

    /** @return list<FormPlan> the forms that stand on a page */
    public static function formsOn(Plan $plan, PagePlan $page): array
    {
        $forms = array_map(fn (Block $b): ?FormPlan => $plan->form($b->field('form')), $page->document->blocksOf(BlockKind::Form));

        return array_values(array_filter($forms, fn (?FormPlan $f): bool => $f !== null));
    }

    /**
     * The value of an address parameter that the owner lets onto their pages: plain text of one line.
     *
     * @param  array<array-key, mixed>  $query
     */
    public static function parameter(array $query, string $name): string
    {
        $value = $query[$name] ?? null;

        return is_string($value) && mb_check_encoding($value, 'UTF-8')
            ? mb_substr((string) preg_replace('/[\p{C}]+/u', ' ', $value), 0, 100) : '';
    }

    /**
     * What was posted as far as it is text, to be shown again.
     *
     * @param  array<array-key, mixed>  $posted
     * @return array<string, string|list<string>>
     */
    public static function typed(array $posted): array
    {
        $isText = fn (mixed $v): bool => is_string($v) && mb_check_encoding($v, 'UTF-8') && mb_strlen($v) <= 6000;
        $typed = [];
        foreach ($posted as $name => $value) {
            if (is_array($value)) {
                $typed[(string) $name] = array_values(array_filter(array_slice($value, 0, 60), $isText));
            } elseif ($isText($value)) {
                $typed[(string) $name] = $value;
            }
        }

        return $typed;
    }
}
