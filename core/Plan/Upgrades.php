<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Rules\EarlierRules;
use Lantern\Core\Support\Invalid;

/**
 * Brings the written form of a plan up to today's, step by step, on arrays alone. A plan is never refused for being old.
 * Each old form is kept as a file among the tests.
 */
final class Upgrades
{
    /**
     * @param  array<array-key, mixed>  $plan
     * @return array<array-key, mixed>
     *
     * @throws Invalid when it is of a format this application does not know
     */
    public static function apply(array $plan): array
    {
        $format = $plan['format'] ?? null;
        if (! is_int($format) || $format < 1 || $format > Plan::FORMAT) {
            throw Invalid::at('format', 'This funnel was written by another version of the application.');
        }
        if ($format < 3) {
            $plan = self::oneSequence($plan);
        }
        if ($format < 4) {
            $plan = self::parts(self::triggers($plan));
        }

        if ($format < 5) {
            $plan['parts'] = self::each($plan, 'parts', self::confirmBody(...));
        }
        if ($format < 6) {
            $plan['parts'] = self::each($plan, 'parts', EarlierParts::upgrade(...));
        }

        if ($format < 7) {
            $plan = self::language($plan);
        }

        return ['format' => Plan::FORMAT] + $plan;
    }

    /**
     * Before format 7 each page had a language of its own, English unless it said otherwise, and the funnel that of its entry page.
     *
     * @param  array<array-key, mixed>  $plan
     * @return array<array-key, mixed>
     */
    private static function language(array $plan): array
    {
        $of = function (array $page): string {
            $language = is_array($page['settings'] ?? null) ? $page['settings']['language'] ?? 'en' : 'en';

            return is_string($language) ? $language : 'en';
        };
        $pages = array_filter(self::groups($plan, 'parts'), fn (array $part): bool => ($part['kind'] ?? '') === PagePlan::kind());
        $funnels = $pages === [] ? 'en' : $of(reset($pages));
        $plan['parts'] = self::each($plan, 'parts', function (array $part) use ($of, $funnels): array {
            if (($part['kind'] ?? '') !== PagePlan::kind()) {
                return $part;
            }
            $settings = is_array($part['settings'] ?? null) ? $part['settings'] : [];
            unset($settings['language']);
            $settings += $of($part) === $funnels ? [] : ['language' => $of($part)];

            return $settings === [] ? array_diff_key($part, ['settings' => 0]) : ['settings' => $settings] + $part;
        });

        return $funnels === 'en' ? $plan : ['language' => $funnels] + $plan;
    }

    /**
     * Before format 3 all emails were one sequence that every form started. Its id is the funnel's.
     *
     * @param  array<array-key, mixed>  $plan
     * @return array<array-key, mixed>
     */
    private static function oneSequence(array $plan): array
    {
        $id = $plan['id'] ?? '';
        if (self::groups($plan, 'emails') === []) {
            return $plan;
        }

        return ['emails' => self::each($plan, 'emails', fn (array $email): array => ['sequence' => $id] + $email),
            'forms' => self::each($plan, 'forms', fn (array $form): array => ['start' => [$id]] + $form),
            'sequences' => [['id' => $id, 'name' => 'Follow-up']]] + $plan;
    }

    /**
     * Before format 4 forms named the sequences they start and end, and a sequence its tags and whether buying ends it; rules
     * about people had keys that meant something else in each kind.
     *
     * @param  array<array-key, mixed>  $plan
     * @return array<array-key, mixed>
     */
    private static function triggers(array $plan): array
    {
        $forms = self::groups($plan, 'forms');
        if (isset($plan['sequences'])) {
            $plan['sequences'] = self::each($plan, 'sequences', fn (array $sequence): array => self::sequenceTriggers($sequence, $forms));
        }
        if (isset($plan['emails'])) {
            $plan['emails'] = self::each($plan, 'emails', self::emailRules(...));
        }
        if (isset($plan['forms'])) {
            $plan['forms'] = self::each($plan, 'forms', fn (array $form): array => array_diff_key($form, ['start' => 0, 'stop' => 0]));
        }

        return $plan;
    }

