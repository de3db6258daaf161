<?php

declare(strict_types=1);

namespace Lantern\Core\Domains;

/** What a look at a domain found. */
enum DomainFinding: string
{
    /** Whoever asks for it comes to us. */
    case Works = 'works';
    /** It does, but one of its addresses leads elsewhere: some visitors do not come to us. */
    case PartlyElsewhere = 'partly_elsewhere';
    /** The DNS knows no address of it. */
    case NoRecord = 'no_record';
    /** Its addresses are another server's, and that server is not ours. */
    case Elsewhere = 'elsewhere';
    /** It leads to a private network, where nobody from outside can come. */
    case Private = 'private';
    /** It leads here, and nobody answers. */
    case NoAnswer = 'no_answer';
    /** It leads here, and something else answers. */
    case OtherAnswer = 'other_answer';

    /**
     * The token decides: whoever answers it is us, by whatever way, such as a proxy in front. The addresses say why it was not answered.
     *
     * @param  list<string>  $found  addresses that the DNS knows of the domain
     * @param  list<string>  $ours  addresses of this server, as far as they are known
     * @param  bool  $mayBeAsked  are they such as may be asked?
     * @param  bool|null  $answered  did it answer with the token? null where nothing answered
     */
    public static function of(array $found, array $ours, bool $mayBeAsked, ?bool $answered): self
    {
        [$found, $ours] = [array_map(self::plain(...), $found), array_map(self::plain(...), $ours)];
        $others = array_diff($found, $ours);

        return match (true) {
            $found === [] => self::NoRecord,
            $answered === true => $others !== [] && count($others) < count($found) ? self::PartlyElsewhere : self::Works,
            ! $mayBeAsked => self::Private,
            $ours !== [] && $others !== [] => self::Elsewhere,
            default => $answered === null ? self::NoAnswer : self::OtherAnswer,
        };
    }

    public function works(): bool
    {
        return $this === self::Works || $this === self::PartlyElsewhere;
    }

    /**
     * To the owner, and what to do about it.
     *
     * @param  list<string>  $found  see {@see of()}
     * @param  list<string>  $ours  likewise
     */
    public function sentence(array $found, array $ours): string
    {
        $others = implode(', ', array_diff(array_map(self::plain(...), $found), array_map(self::plain(...), $ours)));

        return match ($this) {
            self::Works => 'It leads here.',
            self::PartlyElsewhere => "It leads here, but for some visitors to {$others}. Take that record out of its DNS.",
            self::NoRecord => 'The DNS knows no address of it yet. A new record can take some hours until it is known everywhere.',
            self::Elsewhere => "It leads to {$others}, which is not here. Write the record below in place of the one that is there.",
            self::Private => "It leads to {$others}, in a private network that nobody reaches from outside.",
            self::NoAnswer => 'It leads here, but nothing answers for it. The web server does not know it yet, or a firewall is closed.',
            self::OtherAnswer => 'It leads to a server that answers, but not to this one. Look whether the records are those below.',
        };
    }

    private static function plain(string $address): string
    {
        $bytes = @inet_pton($address);

        return $bytes === false ? $address : (string) inet_ntop($bytes);
    }
}
