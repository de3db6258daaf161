<?php

declare(strict_types=1);

namespace App\Http\Studio\Account;

use App\Http\Studio\StudioController;
use App\Languages\PhraseBook;
use App\Languages\PhraseFile;
use App\Models\Business;
use App\Models\Funnel;
use App\Serving\PublishedPages;
use App\Support\Input;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\Languages;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Support\Invalid;

/** What the application says to visitors, in the owner's own words: of all funnels, or of one. */
final class PhraseController extends StudioController
{
    public function index(Request $request, PhraseBook $book, ?string $funnel = null): JsonResponse
    {
        $of = $this->owner($funnel);
        $language = $this->language($request, $of);

        return response()->json(['language' => $language->tag, 'spoken' => Languages::isSpoken($language->tag),
            'name' => $of instanceof Funnel ? $of->name : null,
            'places' => $book->places($language, OwnPhrases::of($of->phrases), $this->below($of))]);
    }

    public function update(Request $request, PhraseBook $book, PublishedPages $pages, ?string $funnel = null): JsonResponse
    {
        $of = $this->owner($funnel);
        $language = $this->language($request, $of);
        $texts = $request->input('texts');
        if (! is_array($texts) || $texts === [] || count($texts) > OwnPhrases::MOST) {
            throw Invalid::at('texts', 'Please say which phrase, and in which words.');
        }
        $checked = [];
        foreach ($texts as $key => $text) {
            if (! is_string($text) && $text !== null) {
                throw Invalid::at("texts.{$key}", 'Please write words.');
            }
            $checked[(string) $key] = trim((string) $text);
            if ($checked[$key] !== '') {
                $book->check($language, (string) $key, $checked[$key], "texts.{$key}");
            }
        }

        return response()->json(['texts' => $this->keep($of, $language, $checked, $pages),
            'examples' => array_map(fn (string $key): string => $book->example($language, $checked[$key] !== '' ? $checked[$key]
                : $this->below($of)->text($language->tag, $key) ?? $book->ships($language, $key)),
                array_combine(array_keys($checked), array_map(strval(...), array_keys($checked))))]);
    }

    public function export(Request $request, PhraseFile $file, ?string $funnel = null): Response
    {
        $of = $this->owner($funnel);
        $language = $this->language($request, $of);

        return new Response($file->write($language, OwnPhrases::of($of->phrases)->over($this->below($of))), 200, [
            'Content-Type' => 'text/x-gettext-translation; charset=UTF-8',
            'Content-Disposition' => "attachment; filename=\"phrases-{$language->tag}.po\""]);
    }

    public function import(Request $request, PhraseFile $file, PublishedPages $pages, ?string $funnel = null): JsonResponse
    {
        $of = $this->owner($funnel);
        $given = $request->file('file');
        if (! $given instanceof UploadedFile || ! $given->isValid()) {
            throw Invalid::at('file', 'The file did not arrive whole. Please choose it again.');
        }
        if ($given->getSize() > PhraseFile::MOST_BYTES) {
            throw Invalid::at('file', 'This file is larger than all phrases together can be.');
        }
        $read = $file->read((string) $given->getContent());
        $before = OwnPhrases::of($of->phrases);
        // In a funnel, what is said as in all others is nothing of its own.
        $texts = [];
        foreach ($read['texts'] as $key => $text) {
            $below = $this->below($of)->text($read['language']->tag, $key);
            $texts[$key] = $text === $below ? '' : $text;
        }
        $changed = array_filter($texts, fn (string $text, string $key): bool => $text !== ($before->text($read['language']->tag, $key)
            ?? ''),
            ARRAY_FILTER_USE_BOTH);
        if ($changed !== []) {
            $this->keep($of, $read['language'], $changed, $pages);
        }

        return response()->json(['language' => $read['language']->tag, 'changed' => count($changed), 'refused' => $read['refused'],
            'before' => array_map(fn (string $key): string => $before->text($read['language']->tag, $key) ?? '',
                array_combine(array_keys($changed), array_keys($changed)))]);
    }

    private function owner(?string $funnel): Business|Funnel
    {
        return $funnel === null ? $this->business() : $this->funnel($funnel);
    }

    private function below(Business|Funnel $of): OwnPhrases
    {
        return $of instanceof Funnel ? OwnPhrases::of($of->business->phrases) : OwnPhrases::none();
    }

    /** @throws Invalid where there is no such language */
    private function language(Request $request, Business|Funnel $of): Language
    {
        $tag = Input::text($request, 'language') ?: $of->language;

        return Languages::isKnown($tag) ? Language::of($tag)
            : throw Invalid::at('language', 'There is no such language. Please choose one from the list.');
    }

    /**
     * @param  array<string, string>  $texts  by key; '' for as it ships
     * @return array<string, string>
     */
    private function keep(Business|Funnel $of, Language $language, array $texts, PublishedPages $pages): array
    {
        DB::transaction(function () use ($of, $language, $texts, $pages): void {
            // Two windows may each change a phrase: what the other one kept is read within the transaction.
            $of->refresh();
            $own = OwnPhrases::of($of->phrases);
            foreach ($texts as $key => $text) {
                $own = $own->with($language->tag, $key, $text);
            }
            $of->forceFill(['phrases' => $own->toArray()])->save();
            if ($of instanceof Business) {
                $pages->drawAnew($of);
            }
        });

        return $texts;
    }
}
