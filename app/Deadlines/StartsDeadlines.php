<?php

declare(strict_types=1);

namespace App\Deadlines;

use App\Journey\CarriesOut;
use App\Journey\CarriesOutForStrangers;
use App\Journey\EffectContext;
use App\Journey\Stranger;
use App\Models\Funnel;
use App\Records\DeadlineOwner;
use App\Records\Runs;
use DateTimeImmutable;
use Lantern\Core\Deadlines\Fact;
use Lantern\Core\Deadlines\FactType;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\StartDeadline;

/** A deadline begins: for a person, wherever they are, or for a browser that is nobody's yet. */
final class StartsDeadlines implements CarriesOut, CarriesOutForStrangers
{
    public function carryOut(Effect $effect, EffectContext $context): void
    {
        $deadline = $effect instanceof StartDeadline && $context->funnel !== null ? self::live($context->funnel, $effect->deadline)
            : null;
        if ($effect instanceof StartDeadline && $deadline !== null) {
            Runs::add($deadline, DeadlineOwner::person($context->person->id, $context->visitor), self::fact($effect));
        }
    }

    public function carryOutForStranger(Effect $effect, Stranger $stranger, Funnel $funnel, DateTimeImmutable $at): void
    {
        $deadline = $effect instanceof StartDeadline ? self::live($funnel, $effect->deadline) : null;
        if (! $effect instanceof StartDeadline || $deadline === null) {
            return;
        }
        Runs::add($deadline, DeadlineOwner::browser($stranger->visitor), self::fact($effect));
        if ($deadline['byAddress']) {
            Runs::add($deadline, DeadlineOwner::address($stranger->ip, $effect->deadline), self::fact($effect));
        }
    }

    private static function fact(StartDeadline $effect): Fact
    {
        return new Fact(FactType::Started, $effect->run->startedAt, $effect->run->endsAt, $effect->run->why, $effect->anew);
    }

    /** @return array{id: string, name: string, funnel: string, business: int, byAddress: bool}|null */
    private static function live(Funnel $funnel, string $id): ?array
    {
        $found = $funnel->liveVersion?->plan()->deadline($id);

        return $found === null ? null : ['id' => $id, 'name' => $found->name, 'funnel' => $funnel->id,
            'business' => $funnel->business_id, 'byAddress' => $found->byAddress];
    }
}
