<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** Where in a page of another site something is placed: at the owner's mark, at a heading, or between the paragraphs of an article. */
final readonly class Spot
{
    public const HOWS = ['mark', 'before-heading', 'after-heading', 'after-paragraph'];

    /**
     * @param  string  $how  one of {@see self::HOWS}
     * @param  string  $text  the name of the mark, or a part of the heading's words; '' for the first there is
     * @param  int  $number  the paragraph after which it stands, counted from 1; an article with fewer has it at its end
     */
    public function __construct(public string $how = 'after-paragraph', public string $text = '', public int $number = 3)
    {
    }

    /** @throws Invalid */
    public static function fromShape(?Shape $shape): self
    {
        if ($shape === null) {
            return new self;
        }
        $how = $shape->oneOf('how', self::HOWS, 'after-paragraph');
        $text = trim($shape->text('text', 120, ''));
        if ($how === 'mark' && $text !== '' && preg_match('/^[a-z0-9-]{1,40}$/D', $text) !== 1) {
            throw Invalid::at($shape->path('text'), 'The name of a placeholder holds small letters, digits and dashes.');
        }

        return new self($how, $text, $shape->integer('number', 1, 200, 3));
    }

    /** In a sentence: "after paragraph 3". */
    public function words(): string
    {
        return match ($this->how) {
            'mark' => $this->text === '' ? 'where your mark stands' : "where your mark “{$this->text}” stands",
            'before-heading' => $this->text === '' ? 'before the first heading' : "before the heading “{$this->text}”",
            'after-heading' => $this->text === '' ? 'after the first heading' : "after the heading “{$this->text}”",
            default => "after paragraph {$this->number}",
        };
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'how' => Written::choice(self::HOWS), 'text' => Written::text(120), 'number' => Written::whole(1, 200),
        ], ['how'], 'where in a page of another site it is placed');
    }

    /** @return array<string, string|int> */
    public function toArray(): array
    {
        return ['how' => $this->how] + ($this->how === 'after-paragraph' ? ['number' => $this->number] : ['text' => $this->text]);
    }
}
