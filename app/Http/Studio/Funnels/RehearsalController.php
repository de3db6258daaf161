<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Drafts\DraftPlan;
use App\Drafts\DraftRows;
use App\Drafts\Kinds\DraftKinds;
use App\Http\Studio\Json\LifeJson;
use App\Http\Studio\StudioController;
use App\Mail\Emails\EmailSource;
use App\Mail\Emails\EmailWriter;
use App\Models\Funnel;
use App\Models\Person;
use App\Records\PersonLookup;
use App\Rehearsal\Stages;
use App\Rendering\PageRenderer;
use App\Rendering\SeenAt;
use App\Support\Ids;
use App\Support\Input;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\Expected;
use Lantern\Core\Promises\Promise;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Rehearsal\AllWays;
use Lantern\Core\Rehearsal\Following;
use Lantern\Core\Rehearsal\KindOfPerson;
use Lantern\Core\Rehearsal\Life;
use Lantern\Core\Rehearsal\Mail;
use Lantern\Core\Rehearsal\Moments;
use Lantern\Core\Rehearsal\Presses;
use Lantern\Core\Rehearsal\PromiseCheck;
use Lantern\Core\Rehearsal\Record;
use Lantern\Core\Rehearsal\Rehearsal;
use Lantern\Core\Rehearsal\Stage;
use Lantern\Core\Rehearsal\WayFinding;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * Rehearsals of a draft: a made-up visitor with a made-up clock. Nothing is stored but promises; a way is played anew with each question,
 * from its beginning.
 */
final class RehearsalController extends StudioController
{
    public function __construct(private readonly PageRenderer $pages, private readonly EmailWriter $emails)
    {
    }

    /** Where a way comes to, what has happened, and what can be done next. */
    public function play(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        [$rehearsal, $life] = $this->played($request, $found);

        return response()->json(LifeJson::of($rehearsal, $life));
    }

    /** The page they look at, or an email that has come, as they see it. */
    public function look(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        [$rehearsal, $life] = $this->played($request, $found);
        $plan = $rehearsal->stage->plan;
        $mail = Input::number($request, 'mail', -1, -1, Choice::MOST * 100);
        if ($mail < 0) {
            $page = $plan->pageAs($life->page, $life->letter) ?? $plan->page($life->page);

            return response()->json(['presses' => $page === null ? (object) [] : (object) array_map(fn (array $choices): array => array_map(
                fn (?Choice $c): ?array => $c?->toArray(), $choices), Presses::of($plan, $page, $life->browser()->extra)),
                'html' => $page === null ? '' : $this->pages->asSeen($plan, $page, $found->business,
                    new SeenAt($life->now, $life->runs($life->known), $life->isGreeted() ? self::fields($life) : [],
                        Following::known($life)))]);
        }
        $received = $life->mails[$mail] ?? throw new NotFoundHttpException;

        return response()->json($this->mail($rehearsal->stage, $life, $received, $found));
    }

    /** All ways at once: the kinds of people there are, and what goes wrong for any of them. */
    public function allWays(string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $visitor = new Visitor(zone: $found->business->timezone);
        $ways = AllWays::of(Stages::of($found, DraftPlan::read($found)), $visitor, self::soon());

        return response()->json(['visitor' => $visitor->toArray(), 'places' => $ways->places, 'cut' => $ways->cut,
            'currency' => $found->sellsIn(), 'kinds' => array_map(fn (KindOfPerson $k): array => $k->toArray(), array_values($ways->kinds)),
            'findings' => array_map(fn (WayFinding $f): array => $f->toArray(), $ways->findings->list())]);
    }

    /** The next full hour. */
    private static function soon(): DateTimeImmutable
    {
        return DateTimeImmutable::createFromInterface(CarbonImmutable::now()->utc()->startOfHour()->addHour());
    }

    /** A way is kept as a promise: what happens in it now must happen at every publishing. */
    public function keep(Request $request, string $funnel, DraftKinds $kinds): JsonResponse
    {
        $found = $this->funnel($funnel);
        if ($request->input('person') !== null) {
            throw Invalid::at('person', 'A promise is about somebody made up. Rehearse it with a made-up visitor, then keep it.');
        }
        [, $life, $way] = $this->played($request, $found);
        $typed = ['name' => $request->input('name'), 'about' => $request->input('about'),
            'expected' => array_map(fn (Expected $e): array => $e->toArray(), Record::of($life))] + $way;
        $row = DB::transaction(fn () => DraftRows::add($found, $kinds->named(Promise::kind())->fresh($found, array_filter($typed,
            fn (mixed $v): bool => $v !== null))));

        return response()->json($kinds->json($row), 201);
    }

