<?php

declare(strict_types=1);

namespace App\Popups;

use App\Models\Submission;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Languages\Voice;

/** What came of a form that was filled in in a pop-up. */
final readonly class Joined
{
    /**
     * @param  array<string, mixed>  $answer  for the script that sent it, without what is said
     * @param  array<string, Phrase>  $errors  by field; `form` for the form as a whole
     */
    private function __construct(public int $status, private array $answer, public ?Submission $submission = null, public string $go = '',
        public array $errors = [])
    {
    }

    /** @return array<string, mixed> for the script that sent it */
    public function in(Voice $voice): array
    {
        $said = array_map($voice->say(...), $this->errors);
        $message = $said['form'] ?? null;

        return ($message === null ? ($said === [] ? [] : ['errors' => $said]) : ['message' => $message]) + $this->answer;
    }

    /** @param  string|null  $token  with which to try again */
    public static function said(int $status, Phrase $message, ?string $token = null): self
    {
        return new self($status, $token === null ? [] : ['token' => $token], errors: ['form' => $message]);
    }

    /** @param  array<string, Phrase>  $errors  by field */
    public static function wrong(array $errors): self
    {
        return new self(422, [], errors: $errors);
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
