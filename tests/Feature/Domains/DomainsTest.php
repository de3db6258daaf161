<?php

declare(strict_types=1);

namespace Tests\Feature\Domains;

use App\Domains\CheckDomain;
use App\Domains\Domains;
use App\Models\Domain;
use App\Models\Funnel;
use App\Models\User;
use App\Support\Resolver;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;
use Lantern\Core\Domains\DomainFinding;
use Lantern\Core\Support\Invalid;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** An owner adds a domain, writes its records, has it looked at, and makes it the primary one. */
final class DomainsTest extends TestCase
{
    private User $owner;

    protected function setUp(): void
    {
        parent::setUp();
        $this->onTwoHosts('https://studio.example', 'https://pages.example');
        config(['lantern.addresses' => ['11.22.33.44', '2a01:4f8::1']]);
        $this->owner = $this->owner();
        $this->actingAs($this->owner);
    }

    /** @param  list<string>  $addresses */
    private function resolvesTo(array $addresses): void
    {
        $this->app->instance(Resolver::class, new class($addresses) extends Resolver
        {
            /** @param  list<string>  $found */
            public function __construct(private array $found)
            {
            }

            public function addresses(string $host): array
            {
                return $this->found;
            }
        });
    }

    /** @param  array<string, mixed>  $body */
    private function ask(string $method, string $path, array $body = []): \Illuminate\Testing\TestResponse
    {
        return $this->json($method, "https://studio.example/studio/api/domains{$path}", $body);
    }

    private function add(string $name, ?Funnel $funnel = null, string $leadsTo = 'business'): Domain
    {
        $id = $this->ask('POST', '', ['name' => $name, 'leadsTo' => $leadsTo, 'funnel' => $funnel->id ?? ''])->assertCreated()->json('id');

        return Domain::query()->findOrFail($id);
    }

    private function answering(Domain $domain): void
    {
        Http::fake(["http://{$domain->name}/m/domains/*" => Http::response("{$domain->token}\n")]);
    }

    public function test_from_a_name_that_was_pasted_to_the_address_of_every_page(): void
    {
        $funnel = $this->live($this->owner);
        $this->resolvesTo([]);
        $domain = $this->ask('POST', '', ['name' => 'https://WWW.Cello.example/', 'leadsTo' => 'business', 'funnel' => ''])
            ->assertCreated()->assertJson(['name' => 'www.cello.example', 'state' => 'waiting', 'primary' => false, 'sentence' => '',
                'records' => [['type' => 'A', 'name' => 'www.cello.example', 'value' => '11.22.33.44'],
                    ['type' => 'AAAA', 'name' => 'www.cello.example', 'value' => '2a01:4f8::1']],
                'alias' => ['type' => 'CNAME', 'name' => 'www.cello.example', 'value' => 'pages.example'], 'reachable' => true])
            ->json('id');
        config(['lantern.addresses' => ['127.0.0.1', 'fd00::1']]);
        $this->ask('GET', '')->assertJsonPath('domains.0.reachable', false);
        config(['lantern.addresses' => ['11.22.33.44', '2a01:4f8::1']]);
        $this->ask('POST', "/{$domain}/check")->assertOk()->assertJson(['state' => 'waiting', 'finding' => 'no_record']);
        $this->ask('POST', "/{$domain}/primary")->assertStatus(422)->assertJsonPath('errors.primary.0',
            'This domain does not lead here yet, so visitors would find nothing. Check again when it does.');
        $this->resolvesTo(['11.22.33.44']);
        $this->answering(Domain::query()->sole());
        $this->ask('POST', "/{$domain}/check")->assertOk()->assertJson(['state' => 'working', 'sentence' => 'It leads here.']);
        $this->ask('POST', "/{$domain}/primary")->assertOk()->assertJson(['primary' => true]);

        $api = 'https://studio.example/studio/api';
        self::assertSame("https://www.cello.example/{$funnel->address}", $this->getJson("{$api}/funnels/{$funnel->id}")->json('url'));
        $this->get("https://www.cello.example/{$funnel->address}")->assertOk();
        $site = $this->postJson("{$api}/sites", ['address' => 'https://blog.example'])->assertCreated();
        self::assertStringContainsString('src="https://www.cello.example/w/', (string) $site->json('line'));
        $this->ask('DELETE', "/{$domain}/primary")->assertOk()->assertJson(['primary' => false]);
        self::assertSame("https://pages.example/{$funnel->address}", $this->getJson("{$api}/funnels/{$funnel->id}")->json('url'));
    }

