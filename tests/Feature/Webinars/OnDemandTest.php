<?php

declare(strict_types=1);

namespace Tests\Feature\Webinars;

use App\Files\Uploads;
use App\Models\Business;
use App\Models\Upload;
use App\Records\RegistrationLinks;
use App\Support\VideoFile;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Webinars\WebinarMode;
use PHPUnit\Framework\Attributes\DataProvider;

/** A webinar that begins when its person likes; and the files that are played: their length, their captions, pieces of them. */
final class OnDemandTest extends WebinarTestCase
{
    private function onDemand(): void
    {
        $this->hold(WebinarMode::Automated, ['schedule' => ['kind' => 'on-demand', 'zone' => 'Europe/Berlin', 'minutes' => 3]]);
    }

    public function test_it_begins_with_its_person_goes_on_where_they_were_and_is_settled_at_its_end(): void
    {
        $this->onDemand();
        $this->get("/{$this->funnel->address}")->assertSee('As soon as you like');
        $this->register();
        $registration = $this->registration();
        self::assertSame('d', $registration->session_key);
        self::assertSame([], array_intersect(['A day before', 'It begins'], array_keys($this->due())));
        $this->get(RegistrationLinks::path($registration).'/session.ics')->assertNotFound();
        $this->travel(3)->hours();
        $this->report($registration, [])->assertJson(['state' => 'on', 'second' => 0, 'offerAt' => 90]);
        $this->watch($registration, 0, 60);
        self::assertSame('2027-03-01 13:05', $registration->refresh()->starts_at->format('Y-m-d H:i'));
        $this->travel(2)->hours();
        $this->report($registration, [])->assertJson(['second' => 60]);
        $this->watch($registration->refresh(), 60, 150);
        self::assertSame([['saw-offer'], 0], [$this->deeds(), $this->settle()]);
        $this->travel(31)->seconds();
        self::assertSame(1, $this->settle());
        self::assertSame(['saw-offer', 'attended'], $this->deeds());
    }

    public function test_whoever_never_comes_has_missed_it_a_day_later_and_whoever_began_has_a_day_from_then(): void
    {
        $this->onDemand();
        $this->register('never@example.com');
        $this->register('half@example.com');
        $this->travel(20)->hours();
        $this->watch($this->registration('half@example.com'), 0, 30);
        $this->travel(5)->hours();
        self::assertSame(1, $this->settle());
        self::assertSame([['missed'], []], [$this->deeds('never@example.com'), $this->deeds('half@example.com')]);
        $this->travel(20)->hours();
        self::assertSame(1, $this->settle());
        self::assertSame(['left-early'], $this->deeds('half@example.com'));
    }

