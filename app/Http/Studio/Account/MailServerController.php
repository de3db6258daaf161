<?php

declare(strict_types=1);

namespace App\Http\Studio\Account;

use App\Http\Studio\StudioController;
use App\Mail\Sending\MailServers;
use App\Mail\Sending\PermanentTrouble;
use App\Mail\Sending\ReturnedMail;
use App\Mail\Sending\TemporaryTrouble;
use App\Models\Business;
use App\Models\MailServer;
use App\Support\Instant;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Lantern\Core\Messages\Encryption;
use Lantern\Core\Messages\MailWay;
use Lantern\Core\Messages\ServerLogin;
use Lantern\Core\Support\Invalid;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;

/** By which way messages go, and the owner's own mail server. A password that was typed once is never shown again. */
final class MailServerController extends StudioController
{
    private const MESSAGES = [
        'host.*' => 'The name of the server, such as smtp.example, without https:// and without a path.',
        'port.*' => 'A port is a number from 1 to 65535; mail servers usually listen on 587 or 465.',
        'username.*' => 'A name has 255 characters at most.',
        'password.*' => 'A password has 500 characters at most.',
    ];

    public function show(): JsonResponse
    {
        return response()->json(self::json($this->business()));
    }

    public function update(Request $request): JsonResponse
    {
        $server = $this->given($request);
        if ($server->way === MailWay::Server && $server->host === '') {
            throw Invalid::at('host', self::MESSAGES['host.*']);
        }
        $server->save();

        return response()->json(self::json($this->business()));
    }

    /** A new address for what comes back; one there was takes nothing any more. */
    public function renewReports(): JsonResponse
    {
        ReturnedMail::renew($this->business());

        return response()->json(self::json($this->business()));
    }

    /** Sends an email to the owner's own address by what was typed, saved or not, and tells what the server said. */
    public function test(Request $request, MailServers $servers): JsonResponse
    {
        $server = $this->given($request);
        if ($server->host === '') {
            throw Invalid::at('host', self::MESSAGES['host.*']);
        }
        $business = $this->business();
        $email = (new Email)->from(new Address($business->sender_address, $business->sender_name))->to($this->user()->email)
            ->subject('A test from '.$business->name)
            ->text("This email went through {$server->host}. If you read it, your mail server works.\n");
        try {
            $answer = $servers->smtp(['timeout' => 10] + MailServers::config($server))->deliver($email);
        } catch (PermanentTrouble|TemporaryTrouble $e) {
            // Those below it say what the server answered, or why there was no answer.
            $below = $e->getPrevious()?->getMessage() ?? '';

            return response()->json(['works' => false, 'words' => $e->getMessage(), 'answer' => mb_strimwidth($below, 0, 500, '…')]);
        }

        return response()->json(['works' => true, 'words' => "The server took it. Look for it at {$this->user()->email}.",
            'answer' => $answer]);
    }

    /** What is kept, with what was typed now. */
    private function given(Request $request): MailServer
    {
        $given = $request->validate([
            'way' => ['required', Rule::enum(MailWay::class)],
            'host' => ['nullable', 'string', 'max:255', 'regex:/^(?:[a-z0-9](?:[a-z0-9.-]*[a-z0-9])?|\[?[0-9a-f:]+\]?)$/iD'],
            'port' => ['required', 'integer', 'min:1', 'max:65535'],
            'encryption' => ['required', Rule::enum(Encryption::class)],
            'username' => ['nullable', 'string', 'max:255'],
            'password' => ['nullable', 'string', 'max:500'],
        ], self::MESSAGES);
        $server = MailServer::query()->firstOrNew(['business_id' => $this->business()->id], ['way' => MailWay::Outbox]);
        $login = (new ServerLogin($server->host, $server->username, $server->password))
            ->typed($given['host'] ?? '', $given['username'] ?? '', $given['password'] ?? '');

        return $server->forceFill(['way' => MailWay::from($given['way']), 'host' => $login->host, 'port' => (int) $given['port'],
            'encryption' => Encryption::from($given['encryption']), 'username' => $login->username, 'password' => $login->password]);
    }

    /** @return array<string, mixed> */
    private static function json(Business $business): array
    {
        $server = MailServer::query()->where('business_id', $business->id)->first() ?? new MailServer(['way' => MailWay::Outbox]);
        $file = config('mail.default') !== 'smtp' ? null
            : (string) config('mail.mailers.smtp.host').':'.(string) config('mail.mailers.smtp.port');

        return ['way' => MailServers::way($business->id)->value, 'host' => $server->host, 'port' => $server->port,
            'encryption' => $server->encryption->value, 'username' => $server->username, 'hasPassword' => $server->password !== null,
            'file' => $file, 'records' => self::records($business, $server), 'reports' => ReturnedMail::url($business),
            'reportedAt' => Instant::json($business->reported_at)];
    }

    /**
     * What to write into the DNS of the domain of the sender address, so that other mail servers believe it.
     *
     * @return list<array{name: string, type: string, value: string, for: string}>
     */
    private static function records(Business $business, MailServer $server): array
    {
        $domain = mb_substr((string) mb_strrchr($business->sender_address, '@'), 1);
        if ($domain === '' || $server->host === '') {
            return [];
        }

        return [
            ['name' => $domain, 'type' => 'TXT', 'value' => "v=spf1 mx a:{$server->host} ~all",
                'for' => "SPF: which servers may send for you. If there is one already, add “a:{$server->host}” to it; your provider "
                    .'may name something else to include.'],
            ['name' => "…._domainkey.{$domain}", 'type' => 'TXT', 'value' => 'v=DKIM1; k=rsa; p=…',
                'for' => 'DKIM: a signature on each email. Your provider gives you the name and the key in place of the dots.'],
            ['name' => "_dmarc.{$domain}", 'type' => 'TXT', 'value' => "v=DMARC1; p=none; rua=mailto:{$business->sender_address}",
                'for' => 'DMARC: what others do with email that fails both. Begin with “none”; make it stricter when all is well.'],
        ];
    }
}
