<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Drafts\DraftPlan;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Ids;
use App\Support\RichText;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\Duration;
use Lantern\Core\Events\Trigger\Trigger;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\Webinar;

final class DeadlineKind extends DraftKind
{
    public function part(): string
    {
        return Deadline::class;
    }

    public function list(): string
    {
        return 'deadlines';
    }

    public function typed(): array
    {
        return ['name', 'starts', 'duration', 'latest', 'grace', 'again', 'byAddress', 'pages', 'offers', 'warning', 'leadsOn'];
    }

    public function cleaned(Part $part, Business $business): Part
    {
        $written = $part->toArray();
        if (is_array($written['warning'] ?? null) && is_string($written['warning']['text'] ?? null)) {
            $written['warning']['text'] = RichText::plain($written['warning']['text']);
        }

        return Deadline::fromShape(Shape::of($written));
    }

    protected function check(DraftPart $row, Part $part): void
    {
        self::speaksOfItsFunnel($row, $part, 'deadline',
            'Something that this deadline speaks of is not in this funnel any more. Please choose again.');
    }

    /** Three days, until eight in the evening: nothing starts it yet, and it guards nothing. */
    public function fresh(Funnel $funnel, array $typed): Part
    {
        return new Deadline(Ids::next(), $this->nextName($funnel, 'Deadline'), duration: Duration::days(3, '20:00'));
    }

    /** @return list<string> what becomes of the emails that are told from it */
    public function remove(DraftPart $row): array
    {
        parent::remove($row);
        $emails = array_filter(DraftPlan::read($row->funnel)->emails, fn (EmailPlan $e): bool => $e->byDeadline()?->deadline === $row->id);

        return array_values(array_map(
            fn (EmailPlan $e): string => "“{$e->name}” was told from it, and goes to nobody until you give it another time.", $emails));
    }

    public function json(DraftPart $row, Part $part): array
    {
        if (! $part instanceof Deadline) {
            return [];
        }
        [$name, $offset] = self::others($row->funnel_id);

        return ['starts' => $part->starts->toArray(), 'duration' => $part->duration?->toArray(), 'latest' => $part->latest?->toArray(),
            'grace' => $part->grace, 'again' => $part->again, 'byAddress' => $part->byAddress,
            'pages' => array_map(fn ($p): array => $p->toArray(), $part->pages), 'offers' => $part->offers,
            'warning' => (object) $part->warning->toArray(), 'leadsOn' => $part->leadsOn,
            'words' => $part->words($name), 'lasts' => $part->duration?->words() ?? '',
            'length' => $part->duration?->offset() ?? 0, 'startsAt' => self::startsAt($part, $offset),
            'startWords' => implode(' or ', array_map(fn (Trigger $t): string => 'when they '.$t->when($name),
                $part->starts->list))];
    }

    /**
     * The other parts of the funnel, as far as a deadline speaks of them.
     *
     * @return array{callable(string): string, callable(string): (int|null)} their names, and the offsets of emails, by id
     */
    private static function others(string $funnel): array
    {
        $rows = DraftPart::there($funnel)->whereIn('kind', [PagePlan::kind(), FormPlan::kind(), EmailPlan::kind(), SequencePlan::kind(),
            Offer::kind(), Webinar::kind()])->get(['id', 'kind', 'name', 'definition'])->keyBy('id');

        return [fn (string $id): string => (string) ($rows[$id]->name ?? ''), function (string $id) use ($rows): ?int {
            $email = ($rows[$id] ?? null)?->part();

            return $email instanceof EmailPlan && ! $email->isTold() ? $email->offset() : null;
        }];
    }

    /**
     * Where on the time scale of the funnel it starts, in minutes from joining: with the email whose link starts it, at once with a
     * form or a page. Nothing where that depends on what nobody knows.
     *
     * @param  callable(string $email): (int|null)  $offset
     */
    private static function startsAt(Deadline $deadline, callable $offset): ?int
    {
        $offsets = [];
        foreach ($deadline->starts->toArray() as $trigger) {
            $offsets[] = match ($trigger['kind']) {
                'click' => $offset((string) ($trigger['email'] ?? '')),
                'form', 'page', 'sequence' => 0,
                default => null,
            };
        }
        $known = array_filter($offsets, is_int(...));

        return $known === [] ? null : min($known);
    }
}
