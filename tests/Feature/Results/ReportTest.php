<?php

declare(strict_types=1);

namespace Tests\Feature\Results;

use App\Models\FunnelGoal;
use App\Models\Message;
use App\Models\ResultLink;
use Carbon\CarbonImmutable;
use Lantern\Core\Plan\Success;
use Tests\TestCase;

/** The week in six lines, and results that others may look at. */
final class ReportTest extends TestCase
{
    public function test_each_monday_the_week_that_is_over_comes_once_in_six_lines(): void
    {
        $this->travelTo(CarbonImmutable::parse('2027-04-14 10:00', 'UTC'));
        $owner = $this->owner();
        $funnel = $this->live($owner);
        foreach (['a', 'b', 'c'] as $browser) {
            $this->post('/m/view', ['funnel' => $funnel->id, 'page' => $this->entry($funnel)->id, 'visitor' => md5($browser)]);
        }
        $this->join($funnel, ['email' => 'robin@example.com', 'visitor' => md5('a')]);
        FunnelGoal::query()->create(['funnel_id' => $funnel->id, 'what' => Success::Signups, 'wanted' => 40, 'until' => '2027-05-14',
            'since' => now()->subDay()]);
        $this->travelTo(CarbonImmutable::parse('2027-04-19 07:00', 'UTC'));
        $this->artisan('lantern:due');
        self::assertSame(0, Message::query()->where('name', 'The week in six lines')->count(), 'only if it is wished for');
        $this->actingAs($owner)->putJson('/studio/api/settings', ['businessName' => 'F', 'senderName' => 'I',
            'senderAddress' => 'imke@ferncroft.example', 'postalAddress' => 'x', 'timezone' => 'Europe/Berlin', 'currency' => 'EUR',
            'weeklyReport' => true])->assertOk()->assertJsonPath('weeklyReport', true);
        $this->artisan('lantern:due');
        $this->artisan('lantern:due');
        $this->runQueue();
        $message = Message::query()->where('name', 'The week in six lines')->sole();
        self::assertSame(['sent', 'imke@ferncroft.example'], [$message->state->value, $message->to_address]);
        foreach (['3 visitors came', '1 person joined', '0 sales: no money moved', '1 of 40 sign-ups in “Practice plan”, behind',
            'No leak is to be seen', 'No split test runs'] as $line) {
            self::assertStringContainsString($line, html_entity_decode((string) $message->html));
        }
        $this->travel(7)->days();
        $this->artisan('lantern:due');
        $this->runQueue();
        $second = Message::query()->where('name', 'The week in six lines')->latest('id')->firstOrFail();
        self::assertStringContainsString('0 visitors came, 3 fewer than the week before', html_entity_decode((string) $second->html));
    }

    public function test_a_link_shows_numbers_and_no_addresses_until_it_is_taken_back(): void
    {
        $owner = $this->owner();
        $funnel = $this->live($owner);
        $this->post('/m/view', ['funnel' => $funnel->id, 'page' => $this->entry($funnel)->id, 'visitor' => md5('a'),
            'source' => 'utm_source=<script>podcast']);
        $this->join($funnel, ['email' => 'robin@example.com', 'first_name' => 'Robin', 'visitor' => md5('a')]);
        $link = $this->actingAs($owner)->postJson("/studio/api/funnels/{$funnel->id}/result-links", ['days' => 28])->assertCreated();
        $path = (string) parse_url((string) $link->json('url'), PHP_URL_PATH);
        $html = (string) $this->get($path)->assertOk()->assertHeader('X-Robots-Tag', 'noindex')->getContent();
        self::assertStringContainsString('1 visitor came, and there was 1 sign-up', $html);
        self::assertStringContainsString('&lt;script&gt;podcast', $html);
        foreach (['robin@example.com', 'Robin', 'imke@ferncroft.example', '<script>podcast'] as $secret) {
            self::assertStringNotContainsString($secret, $html);
        }
        $this->getJson("/studio/api/funnels/{$funnel->id}/result-links")->assertJsonCount(1, 'links');
        $this->deleteJson('/studio/api/result-links/'.$link->json('id'))->assertOk();
        $this->getJson("/studio/api/funnels/{$funnel->id}/result-links")->assertJsonCount(0, 'links');
        $this->get($path)->assertNotFound();
        $this->get('/m/results/'.str_repeat('0', 40))->assertNotFound();
        self::assertSame(1, ResultLink::query()->count());
    }
}
