<?php

declare(strict_types=1);

namespace App\Mail\Owner;

use App\Mail\Emails\EmailSource;
use App\Mail\Emails\KindOfMessage;
use App\Models\Message;
use App\Models\Person;
use App\Models\Submission;
use App\Support\Hosts;
use App\Support\RichText;
use Lantern\Core\Page\Look\Colour;

/** Emails to the owner about who filled in a form: one at once, or all of a day. */
final class NoticeMessage extends KindOfMessage
{
    /** People named in one email; a day with more of them has a link to all. */
    private const MOST = 100;

    public function isForPerson(): bool
    {
        return false;
    }

    public function source(Message $message): ?EmailSource
    {
        $megabytes = $message->content['megabytes'] ?? null;
        if (is_int($megabytes)) {
            return new EmailSource('The disk of your application is nearly full', RichText::email('<p>'.number_format($megabytes).' MB are '
                .'left on the disk on which Upbeat Lantern keeps its data. Once it is full, nobody can join, buy or change anything, until '
                .'there is room again. Nothing that is stored is lost by it.</p><p>Please have room made on that machine, or remove files '
                .'and recordings that you do not need any more.</p>'), Colour::of(EmailSource::ACCENT), tracked: false);
        }
        $report = $message->content['report'] ?? null;
        if (is_array($report)) {
            $lines = array_map(fn (mixed $line): string => '<li>'.self::plain(e(is_string($line) ? $line : '')).'</li>', $report);

            return new EmailSource('Your week', RichText::email('<ul>'.implode('', $lines).'</ul><p><a href="'
                .e(Hosts::studio().'/studio/results').'">All results</a></p>'), Colour::of(EmailSource::ACCENT), tracked: false);
        }
        $warm = $message->content['warm'] ?? null;
        if (is_string($warm)) {
            return self::warm($warm);
        }
        $ofRule = RuleWords::source($message->content ?? []);
        if ($ofRule !== null) {
            return $ofRule;
        }
        $readers = ReaderWords::read($message->content['readers'] ?? null);
        if ($readers !== []) {
            return ReaderWords::of($readers, ! is_string($message->content['day'] ?? null));
        }
        $ids = $message->content['submissions'] ?? [];
        $submissions = Submission::query()->with(['person', 'funnel', 'version'])->whereIn('id', is_array($ids) ? $ids : [])
            ->whereHas('person', fn ($q) => $q->whereNull('erased_at'))->orderBy('submitted_at')->get();
        $first = $submissions->first();
        if ($first === null) {
            return null;
        }
        $zone = $message->business->zone();
        $identity = fn (Submission $s): string => e($s->person->fullName() === '' ? $s->person->email
            : "{$s->person->fullName()} ({$s->person->email})");
        $link = fn (Submission $s): string => e(Hosts::studio()."/studio/people/{$s->person_id}");
        $day = $message->content['day'] ?? null;
        if (is_string($day)) {
            $items = $submissions->take(self::MOST)
                ->map(fn (Submission $s): string => '<li><a href="'.$link($s).'">'.$identity($s).'</a>, '.e($s->funnel->name).', '
                        .$s->submitted_at->setTimezone($zone)->format('H:i').'</li>');
            $count = count($submissions);

            return new EmailSource($count === 1 ? 'One new person' : "{$count} new people",
                RichText::email('<p>Since yesterday these people filled in a form of yours:</p><ul>'.self::plain($items->implode(''))
                    .'</ul>'
                .($count > self::MOST
                    ? '<p>And '.number_format($count - self::MOST).' more: <a href="'.e(Hosts::studio().'/studio/people/submissions')
                    .'">all of them</a>.</p>' : '')),
                Colour::of(EmailSource::ACCENT), tracked: false);
        }
        $form = $first->version->plan()->form($first->form_id);
        $rows = '';
        foreach ($form->fields ?? [] as $field) {
            $value = $first->answers[$field->key()] ?? '';
            $rows .= $value === '' ? '' : '<li><strong>'.e($field->label).'</strong>: '.str_replace("\n", ', ', e($value)).'</li>';
        }

        return new EmailSource('New: '.self::plain($first->person->fullName() === '' ? $first->person->email : $first->person->fullName()),
            RichText::email('<p>'.self::plain($identity($first)).' filled in “'.self::plain(e($form->name ?? 'a form')).'” of “'
                .self::plain(e($first->funnel->name)).'”, '.$first->submitted_at->setTimezone($zone)->format('j F, H:i').'.</p>'
            .'<ul>'.self::plain($rows).'</ul><p><a href="'.$link($first).'">Open this person</a></p>'), Colour::of(EmailSource::ACCENT),
            tracked: false);
    }

    private static function warm(string $id): ?EmailSource
    {
        $person = Person::query()->whereNull('erased_at')->with('business')->find($id);
        if ($person === null) {
            return null;
        }
        $name = self::plain($person->fullName() === '' ? $person->email : $person->fullName());
        $link = Hosts::studio()."/studio/people/{$person->id}";

        return new EmailSource("{$name} has become warm", RichText::email('<p>'.e($name).' has become warm by what they did last. Why, and '
            .'what would be next, is on their page.</p><p><a href="'.e($link).'">Open this person</a></p>'),
            Colour::of(EmailSource::ACCENT), tracked: false);
    }

    /** What people wrote holds no merge fields. */
    private static function plain(string $words): string
    {
        return str_replace('{{', '{ {', $words);
    }
}
