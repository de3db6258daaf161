<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

/** What is believed of the variants of a test after what was seen: a distribution for each, all independent. */
interface Beliefs
{
    /** @return list<float> of each, the chance that it is the best; they add up to one */
    public function best(): array;

    /** @return list<float> of each, by how much it falls short of the best on average: what choosing it costs */
    public function loss(): array;

    /** @return list<float> of each, what is expected */
    public function means(): array;

    /** @return array{float, float} within which the value of one lies, nineteen times out of twenty */
    public function interval(int $of): array;

    /** @return array{float, float} by how much the first exceeds the second, nineteen times out of twenty; negative where it does not */
    public function difference(int $first, int $second): array;
}
