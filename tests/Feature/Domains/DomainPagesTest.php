<?php

declare(strict_types=1);

namespace Tests\Feature\Domains;

use App\Domains\Domains;
use App\Mail\Emails\MailLinks;
use App\Models\Domain;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\User;
use App\Publishing\Publishing;
use App\Serving\Source;
use App\Support\SiteCookie;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Domains\DomainFinding;
use Lantern\Core\Domains\DomainUse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Public pages on domains of the owner's. Each look is compared with the front's, as everywhere. */
final class DomainPagesTest extends TestCase
{
    private const STUDIO = 'http://studio.test';

    private const SITE = 'http://pages.test';

    private const CELLO = 'http://cello.example';

    private User $owner;

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->onTwoHosts();
        $this->owner = $this->owner();
        $this->funnel = $this->live($this->owner);
    }

    private function domain(string $name, DomainUse $use = DomainUse::Business, ?Funnel $funnel = null, bool $primary = true,
        ?User $owner = null): Domain
    {
        $domain = app(Domains::class)->add(($owner ?? $this->owner)->business, $name, $use, $funnel);
        if ($primary) {
            $domain->forceFill(['finding' => DomainFinding::Works, 'worked_at' => now()])->save();
            app(Domains::class)->makePrimary($domain);
        }

        return $domain;
    }

    /** @return iterable<string, array{DomainUse, bool, string, string}> what it leads to, is the funnel named, paths of entry and thanks */
    public static function kinds(): iterable
    {
        yield 'the business' => [DomainUse::Business, false, '/practice-plan', '/practice-plan/thank-you'];
        yield 'the business, with a front page' => [DomainUse::Business, true, '/', '/practice-plan/thank-you'];
        yield 'one funnel alone' => [DomainUse::Funnel, true, '/', '/thank-you'];
    }

    #[DataProvider('kinds')]
    public function test_pages_stand_on_the_primary_domain_and_all_that_belongs_to_them_follows(DomainUse $use, bool $named, string $entry,
        string $thanks): void
    {
        $this->funnel->forceFill(['address' => 'practice-plan'])->save();
        $this->domain('cello.example', $use, $named ? $this->funnel : null);

        foreach ([1, 2] as $look) {
            $before = $this->answeredByFront;
            $html = (string) $this->get(self::CELLO.$entry)->assertOk()->getContent();
            self::assertSame($look - 1, $this->answeredByFront - $before, 'the second look is answered by the front');
        }
        self::assertDoesNotMatchRegularExpression('/.{60}pages\.test/', $html);
        self::assertStringContainsString('<link rel="canonical" href="'.self::CELLO.$entry.'">', substr($html, 0, 1500));
        self::assertMatchesRegularExpression('~<form [^>]*method="post" action="'.$entry.'"~', $html);
        $this->get(self::CELLO.$thanks)->assertOk()->assertDontSee('pages.test', false);

        preg_match_all('/<input type="hidden" name="(\w+)" value="([^"]*)"/', $html, $m);
        $this->travel(5)->seconds();
        $joined = $this->post(self::CELLO.$entry, ['email' => 'robin@example.com'] + array_combine($m[1],
            array_map(html_entity_decode(...), $m[2])));
        $joined->assertStatus(303)->assertRedirect(self::CELLO.$thanks);
        $cookie = $joined->getCookie(SiteCookie::Joined->value, false);
        self::assertSame([$entry, null], [$cookie?->getPath(), $cookie?->getDomain()], 'it is sent with all pages of the funnel');
        $this->runQueue();
        $message = Message::query()->where('to_address', 'robin@example.com')->sole();
        $mail = (string) $message->html.$message->text;
        self::assertStringContainsString(self::CELLO.'/f/', $mail);
        self::assertStringContainsString(self::CELLO.'/u/', $mail);
        self::assertStringNotContainsString('pages.test', $mail);
    }

    public function test_other_addresses_lead_to_the_primary_one_with_all_that_they_say(): void
    {
        $address = $this->funnel->address;
        $this->domain('cello.example');
        $this->domain('www.cello.example', primary: false);
        foreach ([self::SITE, 'http://www.cello.example'] as $host) {
            $this->get("{$host}/{$address}/thank-you?utm_source=talk&x=%2B")->assertStatus(301)
                ->assertRedirect(self::CELLO."/{$address}/thank-you?utm_source=talk&x=%2B");
        }
        $this->domain('plan.example', DomainUse::Funnel, $this->funnel);
        foreach ([self::SITE, self::CELLO, 'http://www.cello.example'] as $host) {
            $this->get("{$host}/{$address}/thank-you")->assertStatus(301)->assertRedirect('http://plan.example/thank-you');
            $this->get("{$host}/{$address}")->assertStatus(301)->assertRedirect('http://plan.example/');
        }
        $this->get("http://plan.example/{$address}/thank-you")->assertRedirect('http://plan.example/thank-you');
        $this->get("http://plan.example/{$address}")->assertRedirect('http://plan.example/');
        // Until it is published nobody is told that it is there.
        $draft = $this->draft($this->owner, 'Another plan', false);
        $this->get(self::SITE."/{$draft->address}")->assertNotFound()->assertHeaderMissing('Location');
    }

    public function test_a_form_that_was_open_before_the_primary_changed_is_taken_where_it_is(): void
    {
        $fields = $this->form($this->funnel);
        $this->domain('plan.example', DomainUse::Funnel, $this->funnel);
        $this->post(self::SITE."/{$this->funnel->address}", ['email' => 'not an address'] + $fields)->assertStatus(422)
            ->assertSee('action="/'.$this->funnel->address.'"', false)->assertSee('not an address');
        $this->post(self::SITE."/{$this->funnel->address}", ['email' => 'robin@example.com'] + $fields)
            ->assertSee('url=http://plan.example/thank-you"', false);
        self::assertSame(1, DB::table('submissions')->count());
    }

    public function test_a_domain_shows_what_is_its_owners_and_nothing_of_the_studio(): void
    {
        $this->domain('cello.example');
        $stranger = $this->owner('stranger@example.com');
        $theirs = $this->draft($stranger, 'Viola by heart');
        app(Publishing::class)->publish($theirs, null);
        $this->domain('viola.example', DomainUse::Funnel, $theirs, owner: $stranger);

        $this->get("http://viola.example/{$this->funnel->address}")->assertNotFound();
        $this->get(self::CELLO."/{$theirs->address}")->assertNotFound();
        $this->post(self::CELLO."/{$theirs->address}", ['email' => 'robin@example.com'])->assertNotFound();
        $this->get('http://viola.example/')->assertOk();
        $this->actingAs($this->owner);
        foreach (['studio', 'studio/api/session', 'studio/api/funnels', '%73tudio', "studio/open/{$this->funnel->id}"] as $path) {
            $this->get(self::CELLO."/{$path}")->assertNotFound()->assertDontSee('studio.test');
        }
        $this->get(self::CELLO.'/')->assertNotFound()->assertDontSee('studio.test');
        $this->get(self::CELLO.'/up')->assertOk();
        $this->get('http://www.cello.example/')->assertStatus(421);
        $this->get('http://cello.example.evil.example/')->assertStatus(421);
    }

    public function test_what_is_removed_archived_or_rolled_back_is_so_with_the_next_request(): void
    {
        $domain = $this->domain('plan.example', DomainUse::Funnel, $this->funnel);
        $this->get('http://plan.example/')->assertOk();
        $this->get('http://plan.example/')->assertOk();
        $this->funnel->forceFill(['address' => 'renamed'])->save();
        $this->get('http://plan.example/')->assertOk();
        $this->get('http://plan.example/renamed')->assertRedirect('http://plan.example/');
        app(Domains::class)->lead($domain, DomainUse::Business, $this->funnel);
        $this->get('http://plan.example/')->assertStatus(301)->assertRedirect(self::SITE.'/renamed');
        app(Domains::class)->makePrimary($domain->refresh());
        $this->get('http://plan.example/')->assertOk();
        $this->get(self::SITE.'/renamed')->assertRedirect('http://plan.example/');
        $this->funnel->forceFill(['archived_at' => now()])->save();
        $this->get('http://plan.example/')->assertNotFound();
        $this->funnel->forceFill(['archived_at' => null])->save();
        app(Domains::class)->remove($domain);
        $this->get('http://plan.example/')->assertStatus(421);
        $this->get(self::SITE.'/renamed')->assertOk();
        app(Domains::class)->restore($domain);
        $this->get('http://plan.example/')->assertRedirect(self::SITE.'/renamed');
    }

    public function test_a_web_server_on_this_machine_is_told_whether_a_domain_is_known_and_the_token_stands_on_its_own_domain(): void
    {
        $domain = $this->domain('cello.example');
        $other = $this->domain('viola.example', primary: false);
        $this->get(self::CELLO."/m/domains/{$domain->token}")->assertOk()->assertContent("{$domain->token}\n");
        foreach ([self::CELLO."/m/domains/{$other->token}", self::SITE."/m/domains/{$domain->token}"] as $url) {
            $this->get($url)->assertNotFound()->assertDontSee($domain->token);
        }
        $local = fn (string $query): int => $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])
            ->get("http://127.0.0.1:9000/m/domains/known?{$query}")->getStatusCode();
        self::assertSame([200, 200, 200, 404, 404, 404, 404], array_map($local, ['domain=cello.example', 'domain=Viola.example:443',
            'domain=pages.test', 'domain=x.example', '', 'domain[]=cello.example', 'domain=%00']));
        $this->withServerVariables(['REMOTE_ADDR' => '99.1.1.1'])->get('http://127.0.0.1:9000/m/domains/known?domain=cello.example')
            ->assertStatus(421);
        app(Domains::class)->remove($domain);
        self::assertSame(404, $local('domain=cello.example'));
    }

    public function test_the_owner_opens_a_page_on_its_domain_and_is_known_there(): void
    {
        $this->domain('plan.example', DomainUse::Funnel, $this->funnel);
        $link = (string) $this->actingAs($this->owner)->get(self::STUDIO."/studio/open/{$this->funnel->id}")->headers->get('Location');
        self::assertStringStartsWith('http://plan.example/h?', $link);
        $this->get($link)->assertRedirect('/')->assertCookie(SiteCookie::Owner->value, null, false);
    }

    public function test_a_link_that_was_sent_before_the_pages_moved_is_followed_where_they_are_now(): void
    {
        $this->join($this->funnel, ['email' => 'robin@example.com']);
        $this->runQueue();
        preg_match('~http://pages\.test(/l/\w+/\d+/\w+)~', (string) Message::query()->sole()->html, $link);
        preg_match('~http://pages\.test(/f/[^"\s]+)~', (string) Message::query()->sole()->text, $file);
        $this->domain('plan.example', DomainUse::Funnel, $this->funnel);

        $this->get(self::SITE.$link[1].'?x=1')->assertStatus(302)->assertRedirect("http://plan.example{$link[1]}?x=1")
            ->assertCookieMissing(SiteCookie::Reader->value);
        self::assertSame(0, DB::table('events')->where('type', 'clicked')->count(), 'it counts when it is followed');
        $this->get("http://plan.example{$link[1]}")->assertStatus(302)->assertCookie(SiteCookie::Reader->value, null, false);
        foreach ([self::SITE, 'http://plan.example'] as $host) {
            $this->get($host.html_entity_decode($file[1]))->assertOk();
        }
    }

    public function test_an_email_knows_its_reader_on_whichever_domain_its_links_lead_to(): void
    {
        $other = $this->draft($this->owner, 'Another plan');
        app(Publishing::class)->publish($other, null);
        $this->domain('cello.example');
        $this->domain('other.example', DomainUse::Funnel, $other);
        $this->domain('www.cello.example', primary: false);
        $message = new Message(['id' => '01aaaaaaaaaaaaaaaaaaaaaaaa', 'business_id' => $this->owner->business_id,
            'funnel_id' => $this->funnel->id]);
        $body = MailLinks::tracked('<a href="http://other.example/thank-you">a</a><a href="{{page_x}}">b</a>'
            .'<a href="https://blog.example/">c</a><a href="http://www.cello.example/x">d</a>', $message);
        preg_match_all('~href="(http://[^/]+)/l/~', $body, $hosts);
        self::assertSame(['http://other.example', self::CELLO, self::CELLO, self::CELLO], $hosts[1], 'one that only leads on knows nobody');
    }

    public function test_going_from_one_of_our_hosts_to_the_next_is_no_visit_from_elsewhere(): void
    {
        $this->domain('cello.example');
        foreach (['http://cello.example/x', 'http://pages.test/x', 'http://studio.test/'] as $ours) {
            self::assertNull(Source::touch('', $ours), $ours);
        }
        self::assertSame('viola.example', Source::touch('', 'http://viola.example/x'));
    }

    public function test_pop_ups_of_a_page_are_asked_for_on_its_own_host(): void
    {
        $this->domain('plan.example', DomainUse::Funnel, $this->funnel);
        $ask = fn (string $host, string $origin): mixed => $this->withHeaders(['Origin' => $origin])->postJson("{$host}/w/ask",
            ['funnel' => $this->funnel->id, 'page' => $this->entry($this->funnel)->id, 'visitor' => str_repeat('a', 32)])->getContent();
        $known = $ask('http://plan.example', 'http://plan.example');
        self::assertNotSame($ask('http://plan.example', 'http://evil.example'), $known);
        self::assertStringContainsString('"popups"', (string) $known);
    }
}