    /** All promises, played again with the draft as it is. */
    public function promises(string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $plan = DraftPlan::read($found);
        $stage = Stages::of($found, $plan);
        $before = $found->liveVersion?->plan();

        return response()->json(['promises' => array_map(fn (Promise $p): array => ['id' => $p->id, 'name' => $p->name,
            'broken' => PromiseCheck::of($stage, $p, $before)->broken], $plan->promises())]);
    }

    /** What happens now is what is promised from now on. */
    public function renew(string $part, DraftKinds $kinds): JsonResponse
    {
        return DB::transaction(function () use ($part, $kinds): JsonResponse {
            $row = $this->draftPart($part, Promise::kind());
            $promise = $row->part();
            if (! $promise instanceof Promise) {
                throw new NotFoundHttpException;
            }
            $life = PromiseCheck::of(Stages::of($row->funnel, DraftPlan::read($row->funnel)), $promise)->life;
            $row->put($promise->keeping(...Record::of($life)))->forceFill(['revision' => $row->revision + 1])->save();

            return response()->json($kinds->json($row));
        });
    }

    /**
     * @return array{Rehearsal, Life, array<string, mixed>} with the way in written form
     *
     * @throws Invalid
     */
    private function played(Request $request, Funnel $funnel): array
    {
        $shape = Shape::of($request->all());
        $rehearsal = new Rehearsal(Stages::of($funnel, DraftPlan::read($funnel)));
        [$visitor, $known] = $this->visitor($shape, $funnel);
        $start = $shape->has('start') ? Promise::moment($shape->text('start', 20), 'start')
            : self::soon();
        $choices = $shape->has('choices') ? Choice::list($shape, 'choices') : [];
        $life = $rehearsal->play($visitor, $start, $choices, $known);

        return [$rehearsal, $life, ['visitor' => $visitor->toArray(), 'start' => Moments::written($start),
            'choices' => array_map(fn (Choice $c): array => $c->toArray(), $choices)]];
    }

    /** @return array{Visitor, PersonState|null} somebody made up, or what is known of a real person, who is not touched */
    private function visitor(Shape $shape, Funnel $funnel): array
    {
        $zone = $funnel->business->timezone;
        $id = $shape->optionalText('person', 40);
        if ($id === null) {
            $given = $shape->optionalGroup('visitor');

            return [$given === null ? new Visitor(zone: $zone) : Visitor::fromShape($given, $zone), null];
        }
        $person = Ids::is($id) ? Person::query()->with('business')->where('business_id', $funnel->business_id)->whereNull('erased_at')
            ->find($id) : null;
        if ($person === null) {
            throw Invalid::at('person', 'This person is not on your list any more.');
        }

        return [new Visitor($person->fullName() === '' ? $person->email : $person->fullName(), $person->email, $person->timezone ?? $zone,
            known: true), PersonLookup::whole($person, CarbonImmutable::now())];
    }

    /** @return array<string, string> */
    private static function fields(Life $life): array
    {
        return ['first_name' => $life->visitor->firstName(), 'last_name' => $life->visitor->lastName(), 'email' => $life->visitor->email];
    }

    /** @return array<string, mixed> */
    private function mail(Stage $stage, Life $life, Mail $mail, Funnel $funnel): array
    {
        $plan = $mail->kind === 'sequence' ? $stage->planOf($mail->of) : null;
        $email = $plan === null ? null : $mail->email($plan);
        if ($plan === null || $email === null || $mail->reader === null) {
            return ['subject' => $mail->name, 'html' => '', 'at' => Moments::written($mail->at)];
        }
        $written = $this->emails->asSeen($funnel->business, EmailSource::ofEmail($funnel->business, $plan, $email, $plan->address),
            new SeenAt($mail->at, $mail->reader->deadlines(), self::fields($life), $mail->reader));

        return ['subject' => $written->subject, 'html' => $written->html, 'at' => Moments::written($mail->at)];
    }
}
