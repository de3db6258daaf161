<?php

declare(strict_types=1);

namespace Lantern\Core\Promises;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** One thing that a made-up visitor does, in a form that can be kept. */
final readonly class Choice
{
    /** A year, in minutes. */
    public const MOST_MINUTES = 527_040;

    public const MOST = 200;

    /**
     * @param  string  $of  the id of what it is done with: a page, form, email, webinar, guide or deadline; or a tag; '' where there is
     *     one only
     * @param  string  $to  of a link: where it leads, by a short name ({@see \Lantern\Core\Rehearsal\Links}); of a guide: the id of the
     *     page up to which it is read
     * @param  int  $minutes  for which they wait, stay or watch; before the end of a deadline, where one is named
     * @param  string  $session  the key of the session that is chosen in a form; '' for the first that is offered
     * @param  string  $popup  the id of the pop-up that the form is in
     * @param  list<string>  $bumps  ids of the offers that are ticked beside it
     */
    public function __construct(
        public ChoiceKind $kind,
        public string $of = '',
        public string $to = '',
        public int $minutes = 0,
        public string $session = '',
        public string $popup = '',
        public array $bumps = [],
    ) {
    }

    /** @throws Invalid for something that nobody can do */
    public static function fromShape(Shape $shape): self
    {
        return new self($shape->choice('do', ChoiceKind::class), $shape->text('of', 60, ''), $shape->text('to', 60, ''),
            $shape->integer('minutes', 0, self::MOST_MINUTES, 0), $shape->text('session', 20, ''), $shape->text('popup', 40, ''),
            $shape->has('bumps') ? $shape->texts('bumps', 10, 40) : []);
    }

    /**
     * @return list<self>
     *
     * @throws Invalid for too many, or one that nobody can make
     */
    public static function list(Shape $shape, string $key): array
    {
        return array_map(self::fromShape(...), $shape->groups($key, self::MOST));
    }

    /** @return list<string> ids of the parts of the funnel that it is done with */
    public function references(): array
    {
        $to = str_starts_with($this->to, 'page:') ? substr($this->to, 5) : ($this->kind === ChoiceKind::Read ? $this->to : '');

        $of = $this->kind === ChoiceKind::GetTag ? '' : $this->of;

        return array_values(array_filter([$of, $to, $this->popup, ...$this->bumps], fn (string $id): bool => $id !== ''));
    }

    /**
     * The same with other ids where parts are named.
     *
     * @param  array<string, string>  $ids  new ids by old ones
     */
    public function withIds(array $ids): self
    {
        $to = str_starts_with($this->to, 'page:') ? 'page:'.($ids[substr($this->to, 5)] ?? substr($this->to, 5))
            : $ids[$this->to] ?? $this->to;

        return new self($this->kind, $ids[$this->of] ?? $this->of, $to, $this->minutes, $this->session, $ids[$this->popup] ?? $this->popup,
            array_map(fn (string $b): string => $ids[$b] ?? $b, $this->bumps));
    }

    /** @return array<string, mixed> only what differs from nothing, beside what is done */
    public function toArray(): array
    {
        return ['do' => $this->kind->value] + array_filter(['of' => $this->of, 'to' => $this->to, 'minutes' => $this->minutes,
            'session' => $this->session, 'popup' => $this->popup, 'bumps' => $this->bumps],
            fn (string|int|array $v): bool => $v !== '' && $v !== 0 && $v !== []);
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group(['do' => Written::choice(ChoiceKind::class), 'of' => Written::text(60), 'to' => Written::text(60),
            'minutes' => Written::whole(0, self::MOST_MINUTES), 'session' => Written::text(20), 'popup' => Written::text(40),
            'bumps' => Written::listOf(Written::text(40), 10)], ['do']);
    }
}
