<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Languages\Language;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** What a page tells browsers, search engines and other sites about itself, and the owner's own code on it. */
final readonly class PageSettings
{
    use Rebuilt;

    /**
     * @param  string  $title  '' for the headline
     * @param  string  $description  '' for the first words
     * @param  string|null  $picture  the id of the picture that other sites show with a link to the page
     * @param  string  $language  its own, as {@see Language} reads it; '' for that of the funnel
     * @param  bool|null  $hidden  from search engines; null means: all but the entry page
     * @param  string  $head  own code before the end of the head; likewise `bodyEnd` before the end of the body
     */
    public function __construct(
        public string $title = '',
        public string $description = '',
        public ?string $picture = null,
        public string $language = '',
        public ?bool $hidden = null,
        public string $head = '',
        public string $bodyEnd = '',
    ) {
    }

    public static function fromShape(?Shape $shape): self
    {
        if ($shape === null) {
            return new self;
        }

        return new self($shape->text('title', 200, ''), $shape->text('description', 400, ''), $shape->optionalText('picture', 40),
            self::language($shape, ''),
            $shape->has('hidden') ? $shape->flag('hidden') : null, $shape->text('head', 20_000, ''), $shape->text('bodyEnd', 20_000, ''));
    }

    /**
     * What a written form says of the language under `language`.
     *
     * @throws Invalid where it is no tag of a language
     */
    public static function language(Shape $shape, string $default): string
    {
        $tag = $shape->text('language', Language::LONGEST, $default);

        return $tag === $default || Language::isTag($tag) ? $tag
            : throw Invalid::at($shape->path('language'), 'A language is written like en or pt-BR.');
    }

    /** @param  array<string, string>  $ids  new ids by old ones */
    public function withIds(array $ids): self
    {
        return $this->changed(picture: $this->picture === null ? null : $ids[$this->picture] ?? $this->picture);
    }

    public function hasCode(): bool
    {
        return $this->head !== '' || $this->bodyEnd !== '';
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'title' => Written::text(200), 'description' => Written::text(400), 'picture' => Written::id(),
            'language' => Written::shaped(Language::PATTERN, Language::LONGEST), 'hidden' => Written::flag('from search engines'),
            'head' => Written::text(20_000, 'own code before the end of the head'), 'bodyEnd' => Written::text(20_000),
        ], description: 'what the page tells browsers and search engines; only what differs from the defaults');
    }

    /** @return array<string, string|bool> only what differs from the defaults */
    public function toArray(): array
    {
        return array_filter(['title' => $this->title, 'description' => $this->description, 'picture' => $this->picture,
            'language' => $this->language, 'hidden' => $this->hidden, 'head' => $this->head,
            'bodyEnd' => $this->bodyEnd],
            fn (string|bool|null $v): bool => $v !== '' && $v !== null);
    }
}
