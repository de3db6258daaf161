<?php

declare(strict_types=1);

namespace App\Http\Studio;

use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Person;
use App\Models\User;
use App\Support\Ids;
use App\Support\Input;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What the controllers of the Studio's API share: whose things they may touch, and how two windows meet. */
abstract class StudioController
{
    protected function user(): User
    {
        $user = Auth::user();

        return $user instanceof User ? $user : throw new NotFoundHttpException;
    }

    protected function business(): Business
    {
        return $this->user()->business;
    }

    /** The funnel, if it belongs to the signed-in owner; for anyone else's there is nothing here. */
    protected function funnel(string $id): Funnel
    {
        return Ids::is($id) ? Funnel::query()->where('business_id', $this->user()->business_id)->findOrFail($id)
            : throw new NotFoundHttpException;
    }

    /**
     * A part of one of the owner's funnels.
     *
     * @template T of Model
     *
     * @param  class-string<T>  $model
     * @return T
     */
    protected function part(string $model, string $id): Model
    {
        return Ids::is($id)
            ? $model::query()->whereHas('funnel', fn (Builder $q) => $q->where('business_id', $this->user()->business_id))->findOrFail($id)
            : throw new NotFoundHttpException;
    }

    /** A part of one of the owner's drafts, of one kind where one is named. */
    protected function draftPart(string $id, ?string $kind = null): DraftPart
    {
        $found = $this->part(DraftPart::class, $id);

        return $kind === null || $found->kind === $kind ? $found : throw new NotFoundHttpException;
    }

    /** Keeps two windows from overwriting each other unseen. The revision that was edited must still be the newest. */
    protected function sameRevision(Request $request, int $newest): void
    {
        if (Input::number($request, 'revision', -1, -1, PHP_INT_MAX) !== $newest) {
            throw new HttpResponseException(response()->json([
                'message' => 'This was changed in another window meanwhile. What you typed is still here; load the newer one to go on.',
            ], 409));
        }
    }

    /** Somebody of the business who is not erased. */
    protected function person(string $id): Person
    {
        return Ids::is($id) ? Person::query()->with('business')->where('business_id', $this->user()->business_id)->whereNull('erased_at')
            ->where('id', $id)->firstOrFail() : throw new NotFoundHttpException;
    }
}
