<?php

declare(strict_types=1);

namespace App\Http\Studio\People;

use App\Http\Studio\StudioController;
use App\Models\Import;
use App\Models\ImportState;
use App\People\Import\ImportFile;
use App\People\Import\Importing;
use App\People\Import\ImportUndo;
use App\Support\Ids;
use App\Support\Instant;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Lantern\Core\People\CsvWriter;
use Lantern\Core\People\ImportPlan;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Bringing people in from a file: look at it, say which column is what, watch it, and take it back. */
final class ImportController extends StudioController
{
    public function index(): JsonResponse
    {
        return response()->json(['imports' => Import::query()->where('business_id', $this->user()->business_id)
            ->where('state', '!=', ImportState::New)->latest()->limit(30)->get()->map(self::json(...))->all()]);
    }

    public function store(Request $request, ImportFile $file): JsonResponse
    {
        $uploaded = $request->file('file');
        if (! $uploaded instanceof UploadedFile || ! $uploaded->isValid()) {
            throw Invalid::at('file', 'The file did not arrive. Please choose it again.');
        }

        return response()->json(self::json($file->take($this->business(), $uploaded)), 201);
    }

    public function show(string $import): JsonResponse
    {
        return response()->json(self::json($this->import($import))
            + ['refusals' => DB::table('import_refusals')->where('import_id', $import)->orderBy('line')->limit(50)
                ->get(['line', 'why', 'raw'])
                ->map(fn ($r): array => ['line' => (int) $r->line, 'why' => (string) $r->why, 'raw' => mb_substr((string) $r->raw, 0, 120)])
                ->all()]);
    }

    public function start(Request $request, string $import, Importing $importing): JsonResponse
    {
        $found = $this->import($import);
        $plan = ImportPlan::fromShape(Shape::of($request->only(['columns', 'known', 'tags', 'marketing', 'agreed'])
            + ['header' => (bool) $found->reading['header'], 'dates' => (string) ($found->reading['dates'] ?? '')]));
        if ($found->state !== ImportState::New) {
            throw Invalid::at('import', 'This list is being imported already.');
        }
        $importing->start($found, $plan);

        return response()->json(self::json($found));
    }

    public function stop(string $import, Importing $importing): JsonResponse
    {
        $importing->stop($this->import($import));

        return response()->json(self::json($this->import($import)));
    }

    public function undo(string $import, ImportUndo $undo): JsonResponse
    {
        $found = $this->import($import);
        $undo->start($found);

        return response()->json(self::json($found->refresh()));
    }

    /** Every line that was refused, and why, as CSV: to be put right and imported again. */
    public function report(string $import): StreamedResponse
    {
        $found = $this->import($import);

        return response()->streamDownload(function () use ($found): void {
            echo "\xEF\xBB\xBF".CsvWriter::record('Line', 'Why', 'What stood there');
            foreach (DB::table('import_refusals')->where('import_id', $found->id)->orderBy('id')->lazy(500) as $row) {
                echo CsvWriter::record((string) $row->line, (string) $row->why, (string) $row->raw);
            }
        }, 'refused-lines.csv', ['Content-Type' => 'text/csv; charset=utf-8']);
    }

    private function import(string $id): Import
    {
        return Ids::is($id) ? Import::query()->where('business_id', $this->user()->business_id)->where('id', $id)->firstOrFail()
            : throw new NotFoundHttpException;
    }

    /** @return array<string, mixed> */
    private static function json(Import $i): array
    {
        return ['id' => $i->id, 'name' => $i->name, 'state' => $i->state, 'reading' => $i->reading, 'lines' => $i->lines,
            'done' => $i->added + $i->updated + $i->same + $i->refused,
            'added' => $i->added, 'updated' => $i->updated, 'same' => $i->same, 'refused' => $i->refused, 'stayed' => $i->stayed,
            'noted' => $i->noted, 'at' => Instant::json($i->created_at)];
    }
}
