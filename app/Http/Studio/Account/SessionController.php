<?php

declare(strict_types=1);

namespace App\Http\Studio\Account;

use App\Http\Studio\Json\KitJson;
use App\Models\Business;
use App\Models\User;
use App\Serving\Browser;
use App\Support\Hosts;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Closure;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Lantern\Core\Languages\Languages;

/** Signing in and out, and the owner's account on the very first visit. */
final class SessionController
{
    /** Bytes of a password that bcrypt looks at. */
    private const LONGEST_PASSWORD = 72;

    public function show(): JsonResponse
    {
        $user = Auth::user();

        return response()->json($user instanceof User ? $this->signedIn($user) : [
            'signedIn' => false,
            'firstRun' => ! User::query()->exists(),
            'demo' => config('lantern.demo') ? ['email' => 'imke@ferncroft.example', 'password' => 'twelve minutes a day'] : null,
            'zones' => timezone_identifiers_list(),
            'locales' => Languages::locales(),
        ]);
    }

    public function signIn(Request $request): JsonResponse
    {
        $given = $request->validate(['email' => ['required', 'string', 'max:254'], 'password' => ['required', 'string', 'max:500']],
            ['email.required' => 'Please fill in your email address.', 'password.required' => 'Please fill in your password.']);
        if (User::query()->where('email', mb_strtolower(trim($given['email'])))->doesntExist()) {
            // Nobody learns by the time it takes which addresses there are.
            Hash::make('nobody');
        }
        if (! Auth::attempt(['email' => mb_strtolower(trim($given['email'])), 'password' => $given['password']], remember: false)) {
            return response()->json(['message' => 'This address and password do not go together.',
                'errors' => ['password' => ['This address and password do not go together. Please check both.']]], 422);
        }

        return $this->welcome($request);
    }

    public function setUp(Request $request): JsonResponse
    {
        if (User::query()->exists()) {
            return response()->json(['message' => 'There is an owner already. Please sign in.'], 403);
        }
        $given = $request->validate([
            'name' => ['required', 'string', 'max:100'],
            'email' => ['required', 'email:rfc', 'max:254'],
            'password' => ['required', 'string', 'min:10', self::wholePassword(...)],
        ] + SettingsController::rules(),
            SettingsController::MESSAGES + ['password.min' => 'Please choose a password of ten characters or more.']);
        try {
            $user = $this->found($given);
        } catch (UniqueConstraintViolationException) {
            // Somebody else was quicker, between the question above and here.
            return response()->json(['message' => 'There is an owner already. Please sign in.'], 403);
        }
        Auth::login($user);

        return $this->welcome($request);
    }

    /** All of a password counts: what it is stored as has room for so many bytes, and for no byte that is none. */
    private static function wholePassword(string $field, mixed $password, Closure $fail): void
    {
        if (is_string($password) && (strlen($password) > self::LONGEST_PASSWORD || str_contains($password, "\0"))) {
            $fail(str_contains($password, "\0") ? 'Please choose a password of letters, digits and signs.'
                : 'Please choose a shorter password: '.self::LONGEST_PASSWORD.' letters at most, or fewer where they have accents or are '
                    .'not of the Latin alphabet. More than that would not count.');
        }
    }

    /** @param  array<string, mixed>  $given */
    private function found(array $given): User
    {
        return DB::transaction(function () use ($given): User {
            $business = Business::query()->create(SettingsController::columns($given));

            return User::query()->create(['business_id' => $business->id, 'name' => $given['name'],
                'email' => mb_strtolower($given['email']), 'password' => $given['password'], 'founder' => 1]);
        });
    }

    public function signOut(Request $request): JsonResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return response()->json(['signedIn' => false]);
    }

    private function welcome(Request $request): JsonResponse
    {
        $request->session()->regenerate();
        $user = Auth::user();
        if (! Hosts::areSeparate()) {
            // From here on this browser's visits to the public pages are the owner's. On a host of its own the site is told by “Open”.
            Cookie::queue(SiteCookies::give(SiteCookie::Owner, '1'));
        }

        return response()->json($user instanceof User ? $this->signedIn($user) : ['signedIn' => false]);
    }

    /** @return array<string, mixed> */
    private function signedIn(User $user): array
    {
        return [
            'signedIn' => true,
            'demo' => (bool) config('lantern.demo'),
            'user' => ['name' => $user->name, 'email' => $user->email],
            'business' => SettingsController::json($user->business),
            'looks' => KitJson::looks(),
            'kit' => KitJson::kit(),
            'siteUrl' => Hosts::site(), 'ownCode' => Hosts::areSeparate(),
            'zones' => timezone_identifiers_list(), 'locales' => Languages::locales(),
        ];
    }
}
