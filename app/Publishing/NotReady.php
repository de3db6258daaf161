<?php

declare(strict_types=1);

namespace App\Publishing;

use Illuminate\Http\JsonResponse;
use Lantern\Core\Checks\Finding;
use RuntimeException;

/** The go-live check found something that must be fixed first. */
final class NotReady extends RuntimeException
{
    /** @param  list<Finding>  $findings */
    public function __construct(public readonly array $findings)
    {
        // Whoever shows only this sentence says what is wrong all the same.
        $blockers = array_values(array_filter($findings, fn (Finding $f): bool => $f->blocks));
        $more = count($blockers) - 1;
        parent::__construct('This funnel cannot go live yet. Nothing was published. '.($blockers[0]->message ?? '')
            .($more > 0 ? " The check found {$more} more." : ''));
    }

    public function report(): bool
    {
        return true; // Expected, and told to the owner; nothing for the log.
    }

    public function render(): JsonResponse
    {
        return response()->json([
            'message' => $this->getMessage(),
            'findings' => array_map(fn (Finding $f): array => $f->toArray(), $this->findings),
        ], 422);
    }
}
