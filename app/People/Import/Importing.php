<?php

declare(strict_types=1);

namespace App\People\Import;

use App\Models\Business;
use App\Models\Import;
use App\Models\ImportState;
use App\Models\Person;
use App\People\Consent\Suppressions;
use App\People\Fields\OwnFields;
use App\People\Tags\Tagging;
use App\Support\Ids;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Lantern\Core\People\CsvReader;
use Lantern\Core\People\FieldKind;
use Lantern\Core\People\ImportedPerson;
use Lantern\Core\People\ImportPlan;
use Lantern\Core\People\ListLine;
use Lantern\Core\People\Subscription;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * Brings a file of people in, some hundred lines in one transaction with the place it has come to, so that a worker
 * that dies loses nothing and doubles nothing. What it changes of people who were there is kept, to be put back.
 */
final class Importing
{
    public const PIECE = 500;

    /** @var array<string, int> ids of tags by name */
    private array $tags = [];

    public function start(Import $import, ImportPlan $plan): void
    {
        $settings = $plan->toArray();
        $import->forceFill(['settings' => $settings, 'state' => ImportState::Running])->save();
        foreach ($plan->columns as $i => $to) {
            if ($to !== '' && ! in_array($to, ['email', 'first_name', 'last_name', 'full_name', 'phone', 'tags', 'joined'], true)) {
                DB::table('own_fields')->insertOrIgnore(['business_id' => $import->business_id, 'name' => $to,
                    'label' => mb_substr((string) ($import->reading['headings'][$i] ?? $to), 0, 120), 'kind' => FieldKind::ShortText->value,
                    'options' => '[]',
                    'created_at' => Instant::sql(CarbonImmutable::now()), 'updated_at' => Instant::sql(CarbonImmutable::now())]);
            }
        }
        ImportPeople::dispatch($import->id);
    }

    /** @return bool is there more to do? */
    public function piece(string $id): bool
    {
        return DB::transaction(function () use ($id): bool {
            $import = Import::query()->where('id', $id)->where('state', ImportState::Running)->first();
            if ($import === null) {
                return false;
            }
            $plan = ImportPlan::fromShape(Shape::of($import->settings));
            $file = Storage::disk('uploads')->readStream($import->path) ?? throw Invalid::at('file', 'The file of this import is gone.');
            fseek($file, $import->at_byte);
            $reader = new CsvReader(fn (): ?ListLine => ImportFile::line($file), (string) $import->reading['delimiter']);
            $own = array_map(FieldKind::from(...), array_column(OwnFields::of($import->business_id), 'kind', 'name'));
            $people = [];
            $told = [];
            $refused = 0;
            $read = 0;
            $ended = false;
            while ($read < self::PIECE && ! ($ended = ($record = $reader->record()) === null)) {
                $read++;
                $line = $import->at_line + $record['line'];
                if ($line === 1 && $plan->header) {
                    continue;
                }
                try {
                    if (! $record['isWhole'] || strlen($record['raw']) >= ImportFile::LONGEST_LINE - 10) {
                        throw Invalid::at('row', 'This line is longer than a line about somebody can be.');
                    }
                    if ($record['fields'] === null) {
                        throw Invalid::at('row', 'A quote in this line is never closed.');
                    }
                    $people[] = $person = $plan->row($record['fields'], $own);
                    $why = $person->note;
                } catch (Invalid $e) {
                    $why = $e->getMessage();
                    $refused++;
                }
                if ($why !== '') {
                    $told[] = ['import_id' => $id, 'line' => $line, 'why' => mb_substr($why, 0, 300),
                        'raw' => mb_strcut($record['raw'], 0, 2000)];
                }
            }
            // The byte at which the next record begins, and over how many lines the reader went.
            $import->forceFill(['at_byte' => $reader->at() ?? (int) ftell($file), 'at_line' => $import->at_line + $reader->lines()]);
            [$added, $updated, $same] = $this->store($import, $plan, $people);
            foreach (array_chunk($told, 200) as $some) {
                DB::table('import_refusals')->insert($some);
            }
            $import->forceFill(['added' => $import->added + $added, 'updated' => $import->updated + $updated,
                'same' => $import->same + $same,
                'refused' => $import->refused + $refused, 'noted' => $import->noted + count($told) - $refused,
                'state' => $ended ? ImportState::Done : ImportState::Running])->save();
            if ($ended) {
                $this->letGo($import);
            }

            return ! $ended;
        });
    }

