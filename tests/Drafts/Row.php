<?php

declare(strict_types=1);

namespace Tests\Drafts;

use App\Models\Funnel;
use App\Models\Record;
use App\Models\Way;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Lantern\Core\Sequences\SequencePlan;

/** Draft parts of one kind, with what they hold as if it were columns: for tests that arrange a draft or look at one. */
abstract class Row extends Record
{
    use HasUlids;

    private const COLUMNS = ['id', 'funnel_id', 'kind', 'name', 'position', 'definition', 'revision', 'removed', 'created_at',
        'updated_at'];

    protected $table = 'draft_parts';

    /** @var array<string, string> */
    protected $casts = ['definition' => 'array', 'removed' => 'array'];

    protected $attributes = ['position' => 0, 'revision' => 1, 'removed' => null, 'definition' => '{}'];

    abstract public static function ofKind(): string;

    protected static function booted(): void
    {
        static::addGlobalScope('kind', fn (Builder $q) => $q->where('kind', static::ofKind()));
        static::creating(function (self $row): void {
            $row->kind = static::ofKind();
            $row->position = $row->position ?: static::query()->where('funnel_id', $row->funnel_id)->count();
            if (static::ofKind() === 'email' && ! isset($row->definition['sequence'])) {
                // An email that says nothing else belongs to the first sequence of its funnel.
                $first = Sequence::query()->where('funnel_id', $row->funnel_id)->orderBy('id')->value('id');
                $row->definition = $row->definition + ($first === null ? [] : ['sequence' => $first]);
            }
        });
        static::saving(function (self $row): void {
            $row->definition = (static::ofKind() === 'lead-magnet' ? [] : ['name' => $row->name])
                + ($row->kind === null && static::ofKind() === 'sequence' && $row->definition === []
                ? array_diff_key((new SequencePlan('x', 'x'))->toArray(), ['id' => 0, 'name' => 0]) : $row->definition);
        });
    }

    public function getAttribute($key): mixed
    {
        $key = $key === 'sequence_id' ? 'sequence' : $key;
        $definition = in_array($key, self::COLUMNS, true) ? [] : (array) parent::getAttribute('definition');

        return array_key_exists($key, $definition) ? $definition[$key] : ($key === 'only' ? null : parent::getAttribute($key));
    }

    public function setAttribute($key, $value): mixed
    {
        $key = $key === 'sequence_id' ? 'sequence' : $key;
        if (in_array($key, self::COLUMNS, true)) {
            return parent::setAttribute($key, $value);
        }
        $definition = [$key => $value] + (array) parent::getAttribute('definition');

        return parent::setAttribute('definition',
            $value === null || $value === [] ? array_diff_key($definition, [$key => 0]) : $definition);
    }

    /** @return BelongsTo<Funnel, $this> */
    public function funnel(): BelongsTo
    {
        return $this->belongsTo(Funnel::class);
    }

    /** @return HasMany<Way, $this> */
    public function ways(): HasMany
    {
        return $this->hasMany(Way::class, 'page_id');
    }
}