    public function test_one_is_the_primary_one_of_each_thing(): void
    {
        $funnel = $this->draft($this->owner);
        [$a, $b, $c] = [$this->add('a.example'), $this->add('b.example'), $this->add('c.example', $funnel, 'funnel')];
        Domain::query()->update(['finding' => 'works', 'worked_at' => now()]);
        foreach ([$a, $b, $c, $b] as $domain) {
            $this->ask('POST', "/{$domain->id}/primary")->assertOk();
        }
        $primary = fn (): array => Domain::query()->whereNotNull('primary_of')->orderBy('name')->pluck('primary_of', 'name')->all();
        self::assertSame(['b.example' => "business:{$this->owner->business_id}", 'c.example' => "funnel:{$funnel->id}"], $primary());
        // With another front page it is still the primary one of the business; for one funnel alone it no longer is.
        $this->ask('PUT', "/{$b->id}", ['leadsTo' => 'business', 'funnel' => $funnel->id])->assertOk()->assertJson(['primary' => true]);
        $this->ask('PUT', "/{$b->id}", ['leadsTo' => 'funnel', 'funnel' => $funnel->id])->assertOk()->assertJson(['primary' => false]);
        $this->ask('DELETE', "/{$c->id}")->assertOk();
        self::assertSame([], $primary());
        self::assertSame(['a.example', 'b.example'], array_column($this->ask('GET', '')->json('domains'), 'name'));
        foreach (['POST' => ['/check', '/primary'], 'DELETE' => ['/primary', ''], 'PUT' => ['']] as $method => $paths) {
            foreach ($paths as $path) {
                $this->ask($method, "/{$c->id}{$path}", ['leadsTo' => 'business'])->assertNotFound();
            }
        }
        $c->forceFill(['finding' => DomainFinding::Works, 'worked_at' => now()]);
        try {
            app(Domains::class)->makePrimary($c);
            self::fail('It was removed meanwhile.');
        } catch (Invalid $e) {
            self::assertStringContainsString('removed in another window', $e->getMessage());
        }
        self::assertSame([], $primary(), 'nothing can be done with one that is removed, but to bring it back');
        $this->ask('POST', "/{$c->id}/restore")->assertOk()->assertJson(['name' => 'c.example', 'primary' => false]);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> what is sent, the field, and what is said */
    public static function refused(): iterable
    {
        yield 'no name' => [['name' => 'cello'], 'name', 'no name that a domain can have'];
        yield 'an address' => [['name' => '10.0.0.1'], 'name', 'no name that a domain can have'];
        yield 'the site itself' => [['name' => 'pages.example'], 'name', 'where the application itself stands'];
        yield 'the Studio' => [['name' => 'STUDIO.example.'], 'name', 'where the application itself stands'];
        yield 'of this machine, where the site is not' => [['name' => 'cello.localhost'], 'name', 'never lead to the internet'];
        yield 'twice' => [['name' => 'Taken.example'], 'name', 'on your list already'];
        yield 'no use' => [['leadsTo' => 'nothing'], 'leadsTo', 'choose what this domain leads to'];
        yield 'no funnel' => [['leadsTo' => 'funnel'], 'funnel', 'choose the funnel'];
        yield 'somebody’s funnel' => [['leadsTo' => 'funnel', 'funnel' => '01aaaaaaaaaaaaaaaaaaaaaaaa'], 'funnel', 'no such funnel'];
    }

    /** @param  array<string, mixed>  $sent */
    #[DataProvider('refused')]
    public function test_what_cannot_be_is_said_at_its_field(array $sent, string $field, string $said): void
    {
        $this->add('taken.example');
        $this->ask('POST', '', $sent + ['name' => 'cello.example', 'leadsTo' => 'business', 'funnel' => ''])->assertStatus(422)
            ->assertJson(fn ($json) => $json->where("errors.{$field}.0", fn (string $s): bool => str_contains($s, $said))->etc());
        self::assertSame(1, Domain::query()->count());
    }

    public function test_a_domain_belongs_to_one_business_until_it_is_removed(): void
    {
        $domain = $this->add('cello.example');
        $this->actingAs($this->owner('stranger@example.com'));
        $this->ask('POST', '', ['name' => 'cello.example', 'leadsTo' => 'business'])->assertStatus(422)
            ->assertJsonPath('errors.name.0', 'This domain is in use here already.');
        $this->actingAs($this->owner)->ask('DELETE', "/{$domain->id}")->assertOk();
        $this->actingAs(User::query()->where('email', 'stranger@example.com')->sole());
        $this->ask('POST', '', ['name' => 'cello.example', 'leadsTo' => 'business'])->assertCreated();
        $this->actingAs($this->owner)->ask('POST', "/{$domain->id}/restore")->assertNotFound();
        foreach (range(1, 200) as $n) {
            Domain::query()->create(['business_id' => $this->owner->business_id, 'name' => "n{$n}.example", 'leads_to' => 'business',
                'token' => str_repeat('a', 40)]);
        }
        $this->ask('POST', '', ['name' => 'one-more.example', 'leadsTo' => 'business'])->assertStatus(422)
            ->assertJsonPath('errors.name.0', 'You have 200 domains, which is as many as there can be.');
    }

    public function test_it_is_asked_as_a_visitor_asks_and_led_on_only_to_where_it_should_be(): void
    {
        $domain = $this->add('cello.example');
        $path = "/m/domains/{$domain->token}";
        $this->resolvesTo(['11.22.33.44']);
        $looks = function (array $answers) use ($domain): string {
            Http::swap(new \Illuminate\Http\Client\Factory);
            Http::fake($answers);

            return (string) $this->ask('POST', "/{$domain->id}/check")->assertOk()->json('finding');
        };
        $down = fn () => throw new ConnectionException('refused');
        $token = Http::response($domain->token);
        self::assertSame('works', $looks(['http://cello.example/*' => $token]));
        self::assertSame('works', $looks(['http://*' => Http::response('', 301, ['Location' => "https://cello.example{$path}"]),
            'https://*' => $token]));
        self::assertSame('works', $looks(['http://*' => $down, 'https://*' => $token]));
        self::assertSame('other_answer', $looks(['http://*' => Http::response('', 302, ['Location' => 'https://evil.example/']),
            'https://*' => $down]));
        Http::assertNotSent(fn (Request $r): bool => str_contains($r->url(), 'evil.example'));
        self::assertSame('other_answer', $looks(['*' => Http::response('A new web site')]));
        self::assertSame('other_answer', $looks(['*' => Http::response($domain->token, 404)]));
        self::assertSame('no_answer', $looks(['*' => $down]));
        self::assertSame('trouble', $domain->refresh()->state()->value, 'it worked before');
        $this->resolvesTo(['99.1.1.1']);
        self::assertSame('elsewhere', $looks(['*' => Http::response('A new web site')]));
        foreach (['10.0.0.1', '127.0.0.1', '169.254.169.254', 'fd00::1'] as $inside) {
            $this->resolvesTo([$inside]);
            self::assertSame('private', $looks(['*' => $token]), $inside);
            Http::assertNothingSent();
        }
        config(['lantern.addresses' => ['127.0.0.1']]);
        $this->resolvesTo(['127.0.0.1']);
        self::assertSame('works', $looks(['http://cello.example/*' => $token]), 'this machine itself, where the site stands');
    }

    public function test_domains_are_looked_at_by_themselves_and_one_that_stopped_stays_what_it_is(): void
    {
        $domain = $this->add('cello.example');
        $this->answering($domain);
        $this->resolvesTo(['11.22.33.44']);
        $this->artisan('lantern:due');
        $this->runQueue();
        self::assertSame('working', $domain->refresh()->state()->value);
        $this->add('later.example')->forceFill(['checked_at' => now()])->save();
        foreach (['' => "cello.example\n", '--all' => "cello.example\nlater.example\n"] as $option => $names) {
            Artisan::call("lantern:domains {$option}");
            self::assertSame($names, Artisan::output());
        }
        Domain::query()->where('name', 'later.example')->sole()->delete();
        $this->ask('POST', "/{$domain->id}/primary")->assertOk();
        $this->travel(25)->hours();
        $this->resolvesTo([]);
        Queue::fake();
        $this->artisan('lantern:due');
        $this->artisan('lantern:due');
        Queue::assertPushed(CheckDomain::class, 1);
        app()->call([Queue::pushed(CheckDomain::class)->first(), 'handle']);
        self::assertSame(['trouble', true], [$domain->refresh()->state()->value, $domain->isPrimary()]);
        self::assertSame(['Visitors do not find your pages: cello.example does not lead here at the moment.'],
            array_column($this->getJson('https://studio.example/studio/api/funnels')->json('today'), 'words'));
        $this->ask('DELETE', "/{$domain->id}")->assertOk();
        $this->travel(25)->hours();
        $this->artisan('lantern:due');
        Queue::assertPushed(CheckDomain::class, 1);
        self::assertSame(0, DB::table('domains')->whereNull('removed_at')->count());
    }
}
