<?php

declare(strict_types=1);

namespace App\Forms;

use App\Journey\CarriesOut;
use App\Journey\EffectContext;
use App\Mail\Sending\Planner;
use App\Models\Confirmation;
use App\Models\Submission;
use App\Support\Seal;
use App\Support\SealPurpose;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Forms\SubmissionState;
use Lantern\Core\Journey\Effects\AskToConfirm;
use Lantern\Core\Journey\Effects\Effect;

/** Asks somebody whether an address is theirs: a mail with a link that works once, for a while, and can be sent again. */
final readonly class Confirmations implements CarriesOut
{
    /** Mails for one filled-in form, and seconds between two of them. */
    public const MOST = 5;

    public const PAUSE = 60;

    public function __construct(private Planner $planner)
    {
    }

    public function carryOut(Effect $effect, EffectContext $context): void
    {
        if ($effect instanceof AskToConfirm && $context->submission !== null) {
            $this->ask($context->submission);
        }
    }

    /** Asks by email, unless their address was written to for such a thing often enough today: anybody can type any address. */
    public function ask(Submission $submission): void
    {
        if (! $this->planner->mayAsk($submission->person_id)) {
            return;
        }
        $confirmation = Confirmation::query()->create(['submission_id' => $submission->id,
            'expires_at' => CarbonImmutable::now()->addHours((int) config('lantern.links.confirm_hours'))]);
        $this->planner->planConfirmation($submission, $confirmation);
    }

    /** @return bool was another mail sent? Not if one went out within a minute, or five did already */
    public function again(Submission $submission): bool
    {
        return DB::transaction(function () use ($submission): bool {
            $before = Confirmation::query()->where('submission_id', $submission->id);
            if ($submission->state !== SubmissionState::Waiting || (clone $before)->count() >= self::MOST
                || (clone $before)->where('created_at', '>', CarbonImmutable::now()->subSeconds(self::PAUSE))->exists()) {
                return false;
            }
            $this->ask($submission);

            return true;
        });
    }

    public static function link(Confirmation $confirmation): string
    {
        return $confirmation->submission->funnel->site()->to("/c/{$confirmation->id}/".self::seal($confirmation->id));
    }

    /** Where somebody waits who was asked: it can be opened only from this link. */
    public static function waitingLink(Submission $submission): string
    {
        return $submission->funnel->site()->to(self::waitingPath($submission->id));
    }

    /** @param  string  $submission  its id */
    public static function waitingPath(string $submission): string
    {
        return "/c/wait/{$submission}/".self::seal("wait|{$submission}");
    }

    public static function seal(string $of): string
    {
        return Seal::of(SealPurpose::Confirmation, $of, 32);
    }

    public static function holds(string $seal, string $of): bool
    {
        return Seal::holds(SealPurpose::Confirmation, $of, $seal, 32);
    }
}
