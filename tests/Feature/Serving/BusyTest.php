<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use App\Mail\Owner\DiskWatch;
use App\Models\Funnel;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use PDOException;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** While nothing can be stored everybody is told so, what they typed is kept, and it goes in once as soon as it can. */
final class BusyTest extends TestCase
{
    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->funnel = $this->live();
    }

    /** @return iterable<string, array{string}> what SQLite and the system say */
    public static function troubles(): iterable
    {
        yield 'somebody else writes' => ['SQLSTATE[HY000]: General error: 5 database is locked'];
        yield 'no room' => ['SQLSTATE[HY000]: General error: 13 database or disk is full'];
        yield 'no room for its journal' => ['SQLSTATE[HY000]: General error: 10 disk I/O error'];
        yield 'no room for a file' => ['file_put_contents(): Write of 120 bytes failed with errno=28 No space left on device'];
    }

    /** From the next write on. */
    private function nothingCanBeStored(string $why): void
    {
        DB::connection()->beforeExecuting(function (string $sql) use ($why): void {
            if (preg_match('/^\s*(insert|update|delete)/i', $sql) === 1) {
                throw new PDOException($why);
            }
        });
    }

    #[DataProvider('troubles')]
    public function test_a_visitor_is_told_in_the_look_of_the_funnel_and_what_they_typed_is_sent_again_once(string $why): void
    {
        $this->funnel->forceFill(['look' => 'salon'])->save();
        $typed = ['email' => 'robin@example.com', 'first_name' => 'Robin "the" <b>', 'f' => ['x' => ['1',
            '2']]] + $this->form($this->funnel);
        $this->nothingCanBeStored($why);
        $answer = $this->post('/'.$this->funnel->address, $typed)->assertStatus(503)->assertHeader('Retry-After', '10')
            ->assertSee('It is all still here')->assertSee('value="robin@example.com"', false)
            ->assertSee('value="Robin &quot;the&quot; &lt;b&gt;"', false)->assertSee('name="f[x][1]"', false)
            ->assertSee('name="token" value="'.e($typed['token']).'"', false)->assertSee('/build/assets/busy-', false);
        self::assertStringContainsString('no-store', (string) $answer->headers->get('Cache-Control'));
        self::assertStringContainsString((string) $this->funnel->liveVersion?->plan()->look()->paper->hex(),
            (string) $answer->getContent());
        // Sent again by itself it is not sent by itself once more: the button stays.
        $this->post('/'.$this->funnel->address, $typed + ['sent_again' => '1'])->assertStatus(503)->assertDontSee('/build/assets/busy-',
            false)
            ->assertSee('Send it again');
    }

    public function test_what_is_sent_again_goes_in_once_also_if_the_first_had_gone_in_after_all(): void
    {
        $typed = ['email' => 'robin@example.com'] + $this->form($this->funnel);
        foreach (['', '1', '1'] as $again) {
            $this->post('/'.$this->funnel->address, $typed + ($again === '' ? [] : ['sent_again' => $again]))->assertRedirect();
        }
        self::assertSame([1, 1], [DB::table('submissions')->count(), DB::table('people')->count()]);
    }

    public function test_the_studio_says_it_in_words_and_keeps_what_is_unsaved(): void
    {
        $page = $this->entry($this->funnel);
        $this->actingAs(User::query()->firstOrFail());
        $this->nothingCanBeStored('database is locked');
        $this->putJson("/studio/api/parts/{$page->id}", ['changes' => ['name' => 'Another'],
            'revision' => $page->revision])->assertStatus(503)
            ->assertHeader('Retry-After', '10')->assertJsonPath('message', fn (string $m): bool => str_contains($m, 'kept here'));
    }

    public function test_other_trouble_is_not_called_busy(): void
    {
        DB::connection()->beforeExecuting(fn (string $sql) => preg_match('/^insert/i', $sql) === 1
            ? throw new PDOException('UNIQUE constraint failed') : null);
        $this->post('/'.$this->funnel->address, ['email' => 'robin@example.com'] + $this->form($this->funnel))->assertStatus(500);
    }

    public function test_the_owner_is_told_once_a_day_when_the_disk_is_nearly_full(): void
    {
        config(['lantern.disk_least_mb' => 0]);
        self::assertNull(app(DiskWatch::class)->tick());
        config(['lantern.disk_least_mb' => PHP_INT_MAX]);
        self::assertIsInt(app(DiskWatch::class)->tick());
        $this->artisan('lantern:tidy')->assertSuccessful()->expectsOutputToContain('MB are left on the disk');
        $this->runQueue();
        $told = $this->message('imke@ferncroft.example');
        self::assertStringContainsString('nearly full', $told->subject);
        self::assertMatchesRegularExpression('/[\d,]+ MB are left/', (string) $told->text);
    }
}
