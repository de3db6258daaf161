<?php

declare(strict_types=1);

namespace App\Serving;

use App\Languages\SiteLanguage;
use App\Languages\SiteVoice;
use App\Languages\Voices;
use App\Models\Funnel;
use App\Rendering\LookStyle;
use App\Rendering\PageAssets;
use App\Rendering\SiteAssets;
use App\Support\AnswerKind;
use Illuminate\Database\QueryException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\View;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Look\Look;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Page\Look\Paint;
use Symfony\Component\HttpFoundation\Response as AnyResponse;
use Throwable;

/**
 * What is answered while nothing can be stored, since somebody else holds the database or the disk is full. Nothing was stored by
 * half. What was typed stands in the page, and is sent again by itself, once; its token makes it the same form.
 */
final class BusyPage
{
    /** Seconds until it is worth another try. */
    public const AGAIN = 10;

    /** Says of a form that it was sent again by itself. */
    private const SENT_AGAIN = 'sent_again';

    /** Of what was typed, so many values of so many letters at most. */
    private const MOST_VALUES = 300;

    private const MOST_LETTERS = 20_000;

    private const SIGNS = '/database (table )?is locked|database or disk is full|disk I\/O error|No space left on device/i';

    /** Did something go wrong only because nothing could be stored just now? */
    public static function isWhy(Throwable $e): bool
    {
        return preg_match(self::SIGNS, $e->getMessage()) === 1 || ($e->getPrevious() !== null && self::isWhy($e->getPrevious()));
    }

    public static function response(Request $request): AnyResponse
    {
        $headers = ['Retry-After' => (string) self::AGAIN, 'Cache-Control' => 'no-store', 'X-Robots-Tag' => 'noindex'];
        if ($request->is('studio/*') || $request->expectsJson()) {
            $voice = $request->is('studio/*') ? Voices::of('en') : app(SiteLanguage::class)->voice();

            return new JsonResponse(['message' => $voice->say('notice.busy.stored')], 503, $headers);
        }
        [$look, $language, $funnel] = self::funnel($request);
        $isForm = $request->isMethod('POST');

        $voice = $language === null || $funnel === null ? app(SiteLanguage::class)->voice() : self::voice($language, $funnel);

        return new Response(View::make('site.busy', ['say' => $voice, 'look' => $look, 'style' => LookStyle::whole($look, Paint::of($look,
            Background::paper())), 'head' => SiteAssets::head(PageAssets::ofLook($look, $voice->language()->tag), false),
            'isForm' => $isForm,
            'action' => $request->getRequestUri(), 'typed' => $isForm ? self::flat($request->request->all()) : [],
            'resends' => $isForm && $request->input(self::SENT_AGAIN) === null,
            'mark' => self::SENT_AGAIN, 'seconds' => self::AGAIN])->render(), 503, AnswerKind::Page->headers() + $headers);
    }

    /** The database was read a moment ago, and may not be any more. */
    private static function voice(string $language, Funnel $funnel): SiteVoice
    {
        try {
            return Voices::ofFunnel($language, $funnel);
        } catch (QueryException) {
            return Voices::of($language, $funnel->business);
        }
    }

    /** @return array{Look, string|null, Funnel|null} the funnel that was asked for, its look and language, if it can be read */
    private static function funnel(Request $request): array
    {
        try {
            $funnel = Funnel::query()->with(['liveVersion', 'business'])->where('address', $request->segment(1))->first();
            $plan = $funnel?->liveVersion?->plan();

            return [$plan?->look() ?? Looks::get(Looks::DEFAULT), $plan?->language, $funnel];
        } catch (Throwable) {
            // Whoever cannot read the database either still says so kindly.
            return [Looks::get(Looks::DEFAULT), null, null];
        }
    }

    /**
     * @param  array<array-key, mixed>  $typed
     * @return array<string, string> by the name of its field
     */
    private static function flat(array $typed, string $of = ''): array
    {
        $flat = [];
        foreach ($typed as $name => $value) {
            $field = $of === '' ? (string) $name : "{$of}[{$name}]";
            if (is_array($value)) {
                $flat += self::flat($value, $field);
            } elseif (is_string($value) && $name !== self::SENT_AGAIN && mb_check_encoding($field.$value, 'UTF-8')) {
                $flat[$field] = mb_substr($value, 0, self::MOST_LETTERS);
            }
        }

        return array_slice($flat, 0, self::MOST_VALUES, true);
    }
}
