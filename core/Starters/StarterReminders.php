<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

use Lantern\Core\Events\Trigger\Bought;
use Lantern\Core\Events\Trigger\FormFilledIn;
use Lantern\Core\Events\Trigger\GuideFinished;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Parts\Part;
use Lantern\Core\Rules\Group;
use Lantern\Core\Rules\GuideRule;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;

/**
 * Reminders of a guide: a sequence like any other, which those who have finished leave, and whose emails ask what somebody has read in the
 * moment in which they are due. It ends with its last email.
 */
final class StarterReminders
{
    public const MOST = 10;

    /** For whom a reminder may be: those who have not begun, or those who have not finished, whether they began or not. */
    public const WHOM = ['begun', 'finished'];

    /**
     * @param  list<FormPlan>  $forms  that give the guide
     * @param  list<array{days: int, not: 'begun'|'finished'}>  $reminders  after so many days, to whom it is that has not done it
     * @return non-empty-list<Part> the sequence, then its emails
     */
    public static function parts(StarterDesk $d, Guide $guide, array $forms, array $reminders, int $hour = 9): array
    {
        $sequence = new SequencePlan($d->id(), mb_substr("Reminders of “{$guide->title}”", 0, 120),
            new Triggers(array_map(fn (FormPlan $f): FormFilledIn => new FormFilledIn($f->id), $forms)),
            new Triggers([new GuideFinished($guide->id), new Bought]));
        $emails = [];
        foreach ($reminders as $i => ['days' => $days, 'not' => $not]) {
            [$subject, $body] = self::words($d, $guide, $not, $i > 0 && $i === count($reminders) - 1);
            $emails[] = new EmailPlan($d->id(), "Day {$days}: ".($not === 'begun' ? 'not begun' : 'not finished'),
                mb_substr($subject, 0, 200),
                $d->letter($body), Delay::days($days, $hour), $sequence->id, new Group(true, [new GuideRule($not, $guide->id, true)]));
        }

        return [$sequence, ...$emails];
    }

    /** @return array{string, string} subject and words */
    private static function words(StarterDesk $d, Guide $guide, string $not, bool $last): array
    {
        $with = ['title' => StarterDesk::html($guide->title), 'link' => "{{page_{$guide->id}}}"];
        $subject = fn (string $english): string => $d->say($english, ['title' => $guide->title]);

        return match (true) {
            $last => [$subject('Before I stop reminding you: :title'),
                $d->say('<p>this is the last time I mention “:title”. It stays yours, and it opens where you left off:</p><p>'
                    .'<a href=":link">Read on</a></p><p>If something in it is not for you, hit reply and tell me. I '
                    .'would like to know.</p>', $with)],
            $not === 'begun' => [$subject('It is waiting for you: :title'),
                $d->say('<p>“:title” is ready, and you have not opened it yet. The first page takes a minute:</p><p>'
                    .'<a href=":link">Begin to read</a></p>', $with)],
            default => [$subject('Where you left off: :title'),
                $d->say('<p>you are not through with “:title” yet. This link opens it where you left off:</p><p>'
                    .'<a href=":link">Read on</a></p>', $with)],
        };
    }
}
