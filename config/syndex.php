<?php

declare(strict_types=1);

return [
    // The domain of meeting addresses and of the envelope sender; answers and bounces come back to it.
    'mail_domain' => env('MAIL_DOMAIN', 'syndex.example'),
    // The name that stands on mails about accounts.
    // As it names itself in Authentication-Results (RFC 8601 2.5): only what it found is believed.
    'mail_server' => env('MAIL_SERVER', 'mail.' . env('MAIL_DOMAIN', 'syndex.example')),

    'mail_name' => env('MAIL_NAME', 'Syndex'),

    // The key with which mails are signed (RFC 6376): a file with the private key in PEM, and the selector under which its public
    // half stands in the DNS. Without one, nothing is signed.
    'dkim' => ['key_file' => env('DKIM_KEY_FILE'), 'selector' => env('DKIM_SELECTOR', 'syndex')],

    // A table that stands in for the DNS in tests: a JSON file, texts by name.
    'dns_table' => env('DNS_TABLE'),

    // Where mail is handed over (RFC 5321).
    'post_room' => [
        'host' => env('POSTROOM_HOST', '127.0.0.1'),
        'port' => (int) env('POSTROOM_SMTP_PORT', 2525),
        'page' => env('POSTROOM_PAGE'),
        // To reach it and be greeted; and to wait for its word on a mail (RFC 5321 4.5.3.2.6 asks for ten minutes).
        'greeting_seconds' => 20,
        'answer_seconds' => (int) env('POSTROOM_ANSWER_SECONDS', 600),
    ],

    // The conferencing service.
    'bridge' => [
        'url' => env('BRIDGE_URL', 'http://127.0.0.1:2626'),
        'key' => env('BRIDGE_KEY', ''),
        'timeout_seconds' => 4,
    ],

    // The push channel of nginx; publishing has its own loopback port.
    'live' => ['publish_url' => env('LIVE_PUBLISH_URL')],

    'outbox' => [
        // How long a sent meeting can be taken back.
        'hold_seconds' => (int) env('OUTBOX_HOLD_SECONDS', 10),
        // Pauses before each further try; after the last, the dispatch is given up aloud.
        'pauses_seconds' => [30, 120, 600, 1800, 7200, 21600],
        // Pauses between looks for a relay that is away; the last one is kept.
        'look_seconds' => [2, 4, 8, 15, 30],
    ],

    // Proxies in front of us whose X-Forwarded-For is believed: addresses or networks, parted by commas; none by default.
    'trusted_proxies' => array_values(array_filter(array_map(trim(...), explode(',', (string) env('TRUSTED_PROXIES', ''))), static fn(string $p): bool => $p !== '')),

    // Occurrences are laid down so far ahead.
    // What start wrote down of the zones; only the servers of a house have it.
    'zone_tables' => env('ZONE_TABLES'),
    'horizon_days' => 400,
    // What a calendar feed may take.
    'calendars' => ['url' => env('CALENDARS_URL', ''), 'connect_seconds' => 5, 'seconds' => (int) env('CALENDARS_SECONDS', '30')],

    // Whether this is the demo, whose accounts answer on loopback only.
    'demo' => (bool) env('SYNDEX_DEMO', false),
];
