<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Upgrades;
use Lantern\Core\Rules\EarlierRules;

return new class extends Migration
{
    public function up(): void
    {
        // What versions wait for: an event is held against it by its key.
        Schema::create('version_triggers', function (Blueprint $table): void {
            $table->foreignUlid('version_id')->constrained()->cascadeOnDelete();
            $table->string('trigger_key', 80);
            $table->primary(['version_id', 'trigger_key']);
            $table->index('trigger_key');
        });
        foreach (DB::table('versions')->orderBy('id')->lazyById(50) as $version) {
            foreach (Plan::fromArray(json_decode((string) $version->plan, true))->listensTo() as $key) {
                DB::table('version_triggers')->insertOrIgnore(['version_id' => $version->id, 'trigger_key' => $key]);
            }
        }
        $this->triggersOfSequences();
        $this->rules();
        // Counts by page, variant, day in the owner's zone, and measure; they can be rebuilt from the events at any time.
        Schema::create('counts', function (Blueprint $table): void {
            $table->ulid('funnel_id');
            $table->ulid('page_id');
            $table->string('variant', 10)->default('');
            $table->date('day');
            $table->string('measure', 20);
            $table->unsignedBigInteger('how_many')->default(0);
            // Money, in the smallest unit of the business's currency.
            $table->bigInteger('how_much')->default(0);
            $table->primary(['funnel_id', 'page_id', 'day', 'measure', 'variant']);
        });
        foreach (['views' => 'views', 'visitors' => 'visitors', 'new_visitors' => 'first-visitors', 'signups' => 'signups',
            'downloads' => 'downloads'] as $column => $measure) {
            DB::statement("insert into counts (funnel_id, page_id, variant, day, measure, how_many, how_much)
                select funnel_id, page_id, '', day, '{$measure}', {$column}, 0 from daily_counts where {$column} > 0");
        }
        Schema::drop('daily_counts');
        Schema::rename('letter_parts', 'email_parts');
        $this->jobsWhereTheyAreNow();
    }

    /** Forms named the sequences they start and end; a sequence says itself what it waits for. */
    private function triggersOfSequences(): void
    {
        foreach (DB::table('funnels')->pluck('id') as $funnel) {
            $forms = array_values(DB::table('forms')->where('funnel_id', $funnel)->get(['id', 'definition'])
                ->map(fn ($f): array => ['id' => $f->id] + (array) json_decode((string) $f->definition, true))->all());
            foreach (DB::table('sequences')->where('funnel_id', $funnel)->get(['id', 'definition']) as $sequence) {
                $new = Upgrades::sequenceTriggers(['id' => $sequence->id] + (array) json_decode((string) $sequence->definition, true),
                    $forms);
                DB::table('sequences')->where('id', $sequence->id)
                    ->update(['definition' => json_encode((object) array_diff_key($new, ['id' => 0]), JSON_THROW_ON_ERROR)]);
            }
            foreach ($forms as $form) {
                DB::table('forms')->where('id', $form['id'])
                    ->update(['definition' => json_encode((object) array_diff_key($form, ['id' => 0, 'start' => 0, 'stop' => 0]),
                        JSON_THROW_ON_ERROR)]);
            }
        }
    }

    /** Rules about people are written with keys that mean one thing each. */
    private function rules(): void
    {
        foreach (['segments' => 'rules', 'broadcasts' => 'audience', 'emails' => 'only'] as $table => $column) {
            foreach (DB::table($table)->whereNotNull($column)->get(['id', $column]) as $row) {
                DB::table($table)->where('id', $row->id)
                    ->update([$column => json_encode(EarlierRules::upgrade((array) json_decode((string) $row->{$column}, true)),
                        JSON_THROW_ON_ERROR)]);
            }
        }
        foreach (['emails', 'broadcasts', 'letter_parts'] as $table) {
            foreach (DB::table($table)->where('body', 'like', '%data-only%')->get(['id', 'body']) as $row) {
                DB::table($table)->where('id', $row->id)->update(['body' => EarlierRules::inBody((string) $row->body)]);
            }
        }
    }

    /** Work that waits in the queue names the class that does it. */
    private function jobsWhereTheyAreNow(): void
    {
        $moved = ['SendMessage' => 'Mail\\Sending', 'ReportBack' => 'Mail\\Sending', 'CarryChange' => 'Mail\\Sequences',
            'ResumeSequence' => 'Mail\\Sequences',
            'FollowBulkAct' => 'People\\Bulk', 'ImportPeople' => 'People\\Import', 'UndoImport' => 'People\\Import',
            'CallHook' => 'Webhooks'];
        foreach (DB::table('jobs')->where('payload', 'like', '%Jobs%')->get(['id', 'payload']) as $job) {
            $payload = (array) json_decode((string) $job->payload, true);
            $class = (string) ($payload['displayName'] ?? '');
            $short = substr($class, (int) strrpos($class, '\\') + 1);
            if (! isset($moved[$short])) {
                continue;
            }
            $new = "App\\{$moved[$short]}\\{$short}";
            $payload['displayName'] = $payload['data']['commandName'] = $new;
            $payload['data']['command'] = str_replace('O:'.strlen($class).":\"{$class}\"", 'O:'.strlen($new).":\"{$new}\"",
                (string) $payload['data']['command']);
            DB::table('jobs')->where('id', $job->id)->update(['payload' => json_encode($payload, JSON_THROW_ON_ERROR)]);
        }
    }
};
