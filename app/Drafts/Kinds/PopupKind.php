<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Drafts\CleanDocument;
use App\Drafts\DraftPlan;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Ids;
use Lantern\Core\Parts\Part;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\PopupDesigns;

final class PopupKind extends DraftKind
{
    public function part(): string
    {
        return Popup::class;
    }

    public function list(): string
    {
        return 'popups';
    }

    public function typed(): array
    {
        return ['name', 'on', 'document', 'asks', 'frame', 'triggers', 'targeting', 'spot', 'limits', 'never', 'after', 'tag',
            'leadMagnet'];
    }

    public function cleaned(Part $part, Business $business): Part
    {
        return $part instanceof Popup
            ? $part->with(DraftPlan::asStored(CleanDocument::of($part->document->toArray(), $business->id))) : $part;
    }

    protected function check(DraftPart $row, Part $part): void
    {
        // Rules may speak of what somebody did in any funnel.
        self::speaksOfItsFunnel($row, $part, 'popup',
            'Something that this pop-up speaks of is not in this funnel any more. Please choose again.',
            $part instanceof Popup ? $part->never->references() : []);
    }

    /** In the design that was chosen, off until it is switched on. */
    public function fresh(Funnel $funnel, array $typed): Part
    {
        $design = PopupDesigns::get(is_string($typed['design'] ?? null) ? $typed['design'] : 'popup-card');

        return PopupDesigns::fresh(Ids::next(), $this->nextName($funnel, 'Pop-up'), $design, Ids::next(...),
            DraftPlan::read($funnel)->firstParts());
    }

    /** @return list<string> what becomes of what opened it */
    public function remove(DraftPart $row): array
    {
        parent::remove($row);
        $plan = DraftPlan::read($row->funnel);
        $sentences = [];
        foreach ($plan->pages as $page) {
            if (in_array($row->id, $page->document->popups(), true)) {
                $sentences[] = "Something on “{$page->name}” opened it, and leads nowhere until you choose where.";
            }
        }

        return $sentences;
    }

    public function json(DraftPart $row, Part $part): array
    {
        if (! $part instanceof Popup) {
            return [];
        }

        return ['on' => $part->on, 'document' => $part->document->toArray(), 'asks' => $part->asks, 'frame' => $part->frame->toArray(),
            'triggers' => array_map(fn ($t): array => $t->toArray(), $part->triggers), 'targeting' => (object) $part->targeting->toArray(),
            'spot' => $part->spot->toArray(), 'limits' => $part->limits->toArray(), 'never' => $part->never->toArray(),
            'after' => $part->after->toArray(), 'tag' => $part->tag, 'leadMagnet' => $part->leadMagnet,
            'design' => PopupDesigns::nearest($part)->id, 'placed' => $part->isPlaced(), 'words' => $part->words()];
    }
}
