<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\Source;
use App\Serving\VisitFacts;
use Lantern\Core\People\FieldKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** Whether an option of a field was chosen, when its form is shown again. It is a slot of `field-number`. */
final class PickSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        foreach (Source::formsOn($plan, $page) as $form) {
            foreach ($form->fields as $field) {
                foreach ($field->kind === FieldKind::Consent ? ['yes'] : $field->options as $i => $option) {
                    if ("{$field->key()}-{$i}" === $of) {
                        $isMenu = $field->kind === FieldKind::Choice && count($field->options) > FieldKind::MOST_ROWS;

                        return ['field' => $field->key(), 'option' => $option, 'mark' => $isMenu ? 'selected' : 'checked'];
                    }
                }
            }
        }

        return [];
    }

    public function needs(string $of, array $noted): array
    {
        return [];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        [$field, $mark] = [$noted['field'] ?? '', $noted['mark'] ?? ''];
        $chosen = is_string($field) && in_array($noted['option'] ?? null, (array) ($visit->typed[$field] ?? []), true);

        return $chosen && is_string($mark) ? $mark : '';
    }
}