    /** Stops it where it is: what has been imported stays, and can be taken back. */
    public function stop(Import $import): void
    {
        DB::transaction(function () use ($import): void {
            if (Import::query()->where('id', $import->id)->where('state', ImportState::Running)
                ->update(['state' => ImportState::Stopped]) === 1) {
                $this->letGo($import);
            }
        });
    }

    /** Nothing more will be read of it: its lines are kept nowhere but on the people they were about. */
    private function letGo(Import $import): void
    {
        Import::query()->where('id', $import->id)
            ->update(['reading' => json_encode(['rows' => []] + $import->reading, JSON_THROW_ON_ERROR)]);
        // A worker that dies in between leaves the file to {@see self::tidy()}.
        DB::afterCommit(fn () => Storage::disk('uploads')->delete($import->path));
    }

    /** Takes out lists that were looked at a day ago and never brought in, and files that nobody will read. */
    public function tidy(CarbonImmutable $now): int
    {
        $old = Import::query()->where('state', ImportState::New)->where('created_at', '<', Instant::sql($now->subDay()))->get();
        $old->each(fn (Import $import) => $import->delete());
        $kept = Import::query()->whereIn('state', [ImportState::New, ImportState::Running])->pluck('path')->all();
        // A file that is just coming in has no row yet.
        $files = array_filter(Storage::disk('uploads')->files('imports'),
            fn (string $f): bool => ! in_array($f, $kept, true)
                && Storage::disk('uploads')->lastModified($f) < $now->subHour()->getTimestamp());
        Storage::disk('uploads')->delete([...array_values($files), ...$old->pluck('path')->all()]);

        return count($old);
    }

