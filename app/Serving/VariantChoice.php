<?php

declare(strict_types=1);

namespace App\Serving;

use App\Deadlines\VisitorIdentity;
use App\Experiments\Exposures;
use App\Models\Experiment;
use App\Models\PublishedPage;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Lantern\Core\Experiments\LetterChoice;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Visits\Seeing;

/** Which variant of a page in a split test somebody gets: the one that {@see LetterChoice} names, or else their own. */
final class VariantChoice
{
    public static function of(LivePage $live, Request $request): LivePage
    {
        $test = $live->page->split_test;
        if ($test === null || $live->closed) {
            return $live;
        }
        $experiment = Experiment::query()->find($test['test'], ['id', 'ended_at', 'winner']);
        $asked = $request->query('variant');
        // Whoever sends a form is somebody who was shown the page.
        $forAll = LetterChoice::of($experiment !== null && $experiment->ended_at === null, $experiment?->winner,
            Browser::isOwner($request), is_string($asked) ? $asked : null, ! $request->isMethodSafe() || Seeing::isByAPerson(
                $request->method(), $request->userAgent(), $request->headers->get('Sec-Purpose')));
        if ($experiment === null || $forAll !== null) {
            return self::as($live, $forAll ?? SplitTest::ORIGINAL);
        }
        $known = Browser::id($request);
        $visitor = $known ?? str_replace('-', '', (string) Str::uuid());
        $person = VisitorIdentity::personOf($known) ?? Visit::readerOf($request, $live->funnel)?->person->id;

        return self::as($live, Exposures::letter($experiment->id, $test['weights'], $visitor, $person), $known === null ? $visitor : null);
    }

    /** @param  string|null  $newVisitor  the id for a browser that has none yet */
    private static function as(LivePage $live, string $letter, ?string $newVisitor = null): LivePage
    {
        $row = $letter === SplitTest::ORIGINAL ? null : PublishedPage::query()->where('version_id', $live->page->version_id)
            ->where('page_id', $live->page->page_id)->where('variant', $letter)->first();
        // It stands where the page stands.
        $row?->setAttribute('address', $live->page->address);

        return new LivePage($live->funnel, $row ?? $live->page, $live->closed, $live->deadlines, $live->states, $live->identity,
            $newVisitor);
    }
}
