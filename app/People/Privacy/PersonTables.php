<?php

declare(strict_types=1);

namespace App\People\Privacy;

use Illuminate\Support\Facades\DB;

/** Every table with rows that belong to people. Merging, erasing, archiving and the history go through here; a test holds it complete. */
final class PersonTables
{
    /** @return list<PersonTable> */
    public static function all(): array
    {
        return [
            PersonTable::of('events')->toldBy(EventHistory::class)->keptAsNumbers(['data' => null]),
            PersonTable::of('submissions')
                ->keptAsNumbers(['answers' => '{}', 'ip' => null, 'user_agent' => null, 'source' => null, 'confirmed_ip' => null,
                    'visitor' => null, 'token' => DB::raw('lower(hex(randomblob(16)))')]),
            PersonTable::of('messages')->toldBy(MessageHistory::class)
                ->keptAsNumbers(['to_address' => '', 'subject' => '', 'html' => null, 'text' => null, 'content' => null,
                    'trouble' => null]),
            PersonTable::of('experiment_people')->keptAsNumbers([]),
            PersonTable::of('visitor_person'),
            PersonTable::of('person_notes')->archivedAs('notes', ['words', 'created_at'], canBeDeleted: true),
            PersonTable::of('person_tag')->onceBy('tag_id'),
            PersonTable::of('person_values')->onceBy('name'),
            PersonTable::of('deliveries')->onceBy('lead_magnet_id'),
            PersonTable::of('enrolments')->onceBy('sequence_id')
                ->archivedAs('sequences', ['sequence_id', 'started_at', 'ended_at', 'ended_why']),
            PersonTable::of('opt_outs')->onceBy('what')->archivedAs('optOuts', ['what', 'at']),
            PersonTable::of('orders')->archivedAs('orders', ['number', 'state', 'currency', 'total', 'paid', 'refunded', 'email', 'name',
                'placed_at', 'bought_at'])->keptAsNumbers(['email' => '', 'name' => '', 'ip' => null, 'visitor' => null, 'source' => null,
                    'method' => null, 'card_ends' => null, 'token' => DB::raw('lower(hex(randomblob(16)))')]),
            PersonTable::of('deadline_facts')->toldBy(DeadlineHistory::class)->archivedAs('deadlineFacts', ['name', 'type', 'at',
                'ends_at', 'why']),
            PersonTable::of('deadline_runs')->archivedAs('deadlines', ['name', 'started_at', 'ends_at', 'why']),
            PersonTable::of('popup_facts')->archivedAs('popups', ['name', 'type', 'at'])->keptAsNumbers(['visitor' => null]),
            PersonTable::of('registrations')->openOnceBy('webinar_id')->toldBy(RegistrationHistory::class)->archivedAs('webinars',
                ['webinar_id', 'starts_at', 'zone', 'state', 'registered_at', 'came_at', 'live_seconds', 'replay_seconds', 'attended_at',
                    'saw_offer_at', 'left_early_at', 'missed_at', 'watched_replay_at'])
                ->keptAsNumbers(['open' => null, 'submission_id' => null, 'zone' => 'UTC']),
            PersonTable::of('room_questions')->archivedAs('questions', ['words', 'answer', 'asked_at']),
            PersonTable::of('accesses')->archivedAs('access', ['product', 'state', 'given_at']),
            PersonTable::of('coupon_uses')->keptAsNumbers(['code' => '']),
            // What of them is of the same guide has become one before: Readings::merge.
            PersonTable::of('guide_readings')->archivedAs('guides', ['guide_id', 'opened_at']),
            PersonTable::of('guide_progress')->archivedAs('guideProgress', ['guide_id', 'opened_at', 'begun_at', 'finished_at', 'last_at',
                'seconds', 'stays', 'share']),
            PersonTable::of('guide_pages_seen')->archivedAs('guidePages', ['guide_id', 'page_id', 'seconds', 'scrolled', 'stays',
                'read_at']),
            PersonTable::of('hook_calls'),
            PersonTable::of('rule_runs')->onceBy('occurrence')->toldBy(RuleHistory::class)
                ->archivedAs('rules', ['rule_id', 'why', 'state', 'happened_at', 'acted_at', 'did']),
            PersonTable::of('warm_days')->endingWithThem(),
            PersonTable::of('import_changes')->endingWithThem(),
            PersonTable::of('bulk_act_people')->endingWithThem(),
        ];
    }
}
