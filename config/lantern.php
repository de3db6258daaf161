<?php

declare(strict_types=1);

return [
    /** Where the Studio answers, and where all that visitors reach does. With one host for both, owners' own code does not run. */
    'studio_url' => env('STUDIO_URL', env('APP_URL', 'http://localhost')),
    'site_url' => env('SITE_URL', env('APP_URL', 'http://localhost')),
    /** Network addresses of this server, as the internet sees them; where none is named, those of the site's host. */
    'addresses' => array_values(array_filter(array_map('trim', explode(',', (string) env('SERVER_ADDRESSES', ''))))),
    /** Are published pages answered before the framework starts, where they can be? Off only for looking for faults. */
    'front' => (bool) env('LANTERN_FRONT', true),
    /** Network addresses of proxies that are believed who comes, and whether over https. */
    'trusted_proxies' => array_values(array_filter(array_map('trim', explode(',', (string) env('TRUSTED_PROXIES', ''))))),
    // Views of pages within an hour from one network address, beyond which pop-ups write nothing and show nothing.
    'popup_views_per_address' => (int) env('LANTERN_POPUP_VIEWS', 1000),
    // Megabytes left on the disk below which the owner is told.
    'disk_least_mb' => (int) env('LANTERN_DISK_LEAST_MB', 500),
    // The demo is loaded with one of so many of its visitors; tests need fewer than all.
    'demo_part' => (int) env('LANTERN_DEMO_PART', 1),

    /** Demo mode fills the sign-in form in and shows that the data is made up. Never on for a real business. */
    'demo' => (bool) env('LANTERN_DEMO', false),

    'uploads' => [
        'file_bytes' => 100 * 1024 * 1024,
        /** A recording of two hours fits. What PHP itself lets in is set apart, see docs/running.md. */
        'video_bytes' => 2 * 1024 * 1024 * 1024,
        'picture_bytes' => 15 * 1024 * 1024,
        'picture_pixels' => 40_000_000,
        'import_bytes' => 100 * 1000 * 1000,
    ],

    'signups' => [
        /** A form filled in faster than this was not filled in by a person. Seconds. */
        'least_seconds' => (float) env('LANTERN_LEAST_SECONDS', 1.5),
        /** How long a page may stay open before its form must be loaded anew. Seconds. */
        'token_seconds' => 7 * 24 * 3600,
        /** Sign-ups from one internet address in ten minutes: a class in one room fits, a flood does not. */
        'per_address' => (int) env('LANTERN_SIGNUPS_PER_ADDRESS', 40),
    ],

    /** Tries to sign in, for one address from one place; four times as many from one place in all. */
    'sign_ins_per_minute' => (int) env('LANTERN_SIGN_INS_PER_MINUTE', 5),

    'links' => [
        'email_days' => 30,
        'confirm_hours' => 72,
    ],

    'checkout' => [
        /** Tries to pay, and codes that hold for nothing, from one internet address in ten minutes. */
        'per_address' => (int) env('LANTERN_PAYMENTS_PER_ADDRESS', 30),
        'wrong_codes' => 10,
        /** For so long after paying an extra offer can be taken with one click. Minutes. */
        'fresh_minutes' => 30,
        /** A payment of which nothing is known any more is asked after for so long, and then given up. Minutes. */
        'give_up_minutes' => 30,
    ],
    /** Practice payments: seconds that its slow answers take, and until it tells of what it tells later. */
    'practice' => [
        'slow_seconds' => (float) env('LANTERN_PRACTICE_SLOW', 3),
        'later_seconds' => (int) env('LANTERN_PRACTICE_LATER', 10),
        'dispute_minutes' => (int) env('LANTERN_PRACTICE_DISPUTE', 5),
    ],

    /** Calls to addresses that an owner typed. */
    'outgoing' => [
        /** Hosts with their ports that may be called although they are on this machine or a private network, such as `localhost:8099`. */
        'allow' => array_filter(array_map('trim', explode(',', (string) env('LANTERN_OUTGOING_ALLOW', '')))),
        /** May addresses be called without https? */
        'http' => (bool) env('LANTERN_OUTGOING_HTTP', false),
    ],
    'messages' => [
        /** A message claimed longer ago than this was claimed by a worker that died. Seconds. */
        'stale_after' => (int) env('LANTERN_STALE_AFTER', 60),
        'attempts' => 6,
        /** For the test that kills a worker: seconds to wait between claiming a message and handing it over. */
        'pause_before_handover' => (float) env('LANTERN_PAUSE_BEFORE_HANDOVER', 0),
    ],
];
