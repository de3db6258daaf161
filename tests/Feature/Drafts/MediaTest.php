<?php

declare(strict_types=1);

namespace Tests\Feature\Drafts;

use App\Files\DrawPicture;
use App\Models\Upload;
use App\Models\User;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Pictures and videos that come in, whatever they claim to be. */
final class MediaTest extends TestCase
{
    private User $owner;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
        $this->actingAs($this->owner);
    }

    private function bring(string $kind, string $name, string $content): TestResponse
    {
        return $this->post("/studio/api/uploads/{$kind}s", [$kind => $this->file($name, $content)], ['Accept' => 'application/json']);
    }

    /** A PNG that says it is of this size, and holds next to nothing. */
    private static function claim(int $width, int $height): string
    {
        $header = 'IHDR'.pack('NNCCCCC', $width, $height, 8, 2, 0, 0, 0);

        return "\x89PNG\r\n\x1a\n".pack('N', 13).$header.pack('N', crc32($header));
    }

    private static function png(int $width, int $height, ?int $colour = 0x808080, bool $seeThrough = false): string
    {
        $image = imagecreatetruecolor($width, $height);
        if ($seeThrough) {
            imagealphablending($image, false);
            imagesavealpha($image, true);
            imagefill($image, 0, 0, (int) imagecolorallocatealpha($image, 255, 255, 255, 127));
        } else {
            imagefill($image, 0, 0, (int) $colour);
        }
        ob_start();
        imagepng($image);

        return (string) ob_get_clean();
    }

    /** @return iterable<string, array{string, string, string, string}> kind, name, content, what is said */
    public static function refused(): iterable
    {
        yield 'a picture of nothing' => ['picture', 'a.png', '', 'This file is empty.'];
        yield 'a picture of a hundred megapixels' => ['picture', 'a.png', self::claim(10_000, 10_000),
            'This picture has 100 megapixels; 40 are enough.'];
        yield 'a picture wider than the world' => ['picture', 'a.png', self::claim(2_000_000, 60), 'megapixels; 40 are enough.'];
        yield 'a picture of forty megapixels and a few bytes' => ['picture', 'a.png', self::claim(6300, 6200).str_repeat("\0", 5000),
            'This picture has 39 megapixels and hardly anything in them.'];
        yield 'a stripe' => ['picture', 'a.png', self::png(1, 51), 'far longer than it is wide'];
        yield 'a large picture with another one behind its header' => ['picture', 'a.png', self::claim(400, 400).self::png(10, 10),
            'damaged'];
        yield 'a picture of no size' => ['picture', 'a.png', self::claim(0, 0), 'damaged'];
        yield 'a picture cut short' => ['picture', 'a.png', substr(self::png(300, 300), 0, 60), 'damaged'];
        yield 'a drawing with a script' => ['picture', 'a.svg',
            '<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"><script>alert(1)</script></svg>', 'A picture is a PNG'];
        yield 'a drawing that says it is a picture' => ['picture', 'a.png', '<svg xmlns="http://www.w3.org/2000/svg"/>',
            'A picture is a PNG'];
        yield 'a page that says it is a picture' => ['picture', 'a.jpg', '<html><script>alert(1)</script></html>', 'A picture is a PNG'];
        yield 'a program that says it is a picture' => ['picture', 'a.gif', "\x7FELF\x02\x01\x01", 'A picture is a PNG'];
        yield 'a film that says it is a picture' => ['picture', 'a.png', self::webm(), 'A picture is a PNG'];
        yield 'a video of nothing' => ['video', 'a.mp4', '', 'This file is empty.'];
        yield 'a picture that says it is a video' => ['video', 'a.mp4', self::png(10, 10), 'no video that browsers can play'];
        yield 'words that say they are a video' => ['video', 'a.webm', 'once upon a time', 'no video that browsers can play'];
        yield 'a video of a kind browsers do not know' => ['video', 'a.avi', "RIFF\x24\x00\x00\x00AVI LIST",
            'no video that browsers can play'];
        yield 'the head of an MP4 and a page behind it' => ['video', 'a.mp4', "\0\0\0\x18ftypmp42\0\0\0\0mp42isom<script>alert(1)</script>"
            .str_repeat('x', 200), 'no video that browsers can play'];
        yield 'the head of a WebM and nothing behind it' => ['video', 'a.webm', substr(self::webm(), 0, 36).str_repeat("\0", 64),
            'no video that browsers can play'];
        yield 'a page that says it is a video' => ['video', 'a.mp4', '<html><script>alert(1)</script></html>',
            'no video that browsers can play'];
    }

    #[DataProvider('refused')]
    public function test_what_is_not_what_it_says_is_refused_and_nothing_is_kept(
        string $kind,
        string $name,
        string $content,
        string $words,
    ): void {
        $answer = $this->bring($kind, $name, $content)->assertStatus(422)->assertJsonValidationErrors($kind);

        self::assertStringContainsString($words, (string) $answer->json('message'));
        self::assertSame(0, Upload::query()->count());
        self::assertSame([], Storage::disk('uploads')->allFiles());
    }

    /** @return iterable<string, array{int, int, list<int>}> width, height, the widths that are made */
    public static function sizes(): iterable
    {
        yield 'a dot' => [1, 1, [1]];
        yield 'an icon' => [64, 64, [64]];
        yield 'just the smallest' => [480, 300, [480]];
        yield 'a little more' => [481, 300, [480, 481]];
        yield 'a photo' => [1200, 800, [480, 960, 1200]];
        yield 'a large photo' => [1800, 1200, [480, 960, 1600]];
        yield 'a tall one' => [500, 3000, [480, 500]];
    }

    /** @param  list<int>  $widths */
    #[DataProvider('sizes')]
    public function test_a_picture_is_kept_in_the_sizes_pages_ask_for(int $width, int $height, array $widths): void
    {
        $id = $this->bring('picture', 'a.png', self::png($width, $height))->assertCreated()
            ->assertJson(['width' => $width, 'height' => $height])->json('id');
        $upload = Upload::query()->findOrFail($id);

        self::assertSame($widths, $upload->widths);
        foreach ($widths as $w) {
            $size = getimagesizefromstring((string) $this->get("/media/{$id}/{$w}.webp")->assertOk()
                ->assertHeader('content-type', 'image/webp')->streamedContent());
            self::assertSame($w, $size[0] ?? 0);
            self::assertEqualsWithDelta($height * $w / $width, $size[1] ?? 0, 1);
        }
        $this->get($upload->src())->assertOk()->assertHeader('content-type', 'image/jpeg');
        $this->get("/media/{$id}/".(max($widths) + 1).'.webp')->assertNotFound();
    }

    public function test_a_large_picture_is_drawn_by_a_worker_and_is_no_picture_of_the_library_before(): void
    {
        $answer = $this->bring('picture', 'large.png', self::png(2500, 1600))->assertStatus(202)
            ->assertJson(['waiting' => true, 'src' => '']);
        $id = (string) $answer->json('id');
        $this->getJson('/studio/api/uploads/pictures')->assertJsonCount(0, 'pictures');
        $this->getJson("/studio/api/uploads/pictures/{$id}")->assertOk()->assertJson(['waiting' => true, 'trouble' => null]);
        $this->actingAs($this->owner('other@ferncroft.example'))->getJson("/studio/api/uploads/pictures/{$id}")->assertNotFound();
        $this->actingAs($this->owner);

        $this->runQueue();
        $this->getJson("/studio/api/uploads/pictures/{$id}")->assertOk()
            ->assertJson(['waiting' => false, 'width' => 2500, 'height' => 1600]);
        $this->getJson('/studio/api/uploads/pictures')->assertJsonCount(1, 'pictures');
        self::assertSame([480, 960, 1600], Upload::query()->findOrFail($id)->widths);
        self::assertSame([], Storage::disk('uploads')->files('incoming'));
        (new DrawPicture($id))->handle();
        self::assertSame(1, Upload::query()->count(), 'a second time changes nothing');
    }

    public function test_a_large_picture_that_is_damaged_says_so_and_goes(): void
    {
        $id = (string) $this->bring('picture', 'large.png', self::claim(2500, 1600).random_bytes(9000))->assertStatus(202)->json('id');
        $this->runQueue();

        $this->getJson("/studio/api/uploads/pictures/{$id}")->assertOk()
            ->assertJson(['waiting' => true, 'trouble' => 'This picture is damaged and cannot be read.']);
        self::assertSame([], Storage::disk('uploads')->allFiles());
        $this->travel(25)->hours();
        $this->artisan('lantern:tidy');
        self::assertSame(0, Upload::query()->count());
    }

    public function test_a_worker_that_cannot_draw_it_leaves_a_sentence_and_no_file(): void
    {
        $id = (string) $this->bring('picture', 'large.png', self::png(2500, 1600))->assertStatus(202)->json('id');
        (new DrawPicture($id))->failed();

        $this->getJson("/studio/api/uploads/pictures/{$id}")
            ->assertJson(['trouble' => 'This picture could not be prepared. Please make it smaller and choose it again.']);
        $this->runQueue();
        self::assertSame([], Storage::disk('uploads')->allFiles());
    }

    public function test_only_so_many_large_pictures_wait_at_once(): void
    {
        $file = self::claim(2500, 1600).random_bytes(3000);
        for ($n = 0; $n < 20; $n++) {
            $this->bring('picture', "{$n}.png", $file)->assertStatus(202);
        }

        $this->bring('picture', '20.png', $file)->assertUnprocessable()
            ->assertJsonPath('message', 'Many large pictures are still being prepared. Please wait until they are in your library.');
        $this->bring('picture', 'small.png', self::png(20, 20))->assertCreated();
    }

    public function test_a_see_through_picture_stays_see_through_in_its_other_form(): void
    {
        $id = $this->bring('picture', 'logo.png', self::png(300, 100, seeThrough: true))->assertCreated()->json('id');
        $upload = Upload::query()->findOrFail($id);

        self::assertSame('png', $upload->fallback);
        $image = imagecreatefromstring((string) $this->get($upload->src())->assertOk()->assertHeader('content-type', 'image/png')
            ->streamedContent());
        self::assertSame(127, imagecolorat($image, 5, 5) >> 24 & 0x7F);
    }

    /** @return iterable<string, array{int, float}> a colour, and its relative luminance */
    public static function colours(): iterable
    {
        yield 'black' => [0x000000, 0.0];
        yield 'white' => [0xFFFFFF, 1.0];
        yield 'middle grey' => [0x808080, 0.2159];
        yield 'red' => [0xFF0000, 0.2126];
    }

    #[DataProvider('colours')]
    public function test_how_light_a_picture_is_is_measured_when_it_comes_in(int $colour, float $luminance): void
    {
        $id = $this->bring('picture', 'a.png', self::png(200, 100, $colour))->assertCreated()->json('id');
        $tones = Upload::query()->findOrFail($id)->tones ?? [];

        self::assertEqualsWithDelta($luminance, $tones[0] ?? -1, 0.001);
        self::assertEqualsWithDelta($luminance, $tones[1] ?? -1, 0.001);
    }

    public function test_the_library_finds_by_name_and_keeps_to_its_owner(): void
    {
        $this->bring('picture', 'Cello room.png', self::png(20, 20))->assertCreated();
        $this->bring('picture', 'window_100%.png', self::png(20, 20))->assertCreated();
        $this->bring('video', 'A film.webm', self::webm())->assertCreated()->assertJsonPath('name', 'A film.webm');

        $this->getJson('/studio/api/uploads/pictures')->assertOk()->assertJsonCount(2, 'pictures');
        $this->getJson('/studio/api/uploads/pictures?search=CELLO')->assertJsonCount(1, 'pictures')
            ->assertJsonPath('pictures.0.name', 'Cello room.png');
        $this->getJson('/studio/api/uploads/pictures?search=_')->assertJsonCount(1, 'pictures');
        $this->getJson('/studio/api/uploads/videos')->assertJsonCount(1, 'videos');
        $this->actingAs($this->owner('stranger@example.com'));
        $this->getJson('/studio/api/uploads/pictures')->assertJsonPath('pictures', []);
        $this->getJson('/studio/api/uploads/videos')->assertJsonPath('videos', []);
    }

    public function test_a_name_with_a_path_and_markup_in_it_becomes_a_name(): void
    {
        $name = $this->bring('picture', '../../<b>cello</b>".png', self::png(20, 20))->assertCreated()->json('name');

        self::assertStringNotContainsString('/', $name);
        self::assertStringNotContainsString('<', $name);
        self::assertStringEndsWith('.png', $name);
    }
}
