<?php

declare(strict_types=1);

namespace Tests\Browser;

use CurlHandle;

/** The real server with several workers, asked many things at the same moment. No browser is needed for that. */
final class ConcurrencyTest extends BrowserTestCase
{
    private string $address;

    protected function setUp(): void
    {
        $this->address = (string) $this->sql('select address from funnels');
        if ($this->address === '') {
            $made = $this->artisan('lantern:seed-crash-test', '0');
            self::assertSame('', $made);
            $this->address = (string) $this->sql('select address from funnels');
        }
    }

    /** @return array<string, string> the hidden fields of a freshly loaded form */
    private function form(): array
    {
        $html = (string) curl_exec($this->request('/'.$this->address));
        preg_match_all('/<input type="hidden" name="(\w+)" value="([^"]*)"/', $html, $m);
        self::assertContains('token', $m[1]);

        return array_combine($m[1], $m[2]);
    }

    public function test_the_same_form_sent_eight_times_at_once_is_one_submission(): void
    {
        $form = ['email' => 'robin@example.com'] + $this->form();
        $states = $this->atOnce(array_map(fn (): CurlHandle => $this->request('/'.$this->address, $form), range(1, 8)));

        self::assertSame([303 => 8], array_count_values($states));
        self::assertSame(1, (int) $this->sql('select count(*) from submissions s join people p on p.id = s.person_id where email_key = '
            ."'robin@example.com'"));
    }

    public function test_one_address_from_eight_windows_at_once_is_one_person_and_one_email(): void
    {
        $forms = array_map(fn (int $i): array => ['email' => $i % 2 ? 'WREN@example.com' : 'wren@example.com'] + $this->form(),
            range(1, 8));
        $states = $this->atOnce(array_map(fn (array $form): CurlHandle => $this->request('/'.$this->address, $form), $forms));

        self::assertSame([303 => 8], array_count_values($states));
        $of = "where email_key = 'wren@example.com'";
        self::assertSame(1, (int) $this->sql("select count(*) from people {$of}"));
        self::assertSame(8, (int) $this->sql("select count(*) from submissions where person_id = (select id from people {$of})"));
        self::assertSame(1, (int) $this->sql("select count(*) from messages where person_id = (select id from people {$of})"));
        self::assertSame(1, (int) $this->sql("select count(*) from person_tag where person_id = (select id from people {$of})"));
    }

    public function test_views_from_many_at_once_are_each_counted_once(): void
    {
        $page = (string) $this->sql("select id from draft_parts where kind = 'page' and json_extract(definition, '$.address') = ''");
        $funnel = (string) $this->sql('select id from funnels');
        $before = (int) $this->sql("select sum(how_many) from counts where measure = 'views'");
        $beacons = [];
        for ($i = 0; $i < 40; $i++) {
            $beacons[] = $this->request('/m/view', ['funnel' => $funnel, 'page' => $page, 'visitor' => md5((string) ($i % 10))]);
        }
        $states = $this->atOnce($beacons);

        self::assertSame([204 => 40], array_count_values($states));
        self::assertSame(40, (int) $this->sql("select sum(how_many) from counts where measure = 'views'") - $before);
        self::assertSame([10, 10], [(int) $this->sql("select sum(how_many) from counts where measure = 'visitors' and slice = '' "
            ."and page_id = '{$page}'"), (int) $this->sql("select sum(how_many) from counts where measure = 'visitors' and slice = '' "
            ."and before = '' and page_id = '{$page}'")]);
    }
}
