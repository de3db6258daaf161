<?php

declare(strict_types=1);

namespace Lantern\Core\Support;

use DomainException;
use Lantern\Core\Languages\Phrase;

/**
 * Something handed to the core does not have the shape or the meaning it must have.
 * The message is one sentence that can be shown to the owner; `$path` says where, such as `sections.0.blocks.2.text`.
 */
final class Invalid extends DomainException
{
    /** @param  Phrase|null  $said  the same to a visitor, who is spoken to in their own language */
    private function __construct(string $message, public readonly string $path, public readonly ?Phrase $said = null)
    {
        parent::__construct($message);
    }

    public static function at(string $path, string $message): self
    {
        return new self($message, $path);
    }

    /**
     * What may be wrong with what a visitor types.
     *
     * @param  string  $message  in English, where an owner may type the same; else the key of the phrase
     */
    public static function said(string $path, Phrase $said, string $message = ''): self
    {
        return new self($message === '' ? $said->key : $message, $path, $said);
    }
}
