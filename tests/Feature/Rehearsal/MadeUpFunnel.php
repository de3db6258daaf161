<?php

declare(strict_types=1);

namespace Tests\Feature\Rehearsal;

use App\Drafts\DraftPlan;
use App\Drafts\DraftRows;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Ids;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\PopupDesigns;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\Webinar;

/** Changes a draft at random, by the seed of `mt_rand`: delays, windows, zones, triggers, lengths of deadlines, schedules, prices. */
final class MadeUpFunnel
{
    /** @param  string  $recording  the id of an uploaded video */
    public static function change(Funnel $funnel, string $recording): void
    {
        foreach (DraftPart::there($funnel->id, SequencePlan::kind())->orderBy('id')->get() as $row) {
            $starts = $row->definition['starts'] ?? [];
            if (self::chance(3)) {
                $starts[] = self::trigger($funnel);
            }
            $row->change(['byReader' => self::chance(2), 'starts' => $starts, 'again' => self::chance(3)]
                + (self::chance(3) ? ['window' => ['days' => [1, 2, 3, 4, 5], 'from' => 8, 'to' => 18]] : [])
                + (self::chance(4) ? ['ends' => [['kind' => 'tag', 'tag' => 'Enough']]] : []))->save();
        }
        foreach (DraftPart::there($funnel->id, EmailPlan::kind())->orderBy('id')->get() as $row) {
            $from = $row->definition['timing']['from'] ?? 'joining';
            if ($from === 'joining' && self::chance(2)) {
                $row->change(['timing' => ['from' => 'joining'] + self::one([['minutes' => 0], ['minutes' => 30], ['days' => 1,
                    'hour' => 9],
                    ['days' => 2], ['days' => 3, 'hour' => 20]])])->save();
            } elseif ($from === 'deadline' && self::chance(2)) {
                $row->change(['timing' => ['from' => 'deadline', 'deadline' => $row->definition['timing']['deadline'], 'edge' => 'end']
                    + self::one([['minutes' => -180], ['days' => -1, 'hour' => 9], ['minutes' => -60], ['days' => 1, 'hour' => 8]])])
                    ->save();
            }
        }
        foreach (DraftPart::there($funnel->id, Deadline::kind())->orderBy('id')->get() as $row) {
            if (isset($row->definition['duration'])) {
                $row->change(['duration' => self::one([['days' => 3, 'time' => '20:00'], ['minutes' => 90], ['days' => 1],
                    ['minutes' => 2880]]),
                    'grace' => self::one([0, 10, 60]), 'again' => self::chance(3) ? 1 : null])->save();
                if (self::chance(3)) {
                    $row->change(['starts' => [...$row->definition['starts'] ?? [], self::trigger($funnel)]])->save();
                }
            }
        }
        foreach (DraftPart::there($funnel->id, FormPlan::kind())->orderBy('id')->get() as $row) {
            $row->change(['doubleOptIn' => self::chance(3), 'tags' => self::chance(2) ? ['Cellist'] : []]
                + (self::chance(3) ? ['marketing' => 'Write to me'] : []))->save();
        }
        foreach (DraftPart::there($funnel->id, Offer::kind())->orderBy('id')->get() as $row) {
            if (self::chance(4)) {
                $row->change(['price' => ['kind' => 'payments', 'amount' => 4_000, 'currency' => 'EUR', 'payments' => 3,
                    'every' => 'month']])
                    ->save();
            }
        }
        foreach (DraftPart::there($funnel->id, Webinar::kind())->orderBy('id')->get() as $row) {
            $row->change(['mode' => 'automated', 'video' => $recording, 'schedule' => ['kind' => 'recurring', 'zone' => 'Europe/Berlin',
                'theirs' => self::chance(2),
                'times' => ['18:00'], 'recurrence' => ['every' => 'week', 'days' => [1, 2, 3, 4, 5, 6, 7], 'from' => '2027-01-05'],
                'minutes' => 60]])->save();
        }
    }

