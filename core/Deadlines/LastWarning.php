<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** What is shown once, on the pages a deadline guards, as its end comes near: the owner's words, or a section of their own. */
final readonly class LastWarning
{
    use Rebuilt;

    public const MOST_MINUTES = 1440;

    /**
     * @param  int  $minutes  before the end; 0 for no warning
     * @param  string  $text  '' where a section says it
     * @param  string|null  $section  the id of a shared section
     */
    public function __construct(public int $minutes = 0, public string $text = '', public ?string $section = null)
    {
    }

    public static function fromShape(?Shape $shape): self
    {
        return $shape === null ? new self : new self($shape->integer('minutes', 0, self::MOST_MINUTES, 0),
            trim($shape->text('text', 300, '')), $shape->optionalText('section', 40));
    }

    public function isShown(): bool
    {
        return $this->minutes > 0 && ($this->text !== '' || $this->section !== null);
    }

    /** @param  array<string, string>  $ids  new ids by old ones */
    public function withIds(array $ids): self
    {
        return $this->changed(section: $this->section === null ? null : $ids[$this->section] ?? $this->section);
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'minutes' => Written::whole(1, 1440), 'text' => Written::text(300), 'section' => Written::id(),
        ]);
    }

    /** @return array<string, int|string> */
    public function toArray(): array
    {
        return array_filter(['minutes' => $this->minutes, 'text' => $this->text, 'section' => $this->section],
            fn (int|string|null $v): bool => $v !== 0 && $v !== '' && $v !== null);
    }
}
