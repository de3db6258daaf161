<?php

declare(strict_types=1);

namespace Tests\Feature\Guides;

use App\Drafts\NewFunnel;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\User;
use App\Publishing\Publishing;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Page\Document;
use Lantern\Core\Plan\Goal;
use Symfony\Component\HttpFoundation\Cookie;
use Tests\TestCase;

/** A funnel that gives a guide, and somebody who reads it. */
abstract class GuideTestCase extends TestCase
{
    protected User $imke;

    protected Funnel $funnel;

    protected DraftPart $guide;

    protected function setUp(): void
    {
        parent::setUp();
        $this->imke = $this->owner();
        $this->funnel = app(NewFunnel::class)->fromStarter($this->imke->business, Goal::GiveAway, 'Practice plan',
            'The Twelve-Minute Practice Plan', null, withGuide: true)->refresh();
        $this->guide = DraftPart::there($this->funnel->id, Guide::kind())->sole();
        foreach ($this->pages() as $i => $page) {
            $page->change(['document' => self::document($i)])->save();
        }
        $this->publish();
    }

    /** @return array<string, mixed> a page of forty words, which takes eleven seconds to read: three of them are enough */
    private static function document(int $i): array
    {
        $blocks = [['id' => "h{$i}", 'kind' => 'heading', 'text' => "Part {$i}"],
            ['id' => "t{$i}", 'kind' => 'text', 'html' => '<p>'.str_repeat('play ', 38).'</p>'],
            ...match ($i) {
                1 => [['id' => 'why', 'kind' => 'reflection', 'text' => 'Why the cello?']],
                4 => [['id' => 'list', 'kind' => 'checklist', 'items' => [['title' => 'Tune'], ['title' => 'Sit']]]],
                default => [],
            }];

        return ['format' => Document::FORMAT, 'sections' => [['id' => "s{$i}", 'kind' => 'words', 'blocks' => $blocks]]];
    }

    /** @return list<DraftPart> */
    protected function pages(): array
    {
        return array_values(DraftPart::there($this->funnel->id, GuidePage::kind())->get()->all());
    }

    protected function publish(): void
    {
        app(Publishing::class)->publish($this->funnel->refresh(), null);
        $this->funnel->refresh();
    }

    protected function path(): string
    {
        return "/{$this->funnel->address}/read";
    }

    /** Fills in the form in this browser. */
    protected function joins(string $email): void
    {
        $this->keepCookies($this->join($this->funnel, ['email' => $email]));
    }

    /** Follows the link in the welcome email, in another browser. */
    protected function followsEmail(string $email): void
    {
        $this->runQueue();
        $this->forgetsAll();
        $message = Message::query()->where('to_address', $email)->whereNotNull('email_id')->latest('id')->firstOrFail();
        self::assertSame(1, preg_match('~href="http://[^/"]+(/l/[^"]+)"~', (string) $message->html, $m), (string) $message->html);
        $this->keepCookies($this->get($m[1])->assertRedirect());
    }

    protected function forgetsAll(): void
    {
        $this->defaultCookies = $this->unencryptedCookies = [];
    }

    protected function keepCookies(TestResponse $response): TestResponse
    {
        foreach ($response->headers->getCookies() as $cookie) {
            /** @var Cookie $cookie */
            $this->withUnencryptedCookie($cookie->getName(), (string) $cookie->getValue());
        }

        return $response;
    }

    protected function opens(): TestResponse
    {
        return $this->get($this->path())->assertOk();
    }

    /** @return array{string, string} what its script reports by */
    protected static function sealed(TestResponse $page): array
    {
        self::assertSame(1, preg_match('/data-reading="(\w+)" data-seal="(\w+)"/', (string) $page->getContent(), $m));

        return [$m[1], $m[2]];
    }

    /**
     * @param  array{string, string}  $by
     * @param  list<array{int, int, int, int}>  $seen  which page, from and until a second, how far down
     * @param  list<array{string, int, string|bool}>  $answers
     */
    protected function tells(array $by, array $seen = [], string $sitting = '0000000000000001', int $open = 0,
        array $answers = []): TestResponse
    {
        $pages = $this->pages();

        return $this->post('/m/read', ['reading' => $by[0], 'seal' => $by[1],
            'report' => json_encode(['sitting' => $sitting, 'open' => $open,
                'seen' => array_map(fn (array $s): array => [$pages[$s[0]]->id, $s[1], $s[2], $s[3]], $seen)]),
            'answers' => json_encode($answers)]);
    }

    /** Reads these pages, each for twelve seconds and to the end. */
    protected function reads(int ...$pages): void
    {
        static $n = 0;
        $by = self::sealed($this->opens());
        $sitting = sprintf('%016x', ++$n);
        $this->tells($by, sitting: $sitting)->assertNoContent();
        $this->travel(12 * count($pages))->seconds();
        $this->tells($by, array_map(fn (int $page, int $i): array => [$page, 12 * $i, 12 * $i + 12, 100], array_values($pages),
            array_keys(array_values($pages))), $sitting, 12 * count($pages))->assertNoContent();
    }
}
