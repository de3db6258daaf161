<?php

declare(strict_types=1);

namespace App\Http\Studio\Results;

use App\Http\Studio\StudioController;
use App\Models\Spend;
use App\Results\Costs;
use App\Results\SpendFile;
use App\Support\Ids;
use App\Support\Input;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Results\Period;
use Lantern\Core\Results\Touch;
use Lantern\Core\Support\Invalid;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What was spent on each source, typed or from a file, and what it brought. */
final class CostController extends StudioController
{
    private const MOST = 300;

    public function index(Request $request): JsonResponse
    {
        $business = $this->business();
        $period = AskedPeriod::of($request, $business->zone());
        $spends = Spend::query()->where('business_id', $business->id)->orderByDesc('to_day')->orderByDesc('id')->limit(self::MOST)->get();

        return response()->json((new Costs($business, $period))->toArray()
            + ['spends' => array_values($spends->map($this->json(...))->all())]);
    }

    public function store(Request $request): JsonResponse
    {
        return response()->json($this->json(Spend::query()->create($this->typed($request)
            + ['business_id' => $this->business()->id])), 201);
    }

    public function update(Request $request, string $spend): JsonResponse
    {
        $found = $this->spend($spend);
        $found->forceFill($this->typed($request))->save();

        return response()->json($this->json($found));
    }

    public function destroy(string $spend): JsonResponse
    {
        $this->spend($spend)->delete();

        return response()->json(['id' => $spend]);
    }

    /** All lines of a file, or none. */
    public function import(Request $request): JsonResponse
    {
        $file = $request->file('file');
        if (! $file instanceof UploadedFile) {
            throw Invalid::at('file', 'The file did not arrive. Please choose it again.');
        }
        $rows = SpendFile::read($file, $this->business()->currency);
        DB::transaction(function () use ($rows): void {
            foreach ($rows as $row) {
                Spend::query()->create($row + ['business_id' => $this->business()->id]);
            }
        });

        return response()->json(['count' => count($rows)], 201);
    }

    /** @return array<string, mixed> */
    private function typed(Request $request): array
    {
        $source = Touch::of(['utm_source' => Input::text($request, 'source')]);
        if ($source === '') {
            throw Invalid::at('source', 'Which source was it spent on? Call it as your links do, such as podcast.');
        }
        $from = Input::text($request, 'from');
        $period = Period::between($from, Input::text($request, 'to') ?: $from);
        $code = Input::text($request, 'currency');
        $currency = Currency::of($code === '' ? $this->business()->currency : $code);
        $amount = Money::typed(Input::text($request, 'amount'), $currency);
        if (! $amount->isPositive()) {
            throw Invalid::at('amount', 'How much was spent? A source that cost nothing needs no entry.');
        }

        return ['source' => $source, 'from_day' => $period->from, 'to_day' => $period->to, 'amount' => $amount->minor,
            'currency' => $currency->code, 'note' => mb_substr(mb_scrub(Input::text($request, 'note')), 0, 200)];
    }

    /** @return array<string, mixed> */
    private function json(Spend $spend): array
    {
        $money = Money::of($spend->amount, Currency::of($spend->currency));

        return ['id' => $spend->id, 'source' => $spend->source, 'from' => $spend->from_day, 'to' => $spend->to_day,
            'amount' => $money->plain(), 'currency' => $spend->currency, 'words' => $money->words($this->business()->locale),
            'note' => $spend->note];
    }

    private function spend(string $id): Spend
    {
        return Ids::is($id) ? Spend::query()->where('business_id', $this->business()->id)->findOrFail($id)
            : throw new NotFoundHttpException;
    }
}
