<?php

declare(strict_types=1);

namespace App\Http\Studio\Mail;

use App\Drafts\DraftPlan;
use App\Http\Studio\Json\EmailSampleJson;
use App\Http\Studio\StudioController;
use App\Mail\Emails\EmailSource;
use App\Mail\Emails\EmailWriter;
use App\Mail\Sending\Planner;
use App\Models\Person;
use App\People\Fields\OwnFields;
use App\Support\Ids;
use App\Support\Input;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Lantern\Core\Checks\EmailCheck;
use Lantern\Core\Checks\EmailFacts;
use Lantern\Core\Checks\Finding;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Experiments\Variant;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sequences\EmailPlan;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

final class EmailController extends StudioController
{
    /** The email as somebody of the list reads it, or a made-up reader, with what should be fixed in it. */
    public function sample(Request $request, string $email, EmailWriter $writer): JsonResponse
    {
        [$plan, $written] = $this->email($email);
        $person = $this->reader($request);
        $sample = EmailSampleJson::of($writer, $this->business(),
            EmailSource::ofEmail($this->business(), $plan, $written, $plan->address), $person);
        $facts = EmailFacts::ofPlan($plan, CarbonImmutable::now(), array_column(OwnFields::of($this->business()->id), 'name'),
            $this->business()->postal_address, $sample['bytes']);

        return response()->json($sample + ['findings' => array_map(fn (Finding $f): array => $f->toArray(),
            EmailCheck::of($written->name, $written->subject, EmailSource::withParts($this->business(), $written->body), $facts,
                'email',
                $written->id))]);
    }

    /** Sends the email to the owner, as that reader would get it. */
    public function test(Request $request, string $email, EmailWriter $writer, Planner $planner): JsonResponse
    {
        [$plan, $written] = $this->email($email);
        $reader = $this->reader($request);
        $sample = $writer->forPerson($this->business(), EmailSource::ofEmail($this->business(), $plan, $written, $plan->address), $reader);
        $id = $planner->planTest($this->business(), $plan->id, $sample, $reader);

        return response()->json(['message' => $id, 'to' => $this->business()->sender_address], 201);
    }

    /** @return array{Plan, EmailPlan} */
    private function email(string $id): array
    {
        $row = $this->draftPart($id);
        $plan = DraftPlan::read($row->funnel);
        $part = $row->part();
        // A variant in a split test is read as its email is, with what differs.
        $test = $part instanceof Variant ? $plan->part($part->test) : null;
        $email = $part instanceof Variant && $test instanceof SplitTest
            ? $plan->withContent($part->content, $test->part)->email($test->part) : $part;

        return $email instanceof EmailPlan ? [$plan, $email] : throw new NotFoundHttpException;
    }

    private function reader(Request $request): ?Person
    {
        $id = Input::text($request, 'person');

        return Ids::is($id) ? Person::query()->with('business')->where('business_id', $this->user()->business_id)->whereNull('erased_at')
            ->where('id', $id)->first() : null;
    }
}
