<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

use DateTimeImmutable;
use Lantern\Core\Automation\Act;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Journey\Effects\CallAddress;
use Lantern\Core\Journey\Effects\ChangeField;
use Lantern\Core\Journey\Effects\EndAccess;
use Lantern\Core\Journey\Effects\GiveAccess;
use Lantern\Core\Journey\Effects\RemoveTag;
use Lantern\Core\Journey\Effects\SendOneEmail;
use Lantern\Core\Journey\Effects\StopSequence;
use Lantern\Core\Journey\Effects\TellOwnerOfPerson;
use Lantern\Core\Journey\Effects\WriteNote;
use Lantern\Core\Offers\Product;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;

/** What a rule does when its moment has come. The live site and the rehearsal ask here and nowhere else. */
final readonly class Acting
{
    private const GONE = 'It speaks of something that is not there any more.';

    /** @param  callable(string $part): (Plan|null)  $planOf */
    private function __construct(private ?Plan $own, private mixed $planOf, private DateTimeImmutable $at)
    {
    }

    /**
     * @param  Plan|null  $own  the funnel that the rule is a part of; null for one of the whole business
     * @param  callable(string $part): (Plan|null)  $planOf  the live funnel that a part belongs to
     * @param  list<AutomationRule>  $business  the rules of the whole business, which hear what it does
     * @param  PersonState  $person  all that is known of them
     * @param  callable(string $id): string  $field  what an own field of people is called
     */
    public static function of(AutomationRule $rule, ?Plan $own, callable $planOf, array $business, PersonState $person,
        DateTimeImmutable $at, callable $field): Acted
    {
        if (! $rule->only->holds($person, $at)) {
            return new Acted(false);
        }
        $self = new self($own, $planOf, $at);
        $steps = $sent = [];
        foreach ($rule->acts as $act) {
            // Named twice in one rule, an email is sent once.
            if ($act instanceof Act\SendsEmail && in_array($act->part, $sent, true)) {
                continue;
            }
            $sent[] = $act instanceof Act\SendsEmail ? $act->part : '';
            $plan = $self->planFor($act);
            $list = new EffectList($plan ?? Plan::none(), $person, $at, $business);
            $trouble = $act->part() !== '' && $plan === null ? self::GONE : $self->do($list, $act, $plan ?? Plan::none(), $rule);
            $steps[] = ['plan' => $plan, 'effects' => $list->effects(), 'trouble' => $trouble,
                'words' => $act->words(fn (string $id): string => ($plan?->nameOf($id) ?? '') ?: $field($id))];
            $person = $list->person();
        }

        return new Acted(true, $steps);
    }

    private function planFor(Act\Act $act): ?Plan
    {
        $part = $act->part();

        return $part === '' || $this->own?->part($part) !== null ? $this->own : ($this->planOf)($part);
    }

    /** @return string why it cannot be done; '' where it was */
    private function do(EffectList $list, Act\Act $act, Plan $plan, AutomationRule $rule): string
    {
        $part = $act->part() === '' ? null : $plan->part($act->part());
        match (true) {
            $act instanceof Act\GivesTag => $list->tags([$act->tag]),
            $act instanceof Act\TakesTag => $list->person()->hasTag($act->tag) ? $list->add(new RemoveTag($act->tag)) : null,
            $act instanceof Act\ChangesField => $list->add(new ChangeField($act->field,
                $act->valueAt($this->at, $list->person()->ownerZone))),
            $act instanceof Act\WritesNote => $list->add(new WriteNote($act->words)),
            $act instanceof Act\TellsOwner => $list->add(new TellOwnerOfPerson($act->words, $rule->name)),
            $act instanceof Act\CallsAddress => $list->add(new CallAddress($act->url, $rule->name)),
            $act instanceof Act\StartsSequence && $part instanceof SequencePlan => $list->sequence($part),
            $act instanceof Act\EndsSequence && $part instanceof SequencePlan => $list->person()->isIn($part->id)
                ? $list->add(new StopSequence($part->id, "The rule “{$rule->name}” ended this sequence.")) : null,
            $act instanceof Act\SendsEmail && $part instanceof EmailPlan => $this->send($list, $part, $plan),
            $act instanceof Act\GivesAccess && $part instanceof Product => $list->add(new GiveAccess($part->id)),
            $act instanceof Act\TakesAccess && $part instanceof Product => $list->add(new EndAccess($part->id)),
            $act instanceof Act\StartsDeadline && $part instanceof Deadline => $list->deadline($part, "The rule “{$rule->name}” began it."),
            default => $trouble = self::GONE,
        };

        return $trouble ?? '';
    }

    /** At the next moment at which its sequence writes. Whether it goes to them at all is looked up when it goes, as with every email. */
    private function send(EffectList $list, EmailPlan $email, Plan $plan): void
    {
        $sequence = $plan->sequence($email->sequence);
        $zone = $sequence === null || $sequence->byReader ? $list->person()->zone : $list->person()->ownerZone;
        $list->add(new SendOneEmail($email->id, $sequence?->window->next($this->at, $zone) ?? $this->at, $email->sequence));
    }
}
