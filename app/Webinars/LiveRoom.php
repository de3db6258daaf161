<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Models\Registration;
use App\Models\WebinarSession;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Lantern\Core\Webinars\Room;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\Webinar;
use Lantern\Core\Webinars\WebinarMode;
use LogicException;

/** The room of one session, with what its host has done in it. */
final readonly class LiveRoom
{
    /**
     * @param  int  $length  seconds of what is played; of a live one, what it has come to or was planned for
     */
    private function __construct(
        public Webinar $webinar,
        public Session $session,
        public Room $room,
        public int $length,
        public ?WebinarSession $row,
        private ?DateTimeImmutable $begun,
        public ?RoomFacts $facts = null,
    ) {
    }

    /** The room that somebody's place is in. */
    public static function of(Registration $registration): self
    {
        $facts = RoomFacts::of($registration) ?? throw new LogicException('The webinar of a registration is in its version.');

        return self::at($facts->webinar, $registration->session(), $facts);
    }

    public static function at(Webinar $webinar, Session $session, ?RoomFacts $facts = null): self
    {
        $row = $session->key === 'd' ? null : WebinarSession::query()->where('webinar_id', $webinar->id)
            ->where('session_key', $session->key)->first();
        if ($webinar->manner === WebinarMode::Automated) {
            $length = Lengths::seconds($webinar);

            return new self($webinar, $session, Room::played($session, $length), $length, $row, $session->startsAt, $facts);
        }
        $begun = $row?->begun_at;
        $end = $row->ended_at ?? $session->endsAt->modify('+'.Room::FORGOTTEN.' minutes');
        // What a host forgot to end counts as long as it was planned.
        $length = $begun === null ? $webinar->schedule->minutes * 60
            : max(1, ($row->ended_at ?? $session->endsAt)->getTimestamp() - $begun->getTimestamp());

        return new self($webinar, $session, Room::live($session, $begun, $row?->ended_at), min($length, max(1, $end->getTimestamp()
            - ($begun ?? $session->startsAt)->getTimestamp())), $row, $begun, $facts);
    }

    /** The second at which the offer appears, or appeared; null where it does not. */
    public function offerAt(): ?int
    {
        if ($this->webinar->offer === null || ($this->row->offer_hidden ?? false)) {
            return null;
        }

        return $this->row->offer_second ?? $this->webinar->offer->second;
    }

    /** When the second of the session is; null while a live one has not begun. */
    public function moment(int $second): ?DateTimeImmutable
    {
        return $this->begun === null ? null : CarbonImmutable::instance($this->begun)->addSeconds($second);
    }

    public function isCancelled(): bool
    {
        return $this->row?->cancelled_at !== null;
    }
}
