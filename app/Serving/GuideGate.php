<?php

declare(strict_types=1);

namespace App\Serving;

use App\Guides\Answers;
use App\Guides\GuideReader;
use App\Records\GuideFacts;
use App\Records\Readings;
use App\Serving\Facts\ReadingFacts;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** Which pages of a guide somebody gets: all for whoever has joined, for everybody else those that its owner lets be read before. */
final class GuideGate
{
    /** The mark that stands for what is said in place of the rest. */
    private const LOCKED = 'locked';

    /** The HTML of a page, with its slots; of a guide, without what is not for this visitor. */
    public static function html(Visit $visit): string
    {
        $facts = self::facts($visit);
        if ($facts === null) {
            return $visit->page->html;
        }
        $whole = Browser::isOwner($visit->request) || self::reader($visit, $facts) !== null;
        $open = $facts->openPages();
        // Whoever may read all of it anyway is asked for nothing.
        $all = count($open) === count($facts->pages);

        // No words of an owner's can hold a comment.
        $html = (string) preg_replace_callback('~<!--leaf:([A-Za-z0-9-]+)-->(.*?)<!--/leaf-->~s',
            fn (array $m): string => ($m[1] === self::LOCKED ? ! $whole && ! $all : $whole || in_array($m[1], $open, true)) ? $m[2] : '',
            $visit->page->html);

        // What leads to a page that is not there leads to what stands in its place.
        return $whole || $all ? $html : str_replace(
            array_map(fn (string $id): string => 'href="#p-'.$id.'"', array_values(array_diff($facts->ids(), $open))),
            'href="#p-'.self::LOCKED.'"', $html);
    }

    public static function reading(Visit $visit): ?ReadingFacts
    {
        $facts = self::facts($visit);
        $reader = $facts === null || Browser::isOwner($visit->request) ? null : self::reader($visit, $facts);
        if ($facts === null || $reader === null) {
            return null;
        }
        $guide = $visit->page->page_id;
        $id = $reader->reading($guide, $visit->funnel->id, CarbonImmutable::now());
        $last = $reader->isProven() ? DB::table('guide_progress')->where('person_id', $reader->person)->where('guide_id', $guide)
            ->value('last_page') : Readings::lastBy($id, $facts);

        return new ReadingFacts($id, GuideReader::seal($id), in_array($last, $facts->ids(), true) ? (string) $last : '',
            Answers::of($reader->person, $guide, $reader->isProven() ? null : $reader->submission));
    }

    private static function facts(Visit $visit): ?GuideFacts
    {
        return $visit->page->guide === null ? null : GuideFacts::fromArray($visit->page->guide);
    }

    private static function reader(Visit $visit, GuideFacts $facts): ?GuideReader
    {
        return GuideReader::of($facts, $visit->submission, $visit->reader());
    }
}
