<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Lantern\Core\People\EmailAddress;
use Lantern\Core\Support\Invalid;

// Domains are mapped as they are today (`faß.example` is no other domain), and an accent apart from its letter is the same letter.
return new class extends Migration
{
    public function up(): void
    {
        foreach (DB::table('people')->whereNull('erased_at')->whereRaw("email <> ''")->select(['id', 'business_id', 'email', 'email_key'])
            ->lazyById(500) as $person) {
            try {
                $key = EmailAddress::of((string) $person->email)->key;
            } catch (Invalid) {
                // It stays as it is; what cannot be written to fails when it is tried.
                continue;
            }
            $isTaken = $key !== $person->email_key && DB::table('people')->where('business_id', $person->business_id)
                ->where('email_key', $key)->exists();
            if ($key !== $person->email_key && ! $isTaken) {
                DB::table('people')->where('id', $person->id)->update(['email_key' => $key]);
            }
        }
    }
};
