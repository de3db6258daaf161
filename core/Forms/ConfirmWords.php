<?php

declare(strict_types=1);

namespace Lantern\Core\Forms;

use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** What somebody reads who must confirm their address: on the page after the form, and in the email, whose text is `body`. */
final readonly class ConfirmWords
{
    /** Each is '' where it is not the owner's own: then the application says it, in the language of the page. */
    public function __construct(
        public string $title = '',
        public string $text = '',
        public string $subject = '',
        public string $body = '',
        public string $button = '',
    ) {
    }

    public static function fromShape(?Shape $shape): self
    {
        return $shape === null ? new self : new self(trim($shape->text('title', 120, '')), trim($shape->text('text', 600, '')),
            trim($shape->text('subject', 200, '')), trim($shape->text('body', 5000, '')), trim($shape->text('button', 60, '')));
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
        return array_filter(['title' => $this->title, 'text' => $this->text, 'subject' => $this->subject, 'body' => $this->body,
            'button' => $this->button], fn (string $v): bool => $v !== '');
    }
}