    /**
     * @param  list<ImportedPerson>  $rows
     * @return array{int, int, int} added, updated, the same as before
     */
    private function store(Import $import, ImportPlan $plan, array $rows): array
    {
        $now = Instant::sql(CarbonImmutable::now());
        $business = Business::query()->findOrFail($import->business_id);
        $zone = $business->zone();
        $keys = array_values(array_unique(array_map(fn (ImportedPerson $p): string => $p->email->key, $rows)));
        $known = [];
        foreach (array_chunk($keys, 500) as $some) {
            foreach (DB::table('people')->where('business_id', $import->business_id)->whereIn('email_key', $some)
                ->get(['id', 'email_key', 'first_name', 'last_name', 'phone', 'import_id', 'timezone', 'language', 'unsubscribed_at',
                    'suppressed']) as $p) {
                $known[$p->email_key] = (array) $p;
            }
        }
        $hashes = [];
        foreach ($rows as $row) {
            $hashes[$row->email->key] ??= Suppressions::hash($row->email->display);
        }
        $why = DB::table('suppressions')->where('business_id', $import->business_id)->whereIn('address_hash', array_values($hashes))
            ->pluck('why', 'address_hash')->all();
        [$added, $updated, $same] = [0, 0, 0];
        $new = $own = $tags = $changes = [];
        foreach ($rows as $row) {
            $key = $row->email->key;
            if (! isset($known[$key])) {
                $id = Ids::next();
                $joined = $row->joined === null ? $now : min($now, Instant::sql(new CarbonImmutable($row->joined, $zone)));
                $new[$id] = ['id' => $id, 'business_id' => $import->business_id, 'email' => $row->email->display, 'email_key' => $key,
                    'mailbox' => $row->email->mailbox(), 'first_name' => $row->firstName, 'last_name' => $row->lastName,
                    'phone' => $row->phone,
                    'timezone' => $row->timezone, 'language' => $row->language, 'joined_at' => $joined, 'import_id' => $import->id,
                    'created_at' => $now,
                    'updated_at' => $now] + Person::nameKeys($row->firstName, $row->lastName, $row->email->display, $business->locale)
                        + self::subscription($row->subscription, $why[$hashes[$key]] ?? null, $plan->marketing, $now);
                $known[$key] = array_intersect_key($new[$id], array_fill_keys(['id', 'email_key', 'first_name', 'last_name', 'phone',
                    'import_id', 'timezone', 'language', 'unsubscribed_at', 'suppressed'], 0));
                $own[$id] = $row->own;
                array_push($tags, ...$this->tagRows($import, $id, $row->tags, $now));
                $added++;

                continue;
            }
            $id = (string) $known[$key]['id'];
            $before = $this->change($plan, $known[$key], $row, isset($new[$id]) ? $new[$id] : null, $now, $business->locale);
            if ($before === null) {
                $same++;

                continue;
            }
            if (isset($new[$id])) {
                // The same address twice in one file: the later line fills in or replaces, as it would for anybody.
                $new[$id] = $before['new'] + $new[$id];
                $known[$key] = array_intersect_key($new[$id], $known[$key]) + $known[$key];
                $own[$id] = $plan->known === ImportPlan::REPLACE ? $row->own + $own[$id] : $own[$id] + $row->own;
                array_push($tags, ...$this->tagRows($import, $id, $row->tags, $now));
                $same++;

                continue;
            }
            $change = $this->update($import, $plan, $id, $before, $row, $now);
            if ($change === null) {
                $same++;

                continue;
            }
            $changes[] = $change;
            $known[$key] = $before['new'] + $known[$key];
            $updated++;
        }
        foreach (array_chunk(array_values($new), 100) as $some) {
            DB::table('people')->insert($some);
        }
        $values = array_merge([], ...array_map(self::values(...), array_map(strval(...), array_keys($own)), array_values($own)));
        foreach (array_chunk($values, 200) as $some) {
            DB::table('person_values')->insert($some);
        }
        foreach (array_chunk($tags, 200) as $some) {
            DB::table('person_tag')->insertOrIgnore($some);
        }
        foreach (array_chunk($changes, 200) as $some) {
            DB::table('import_changes')->insert($some);
        }

        return [$added, $updated, $same];
    }

    /**
     * How somebody who is new stands to the list: as the row says, or worse where we know it. Whoever unsubscribed and was erased
     * afterwards is still unsubscribed.
     *
     * @return array<string, mixed>
     */
    private static function subscription(Subscription $said, ?string $known, bool $marketing, string $now): array
    {
        $lost = array_values(array_filter(['complained', 'bounced'], fn (string $why): bool => $why === $known || $why === $said->value));

        return ['suppressed' => $lost[0] ?? null, 'pending' => $said === Subscription::Unconfirmed,
            'unsubscribed_at' => $known === 'unsubscribed' || $said === Subscription::Unsubscribed ? $now : null,
            'marketing' => $marketing && $said !== Subscription::NoMarketing];
    }

