<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Drafts\CleanDocument;
use App\Drafts\DraftPages;
use App\Drafts\DraftPlan;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Way;
use App\Support\RichText;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
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
        if (in_array($address, GuideKind::taken($row->funnel, $row->id), true)) {
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
                'outcomes' => self::outcomes($part, $row->funnel_id),
                'document' => $part->document->toArray(), 'settings' => (object) $part->settings->toArray()];
    }

    private static function isGuarded(PagePlan $page, string $funnel): bool
    {
        return DraftPart::there($funnel, Deadline::kind())->get()
            ->contains(fn (DraftPart $row): bool => in_array($page->id, array_column((array) ($row->definition['pages'] ?? []),
                'page'), true));
    }

    /** @return list<array{outcome: string, label: string, who: string, must: bool}> what may lead somewhere, and what must */
    private static function outcomes(PagePlan $page, string $funnel): array
    {
        $outcomes = $page->outcomes();
        // Where a deadline guards the page, time can run out there, whatever its role.
        if (! in_array(Outcome::TimeRanOut, $outcomes, true) && self::isGuarded($page, $funnel)) {
            $outcomes[] = Outcome::TimeRanOut;
        }
        $must = $page->role->outcomes();
        if ($page->role === PageRole::Sales && $page->document->blocksOf(BlockKind::Checkout) === []) {
            // It is bought on the checkout page where there is one, and elsewhere where there is none.
            $hasCheckout = DraftPart::there($funnel, PagePlan::kind())->where('definition->role', PageRole::Checkout->value)->exists();
            $must = [$hasCheckout ? Outcome::Chose : Outcome::Bought];
            $drawn = array_map(fn (Way $w): Outcome => Outcome::from($w->outcome),
                Way::query()->where('page_id', $page->id)->get()->all());
            $outcomes = array_values(array_filter($outcomes,
                fn (Outcome $o): bool => ! in_array($o, [Outcome::Chose, Outcome::Bought], true)
                || in_array($o, [...$must, ...$drawn], true)));
        }

        return array_map(fn (Outcome $o): array => ['outcome' => $o->value, 'label' => $o->label(), 'who' => $o->whoFirst(),
            'must' => in_array($o, $must, true) || $o === Outcome::Joined], $outcomes);
    }
}
