<?php

declare(strict_types=1);

namespace App\Popups;

use App\Models\Submission;

/** What came of a form that was filled in in a pop-up. */
final readonly class Joined
{
    /** @param  array<string, mixed>  $answer  for the script that sent it */
    private function __construct(public int $status, public array $answer, public ?Submission $submission = null, public string $go = '')
    {
    }

    /** @param  string|null  $token  with which to try again */
    public static function said(int $status, string $message, ?string $token = null): self
    {
        return new self($status, ['message' => $message] + ($token === null ? [] : ['token' => $token]));
    }

    /** @param  array<string, string>  $errors  by field */
    public static function wrong(array $errors): self
    {
        return new self(422, ['errors' => $errors]);
    }

    /** @param  string  $joined  what the second step is sent with */
    public static function firstStep(Submission $submission, string $joined, string $token): self
    {
        return new self(200, ['step' => 2, 'joined' => $joined, 'token' => $token], $submission);
    }

    public static function thanked(Submission $submission): self
    {
        return new self(200, ['thanks' => true], $submission);
    }

    public static function led(Submission $submission, string $to): self
    {
        return new self(200, ['go' => $to], $submission, $to);
    }
}
