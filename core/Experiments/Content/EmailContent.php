<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments\Content;

use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Parts\Part;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** Another subject or text for an email. When it goes out and to whom stays that of the email. */
final readonly class EmailContent implements VariantContent
{
    use WithoutDocument;

    public function __construct(public string $subject, public string $body)
    {
    }

    public static function ofPart(Part $part): ?self
    {
        return $part instanceof EmailPlan ? new self($part->subject, $part->body) : null;
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('subject', 200), $shape->text('body', 50_000));
    }

    public static function schema(): array
    {
        return ['subject' => Written::text(200), 'body' => Written::text(50_000, 'sanitised HTML with merge fields')];
    }

    public static function required(): array
    {
        return ['subject', 'body'];
    }

    public function on(Part $part, string $tested): Part
    {
        return $part instanceof EmailPlan && $part->id === $tested ? $part->withWords($this->subject, $this->body) : $part;
    }

    public static function shown(string $tested, array $parts): array
    {
        foreach ($parts as $part) {
            if ($part instanceof EmailPlan && $part->id === $tested) {
                return [$part->subject, $part->body];
            }
        }

        return [];
    }

    public function references(): array
    {
        return EmailBody::references($this->body);
    }

    public function uploads(): array
    {
        return EmailBody::pictures($this->body);
    }

    public function withIds(array $ids): self
    {
        return new self($this->subject, EmailBody::withIds($this->body, $ids));
    }

    public function withBody(string $body): self
    {
        return new self($this->subject, $body);
    }

    public function toArray(): array
    {
        return ['subject' => $this->subject, 'body' => $this->body];
    }
}
