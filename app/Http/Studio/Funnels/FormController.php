<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Drafts\DraftPlan;
use App\Http\Studio\Json;
use App\Http\Studio\StudioController;
use App\Models\Form;
use App\Results\FieldCosts;
use App\Support\Ids;
use App\Support\RichText;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Forms\FormField;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\People\FieldKind;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

final class FormController extends StudioController
{
    private const MOST = 20;

    public function update(Request $request, string $form): JsonResponse
    {
        return DB::transaction(function () use ($request, $form): JsonResponse {
            $found = $this->part(Form::class, $form);
            $this->sameRevision($request, $found->revision);
            $typed = $request->only(['name', 'fields', 'button', 'consent', 'consentRequired', 'tags', 'marketing', 'doubleOptIn', 'done', 'notice', 'hook', 'nextButton']);
            $confirm = $request->input('confirmWords');
            if (is_array($confirm)) {
                $typed['confirm'] = ['letter' => RichText::letter((string) ($confirm['letter'] ?? ''))]
                    + array_map(fn (mixed $w): mixed => is_string($w) ? RichText::plain($w) : $w, $confirm);
            }
            if (trim((string) $request->input('name', $found->name)) === '') {
                throw Invalid::at('name', 'Please give the form a name. Only you will see it.');
            }
            foreach (['name', 'button', 'consent', 'marketing', 'done', 'nextButton'] as $words) {
                if (is_string($typed[$words] ?? null)) {
                    $typed[$words] = RichText::plain($typed[$words]);
                }
            }
            $plan = FormPlan::fromShape(Shape::of(['id' => $found->id] + $typed + ['name' => $found->name] + $found->definition));
            $found->forceFill(['name' => $plan->name, 'definition' => DraftPlan::definition($plan), 'revision' => $found->revision + 1])->save();

            return response()->json(Json::form($found));
        });
    }

    /** Another form: an email field, and the words of the first form there is. */
    public function store(string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        if ($found->forms->count() >= self::MOST) {
            throw Invalid::at('forms', 'A funnel has '.self::MOST.' forms at most.');
        }
        $first = $found->forms->first();
        $plan = new FormPlan(Ids::next(), 'Form '.($found->forms->count() + 1), [new FormField(FieldKind::Email, 'Email address', true)], 'Send',
            $first === null ? '' : DraftPlan::form($first)->consent, false, []);
        $form = Form::query()->create(['id' => $plan->id, 'funnel_id' => $found->id, 'name' => $plan->name, 'definition' => DraftPlan::definition($plan), 'revision' => 1]);

        return response()->json(Json::form($form), 201);
    }

    /** Only a form that stands on no page can go. */
    public function destroy(string $form): JsonResponse
    {
        $found = $this->part(Form::class, $form);
        foreach ($found->funnel->pages as $page) {
            if (str_contains((string) json_encode($page->document), $found->id)) {
                throw Invalid::at('form', "This form stands on “{$page->name}”. Put another one there first.");
            }
        }
        $found->forceFill(['deleted_at' => CarbonImmutable::now()])->save();

        return response()->json(['id' => $found->id]);
    }

    public function restore(string $form): JsonResponse
    {
        $found = $this->part(Form::class, $form);
        $found->forceFill(['deleted_at' => null])->save();

        return response()->json(Json::form($found));
    }

    /** What each further field costs, from the owner's own results. */
    public function cost(Request $request, string $form): JsonResponse
    {
        $this->part(Form::class, $form);

        return response()->json(['advice' => FieldCosts::of($this->business())->words($request->integer('fields'))]);
    }
}
