<?php

declare(strict_types=1);

namespace App\Http\Studio;

use App\Funnels\DraftPlan;
use App\Models\Form;
use App\Support\RichText;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Funnel\FormPlan;
use Lantern\Core\Support\Shape;

final class FormController extends StudioController
{
    public function update(Request $request, string $form): JsonResponse
    {
        return DB::transaction(function () use ($request, $form): JsonResponse {
            $found = $this->part(Form::class, $form);
            $this->sameRevision($request, $found->revision);
            $typed = $request->only(['fields', 'button', 'consent', 'consentRequired', 'tags']);
            foreach (['button', 'consent'] as $words) {
                if (is_string($typed[$words] ?? null)) {
                    $typed[$words] = RichText::plain($typed[$words]);
                }
            }
            $plan = FormPlan::fromShape(Shape::of(['id' => $found->id, 'name' => $found->name] + $typed + $found->definition));
            $found->forceFill(['definition' => DraftPlan::definition($plan), 'revision' => $found->revision + 1])->save();

            return response()->json(Json::form($found));
        });
    }
}
