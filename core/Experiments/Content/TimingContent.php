<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments\Content;

use Lantern\Core\Deadlines\DeadlineMoment;
use Lantern\Core\Parts\Part;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;
use Lantern\Core\Webinars\SessionMoment;

/** Other moments for the emails of a sequence. One that it does not speak of goes out when the sequence says. */
final readonly class TimingContent implements VariantContent
{
    use WithoutDocument;

    /** @param  array<string, Delay|DeadlineMoment|SessionMoment>  $timings  by the id of the email */
    public function __construct(public array $timings)
    {
    }

    public static function ofPart(Part $part): ?self
    {
        return $part instanceof SequencePlan ? new self([]) : null;
    }

    public static function fromShape(Shape $shape): self
    {
        $timings = [];
        foreach ($shape->groups('timings', EmailPlan::most()) as $group) {
            $timings[$group->text('email', 40)] = EmailPlan::readTiming($group->group('timing'));
        }

        return new self($timings);
    }

    public static function schema(): array
    {
        return ['timings' => Written::listOf(Written::group(['email' => Written::id(), 'timing' => EmailPlan::timingSchema()],
            ['email', 'timing']), EmailPlan::most(), 'of the emails that go out at other moments')];
    }

    public static function required(): array
    {
        return [];
    }

    public function on(Part $part, string $tested): Part
    {
        return $part instanceof EmailPlan && $part->sequence === $tested && isset($this->timings[$part->id])
            ? $part->withTiming($this->timings[$part->id]) : $part;
    }

    public static function shown(string $tested, array $parts): array
    {
        $shown = [];
        foreach ($parts as $part) {
            if ($part instanceof EmailPlan && $part->sequence === $tested) {
                $shown[$part->id] = $part->writtenTiming();
            } elseif ($part instanceof SequencePlan && $part->id === $tested) {
                $shown[$part->id] = [$part->window->toArray(), $part->byReader];
            }
        }
        ksort($shown);

        return $shown;
    }

    public function references(): array
    {
        $told = array_map(fn (Delay|DeadlineMoment|SessionMoment $t): string => match (true) {
            $t instanceof DeadlineMoment => $t->deadline,
            $t instanceof SessionMoment => $t->webinar,
            default => '',
        }, array_values($this->timings));

        return array_values(array_unique([...array_map(strval(...), array_keys($this->timings)), ...array_filter($told)]));
    }

    public function uploads(): array
    {
        return [];
    }

    public function withIds(array $ids): self
    {
        $timings = [];
        foreach ($this->timings as $email => $timing) {
            $timings[$ids[$email] ?? (string) $email] = $timing instanceof Delay ? $timing : $timing->withIds($ids);
        }

        return new self($timings);
    }

    public function toArray(): array
    {
        $timings = [];
        foreach ($this->timings as $email => $timing) {
            $timings[] = ['email' => (string) $email, 'timing' => EmailPlan::writeTiming($timing)];
        }

        return ['timings' => $timings];
    }
}
