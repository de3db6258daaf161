<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('businesses', function (Blueprint $table): void {
            // From where videos may be shown on pages.
            $table->json('embed_hosts')->default('[]');
        });
        Schema::table('uploads', function (Blueprint $table): void {
            // How dark and how light a picture gets, so that words on it can be read.
            $table->json('tones')->nullable();
            // The ending of the copy for browsers that know no WebP.
            $table->string('fallback', 4)->nullable();
        });
        Schema::table('funnels', function (Blueprint $table): void {
            $table->json('look_changes')->default('{}');
            $table->ulid('logo')->nullable();
            $table->ulid('icon')->nullable();
            $table->json('fields')->default('{}');
            $table->json('parameters')->default('[]');
        });
        DB::statement("update funnels set look_changes = json_object('accent', accent) where accent is not null");
        Schema::table('funnels', function (Blueprint $table): void {
            $table->dropColumn('accent');
        });
        Schema::table('pages', function (Blueprint $table): void {
            $table->json('settings')->default('{}');
            // What to put back when a page that was taken out is wanted again: its address, place and ways.
            $table->json('taken_out')->nullable();
        });
        Schema::table('versions', function (Blueprint $table): void {
            // By which revision of the renderer its pages were drawn; see PageRenderer::REVISION.
            $table->unsignedInteger('drawn_by')->default(1);
        });
        Schema::create('shared_sections', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('funnel_id')->constrained()->cascadeOnDelete();
            $table->string('name', 120);
            $table->json('section');
            $table->unsignedInteger('revision')->default(1);
            $table->timestamps(3);
        });
        // Pages and sections an owner keeps as designs of their own, for any funnel.
        Schema::create('own_designs', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->string('kind', 10);
            $table->string('name', 120);
            $table->string('role', 20);
            $table->json('document');
            $table->timestamp('deleted_at', 3)->nullable();
            $table->timestamps(3);
            $table->index(['business_id', 'kind']);
        });
        // Addresses that were public once. They lead on for good.
        Schema::create('old_addresses', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('funnel_id')->constrained()->cascadeOnDelete();
            $table->ulid('page_id')->nullable();
            $table->string('address', 60);
            $table->timestamps(3);
            $table->unique(['funnel_id', 'page_id', 'address']);
            $table->index('address');
        });
    }
};