    /**
     * Before format 4 each kind of part was a list of its own, and of shared sections only the names were written: what
     * they hold stands on the pages that show them.
     *
     * @param  array<array-key, mixed>  $plan
     * @return array<array-key, mixed>
     */
    private static function parts(array $plan): array
    {
        $parts = [];
        foreach (['pages' => 'page', 'forms' => 'form', 'sequences' => 'sequence', 'emails' => 'email',
            'leadMagnets' => 'lead-magnet'] as $list => $kind) {
            array_push($parts, ...self::each($plan, $list, fn (array $part): array => ['kind' => $kind] + $part));
        }
        foreach (self::groups($plan, 'pages') as $page) {
            foreach (self::groups(is_array($page['document'] ?? null) ? $page['document'] : [], 'sections') as $section) {
                $id = $section['shared'] ?? null;
                $name = is_string($id) && is_array($plan['shared'] ?? null) ? $plan['shared'][$id] ?? null : null;
                if ($name !== null && ! isset($shared[$id])) {
                    $shared[$id] = ['kind' => 'shared-section', 'id' => $id, 'name' => $name,
                        'section' => ['id' => $id] + array_diff_key($section, ['shared' => 0, 'hidden' => 0])];
                }
            }
        }

        return ['parts' => [...$parts, ...array_values($shared ?? [])]]
            + array_diff_key($plan, ['pages' => 0, 'forms' => 0, 'sequences' => 0, 'emails' => 0, 'leadMagnets' => 0, 'shared' => 0]);
    }

    /**
     * Before format 5 the text of a form's email that asks for confirmation had a name of its own.
     *
     * @param  array<array-key, mixed>  $part
     * @return array<array-key, mixed>
     */
    private static function confirmBody(array $part): array
    {
        $confirm = $part['confirm'] ?? null;

        return ($part['kind'] ?? null) === 'form' && is_array($confirm) && isset($confirm['letter'])
            ? ['confirm' => ['body' => $confirm['letter']] + array_diff_key($confirm, ['letter' => 0])] + $part : $part;
    }

    /**
     * An email's rules, for whom it is and for whom its parts are, in today's form.
     *
     * @param  array<array-key, mixed>  $email
     * @return array<array-key, mixed>
     */
    private static function emailRules(array $email): array
    {
        return (is_array($email['only'] ?? null) ? ['only' => EarlierRules::upgrade($email['only'])] : [])
            + (is_string($email['body'] ?? null) ? ['body' => EarlierRules::inBody($email['body'])] : []) + $email;
    }

    /**
     * One sequence with its triggers as a list, in place of tags and what forms said of it.
     *
     * @param  array<array-key, mixed>  $sequence
     * @param  list<array<array-key, mixed>>  $forms
     * @return array<array-key, mixed>
     */
    public static function sequenceTriggers(array $sequence, array $forms): array
    {
        $tags = fn (string $key): array => array_values(array_map(fn (mixed $tag): array => ['kind' => 'tag', 'tag' => $tag],
            (array) ($sequence[$key] ?? [])));
        $of = fn (string $key): array => array_values(array_map(fn (array $form): array => ['kind' => 'form', 'form' => $form['id'] ?? ''],
            array_filter($forms, fn (array $form): bool => in_array($sequence['id'] ?? '', (array) ($form[$key] ?? []), true))));
        $starts = [...$of('start'), ...$tags('startTags')];
        $ends = [...$of('stop'), ...$tags('endTags'), ...(($sequence['endsOnBuying'] ?? true) === false ? [] : [['kind' => 'bought']])];

        return array_diff_key($sequence, ['startTags' => 0, 'endTags' => 0, 'endsOnBuying' => 0])
            + array_filter(['starts' => $starts, 'ends' => $ends], fn (array $list): bool => $list !== []);
    }

    /**
     * @param  array<array-key, mixed>  $plan
     * @param  callable(array<array-key, mixed>): array<array-key, mixed>  $change
     * @return list<mixed>
     */
    private static function each(array $plan, string $key, callable $change): array
    {
        return array_values(array_map(fn (mixed $item): mixed => is_array($item) ? $change($item) : $item, (array) ($plan[$key] ?? [])));
    }

    /**
     * @param  array<array-key, mixed>  $plan
     * @return list<array<array-key, mixed>>
     */
    private static function groups(array $plan, string $key): array
    {
        return array_values(array_filter((array) ($plan[$key] ?? []), is_array(...)));
    }
}
