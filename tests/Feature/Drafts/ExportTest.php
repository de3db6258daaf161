<?php

declare(strict_types=1);

namespace Tests\Feature\Drafts;

use App\Drafts\DraftPlan;
use App\Drafts\NewFunnel;
use App\Export\FunnelArchive;
use App\Export\HtmlExport;
use App\Files\Uploads;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Upload;
use App\Models\User;
use App\Publishing\Publishing;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\Plan;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Core\Plan\Plans;
use Tests\Drafts\Form;
use Tests\Drafts\Page;
use Tests\Drafts\Prices;
use Tests\Drafts\SharedSection;
use Tests\TestCase;
use Tests\WrittenForms;
use ZipArchive;

/** Taking pages and funnels out, bringing funnels in, and keeping everything else out. */
final class ExportTest extends TestCase
{
    private User $owner;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
        $this->actingAs($this->owner);
    }

    private static function png(int $width = 700): string
    {
        $image = imagecreatetruecolor($width, 300);
        imagefill($image, 0, 0, 0x336699);
        ob_start();
        imagepng($image);

        return (string) ob_get_clean();
    }

    /** A funnel with a file, pictures, a video, a shared footer, a look of its own and own words. */
    private function rich(): Funnel
    {
        $funnel = app(NewFunnel::class)
            ->fromStarter($this->owner->business, Goal::LongOptIn, 'Rich', 'The Plan', $this->upload($this->owner, 'Mein Plan.pdf'));
        $picture = app(Uploads::class)->picture($this->owner->business, $this->file('cello.png', self::png()));
        $video = app(Uploads::class)->video($this->owner->business, $this->file('film.webm', self::webm()));
        $page = $this->entry($funnel);
        $document = $page->document;
        $document['background'] = ['fill' => 'gradient', 'colour' => '#112233', 'to' => '#445566', 'angle' => 90];
        $document['sections'][4]['blocks'][3] = ['picture' => $picture->id, 'alt' => 'A cello'] + $document['sections'][4]['blocks'][3];
        $document['sections'][2]['background'] = ['fill' => 'video', 'picture' => $picture->id, 'video' => $video->id, 'focusX' => 10,
            'focusY' => 20];
        $footer = array_pop($document['sections']);
        $shared = SharedSection::query()->create(['funnel_id' => $funnel->id, 'name' => 'My footer', 'section' => $footer]);
        $document['sections'][] = ['id' => 'foot', 'kind' => 'footer', 'shared' => $shared->id, 'blocks' => []];
        $page->forceFill(['document' => $document,
            'settings' => ['title' => 'T', 'picture' => $picture->id, 'head' => '<meta name="mine">']])->save();
        $funnel->forceFill(['look' => 'salon', 'look_changes' => ['accent' => '#123456'], 'logo' => $picture->id,
            'fields' => ['programme' => 'First Season'], 'parameters' => ['city']])->save();

        return $funnel->refresh();
    }

    private function zip(TestResponse $answer): ZipArchive
    {
        $answer->assertOk()->assertHeader('content-type', 'application/zip');
        $path = (string) tempnam(sys_get_temp_dir(), 'test-zip');
        file_put_contents($path, $answer->streamedContent());
        $zip = new ZipArchive;
        self::assertTrue($zip->open($path));

        return $zip;
    }

    /** @return list<string> */
    private static function names(ZipArchive $zip): array
    {
        return array_map(fn (int $i): string => (string) $zip->getNameIndex($i), range(0, $zip->numFiles - 1));
    }

    /** @param  array<string, string>  $entries */
    private function archive(array $entries): UploadedFile
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'test-zip');
        $zip = new ZipArchive;
        $zip->open($path, ZipArchive::OVERWRITE);
        foreach ($entries as $name => $content) {
            $zip->addFromString($name, $content);
        }
        $zip->close();

        return new UploadedFile($path, 'funnel.zip', null, null, true);
    }

    private function import(UploadedFile $file): TestResponse
    {
        return $this->post('/studio/api/funnels/import', ['archive' => $file], ['Accept' => 'application/json']);
    }

    /** @return array<string, string> the entries of a true archive */
    private function entries(Funnel $funnel): array
    {
        $zip = $this->zip($this->get("/studio/api/funnels/{$funnel->id}/export"));
        $entries = [];
        foreach (self::names($zip) as $name) {
            $entries[$name] = (string) $zip->getFromName($name);
        }

        return $entries;
    }

    /** A plan without what is new in every copy: ids, name and address. */
    private static function comparable(Funnel $funnel): string
    {
        $json = (string) json_encode(['name' => '', 'address' => '']
            + DraftPlan::read(Funnel::query()->findOrFail($funnel->id))->toArray());
        $seen = [];

        return (string) preg_replace_callback('/[0-9a-hjkmnp-tv-z]{26}/', function (array $m) use (&$seen): string {
            return $seen[$m[0]] ??= 'id'.count($seen);
        }, $json);
    }

    public function test_what_could_act_against_its_new_owner_is_set_aside_and_taken_over_only_by_a_press(): void
    {
        $funnel = $this->rich();
        $entry = $this->entry($funnel);
        $code = "<script>steal('</pre>')</script>";
        $entry->forceFill(['settings' => ['title' => 'T', 'head' => $code, 'bodyEnd' => '<b>end</b>']])->save();
        Form::query()->where('funnel_id', $funnel->id)->firstOrFail()->forceFill(['hook' => 'https://evil.example/in'])->save();
        $this->putJson("/studio/api/pages/{$entry->id}/ways", ['outcome' => 'joined', 'toUrl' => 'https://evil.example/on'])->assertOk();
        $this->postJson("/studio/api/funnels/{$funnel->id}/parts", ['kind' => 'product', 'name' => 'Lessons'])->assertSuccessful();
        DraftPart::there($funnel->id, 'product')->firstOrFail()->change(['url' => 'https://evil.example/room'])->save();
        $popup = DraftPart::there($funnel->id, 'popup')->firstOrFail();
        $document = $popup->definition['document'];
        array_pop($document['sections']);
        $popup->change(['document' => $document, 'after' => ['kind' => 'address', 'to' => 'https://evil.example/after'],
            'targeting' => ['sites' => [['site' => 'evil', 'patterns' => []]]]])->save();
        $this->postJson("/studio/api/funnels/{$funnel->id}/parts", ['kind' => 'automation', 'name' => 'Tells',
            'when' => [['kind' => 'signup']],
            'acts' => [['kind' => 'tag', 'tag' => 'In'], ['kind' => 'call', 'url' => 'https://evil.example/rule']]])->assertCreated();
        $entries = $this->entries($funnel);
        $id = (string) $this->import($this->archive($entries))->assertCreated()->json('id');

        $draft = $this->getJson("/studio/api/funnels/{$id}")->assertOk();
        self::assertEqualsCanonicalizing([['head', $code], ['bodyEnd', '<b>end</b>'], ['hook', 'https://evil.example/in'],
            ['way:joined', 'https://evil.example/on'], ['url', 'https://evil.example/room'], ['after', 'https://evil.example/after'],
            ['call:1', 'https://evil.example/rule']],
            array_map(fn (array $a): array => [$a['what'], $a['text']], $draft->json('setAside')));
        foreach ([$draft->json('pages'), $draft->json('forms'), $draft->json('ways'), $draft->json('products'),
            $draft->json('popups'), $draft->json('rules')] as $list) {
            self::assertStringNotContainsString('evil', (string) json_encode($list));
            self::assertStringNotContainsString('steal', (string) json_encode($list));
        }
        self::assertSame('T', $draft->json('pages.0.settings.title'));
        $end = fn (string $what, string $end) => $this->postJson("/studio/api/funnels/{$id}/set-aside", ['what' => $what, 'end' => $end,
            'part' => array_column($draft->json('setAside'), 'part', 'what')[$what]])->assertOk();
        $before = self::comparable(Funnel::query()->findOrFail($id));
        foreach (['head', 'hook', 'url', 'after', 'way:joined', 'call:1'] as $what) {
            $end($what, 'take');
            self::assertNotSame($before, self::comparable(Funnel::query()->findOrFail($id)), $what);
            $end($what, 'undo')->assertJsonCount(7, 'setAside');
            self::assertSame($before, self::comparable(Funnel::query()->findOrFail($id)), "{$what} is undone");
        }
        $end('bodyEnd', 'discard')->assertJsonCount(6, 'setAside');
        $end('bodyEnd', 'undo')->assertJsonCount(7, 'setAside');
        $end('url', 'discard');
        $end('after', 'discard');
        $end('call:1', 'discard');
        $end('hook', 'discard');
        $end('head', 'take');
        $end('way:joined', 'take');
        $page = $draft->json('pages.0.id');
        $this->putJson("/studio/api/pages/{$page}/ways", ['outcome' => 'joined', 'toPage' => $draft->json('pages.1.id')])->assertOk();
        $end('way:joined', 'undo');
        self::assertContains($draft->json('pages.1.id'), array_column($this->getJson("/studio/api/funnels/{$id}")->json('ways'), 'toPage'),
            'a way that was drawn elsewhere meanwhile stays');
        $end('way:joined', 'take');
        $after = $this->getJson("/studio/api/funnels/{$id}");
        self::assertSame([$code, null, ''], [$after->json('pages.0.settings.head'), $after->json('pages.0.settings.bodyEnd'),
            $after->json('forms.0.hook')]);
        self::assertContains('https://evil.example/on', array_column($after->json('ways'), 'toUrl'));
        self::assertSame(['bodyEnd'], array_column($after->json('setAside'), 'what'));
        foreach (['take' => 'nothing', 'nonsense' => 'head'] as $how => $what) {
            $this->postJson("/studio/api/funnels/{$id}/set-aside", ['part' => 'x', 'what' => $what, 'end' => $how])->assertUnprocessable();
        }
        $codes = array_column($this->getJson("/studio/api/funnels/{$id}/check")->json('findings'), 'code');
        self::assertContains('own-code', $codes, 'and the go-live check names it');
    }

    public function test_streams_and_addresses_of_buttons_pictures_and_menus_wait_for_a_press_as_well(): void
    {
        $funnel = app(NewFunnel::class)->fromStarter($this->owner->business, Goal::Webinar, 'Webinar', 'First Melody', null,
            \Tests\Core\Plan\Plans::price(), \Lantern\Core\Webinars\WebinarMode::Live);
        $webinar = DraftPart::there($funnel->id, 'webinar')->sole();
        $webinar->change(['stream' => 'https://evil.example/stream'])->save();
        $entry = $this->entry($funnel);
        $document = $entry->document;
        $document['sections'][0]['blocks'] = [...$document['sections'][0]['blocks'],
            ['id' => 'button', 'kind' => 'button', 'style' => 'main', 'text' => 'Go', 'url' => 'https://evil.example/button'],
            ['id' => 'mail', 'kind' => 'button', 'style' => 'quiet', 'text' => 'Write', 'url' => 'mailto:imke@ferncroft.example'],
            ['id' => 'menu', 'kind' => 'menu', 'items' => [['title' => 'Here', 'url' => 'section:'.$document['sections'][0]['id']],
                ['title' => 'There', 'url' => 'HTTPS://evil.example/menu']]]];
        $footer = ['id' => 'foot', 'kind' => 'footer', 'blocks' => [['id' => 'f', 'kind' => 'button', 'style' => 'link', 'text' => 'Us',
            'url' => 'http://evil.example/footer']]];
        $shared = SharedSection::query()->create(['funnel_id' => $funnel->id, 'name' => 'My footer', 'section' => $footer]);
        $document['sections'][] = ['id' => 'foot', 'kind' => 'footer', 'shared' => $shared->id, 'blocks' => []];
        $entry->forceFill(['document' => $document])->save();
        $id = (string) $this->import($this->archive($this->entries($funnel)))->assertCreated()->json('id');

        $draft = $this->getJson("/studio/api/funnels/{$id}")->assertOk();
        self::assertEqualsCanonicalizing(['https://evil.example/stream', 'https://evil.example/button', 'HTTPS://evil.example/menu',
            'http://evil.example/footer'], array_column($draft->json('setAside'), 'text'));
        self::assertStringNotContainsString('evil', (string) json_encode(DraftPlan::read(Funnel::query()->findOrFail($id))->toArray()));
        self::assertStringContainsString('mailto:imke', (string) json_encode($draft->json('pages')));
        $before = self::comparable(Funnel::query()->findOrFail($id));
        foreach ($draft->json('setAside') as $item) {
            $end = fn (string $end) => $this->postJson("/studio/api/funnels/{$id}/set-aside", ['end' => $end] + $item)->assertOk();
            $end('take');
            $plan = (string) json_encode(DraftPlan::read(Funnel::query()->findOrFail($id))->toArray(), JSON_UNESCAPED_SLASHES);
            self::assertStringContainsString($item['text'], $plan);
            preg_match_all('~evil\.example/\w+~', $plan, $m);
            self::assertCount(1, array_unique($m[0]), 'it and nothing else');
            $end('undo');
            self::assertSame($before, self::comparable(Funnel::query()->findOrFail($id)));
        }
    }

    public function test_a_pop_up_keeps_its_places_on_sites_of_its_own_owner_and_loses_those_of_others(): void
    {
        $this->actingAs($this->owner);
        $site = (string) $this->postJson('/studio/api/sites', ['name' => 'Notes', 'address' => 'https://blog.example'])->assertSuccessful()
            ->json('id');
        $funnel = $this->rich();
        $popup = DraftPart::there($funnel->id, 'popup')->firstOrFail();
        $popup->change(['targeting' => ['sites' => [['site' => $site, 'patterns' => [['how' => 'begins', 'text' => '/notes/']]],
            ['site' => '01hsomebodyelses0000000000', 'patterns' => []]]] + $popup->definition['targeting']])->save();
        $entries = $this->entries($funnel);
        $sites = fn (string $id): array => array_column(DraftPart::there($id, 'popup')->firstOrFail()
            ->definition['targeting']['sites'] ?? [],
            'site');

        self::assertSame([$site], $sites((string) $this->import($this->archive($entries))->assertCreated()->json('id')));
        $this->actingAs($this->owner('another@example.com'));
        self::assertSame([], $sites((string) $this->import($this->archive($entries))->assertCreated()->json('id')));
    }

    public function test_a_file_in_an_archive_is_named_as_what_it_is(): void
    {
        $entries = $this->entries($this->rich());
        $json = json_decode($entries['funnel.json'], true);
        foreach ($json['uploads'] as $i => $upload) {
            if ($upload['kind'] === 'file') {
                $json['uploads'][$i]['name'] = 'plan.exe';
            }
        }
        $this->import($this->archive(['funnel.json' => (string) json_encode($json)] + $entries))->assertUnprocessable()
            ->assertJsonPath('message', '“plan.exe” is not what its name says.');
    }

    public function test_a_funnel_comes_back_exactly_as_it_went_out(): void
    {
        $funnel = $this->rich();
        $entries = $this->entries($funnel);
        $made = $this->import($this->archive($entries))->assertCreated();
        $copy = Funnel::query()->findOrFail($made->json('id'));

        self::assertStringNotContainsString('name=\"mine\"', self::comparable($copy), 'code waits for its new owner');
        $this->postJson("/studio/api/funnels/{$copy->id}/set-aside", ['part' => $this->entry($copy)->id, 'what' => 'head', 'end' => 'take'])
            ->assertOk()
            ->assertJsonPath('setAside', []);
        self::assertSame(self::comparable($funnel), self::comparable($copy));
        self::assertSame(['Rich (imported)', 'the-plan-2', 'draft'], [$copy->name, $copy->address, $copy->state->value]);
        self::assertSame('My footer', SharedSection::query()->where('funnel_id', $copy->id)->sole()->name);
        // And every file to the last byte.
        $again = $this->entries($copy);
        self::assertSame(self::hashes($entries), self::hashes($again));
        foreach (DB::table('uploads')->get() as $upload) {
            self::assertTrue(Storage::disk('uploads')->exists($upload->path), $upload->name);
        }
        app(Publishing::class)->publish($copy, null);
        $html = (string) $this->get("/{$copy->address}")->assertOk()->getContent();
        preg_match_all('~/media/[0-9a-z]+/\w+\.\w+~', $html, $m);
        self::assertNotSame([], $m[0]);
        foreach (array_unique($m[0]) as $address) {
            $this->get($address)->assertOk();
        }
    }

    /**
     * @param  array<string, string>  $entries
     * @return list<string>
     */
    private static function hashes(array $entries): array
    {
        unset($entries['funnel.json']);
        $hashes = array_map(fn (string $name, string $content): string => basename($name).' '.hash('sha256', $content),
            array_keys($entries), $entries);
        sort($hashes);

        return $hashes;
    }

    public function test_it_has_the_written_form_and_says_nothing_of_the_business(): void
    {
        $entries = $this->entries($this->rich());

        self::assertSame('', WrittenForms::trouble(json_decode($entries['funnel.json']), 'funnel'));
        // Who signs an email is part of its words; how to reach them is not.
        foreach (['imke@ferncroft.example', 'Exampleton'] as $private) {
            self::assertStringNotContainsString($private, $entries['funnel.json']);
        }
    }

    public function test_every_starter_goes_out_and_comes_in_at_somebody_elses(): void
    {
        $others = $this->owner('other@example.com');
        foreach (Goal::cases() as $goal) {
            $funnel = app(NewFunnel::class)->fromStarter($this->owner->business, $goal, "A {$goal->value}", 'Title',
                $goal->hasLeadMagnet() ? $this->upload($this->owner) : null);
            $this->actingAs($this->owner);
            $entries = $this->entries($funnel);
            $id = $this->actingAs($others)->import($this->archive($entries))->assertCreated()->json('id');
            $copy = Funnel::query()->findOrFail($id);
            self::assertSame($others->business_id, $copy->business_id);
            self::assertSame("A {$goal->value}", $copy->name);
            self::assertSame(self::comparable($funnel), self::comparable($copy), $goal->value);
        }
        self::assertSame(2, Upload::query()->where('business_id', $others->business_id)->count(), 'the two files are theirs now');
    }

    /**
     * @return iterable<string, array{callable(array<string, string>): array<string, string>, string}> what is done to a true archive, and
     *     what is said
     */
    public static function brokenArchives(): iterable
    {
        $json = fn (callable $change): callable => function (array $entries) use ($change): array {
            $entries['funnel.json'] = (string) json_encode($change(json_decode($entries['funnel.json'], true)));

            return $entries;
        };
        $media = fn (string $pattern, string $content): callable => function (array $entries) use ($pattern, $content): array {
            foreach (array_keys($entries) as $name) {
                $entries[$name] = preg_match($pattern, $name) === 1 ? $content : $entries[$name];
            }

            return $entries;
        };

        yield 'nothing in it' => [fn (array $e): array => ['x' => ''], 'does not belong into a funnel'];
        yield 'no funnel in it' => [fn (array $e): array => ['media/' => ''], '“funnel.json” is missing in it.'];
        yield 'a way out' => [fn (array $e): array => $e + ['../../evil.php' => '<?php'],
            'does not belong into a funnel: “../../evil.php”'];
        yield 'a way out within media' => [fn (array $e): array => $e + ['media/../../evil' => 'x'], 'does not belong into a funnel'];
        yield 'a whole path' => [fn (array $e): array => $e + ['/etc/passwd' => 'x'], 'does not belong into a funnel'];
        yield 'a path of another system' => [fn (array $e): array => $e + ['media\\evil' => 'x'], 'does not belong into a funnel'];
        yield 'a script' => [fn (array $e): array => $e + ['index.php' => 'x'], 'does not belong into a funnel'];
        yield 'too many files' => [fn (array $e): array => $e
            + array_combine(array_map(fn (int $i): string => sprintf('media/%026d/content', $i), range(1, 601)), array_fill(0, 601, 'x')),
            'too many files'];
        yield 'a bomb' => [fn (array $e): array => $e + ['media/00000000000000000000000001/content' => str_repeat("\0", 30_000_000)],
            'far larger than a funnel can be'];
        yield 'a funnel longer than any' => [fn (array $e): array => ['funnel.json' => '"'.bin2hex(random_bytes(2_700_000)).'"'] + $e,
            '“funnel.json” in it is larger than it may be.'];
        yield 'no JSON' => [fn (array $e): array => ['funnel.json' => '{broken'] + $e, 'The funnel in it cannot be read.'];
        yield 'JSON without end' => [fn (array $e): array => ['funnel.json' => str_repeat('[', 100).str_repeat(']', 100)] + $e,
            'The funnel in it cannot be read.'];
        yield 'JSON of another kind' => [$json(fn (array $j): array => ['kind' => 'something-else'] + $j), 'This zip holds no funnel.'];
        yield 'a newer version' => [$json(fn (array $j): array => ['version' => 2] + $j), 'written by a newer version'];
        yield 'a newer plan' => [$json(function (array $j): array {
            $j['plan']['format'] = Plan::FORMAT + 1;

            return $j;
        }), 'written by another version'];
        yield 'a plan that is none' => [$json(fn (array $j): array => ['plan' => ['format' => 2]] + $j),
            'A group of values was expected here.'];
        yield 'a look that is none' => [$json(function (array $j): array {
            $j['plan']['look']['id'] = 'none';

            return $j;
        }), 'There is no such look.'];
        yield 'a link that runs' => [$json(function (array $j): array {
            $j['plan']['ways'][0] = ['page' => $j['plan']['parts'][0]['id'], 'outcome' => 'joined', 'toUrl' => 'javascript:alert(1)'];

            return $j;
        }), 'A web address begins with https://.'];
        yield 'a picture that is used and not there' => [$json(function (array $j): array {
            $others = array_filter($j['uploads'], fn (array $u): bool => $u['kind'] !== 'picture');

            return ['uploads' => array_values($others)] + $j;
        }), 'is missing in it'];
        yield 'media that is listed and not there' => [fn (array $e): array => array_filter($e,
            fn (string $n): bool => ! str_ends_with($n, '.webp'), ARRAY_FILTER_USE_KEY), 'is missing in it'];
        yield 'media of an unknown kind' => [$json(function (array $j): array {
            $j['uploads'][0]['kind'] = 'program';

            return $j;
        }), 'media of an unknown kind'];
        yield 'a file that says it is a page' => [$json(function (array $j): array {
            foreach ($j['uploads'] as &$upload) {
                $upload['mime'] = $upload['kind'] === 'file' ? 'text/html' : $upload['mime'];
            }

            return $j;
        }), 'is of a kind that is not imported'];
        yield 'a page that says it is a PDF' => [$media('~content$~', '<html><script>alert(1)</script></html>'),
            'is not what it says it is.'];
        yield 'a script that says it is a picture' => [$media('~\.webp$~', '<?php echo 1;'), 'is not what it says it is.'];
        yield 'a picture that is another kind of picture' => [$media('~\.webp$~', self::png(480)), 'is not what it says it is.'];
        yield 'a picture of another size' => [$media('~480\.webp$~', self::webp(300)), 'is damaged, or not as large as it says.'];
        yield 'an empty picture' => [$media('~\.webp$~', ''), 'is not what it says it is.'];
        yield 'a width no picture has' => [$json(function (array $j): array {
            foreach ($j['uploads'] as &$upload) {
                $upload['widths'] = $upload['kind'] === 'picture' ? [100_000] : $upload['widths'];
            }

            return $j;
        }), 'says a width that no picture has'];
        yield 'a form no picture has' => [$json(function (array $j): array {
            foreach ($j['uploads'] as &$upload) {
                $upload['fallback'] = $upload['kind'] === 'picture' ? 'php' : $upload['fallback'];
            }

            return $j;
        }), 'has a form that is not imported'];
        yield 'an id with a path in it' => [$json(function (array $j): array {
            $j['uploads'][0]['id'] = '../../../../etc/passwd';

            return $j;
        }), 'is missing in it'];
    }

    private static function webp(int $width): string
    {
        ob_start();
        imagewebp(imagecreatetruecolor($width, 100));

        return (string) ob_get_clean();
    }

    #[DataProvider('brokenArchives')]
    public function test_a_hostile_or_broken_archive_is_refused_with_a_reason_and_leaves_nothing(callable $change, string $reason): void
    {
        $entries = $this->entries($this->rich());
        $rows = fn (): array => array_map(fn (string $table): int => DB::table($table)->count(),
            ['funnels', 'draft_parts', 'uploads', 'ways']);
        $files = Storage::disk('uploads')->allFiles();
        $before = $rows();

        $answer = $this->import($this->archive($change($entries)))->assertStatus(422);
        self::assertStringContainsString($reason, (string) $answer->json('message'));
        self::assertSame($before, $rows());
        self::assertSame($files, Storage::disk('uploads')->allFiles());
    }

    public function test_what_is_no_archive_at_all_is_refused(): void
    {
        $this->import($this->file('funnel.zip', 'words'))->assertStatus(422)
            ->assertJsonPath('message', 'This is no zip file, or a damaged one.');
        $this->import($this->file('funnel.zip', ''))->assertStatus(422);
        $this->post('/studio/api/funnels/import', [], ['Accept' => 'application/json'])->assertStatus(422)
            ->assertJsonPath('message', 'The file did not arrive whole. Please choose it again.');
        $this->post('/studio/api/funnels/import', ['archive' => 'words'], ['Accept' => 'application/json'])->assertStatus(422);
    }

    public function test_hostile_text_in_an_archive_are_harmless_once_inside(): void
    {
        $entries = $this->entries($this->draft($this->owner));
        $json = json_decode($entries['funnel.json'], true);
        $json['plan']['parts'][0]['document']['sections'][0]['blocks'][1]['html'] = '<script>alert(1)</script><img src=x '
            .'onerror=alert(1)>Hello <b>you</b>';
        $json['plan']['parts'][4]['body'] = '<p onclick=x>Hi</p><script>alert(1)</script>';
        $id = $this->import($this->archive(['funnel.json' => (string) json_encode($json)] + $entries))->assertCreated()->json('id');

        self::assertSame('Hello <b>you</b>',
            Page::query()->where('funnel_id', $id)->where('position', 0)->firstOrFail()->document['sections'][0]['blocks'][1]['html']);
        self::assertSame('<p>Hi</p>', DB::table('draft_parts')->where('kind', 'email')->where('funnel_id', $id)->value('definition->body'));
    }

    public function test_no_thank_you_leads_on_in_a_copy_without_an_address(): void
    {
        $funnel = app(NewFunnel::class)->fromStarter($this->owner->business, Goal::Sell, 'Selling', 'First Season', null, Plans::price());
        $zip = $this->zip($this->get("/studio/api/funnels/{$funnel->id}/html"));
        $plan = DraftPlan::read($funnel->refresh());
        foreach ($plan->pages as $page) {
            $html = (string) $zip->getFromName(HtmlExport::fileName($page));
            self::assertStringNotContainsString('answer=no', $html, $page->name);
            if ($page->role->isExtraOffer()) {
                $next = $plan->page((string) $plan->way($page->id, Outcome::Declined)?->toPage);
                self::assertNotNull($next);
                self::assertMatchesRegularExpression('~<a [^>]*href="'.HtmlExport::fileName($next).'"[^>]*>[^<]*(No|no)[^<]*</a>~', $html,
                    $page->name);
            }
        }
    }

    public function test_a_copy_of_a_checkout_leads_to_where_it_can_be_bought(): void
    {
        $funnel = app(NewFunnel::class)->fromStarter($this->owner->business, Goal::Sell, 'Selling', 'First Season', null, Plans::price());
        $checkout = fn (): string => (string) $this->zip($this->get("/studio/api/funnels/{$funnel->id}/html"))->getFromName('order.html');
        self::assertStringContainsString('nothing can be bought here', $checkout());
        Prices::fillIn($funnel);
        app(Publishing::class)->publish($funnel->refresh(), null);
        $this->onTwoHosts('http://studio.test', 'http://pages.example');
        $html = (string) $this->zip($this->get("http://studio.test/studio/api/funnels/{$funnel->id}/html"))->getFromName('order.html');

        self::assertStringContainsString('http://pages.example/'.$funnel->address.'/order">Go to the checkout', $html);
        self::assertStringNotContainsString('slot:', $html);
        self::assertStringNotContainsString('card-fields"', $html);
    }

    public function test_pages_open_from_a_folder_with_everything_beside_them(): void
    {
        $funnel = $this->rich();
        $zip = $this->zip($this->get("/studio/api/funnels/{$funnel->id}/html"));
        $names = self::names($zip);
        self::assertContains('index.html', $names);
        self::assertContains('thank-you.html', $names);
        foreach (['index.html', 'thank-you.html'] as $page) {
            $html = (string) $zip->getFromName($page);
            self::assertStringNotContainsString('slot:', $html);
            self::assertStringNotContainsString('data-funnel', $html, 'a copy reports no visits');
            preg_match_all('~(?:src|href|poster)="([^"#]+)"|url\(([^)]+)\)|(media/\S+\.webp) \d+w~', $html, $m);
            foreach (array_filter([...$m[1], ...$m[2], ...$m[3]],
                fn (string $a): bool => $a !== '' && ! str_starts_with($a, 'data:')) as $address) {
                self::assertContains(trim($address, '"\' '), $names, "{$page} has it beside it");
            }
        }
        $html = (string) $zip->getFromName('index.html');
        self::assertStringContainsString('<style>', $html);
        self::assertStringContainsString('<script type="module">', $html);
        self::assertStringContainsString('cannot be sent', $html, 'its home is not known: it says so');
        self::assertStringContainsString('type="submit" disabled', $html);
        self::assertStringContainsString('cannot be sent', (string) $zip->getFromName('READ ME.txt'));
    }

    public function test_a_form_of_an_exported_page_posts_home_when_home_is_known(): void
    {
        $this->onTwoHosts('http://localhost', 'http://ferncroft.example');
        $funnel = $this->live($this->owner);
        $zip = $this->zip($this->get("http://localhost/studio/api/funnels/{$funnel->id}/html"));
        $html = (string) $zip->getFromName('index.html');

        self::assertStringContainsString('action="http://ferncroft.example/'.$funnel->address.'"', $html);
        self::assertStringNotContainsString('type="submit" disabled', $html);
        // Whoever sends it from there is asked to press once more, with their words kept.
        $this->post('/'.$funnel->address, ['email' => 'robin@example.com', 'token' => 'elsewhere',
            'form' => Form::query()->where('funnel_id', $funnel->id)->value('id')])->assertStatus(422)
            ->assertSee('Your words have come along')->assertSee('robin@example.com');
    }

    public function test_a_single_page_is_exported_alone(): void
    {
        $funnel = $this->rich();
        $thanks = Page::query()->where('funnel_id', $funnel->id)->where('position', 1)->firstOrFail();
        $zip = $this->zip($this->get("/studio/api/pages/{$thanks->id}/html"));

        self::assertContains('thank-you.html', self::names($zip));
        self::assertNotContains('index.html', self::names($zip));
    }

    public function test_the_temporary_zip_goes_once_it_is_sent(): void
    {
        $before = count((array) glob(sys_get_temp_dir().'/lantern-*'));
        $path = app(FunnelArchive::class)->write($this->draft($this->owner));
        self::assertFileExists($path);
        unlink($path);
        $this->entries(Funnel::query()->firstOrFail());

        self::assertLessThanOrEqual($before + 1, count((array) glob(sys_get_temp_dir().'/lantern-*')));
    }
}
