<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use App\Drafts\NewFunnel;
use App\Files\Uploads;
use App\Models\Funnel;
use App\Models\Submission;
use App\Models\Upload;
use App\Models\User;
use App\Publishing\Publishing;
use App\Rendering\Countdown;
use App\Support\Hosts;
use DateTimeImmutable;
use DateTimeZone;
use DOMDocument;
use DOMXPath;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Page\Design\Designs;
use Lantern\Core\Plan\Goal;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Drafts\Form;
use Tests\Drafts\Page;
use Tests\Drafts\Prices;
use Tests\TestCase;

/** What visitors of richer pages get: links made whole, words filled in, pictures, videos, an owner's own code, a closed page. */
final class SiteTest extends TestCase
{
    private User $owner;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
    }

    /**
     * A live funnel whose entry page has these blocks after its form.
     *
     * @param  list<array<string, mixed>>  $blocks
     * @param  array<string, mixed>  $section  what else the section says
     * @param  array<string, mixed>  $funnelValues
     */
    private function with(array $blocks, array $section = [], array $funnelValues = []): Funnel
    {
        $funnel = $this->draft($this->owner);
        $funnel->forceFill($funnelValues)->save();
        $page = $this->entry($funnel);
        $document = $page->document;
        foreach ($blocks as $i => $block) {
            $document['sections'][0]['blocks'][] = $block + ['id' => "x{$i}"];
        }
        $document['sections'][0] = $section + $document['sections'][0];
        $page->forceFill(['document' => $document])->save();
        app(Publishing::class)->publish($funnel, null);

        return $funnel->refresh();
    }

    private function html(string $path): string
    {
        return (string) $this->get($path)->assertOk()->getContent();
    }

    private function dom(string $path): DOMXPath
    {
        $dom = new DOMDocument;
        $dom->loadHTML('<?xml encoding="UTF-8">'.$this->html($path), LIBXML_NOERROR);

        return new DOMXPath($dom);
    }

    private function picture(int $colour = 0xFFFFFF, int $width = 1200): Upload
    {
        $image = imagecreatetruecolor($width, 600);
        imagefill($image, 0, 0, $colour);
        ob_start();
        imagepng($image);

        return app(Uploads::class)->picture($this->owner->business, $this->file('a.png', (string) ob_get_clean()));
    }

    public function test_links_inside_lead_to_todays_addresses(): void
    {
        $funnel = $this->draft($this->owner);
        $thanks = Page::query()->where('funnel_id', $funnel->id)->where('position', 1)->firstOrFail();
        $thanks->forceFill(['address' => 'danke'])->save();
        $section = $this->entry($funnel)->document['sections'][0]['id'];
        $page = $this->entry($funnel);
        $document = $page->document;
        $document['sections'][0]['blocks'][] = ['id' => 'a', 'kind' => 'button', 'text' => 'To the page', 'url' => "page:{$thanks->id}"];
        $document['sections'][0]['blocks'][] = ['id' => 'b', 'kind' => 'text',
            'html' => "See <a href=\"section:{$section}\">above</a>, <a href=\"page:{$thanks->id}\">there</a> or <a "
                .'href="https://else.example/?a=1&amp;b=2">else</a>'];
        $page->forceFill(['document' => $document])->save();
        app(Publishing::class)->publish($funnel, null);

        $html = $this->html("/{$funnel->address}");
        self::assertStringContainsString("<a class=\"button main\" href=\"/{$funnel->address}/danke\">To the page</a>", $html);
        self::assertStringContainsString("href=\"#s-{$section}\"", $html);
        self::assertStringContainsString("id=\"s-{$section}\"", $html);
        self::assertStringContainsString("<a href=\"/{$funnel->address}/danke\">there</a>", $html);
        self::assertStringContainsString('href="https://else.example/?a&#61;1&amp;b&#61;2"', $html);

        // The funnel moves; its links come along without a new version.
        $funnel->forceFill(['address' => 'moved'])->save();
        self::assertStringContainsString('href="/moved/danke"', $this->html('/moved'));
    }

    public function test_what_is_handed_on_is_a_whole_address_and_never_the_readers_own(): void
    {
        $funnel = $this->draft($this->owner);
        $thanks = Page::query()->where('funnel_id', $funnel->id)->where('position', 1)->firstOrFail();
        $page = $this->entry($funnel);
        $document = $page->document;
        $urls = ['' => null, 'there' => "page:{$thanks->id}", 'else' => 'https://else.example/?a=1&b=2', 'own' => 'outcome:joined'];
        foreach ($urls as $id => $url) {
            $document['sections'][0]['blocks'][] = ['id' => "share{$id}", 'kind' => 'share', 'text' => 'Pass it on',
                'message' => 'Look & see, {{first_name|my friend}}:'] + ($url === null ? [] : ['url' => $url]);
        }
        $page->forceFill(['document' => $document])->save();
        app(Publishing::class)->publish($funnel, null);

        $xpath = $this->dom("/{$funnel->address}");
        $values = fn (string $path): array => array_map(fn (\DOMNode $n): string => (string) $n->nodeValue,
            iterator_to_array($xpath->query($path) ?: new \ArrayIterator));
        $entry = Hosts::site()."/{$funnel->address}?utm_source=shared";
        self::assertSame([$entry, Hosts::site()."/{$funnel->address}/{$thanks->address}?utm_source=shared",
            'https://else.example/?a=1&b=2', $entry], $values('//*[@data-address]/@data-address'));
        self::assertSame(['Look & see, my friend:'], array_unique($values('//*[@data-address]/@data-message')));
        $mails = $values('//*[@data-way="email"]/@href');
        foreach ([[0, $entry], [2, 'https://else.example/?a=1&b=2']] as [$i, $address]) {
            parse_str((string) parse_url($mails[$i], PHP_URL_QUERY), $mail);
            self::assertSame("Look & see, my friend:\n{$address}", $mail['body'] ?? null);
        }
        self::assertStringContainsString('/build/assets/share-', $this->html("/{$funnel->address}"));
        self::assertStringNotContainsString('/build/assets/share-', $this->html("/{$funnel->address}/{$thanks->address}"));
    }

    public function test_what_comes_in_brings_its_script_and_waits_for_nobody_without_it(): void
    {
        $funnel = $this->draft($this->owner);
        $page = $this->entry($funnel);
        $document = $page->document;
        $document['sections'][0]['entrance'] = 'slide';
        $document['sections'][0]['blocks'][0]['entrance'] = 'fade';
        $page->forceFill(['document' => $document])->save();
        app(Publishing::class)->publish($funnel, null);
        $html = $this->html("/{$funnel->address}");
        self::assertSame([1, 1], [substr_count($html, ' comes comes-slide"'), substr_count($html, ' comes comes-fade"')]);
        self::assertStringContainsString('/build/assets/entrance-', $html);
        self::assertStringNotContainsString('class="waits', $html);
    }

    public function test_an_outcome_leads_where_the_way_leads(): void
    {
        $funnel = app(NewFunnel::class)
            ->fromStarter($this->owner->business, Goal::Sell, 'Selling', 'First Season', null, \Tests\Core\Plan\Plans::price());
        Prices::fillIn($funnel);
        $upsell = Page::query()->where('funnel_id', $funnel->id)->where('definition->role', 'upsell')->firstOrFail();
        $upsell->ways()->where('outcome', 'declined')->update(['to_page' => null, 'to_url' => 'https://else.example/?a=1&b=2']);
        app(Publishing::class)->publish($funnel, null);

        $sales = $this->html("/{$funnel->address}");
        self::assertSame(2, substr_count($sales, "href=\"/{$funnel->address}/order\""),
            'the price card and the last call to action');
        // “No thanks” is an act of its own, and leads on from there.
        self::assertStringContainsString("href=\"/{$funnel->address}/one-more-thing?answer=no\"",
            $this->html("/{$funnel->address}/one-more-thing"));
    }

    public function test_own_merge_fields_and_address_parameters_are_filled_in_and_escaped(): void
    {
        $funnel = $this->with(
            [['kind' => 'text', 'html' => '{{programme}} with {{host}} of {{business}}, for {{city|your town}} and {{level|everyone}}. '
                .'{{secret|nothing}}']],
            funnelValues: ['fields' => ['programme' => 'First <Season>'], 'parameters' => ['city', 'level']],
        );
        $said = fn (string $query): string => (string) preg_replace('/^.*(First &lt;Season&gt;[^<]*).*$/s', '$1',
            $this->html("/{$funnel->address}{$query}"));

        self::assertSame('First &lt;Season&gt; with Imke Farrow of Ferncroft Cello Room, for your town and everyone. nothing', $said(''));
        self::assertSame('First &lt;Season&gt; with Imke Farrow of Ferncroft Cello Room, for Leeds and everyone. nothing',
            $said('?city=Leeds&secret=x'));
        self::assertStringContainsString('for &lt;script&gt;alert(1)&lt;/script&gt; and',
            $said('?city='.urlencode('<script>alert(1)</script>')));
        self::assertStringContainsString('for {{secret}} and', $said('?city='.urlencode('{{secret}}')));
        self::assertStringContainsString('for your town and everyone', $said('?city[]=x&level=%FF'));
        self::assertStringNotContainsString(str_repeat('x', 101), $said('?city='.str_repeat('x', 500)));
        self::assertStringContainsString('for &lt;!--slot:token--&gt; and', $said('?city='.urlencode('<!--slot:token-->')));
    }

    public function test_what_the_address_says_is_never_the_beginning_of_a_link(): void
    {
        $funnel = $this->with([
            ['kind' => 'button', 'text' => 'On', 'url' => 'https://shop.example/?town={{city}}'],
            ['kind' => 'text',
                'html' => '<p><a href="https://{{city}}/x">There</a> and <a href="https://shop.example/{{city}}">here</a></p>'],
        ]);
        $funnel->forceFill(['parameters' => ['city']])->save();
        app(Publishing::class)->publish($funnel->refresh(), null);
        $html = $this->html("/{$funnel->address}?city=".urlencode('javascript:alert(1)//"><b>'));

        $part = 'javascript%3Aalert%281%29%2F%2F%22%3E%3Cb%3E';
        self::assertStringContainsString("href=\"https://shop.example/?town={$part}\"", $html);
        self::assertStringContainsString("href=\"https://shop.example/{$part}\"", $html);
        self::assertDoesNotMatchRegularExpression('~href="(?:https://)?javascript~', $html);
    }

    public function test_an_owners_own_code_runs_on_their_page_alone(): void
    {
        $this->onTwoHosts();
        $funnel = $this->draft($this->owner);
        $entry = $this->entry($funnel);
        $code = '<script>window.mine = "{{first_name}} <!--slot:token-->"</script>';
        $entry->forceFill(['settings' => ['head' => $code, 'bodyEnd' => '<b data-mine></b>']])->save();
        app(Publishing::class)->publish($funnel, null);

        $answer = $this->get("/{$funnel->address}")->assertOk();
        $html = (string) $answer->getContent();
        self::assertStringContainsString($code, $html, 'as it was written, to the email');
        self::assertStringContainsString('<b data-mine></b>', $html);
        self::assertStringContainsString("'unsafe-inline'", (string) $answer->headers->get('content-security-policy'));
        $other = $this->get("/{$funnel->address}/thank-you");
        self::assertStringNotContainsString('window.mine', (string) $other->getContent());
        self::assertStringNotContainsString("script-src 'unsafe", (string) $other->headers->get('content-security-policy'));

        $this->actingAs($this->owner);
        foreach (["http://studio.test/studio/preview/pages/{$entry->id}",
            (string) $this->postJson("http://studio.test/studio/api/funnels/{$funnel->id}/preview-link")->json('url')] as $inside) {
            $this->get($inside)->assertOk()->assertDontSee('window.mine', false)->assertDontSee('data-mine', false);
        }
        self::assertStringNotContainsString('window.mine',
            (string) $this->postJson("http://studio.test/studio/api/pages/{$entry->id}/draw")->json('html'));
    }

    public function test_videos_are_embedded_from_the_owners_list_and_linked_from_elsewhere(): void
    {
        $this->owner->business->forceFill(['embed_hosts' => ['video.example']])->save();
        $funnel = $this->with([
            ['kind' => 'video', 'url' => 'https://video.example/embed/1?a=1&b=2', 'text' => 'The first one'],
            ['kind' => 'video', 'url' => 'https://else.example/2', 'text' => 'The second one'],
        ]);
        $answer = $this->get("/{$funnel->address}")->assertOk();
        $html = (string) $answer->getContent();

        self::assertStringContainsString('<iframe src="https://video.example/embed/1?a=1&amp;b=2" title="The first one" loading="lazy"',
            $html);
        self::assertStringContainsString('href="https://else.example/2"', $html);
        self::assertStringNotContainsString('<iframe src="https://else.example', $html);
        self::assertStringContainsString('frame-src https://video.example', (string) $answer->headers->get('content-security-policy'));
        self::assertStringNotContainsString('frame-src',
            (string) $this->get("/{$funnel->address}/thank-you")->headers->get('content-security-policy'));
    }

    public function test_a_video_is_sent_in_pieces_and_as_what_it_is(): void
    {
        $video = app(Uploads::class)->video($this->owner->business, $this->file('a.webm', self::webm()));
        $funnel = $this->with([['kind' => 'video', 'video' => $video->id, 'text' => 'A look inside']]);
        $source = $this->dom("/{$funnel->address}")->query('//video/source')->item(0);
        self::assertSame('video/webm', $source->getAttribute('type'));

        $this->get($source->getAttribute('src'))->assertOk()->assertHeader('content-type', 'video/webm')
            ->assertHeader('accept-ranges', 'bytes')->assertHeader('x-content-type-options', 'nosniff');
        $this->get($source->getAttribute('src'), ['Range' => 'bytes=0-3'])->assertStatus(206)->assertHeader('content-length', '4');
        $this->get("/media/{$video->id}/video.mp4")->assertNotFound();
        $this->get("/media/{$video->id}/480.webp")->assertNotFound();
    }

    public function test_a_picture_behind_a_section_gets_a_veil_where_words_need_one(): void
    {
        $light = $this->picture(0xFFFFFF);
        $funnel = $this->with([], ['background' => ['fill' => 'picture', 'picture' => $light->id, 'focusX' => 30, 'focusY' => 70]]);
        $page = $this->dom("/{$funnel->address}");
        $img = $page->query('//div[@class="behind"]/img')->item(0);
        self::assertSame('object-position:30% 70%', $img->getAttribute('style'));
        self::assertSame('', $img->getAttribute('alt'));
        self::assertStringContainsString('480w', $img->getAttribute('srcset'));
        self::assertSame(0, $page->query('//span[@class="veil"]')->length, 'dark words on white need none');

        $mixed = $this->picture(0x000000);
        $mixed->forceFill(['tones' => [0.0, 1.0]])->save();
        $funnel = $this->with([], ['background' => ['fill' => 'picture', 'picture' => $mixed->id]], ['address' => 'another-one']);
        self::assertSame(1, $this->dom('/another-one')->query('//span[@class="veil"][contains(@style,"opacity:")]')->length);
    }

    public function test_a_moving_background_has_a_still_for_phones_and_for_those_who_want_no_motion(): void
    {
        $still = $this->picture();
        $video = app(Uploads::class)->video($this->owner->business, $this->file('a.webm', self::webm()));
        $funnel = $this->with([], ['background' => ['fill' => 'video', 'picture' => $still->id, 'video' => $video->id]]);
        $source = $this->dom("/{$funnel->address}")->query('//div[@class="behind"]/video[@muted][@loop][@playsinline]/source')->item(0);

        self::assertSame('(min-width:52rem) and (prefers-reduced-motion:no-preference)', $source->getAttribute('media'));
        self::assertSame(1, $this->dom("/{$funnel->address}")->query('//div[@class="behind"]/img')->length);
    }

    public function test_pictures_have_their_real_measures_and_load_when_they_come_into_sight(): void
    {
        $picture = $this->picture();
        $funnel = $this->with([]);
        $page = $this->entry($funnel);
        $document = $page->document;
        $document['sections'][] = ['id' => 'more', 'kind' => 'pictures',
            'blocks' => [['id' => 'p', 'kind' => 'picture', 'picture' => $picture->id, 'alt' => 'A "cello"', 'text' => 'In the yard']]];
        $page->forceFill(['document' => $document])->save();
        app(Publishing::class)->publish($funnel, null);
        $dom = $this->dom("/{$funnel->address}");
        $img = $dom->query('//figure//img')->item(0);

        self::assertSame(['1200', '600', 'lazy', 'A "cello"'], array_map($img->getAttribute(...), ['width', 'height', 'loading', 'alt']));
        self::assertSame('In the yard', trim($dom->query('//figcaption')->item(0)->textContent));
        self::assertSame('image/webp', $dom->query('//figure//source')->item(0)->getAttribute('type'));
        $this->get($img->getAttribute('src'))->assertOk()->assertHeader('content-type', 'image/jpeg');
    }

    public function test_a_link_to_the_page_shows_its_picture_elsewhere(): void
    {
        $picture = $this->picture();
        $funnel = $this->draft($this->owner);
        $this->entry($funnel)->forceFill(['settings' => ['picture' => $picture->id, 'title' => 'A "title"']])->save();
        $funnel->forceFill(['icon' => $picture->id, 'logo' => $picture->id])->save();
        app(Publishing::class)->publish($funnel, null);
        $html = $this->html("/{$funnel->address}");

        self::assertStringContainsString('<meta property="og:image" content="'.url('/').'/media/'.$picture->id.'/', $html);
        self::assertStringContainsString('<meta property="og:title" content="A &quot;title&quot;">', $html);
        self::assertMatchesRegularExpression('~<link rel="icon" href="/media/'.$picture->id.'/\d+\.jpg">~', $html);
    }

    public function test_while_a_funnel_is_closed_everyone_comes_to_its_closed_page(): void
    {
        $funnel = app(NewFunnel::class)
            ->fromStarter($this->owner->business, Goal::Webinar, 'Webinar', 'First Melody', null, \Tests\Core\Plan\Plans::price());
        $video = app(Uploads::class)->video($this->owner->business, $this->file('a.webm', self::webm()));
        foreach (Page::query()->where('funnel_id', $funnel->id)->get() as $page) {
            $document = $page->document;
            foreach ($document['sections'] as &$section) {
                foreach ($section['blocks'] as &$block) {
                    $block = $block['kind'] === 'video' ? ['video' => $video->id] + $block : $block;
                }
            }
            $page->forceFill(['document' => $document])->save();
        }
        Prices::fillIn($funnel);
        app(Publishing::class)->publish($funnel, null);
        $this->get("/{$funnel->address}")->assertOk()->assertSee('Keep me a place');
        $form = $this->form($funnel);
        app(Publishing::class)->close($funnel);

        foreach (['', '/confirmation', '/room', '/nothing-like-it'] as $path) {
            $this->get("/{$funnel->address}{$path}")->assertOk()->assertSee('This is over for now')->assertDontSee('Keep me a place');
        }
        $this->post("/{$funnel->address}", ['email' => 'robin@example.com'] + $form)->assertStatus(410);
        self::assertSame(0, Submission::query()->count(), 'nobody joins while it is closed');
    }

    /** @return iterable<string, array{string, string, string|null, string|null}> a moment, a zone, its second, and the words for people */
    public static function moments(): iterable
    {
        yield 'winter in London' => ['2027-01-12T18:00', 'Europe/London', '2027-01-12T18:00:00+00:00',
            'Tuesday 12 January 2027 at 18:00, London time'];
        yield 'summer in London' => ['2027-07-12T18:00', 'Europe/London', '2027-07-12T17:00:00+00:00',
            'Monday 12 July 2027 at 18:00, London time'];
        yield 'the hour that is skipped' => ['2027-03-28T01:30', 'Europe/London', '2027-03-28T01:30:00+00:00',
            'Sunday 28 March 2027 at 02:30, London time'];
        yield 'the other side of the earth' => ['2027-01-12T18:00', 'Pacific/Auckland', '2027-01-12T05:00:00+00:00',
            'Tuesday 12 January 2027 at 18:00, Auckland time'];
        yield 'nothing' => ['', 'Europe/London', null, null];
    }

    #[DataProvider('moments')]
    public function test_a_countdown_names_its_moment(string $moment, string $zone, ?string $iso, ?string $words): void
    {
        $now = new DateTimeImmutable('2026-12-01');
        $run = Countdown::typed($moment, new DateTimeZone($zone), $now);

        self::assertSame($iso, $run?->endsAt->format(DATE_ATOM));
        self::assertSame($words, $run === null ? null : TimeWords::moment($run->endsAt, new DateTimeZone($zone), 'en', $now));
    }

    public function test_a_countdown_is_drawn_with_the_moment_for_those_without_script(): void
    {
        $this->travelTo('2027-03-10 12:00:00');
        $funnel = $this->with([['kind' => 'countdown', 'text' => 'Open until', 'until' => '2027-03-12T18:00']]);
        $dom = $this->dom("/{$funnel->address}");
        $timer = $dom->query('//*[@role="timer"]')->item(0);

        self::assertSame((string) (strtotime('2027-03-12T18:00:00+01:00') * 1000), $timer->getAttribute('data-until'), 'Berlin time');
        self::assertSame('2027-03-12T17:00:00Z', $dom->query('//*[@role="timer"]//time')->item(0)->getAttribute('datetime'));
        self::assertStringContainsString('Open until Friday 12 March at 18:00, Berlin time', $timer->textContent);
        self::assertSame(['2days', '05hours', '00minutes', '00seconds'],
            array_map(fn ($u): string => $u->textContent, iterator_to_array($dom->query('//*[@role="timer"]//*[@data-unit]'))));
    }

    public function test_a_countdown_that_is_over_says_so_and_is_read_as_that(): void
    {
        $this->travelTo('2027-03-12 17:00:00');
        $funnel = $this->with([['kind' => 'countdown', 'text' => 'Open until', 'until' => '2027-03-12T18:00',
            'over' => 'The doors are shut.']]);
        $timer = $this->dom("/{$funnel->address}")->query('//*[@role="timer"]')->item(0);

        self::assertStringContainsString('is-over', $timer->getAttribute('class'));
        self::assertStringContainsString('The doors are shut.', $timer->textContent);
    }

    public function test_a_section_in_a_look_of_its_own_brings_its_paper_and_its_fonts_along(): void
    {
        $funnel = $this->with([], ['look' => 'placard']);
        $dom = $this->dom("/{$funnel->address}");
        $style = $dom->query('//section')->item(0)->getAttribute('style');

        self::assertStringContainsString('background:#ffe45c', $style);
        self::assertStringContainsString('--paper:#ffe45c', $style);
        self::assertStringContainsString("--heading:'Archivo'", $style);
        $html = $this->html("/{$funnel->address}");
        self::assertStringContainsString('archivo-latin-800-normal.woff2', $html);
        self::assertStringContainsString('dm-serif-display-latin-400-normal.woff2', $html);
    }

    public function test_the_same_form_twice_on_a_page_has_fields_of_its_own(): void
    {
        $funnel = $this->draft($this->owner);
        $page = $this->entry($funnel);
        $document = $page->document;
        $n = 0;
        $document['sections'][] = Designs::get('form-card')->section(function () use (&$n): string {
            return 'again'.$n++;
        }, ['form' => (string) Form::query()->where('funnel_id', $funnel->id)->value('id')])->toArray();
        $page->forceFill(['document' => $document])->save();
        app(Publishing::class)->publish($funnel, null);
        $dom = $this->dom("/{$funnel->address}");
        $ids = array_map(fn ($e): string => $e->getAttribute('id'), iterator_to_array($dom->query('//form//input[@id]')));

        self::assertSame(2, $dom->query('//form')->length);
        self::assertSame($ids, array_values(array_unique($ids)));
        foreach ($ids as $id) {
            self::assertSame(1, $dom->query("//label[@for='{$id}']")->length);
        }
    }

    public function test_every_starter_is_published_whole_once_its_owner_has_filled_it_in(): void
    {
        $video = app(Uploads::class)->video($this->owner->business, $this->file('a.webm', self::webm()));
        // Deadlines are in nobody's way who owns the page.
        $this->withCookie('lantern_owner', '1');
        foreach (array_filter(Goal::cases(), fn (Goal $g): bool => $g !== Goal::Own) as $goal) {
            $funnel = app(NewFunnel::class)->fromStarter($this->owner->business, $goal, "A {$goal->value}", "Title of {$goal->value}",
                $goal->hasLeadMagnet() ? $this->upload($this->owner) : null, \Tests\Core\Plan\Plans::price());
            foreach (Page::query()->where('funnel_id', $funnel->id)->get() as $page) {
                $document = $page->document;
                foreach ($document['sections'] as &$section) {
                    foreach ($section['blocks'] as &$block) {
                        $block = $block['kind'] === 'video' ? ['video' => $video->id] + $block : $block;
                    }
                }
                $page->forceFill(['document' => $document])->save();
            }
            Prices::fillIn($funnel);
            app(Publishing::class)->publish($funnel, null);
            foreach (Page::query()->where('funnel_id', $funnel->id)->get() as $page) {
                $html = $this->html("/{$funnel->address}".($page->address === '' ? '' : "/{$page->address}"));
                self::assertSame(1, substr_count($html, '<h1'), "{$goal->value}, {$page->name}");
                self::assertStringNotContainsString('slot:', $html);
                self::assertStringNotContainsString('{{', $html);
                self::assertStringNotContainsString('href=""', $html);
                self::assertDoesNotMatchRegularExpression('/<a class="button[^"]*" >/', $html,
                    "no button leads nowhere: {$goal->value}, {$page->name}");
                self::assertDoesNotMatchRegularExpression('~(?:src|href|url\()=?["\']?(?:https?:)?//(?!localhost)~', $html,
                    'and nothing is asked of another host');
            }
        }
    }
}
