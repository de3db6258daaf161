<?php

declare(strict_types=1);

namespace App\Mail\Owner;

use App\Mail\Emails\EmailSource;
use App\Models\DraftPart;
use App\Models\Person;
use App\Support\Hosts;
use App\Support\RichText;
use Lantern\Core\Page\Look\Colour;

/** What the owner is told of readers of a guide. */
final class ReaderWords
{
    /** People named in one email. */
    private const MOST = 100;

    /**
     * @param  list<array{string, string, bool}>  $readers  person, guide, and whether they finished it
     * @param  bool  $atOnce  of one of them, as it happened
     */
    public static function of(array $readers, bool $atOnce): ?EmailSource
    {
        $people = Person::query()->whereIn('id', array_column($readers, 0))->whereNull('erased_at')->get()->keyBy('id');
        $guides = DraftPart::query()->whereIn('id', array_column($readers, 1))->pluck('name', 'id');
        $lines = [];
        $name = $did = '';
        foreach ($readers as [$person, $guide, $finished]) {
            $found = $people[$person] ?? null;
            if ($found !== null) {
                $name = $found->fullName() === '' ? $found->email : $found->fullName();
                $did = ($finished ? 'has finished' : 'has begun').' “'.($guides[$guide] ?? 'a guide').'”';
                $lines[] = '<li><a href="'.e(Hosts::studio()."/studio/people/{$found->id}").'">'.e($name).'</a> '.e($did).'</li>';
            }
        }
        if ($lines === []) {
            return null;
        }
        $plain = fn (string $words): string => str_replace('{{', '{ {', $words);
        $more = count($lines) - self::MOST;
        $subject = $atOnce ? "{$name} {$did}" : (count($lines) === 1 ? 'A reader of your guide' : count($lines).' readers of your guides');

        return new EmailSource($plain($subject), RichText::email('<p>'.($atOnce ? 'What they read, for how long and what they wrote is on '
            .'their page.' : 'Since yesterday:').'</p><ul>'.$plain(implode('', array_slice($lines, 0, self::MOST))).'</ul>'
            .($more > 0 ? "<p>And {$more} more.</p>" : '')), Colour::of(EmailSource::ACCENT), tracked: false);
    }

    /** @return list<array{string, string, bool}> what can be read of a kept list of them */
    public static function read(mixed $kept): array
    {
        $readers = [];
        foreach (is_array($kept) ? $kept : [] as $reader) {
            if (is_array($reader) && is_string($reader[0] ?? null) && is_string($reader[1] ?? null)) {
                $readers[] = [$reader[0], $reader[1], ($reader[2] ?? false) === true];
            }
        }

        return $readers;
    }
}
