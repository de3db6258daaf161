<?php

declare(strict_types=1);

namespace App\Serving\Facts;

use Lantern\Core\Webinars\Webinar;
use LogicException;

/** Something that a slot is to be told before it can be filled. */
final readonly class Need
{
    private function __construct(public NeedKind $kind, public string $id = '', private ?Webinar $webinar = null)
    {
    }

    /** Whose page it is. */
    public static function business(): self
    {
        return new self(NeedKind::Business);
    }

    /** What was filled in on this very device. */
    public static function submission(): self
    {
        return new self(NeedKind::Submission);
    }

    /** The order that was placed in this browser. */
    public static function order(): self
    {
        return new self(NeedKind::Order);
    }

    /** What that order opens. */
    public static function purchases(): self
    {
        return new self(NeedKind::Purchases);
    }

    /** Who came by a link in an email to them. */
    public static function reader(): self
    {
        return new self(NeedKind::Reader);
    }

    /** How many have an offer, and whether this visitor does. */
    public static function offer(string $id): self
    {
        return new self(NeedKind::Offer, $id);
    }

    /** A video, or its captions. */
    public static function upload(string $id): self
    {
        return new self(NeedKind::Upload, $id);
    }

    /** The visitor's own session of a webinar. */
    public static function registration(Webinar $webinar): self
    {
        return new self(NeedKind::Registration, $webinar->id, $webinar);
    }

    /** How the replay of their own session stands for them. */
    public static function replay(Webinar $webinar): self
    {
        return new self(NeedKind::Replay, $webinar->id, $webinar);
    }

    /** Which places of a webinar's sessions are taken, and which are called off. */
    public static function places(Webinar $webinar): self
    {
        return new self(NeedKind::Places, $webinar->id, $webinar);
    }

    /** The same for whoever registers here, be it somebody else than the last one. */
    public static function placesToRegister(Webinar $webinar): self
    {
        return new self(NeedKind::PlacesToRegister, $webinar->id, $webinar);
    }

    /** How far the visitor has come with the guide that the page is. */
    public static function reading(): self
    {
        return new self(NeedKind::Reading);
    }

    /** @throws LogicException where it is about none */
    public function webinar(): Webinar
    {
        return $this->webinar ?? throw new LogicException("{$this->key()} is about no webinar.");
    }

    public function key(): string
    {
        return "{$this->kind->name}:{$this->id}";
    }
}
