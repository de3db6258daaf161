<?php

declare(strict_types=1);

namespace Tests\Feature\Languages;

use App\Languages\PhraseBook;
use App\Languages\PhrasePlaces;
use App\Languages\Voices;
use App\Models\Funnel;
use App\Models\User;
use App\Publishing\Publishing;
use Gettext\Loader\StrictPoLoader;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Languages\PhraseCheck;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What the application says to visitors, said otherwise by its owner: for all funnels or for one, by hand or by a file. */
final class OwnPhrasesTest extends TestCase
{
    private User $imke;

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->imke = $this->owner();
        $this->funnel = $this->live($this->imke);
    }

    /** @param  array<string, mixed>  $texts */
    private function change(string $of, string $language, array $texts): TestResponse
    {
        return $this->actingAs($this->imke)->putJson("/studio/api/{$of}/phrases", ['language' => $language, 'texts' => $texts]);
    }

    private function import(string $of, string $data): TestResponse
    {
        return $this->actingAs($this->imke)->post("/studio/api/{$of}/phrases/import",
            ['file' => UploadedFile::fake()->createWithContent('phrases.po', $data)], ['Accept' => 'application/json']);
    }

    private function wrongAddress(): string
    {
        return (string) $this->followingRedirects()->post("/{$this->funnel->address}",
            ['email' => 'nowhere'] + $this->form($this->funnel))->getContent();
    }

    public function test_words_of_the_business_reach_pages_that_are_published_already(): void
    {
        self::assertStringContainsString('This does not look like an email address.', $this->wrongAddress());
        $this->change('settings', 'en', ['form.wrong_email' => 'Hm, is there an @ in it?'])->assertOk()
            ->assertJson(['examples' => ['form.wrong_email' => 'Hm, is there an @ in it?']]);

        self::assertStringContainsString('Hm, is there an @ in it?', $this->wrongAddress());
        $this->get('/nothing-here-at-all')->assertNotFound()->assertSee('There is no page at this address');
        $this->change('settings', 'en', ['notice.not_here.title' => 'Nobody plays here']);
        $this->get('/nothing-here-at-all')->assertNotFound()->assertSee('Nobody plays here');
        $this->change('settings', 'en', ['form.wrong_email' => '', 'notice.not_here.title' => null])->assertOk();
        self::assertStringContainsString('This does not look like an email address.', $this->wrongAddress());
        self::assertSame([], $this->imke->business->refresh()->phrases);
    }

    public function test_words_of_a_funnel_go_before_and_are_published_with_it(): void
    {
        $this->change('settings', 'en', ['form.wrong_email' => 'Of the business']);
        $this->change("funnels/{$this->funnel->id}", 'en', ['form.wrong_email' => 'Of the funnel'])->assertOk();
        self::assertStringContainsString('Of the business', $this->wrongAddress());
        $changes = $this->actingAs($this->imke)->getJson("/studio/api/funnels/{$this->funnel->id}/changes")->assertOk()->getContent();
        self::assertStringContainsString('in other words', (string) $changes);

        app(Publishing::class)->publish($this->funnel->refresh(), null);
        self::assertStringContainsString('Of the funnel', $this->wrongAddress());
        // Another language of the same funnel is not spoken to in them.
        self::assertSame('Das sieht nicht nach einer E-Mail-Adresse aus. Bitte prüfe sie auf Tippfehler.',
            Voices::of('de', $this->imke->business, OwnPhrases::of($this->funnel->phrases))->say('form.wrong_email'));
    }

    public function test_the_screen_has_every_phrase_once_with_where_it_is_met_and_an_example(): void
    {
        $this->change('settings', 'de-x-formal', ['notice.leave.words' => 'Dann war es das von {business}.']);
        $answer = $this->actingAs($this->imke)->getJson("/studio/api/funnels/{$this->funnel->id}/phrases?language=de-x-formal")->assertOk();
        $rows = array_merge(...array_column($answer->json('places'), 'phrases'));
        $english = app(PhraseBook::class)->english();

        self::assertSame(array_keys($english), array_values(array_intersect(array_keys($english), array_column($rows, 'key'))));
        self::assertCount(count($english), $rows);
        $row = $rows[array_search('notice.leave.words', array_column($rows, 'key'), true)];
        self::assertSame(['Dann war es das von {business}.', '', 'Dann war es das von Ferncroft Cello Room.'],
            [$row['ships'], $row['text'], $row['example']]);
        foreach (PhrasePlaces::ALL as $place => $words) {
            self::assertNotSame([], array_filter(array_keys($english), fn (string $k): bool => PhrasePlaces::of($k) === $place), $place);
        }
        foreach ($english as $key => $text) {
            self::assertSame([], array_diff(PhraseCheck::values($text), array_keys(PhraseBook::SAMPLES)), $key);
            self::assertStringNotContainsString('{', app(PhraseBook::class)->example(Language::of('en'), $text), $key);
            self::assertNotSame('', PhrasePlaces::of($key), $key);
        }
    }

    public function test_words_of_the_plain_language_are_those_that_a_formal_one_has_without_its_own(): void
    {
        $this->change('settings', 'de', ['page.close' => 'Weg damit']);
        $places = $this->actingAs($this->imke)->getJson('/studio/api/settings/phrases?language=de-x-formal')->json('places');
        $rows = array_merge(...array_column((array) $places, 'phrases'));
        $row = $rows[array_search('page.close', array_column($rows, 'key'), true)];

        self::assertSame(['Weg damit', ''], [$row['ships'], $row['text']]);
        self::assertSame('Weg damit', Voices::of('de-x-formal', $this->imke->business->refresh())->say('page.close'));
    }

    public function test_what_ships_could_be_typed_by_its_owner(): void
    {
        $book = app(PhraseBook::class);
        foreach (['en', 'de', 'de-x-formal', 'fr', 'es', 'it', 'pt', 'nl', 'pl', 'he'] as $tag) {
            foreach (array_keys($book->english()) as $key) {
                $book->check(Language::of($tag), $key, $book->ships(Language::of($tag), $key));
            }
        }
        self::assertGreaterThan(300, count($book->english()));
    }

    public function test_what_cannot_be_said_is_refused_and_nothing_of_it_is_kept(): void
    {
        $this->change('settings', 'en', ['page.close' => 'Shut', 'mail.hello' => 'Hello'])->assertUnprocessable()
            ->assertJsonPath('errors', ['texts.mail.hello' => ['{name} is missing: visitors need it. Please put it where it belongs in '
                .'your words.']]);
        self::assertSame([], $this->imke->business->refresh()->phrases);
        $this->change('settings', 'en', ['page.nothing' => 'Shut'])->assertUnprocessable();
        $this->change('settings', 'en', ['page.close' => ['Shut']])->assertUnprocessable();
        $this->change('settings', 'xx-nothing', ['page.close' => 'Shut'])->assertUnprocessable();
        $this->change('settings', 'en', [])->assertUnprocessable();
        $this->actingAs($this->imke)->getJson('/studio/api/settings/phrases?language[]=de')->assertOk()->assertJson(['language' => 'en']);
        $this->actingAs($this->imke)->getJson('/studio/api/settings/phrases?language=pt-x-formal')->assertUnprocessable();
        $stranger = $this->owner('stranger@example.com');
        $this->actingAs($stranger)->putJson("/studio/api/funnels/{$this->funnel->id}/phrases",
            ['language' => 'en', 'texts' => ['page.close' => 'Mine']])->assertNotFound();
        $this->actingAs($stranger)->get("/studio/api/funnels/{$this->funnel->id}/phrases/export")->assertNotFound();
    }

    public function test_a_file_goes_out_and_comes_back(): void
    {
        $this->change('settings', 'es', ['page.close' => 'Fuera']);
        $po = (string) $this->actingAs($this->imke)->get('/studio/api/settings/phrases/export?language=es')->assertOk()
            ->assertHeader('Content-Disposition', 'attachment; filename="phrases-es.po"')->getContent();
        $read = (new StrictPoLoader)->loadString($po);
        self::assertSame('Fuera', $read->find('page.close', 'Close')?->getTranslation());
        self::assertSame('es', $read->getHeaders()->getLanguage());
        self::assertCount(count(app(PhraseBook::class)->english()), $read);

        $this->import('settings', $po)->assertOk()->assertExactJson(['language' => 'es', 'changed' => 0, 'refused' => [], 'before' => []]);
        // As an editor of such files might write it, in a funnel: another word, one not sure, one not translated, one that cannot be said.
        $changed = str_replace(['msgstr "Fuera"', "\n"], ['msgstr "Largo de aquí"', "\r\n"], $po);
        $changed = (string) preg_replace('/(msgctxt "mail\.hello"\s+msgid "Hello \{name\},"\s+msgstr) "[^"]*"/', '$1 "Hola"', $changed);
        $this->import("funnels/{$this->funnel->id}", "\xef\xbb\xbf{$changed}")->assertOk()
            ->assertJson(['language' => 'es', 'changed' => 1, 'before' => ['page.close' => ''],
                'refused' => [['key' => 'mail.hello', 'text' => 'Hola']]]);
        self::assertSame(['es' => ['page.close' => 'Largo de aquí']], $this->funnel->refresh()->phrases);
        self::assertSame(['es' => ['page.close' => 'Fuera']], $this->imke->business->refresh()->phrases);
    }

    public function test_a_language_that_is_not_spoken_yet_is_brought_by_a_file(): void
    {
        $this->import('settings', "msgid \"\"\nmsgstr \"\"\n\"Language: sv\\n\"\n\n"
            ."msgctxt \"page.close\"\nmsgid \"Close\"\nmsgstr \"Stäng\"\n"
            ."\n#, fuzzy\nmsgctxt \"page.menu\"\nmsgid \"Menu\"\nmsgstr \"Meny\"\n\nmsgctxt \"page.share\"\nmsgid \"Share\"\nmsgstr \"\"\n")
            ->assertOk()->assertJson(['language' => 'sv', 'changed' => 1]);
        $voice = Voices::of('sv', $this->imke->business->refresh());
        self::assertSame(['Stäng', 'Menu', 'Share'], [$voice->say('page.close'), $voice->say('page.menu'), $voice->say('page.share')]);
    }

    /** @return iterable<string, array{string, string}> */
    public static function strangeFiles(): iterable
    {
        $head = "msgid \"\"\nmsgstr \"\"\n\"Language: de\\n\"\n\n";
        yield 'nothing' => ['', 'does not say which language'];
        yield 'no file of gettext' => ['{"page.close": "Zu"}', 'cannot be read|can be read'];
        yield 'one that breaks off' => [$head."msgctxt \"page.close\"\nmsgid \"Clo", 'breaks off'];
        yield 'a compiled one' => ["\xde\x12\x04\x95\0\0\0\0", 'UTF-8'];
        yield 'other letters' => [$head."msgctxt \"page.close\"\nmsgid \"Close\"\nmsgstr \"Schlie\xdfen\"\n", 'UTF-8'];
        yield 'of another program' => [$head
            ."msgid \"Cart\"\nmsgstr \"Korb\"\n\nmsgctxt \"menu\"\nmsgid \"File\"\nmsgstr \"Datei\"\n",
            'of another program'];
        yield 'of no language' => ["msgctxt \"page.close\"\nmsgid \"Close\"\nmsgstr \"Zu\"\n", 'does not say which language'];
        yield 'of a language there is not' => [str_replace('de', 'elvish', $head)."msgctxt \"page.close\"\nmsgid \"Close\"\nmsgstr \"x\"\n",
            'no such language'];
        yield 'the same twice' => [$head.str_repeat("msgctxt \"page.close\"\nmsgid \"Close\"\nmsgstr \"Zu\"\n\n", 2), 'written otherwise'];
        yield 'a huge one' => [$head.str_repeat("# nothing\n", 110_000), 'larger'];
        yield 'a great many texts' => [$head.implode('', array_map(fn (int $n): string => "msgid \"{$n}\"\nmsgstr \"x\"\n\n",
            range(1, 2500))), 'more texts'];
    }

    #[DataProvider('strangeFiles')]
    public function test_a_file_that_is_none_is_refused_in_words(string $data, string $why): void
    {
        $answer = $this->import('settings', $data)->assertUnprocessable();
        self::assertMatchesRegularExpression("/{$why}/", (string) $answer->json('errors.file.0'));
        self::assertSame([], $this->imke->business->refresh()->phrases);
    }

    public function test_words_that_cannot_be_said_are_left_for_those_that_ship(): void
    {
        $voice = Voices::of('en', null, OwnPhrases::of(['en' => ['mail.hello' => 'Hello {name', 'room.here' => '{count, number}{',
            'page.close' => '<script>']]));
        self::assertSame('Hello Maya,', $voice->say('mail.hello', ['name' => 'Maya']));
        self::assertSame('1 person is here', $voice->say('room.here', ['count' => 1]));
        self::assertSame('&lt;script&gt;', (string) $voice->html('page.close', [], []));
    }
}
