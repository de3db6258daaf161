<?php

declare(strict_types=1);

namespace Lantern\Core\People;

use Egulias\EmailValidator\EmailValidator;
use Egulias\EmailValidator\Validation\RFCValidation;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Support\Invalid;
use Normalizer;

/**
 * An email address in two forms: as it was typed (the display form), and the key by which two spellings are the
 * same person. The key has the domain in ASCII small letters (IDN in its `xn--` form, by the mapping of today, in which `ß` is a
 * letter of its own: RFC 5891 and UTS 46 without transition) and the local part in small letters: the standard lets a host tell capitals
 * apart, but none in use does, and people type both. A part after
 * a plus stays, since it can be somebody else's address.
 */
final readonly class EmailAddress
{
    /** RFC 5321, 4.5.3.1.1: in bytes. */
    private const LONGEST_LOCAL_PART = 64;

    /** What RFC 5322 lets a local part be, without comments and blanks around it, which no mail server is told. */
    private const LOCAL_PART = '/^(?:[^\s()<>\[\]:;@\\\\,."]+(?:\.[^\s()<>\[\]:;@\\\\,."]+)*|"(?:[^"\\\\]|\\\\.)*")$/uD';

    private function __construct(public string $display, public string $key)
    {
    }

    /** @throws Invalid with one sentence for the person who typed it */
    public static function of(string $typed): self
    {
        $display = self::trimmed($typed);
        if ($display === '') {
            throw Invalid::said('email', Phrase::of('form.no_email'), 'Please fill in your email address.');
        }
        $at = strrpos($display, '@');
        if (strlen($display) > 254 || $at === false || preg_match('/[\x00-\x1F\x7F]/', $display) === 1
            || ! (new EmailValidator)->isValid($display, new RFCValidation)) {
            throw self::wrong();
        }
        $local = substr($display, 0, $at);
        $domain = idn_to_ascii(substr($display, $at + 1), IDNA_NONTRANSITIONAL_TO_ASCII, INTL_IDNA_VARIANT_UTS46);
        if ($domain === false || strlen($local) > self::LONGEST_LOCAL_PART || preg_match(self::LOCAL_PART, $local) !== 1
            || preg_match('/^([a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?\.)+[a-z][a-z0-9-]*[a-z0-9]$/iD', $domain) !== 1) {
            throw self::wrong();
        }
        // "ann"@example.com and ann@example.com are one mailbox: quotes that quote nothing go.
        if (preg_match('/^"([A-Za-z0-9!#$%&\'*+\/=?^_`{|}~-]+(?:\.[A-Za-z0-9!#$%&\'*+\/=?^_`{|}~-]+)*)"$/D', $local, $m) === 1) {
            $local = $m[1];
        }

        return new self($display, mb_strtolower($local).'@'.strtolower($domain));
    }

    /**
     * The mailbox behind an address, by which "once for each person" is meant: what follows a plus is a note to oneself. For limits
     * alone, never to write to, since behind another provider it can be somebody else's. Dots stay: which providers look past them
     * would be a guess.
     *
     * @param  string  $key  of an address
     */
    public static function mailboxOf(string $key): string
    {
        $at = strrpos($key, '@');
        $plus = $at === false ? false : strpos(substr($key, 0, $at), '+');

        return $at === false || $plus === false || $plus === 0 || $key[0] === '"' ? $key : substr($key, 0, $plus).substr($key, $at);
    }

    public function mailbox(): string
    {
        return self::mailboxOf($this->key);
    }

    /** The address with its domain in ASCII, as a mail server takes it. */
    public function forEnvelope(): string
    {
        return substr($this->display, 0, (int) strrpos($this->display, '@')).substr($this->key, (int) strrpos($this->key, '@'));
    }

    private static function trimmed(string $typed): string
    {
        if (! mb_check_encoding($typed, 'UTF-8')) {
            return '';
        }
        $trimmed = (string) preg_replace('/^[\s\x{00A0}\x{200B}]+|[\s\x{00A0}\x{200B}]+$/u', '', $typed);

        // An accent that is written apart from its letter is the same letter.
        $composed = Normalizer::normalize($trimmed, Normalizer::FORM_C);

        return is_string($composed) ? $composed : $trimmed;
    }

    private static function wrong(): Invalid
    {
        return Invalid::said('email', Phrase::of('form.wrong_email'),
            'This does not look like an email address. Please check it for a typing mistake.');
    }
}
