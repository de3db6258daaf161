<?php

declare(strict_types=1);

namespace Bench;

use App\Drafts\NewFunnel;
use App\Files\Uploads;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Person;
use App\Models\User;
use App\Records\DeadlineOwner;
use App\Records\Runs;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\Fact;
use Lantern\Core\Deadlines\FactType;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Plan\Goal;
use Symfony\Component\Process\Process;
use Tests\Browser\Chrome;

/** The application on an empty database of its own, served on a free port, with a funnel from each starter. */
final class Scratch
{
    public readonly string $site;

    private readonly string $folder;

    private readonly Process $server;

    public function __construct()
    {
        $root = dirname(__DIR__);
        require_once $root.'/vendor/autoload.php';
        $port = Chrome::freePort();
        $this->site = "http://localhost:{$port}";
        $this->folder = sys_get_temp_dir().'/lantern-bench-'.bin2hex(random_bytes(4));
        mkdir($this->folder.'/uploads', recursive: true);
        touch($this->folder.'/db.sqlite');
        $env = ['APP_ENV' => 'local', 'APP_KEY' => 'base64:MDEyMzQ1Njc4OTAxMjM0NTY3ODkwMTIzNDU2Nzg5MDE=', 'APP_URL' => $this->site,
            'SITE_URL' => $this->site, 'STUDIO_URL' => $this->site,
            'DB_DATABASE' => $this->folder.'/db.sqlite',
            'UPLOADS_PATH' => $this->folder.'/uploads', 'CACHE_STORE' => 'file', 'CACHE_PATH' => $this->folder.'/cache',
            'SESSION_DRIVER' => 'database', 'QUEUE_CONNECTION' => 'database',
            'MAIL_MAILER' => 'outbox', 'LANTERN_DEMO' => 'false'];
        foreach ($env as $name => $value) {
            putenv("{$name}={$value}");
            $_ENV[$name] = $_SERVER[$name] = $value;
        }
        $app = require $root.'/bootstrap/app.php';
        $app->make(Kernel::class)->bootstrap();
        Artisan::call('migrate', ['--force' => true]);
        $this->server = new Process(['sh', '-c', 'exec "$@" > "$0" 2>&1', $this->folder.'/server.log', 'setsid', PHP_BINARY, '-d',
            'opcache.enable_cli=1', '-d', 'memory_limit=512M', '-S', "localhost:{$port}", '-t', 'public', 'bin/router.php'],
            $root, $env + ['PHP_CLI_SERVER_WORKERS' => '4'], timeout: null);
        $this->server->start();
        Chrome::waitForPort($port, $this->server);
        register_shutdown_function(function (): void {
            posix_kill(-(int) $this->server->getPid(), SIGTERM);
            $this->server->stop(3);
            (new Process(['rm', '-rf', $this->folder]))->run();
        });
    }

    public function owner(): User
    {
        $business = Business::query()
            ->create(['name' => 'Ferncroft Cello Room', 'sender_name' => 'Imke Farrow', 'sender_address' => 'imke@ferncroft.example',
                'postal_address' => '3 Ferncroft Yard, Exampleton', 'timezone' => 'Europe/London', 'currency' => 'EUR']);

        return User::query()->create(['business_id' => $business->id, 'name' => 'Imke Farrow', 'email' => 'imke@ferncroft.example',
            'password' => 'twelve minutes a day']);
    }

    /** @return string the cookie of somebody's browser, for whom every deadline of the drafts runs for some days */
    public function reader(User $owner): string
    {
        $person = Person::query()->create(['business_id' => $owner->business_id, 'email' => 'robin@pupils.example',
            'email_key' => 'robin@pupils.example', 'joined_at' => now()]);
        foreach (DraftPart::query()->where('kind', Deadline::kind())->get() as $part) {
            Runs::add(['id' => $part->id, 'name' => $part->name, 'funnel' => $part->funnel_id, 'business' => (int) $owner->business_id],
                DeadlineOwner::person($person->id), new Fact(FactType::Started, now()->toImmutable(), now()->addDays(3)->toImmutable(),
                    'Clicked.'));
        }

        return SiteCookie::Reader->value.'='.rawurlencode((string) SiteCookies::give(SiteCookie::Reader, $person->id)->getValue());
    }

    /** @return array<string, Funnel> a funnel from each starter, with pictures where pictures go */
    public function starters(User $owner): array
    {
        $media = fn (string $name): UploadedFile => new UploadedFile(dirname(__DIR__)."/database/demo/media/{$name}", $name, null, null,
            true);
        $uploads = app(Uploads::class);
        $room = $uploads->picture($owner->business, $media('music-room.png'));
        $video = $uploads->video($owner->business, $media('first-melody.webm'));
        $titles = ['give-away' => 'The Twelve-Minute Practice Plan', 'long-opt-in' => 'The Twelve-Minute Practice Plan',
            'waiting-list' => 'First Season', 'video-series' => 'Your First Melody in Three Videos',
            'webinar' => 'From Open Strings to Your First Melody', 'sell' => 'First Season',
            'launch' => 'First Season, together', 'form' => 'Ask about a cello lesson'];
        $funnels = [];
        // The empty one has nothing to measure.
        foreach (array_filter(Goal::cases(), fn (Goal $g): bool => $g !== Goal::Own) as $goal) {
            $funnel = app(NewFunnel::class)
                ->fromStarter($owner->business, $goal, $titles[$goal->value].' ('.$goal->value.')', $titles[$goal->value],
                    $goal->hasLeadMagnet() ? $uploads->file($owner->business, $media('practice-plan.pdf')) : null,
                    Money::of(29_000, Currency::of('EUR')));
            foreach (DraftPart::there($funnel->id, Offer::kind())->get() as $offer) {
                $price = $offer->definition['price'];
                $offer->change(['price' => ['amount' => $price['amount'] ?: 6_000] + $price])->save();
            }
            foreach (DraftPart::there($funnel->id, 'page')->get() as $page) {
                $document = $page->definition['document'];
                array_walk_recursive($document, fn (mixed & $v) => $v = is_string($v) ? str_replace('[the price]', '60 €', $v) : $v);
                foreach ($document['sections'] as &$section) {
                    foreach ($section['blocks'] as &$block) {
                        $block = $block['kind'] === 'picture' ? ['picture' => $room->id, 'alt' => 'A cello in a music room'] + $block
                            : $block;
                        $block = $block['kind'] === 'video' ? ['picture' => $room->id, 'video' => $video->id] + $block : $block;
                    }
                }
                $page->change(['document' => $document])->save();
            }
            $funnels[$goal->value] = $funnel->refresh();
        }

        return $funnels;
    }
}
