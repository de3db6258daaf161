<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Mail\Sending\ReturnedMail;
use App\Models\Business;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Lantern\Core\Messages\DeliveryReport;
use Lantern\Core\Messages\ReturnedEmail;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** Takes what came back: an email as it arrived in a mailbox, or a call of a mail provider. Whoever knows the address may call. */
final class ReturnedMailController
{
    /** So many things are told in one call. */
    private const MOST = 1000;

    public function __invoke(Request $request, string $business, string $key, ReturnedMail $returned): JsonResponse
    {
        $found = Business::query()->find((int) $business);
        if ($found?->report_key === null || ! hash_equals($found->report_key, $key)) {
            return response()->json(['message' => 'This address takes no reports. Please copy it from Settings again.'], 404);
        }
        $body = (string) $request->getContent();
        if (strlen($body) > ReturnedMail::MOST) {
            return response()->json(['message' => 'A report has two million bytes at most. Its head is enough.'], 413);
        }
        try {
            $reports = $this->reports($request, $body);
        } catch (Invalid $e) {
            return response()->json(['message' => $e->getMessage(), 'errors' => [$e->path => [$e->getMessage()]]], 422);
        }

        return response()->json(['taken' => $returned->take($found, $reports)]);
    }

    /**
     * @return list<DeliveryReport>
     *
     * @throws Invalid when it is neither an email nor what our own form says
     */
    private function reports(Request $request, string $body): array
    {
        if (! $request->isJson()) {
            return trim($body) === '' ? throw Invalid::at('body', 'There is nothing in it.') : ReturnedEmail::reports($body);
        }
        $told = json_decode($body, true, 8);
        if (! is_array($told)) {
            throw Invalid::at('body', 'This is no JSON.');
        }
        $told = array_is_list($told) ? $told : [$told];
        if (count($told) > self::MOST) {
            throw Invalid::at('body', 'A thousand at once are enough.');
        }

        return array_map(DeliveryReport::fromShape(...), Shape::of(['reports' => $told])->groups('reports', self::MOST));
    }
}
