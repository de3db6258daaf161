<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use App\Files\FileLinks;
use App\Files\Uploads;
use App\Models\Delivery;
use App\Models\Message;
use App\Models\Submission;
use App\Models\Upload;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class FilesTest extends TestCase
{
    private function delivery(): Delivery
    {
        $this->join($this->live(), ['email' => 'robin@example.com']);

        return Delivery::query()->sole();
    }

    private function link(Delivery $delivery): string
    {
        return FileLinks::forSubmission($delivery->funnel->site(), Submission::query()->sole()->id, $delivery->lead_magnet_id, 'plan.pdf',
            now());
    }

    public function test_the_file_comes_with_its_name_and_type_and_can_be_resumed(): void
    {
        $delivery = $this->delivery();
        $link = $this->link($delivery);

        $whole = $this->get($link)->assertOk()->assertHeader('content-type', 'application/pdf')
            ->assertHeader('x-content-type-options', 'nosniff');
        self::assertStringContainsString('attachment; filename=plan.pdf', (string) $whole->headers->get('content-disposition'));
        self::assertSame(self::pdf(), $whole->streamedContent());
        $rest = $this->get($link, ['Range' => 'bytes=9-'])->assertStatus(206);
        self::assertSame(substr(self::pdf(), 9), $rest->streamedContent());
        $this->get($link, ['Range' => 'bytes=0-4'])->assertStatus(206);

        self::assertSame(2, $delivery->refresh()->downloads, 'a download taken up in the middle is not another one');
        self::assertSame(2, (int) DB::table('counts')->where('slice', '')->where('measure', 'downloads')->sum('how_many'));
    }

    public function test_a_forged_or_expired_link_offers_a_new_one(): void
    {
        $delivery = $this->delivery();
        $link = $this->link($delivery);
        $this->get(str_replace('plan.pdf', 'other.pdf', $link))->assertForbidden()->assertSee('This download link has run out');
        $this->get("/f/{$delivery->id}/plan.pdf")->assertForbidden();
        $this->travel(25)->hours();
        $this->get($link)->assertForbidden()->assertSee('Send me a new link');
        self::assertSame(0, $delivery->refresh()->downloads);

        $this->post('/f/again', ['email' => 'ROBIN@example.com', 'delivery' => $delivery->id])->assertOk()
            ->assertSee('If this address is with us');
        $this->post('/f/again', ['email' => 'robin@example.com'])->assertOk();
        $this->runQueue();
        $message = Message::query()->where('kind', 'new-link')->sole();
        self::assertSame(1, preg_match('~http://localhost(/f/\S+)~', (string) $message->text, $m));
        $this->get($m[1])->assertOk();
    }

    public function test_asking_for_a_link_never_says_who_is_known(): void
    {
        $known = (string) $this->post('/f/again', ['email' => 'nobody@example.com'])->assertOk()->getContent();
        $this->delivery();
        self::assertSame($known, $this->post('/f/again', ['email' => 'robin@example.com'])->assertOk()->getContent());
        self::assertSame(1, Message::query()->where('kind', 'new-link')->count());
        $this->post('/f/again', ['email' => 'not an address'])->assertStatus(422)->assertSee('value="not an address"', false);
    }

    public function test_a_right_that_was_taken_back_and_a_file_that_was_replaced(): void
    {
        $owner = $this->owner();
        $funnel = $this->live($owner);
        $this->join($funnel, ['email' => 'robin@example.com']);
        $delivery = Delivery::query()->sole();
        $link = $this->link($delivery);

        $this->actingAs($owner)->postJson("/studio/api/deliveries/{$delivery->id}/revoke")->assertOk();
        $this->get($link)->assertNotFound()->assertSee('no longer given away');
        $this->actingAs($owner)->postJson("/studio/api/deliveries/{$delivery->id}/allow")->assertOk();
        $this->actingAs($owner)->post("/studio/api/parts/{$delivery->lead_magnet_id}/file",
            ['file' => $this->file('better.pdf', self::pdf('second edition'))], ['Accept' => 'application/json'])->assertOk();
        self::assertStringContainsString('second edition', $this->get($link)->assertOk()->streamedContent());
    }

    /** @return iterable<string, array{string, string, string}> name, content, sentence */
    public static function badFiles(): iterable
    {
        yield 'empty' => ['plan.pdf', '', 'This file is empty'];
        yield 'a page with script under a right name' => ['plan.pdf', '<!doctype html><script>alert(1)</script>', 'cannot be given away'];
        yield 'a program under a right name' => ['plan.pdf', "\x7fELF\x02\x01\x01".str_repeat("\0", 60), 'cannot be given away'];
        yield 'a picture under a wrong name' => ['plan.pdf',
            (string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='),
            'is not what its name says'];
        yield 'drawn with script' => ['plan.svg', '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>',
            'cannot be given away'];
    }

    #[DataProvider('badFiles')]
    public function test_a_bad_file_makes_no_funnel(string $name, string $content, string $sentence): void
    {
        $this->actingAs($this->owner())->post('/studio/api/funnels',
            ['goal' => 'give-away', 'name' => 'x', 'title' => 'x', 'file' => $this->file($name, $content)],
            ['Accept' => 'application/json'])
            ->assertStatus(422)->assertJsonPath('errors.file.0', fn (string $said): bool => str_contains($said, $sentence));

        self::assertSame(0, DB::table('funnels')->count() + Upload::query()->count());
        self::assertSame([], Storage::disk('uploads')->allFiles());
    }

    public function test_a_file_that_is_too_large_says_how_large_it_may_be(): void
    {
        config(['lantern.uploads.file_bytes' => 1024 * 1024]);
        $this->actingAs($this->owner())->post('/studio/api/funnels', ['goal' => 'give-away', 'name' => 'x', 'title' => 'x',
            'file' => UploadedFile::fake()->create('plan.pdf', 1200)], ['Accept' => 'application/json'])
            ->assertStatus(422)->assertJsonPath('errors.file.0', 'This file is too large: 1 MB at most.');
    }

    public function test_a_video_may_be_larger_than_a_file_and_says_how_large(): void
    {
        config(['lantern.uploads.file_bytes' => 1024, 'lantern.uploads.video_bytes' => 2 * 1024 * 1024]);
        $film = (string) file_get_contents(base_path('database/demo/media/first-melody.webm'));
        $owner = $this->owner();
        $send = fn (string $bytes) => $this->actingAs($owner)->post('/studio/api/uploads/videos', ['video' => $this->file('film.webm',
            $bytes)],
            ['Accept' => 'application/json']);

        $send($film)->assertCreated();
        $send($film.str_repeat("\0", 1024 * 1024))->assertStatus(422)
            ->assertJsonPath('errors.video.0', 'This file is too large: 2 MB at most.');
        self::assertSame(['100 MB', '2 GB', '1025 MB'],
            array_map(fn (int $mb): string => Uploads::words($mb * 1024 * 1024), [100, 2048, 1025]));
    }

    public function test_the_name_of_a_file_is_only_a_name(): void
    {
        $this->actingAs($this->owner())->post('/studio/api/funnels', ['goal' => 'give-away', 'name' => 'x', 'title' => 'x',
            'file' => $this->file('..\\..\\a/b:"c"<d>.pdf', self::pdf())], ['Accept' => 'application/json'])->assertCreated();

        self::assertSame('b-c-d-.pdf', preg_replace('/-+/', '-', Upload::query()->sole()->name));
        self::assertMatchesRegularExpression('~^files/[0-9a-z]{26}$~', Upload::query()->sole()->path);
    }

    public function test_pictures_are_drawn_anew_in_several_widths(): void
    {
        $owner = $this->owner();
        $image = imagecreatetruecolor(1200, 600);
        ob_start();
        imagepng($image);
        $png = (string) ob_get_clean();
        $made = $this->actingAs($owner)->post('/studio/api/uploads/pictures',
            ['picture' => $this->file('a.png', $png.'<script>hidden</script>')], ['Accept' => 'application/json'])->assertCreated();

        $picture = Upload::query()->sole();
        self::assertSame([480, 960, 1200], $picture->widths);
        $this->get((string) $made->json('src'))->assertOk()->assertHeader('content-type', 'image/jpeg');
        $this->get("/media/{$picture->id}/1200.webp")->assertOk()->assertHeader('content-type', 'image/webp');
        self::assertStringNotContainsString('hidden',
            implode('', array_map(fn (string $f): string => (string) Storage::disk('uploads')->get($f),
                Storage::disk('uploads')->allFiles())));
        $this->get("/media/{$picture->id}/5000.webp")->assertNotFound();
    }

    /** @return iterable<string, array{string, string}> */
    public static function badPictures(): iterable
    {
        yield 'words' => ['not a picture at all', 'A picture is a PNG'];
        yield 'a drawing with script' => ['<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"/>', 'A picture is a PNG'];
        yield 'nothing' => ['', 'This file is empty'];
        yield 'the head of a picture' => ["\x89PNG\r\n\x1a\n\0\0\0\rIHDR\0\0\0\x10\0\0\0\x10\x08\x02\0\0\0", 'damaged'];
        yield 'a hundred megapixels' => ["\x89PNG\r\n\x1a\n\0\0\0\rIHDR\0\0\x27\x10\0\0\x27\x10\x08\x02\0\0\0", '100 megapixels'];
    }

    #[DataProvider('badPictures')]
    public function test_bad_pictures_are_refused(string $content, string $sentence): void
    {
        $this->actingAs($this->owner())
            ->post('/studio/api/uploads/pictures', ['picture' => $this->file('a.png', $content)], ['Accept' => 'application/json'])
            ->assertStatus(422)->assertJsonPath('errors.picture.0', fn (string $said): bool => str_contains($said, $sentence));
        self::assertSame(0, Upload::query()->count());
    }
}
