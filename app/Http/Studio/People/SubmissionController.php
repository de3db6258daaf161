<?php

declare(strict_types=1);

namespace App\Http\Studio\People;

use App\Http\Studio\StudioController;
use App\Models\CallState;
use App\Models\HookCall;
use App\Models\Submission;
use App\Support\Ids;
use App\Support\Input;
use App\Support\Instant;
use App\Webhooks\Webhooks;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Lantern\Core\Forms\SubmissionState;
use Lantern\Core\People\CsvWriter;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What people filled in, and the calls to the owner's own addresses that told of it. */
final class SubmissionController extends StudioController
{
    public function index(Request $request): JsonResponse
    {
        $found = $this->query($request)->with(['person', 'funnel', 'version'])->latest('submitted_at')->orderByDesc('id')
            ->paginate(Input::number($request, 'perPage', 25, 1, 100));

        return response()->json(['total' => $found->total(), 'page' => $found->currentPage(), 'pages' => $found->lastPage(),
            'submissions' => array_map(self::json(...), $found->items())]);
    }

    public function export(Request $request): StreamedResponse
    {
        $query = $this->query($request);
        $names = [];
        foreach ((clone $query)->reorder()->select('answers')->cursor() as $submission) {
            $names += array_fill_keys(array_keys($submission->answers), true);
        }
        $names = array_map(strval(...), array_keys($names));

        return response()->streamDownload(function () use ($query, $names): void {
            echo "\xEF\xBB\xBF".CsvWriter::record('At', 'Funnel', 'Form', 'State',
                ...[...$names, 'Consent words', 'Agreed', 'Marketing words', 'Marketing', 'Version', 'Address', 'Source']);
            foreach ($query->with(['funnel', 'version'])->lazyById(500) as $s) {
                echo CsvWriter::record((string) Instant::json($s->submitted_at), $s->funnel->name,
                    $s->version->plan()->form($s->form_id)->name ?? '', $s->state->value,
                    ...[...array_map(fn (string $n): string => str_replace("\n", '; ', $s->answers[$n] ?? ''), $names), $s->consent_words,
                        $s->consented ? 'yes' : 'no', (string) $s->marketing_words,
                        $s->marketing === null ? '' : ($s->marketing ? 'yes' : 'no'), (string) $s->version->number, (string) $s->ip,
                        http_build_query($s->source ?? [])]);
            }
        }, 'submissions.csv', ['Content-Type' => 'text/csv; charset=utf-8']);
    }

    public function hooks(Request $request): JsonResponse
    {
        $state = CallState::tryFrom(Input::text($request, 'state'));
        $found = HookCall::query()->where('business_id', $this->user()->business_id)
            ->when($state, fn ($q, CallState $s) => $q->where('state', $s))
            ->latest()->orderByDesc('id')->paginate(Input::number($request, 'perPage', 20, 1, 100));

        return response()->json(['total' => $found->total(), 'page' => $found->currentPage(), 'pages' => $found->lastPage(),
            'calls' => array_map(self::call(...), $found->items())]);
    }

    public function secret(): JsonResponse
    {
        return response()->json(['secret' => Webhooks::secret($this->business())]);
    }

    public function replay(string $call, Webhooks $hooks): JsonResponse
    {
        $found = Ids::is($call) ? HookCall::query()->where('business_id', $this->user()->business_id)->where('id', $call)->firstOrFail()
            : throw new NotFoundHttpException;

        return response()->json(self::call($hooks->replay($found)), 201);
    }

    /** @return Builder<Submission> */
    private function query(Request $request): Builder
    {
        $search = Input::search($request);
        $like = Input::pattern($search);
        [$from, $until] = [Input::day($request, 'from'), Input::day($request, 'until')];
        $zone = $this->business()->timezone;

        return Submission::query()->whereHas('funnel', fn ($q) => $q->where('business_id', $this->user()->business_id))
            ->whereHas('person', fn ($q) => $q->whereNull('erased_at'))
            ->when(Input::text($request, 'form') !== '', fn ($q) => $q->where('form_id', Input::text($request, 'form')))
            ->when(Input::text($request, 'funnel') !== '', fn ($q) => $q->where('funnel_id', Input::text($request, 'funnel')))
            ->when(SubmissionState::tryFrom(Input::text($request, 'state')), fn ($q, SubmissionState $s) => $q->where('state', $s))
            ->when($from !== null, fn ($q) => $q->where('submitted_at', '>=',
                Instant::sql(new \DateTimeImmutable((string) $from, new \DateTimeZone($zone)))))
            ->when($until !== null, fn ($q) => $q->where('submitted_at', '<',
                Instant::sql((new \DateTimeImmutable((string) $until, new \DateTimeZone($zone)))->modify('+1 day'))))
            ->when($search !== '', fn ($q) => $q->whereRaw("folded(answers) like ? escape '\\'", [$like]));
    }

    /** @return array<string, mixed> */
    private static function json(Submission $s): array
    {
        $form = $s->version->plan()->form($s->form_id);
        $answers = [];
        foreach ($form->fields ?? [] as $field) {
            if (($s->answers[$field->key()] ?? '') !== '') {
                $answers[] = ['label' => $field->label, 'value' => str_replace("\n", ', ', $s->answers[$field->key()])];
            }
        }

        return ['id' => $s->id, 'at' => Instant::json($s->submitted_at), 'funnel' => $s->funnel->name, 'funnelId' => $s->funnel_id,
            'form' => $form->name ?? '', 'version' => $s->version->number, 'state' => $s->state,
            'person' => ['id' => $s->person_id, 'name' => $s->person->fullName() === '' ? $s->person->email : $s->person->fullName()],
            'answers' => $answers,
            'consentWords' => $s->consent_words, 'consented' => $s->consented, 'marketingWords' => $s->marketing_words,
            'marketing' => $s->marketing, 'ip' => $s->ip, 'source' => (object) ($s->source ?? []),
            'confirmedAt' => Instant::json($s->confirmed_at)];
    }

    /** @return array<string, mixed> */
    private static function call(HookCall $c): array
    {
        return ['id' => $c->id, 'url' => $c->url, 'state' => $c->state, 'attempts' => $c->attempts, 'status' => $c->status,
            'answer' => $c->answer, 'payload' => $c->payload, 'at' => Instant::json($c->created_at), 'dueAt' => Instant::json($c->due_at)];
    }
}
