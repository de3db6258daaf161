<?php

declare(strict_types=1);

namespace Tests\Feature\Studio;

use App\Automation\OwnerRules;
use App\Drafts\DraftGuides;
use App\Drafts\DraftRows;
use App\Models\BulkAct;
use App\Models\Domain;
use App\Models\EmailPart;
use App\Models\Experiment;
use App\Models\Funnel;
use App\Models\HookCall;
use App\Models\Order;
use App\Models\OwnDesign;
use App\Models\Payment;
use App\Models\ProductAccess;
use App\Models\Receipt;
use App\Models\Registration;
use App\Models\ResultLink;
use App\Models\Segment;
use App\Models\Site;
use App\Models\Spend;
use App\Models\Upload;
use App\Models\User;
use App\Orders\PaymentKey;
use App\Support\Ids;
use DateTimeImmutable;
use Illuminate\Routing\Route as RouteOf;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Schema;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\Duration;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Offers\Coupon;
use Lantern\Core\Orders\AccessState;
use Lantern\Core\Orders\OrderState;
use Lantern\Core\Orders\PaymentPurpose;
use Lantern\Core\Orders\PaymentState;
use Lantern\Core\Orders\ReceiptKind;
use Lantern\Core\Popups\PopupDesigns;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;
use Lantern\Core\Promises\Promise;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Webinars\RegistrationState;
use Lantern\Core\Webinars\Schedule;
use Lantern\Core\Webinars\ScheduleKind;
use Lantern\Core\Webinars\Webinar;
use Lantern\Core\Webinars\WebinarMode;
use Tests\TestCase;

