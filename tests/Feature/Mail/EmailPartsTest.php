<?php

declare(strict_types=1);

namespace Tests\Feature\Mail;

use App\Mail\Emails\EmailSource;
use App\Mail\Emails\EmailWriter;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Models\Upload;
use App\Models\User;
use App\People\Fields\OwnFields;
use App\Support\RichText;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\MessageKind;
use Lantern\Core\Page\Look\Colour;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Drafts\Email;
use Tests\Drafts\Form;
use Tests\Drafts\Sequence;
use Tests\TestCase;

/** Emails with pictures, parts that are kept once, and parts for some readers only; and the desk where they are written. */
final class EmailPartsTest extends TestCase
{
    private User $owner;

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
        $this->funnel = $this->draft($this->owner);
        $this->actingAs($this->owner);
    }

    private function only(string $tag): string
    {
        return htmlspecialchars((string) json_encode(['kind' => 'tag', 'tag' => $tag]));
    }

    /** @return iterable<string, array{string, string}> typed, kept */
    public static function bodies(): iterable
    {
        $picture = '01h'.str_repeat('0', 23);
        yield 'a picture of the library' => ["<img src=\"picture:{$picture}\" alt=\"A &quot;cello&quot;\">",
            "<img src=\"picture:{$picture}\" alt=\"A &#34;cello&#34;\">"];
        yield 'a picture from elsewhere' => ['<p>a</p><img src="https://evil.example/x.png" alt="x">', '<p>a</p>'];
        yield 'a picture with script' => ['<img src="javascript:alert(1)"><img src=x onerror=alert(1)>', ''];
        yield 'a part' => ['<div data-part="abc-1" onclick="x()">preview</div>', '<div data-part="abc-1">preview</div>'];
        yield 'a part with a bad id' => ['<div data-part="../../etc">x</div>', 'x'];
        yield 'a condition that is none' => ['<div data-only="{}"><p>x</p></div>', '<p>x</p>'];
        yield 'a part within a condition' => ['<div data-only=\'{"kind":"tag","not":false,"tag":"A"}\'><p>x</p><div '
            .'data-part="p"></div></div>',
            '<div data-only="{&quot;kind&quot;:&quot;tag&quot;,&quot;not&quot;:false,&quot;tag&quot;:&quot;A&quot;}"><p>x</p></div>'];
        yield 'divs that mean nothing' => ['<div><div><p>x</p></div></div></div>', '<p>x</p>'];
        yield 'a div that never ends' => ['<div data-part="a"><div data-part="b">', '<div data-part="a"></div>'];
        yield 'lines and quotes' => ['<hr class="x"><blockquote><p>q</p></blockquote>', '<hr><blockquote><p>q</p></blockquote>'];
        yield 'links by merge field' => ['<a href="{{page_1}}">a</a><a href="{{ download_link }}">b</a>',
            '<a href="{{page_1}}">a</a><a href="{{download_link}}">b</a>'];
        yield 'links with script' => ['<a href="javascript:alert(1)">a</a><a href="data:text/html,x">b</a>', '<a>a</a><a>b</a>'];
        yield 'frames, styles and forms' => ['<iframe src="https://x.example"></iframe><style>p{}</style><form><input></form><p '
            .'style="color:red">x</p>', '<p>x</p>'];
    }

    #[DataProvider('bodies')]
    public function test_what_is_kept_of_an_email(string $typed, string $kept): void
    {
        self::assertSame($kept, RichText::email($typed)->html);
        self::assertSame($kept, RichText::email($kept)->html, 'kept once more, it is the same');
    }

    public function test_each_reader_reads_their_own(): void
    {
        $part = $this->postJson('/studio/api/email-parts',
            ['name' => 'Signature', 'body' => '<p>Warmly, <b>Imke</b><script>x</script><div data-part="x"></div></p>'])->assertCreated()
            ->assertJsonPath('body', '<p>Warmly, <b>Imke</b></p>')->json('id');
        $picture = Upload::query()->create(['business_id' => $this->owner->business_id, 'kind' => 'picture', 'name' => 'x.png',
            'mime' => 'image/png', 'bytes' => 1, 'path' => 'pictures/x', 'sha256' => str_repeat('0', 64), 'width' => 1600, 'height' => 900,
            'widths' => [480, 960], 'fallback' => 'jpg']);
        $other = Upload::query()->create(['business_id' => $this->owner('o@ferncroft.example')->business_id, 'kind' => 'picture',
            'name' => 'y.png', 'mime' => 'image/png', 'bytes' => 1, 'path' => 'pictures/y', 'sha256' => str_repeat('0', 64)]);
        $body = RichText::email("<p>Hello {{first_name|there}}, {{level|new}}</p><img src=\"picture:{$picture->id}\" alt=\"A "
            ."cello\"><img src=\"picture:{$other->id}\" alt=\"stolen\"><div data-only=\"{$this->only('VIP')}\"><p>For the "
                ."few</p></div><div data-part=\"{$part}\"></div>")->html;
        $email = Email::query()->where('funnel_id', $this->funnel->id)->sole();
        $email->forceFill(['body' => $body])->save();
        $person = Person::query()->create(['business_id' => $this->owner->business_id, 'email' => 'zoe@example.com',
            'email_key' => 'zoe@example.com', 'first_name' => '<b>Zoë</b>', 'joined_at' => now()]);
        OwnFields::set($person->id, 'level', ['Some', 'Years']);

        $plain = (string) $this->getJson("/studio/api/emails/{$email->id}/sample?person={$person->id}")->assertOk()
            ->assertJsonPath('reader', '<b>Zoë</b>')->assertJsonPath('values.first_name', '<b>Zoë</b>')
            ->assertJsonPath('values.level', 'Some, Years')->json('html');
        $sheet = $this->getJson("/studio/api/emails/{$email->id}/sample")->assertJsonPath('values.first_name', 'Robin')->json();
        self::assertStringContainsString("background-color: {$sheet['colours']['accent']}", $sheet['html'], 'the colours it arrives in');
        self::assertStringContainsString($this->owner->business->name, $sheet['foot']);
        self::assertStringContainsString('Hello &lt;b&gt;Zoë&lt;/b&gt;, Some, Years', $plain);
        self::assertStringContainsString('Warmly, <b>Imke</b>', $plain);
        self::assertStringNotContainsString('For the few', $plain);
        self::assertStringContainsString("http://localhost/media/{$picture->id}/480.jpg\" alt=\"A cello\" width=\"528\"", $plain);
        self::assertStringNotContainsString('stolen', $plain);
        $this->postJson("/studio/api/people/{$person->id}/tags", ['name' => 'VIP']);
        self::assertStringContainsString('For the few',
            (string) $this->getJson("/studio/api/emails/{$email->id}/sample?person={$person->id}")->json('html'));
        self::assertStringContainsString('For the few',
            (string) $this->getJson("/studio/api/emails/{$email->id}/sample")->assertJsonPath('reader', 'Robin Sample')->json('html'),
            'a made-up reader shows all there is');
        // Changed once, changed in every email; removed, it stays where it is.
        $this->putJson("/studio/api/email-parts/{$part}", ['name' => 'Signature', 'body' => '<p>Yours, Imke</p>'])->assertOk();
        $this->deleteJson("/studio/api/email-parts/{$part}")->assertOk();
        self::assertSame([], $this->getJson('/studio/api/email-parts')->json('parts'));
        self::assertStringContainsString('Yours, Imke', (string) $this->getJson("/studio/api/emails/{$email->id}/sample")->json('html'));
        $this->postJson('/studio/api/email-parts', ['name' => ' ', 'body' => 'x'])->assertUnprocessable();
        $this->actingAs(User::query()->where('email', 'o@ferncroft.example')->sole())
            ->putJson("/studio/api/email-parts/{$part}", ['name' => 'Mine', 'body' => 'x'])->assertNotFound();
    }

    public function test_the_email_can_be_read_in_the_dark_and_carries_no_picture_of_ours_where_it_counts_nothing(): void
    {
        $letter = app(EmailWriter::class)->forPerson($this->owner->business,
            new EmailSource('x', RichText::email('<p>Words <a href="https://ferncroft.example/">here</a></p>'), Colour::of('#c2410c')),
            null);

        self::assertStringContainsString('prefers-color-scheme: dark', $letter->html);
        self::assertStringContainsString('name="color-scheme" content="light dark"', $letter->html);
        self::assertStringContainsString('href="https://ferncroft.example/"', $letter->html, 'a preview counts nothing');
        self::assertStringNotContainsString('/o/', $letter->html);
    }

    public function test_a_test_reaches_the_owner_and_says_so(): void
    {
        $email = Email::query()->where('funnel_id', $this->funnel->id)->sole();
        $this->postJson("/studio/api/emails/{$email->id}/test")->assertCreated()->assertJsonPath('to', 'imke@ferncroft.example');
        $this->runQueue();
        $message = Message::query()->sole();

        self::assertSame([MessageKind::Test, 'sent', 'imke@ferncroft.example', null],
            [$message->kind, $message->state->value, $message->to_address, $message->person_id]);
        self::assertStringStartsWith('Test: ', $message->subject);
        self::assertStringNotContainsString('List-Unsubscribe', (string) DB::table('outbox')->value('mime'));
    }

    public function test_an_email_moves_to_another_sequence_and_is_for_some_only(): void
    {
        $email = Email::query()->where('funnel_id', $this->funnel->id)->sole();
        $second = $this->postJson("/studio/api/funnels/{$this->funnel->id}/parts", ['kind' => 'sequence'])->assertCreated()
            ->assertJsonPath('name', 'Sequence 2')->json('id');
        $rules = ['all' => false, 'rules' => [['kind' => 'tag', 'not' => false, 'tag' => 'VIP']]];
        $this->putJson("/studio/api/parts/{$email->id}", ['revision' => 1, 'sequence' => $second, 'only' => $rules])->assertOk()
            ->assertJsonPath('sequence', $second)->assertJsonPath('only', $rules);
        $this->putJson("/studio/api/parts/{$email->id}",
            ['revision' => 2, 'only' => ['rules' => [['kind' => 'tag', 'tag' => '']]]])->assertUnprocessable()
            ->assertJsonPath('message', 'Choose a tag.');
        $this->putJson("/studio/api/parts/{$email->id}", ['revision' => 2, 'sequence' => str_repeat('0', 26)])->assertUnprocessable();
        $this->putJson("/studio/api/parts/{$email->id}", ['revision' => 2, 'only' => ['all' => true, 'rules' => []]])->assertOk();
        self::assertNull($email->refresh()->only);
        $this->deleteJson("/studio/api/parts/{$second}")->assertUnprocessable();
        $made = $this->postJson("/studio/api/funnels/{$this->funnel->id}/parts", ['kind' => 'email'] + ['sequence' => $second])
            ->assertCreated()->json();
        self::assertSame([$second, 'day 1 at 09:00'], [$made['sequence'], $made['timingWords']]);
        // A funnel without any gets one, and its forms start it.
        DB::table('draft_parts')->where('kind', 'email')->delete();
        DB::table('draft_parts')->where('kind', 'sequence')->delete();
        $made = $this->postJson("/studio/api/funnels/{$this->funnel->id}/parts", ['kind' => 'email'])->assertCreated()->json('sequence');
        self::assertSame([$made], [Sequence::query()->sole()->id]);
        self::assertSame([['kind' => 'form', 'form' => Form::query()->sole()->id]], Sequence::query()->sole()->definition['starts']);
    }

    public function test_forms_come_and_go_and_are_changed_with_care(): void
    {
        $form = Form::query()->sole();
        $second = $this->postJson("/studio/api/funnels/{$this->funnel->id}/parts", ['kind' => 'form'])->assertCreated()
            ->assertJsonPath('name', 'Form 2')->assertJsonPath('fields.0.kind', 'email')->json('id');
        $this->deleteJson("/studio/api/parts/{$form->id}")->assertUnprocessable()
            ->assertJsonPath('message', fn (string $m): bool => str_contains($m, 'is used by “Opt-in page”'));
        $this->deleteJson("/studio/api/parts/{$second}")->assertOk();
        self::assertCount(1, $this->getJson("/studio/api/funnels/{$this->funnel->id}")->json('forms'));
        $this->postJson("/studio/api/parts/{$second}/restore")->assertOk();
        self::assertCount(2, $this->getJson("/studio/api/funnels/{$this->funnel->id}")->json('forms'));
        $put = fn (array $values) => $this->putJson("/studio/api/parts/{$form->id}", ['revision' => $form->refresh()->revision] + $values);
        $put(['name' => ' '])->assertUnprocessable();
        $put(['hook' => 'nowhere'])->assertUnprocessable();
        $put(['name' => 'Better', 'doubleOptIn' => true,
            'confirmWords' => ['title' => 'A <b>title</b>', 'body' => '<p onclick="x()">Hello<script>x</script></p>']])->assertOk()
            ->assertJsonPath('confirmWords.title', 'A <b>title</b>')->assertJsonPath('confirmWords.body', '<p>Hello</p>')
            ->assertJsonPath('confirmWords.button', 'Yes, this is my address')->assertJsonPath('name', 'Better');
        $put(['confirmWords' => ['title' => ' ']])->assertOk()->assertJsonPath('confirmWords.title', 'One more step: look in your inbox');
        $this->getJson("/studio/api/parts/{$form->id}/cost?fields=3")->assertOk()
            ->assertJsonPath('advice', fn (string $a): bool => str_contains($a, '100 visitors'));
        $this->actingAs($this->owner('other@ferncroft.example'));
        foreach ([['putJson', ''], ['deleteJson', ''], ['postJson', '/restore'], ['getJson', '/cost']] as [$method, $path]) {
            $this->{$method}("/studio/api/parts/{$form->id}{$path}", ['revision' => 9])->assertNotFound();
        }
    }

    public function test_advice_on_fields_comes_from_the_owners_own_pages(): void
    {
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/publish")->assertOk();
        $form = Form::query()->sole();
        $page = $this->entry($this->funnel)->id;
        $rows = function (int $visitors, int $joined) use ($page): void {
            $version = $this->funnel->refresh()->live_version_id;
            for ($i = 0; $i < $visitors; $i++) {
                $row = ['business_id' => $this->owner->business_id, 'funnel_id' => $this->funnel->id, 'page_id' => $page,
                    'version_id' => $version, 'visitor' => md5("{$version}{$i}"), 'at' => now()];
                DB::table('events')->insert(['type' => 'viewed', 'person_id' => null] + $row);
                if ($i < $joined) {
                    DB::table('events')->insert(['type' => 'joined', 'person_id' => "p{$version}{$i}"] + $row);
                }
            }
        };
        $rows(120, 36);
        $definition = $form->definition;
        $definition['fields'] = array_values(array_filter($definition['fields'], fn (array $f): bool => $f['kind'] === 'email'));
        $form->forceFill(['definition' => $definition])->save();
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/publish")->assertOk();
        $rows(120, 48);

        $this->getJson("/studio/api/parts/{$form->id}/cost?fields=2")
            ->assertJsonPath('advice',
                'On your pages each further field has cost 10.0 percentage points so far: of a hundred visitors, 10 fewer join.');
    }

    public function test_a_part_that_is_removed_comes_back_whole(): void
    {
        $id = $this->postJson('/studio/api/email-parts', ['name' => 'Signature', 'body' => '<p>Warmly, Imke</p>'])->assertSuccessful()
            ->json('id');
        $names = fn (): array => array_column((array) $this->getJson('/studio/api/email-parts')->assertOk()->json('parts'), 'name');
        self::assertSame(['Signature'], $names());
        $this->deleteJson("/studio/api/email-parts/{$id}")->assertOk();
        self::assertSame([], $names());
        $this->postJson("/studio/api/email-parts/{$id}/restore")->assertOk();
        self::assertSame(['Signature'], $names());
        self::assertSame('<p>Warmly, Imke</p>', $this->getJson('/studio/api/email-parts')->json('parts.0.body'));
    }
}
