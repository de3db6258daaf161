<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Drafts\CleanDocument;
use App\Drafts\DraftGuides;
use App\Drafts\Kinds\DraftKinds;
use App\Drafts\Kinds\GuideKind;
use App\Guides\Documents\DocumentPages;
use App\Http\Studio\StudioController;
use App\Models\DraftPart;
use App\Support\Input;
use App\Support\RichText;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Page\Document;
use Lantern\Core\Plan\LeadMagnet;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Starters\StarterReminders;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** Guides and their pages: made, of a document or of the starter, added to, and put in another order. */
final class GuideController extends StudioController
{
    /** A document of more bytes is not looked at. */
    private const MOST_BYTES = 20_000_000;

    public function __construct(private readonly DraftGuides $guides, private readonly DraftKinds $kinds)
    {
    }

    /** A guide, given by a lead magnet where one is named. */
    public function store(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $magnet = Input::text($request, 'leadMagnet');
        $leadMagnet = $magnet === '' ? null : $this->draftPart($magnet, LeadMagnet::kind());
        if ($leadMagnet !== null && $leadMagnet->funnel_id !== $found->id) {
            throw Invalid::at('leadMagnet', 'This lead magnet belongs to another funnel.');
        }
        $guide = $this->guides->make($found, $request->all(), $this->pages($request), $leadMagnet);

        return response()->json($this->kinds->json($guide), 201);
    }

    /** Pages more: one to fill in, a copy of one, or those of a document. */
    public function addPage(Request $request, string $guide): JsonResponse
    {
        $found = $this->draftPart($guide, Guide::kind());
        $after = Input::text($request, 'after');
        $after = $after === '' ? null : $after;
        $pages = $this->pages($request);
        $of = Input::text($request, 'of');
        if ($pages !== [] && $request->boolean('instead')) {
            [$made, $gone] = $this->guides->replace($found, $pages);

            return response()->json(['pages' => array_map($this->kinds->json(...), $made), 'removed' => $gone], 201);
        }
        $made = $pages !== [] ? $this->guides->addAll($found, $pages, $after)
            : [$this->guides->add($found, $after, $of === '' ? null : $of)];

        return response()->json(['pages' => array_map($this->kinds->json(...), $made)], 201);
    }

    public function reorder(Request $request, string $guide): JsonResponse
    {
        $found = $this->draftPart($guide, Guide::kind());
        $this->guides->reorder($found, Shape::of($request->all())->texts('pages', Guide::MOST_PAGES, 40));

        return response()->json(['pages' => GuideKind::pages($found)->pluck('id')->all()]);
    }

    /** Emails to those who have not begun it, or not finished it, on days of the owner's. */
    public function remind(Request $request, string $guide): JsonResponse
    {
        $found = $this->draftPart($guide, Guide::kind());
        $reminders = array_map(fn (Shape $r): array => ['days' => $r->integer('days', 1, Delay::MOST_DAYS),
            'not' => $r->oneOf('not', StarterReminders::WHOM) === 'begun' ? 'begun' : 'finished'],
            Shape::of($request->all())->groups('reminders', StarterReminders::MOST));
        if ($reminders === []) {
            throw Invalid::at('reminders', 'Please say on which days you would like to remind people.');
        }
        usort($reminders, fn (array $a, array $b): int => $a['days'] <=> $b['days']);
        $made = $this->guides->remind($found, $reminders);

        return response()->json(['sequence' => $made[0]->id, 'parts' => array_map(fn (DraftPart $p): string => $p->id, $made)], 201);
    }

    /** What would become of a document: its pages, to be looked at. Nothing is stored. */
    public function read(Request $request, string $funnel): JsonResponse
    {
        $this->funnel($funnel);
        $file = $request->file('document');
        [$format, $content] = $file instanceof UploadedFile ? self::file($file)
            : [Input::text($request, 'format') === 'html' ? 'html' : 'markdown', Input::text($request, 'text')];
        if ($content === '') {
            throw Invalid::at('document', 'Please paste a text, or choose a document.');
        }

        return response()->json(['pages' => array_map(fn (array $p): array => ['name' => $p['name'], 'words' => $p['words'],
            'document' => $p['document']->toArray(), 'begins' => self::begins($p['document'])], DocumentPages::of($format, $content))]);
    }

    /** @return array{string, string} format and content */
    private static function file(UploadedFile $file): array
    {
        if (! $file->isValid() || $file->getSize() > self::MOST_BYTES) {
            throw Invalid::at('document', 'This document is too large: 20 MB at most. Please make it smaller, or paste its text.');
        }
        $format = match (strtolower($file->getClientOriginalExtension())) {
            'pdf' => 'pdf',
            'html', 'htm' => 'html',
            'md', 'markdown', 'txt' => 'markdown',
            default => throw Invalid::at('document', 'Please choose a Word document (.docx), a PDF, or a Markdown, HTML or text file.'),
        };

        return [$format, (string) file_get_contents($file->getRealPath())];
    }

    /** Its first words, for a look at what it has become. */
    private static function begins(Document $document): string
    {
        foreach ($document->blocks() as $block) {
            $words = $block->kind->value === 'heading' ? '' : trim(implode(' ', $block->passages()));
            if ($words !== '') {
                return mb_strimwidth($words, 0, 140, '…');
            }
        }

        return '';
    }

    /** @return list<array{name: string, document: Document}> as the Studio sends them back; none where none are sent */
    private function pages(Request $request): array
    {
        $pages = [];
        foreach (Shape::of($request->all())->groups('pages', Guide::MOST_PAGES) as $page) {
            $name = mb_substr(RichText::line($page->text('name', 300)), 0, 120);
            if ($name === '') {
                throw Invalid::at($page->path('name'), 'Please give each page a name.');
            }
            $pages[] = ['name' => $name, 'document' => CleanDocument::of($page->group('document')->all(), $this->business()->id)];
        }

        return $pages;
    }
}