/** Between two businesses stands a wall at every address that names something: each id below exists, at somebody else's. */
final class WallsTest extends TestCase
{
    /** @return array<string, string> an id of everything a business can have, by the name that addresses use */
    private function everythingOf(User $owner): array
    {
        $this->actingAs($owner);
        $funnel = $this->live($owner);
        DraftRows::add($funnel, new Coupon(Ids::next(), 'Early', 'EARLY', 10, null));
        $business = ['business_id' => $owner->business_id];
        $this->join($funnel, ['email' => 'robin@example.com'])->assertStatus(303);
        $this->runQueue();
        $part = fn (string $kind): string => (string) DB::table('draft_parts')->where('kind', $kind)->value('id');
        $person = (string) DB::table('people')->value('id');
        DB::table('tags')->insert(['name' => 'Cellist', 'name_key' => 'cellist'] + $business);
        $tag = (string) DB::table('tags')->where('name_key', 'cellist')->value('id');
        DB::table('person_tag')->insert(['person_id' => $person, 'tag_id' => $tag, 'tagged_at' => '2026-01-01 00:00:00.000']);
        $note = $this->postJson("/studio/api/people/{$person}/notes", ['text' => 'Plays at night'])->assertSuccessful()->json('id');
        $field = $this->postJson('/studio/api/people/fields', ['name' => 'level', 'label' => 'Level', 'kind' => 'short_text'])
            ->assertSuccessful();
        self::assertNotNull($field->json());
        $import = $this->post('/studio/api/imports', ['file' => $this->file('list.csv', "email\nkim@example.com\n")],
            ['Accept' => 'application/json'])->assertSuccessful()->json('id');
        $submission = (string) DB::table('submissions')->value('id');
        $order = $this->orderOf($funnel, $person);

        DraftRows::add($funnel->refresh(), PopupDesigns::fresh(Ids::next(), 'Before you go', PopupDesigns::get('popup-card'),
            Ids::next(...),
            []));
        DraftRows::add($funnel->refresh(), new Deadline(Ids::next(), 'Three days', duration: Duration::days(3)));
        $webinar = DraftRows::add($funnel->refresh(), new Webinar(Ids::next(), 'First melody', '',
            new Schedule(ScheduleKind::OnDemand, 'UTC'), WebinarMode::Automated));
        DraftRows::add($funnel->refresh(), new Promise(Ids::next(), 'Sees the page', new Visitor,
            new DateTimeImmutable('2027-04-14 10:00 UTC'),
            [new Choice(ChoiceKind::Come)]));
        $question = $this->questionIn($webinar->id, $funnel, $person);
        $splitTest = DraftRows::add($funnel->refresh(), new SplitTest(Ids::next(), 'Opt-in page', $this->entry($funnel)->id));
        $experiment = Experiment::query()->create(['id' => Ids::next(), 'funnel_id' => $funnel->id, 'part_id' => $this->entry($funnel)->id,
            'name' => 'Opt-in page', 'goal' => 'signup', 'variants' => ['a' => ['weight' => 1, 'note' => '', 'print' => '']],
            'expected' => 0.3, 'currency' => 'EUR', 'most_days' => 56, 'started_at' => now()] + $business);

        return [
            'funnel' => $funnel->id, 'version' => (string) $funnel->live_version_id, 'page' => $part('page'), 'part' => $part('email'),
            'email' => $part('email'), 'sequence' => $part('sequence'), 'person' => $person, 'tag' => $tag, 'note' => (string) $note,
            'field' => 'level', 'import' => (string) $import, 'kind' => 'opening', 'format' => 'csv',
            'delivery' => (string) DB::table('deliveries')->value('id'), 'message' => (string) DB::table('messages')->value('id'),
            'broadcast' => (string) $this->postJson('/studio/api/broadcasts')->assertSuccessful()->json('id'),
            'emailPart' => EmailPart::query()->create(['id' => Ids::next(), 'name' => 'Foot', 'body' => '<p>x</p>'] + $business)->id,
            'segment' => Segment::query()->create(['id' => Ids::next(), 'name' => 'All', 'rules' => ['all' => true, 'rules' => []]]
                + $business)->id,
            'act' => BulkAct::query()->create(['id' => Ids::next(), 'kind' => 'tag', 'data' => ['tag' => (int) $tag, 'words' => 'x'],
                'people' => 0, 'created_at' => now()] + $business)->id,
            'design' => OwnDesign::query()->create(['id' => Ids::next(), 'kind' => 'section', 'name' => 'Mine', 'role' => 'opening',
                'document' => $this->entry($funnel)->document] + $business)->id,
            'upload' => Upload::query()
                ->create(['id' => Ids::next(), 'kind' => 'picture', 'name' => 'a.png', 'mime' => 'image/webp', 'bytes' => 1,
                    'path' => 'pictures/a', 'sha256' => str_repeat('0', 64), 'widths' => [480]] + $business)->id,
            'rule' => app(OwnerRules::class)->add($owner->business, ['name' => 'Warm', 'when' => [['kind' => 'became-warm']],
                'acts' => [['kind' => 'tag', 'tag' => 'Warm']]])->id,
            'session' => 'd', 'question' => $question, 'splitTest' => $splitTest->id, 'test' => $experiment->id,
            'resultLink' => ResultLink::query()->create(['funnel_id' => $funnel->id, 'key' => str_repeat('a', 40), 'days' => 28])->id,
            'spend' => Spend::query()->create(['source' => 'podcast', 'from_day' => '2026-11-01', 'to_day' => '2026-11-02', 'amount' => 100,
                'currency' => 'EUR'] + $business)->id,
            'site' => Site::query()->create(['name' => 'Notes', 'origin' => 'https://notes.example'] + $business)->id,
            'domain' => Domain::query()->create(['name' => 'cello.example', 'leads_to' => 'business', 'token' => str_repeat('a', 40),
                'finding' => 'works', 'worked_at' => now(), 'checked_at' => now()] + $business)->id,
            'guide' => app(DraftGuides::class)->make($funnel->refresh(), ['title' => 'Plan'])->id,
            'order' => $order->id, 'receipt' => (string) DB::table('receipts')->value('id'),
            'access' => (string) DB::table('accesses')->value('id'), 'key' => (string) DB::table('payments')->value('key'),
            'call' => HookCall::query()->create(['id' => Ids::next(), 'submission_id' => $submission, 'url' => 'https://hook.example/in',
                'payload' => '{}', 'due_at' => now(), 'created_at' => now()] + $business)->id,
        ];
    }

    private function questionIn(string $webinar, Funnel $funnel, string $person): string
    {
        $registration = Registration::query()->create(['business_id' => $funnel->business_id, 'funnel_id' => $funnel->id,
            'version_id' => $funnel->live_version_id, 'webinar_id' => $webinar, 'person_id' => $person, 'session_key' => 'd',
            'starts_at' => now(), 'ends_at' => now()->addHour(), 'zone' => 'UTC', 'state' => RegistrationState::Registered,
            'registered_at' => now(), 'chosen_at' => now()]);
        $id = Ids::next();
        DB::table('room_questions')->insert(['id' => $id, 'business_id' => $funnel->business_id, 'webinar_id' => $webinar,
            'session_key' => 'd', 'registration_id' => $registration->id, 'person_id' => $person, 'device' => str_repeat('0', 16),
            'words' => 'Which string?', 'state' => 'open', 'asked_at' => now()]);

        return $id;
    }