    /** A pop-up over some of its pages, now and then, with limits of its own. */
    public static function popup(Funnel $funnel): void
    {
        if (! self::chance(2) || DraftPart::there($funnel->id, FormPlan::kind())->doesntExist()) {
            return;
        }
        $fresh = PopupDesigns::fresh(Ids::next(), 'Before you go', PopupDesigns::get('popup-card'), Ids::next(...), DraftPlan::read(
            $funnel)->firstParts())->toArray();
        $words = (string) preg_replace('/\[[^\]"{}]{3,}\]/u', 'Twelve minutes a day, free', (string) json_encode($fresh,
            JSON_UNESCAPED_UNICODE));
        $page = (string) DraftPart::there($funnel->id, PagePlan::kind())->orderBy('id')->skip(1)->value('id');
        $fresh = (array) json_decode($words, true);
        $after = self::one([['kind' => 'thanks'], ['kind' => 'page', 'to' => $page], ['kind' => 'page', 'to' => '']]);
        if ($after['kind'] === 'page') {
            // Words of thanks are a section of their own.
            array_pop($fresh['document']['sections']);
        }
        DraftRows::add($funnel, Popup::fromShape(Shape::of(['on' => true, 'tag' => self::one(['', 'Popped']),
            'after' => $after,
            'limits' => self::one([['repeat' => 'always', 'afterClosed' => 0, 'apart' => 0], ['repeat' => 'visit', 'afterClosed' => 1],
                ['repeat' => 'days', 'days' => 2, 'afterClosed' => 3], ['repeat' => 'once'], ['repeat' => 'always', 'most' => 2,
                    'afterClosed' => 0, 'apart' => 0, 'fromVisit' => 2]]),
            'targeting' => self::one([['pages' => 'all'], ['pages' => 'all', 'visitors' => 'new'], ['pages' => 'all',
                'visitors' => 'returning'], ['pages' => 'except', 'ids' => [$page]]]),
            'never' => ['all' => true, 'rules' => self::one([[], [['kind' => 'tag', 'tag' => 'Cellist']]])],
        ] + $fresh)));
    }

    /**
     * A rule of whatever is in the funnel.
     *
     * @return array<string, mixed> as it is typed
     */
    public static function rule(Funnel $funnel): array
    {
        $of = function (string $kind) use ($funnel): ?string {
            $ids = DraftPart::there($funnel->id, $kind)->orderBy('id')->pluck('id')->all();

            return $ids === [] ? null : (string) self::one(array_values($ids));
        };
        $having = fn (array $all): array => array_values(array_filter($all, fn (array $one): bool => ! in_array(null, $one, true)));
        $deadline = $of(Deadline::kind());
        $tags = ['Cellist', 'Interested', 'Enough', 'Ruled'];
        $acts = $having([['kind' => 'tag', 'tag' => self::one($tags)], ['kind' => 'untag', 'tag' => self::one($tags)],
            ['kind' => 'start-sequence', 'sequence' => $of(SequencePlan::kind())],
            ['kind' => 'end-sequence', 'sequence' => $of(SequencePlan::kind())], ['kind' => 'send-email',
                'email' => $of(EmailPlan::kind())],
            ['kind' => 'start-deadline', 'deadline' => $deadline]]);
        $personal = $deadline === null || isset(DraftPart::query()->findOrFail($deadline)->definition['duration']);

        return ['name' => 'Rule '.mt_rand(1, 999), 'when' => [self::one($having([self::trigger($funnel), ['kind' => 'signup'],
            ['kind' => 'click', 'email' => $of(EmailPlan::kind())], ['kind' => 'sequence', 'sequence' => $of(SequencePlan::kind())],
            ['kind' => 'bought'], ...($personal ? [['kind' => 'deadline-began', 'deadline' => $deadline],
                ['kind' => 'deadline-near', 'deadline' => $deadline, 'hours' => self::one([1, 24])]] : []),
            ['kind' => 'deadline-over', 'deadline' => $deadline]]))],
            'after' => self::one([null, null, ['minutes' => 45], ['days' => 1, 'time' => '09:00'], ['days' => 2]]),
            'only' => ['all' => true, 'rules' => self::one([[], [], [['kind' => 'deed', 'deed' => 'bought', 'not' => true]],
                [['kind' => 'tag', 'tag' => 'Cellist', 'not' => true]]])],
            'acts' => [self::one($acts), ...(self::chance(2) ? [self::one($acts)] : [])], 'eachTime' => self::chance(2)];
    }

    /** @return array<string, string|int> */
    private static function trigger(Funnel $funnel): array
    {
        $of = fn (string $kind): string => (string) DraftPart::there($funnel->id, $kind)->orderBy('id')->value('id');

        return self::one([['kind' => 'tag', 'tag' => 'Cellist'], ['kind' => 'tag', 'tag' => 'Interested'],
            ['kind' => 'page', 'page' => $of(PagePlan::kind()), 'times' => 2]]);
    }

    private static function chance(int $in): bool
    {
        return mt_rand(1, $in) === 1;
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $of
     * @return T
     */
    private static function one(array $of): mixed
    {
        return $of[mt_rand(0, count($of) - 1)];
    }
}
