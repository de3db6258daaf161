<?php

declare(strict_types=1);

namespace App\Mail\Owner;

use App\Mail\Emails\EmailSource;
use App\Models\Person;
use App\Support\Hosts;
use App\Support\RichText;
use Lantern\Core\Page\Look\Colour;

/** What rules tell the owner: of somebody, or that they have trouble. */
final class RuleWords
{
    /** @param  array<array-key, mixed>  $content  of a message */
    public static function source(array $content): ?EmailSource
    {
        $rule = self::plain($content['rule'] ?? null);
        $trouble = self::plain($content['ruleTrouble'] ?? null);
        if ($trouble !== '') {
            return self::email("Your rule “{$rule}” has trouble", '<p>'.e($trouble).'</p><p>The rest of today is told on its page only.'
                .'</p>', Hosts::studio().'/studio/settings/rules', 'Open your rules');
        }
        $told = self::plain($content['told'] ?? null);
        $of = $content['of'] ?? null;
        $person = $told === '' || ! is_string($of) ? null : Person::query()->whereNull('erased_at')->find($of);
        if ($person === null) {
            return null;
        }
        $name = self::plain($person->fullName() === '' ? $person->email : $person->fullName());

        return self::email("{$name}: {$told}", '<p>'.e($told).'</p><p>It is about '.e($name).', and the rule “'.e($rule).'” tells you.</p>',
            Hosts::studio()."/studio/people/{$person->id}", 'Open this person');
    }

    private static function email(string $subject, string $html, string $link, string $label): EmailSource
    {
        return new EmailSource(mb_substr($subject, 0, 200), RichText::email($html.'<p><a href="'.e($link).'">'.e($label).'</a></p>'),
            Colour::of(EmailSource::ACCENT), tracked: false);
    }

    /** What people wrote holds no merge fields. */
    private static function plain(mixed $words): string
    {
        return is_string($words) ? str_replace('{{', '{ {', $words) : '';
    }
}
