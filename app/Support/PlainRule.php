<?php

declare(strict_types=1);

namespace App\Support;

use Lantern\Core\Automation\Act\Act;
use Lantern\Core\Automation\Act\CallsAddress;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** A rule whose words hold no HTML: they stand in notes and in emails to the owner. */
final class PlainRule
{
    /**
     * @param  AutomationRule|null  $was  how it was before: what it called already stays
     *
     * @throws Invalid where it would call an address that is never called
     */
    public static function check(AutomationRule $rule, ?AutomationRule $was): void
    {
        $called = fn (?AutomationRule $r): array => array_map(fn (Act $a): string => $a instanceof CallsAddress ? $a->url : '',
            $r->acts ?? []);
        foreach (array_filter(array_diff($called($rule), $called($was)), fn (string $url): bool => $url !== '') as $i => $url) {
            CalledAddress::check($url, "acts.{$i}.url");
        }
    }

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
