<?php

declare(strict_types=1);

namespace Lantern\Core\Page;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * One thing in a section: a heading, a text, a form … Its fields are plain texts, except `html`, which holds
 * the few inline marks that a page's words may have and is sanitised before it gets here.
 */
final readonly class Block
{
    /** The fields of each kind with their longest length in characters; `?` marks one that may be missing. */
    public const FIELDS = [
        'heading' => ['text' => 300],
        'text' => ['html' => 10_000],
        'bullets' => ['html' => 10_000],
        'picture' => ['picture?' => 40, 'alt' => 300],
        'cover' => ['picture?' => 40, 'alt' => 300, 'text' => 200],
        'form' => ['form' => 40],
        'download' => ['leadMagnet' => 40, 'text' => 120],
        'button' => ['text' => 120, 'url' => 2000],
    ];

    /** @param  array<string, string>  $fields */
    public function __construct(public string $id, public BlockKind $kind, public array $fields)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        $kind = $shape->choice('kind', BlockKind::class);
        $fields = [];
        foreach (self::FIELDS[$kind->value] as $name => $max) {
            $key = rtrim($name, '?');
            if ($key !== $name && ! $shape->has($key)) {
                continue;
            }
            $fields[$key] = $shape->text($key, $max, '');
        }
        $url = $fields['url'] ?? '';
        if ($url !== '' && preg_match('~^(https?://|mailto:)[^\s<>"]+$~iD', $url) !== 1) {
            throw Invalid::at($shape->path('url'), 'A web address begins with https://.');
        }

        return new self(self::id($shape), $kind, $fields);
    }

    /** @throws Invalid unless the id is short and plain, since it is used in markup */
    public static function id(Shape $shape): string
    {
        $id = $shape->text('id', 40);
        if (preg_match('/^[A-Za-z0-9_-]+$/D', $id) !== 1) {
            throw Invalid::at($shape->path('id'), 'An id holds letters, digits and dashes only.');
        }

        return $id;
    }

    public function field(string $name): string
    {
        return $this->fields[$name] ?? '';
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        $array = ['id' => $this->id, 'kind' => $this->kind->value];
        // Always in the same order, so that the same page has the same written form.
        foreach (array_keys(self::FIELDS[$this->kind->value]) as $name) {
            $key = rtrim($name, '?');
            if ($key === $name || isset($this->fields[$key])) {
                $array[$key] = $this->field($key);
            }
        }

        return $array;
    }

    /** The words a visitor reads in this block, without marks. */
    public function words(): string
    {
        return trim(html_entity_decode(strip_tags(
            str_replace(['</li>', '<br>', '</p>'], ' ', $this->field('text').' '.$this->field('html'))
        ), ENT_QUOTES | ENT_HTML5));
    }
}
