<?php

declare(strict_types=1);

namespace App\Popups;

use App\Deadlines\VisitorIdentity;
use App\Models\Person;
use App\Records\PersonLookup;
use App\Serving\Arrival;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Popups\Situation;
use Lantern\Core\Popups\TriggerKind;

/** What is known of a visitor when it is asked whether a pop-up is shown to them, in the words of the core. */
final readonly class Situations
{
    private function __construct(public PopupView $asked, public VisitorIdentity $identity, public ?Person $person, private VisitLog $visit)
    {
    }

    /** @param  bool  $view  is it a view that counts, or a question about one that was counted? */
    public static function of(Request $request, PopupView $asked, bool $view): self
    {
        $identity = $asked->funnel !== null && $asked->page !== null
            ? Arrival::identity($request, $asked->funnel)
            : new VisitorIdentity(array_filter([VisitorIdentity::personOf($asked->visitor)]), $asked->visitor, (string) $request->ip(),
                $asked->business->zone());
        $person = $identity->people === [] ? null : Person::query()->with('business')->where('business_id', $asked->business->id)
            ->whereNull('erased_at')->find($identity->people[0]);
        $now = CarbonImmutable::now();
        $visit = match (true) {
            $asked->visitor === null || $asked->owner => VisitLog::of('', '', $now),
            $view => VisitLog::view($asked->place(), $asked->visitor, $asked->fromEmail, $now),
            default => VisitLog::of($asked->place(), $asked->visitor, $now),
        };

        return new self($asked, $identity, $person, $visit);
    }

    /** @return list<string> the browsers of whoever it is */
    public function visitors(): array
    {
        $known = $this->person === null ? []
            : array_map(strval(...), DB::table('visitor_person')->where('person_id', $this->person->id)->limit(50)->pluck('visitor')
                ->all());

        return array_values(array_unique(array_filter([$this->asked->visitor, ...$known], is_string(...))));
    }

    public function at(?TriggerKind $trigger = null): Situation
    {
        $asked = $this->asked;
        $now = CarbonImmutable::now();
        $common = ['now' => $now, 'zone' => $asked->business->zone(), 'page' => $asked->page?->page_id,
            'quiet' => $asked->page?->role->isQuiet() ?? false, 'site' => $asked->site?->id, 'address' => $asked->address(),
            'phone' => $asked->phone, 'parameters' => $asked->parameters(), 'languages' => $asked->languages, 'view' => $asked->view,
            'trigger' => $trigger];
        // Owners see what their visitors see for the first time, as often as they look.
        if ($asked->owner) {
            return new Situation(...$common);
        }
        $visitors = $this->visitors();
        $theirs = fn (Builder $q): Builder => $q->where(fn (Builder $q) => $q->whereIn('visitor', $visitors)
            ->when($this->person !== null, fn (Builder $q) => $q->orWhere('person_id', $this->person?->id)));
        $filled = $theirs(DB::table('submissions'))->groupBy('form_id')->selectRaw('form_id, max(submitted_at) as last')->get();
        $since = $this->visit->since;

        return new Situation(...$common + ['visit' => $this->visit->number, 'since' => $since,
            'facts' => FactLog::of($this->person?->id, $visitors),
            'joined' => array_filter($filled->pluck('last', 'form_id')->map(Instant::carbon(...))->all()),
            'fromEmail' => $this->visit->fromEmail, 'clicked' => $this->clicked(),
            'bought' => $asked->funnel !== null && $theirs(DB::table('events'))->where('type', EventType::Bought->value)
                ->where('funnel_id', $asked->funnel->id)->exists(),
            'person' => $this->person === null ? null : PersonLookup::forRules($this->person, $now)]);
    }

    /** When they followed a link in an email of ours last. */
    private function clicked(): ?CarbonImmutable
    {
        return $this->person === null ? null : Instant::carbon(DB::table('events')->where('person_id', $this->person->id)
            ->where('type', EventType::Clicked->value)->max('at'));
    }
}
