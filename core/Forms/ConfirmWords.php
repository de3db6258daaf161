<?php

declare(strict_types=1);

namespace Lantern\Core\Forms;

use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** What somebody reads who must confirm their address: on the page after the form, and in the email, whose text is `body`. */
final readonly class ConfirmWords
{
    public function __construct(
        public string $title = 'One more step: look in your inbox',
        public string $text = 'A short email is on its way to you. Press the button in it, and you are in. If it is not there in two '
            .'minutes, look where your spam goes.',
        public string $subject = 'Please confirm: is this your address?',
        public string $body = '<p>Hello {{first_name|there}},</p><p>somebody, most likely you, asked for this at {{business}}. One '
            .'press, and it is yours:</p>',
        public string $button = 'Yes, this is my address',
    ) {
    }

    public static function fromShape(?Shape $shape): self
    {
        $plain = new self;
        if ($shape === null) {
            return $plain;
        }
        $text = fn (string $key, int $max, string $default): string => trim($shape->text($key, $max, $default)) === '' ? $default
            : trim($shape->text($key, $max, $default));

        return new self($text('title', 120, $plain->title), $text('text', 600, $plain->text), $text('subject', 200, $plain->subject),
            $text('body', 5000, $plain->body), $text('button', 60, $plain->button));
    }

    /** @param  array<string, string>  $ids  new ids by old ones, of what the email speaks of and shows */
    public function withIds(array $ids): self
    {
        return new self($this->title, $this->text, $this->subject, EmailBody::withIds($this->body, $ids), $this->button);
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'title' => Written::text(120), 'text' => Written::text(600), 'subject' => Written::text(200), 'body' => Written::text(5000),
            'button' => Written::text(60),
        ], description: 'the texts of the double opt-in, where they are the owner\'s own');
    }

    /** @return array<string, string> only what the owner made their own */
    public function toArray(): array
    {
        $plain = new self;

        return array_filter([
            'title' => $this->title === $plain->title ? '' : $this->title, 'text' => $this->text === $plain->text ? '' : $this->text,
            'subject' => $this->subject === $plain->subject ? '' : $this->subject,
            'body' => $this->body === $plain->body ? '' : $this->body,
            'button' => $this->button === $plain->button ? '' : $this->button,
        ], fn (string $v): bool => $v !== '');
    }
}
