<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Models\Business;
use App\Models\DraftPart;
use Lantern\Core\Parts\Part;
use Lantern\Core\Support\Invalid;

/** The kinds of parts as the Studio knows them. */
final class DraftKinds
{
    /** @var list<class-string<DraftKind>> */
    public const ALL = [PageKind::class, FormKind::class, SequenceKind::class, EmailKind::class, LeadMagnetKind::class,
        SharedSectionKind::class, ProductKind::class, OfferKind::class, CouponKind::class, DeadlineKind::class,
        PopupKind::class, WebinarKind::class, SplitTestKind::class, VariantKind::class, GuideKind::class, GuidePageKind::class,
        PromiseKind::class, RuleKind::class];

    /** @var array<string, DraftKind> */
    private array $known = [];

    /** @return array<string, DraftKind> by the name of the kind */
    public function all(): array
    {
        if ($this->known === []) {
            foreach (self::ALL as $class) {
                $kind = app($class);
                $this->known[$kind->part()::kind()] = $kind;
            }
        }

        return $this->known;
    }

    /** @throws Invalid for a kind that is not known */
    public function named(string $kind): DraftKind
    {
        return $this->all()[$kind] ?? throw Invalid::at('kind', 'A funnel has no part of this kind.');
    }

    public function cleaned(Part $part, Business $business): Part
    {
        return $this->named($part::kind())->cleaned($part, $business);
    }

    /** @return array<string, mixed> as the Studio reads it */
    public function json(DraftPart $row): array
    {
        return ['id' => $row->id, 'name' => $row->name, 'revision' => $row->revision] + $this->named($row->kind)->json($row, $row->part());
    }
}
