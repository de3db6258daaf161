<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A funnel has a language, and its pages one of their own only where it differs. Before, each page had one, English if none was named. */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['businesses', 'funnels'] as $owners) {
            Schema::table($owners, fn (Blueprint $table) => $table->string('language', 24)->default('en'));
        }
        Schema::table('published_pages', fn (Blueprint $table) => $table->string('language', 24)->default('en'));
        Schema::table('people', fn (Blueprint $table) => $table->string('language', 24)->nullable());
        DB::table('funnels')->select('id')->orderBy('id')->each(function (object $funnel): void {
            $pages = DB::table('draft_parts')->where('funnel_id', $funnel->id)->where('kind', 'page')
                ->orderByRaw('removed is not null')->orderBy('position')
                ->get(['id', 'definition']);
            $languages = [];
            foreach ($pages as $page) {
                $languages[$page->id] = json_decode($page->definition, true)['settings']['language'] ?? 'en';
            }
            $funnels = reset($languages) ?: 'en';
            DB::table('funnels')->where('id', $funnel->id)->update(['language' => $funnels]);
            foreach ($pages as $page) {
                $definition = json_decode($page->definition, true);
                $settings = is_array($definition['settings'] ?? null) ? $definition['settings'] : [];
                unset($settings['language']);
                $settings += $languages[$page->id] === $funnels ? [] : ['language' => $languages[$page->id]];
                $definition = array_diff_key($definition, ['settings' => 0]) + ($settings === [] ? [] : ['settings' => $settings]);
                DB::table('draft_parts')->where('id', $page->id)->update(['definition' => json_encode($definition,
                    JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)]);
            }
        });
    }

    public function down(): void
    {
        foreach (['people', 'businesses', 'funnels', 'published_pages'] as $table) {
            Schema::table($table, fn (Blueprint $blueprint) => $blueprint->dropColumn('language'));
        }
    }
};
