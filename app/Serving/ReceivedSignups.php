<?php

declare(strict_types=1);

namespace App\Serving;

use App\Forms\Signup;
use App\Forms\TakeSignup;
use App\Models\Funnel;
use App\Models\Version;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use RuntimeException;
use stdClass;
use Throwable;

/**
 * Forms that were written down as they came, and are taken in: the person, the submission and all that follows, as of the moment at which
 * each was sent. Each is taken in once, in one transaction with the end of its row: a process that dies in between leaves it as it was.
 *
 * @phpstan-import-type Sent from ReceivedSignup
 */
final readonly class ReceivedSignups
{
    /** What cannot be taken in is tried again after so many minutes, times the number of tries; it is never thrown away. */
    private const AGAIN = 1;

    public function __construct(private TakeSignup $takeSignup)
    {
    }

    /** With nearly every request it is asked, and nearly always there is none. */
    public static function any(): bool
    {
        return DB::scalar('select exists (select 1 from received_signups)') == 1;
    }

    /** That of which the submission is asked for, unless it was tried in vain just now. */
    public function takeOf(string $submission): void
    {
        $id = self::any() ? DB::table('received_signups')->where('submission', $submission)
            ->where('next_try', '<=', CarbonImmutable::now()->utc()->format(ReceivedSignup::AT))->value('id') : null;
        if ($id !== null) {
            $this->take((int) $id);
        }
    }

    public function take(int $id): void
    {
        $row = DB::table('received_signups')->where('id', $id)->first();
        try {
            DB::transaction(function () use ($row): void {
                // Whoever ends the row takes it in.
                if ($row !== null && DB::table('received_signups')->where('id', $row->id)->delete() === 1) {
                    $this->takeSignup->take(self::signup($row));
                }
            });
        } catch (Throwable $e) {
            if ($row === null || BusyPage::isWhy($e)) {
                throw $e;
            }
            report(new RuntimeException("The sign-up {$row->submission} could not be taken in; it is tried again.", previous: $e));
            $tries = (int) $row->tries + 1;
            DB::table('received_signups')->where('id', $row->id)->update(['tries' => $tries,
                'next_try' => CarbonImmutable::now()->addMinutes(self::AGAIN * $tries)->utc()->format(ReceivedSignup::AT)]);
        }
    }

    private static function signup(stdClass $row): Signup
    {
        $funnel = Funnel::query()->with('business')->whereKey($row->funnel_id)->firstOrFail();
        $version = Version::query()->whereKey($row->version_id)->firstOrFail();
        $plan = $version->plan();
        $page = $plan->pageAs((string) $row->page_id, (string) $row->variant);
        $form = $plan->form((string) $row->form_id);
        if ($page === null || $form === null) {
            throw new RuntimeException("The form of the sign-up {$row->submission} is not in the version from which it was sent.");
        }
        /** @var Sent $sent */
        $sent = json_decode((string) $row->sent, true, flags: JSON_THROW_ON_ERROR);
        $answers = ReceivedSignup::answers($form, $sent);

        return new Signup($funnel, $version, $page, $form, $answers, $sent['nonce'], CarbonImmutable::parse((string) $row->at, 'UTC'),
            (string) $row->visitor, $row->zone === null ? null : (string) $row->zone, Source::read($sent['source']),
            (string) $row->ip, $row->user_agent === null ? null : (string) $row->user_agent, id: (string) $row->submission);
    }
}
