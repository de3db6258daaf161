<?php

declare(strict_types=1);

namespace App\Mail\Emails;

use App\Languages\SiteVoice;
use App\Support\RichText;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Languages\Spoken;

/** The body of an email that the application writes itself, paragraph by paragraph. What it speaks of asks for no merge fields. */
final class SaidBody
{
    private string $html = '';

    public function __construct(private readonly SiteVoice $voice)
    {
    }

    /** By first name, where it is known. */
    public function hello(): self
    {
        $this->html .= '<p>'.e($this->voice->hello()).'</p>';

        return $this;
    }

    /**
     * @param  array<string, int|float|string|Spoken|Phrase>  $values
     * @param  string  $link  where the part of it leads that is called “link”; an address or a merge field of one
     */
    public function say(string $phrase, array $values = [], string $link = ''): self
    {
        $this->html .= '<p>'.$this->voice->html($phrase, self::safe($values), ['link' => '<a href="'.e($link).'">']).'</p>';

        return $this;
    }

    /** A link in a paragraph of its own: its button. */
    public function link(string $phrase, string $to): self
    {
        $this->html .= '<p><a href="'.e($to).'">'.e($this->voice->say($phrase)).'</a></p>';

        return $this;
    }

    /**
     * Short lines below each other.
     *
     * @param  list<array{string, array<string, int|float|string|Spoken|Phrase>}>  $lines  a phrase and its values each; the first one
     *     strong
     */
    public function lines(array $lines): self
    {
        $said = array_map(fn (array $l): string => e($this->voice->say($l[0], self::safe($l[1]))), $lines);
        $first = array_shift($said);
        $this->html .= '<p>'.implode('<br>', ["<strong>{$first}</strong>", ...$said]).'</p>';

        return $this;
    }

    /** @param  list<array{string, array<string, int|float|string|Spoken|Phrase>}>  $items  a phrase and its values each */
    public function items(array $items): self
    {
        $this->html .= '<ul>'.implode('', array_map(fn (array $i): string => '<li>'.e($this->voice->say($i[0], self::safe($i[1]))).'</li>',
            $items)).'</ul>';

        return $this;
    }

    public function done(): RichText
    {
        return RichText::email($this->html);
    }

    /**
     * @param  array<string, int|float|string|Spoken|Phrase>  $values
     * @return array<string, int|float|string|Spoken|Phrase> in which nothing can be taken for a merge field
     */
    private static function safe(array $values): array
    {
        return array_map(fn (int|float|string|Spoken|Phrase $v): int|float|string|Spoken|Phrase => is_string($v)
            ? str_replace('{{', '{ {', $v) : $v, $values);
    }
}