    /** @return iterable<string, array{string, int|null}> the first bytes of a file, and its length in seconds */
    public static function videos(): iterable
    {
        yield 'a recording' => [(string) file_get_contents(dirname(__DIR__, 3).'/database/demo/media/first-melody.webm'), 150];
        yield 'a WebM without a length' => [self::webm(), null];
        yield 'a picture' => ["\x89PNG\r\n\x1a\n".str_repeat("\0", 200), null];
        yield 'nothing' => ['', null];
        yield 'words' => [str_repeat('This is no video. ', 100), null];
        yield 'half of one' => [substr((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/media/first-melody.webm'), 0, 40),
            null];
    }

    #[DataProvider('videos')]
    public function test_how_long_a_video_is(string $bytes, ?int $seconds): void
    {
        self::assertSame($seconds, VideoFile::seconds($this->file('a.webm', $bytes)->getRealPath()));
    }

    private function choose(string $video): TestResponse
    {
        $revision = \App\Models\DraftPart::query()->findOrFail($this->webinar)->revision;

        return $this->actingAs($this->host)->putJson("/studio/api/parts/{$this->webinar}", ['revision' => $revision, 'video' => $video]);
    }

    public function test_a_recording_must_say_how_long_it_is(): void
    {
        $this->onDemand();
        $mute = app(Uploads::class)->video($this->host->business, $this->file('mute.webm', self::webm()));
        self::assertStringContainsString('does not say how long it is', (string) $this->choose($mute->id)->assertStatus(422)
            ->assertJsonValidationErrorFor('video')->json('message'));
        $foreign = Upload::query()->create(['business_id' => $this->owner('other@example.com')->business_id] + $this->recording()
            ->replicate(['id'])->toArray());
        $this->choose($foreign->id)->assertStatus(422);
        $this->choose($this->recording()->id)->assertOk()->assertJsonPath('seconds', 150);
        $this->actingAs($this->host)->post('/studio/api/uploads/videos', ['video' => $this->file('a.webm', 'no video')],
            ['Accept' => 'application/json'])->assertStatus(422);
    }

    /** @return iterable<string, array{string, bool}> */
    public static function captions(): iterable
    {
        $cue = "\n\n00:00.000 --> 00:04.000\nWelcome.\n";
        yield 'captions' => ["WEBVTT{$cue}", true];
        yield 'with a mark of their order, a title and hours' => ["\u{FEFF}WEBVTT - First melody\r\n\r\n1\r\n00:00:01.000 --> 00:00:04.000 "
            ."align:start\r\nÄh.\r\n", true];
        yield 'none' => ['WEBVTT', false];
        yield 'of another kind' => ["1\n00:00:00,000 --> 00:00:04,000\nWelcome.\n", false];
        yield 'a page' => ["<html><script>alert(1)</script>WEBVTT{$cue}", false];
        yield 'another encoding' => ["WEBVTT{$cue}\xE4", false];
        yield 'a word that begins likewise' => ["WEBVTTX{$cue}", false];
    }

    #[DataProvider('captions')]
    public function test_captions_are_taken_as_they_are_or_refused(string $text, bool $taken): void
    {
        $this->onDemand();
        $answer = $this->actingAs($this->host)->post("/studio/api/parts/{$this->webinar}/webinar/captions",
            ['captions' => $this->file('a.vtt', $text)], ['Accept' => 'application/json']);
        if (! $taken) {
            $answer->assertStatus(422)->assertJsonValidationErrorFor('captions');

            return;
        }
        $upload = Upload::query()->findOrFail($answer->assertCreated()->json('id'));
        $sent = $this->get($upload->src())->assertOk()->assertHeader('X-Content-Type-Options', 'nosniff');
        self::assertStringStartsWith('text/vtt', (string) $sent->headers->get('Content-Type'));
        $this->change(['captions' => $upload->id]);
        $this->register();
        $seat = $this->get(RegistrationLinks::path($this->registration()))->getCookie('lantern_seat', false);
        $this->withUnencryptedCookie('lantern_seat', (string) $seat?->getValue())->get("/{$this->funnel->address}/room")
            ->assertSee('captions.vtt');
    }

    public function test_a_webinar_goes_along_with_its_funnel_recording_captions_and_all(): void
    {
        $this->onDemand();
        $captions = app(Uploads::class)->captions($this->host->business, $this->file('a.vtt',
            "WEBVTT\n\n00:00.000 --> 00:04.000\nHello.\n"));
        $this->change(['captions' => $captions->id, 'chapters' => [['second' => 12, 'title' => 'The strings']],
            'tags' => ['missed' => ['Missed it']]]);
        $zip = $this->actingAs($this->host)->get("/studio/api/funnels/{$this->funnel->id}/export")->assertOk()->baseResponse->getFile()
            ->getPathname();
        $id = $this->post('/studio/api/funnels/import', ['archive' => new UploadedFile($zip, 'funnel.zip', test: true)],
            ['Accept' => 'application/json'])->assertCreated()->json('id');
        $copy = $this->getJson("/studio/api/funnels/{$id}")->assertOk();

        $webinar = $copy->json('webinars.0');
        self::assertNotSame($this->webinar, $webinar['id']);
        self::assertSame(['captions', 'video'], [Upload::query()->findOrFail($webinar['captions'])->kind, Upload::query()
            ->findOrFail($webinar['video'])->kind]);
        self::assertNotSame($captions->id, $webinar['captions']);
        self::assertSame([150, 'The strings', ['Missed it']], [$webinar['seconds'], $webinar['chapters'][0]['title'],
            $webinar['tags']['missed']]);
        self::assertSame([$webinar['id']], array_values(array_unique(array_filter([...array_column(array_filter(array_column(
            $copy->json('emails'), 'session')), 'webinar'), $copy->json('forms.0.webinar')]))));
    }

    public function test_captions_that_did_not_arrive_or_are_too_large_say_so(): void
    {
        $this->onDemand();
        $this->actingAs($this->host)->postJson("/studio/api/parts/{$this->webinar}/webinar/captions",
            ['captions' => 'x'])->assertStatus(422);
        $this->expectException(Invalid::class);
        app(Uploads::class)->captions(Business::query()->firstOrFail(), UploadedFile::fake()->create('a.vtt', 2000));
    }

    /** @return iterable<string, array{string, int, string|null}> */
    public static function ranges(): iterable
    {
        yield 'a piece' => ['bytes=0-99', 206, 'bytes 0-99/'];
        yield 'the last of it' => ['bytes=-10', 206, 'bytes '];
        yield 'beyond its end' => ['bytes=99999999-', 416, 'bytes */'];
        yield 'nonsense' => ['bytes=b-a', 200, null];
        yield 'backwards' => ['bytes=99-0', 200, null];
    }

    #[DataProvider('ranges')]
    public function test_a_recording_is_sent_in_the_pieces_that_are_asked_for(string $range, int $status, ?string $content): void
    {
        $answer = $this->withHeaders(['Range' => $range])->get($this->recording()->src());
        self::assertContains($answer->getStatusCode(), [$status, $content === null ? 416 : $status]);
        $said = (string) $answer->headers->get('Content-Range');
        self::assertTrue($content === null || str_starts_with($said, $content), $said);
    }
}
