<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Drafts\DraftPlan;
use App\Export\FunnelArchive;
use App\Export\HtmlExport;
use App\Http\Studio\StudioController;
use App\Models\Funnel;
use App\Support\SiteAddress;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Support\Invalid;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Pages and funnels exported, and funnels imported. */
final class ExportController extends StudioController
{
    public function archive(string $funnel, FunnelArchive $archive): BinaryFileResponse
    {
        $found = $this->funnel($funnel);

        return $this->zip($archive->write($found), $found->address.'.funnel.zip');
    }

    public function html(string $funnel, HtmlExport $export): BinaryFileResponse
    {
        $found = $this->funnel($funnel);
        $plan = DraftPlan::read($found);

        return $this->zip($export->zip($plan, [...$plan->pages, ...HtmlExport::guides($plan)], $found->business, self::home($found)),
            $found->address.'-pages.zip');
    }

    public function pageHtml(string $page, HtmlExport $export): BinaryFileResponse
    {
        $found = $this->draftPart($page, PagePlan::kind());
        $plan = DraftPlan::read($found->funnel);
        $shown = $plan->page($found->id) ?? throw new NotFoundHttpException;

        return $this->zip($export->zip($plan, [$shown], $found->funnel->business, self::home($found->funnel)),
            $found->funnel->address.'-'.($shown->address === '' ? 'entry' : $shown->address).'.zip');
    }

    public function import(Request $request, FunnelArchive $archive): JsonResponse
    {
        $file = $request->file('archive');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw Invalid::at('archive', 'The file did not arrive whole. Please choose it again.');
        }
        if ($file->getSize() > FunnelArchive::MOST_BYTES) {
            throw Invalid::at('archive', 'This file is larger than a funnel can be.');
        }

        return response()->json(['id' => $archive->read($file->getRealPath(), $this->business())->id], 201);
    }

    /** Where the funnel's pages are, if anybody else can reach it. */
    private static function home(Funnel $funnel): ?SiteAddress
    {
        $host = (string) parse_url($funnel->url(), PHP_URL_HOST);

        return in_array($host, ['localhost', '127.0.0.1', '[::1]', ''], true) || $funnel->state !== FunnelState::Live ? null
            : $funnel->site();
    }

    private function zip(string $path, string $name): BinaryFileResponse
    {
        return response()->download($path, $name, ['Content-Type' => 'application/zip'])->deleteFileAfterSend();
    }
}
