<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

/** Whether a pop-up is shown, and if not, every rule that says no, with a sentence for its owner. */
final readonly class PopupVerdict
{
    /**
     * @param  array<string, string>  $refusals  sentences by {@see Refusal}, in the order in which rules are asked
     * @param  string  $pattern  by which pages of another site it is shown, in words
     */
    public function __construct(public array $refusals, public string $pattern = '')
    {
    }

    public function shows(): bool
    {
        return $this->refusals === [];
    }

    /** The first rule that says no. */
    public function refusal(): ?Refusal
    {
        return $this->shows() ? null : Refusal::from((string) array_key_first($this->refusals));
    }
}
