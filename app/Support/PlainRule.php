<?php

declare(strict_types=1);

namespace App\Support;

use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Support\Shape;

/** A rule whose words hold no HTML: they stand in notes and in emails to the owner. */
final class PlainRule
{
    public static function of(AutomationRule $rule): AutomationRule
    {
        $written = $rule->toArray();
        foreach ($rule->acts as $i => $act) {
            $act = $act->toArray();
            $written['acts'][$i] = isset($act['words']) ? ['words' => RichText::plain($act['words'])] + $act : $act;
        }

        return AutomationRule::fromShape(Shape::of($written));
    }
}
