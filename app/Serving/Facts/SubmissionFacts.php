<?php

declare(strict_types=1);

namespace App\Serving\Facts;

use Lantern\Core\Forms\SubmissionState;

/** What was filled in on this very device: never what is known of the address that was typed. */
final readonly class SubmissionFacts
{
    /**
     * @param  array<string, mixed>  $answers  by field
     * @param  bool  $chose  was a session chosen with it?
     */
    public function __construct(
        public string $id,
        public string $form,
        public SubmissionState $state,
        public array $answers,
        public bool $chose,
    ) {
    }
}
