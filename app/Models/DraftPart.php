<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\PartKinds;
use Lantern\Core\Support\Shape;

/**
 * A part of a draft: a page, a form, an email … whatever its kind. What it holds is the part's written form.
 *
 * @property string $id
 * @property string $funnel_id
 * @property string $kind as {@see Part::kind()} says
 * @property string $name
 * @property int $position among the parts of its kind; removed ones keep theirs
 * @property array<string, mixed> $definition the written form, without its id
 * @property int $revision goes up with each change, so that two windows cannot overwrite each other unseen
 * @property array<string, mixed>|null $removed what to put back when it is wanted again; null while it is there
 * @property string|null $own_address of a page that became the entry page: where it is when it is not
 * @property Funnel $funnel
 */
final class DraftPart extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['definition' => 'array', 'removed' => 'array'];

    protected $attributes = ['position' => 0, 'revision' => 1, 'removed' => null, 'own_address' => null];

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }

    public function part(): Part
    {
        return PartKinds::named($this->kind)::fromShape(Shape::of(['id' => $this->id] + $this->definition));
    }

    /** Keeps another state of the part. */
    public function put(Part $part): self
    {
        return $this->forceFill(['kind' => $part::kind(), 'name' => $part->name(),
            'definition' => array_diff_key($part->toArray(), ['id' => 0])]);
    }

    /** One value of what it holds, without reading all of it. */
    public function text(string $key): string
    {
        return is_string($this->definition[$key] ?? null) ? $this->definition[$key] : '';
    }

    /**
     * Keeps the part with some of what it holds written anew.
     *
     * @param  array<string, mixed>  $values
     */
    public function change(array $values): self
    {
        return $this->put(PartKinds::named($this->kind)::fromShape(Shape::of(['id' => $this->id] + $values + $this->definition)));
    }

    /** @return Builder<self> the parts of a funnel that are there, in order; of one kind where one is named */
    public static function there(string $funnel, ?string $kind = null): Builder
    {
        return self::query()->where('funnel_id', $funnel)->whereNull('removed')
            ->when($kind !== null, fn (Builder $q) => $q->where('kind', $kind))->orderBy('position')->orderBy('id');
    }
}