    /**
     * What a row changes of somebody's name, phone, time zone and standing. A list makes nobody a subscriber again; whom it says to have
     * left, or not to be reached, is written to no more.
     *
     * @param  array<string, mixed>  $known
     * @param  array<string, mixed>|null  $isNew
     * @return array{old: array<string, string|null>, new: array<string, string>}|null nothing where the row is to be passed over
     */
    private function change(ImportPlan $plan, array $known, ImportedPerson $row, ?array $isNew, string $now,
        string $locale): ?array
    {
        if ($plan->known === ImportPlan::SKIP && $isNew === null) {
            return null;
        }
        $old = $new = [];
        foreach (['first_name' => $row->firstName, 'last_name' => $row->lastName, 'phone' => $row->phone] as $column => $value) {
            if ($value !== '' && $value !== $known[$column] && ($known[$column] === '' || $plan->known === ImportPlan::REPLACE)) {
                $old[$column] = (string) $known[$column];
                $new[$column] = $value;
            }
        }
        foreach (['timezone' => $row->timezone, 'language' => $row->language] as $column => $value) {
            if ($value !== null && $value !== $known[$column] && ($known[$column] === null || $plan->known === ImportPlan::REPLACE)) {
                $old[$column] = $known[$column];
                $new[$column] = $value;
            }
        }
        if ($row->subscription === Subscription::Unsubscribed && $known['unsubscribed_at'] === null) {
            $old['unsubscribed_at'] = null;
            $new['unsubscribed_at'] = $now;
        }
        if (in_array($row->subscription, [Subscription::Bounced, Subscription::Complained], true) && $known['suppressed'] === null) {
            $old['suppressed'] = null;
            $new['suppressed'] = $row->subscription->value;
        }
        if (isset($new['first_name']) || isset($new['last_name'])) {
            $keys = fn (string $first, string $last): array => Person::nameKeys($first, $last, $row->email->display, $locale);
            $old += $keys((string) $known['first_name'], (string) $known['last_name']);
            $new += $keys($new['first_name'] ?? (string) $known['first_name'], $new['last_name'] ?? (string) $known['last_name']);
        }

        return ['old' => $old, 'new' => $new];
    }

    /**
     * @param  array{old: array<string, string|null>, new: array<string, string>}  $change
     * @return array<string, mixed>|null what it takes to put it back; nothing where all was known already
     */
    private function update(Import $import, ImportPlan $plan, string $id, array $change, ImportedPerson $row, string $now): ?array
    {
        if ($change['new'] !== []) {
            DB::table('people')->where('id', $id)->update($change['new'] + ['updated_at' => $now]);
        }
        $had = DB::table('person_tag')->where('person_id', $id)->pluck('tag_id')->all();
        $tags = array_values(array_filter($this->tagRows($import, $id, $row->tags, $now),
            fn (array $t): bool => ! in_array($t['tag_id'], $had, false)));
        DB::table('person_tag')->insertOrIgnore($tags);
        $values = [];
        foreach ($row->own as $name => $new) {
            $old = DB::table('person_values')->where('person_id', $id)->where('name', $name)->orderBy('id')->pluck('value')
                ->map(fn ($v): string => (string) $v)->all();
            if ($old !== $new && ($old === [] || $plan->known === ImportPlan::REPLACE)) {
                $values[$name] = ['was' => $old, 'became' => array_values(array_filter($new, fn (string $v): bool => $v !== ''))];
                OwnFields::set($id, $name, $new);
            }
        }

        return $change['new'] === [] && $tags === [] && $values === [] ? null
            : ['import_id' => $import->id, 'person_id' => $id,
                'before' => json_encode(['columns' => $change['old'], 'became' => $change['new'], 'tags' => array_column($tags, 'tag_id'),
                    'values' => $values], JSON_THROW_ON_ERROR)];
    }

    /**
     * @param  array<string, list<string>>  $own
     * @return list<array<string, mixed>>
     */
    private static function values(string $person, array $own): array
    {
        $rows = [];
        foreach ($own as $name => $values) {
            foreach ($values as $value) {
                $rows[] = OwnFields::row($person, $name, $value);
            }
        }

        return $rows;
    }

    /**
     * @param  list<string>  $names
     * @return list<array<string, mixed>>
     */
    private function tagRows(Import $import, string $person, array $names, string $now): array
    {
        return array_map(fn (string $name): array => ['person_id' => $person,
            'tag_id' => $this->tags[$name] ??= Tagging::tag($import->business_id, $name)->id, 'funnel_id' => null,
            'tagged_at' => $now], $names);
    }
}
