<?php

declare(strict_types=1);

namespace App\Export;

use App\Drafts\DraftPlan;
use App\Drafts\Kinds\DraftKinds;
use App\Drafts\NewFunnel;
use App\Drafts\SetAside;
use App\Models\Business;
use App\Models\EmailPart;
use App\Models\Funnel;
use App\Models\Upload;
use App\Support\Ids;
use Illuminate\Http\File;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use JsonException;
use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\PlanCopy;
use Lantern\Core\Plan\WebAddress;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use RuntimeException;
use Throwable;
use ZipArchive;

/**
 * A whole funnel as one file: a zip with `funnel.json` (see docs/formats/funnel.schema.json) and its media. What comes
 * in is trusted in nothing: names, sizes and kinds are checked, words are sanitised, and either all of it becomes a
 * new draft or none of it.
 */
final readonly class FunnelArchive
{
    public function __construct(private DraftKinds $kinds)
    {
    }

    public const KIND = 'upbeat-lantern-funnel';

    public const VERSION = 1;

    public const MOST_BYTES = 2200 * 1024 * 1024;

    private const MOST_ENTRIES = 600;

    private const MOST_JSON = 5 * 1024 * 1024;

    /** How many times larger than itself packed text may honestly become. */
    private const MOST_RATIO = 200;

    /** @return string the path of the zip, in the temporary folder */
    public function write(Funnel $funnel): string
    {
        $plan = self::withEmailParts(DraftPlan::read($funnel), $funnel->business_id);
        $ids = $plan->uploads();
        $uploads = Upload::query()->where('business_id', $funnel->business_id)->whereIn('id', $ids)->orderBy('id')->get();
        $path = (string) tempnam(sys_get_temp_dir(), 'lantern-funnel');
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException('The archive could not be made.');
        }
        $listed = [];
        foreach ($uploads as $upload) {
            $files = [];
            foreach (self::files($upload) as $name => $stored) {
                if (! Storage::disk('uploads')->exists($stored)) {
                    throw new RuntimeException("The file of upload {$upload->id} is gone.");
                }
                $zip->addFile(Storage::disk('uploads')->path($stored), "media/{$upload->id}/{$name}");
                $zip->setCompressionName("media/{$upload->id}/{$name}", ZipArchive::CM_STORE);
                $files[] = $name;
            }
            $listed[] = ['id' => $upload->id, 'kind' => $upload->kind, 'name' => $upload->name, 'mime' => $upload->mime,
                'width' => $upload->width,
                'height' => $upload->height, 'widths' => $upload->widths, 'tones' => $upload->tones, 'fallback' => $upload->fallback,
                'files' => $files];
        }
        // Who sends is a matter of the business that takes the funnel over, not of the funnel.
        $array = ['sender' => ['business' => '', 'name' => '', 'address' => '', 'postalAddress' => '',
            'timeZone' => $plan->sender->timeZone]] + $plan->toArray();
        $zip->addFromString('funnel.json',
            json_encode(['kind' => self::KIND, 'version' => self::VERSION, 'plan' => $array, 'uploads' => $listed],
                JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES));
        $zip->close();

        return $path;
    }

    /**
     * Makes a new draft of an archive.
     *
     * @throws Invalid with the reason when it is no archive of ours, or not one to be trusted
     */
    public function read(string $path, Business $business): Funnel
    {
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw Invalid::at('archive', 'This is no zip file, or a damaged one.');
        }
        try {
            $this->checkEntries($zip);
            $shape = Shape::of($this->json($zip));
            if ($shape->text('kind', 60, '') !== self::KIND) {
                throw Invalid::at('archive', 'This zip holds no funnel.');
            }
            if ($shape->integer('version', 1, 1_000_000, 1) > self::VERSION) {
                throw Invalid::at('archive', 'This funnel was written by a newer version of the application.');
            }
            $plan = Plan::fromArray($shape->group('plan')->all());

            return $this->take($zip, $plan, $shape->groups('uploads', 300), $business);
        } finally {
            $zip->close();
        }
    }

    private function checkEntries(ZipArchive $zip): void
    {
        if ($zip->numFiles > self::MOST_ENTRIES) {
            throw Invalid::at('archive', 'This archive holds too many files.');
        }
        $total = 0;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $stat = $zip->statIndex($i);
            $name = $stat === false ? '' : (string) $stat['name'];
            if ($stat === false
                || preg_match('~^(funnel\.json|media/|media/[0-9a-z]{26}/([a-z0-9]{1,12}(\.[a-z0-9]{1,5})?)?)$~D', $name) !== 1) {
                throw Invalid::at('archive',
                    'There is a file in it that does not belong into a funnel: “'.mb_strimwidth(mb_scrub($name), 0, 60, '…').'”.');
            }
            $total += $stat['size'];
            if ($total > self::MOST_BYTES || ($stat['size'] > 1_000_000 && $stat['size'] > self::MOST_RATIO * max(1, $stat['comp_size']))) {
                throw Invalid::at('archive', 'Unpacked, this archive would be far larger than a funnel can be.');
            }
        }
    }

    /** @return array<array-key, mixed> */
    private function json(ZipArchive $zip): array
    {
        $text = $this->content($zip, 'funnel.json', self::MOST_JSON);
        try {
            $data = json_decode($text, true, 40, JSON_THROW_ON_ERROR);
        } catch (JsonException) {
            throw Invalid::at('archive', 'The funnel in it cannot be read.');
        }

        return is_array($data) ? $data : throw Invalid::at('archive', 'The funnel in it cannot be read.');
    }

    /** What an entry holds; it is never believed how much that is. */
    private function content(ZipArchive $zip, string $name, int $most): string
    {
        $stream = $zip->getStream($name);
        $content = $stream === false ? false : stream_get_contents($stream, $most + 1);
        if ($content === false || $stream === false) {
            throw Invalid::at('archive', "“{$name}” is missing in it.");
        }
        fclose($stream);
        if (strlen($content) > $most) {
            throw Invalid::at('archive', "“{$name}” in it is larger than it may be.");
        }

        return $content;
    }

    /** @param  list<Shape>  $uploads */
    private function take(ZipArchive $zip, Plan $plan, array $uploads, Business $business): Funnel
    {
        $stored = [];
        try {
            return DB::transaction(function () use ($zip, $plan, $uploads, $business, &$stored): Funnel {
                $ids = [];
                foreach ($uploads as $shape) {
                    [$old, $upload] = $this->upload($zip, $shape, $business, $stored);
                    $ids[$old] = $upload->id;
                }
                $known = array_keys($ids);
                $missing = array_diff($plan->uploads(), $known);
                if ($missing !== []) {
                    throw Invalid::at('archive', 'A picture or file that the funnel uses is missing in it.');
                }
                $name = Funnel::query()->where('business_id', $business->id)->where('name', $plan->name)->exists()
                    ? mb_substr($plan->name, 0, 110).' (imported)' : $plan->name;
                $copy = PlanCopy::of($plan, $name, WebAddress::suggest($plan->address, NewFunnel::taken(...)), Ids::next(...), $ids);

                [$draft, $aside] = SetAside::of($this->cleaned($copy, $business), $business);
                $funnel = DraftPlan::store($draft, $business);
                $funnel->forceFill(['set_aside' => $aside])->save();

                return $funnel;
            });
        } catch (Throwable $e) {
            // Nothing stays behind of an archive that was refused half way.
            Storage::disk('uploads')->delete($stored);
            throw $e;
        }
    }

    /**
     * @param  list<string>  $stored  what was put into the uploads disk so far
     * @return array{string, Upload} the id it has in the archive, and the upload it became
     */
    private function upload(ZipArchive $zip, Shape $shape, Business $business, array &$stored): array
    {
        $old = $shape->text('id', 26);
        $kind = $shape->text('kind', 10);
        $id = Ids::next();
        $media = new ArchiveMedia($kind, $shape);
        $bytes = 0;
        $hash = '';
        foreach ($media->files($id) as $name => $path) {
            $stored[] = $path;
            [$size, $hash] = $this->takeFile($zip, "media/{$old}/{$name}", $path,
                (int) config($kind === 'video' ? 'lantern.uploads.video_bytes' : 'lantern.uploads.file_bytes'),
                fn (string $file) => $media->check($name, $file));
            $bytes += $size;
        }

        return [$old, Upload::query()
            ->create(['id' => $id, 'business_id' => $business->id, 'bytes' => $bytes, 'sha256' => $hash] + $media->columns($id))];
    }

    /**
     * Copies an entry into the uploads disk piece by piece, since a video may be larger than the memory there is.
     *
     * @param  callable(string): void  $check  is given the path of the unpacked file
     * @return array{int, string} bytes and hash
     */
    private function takeFile(ZipArchive $zip, string $entry, string $path, int $most, callable $check): array
    {
        $temporary = (string) tempnam(sys_get_temp_dir(), 'lantern-entry');
        try {
            $from = $zip->getStream($entry);
            $to = fopen($temporary, 'wb');
            if ($from === false || $to === false) {
                throw Invalid::at('archive', "“{$entry}” is missing in it.");
            }
            $bytes = (int) stream_copy_to_stream($from, $to, $most + 1);
            fclose($from);
            fclose($to);
            if ($bytes > $most) {
                throw Invalid::at('archive', "“{$entry}” in it is larger than it may be.");
            }
            $check($temporary);
            Storage::disk('uploads')->putFileAs(dirname($path), new File($temporary), basename($path));

            return [$bytes, (string) hash_file('sha256', $temporary)];
        } finally {
            @unlink($temporary);
        }
    }

    /** Parts that are kept once and used in many emails belong to a business; in an archive they stand in the emails. */
    private static function withEmailParts(Plan $plan, int $business): Plan
    {
        $bodies = EmailPart::query()->where('business_id', $business)->pluck('body', 'id')->all();

        return $plan->with(parts: array_map(fn (Part $p): Part => $p instanceof EmailPlan
            ? $p->withBody(EmailBody::withParts($p->body, $bodies)) : $p, $plan->parts));
    }

    private function cleaned(Plan $plan, Business $business): Plan
    {
        return $plan->with(parts: array_map(fn (Part $p): Part => $this->kinds->cleaned($p, $business), $plan->parts),
            sender: $business->sender());
    }

    /** @return array<string, string> paths in the uploads disk by the name in the archive */
    private static function files(Upload $upload): array
    {
        if ($upload->kind !== 'picture') {
            return ['content' => $upload->path];
        }
        $files = [];
        foreach (array_keys($upload->forms()) as $path) {
            $files[basename($path)] = $path;
        }

        return $files;
    }
}
