<?php

declare(strict_types=1);

namespace Tests\Feature\Deadlines;

use App\Drafts\DraftRows;
use App\Drafts\DraftWays;
use App\Mail\Emails\MailLinks;
use App\Models\DraftPart;
use App\Models\Message;
use App\Models\Person;
use App\Support\Ids;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Way;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Shape;
use Tests\Feature\Sales\SalesTestCase;

/**
 * A live funnel whose sales page and checkout are guarded by a personal deadline: three days, until eight in the evening,
 * from the click in “The offer”. After it comes the closed page.
 */
abstract class DeadlineTestCase extends SalesTestCase
{
    /** As a browser of today asks for a page that somebody wants to see. */
    protected const BROWSER = ['User-Agent' => 'Mozilla/5.0 (X11) Gecko/20100101 Firefox/140.0', 'Accept-Language' => 'en-GB',
        'Sec-Fetch-Mode' => 'navigate', 'Sec-Fetch-Dest' => 'document', 'Sec-Fetch-User' => '?1'];

    protected string $sequence;

    protected string $email;

    protected string $deadline;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-11-27 10:00:00');
        $this->sequence = $this->add(new SequencePlan(Ids::next(), 'Following up', new Triggers))->id;
        $this->email = $this->add(new EmailPlan(Ids::next(), 'The offer', 'An offer',
            '<p>Here: <a href="{{page_'.$this->page(PageRole::Sales).'}}">See it</a></p>', Delay::atOnce(), $this->sequence))->id;
        $this->deadline = $this->add(Deadline::fromShape(Shape::of($this->definition())))->id;
        DraftWays::draw($this->funnel->refresh(), Way::toPage($this->page(PageRole::Checkout), Outcome::TimeRanOut,
            $this->page(PageRole::Closed)));
        $this->publish();
        $this->withHeaders(self::BROWSER);
    }

    /** @return array<string, mixed> */
    protected function definition(): array
    {
        return ['id' => Ids::next(), 'name' => 'Introductory price', 'duration' => ['days' => 3, 'time' => '20:00'],
            'starts' => [['kind' => 'click', 'email' => $this->email]], 'offers' => [$this->offerId('Regular price')],
            'pages' => [['page' => $this->page(PageRole::Sales), 'before' => $this->page(PageRole::Closed)],
                ['page' => $this->page(PageRole::Checkout), 'before' => $this->page(PageRole::Closed)]]];
    }

    /** @param  array<string, mixed>  $values */
    protected function changeDeadline(array $values): void
    {
        $row = DraftPart::query()->findOrFail($this->deadline);
        $row->change($values)->save();
        $this->publish();
    }

    protected function add(Part $part): DraftPart
    {
        return DraftRows::add($this->funnel->refresh(), $part);
    }

    protected function page(PageRole $role): string
    {
        return DraftPart::there($this->funnel->id, PagePlan::kind())->where('definition->role', $role->value)->firstOrFail()->id;
    }

    /** Somebody on the list who was sent the offer. */
    protected function reader(string $email = 'robin@example.com', string $zone = 'Europe/Oslo'): Person
    {
        $person = Person::query()->where('email', $email)->first() ?? Person::query()->create(['business_id' => $this->seller->business_id,
            'email' => $email, 'email_key' => $email, 'joined_at' => now()->subDay(), 'timezone' => $zone]);
        DB::table('enrolments')->insertOrIgnore(['person_id' => $person->id, 'sequence_id' => $this->sequence,
            'funnel_id' => $this->funnel->id, 'started_at' => now()->subDay()]);

        return $person;
    }

    protected function offered(Person $person): Message
    {
        return Message::query()->where('person_id', $person->id)->where('email_id', $this->email)->first()
            ?? Message::query()->create(['business_id' => $person->business_id, 'person_id' => $person->id, 'funnel_id' => $this
                ->funnel->id,
                'version_id' => $this->funnel->live_version_id, 'email_id' => $this->email, 'sequence_id' => $this->sequence,
                'kind' => 'sequence', 'unique_key' => "sequence:{$this->email}:{$person->id}", 'name' => 'The offer',
                'to_address' => $person->email, 'due_at' => now()->subHour(), 'sent_at' => now()->subHour(),
                'state' => MessageState::Sent]);
    }

    /** The link in the offer, as it stands in the email to somebody. */
    protected function link(Person $person): string
    {
        $message = $this->offered($person);
        $tracked = MailLinks::tracked('<a href="{{page_'.$this->page(PageRole::Sales).'}}">', $message);

        return (string) parse_url((string) preg_replace('/^.*href="([^"]*)".*$/', '$1', $tracked), PHP_URL_PATH);
    }

    /**
     * Follows the link in this browser, and stays known in it.
     *
     * @param  array<string, string>  $headers
     */
    protected function click(Person $person, array $headers = self::BROWSER): TestResponse
    {
        $response = $this->flushHeaders()->withHeaders($headers)->get($this->link($person));
        foreach (['lantern_visitor', 'lantern_reader'] as $name) {
            $cookie = $response->getCookie($name, false);
            if ($cookie !== null) {
                $this->withUnencryptedCookie($name, (string) $cookie->getValue());
            }
        }

        return $response;
    }

    /** Another browser, in which nothing is known. */
    protected function anotherBrowser(): static
    {
        $this->defaultCookies = $this->unencryptedCookies = [];

        return $this;
    }

    /** @return string|null such as "2026-11-30 19:00:00", in UTC */
    protected function end(Person $person): ?string
    {
        $end = DB::table('deadline_runs')->where('deadline_id', $this->deadline)->where('person_id', $person->id)->value('ends_at');

        return is_string($end) ? substr($end, 0, 19) : null;
    }

    protected function assertLedTo(PageRole $role, TestResponse $response): void
    {
        self::assertContains($response->status(), [302, 303]);
        self::assertSame($this->url($role), parse_url((string) $response->headers->get('Location'), PHP_URL_PATH));
        self::assertStringContainsString('no-store', (string) $response->headers->get('Cache-Control'));
    }
}
