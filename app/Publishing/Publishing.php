<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Deadlines\MoveDeadlines;
use App\Deadlines\PublishedDeadlines;
use App\Drafts\DraftPlan;
use App\Experiments\RunningTests;
use App\Mail\Sequences\CarryChange;
use App\Models\Enrolment;
use App\Models\Funnel;
use App\Models\OldAddress;
use App\Models\PublishedPage;
use App\Models\User;
use App\Models\Version;
use App\Records\GuideFacts;
use App\Records\Readings;
use App\Serving\PublishedPages;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Checks\GoLiveCheck;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Plan\Plan;

/** Draft, version, switch: the only way anything reaches the public. */
final readonly class Publishing
{
    public function __construct(private PublishedPages $pages, private FunnelCheck $check, private PublishedDeadlines $deadlines)
    {
    }

    /**
     * Compiles the draft to the next version and makes it live, in one transaction. A draft that is live already,
     * word for word, is not published again: its version is returned.
     *
     * @param  list<string>  $move  ids of the deadlines of which those that run follow the new rule; all others keep what was promised
     *
     * @throws NotReady when the go-live check finds blockers
     */
    public function publish(Funnel $funnel, ?User $by, string $note = '', array $move = []): Version
    {
        return DB::transaction(function () use ($funnel, $by, $note, $move): Version {
            $plan = DraftPlan::read(Funnel::query()->findOrFail($funnel->id))->withoutUnused();
            $findings = $this->check->of($funnel, $plan);
            if (GoLiveCheck::blocked($findings)) {
                throw new NotReady($findings);
            }
            $live = $funnel->live_version_id === null ? null : Version::query()->find($funnel->live_version_id);
            $version = $live !== null && $live->fingerprint === self::fingerprint($plan) ? $live : Version::query()->create([
                'funnel_id' => $funnel->id,
                'number' => 1 + (int) Version::query()->where('funnel_id', $funnel->id)->max('number'),
                'note' => $note,
                'plan' => $plan->toArray(),
                'fingerprint' => self::fingerprint($plan),
                'published_by' => $by?->id,
                'published_at' => CarbonImmutable::now(),
            ]);
            $this->pages->write($version, $plan, $funnel->business);
            self::rememberTriggers($version, $plan);
            $this->switchTo($funnel, $version);
            foreach ($move as $deadline) {
                MoveDeadlines::dispatch($version->id, $deadline);
            }

            return $version;
        });
    }

    /** What a version waits for, so that what happens elsewhere finds it without reading its plan. */
    public static function rememberTriggers(Version $version, Plan $plan): void
    {
        DB::table('version_triggers')->insertOrIgnore(array_map(fn (string $key): array => ['version_id' => $version->id,
            'trigger_key' => $key], $plan->listensTo()));
    }

    /** Makes a version the live one, be it a new, an earlier or a later one. The draft stays as it is. */
    public function switchTo(Funnel $funnel, Version $version): void
    {
        DB::transaction(function () use ($funnel, $version): void {
            $live = Version::query()->whereKey(Funnel::query()->whereKey($funnel->id)->value('live_version_id'))->first();
            if ($live !== null && $live->id !== $version->id) {
                self::rememberAddresses($funnel, $live->plan(), $version->plan());
            }
            $funnel->forceFill(['state' => FunnelState::Live, 'live_version_id' => $version->id])->save();
            $funnel->setRelation('liveVersion', $version);
            OpeningHours::follow($funnel);
            $this->deadlines->follow($funnel, $version);
            RunningTests::follow($funnel, $version, CarbonImmutable::now());
            foreach (PublishedPage::query()->where('version_id', $version->id)->whereNotNull('guide')->get(['page_id',
                'guide']) as $guide) {
                Readings::publish($guide->page_id, GuideFacts::fromArray($guide->guide ?? []));
            }
            if (Enrolment::query()->where('funnel_id', $funnel->id)->whereNull('ended_at')->exists()) {
                CarryChange::dispatch($funnel->id);
            }
        });
    }

    /**
     * Whatever address a page had in public leads to it for good; one that several pages had in turn, to the last of them.
     * A page that is gone keeps its own, too, for the day it is public again.
     */
    private static function rememberAddresses(Funnel $funnel, Plan $was, Plan $is): void
    {
        foreach ([...$was->pages, ...$was->guides] as $page) {
            if ($page->address !== '' && $is->page($page->id)?->address !== $page->address) {
                $old = ['funnel_id' => $funnel->id, 'page_id' => $page->id, 'address' => $page->address];
                OldAddress::query()->where($old)->delete();
                OldAddress::query()->create($old);
            }
        }
    }

    /** Takes the funnel off the public web; its links then say so kindly. */
    public function close(Funnel $funnel): void
    {
        $funnel->forceFill(['state' => FunnelState::Closed])->save();
    }

    /** Does the draft differ from what is live? */
    public static function differs(Funnel $funnel, Plan $draft): bool
    {
        $live = $funnel->liveVersion;
        $draft = $draft->withoutUnused();

        // A version of an earlier format has another fingerprint for the same plan; read anew, it has today's.
        return $live === null
            || ($live->fingerprint !== self::fingerprint($draft) && self::fingerprint($live->plan()) !== self::fingerprint($draft));
    }

    public static function fingerprint(Plan $plan): string
    {
        return hash('sha256', json_encode($plan->toArray(), JSON_THROW_ON_ERROR));
    }
}
