<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Languages\StarterVoice;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Ids;
use App\Support\Instant;
use App\Support\RichText;
use Carbon\CarbonImmutable;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\LeadMagnet;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\WebAddress;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** A guide comes and goes with its pages. */
final class GuideKind extends DraftKind
{
    public function part(): string
    {
        return Guide::class;
    }

    public function list(): string
    {
        return 'guides';
    }

    public function typed(): array
    {
        return ['title', 'address', 'open', 'saves', 'finish', 'begun', 'finished'];
    }

    public function cleaned(Part $part, Business $business): Part
    {
        return $part instanceof Guide
            ? Guide::fromShape(Shape::of(['title' => RichText::plain($part->title)] + $part->toArray())) : $part;
    }

    protected function check(DraftPart $row, Part $part): void
    {
        if ($part instanceof Guide && $part->address !== $row->text('address')) {
            WebAddress::check($part->address);
            if (in_array($part->address, self::taken($row->funnel, $row->id), true)) {
                throw Invalid::at('address',
                    "Something else of this funnel is at “{$part->address}”. Please choose another web address.");
            }
        }
    }

    public function fresh(Funnel $funnel, array $typed): Part
    {
        throw Invalid::at('kind', 'A guide is made with its pages. Make it where you choose what you give away.');
    }

    /** @param  array<array-key, mixed>  $typed */
    public static function begun(Funnel $funnel, array $typed): Guide
    {
        $title = is_string($typed['title'] ?? null) ? mb_substr(RichText::plain($typed['title']), 0, 200) : '';

        return new Guide(Ids::next(), trim($title) === '' ? $funnel->name : $title,
            WebAddress::suggest(StarterVoice::in($funnel->language)->of('read'),
                fn (string $a): bool => in_array($a, self::taken($funnel), true), $funnel->language));
    }

    /** Its pages go with it, and what gives it gives no guide any more. */
    public function remove(DraftPart $row): array
    {
        $sentences = [];
        $pages = self::pages($row)->get();
        foreach ($pages as $page) {
            $page->forceFill(['removed' => ['with' => $row->id, 'at' => Instant::json(CarbonImmutable::now())]])->save();
        }
        parent::remove($row);
        foreach (DraftPart::there($row->funnel_id, LeadMagnet::kind())->get() as $leadMagnet) {
            if ($leadMagnet->text('guide') === $row->id) {
                $sentences[] = "“{$leadMagnet->name}” gives no guide any more.";
            }
        }

        return $sentences;
    }

    /** And they come back with it. */
    public function restored(DraftPart $row): void
    {
        DraftPart::query()->where('funnel_id', $row->funnel_id)->where('kind', GuidePage::kind())->where('removed->with', $row->id)
            ->get()->each(fn (DraftPart $page) => $page->forceFill(['removed' => null])->save());
        if (in_array($row->text('address'), self::taken($row->funnel, $row->id), true)) {
            $row->change(['address' => WebAddress::suggest($row->text('address'),
                fn (string $a): bool => in_array($a, self::taken($row->funnel, $row->id), true))]);
        }
    }

    public function json(DraftPart $row, Part $part): array
    {
        return ! $part instanceof Guide ? [] : ['title' => $part->title, 'address' => $part->address, 'open' => $part->open,
            'saves' => $part->saves, 'finish' => ['kind' => $part->finish->kind->value, 'share' => $part->finish->share],
            'begun' => $part->begun->value, 'finished' => $part->finished->value,
            'outcomes' => [['outcome' => Outcome::Chose->value, 'label' => 'took the next step', 'who' => 'Those who take the next step',
                'must' => false]]];
    }

    /** @return list<string> addresses below a funnel's that pages and guides have */
    public static function taken(Funnel $funnel, ?string $except = null): array
    {
        return array_values(DraftPart::there($funnel->id)->whereIn('kind', [PagePlan::kind(), Guide::kind()])
            ->when($except !== null, fn ($q) => $q->where('id', '!=', $except))->get()
            ->map(fn (DraftPart $p): string => $p->text('address'))->all());
    }

    /** @return \Illuminate\Database\Eloquent\Builder<DraftPart> the pages of a guide that are there, in order */
    public static function pages(DraftPart $guide): \Illuminate\Database\Eloquent\Builder
    {
        return DraftPart::there($guide->funnel_id, GuidePage::kind())->where('definition->guide', $guide->id);
    }
}
