<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

// A published page is a row of its own: all that a visit to it reads. The text of a form's email that asks for
// confirmation is called its body, as that of any other email is.
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('published_pages', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('version_id')->constrained()->cascadeOnDelete();
            $table->ulid('page_id');
            $table->string('role', 30);
            $table->string('address', 60);
            $table->text('html');
            // By slot: what of the plan it is filled with.
            $table->json('slots');
            $table->json('policy');
            // The revision of the renderer that drew it.
            $table->unsignedInteger('drawn_by');
            $table->unique(['version_id', 'page_id']);
            $table->index(['version_id', 'address']);
        });
        foreach (DB::table('versions')->select(['id', 'plan'])->lazyById(20) as $version) {
            $plan = json_decode((string) $version->plan, true);
            // Plans of earlier formats list their pages by themselves.
            foreach ($plan['pages'] ?? array_filter($plan['parts'], fn (array $part): bool => $part['kind'] === 'page') as $page) {
                // Drawn anew from its plan by lantern:redraw, or else by the first visit.
                DB::table('published_pages')->insert(['version_id' => $version->id, 'page_id' => $page['id'], 'role' => $page['role'],
                    'address' => $page['address'], 'html' => '', 'slots' => '{}', 'policy' => '{}', 'drawn_by' => 0]);
            }
        }
        foreach (DB::table('draft_parts')->where('kind', 'form')->get(['id', 'definition']) as $form) {
            $definition = (array) json_decode((string) $form->definition, true);
            if (isset($definition['confirm']['letter'])) {
                $definition['confirm']['body'] = $definition['confirm']['letter'];
                unset($definition['confirm']['letter']);
                DB::table('draft_parts')->where('id', $form->id)->update(['definition' => json_encode($definition, JSON_THROW_ON_ERROR)]);
            }
        }
        Schema::table('versions', fn (Blueprint $table) => $table->dropColumn(['rendered', 'drawn_by']));
    }
};
