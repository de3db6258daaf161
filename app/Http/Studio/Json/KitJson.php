<?php

declare(strict_types=1);

namespace App\Http\Studio\Json;

use App\Languages\StarterVoice;
use App\Rendering\Icons;
use Lantern\Core\Automation\Act\Acts;
use Lantern\Core\Deadlines\ShownState;
use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Guides\FinishKind;
use Lantern\Core\Languages\Languages;
use Lantern\Core\Money\Currency;
use Lantern\Core\Page\Arrangement;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Block\Blocks;
use Lantern\Core\Page\Block\Field;
use Lantern\Core\Page\Design\Design;
use Lantern\Core\Page\Design\Designs;
use Lantern\Core\Page\Design\PageDesigns;
use Lantern\Core\Page\Look\Fonts;
use Lantern\Core\Page\Look\Look;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Page\SectionKind;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Popups\Backdrop;
use Lantern\Core\Popups\Entry;
use Lantern\Core\Popups\Placement;
use Lantern\Core\Popups\PopupDesigns;
use Lantern\Core\Popups\Size;
use Lantern\Core\Popups\TriggerKind;
use ResourceBundle;

/** What looks there are and what pages can be made of, in the words of the core. */
final class KitJson
{
    /** @return list<array<string, mixed>> */
    public static function looks(): array
    {
        return array_values(array_map(fn (Look $l): array => ['id' => $l->id, 'name' => $l->name, 'headingFont' => $l->headingFont,
            'headingWeight' => $l->headingWeight, 'bodyFont' => $l->bodyFont, 'corner' => $l->corner, 'frame' => $l->frame,
            'colours' => $l->coloursOn()], Looks::all()));
    }

    /** @return list<array{code: string, decimals: int, name: string}> */
    private static function currencies(): array
    {
        $names = ResourceBundle::create('en', 'ICUDATA-curr', true)?->get('Currencies');

        return array_map(fn (string $code): array => ['code' => $code, 'decimals' => Currency::of($code)->decimals,
            'name' => (string) ($names?->get($code)?->get(1) ?? $code)], Currency::codes());
    }

    /** @return array<string, mixed> what pop-ups can be, in the words of the core */
    private static function popups(): array
    {
        $named = fn (array $cases): array => array_map(fn ($case): array => ['id' => $case->value, 'label' => $case->label()], $cases);

        return ['stands' => $named(Placement::cases()), 'sizes' => $named(Size::cases()), 'backdrops' => $named(Backdrop::cases()),
            'entries' => $named(Entry::cases()),
            'designs' => array_map(fn (Design $d): array => ['id' => $d->id, 'stand' => PopupDesigns::stand($d)->value,
                'size' => PopupDesigns::size($d)->value], PopupDesigns::all()),
            'triggers' => array_map(fn (TriggerKind $k): array => ['id' => $k->value, 'label' => $k->label(), 'amounts' => $k->amounts()],
                TriggerKind::cases()),
            'quietRoles' => array_values(array_map(fn (PageRole $r): string => $r->value, array_filter(PageRole::ofPages(),
                fn (PageRole $r): bool => $r->isQuiet())))];
    }

    /** @return array<string, mixed> what pages can be made of, in the words of the core */
    public static function kit(): array
    {
        $named = fn (array $cases): array => array_map(fn ($case): array => ['id' => $case->value, 'label' => $case->label()], $cases);

        return [
            'designs' => array_values(array_map(fn (Design $d): array => ['id' => $d->id, 'kind' => $d->kind->value, 'name' => $d->name,
                'arrangement' => $d->arrangement->value,
                'tone' => $d->tone, 'styles' => (object) $d->styles], Designs::all())),
            'pageDesigns' => PageDesigns::list(),
            'sections' => $named(SectionKind::ofPages()), 'guideSections' => $named(SectionKind::ofGuides()),
            'finishes' => $named(FinishKind::cases()),
            'blocks' => array_map(fn (BlockKind $k): array => ['id' => $k->value, 'label' => $k->label(),
                'fields' => (object) array_map(fn (Field $f): array => $f->toArray(), Blocks::of($k)->fields),
                'items' => Blocks::of($k)->items === null ? null
                    : (object) array_map(fn (Field $f): array => $f->toArray(), Blocks::of($k)->items), 'styles' => Blocks::of($k)->styles],
                BlockKind::cases()),
            'arrangements' => $named(Arrangement::cases()),
            'icons' => array_map(fn (string $i): array => ['id' => $i, 'svg' => Icons::svg($i)], Blocks::ICONS),
            'roles' => $named(PageRole::ofPages()),
            'currencies' => self::currencies(), 'languages' => Languages::tags(),
            'spokenLanguages' => Languages::SPOKEN, 'languagesWithTwoWays' => Languages::TWO_WAYS,
            'starterLanguages' => StarterVoice::WRITTEN,
            'triggers' => Triggers::describe(),
            'acts' => Acts::describe(),
            'popups' => self::popups(),
            'deadlineStates' => $named(ShownState::cases()),
            'headingFonts' => array_keys(Fonts::HEADING),
            'bodyFonts' => Fonts::BODY,
            'personFields' => MergeFields::PERSON,
            'ownerFields' => MergeFields::OWNER,
            'sessionFields' => MergeFields::SESSION,
        ];
    }
}
