<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Forms\FormField;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Support\Rebuilt;

/** What an email is checked against. */
final readonly class EmailFacts
{
    use Rebuilt;

    /**
     * @param  DateTimeZone  $zone  the owner's
     * @param  list<string>  $fields  names of merge fields that are known and the same for everybody, or always filled
     * @param  list<string>  $personal  names of merge fields that are a person's and may be unknown
     * @param  array<string, string>  $pages  private names of the funnel's pages by id
     * @param  array<string, DateTimeImmutable>  $deadlines  moments at which something really ends, by what ends in words
     * @param  bool  $gives  is there a download?
     * @param  int  $bytes  of the email as it goes out; 0 where it is not known
     */
    public function __construct(
        public DateTimeImmutable $now,
        public DateTimeZone $zone,
        public array $fields = [],
        public array $personal = [],
        public array $pages = [],
        public array $deadlines = [],
        public bool $gives = false,
        public string $postalAddress = '',
        public ?DateTimeImmutable $sendAt = null,
        public int $bytes = 0,
    ) {
    }

    /**
     * For an email of a funnel.
     *
     * @param  list<string>  $own  names of the owner's own fields of people
     */
    public static function ofPlan(Plan $plan, DateTimeImmutable $now, array $own = [], string $postalAddress = '', int $bytes = 0): self
    {
        $zone = new DateTimeZone($plan->sender->timeZone === '' ? 'UTC' : $plan->sender->timeZone);
        $deadlines = [];
        foreach ($plan->pages as $page) {
            foreach ($page->document->blocksOf(BlockKind::Countdown) as $block) {
                if ($block->field('until') !== '') {
                    $deadlines["the countdown on “{$page->name}” runs out"] = new DateTimeImmutable($block->field('until'), $zone);
                }
            }
        }
        foreach ($plan->deadlines as $deadline) {
            if (! $deadline->isPersonal() && $deadline->latest !== null) {
                $deadlines["“{$deadline->name}” ends"] = $deadline->latest->at();
            }
        }
        $asked = array_merge([],
            ...array_map(fn (FormPlan $f): array => array_map(fn (FormField $x): string => $x->key(), $f->fields), $plan->forms));

        return new self($now, $zone, [...array_keys(MergeFields::OWNER), ...($plan->webinars === [] ? []
            : array_keys(MergeFields::SESSION)), ...array_keys($plan->fields), ...$plan->priceFields(),
            ...array_merge([], ...array_map(fn (Deadline $d): array => ["deadline_{$d->id}", "deadline_left_{$d->id}"], $plan->deadlines))],
            array_values(array_unique([...array_keys(MergeFields::PERSON), ...$own, ...$asked])),
            array_column(array_map(fn (PagePlan|Guide $p): array => [$p->id, $p->name()], [...$plan->pages, ...$plan->guides]), 1, 0),
            $deadlines,
            $plan->leadMagnets !== [], $postalAddress, null, $bytes);
    }

    /** The same for an email that goes out at a moment. */
    public function sentAt(DateTimeImmutable $at): self
    {
        return $this->changed(sendAt: $at);
    }
}
