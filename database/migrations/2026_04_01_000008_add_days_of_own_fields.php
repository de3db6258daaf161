<?php

declare(strict_types=1);

use App\People\Fields\OwnFields;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

// What is a day there is, and what is a number, is decided once, when a value is stored.
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('person_values', function (Blueprint $table): void {
            $table->string('day', 10)->nullable();
        });
        foreach (DB::table('person_values')->where(fn ($q) => $q->whereNotNull('number')->orWhere('value', 'like', '____-__-__'))
            ->select(['id', 'person_id', 'name', 'value'])->lazyById(1000) as $row) {
            DB::table('person_values')->where('id', $row->id)
                ->update(array_intersect_key(OwnFields::row($row->person_id, $row->name, $row->value), ['number' => 0, 'day' => 0]));
        }
    }
};
