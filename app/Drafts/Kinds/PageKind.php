<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Drafts\CleanDocument;
use App\Drafts\DraftPages;
use App\Drafts\DraftPlan;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\RichText;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageSettings;
use Lantern\Core\Plan\WebAddress;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** Pages come and go with the ways around them; see {@see DraftPages}. */
final class PageKind extends DraftKind
{
    public function __construct(private readonly DraftPages $pages)
    {
    }

    public function part(): string
    {
        return PagePlan::class;
    }

    public function list(): string
    {
        return 'pages';
    }

    public function typed(): array
    {
        return ['name', 'address', 'document', 'settings'];
    }

    public function cleaned(Part $part, Business $business): Part
    {
        if (! $part instanceof PagePlan) {
            return $part;
        }
        $settings = $part->settings->toArray();
        foreach (['title', 'description'] as $words) {
            if (is_string($settings[$words] ?? null)) {
                $settings[$words] = RichText::plain($settings[$words]);
            }
        }

        return new PagePlan($part->id, $part->role, $part->name, $part->address,
            DraftPlan::asStored(CleanDocument::of($part->document->toArray(), $business->id)),
            PageSettings::fromShape(Shape::of($settings)));
    }

    protected function check(DraftPart $row, Part $part): void
    {
        $address = $part instanceof PagePlan ? $part->address : '';
        if ($address === $row->text('address')) {
            return;
        }
        if ($row->text('address') === '') {
            throw Invalid::at('address', 'The entry page is at the address of the funnel itself.');
        }
        WebAddress::check($address);
        if ($row->funnel->parts()->where('kind', PagePlan::kind())->where('definition->address', $address)->exists()) {
            throw Invalid::at('address', "Another page of this funnel is at “{$address}”. Please choose another web address.");
        }
    }

    public function fresh(Funnel $funnel, array $typed): Part
    {
        throw Invalid::at('kind', 'A page is added with the ways around it. Choose what kind of page it is.');
    }

    public function remove(DraftPart $row): array
    {
        parent::remove($row);

        return $this->pages->remove($row);
    }

    public function restored(DraftPart $row): void
    {
        $this->pages->restored($row);
    }

    public function json(DraftPart $row, Part $part): array
    {
        // Always in today's format, whatever it was written in.
        return ! $part instanceof PagePlan ? []
            : ['role' => $part->role->value, 'roleLabel' => $part->role->label(), 'address' => $part->address,
                'headline' => $part->document->headline(),
                'outcomes' => self::outcomes($part),
                'document' => $part->document->toArray(), 'settings' => (object) $part->settings->toArray()];
    }

    /** @return list<array{outcome: string, label: string, who: string, must: bool}> what may lead somewhere, and what must */
    private static function outcomes(PagePlan $page): array
    {
        return array_map(fn (Outcome $o): array => ['outcome' => $o->value, 'label' => $o->label(), 'who' => $o->whoFirst(),
            'must' => in_array($o, $page->role->outcomes(), true) || $o === Outcome::Joined], $page->outcomes());
    }
}
