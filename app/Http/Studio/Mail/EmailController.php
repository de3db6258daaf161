<?php

declare(strict_types=1);

namespace App\Http\Studio\Mail;

use App\Drafts\DraftPlan;
use App\Http\Studio\Json;
use App\Http\Studio\StudioController;
use App\Mail\Emails\EmailSource;
use App\Mail\Emails\EmailWriter;
use App\Mail\Sending\Planner;
use App\Models\Email;
use App\Models\Form;
use App\Models\Funnel;
use App\Models\Person;
use App\Models\Sequence;
use App\People\Fields\OwnFields;
use App\Support\Ids;
use App\Support\RichText;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Checks\EmailCheck;
use Lantern\Core\Checks\EmailFacts;
use Lantern\Core\Checks\Finding;
use Lantern\Core\Events\Trigger\FormFilledIn;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Rules\Group;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

final class EmailController extends StudioController
{
    private const MOST = 60;

    /** A follow-up, two days after the last email there is, or one day after joining. */
    public function store(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        if ($found->emails()->count() >= self::MOST) {
            throw Invalid::at('emails', 'A funnel has '.self::MOST.' emails at most.');
        }
        $sequence = $this->sequence($found, $request->string('sequence')->toString());
        $last = max([0, ...$found->emails->where('sequence_id', $sequence->id)->map(fn (Email $e): int => DraftPlan::email($e)->delay->offset())->all()]);
        $days = min(Delay::MOST_DAYS, $last < 1440 ? 1 : intdiv($last, 1440) + 2);
        $email = Email::query()->create(['id' => Ids::next(), 'funnel_id' => $found->id, 'sequence_id' => $sequence->id, 'name' => "Follow-up, day {$days}", 'subject' => '',
            'body' => '<p>Hello {{first_name|there}},</p><p></p>', 'delay' => Delay::days($days, 9)->toArray(), 'revision' => 1]);

        return response()->json(Json::email($email), 201);
    }

    /** The sequence that is named, or the first there is; a funnel that has none gets one, started by all its forms. */
    private function sequence(Funnel $funnel, string $id): Sequence
    {
        $found = $id === '' ? $funnel->sequences()->first() : $funnel->sequences()->where('id', $id)->first();
        if ($found !== null) {
            return $found;
        }
        $plan = new SequencePlan(Ids::next(), 'Follow-up', new Triggers(array_map(fn (Form $f): FormFilledIn => new FormFilledIn($f->id), $funnel->forms->all())));
        $made = Sequence::query()->create(['id' => $plan->id, 'funnel_id' => $funnel->id, 'name' => $plan->name, 'definition' => DraftPlan::definition($plan)]);

        return $made;
    }

    public function update(Request $request, string $email): JsonResponse
    {
        return DB::transaction(function () use ($request, $email): JsonResponse {
            $found = $this->part(Email::class, $email);
            $this->sameRevision($request, $found->revision);
            $given = $request->validate(['name' => ['sometimes', 'required', 'string', 'max:120'], 'subject' => ['sometimes', 'string', 'max:200'],
                'body' => ['sometimes', 'string', 'max:50000'], 'delay' => ['sometimes', 'array'], 'sequence' => ['sometimes', 'string', 'max:40'], 'only' => ['sometimes', 'array']], [
                    'name.required' => 'Please give the email a name. Only you will see it.', 'name.max' => 'A name has 120 characters at most.',
                    'subject.max' => 'A subject has 200 characters at most; mail programs show about 60.', 'body.max' => 'This letter is too long to send.']);
            if (isset($given['subject'])) {
                $given['subject'] = (string) preg_replace('/\s+/u', ' ', RichText::plain($given['subject']));
            }
            if (isset($given['body'])) {
                $given['body'] = RichText::letter($given['body']);
            }
            if (isset($given['delay'])) {
                $given['delay'] = Delay::fromShape(Shape::of($given['delay'], 'delay'))->toArray();
            }
            if (isset($given['only'])) {
                $only = Group::fromArray($given['only']);
                $given['only'] = $only->isEverybody() ? null : $only->toArray();
            }
            if (isset($given['sequence'])) {
                $given['sequence_id'] = $found->funnel->sequences()->where('id', $given['sequence'])->value('id') ?? throw Invalid::at('sequence', 'This sequence is not in this funnel.');
                unset($given['sequence']);
            }
            $found->forceFill($given + ['revision' => $found->revision + 1])->save();

            return response()->json(Json::email($found));
        });
    }

    public function destroy(string $email): JsonResponse
    {
        $found = $this->part(Email::class, $email);
        $found->forceFill(['deleted_at' => CarbonImmutable::now()])->save();

        return response()->json(['id' => $found->id]);
    }

    public function restore(string $email): JsonResponse
    {
        $found = $this->part(Email::class, $email);
        $found->forceFill(['deleted_at' => null])->save();

        return response()->json(Json::email($found));
    }

    /** The letter as somebody of the list reads it, or a made-up reader, with what should be mended in it. */
    public function sample(Request $request, string $email, EmailWriter $writer): JsonResponse
    {
        $found = $this->part(Email::class, $email);
        $plan = DraftPlan::read($found->funnel);
        $written = DraftPlan::email($found);
        $person = $this->reader($request);
        $letter = $writer->forPerson($this->business(), EmailSource::ofEmail($this->business(), $plan, $written, $plan->address), $person);
        $facts = EmailFacts::ofPlan($plan, CarbonImmutable::now(), array_column(OwnFields::of($this->business()->id), 'name'), $this->business()->postal_address, strlen($letter->html));

        return response()->json(['subject' => $letter->subject, 'html' => $letter->html, 'text' => $letter->text,
            'reader' => $person === null ? 'Robin Sample' : ($person->fullName() === '' ? $person->email : $person->fullName()),
            'findings' => array_map(fn (Finding $f): array => $f->toArray(), EmailCheck::of($written->name, $written->subject, EmailSource::whole($this->business(), $written->body), $facts, 'email', $written->id))]);
    }

    /** Sends the letter to the owner, as that reader would get it. */
    public function test(Request $request, string $email, EmailWriter $writer, Planner $planner): JsonResponse
    {
        $found = $this->part(Email::class, $email);
        $plan = DraftPlan::read($found->funnel);
        $reader = $this->reader($request);
        $letter = $writer->forPerson($this->business(), EmailSource::ofEmail($this->business(), $plan, DraftPlan::email($found), $plan->address), $reader);
        $id = $planner->planTest($this->business(), $found->funnel_id, $letter, $reader);

        return response()->json(['message' => $id, 'to' => $this->business()->sender_address], 201);
    }

    private function reader(Request $request): ?Person
    {
        $id = $request->string('person')->toString();

        return Ids::is($id) ? Person::query()->with('business')->where('business_id', $this->user()->business_id)->whereNull('erased_at')->where('id', $id)->first() : null;
    }
}
