<?php

declare(strict_types=1);

namespace Tests\Browser;

/** What goes over the wire of the real server: cookies, forged requests, downloads in pieces. */
final class SessionSecurityTest extends BrowserTestCase
{
    private string $jar;

    protected function setUp(): void
    {
        $this->jar = self::$folder.'/cookies-'.bin2hex(random_bytes(4));
    }

    /**
     * @param  array<string, string>|string|null  $body
     * @param  list<string>  $headers
     * @return array{int, string, string} state, head, body
     */
    private function ask(string $method, string $path, array|string|null $body = null, array $headers = []): array
    {
        $curl = curl_init((str_starts_with($path, '/studio') ? self::$studio : self::$site).$path);
        curl_setopt_array($curl, [
            CURLOPT_CUSTOMREQUEST => $method,
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_HEADER => true,
            CURLOPT_COOKIEJAR => $this->jar,
            CURLOPT_COOKIEFILE => $this->jar,
            CURLOPT_TIMEOUT => 30,
            CURLOPT_HTTPHEADER => ['Accept: application/json', 'Expect:', ...$headers],
        ]);
        if ($body !== null) {
            curl_setopt($curl, CURLOPT_POSTFIELDS, is_array($body) ? http_build_query($body) : $body);
        }
        $answer = (string) curl_exec($curl);
        $size = (int) curl_getinfo($curl, CURLINFO_HEADER_SIZE);
        $state = (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
        unset($curl); // writes the cookies down

        return [$state, substr($answer, 0, $size), substr($answer, $size)];
    }

    private function token(): string
    {
        preg_match('/XSRF-TOKEN\s+(\S+)/', (string) file_get_contents($this->jar), $m);

        return urldecode($m[1] ?? '');
    }

    private function makeOwner(): void
    {
        if ((int) $this->sql('select count(*) from users') === 0) {
            $this->ask('GET', '/studio/api/session');
            [$state] = $this->ask('POST', '/studio/api/setup',
                ['name' => 'Imke Farrow', 'email' => 'imke@ferncroft.example', 'password' => 'twelve minutes a day',
                    'businessName' => 'Ferncroft Cello Room',
                    'senderName' => 'Imke Farrow', 'senderAddress' => 'imke@ferncroft.example', 'postalAddress' => '3 Ferncroft Yard',
                    'timezone' => 'UTC', 'currency' => 'EUR'], ['X-XSRF-TOKEN: '.$this->token()]);
            self::assertSame(200, $state);
        }
    }

    public function test_a_request_forged_on_another_site_is_refused(): void
    {
        $this->makeOwner();
        $credentials = ['email' => 'imke@ferncroft.example', 'password' => 'twelve minutes a day'];
        self::assertSame(419, $this->ask('POST', '/studio/api/session', $credentials)[0], 'without the token');
        self::assertSame(419, $this->ask('POST', '/studio/api/session', $credentials, ['X-XSRF-TOKEN: forged'])[0]);
        $this->ask('GET', '/studio/api/session');
        [$state, $head] = $this->ask('POST', '/studio/api/session', $credentials, ['X-XSRF-TOKEN: '.$this->token()]);
        self::assertSame(200, $state);
        self::assertMatchesRegularExpression('/Set-Cookie: lantern_studio=[^;]+;[^\n]*path=\/studio; httponly; samesite=lax/i', $head);
        self::assertStringNotContainsString('lantern_owner', $head, 'the site is told by “Open”, not by a cookie');
        self::assertSame(419, $this->ask('DELETE', '/studio/api/session')[0], 'signed in, and still no forged request');
        self::assertSame(200, $this->ask('GET', '/studio/api/funnels')[0]);
    }

    public function test_the_session_is_a_new_one_after_signing_in(): void
    {
        $this->makeOwner();
        $this->jar .= '-fresh';
        $this->ask('GET', '/studio/api/session');
        preg_match('/lantern_studio\s+(\S+)/', (string) file_get_contents($this->jar), $before);
        $rows = (int) $this->sql('select count(*) from sessions where user_id is null');
        $this->ask('POST', '/studio/api/session', ['email' => 'imke@ferncroft.example', 'password' => 'twelve minutes a day'],
            ['X-XSRF-TOKEN: '.$this->token()]);
        preg_match('/lantern_studio\s+(\S+)/', (string) file_get_contents($this->jar), $after);

        self::assertNotSame($before[1] ?? null, $after[1] ?? null);
        self::assertSame($rows - 1, (int) $this->sql('select count(*) from sessions where user_id is null'),
            'the old one is gone, not left behind');
    }

    public function test_whoever_only_comes_by_leaves_no_session(): void
    {
        $this->makeOwner();
        $this->jar .= '-passing';
        $before = (int) $this->sql('select count(*) from sessions');
        foreach (['/studio', '/studio/funnels', '/studio/api/funnels', '/studio/api/nothing', '/studio/preview/pages/x'] as $path) {
            [, $head] = $this->ask('GET', $path);
            self::assertStringNotContainsString('lantern_studio', $head, $path);
        }
        $this->ask('POST', '/studio/api/funnels', []);
        self::assertSame($before, (int) $this->sql('select count(*) from sessions'));
        // A browser that begins to sign in gets one, and keeps it.
        $this->ask('GET', '/studio/api/session');
        $this->ask('GET', '/studio/api/session');
        self::assertSame($before + 1, (int) $this->sql('select count(*) from sessions'));
    }

    public function test_public_pages_keep_no_session_and_uploads_are_not_in_the_web_root(): void
    {
        [$state, $head] = $this->ask('GET', '/no-such-funnel');
        self::assertSame(404, $state);
        self::assertStringNotContainsString('Set-Cookie', $head);
        foreach (['/.env', '/../.env', '/storage/app/uploads', '/database/lantern.sqlite', '/artisan', '/index.php/../../.env',
            '/%2e%2e/.env'] as $path) {
            [$state, , $body] = $this->ask('GET', $path);
            self::assertContains($state, [404, 405, 301, 302, 400], $path);
            self::assertStringNotContainsString('APP_KEY', $body, $path);
        }
    }

    public function test_a_file_arrives_in_pieces_that_fit_together(): void
    {
        $this->makeOwner();
        $this->jar .= '-download';
        $this->ask('GET', '/studio/api/session');
        $this->ask('POST', '/studio/api/session', ['email' => 'imke@ferncroft.example', 'password' => 'twelve minutes a day'],
            ['X-XSRF-TOKEN: '.$this->token()]);
        $pdf = (string) file_get_contents($this->pdf());
        $boundary = 'a-boundary';
        $part = fn (string $name, string $value,
            string $more = ''): string => "--{$boundary}\r\nContent-Disposition: form-data; name=\"{$name}\"{$more}\r\n\r\n{$value}\r\n";
        $body = $part('goal', 'give-away').$part('name', 'Pieces').$part('title', 'Pieces').$part('file', $pdf, '; filename="pieces.pdf"')
            ."--{$boundary}--\r\n";
        [$state, , $made] = $this->ask('POST', '/studio/api/funnels', $body,
            ["Content-Type: multipart/form-data; boundary={$boundary}", 'X-XSRF-TOKEN: '.$this->token()]);
        self::assertSame(201, $state);
        $id = json_decode($made, true)['id'];
        self::assertSame(200, $this->ask('POST', "/studio/api/funnels/{$id}/publish", '{}',
            ['Content-Type: application/json', 'X-XSRF-TOKEN: '.$this->token()])[0]);

        $this->jar .= '-stranger';
        [, , $page] = $this->ask('GET', '/pieces');
        preg_match_all('/<input type="hidden" name="(\w+)" value="([^"]*)"/', $page, $m);
        self::assertSame(303, $this->ask('POST', '/pieces', ['email' => 'robin@example.com'] + array_combine($m[1], $m[2]))[0]);
        [, , $thanks] = $this->ask('GET', '/pieces/thank-you');
        self::assertSame(1, preg_match('~href="(/s/[^"]+)"~', $thanks, $link));
        $path = html_entity_decode($link[1]);
        [$whole, $head, $content] = $this->ask('GET', $path);
        self::assertSame([200, $pdf], [$whole, $content]);
        self::assertStringContainsString('Accept-Ranges: bytes', $head);
        $middle = intdiv(strlen($pdf), 2);
        [$first, $head, $start] = $this->ask('GET', $path, headers: ['Range: bytes=0-'.($middle - 1)]);
        [$second, , $rest] = $this->ask('GET', $path, headers: ["Range: bytes={$middle}-"]);
        self::assertSame([206, 206], [$first, $second]);
        self::assertStringContainsString('Content-Range: bytes 0-'.($middle - 1).'/'.strlen($pdf), $head);
        self::assertSame($pdf, $start.$rest);
        self::assertSame(2, (int) $this->sql('select downloads from deliveries'), 'taken up in the middle is the same download');
        self::assertSame(200, $this->ask('HEAD', $path)[0]);
        self::assertSame(2, (int) $this->sql('select downloads from deliveries'), 'asking for the head is no download');
    }
}
