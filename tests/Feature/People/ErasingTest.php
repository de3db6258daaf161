<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\Models\Funnel;
use App\Models\Import;
use App\Models\Message;
use App\Models\Person;
use App\Models\User;
use App\People\Consent\Suppressions;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Lantern\Core\Messages\MessageState;
use Tests\Drafts\Form;
use Tests\TestCase;

/** Whoever is forgotten is forgotten in every corner, and may still come back of their own accord. */
final class ErasingTest extends TestCase
{
    private User $owner;

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
        $this->funnel = $this->live($this->owner);
        $this->actingAs($this->owner);
    }

    /** @param  array<string, mixed>  $more */
    private function setForm(array $more): void
    {
        $form = Form::query()->where('funnel_id', $this->funnel->id)->sole();
        $form->forceFill(['definition' => $more + $form->definition])->save();
    }

    private function joined(string $address, string $name): string
    {
        $this->defaultCookies = $this->unencryptedCookies = [];
        $this->join($this->funnel, ['first_name' => $name, 'email' => $address]);
        $this->runQueue();

        return Person::query()->where('email', $address)->sole()->id;
    }

    private function nowhere(string ...$words): void
    {
        foreach (DB::select("select name from sqlite_master where type = 'table' and name not like 'sqlite%'") as $table) {
            foreach (DB::table($table->name)->get() as $row) {
                foreach ($words as $word) {
                    self::assertStringNotContainsStringIgnoringCase($word, (string) json_encode($row, JSON_UNESCAPED_UNICODE),
                        "in {$table->name}");
                }
            }
        }
        foreach (Storage::disk('uploads')->allFiles() as $file) {
            foreach ($words as $word) {
                self::assertStringNotContainsStringIgnoringCase($word, (string) Storage::disk('uploads')->get($file), "in {$file}");
            }
        }
    }

    public function test_what_the_owner_was_told_of_somebody_and_what_was_tried_on_them_goes_too(): void
    {
        $this->setForm(['notice' => 'at-once']);
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/publish")->assertOk();
        $id = $this->joined('wilhelmina@example.com', 'Wilhelmina');
        $other = $this->joined('kim@example.com', 'Kim');
        $broadcast = $this->postJson('/studio/api/broadcasts')->json('id');
        DB::table('broadcasts')->where('id', $broadcast)
            ->update(['subject' => 'For {{first_name|you}}', 'body' => '<p>Dear {{first_name|you}}</p>']);
        foreach ([$id, $other] as $person) {
            $this->postJson("/studio/api/broadcasts/{$broadcast}/test", ['person' => $person])->assertCreated();
        }
        $this->runQueue();
        self::assertSame(3, Message::query()->where('html', 'like', '%wilhelmina%')->count());

        $this->postJson("/studio/api/people/{$id}/erase")->assertOk();
        $this->nowhere('wilhelmina');
        self::assertSame(2, Message::query()->whereIn('kind', ['notice', 'test'])->where('html', 'like', '%Kim%')->count(),
            'what is about others stays');
    }

    public function test_a_digest_about_several_keeps_the_others(): void
    {
        $this->setForm(['notice' => 'daily']);
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/publish")->assertOk();
        $this->travelTo('2026-06-01 12:00:00');
        $id = $this->joined('wilhelmina@example.com', 'Wilhelmina');
        $this->joined('kim@example.com', 'Kim');
        $this->travelTo('2026-06-02 12:00:00');
        Artisan::call('lantern:due');
        $this->runQueue();
        $letter = Message::query()->where('kind', 'notice')->sole();
        self::assertStringContainsString('Wilhelmina', (string) $letter->html);

        $this->postJson("/studio/api/people/{$id}/erase")->assertOk();
        $this->nowhere('wilhelmina');
        self::assertNotNull(Message::query()->find($letter->id), 'that an email went out stays true');
    }

    public function test_the_file_of_a_list_is_not_kept_once_it_is_read(): void
    {
        $bring = fn (string $list): array => (array) $this->post('/studio/api/imports', ['file' => $this->file('list.csv', $list)],
            ['Accept' => 'application/json'])->assertCreated()->json();
        $import = $bring("email,first_name\nwilhelmina@example.com,Wilhelmina\nwilhelmina@,Wilhelmina\nkim@example.com,Kim\n");
        self::assertCount(1, Storage::disk('uploads')->files('imports'));
        $this->postJson("/studio/api/imports/{$import['id']}/start", ['columns' => ['email', 'first_name'], 'agreed' => true])->assertOk();
        $this->runQueue();

        self::assertSame([], Storage::disk('uploads')->files('imports'));
        $shown = $this->getJson("/studio/api/imports/{$import['id']}")->assertOk()->assertJsonPath('added', 2)->assertJsonPath('refused', 1)
            ->json();
        self::assertSame([], $shown['reading']['rows'], 'nor are the lines it was looked at by');
        DB::table('import_refusals')->update(['raw' => 'wilhelmina@example.com is in here']);
        $id = Person::query()->where('email', 'wilhelmina@example.com')->sole()->id;
        $this->postJson("/studio/api/people/{$id}/erase")->assertOk();
        $this->nowhere('wilhelmina');

        // One that was stopped goes as well, and so does, after a day, one that was only looked at.
        $stopped = $bring("email\na@example.com\n");
        DB::table('imports')->where('id', $stopped['id'])->update(['state' => 'running']);
        $this->postJson("/studio/api/imports/{$stopped['id']}/stop")->assertOk();
        self::assertSame([], Storage::disk('uploads')->files('imports'));
        $looked = $bring("email\nb@example.com\n");
        $this->travel(23)->hours();
        Artisan::call('lantern:tidy');
        self::assertCount(1, Storage::disk('uploads')->files('imports'));
        $this->travel(2)->hours();
        Artisan::call('lantern:tidy');
        self::assertSame([[], null], [Storage::disk('uploads')->files('imports'), Import::query()->find($looked['id'])]);
        self::assertNotNull(Import::query()->find($import['id']), 'a list that was brought in can be taken back as long as one likes');
    }

    public function test_whoever_left_and_was_forgotten_can_join_again(): void
    {
        $id = $this->joined('robin@example.com', 'Robin');
        Person::query()->whereKey($id)->update(['unsubscribed_at' => now()]);
        $this->postJson("/studio/api/people/{$id}/erase")->assertOk();
        self::assertSame('unsubscribed', Suppressions::why($this->owner->business_id, 'robin@example.com'));

        $this->joined('Robin@example.com', 'Robin');
        $question = Message::query()->where('to_address', 'Robin@example.com')->sole();
        self::assertSame(['confirm', 'sent'], [$question->kind->value, $question->state->value],
            'anybody may have typed it: they are asked');
        self::assertSame('unsubscribed', Suppressions::why($this->owner->business_id, 'robin@example.com'));
        self::assertSame(1, preg_match('~http://localhost(/c/[^\s]+)~', (string) $question->text, $m));
        $this->post($m[1])->assertRedirect();
        $this->runQueue();
        self::assertSame('sent',
            Message::query()->where('kind', 'sequence')->where('to_address', 'Robin@example.com')->sole()->state->value,
            'they asked for it');
        self::assertNull(Suppressions::why($this->owner->business_id, 'robin@example.com'));
    }

    public function test_with_double_opt_in_they_are_asked_and_stay_away_until_they_answer(): void
    {
        $this->setForm(['doubleOptIn' => true]);
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/publish")->assertOk();
        Suppressions::add($this->owner->business_id, 'robin@example.com', 'unsubscribed');
        $this->joined('robin@example.com', 'Robin');
        self::assertSame(['confirm' => MessageState::Sent],
            Message::query()->where('to_address', 'robin@example.com')->pluck('state', 'kind')->all());
        self::assertSame('unsubscribed', Suppressions::why($this->owner->business_id, 'robin@example.com'));

        self::assertSame(1, preg_match('~http://localhost(/c/[^\s]+)~', (string) Message::query()->where('kind', 'confirm')->sole()->text,
            $m));
        $this->post($m[1])->assertRedirect();
        $this->runQueue();
        self::assertNull(Suppressions::why($this->owner->business_id, 'robin@example.com'));
        self::assertSame('sent', Message::query()->where('kind', 'sequence')->sole()->state->value);
    }

    public function test_a_mailbox_that_refuses_or_complained_is_not_written_to_for_having_joined_again(): void
    {
        foreach (['bounced', 'complained'] as $why) {
            Suppressions::add($this->owner->business_id, "{$why}@example.com", $why);
            $this->joined("{$why}@example.com", 'Robin');
            self::assertSame('cancelled', $this->message("{$why}@example.com")->state->value);
            self::assertSame($why, Person::query()->where('email', "{$why}@example.com")->sole()->subscription()->value,
                'and the owner sees why');
        }
    }
}
