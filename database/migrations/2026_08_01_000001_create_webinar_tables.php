<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// A registration is somebody's place in one session, or their turn in its waiting list; it moves with them, and is closed once the
// session is over and it is known what became of it. `webinar_sessions` has a row for a session in which its host did something.
// What somebody has seen is kept as intervals, one row for each of their devices, and never as the reports that told of it.
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('registrations', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->foreignUlid('funnel_id')->constrained();
            $table->foreignUlid('version_id')->constrained();
            $table->ulid('webinar_id');
            $table->foreignUlid('person_id')->constrained();
            $table->ulid('submission_id')->nullable()->index();
            $table->string('session_key', 16);
            $table->timestamp('starts_at', 3);
            $table->timestamp('ends_at', 3);
            $table->string('zone', 60);
            $table->string('state', 10);
            // 1 while it is theirs, null once it is over or cancelled: one person has one session of a webinar before them.
            $table->unsignedTinyInteger('open')->nullable()->default(1);
            // Goes up with each change: the sequence number of its calendar file.
            $table->unsignedInteger('number')->default(0);
            $table->boolean('owner')->default(false);
            $table->timestamp('registered_at', 3);
            $table->timestamp('chosen_at', 3);
            $table->timestamp('settle_at', 3)->nullable();
            $table->timestamp('settled_at', 3)->nullable();
            $table->timestamp('cancelled_at', 3)->nullable();
            $table->timestamp('came_at', 3)->nullable();
            $table->timestamp('attended_at', 3)->nullable();
            $table->timestamp('saw_offer_at', 3)->nullable();
            $table->timestamp('left_early_at', 3)->nullable();
            $table->timestamp('missed_at', 3)->nullable();
            $table->timestamp('watched_replay_at', 3)->nullable();
            $table->unsignedInteger('live_seconds')->default(0);
            $table->unsignedInteger('replay_seconds')->default(0);
            $table->unique(['webinar_id', 'person_id', 'open']);
            $table->index(['webinar_id', 'session_key', 'state']);
            $table->index(['person_id', 'webinar_id']);
            $table->index(['open', 'settle_at']);
        });
        Schema::create('webinar_sessions', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->foreignUlid('funnel_id')->constrained();
            $table->ulid('webinar_id');
            $table->string('session_key', 16);
            $table->timestamp('starts_at', 3);
            $table->timestamp('ends_at', 3);
            $table->timestamp('begun_at', 3)->nullable();
            $table->timestamp('ended_at', 3)->nullable();
            $table->timestamp('cancelled_at', 3)->nullable();
            // The second at which the host showed the offer; and that it is hidden again.
            $table->unsignedInteger('offer_second')->nullable();
            $table->boolean('offer_hidden')->default(false);
            $table->unique(['webinar_id', 'session_key']);
        });
        Schema::create('room_devices', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('registration_id')->constrained()->cascadeOnDelete();
            $table->char('device', 16);
            $table->string('kind', 6);
            $table->timestamp('first_at', 3);
            $table->timestamp('last_at', 3);
            $table->json('intervals');
            $table->unique(['registration_id', 'device', 'kind']);
            $table->index(['kind', 'last_at']);
        });
        Schema::create('room_questions', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->ulid('webinar_id');
            $table->string('session_key', 16);
            $table->foreignUlid('registration_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('person_id')->constrained();
            $table->char('device', 16);
            $table->unsignedInteger('second')->default(0);
            $table->text('words');
            $table->string('state', 10);
            $table->text('answer')->nullable();
            $table->timestamp('asked_at', 3);
            $table->timestamp('changed_at', 3)->nullable();
            $table->index(['webinar_id', 'session_key', 'id']);
            $table->index(['registration_id', 'id']);
        });
        Schema::create('room_polls', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->ulid('webinar_id');
            $table->string('session_key', 16);
            $table->string('question', 200);
            $table->json('options');
            $table->timestamp('opened_at', 3);
            $table->timestamp('closed_at', 3)->nullable();
            $table->index(['webinar_id', 'session_key']);
        });
        Schema::create('room_votes', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('poll_id')->constrained('room_polls')->cascadeOnDelete();
            $table->foreignUlid('registration_id')->constrained()->cascadeOnDelete();
            $table->unsignedTinyInteger('choice');
            $table->unique(['poll_id', 'registration_id']);
        });
        Schema::table('submissions', function (Blueprint $table): void {
            // The session that was chosen in it: its webinar, key, and the zone it was chosen in.
            $table->json('session')->nullable();
        });
        Schema::table('uploads', function (Blueprint $table): void {
            // How long a video is; null where its file does not say.
            $table->unsignedInteger('seconds')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('uploads', fn (Blueprint $table) => $table->dropColumn('seconds'));
        Schema::table('submissions', fn (Blueprint $table) => $table->dropColumn('session'));
        foreach (['room_votes', 'room_polls', 'room_questions', 'room_devices', 'webinar_sessions', 'registrations'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
