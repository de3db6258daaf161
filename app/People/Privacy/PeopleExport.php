<?php

declare(strict_types=1);

namespace App\People\Privacy;

use App\Models\Person;
use App\Models\Tag;
use App\People\Fields\OwnFields;
use App\Support\Instant;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Languages\Language;
use Lantern\Core\People\CsvWriter;
use Lantern\Core\People\FieldKind;
use Lantern\Core\People\ListCell;
use Sabre\VObject\Component\VCard;

/** People in open formats, some hundred at a time, so that a list of any length goes out with little memory. */
final class PeopleExport
{
    private const PIECE = 500;

    /**
     * @param  callable(string): mixed  $write
     */
    public function csv(Builder $people, int $business, callable $write): void
    {
        $own = OwnFields::of($business);
        $write("\xEF\xBB\xBF".CsvWriter::record('Email', 'First name', 'Last name', 'Phone', 'Tags', 'Time zone', 'Language', 'Joined',
            'Standing',
            ...array_column($own, 'label')));
        $this->each($people, function (Person $p, array $values) use ($own, $write): void {
            $write(CsvWriter::record($p->email, $p->first_name, $p->last_name, $p->phone,
                ListCell::write(array_values($p->tags->map(fn (Tag $t): string => $t->name)->all())), $p->timezone ?? '',
                $p->language ?? '', (string) Instant::json($p->joined_at),
                $p->subscription()->value, ...array_map(fn (array $f): string => self::cell($values[$f['name']] ?? [], $f['kind']), $own)));
        });
    }

    /**
     * Choices as a list, whatever stands in them; anything else as it is.
     *
     * @param  list<string>  $values
     */
    private static function cell(array $values, mixed $kind): string
    {
        return $kind === FieldKind::Choices->value || count($values) > 1 ? ListCell::write($values) : $values[0] ?? '';
    }

    /** @param  callable(string): mixed  $write */
    public function vcard(Builder $people, callable $write): void
    {
        $this->each($people, function (Person $p, array $values) use ($write): void {
            $card = new VCard(['VERSION' => '4.0', 'UID' => 'urn:upbeat-lantern:'.$p->id,
                'FN' => $p->fullName() === '' ? $p->email : $p->fullName(), 'EMAIL' => $p->email]);
            $card->add('N', [$p->last_name, $p->first_name, '', '', '']);
            if ($p->phone !== '') {
                $card->add('TEL', $p->phone);
            }
            if ($p->language !== null) {
                $card->add('LANG', Language::of($p->language)->plain());
            }
            if ($p->tags->isNotEmpty()) {
                $card->add('CATEGORIES', $p->tags->map(fn (Tag $t): string => $t->name)->all());
            }
            $write((string) $card->serialize());
        });
    }

    /** @param  callable(string): mixed  $write */
    public function json(Builder $people, callable $write): void
    {
        $write('{"people":[');
        $first = true;
        $this->each($people, function (Person $p, array $values) use ($write, &$first): void {
            $write(($first ? '' : ',')."\n"
                .json_encode(self::person($p, $values), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES));
            $first = false;
        });
        $write("\n]}\n");
    }

    /**
     * @param  array<string, list<string>>  $values
     * @return array<string, mixed>
     */
    public static function person(Person $p, array $values): array
    {
        return ['id' => $p->id, 'email' => $p->email, 'firstName' => $p->first_name, 'lastName' => $p->last_name, 'phone' => $p->phone,
            'timezone' => $p->timezone, 'language' => $p->language,
            'joinedAt' => Instant::json($p->joined_at), 'confirmedAt' => Instant::json($p->confirmed_at),
            'unsubscribedAt' => Instant::json($p->unsubscribed_at), 'standing' => $p->subscription()->value,
            'tags' => $p->tags->map(fn (Tag $t): string => $t->name)->all(), 'fields' => (object) $values];
    }

    /** @param  callable(Person, array<string, list<string>>): void  $do */
    private function each(Builder $people, callable $do): void
    {
        $last = '';
        do {
            $ids = array_values((clone $people)->where('people.id', '>', $last)->orderBy('people.id')->limit(self::PIECE)
                ->pluck('people.id')->map(fn ($id): string => (string) $id)->all());
            $values = self::values($ids);
            foreach (Person::query()->with('tags')->whereIn('id', $ids)->orderBy('id')->get() as $person) {
                $do($person, $values[$person->id] ?? []);
            }
            $last = $ids[count($ids) - 1] ?? $last;
        } while (count($ids) === self::PIECE);
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, array<string, list<string>>> own fields by person and name
     */
    public static function values(array $ids): array
    {
        $values = [];
        foreach (DB::table('person_values')->whereIn('person_id', $ids)->orderBy('id')->get(['person_id', 'name', 'value']) as $row) {
            $values[(string) $row->person_id][(string) $row->name][] = (string) $row->value;
        }

        return $values;
    }
}
