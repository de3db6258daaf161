<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use App\Models\MailServer;
use Illuminate\Mail\MailManager;
use Lantern\Core\Messages\Encryption;
use Lantern\Core\Messages\MailWay;
use Symfony\Component\Mime\Email;

/** Carries the messages of each business by the way that its owner chose. */
final readonly class MailServers implements Provider
{
    public function __construct(private MailManager $mail, private Outbox $outbox)
    {
    }

    public function handOver(string $messageId, int $business, string $to, Email $email): void
    {
        match (self::way($business)) {
            MailWay::Outbox => $this->outbox->handOver($messageId, $business, $to, $email),
            MailWay::File => $this->smtp(self::fromFile())->handOver($messageId, $business, $to, $email),
            MailWay::Server => $this->smtp(self::config(MailServer::query()->where('business_id', $business)->sole()))
                ->handOver($messageId, $business, $to, $email),
        };
    }

    /** Where messages go: as was chosen in Settings, else to the server in `.env`, else to the outbox. */
    public static function way(int $business): MailWay
    {
        return MailWay::of(MailServer::query()->where('business_id', $business)->first()?->way, config('mail.default') === 'smtp');
    }

    public static function isOutbox(int $business): bool
    {
        return self::way($business) === MailWay::Outbox;
    }

    /** @param  array<string, mixed>  $config  as {@see self::config()} */
    public function smtp(array $config): Smtp
    {
        return new Smtp($this->mail, $config);
    }

    /** @return array<string, mixed> as the framework's mailers are configured */
    public static function config(MailServer $server): array
    {
        return [
            'transport' => 'smtp',
            'scheme' => $server->encryption === Encryption::Tls ? 'smtps' : 'smtp',
            'host' => $server->host,
            'port' => $server->port,
            'username' => $server->username === '' ? null : $server->username,
            'password' => $server->username === '' ? null : $server->password,
            'timeout' => 20,
            'require_tls' => $server->encryption !== Encryption::None,
        ];
    }

    /** @return array<string, mixed> */
    private static function fromFile(): array
    {
        /** @var array<string, mixed> */
        return config('mail.mailers.smtp');
    }
}