    private function orderOf(Funnel $funnel, string $person): Order
    {
        $order = Order::query()->create(['business_id' => $funnel->business_id, 'funnel_id' => $funnel->id,
            'version_id' => $funnel->live_version_id, 'page_id' => $this->entry($funnel)->id, 'person_id' => $person,
            'token' => str_repeat('a', 32), 'number' => 1, 'state' => OrderState::Paid, 'currency' => 'EUR', 'email' => 'robin@example.com',
            'total' => 100, 'placed_at' => now(), 'bought_at' => now()]);
        Payment::query()
            ->create(['order_id' => $order->id, 'key' => PaymentKey::fresh(), 'purpose' => PaymentPurpose::First, 'lines' => [1 => 100],
                'amount' => 100, 'currency' => 'EUR', 'state' => PaymentState::Paid, 'due_at' => now()]);
        Receipt::query()->create(['business_id' => $funnel->business_id, 'order_id' => $order->id, 'number' => 1,
            'kind' => ReceiptKind::Purchase, 'key' => 'purchase:1', 'content' => ['currency' => 'EUR'], 'issued_at' => now()]);
        ProductAccess::query()->create(['business_id' => $funnel->business_id, 'person_id' => $person, 'funnel_id' => $funnel->id,
            'product_id' => 'p', 'order_id' => $order->id, 'product' => ['id' => 'p', 'name' => 'First Season'],
            'state' => AccessState::Active, 'given_at' => now(), 'changed_at' => now()]);

        return $order;
    }

    /** @return list<array{string, string, list<string>}> method, address with names, and the names in it */
    private static function addresses(): array
    {
        $found = [];
        foreach (Route::getRoutes() as $route) {
            assert($route instanceof RouteOf);
            $names = array_values(array_diff($route->parameterNames(), ['format']));
            if (str_starts_with($route->uri(), 'studio/') && $names !== [] && ! in_array('any', $names, true)) {
                foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                    $found[] = [$method, $route->uri(), $names];
                }
            }
        }

        return $found;
    }

    public function test_whatever_is_somebody_elses_is_not_there(): void
    {
        $owner = $this->owner();
        $ids = $this->everythingOf($owner);
        $stranger = $this->owner('stranger@example.com');
        $before = $this->everything();
        $body = ['revision' => 1, 'funnel' => $ids['funnel'], 'with' => $ids['person']];
        $addresses = self::addresses();
        self::assertGreaterThan(80, count($addresses));

        foreach ($addresses as [$method, $uri, $names]) {
            // Some addresses are for parts of one kind.
            $part = ['studio/api/parts/{part}/file' => 'lead-magnet', 'studio/api/parts/{part}/codes' => 'coupon',
                'studio/api/parts/{part}/cost' => 'form', 'studio/api/parts/{part}/deadline' => 'deadline',
                'studio/api/parts/{part}/deadline/examples' => 'deadline',
                'studio/api/people/{person}/deadlines/{part}' => 'deadline', 'studio/api/parts/{part}/popup' => 'popup',
                'studio/api/parts/{part}/popup/redesign' => 'popup', 'studio/api/parts/{part}/popup/step' => 'popup',
                'studio/api/parts/{part}/popup/try' => 'popup',
                'studio/api/parts/{part}/promise/renew' => 'promise'][$uri] ?? (str_contains($uri, '{part}/webinar') ? 'webinar'
                        : 'email');
            $ids['part'] = (string) DB::table('draft_parts')->where('kind', $part)->value('id');
            $url = '/'.preg_replace_callback('/\{(\w+)\??\}/', fn (array $m): string => $ids[$m[1]], $uri);
            app('auth')->forgetGuards();
            self::assertContains($this->json($method, $url, $body)->getStatusCode(), [401, 302], "signed out: {$method} {$uri}");
            $this->actingAs($stranger);
            $answer = $this->json($method, $url, $body);
            self::assertSame(404, $answer->getStatusCode(), "{$method} {$uri}");
            self::assertStringNotContainsString('App\\', (string) $answer->getContent());
            self::assertSame($before, $this->everything(), "{$method} {$uri} changed something");
            // It is the wall that answers so, not an id that nobody has.
            $this->actingAs($owner);
            DB::beginTransaction();
            self::assertNotSame(404, $this->json($method, $url, $body)->getStatusCode(), "the owner's own: {$method} {$uri}");
            DB::rollBack();
        }
    }

    /** All rows of all tables but those of the framework. */
    private function everything(): string
    {
        $tables = array_diff(array_column(Schema::getTables(), 'name'),
            ['sessions', 'jobs', 'failed_jobs', 'migrations', 'cache', 'cache_locks']);

        return hash('sha256', serialize(array_map(fn (string $t): array => DB::table($t)->get()->all(), array_values($tables))));
    }
}
