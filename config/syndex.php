<?php

declare(strict_types=1);

return [
    // The domain of meeting addresses and of the envelope sender; answers and bounces come back to it.
    'mail_domain' => env('MAIL_DOMAIN', 'syndex.example'),
    // The name that stands on mails about accounts.
    'mail_name' => env('MAIL_NAME', 'Syndex'),

    // Where mail is handed over (RFC 5321).
    'post_room' => [
        'host' => env('POSTROOM_HOST', '127.0.0.1'),
        'port' => (int) env('POSTROOM_SMTP_PORT', 2525),
        'page' => env('POSTROOM_PAGE'),
        'timeout_seconds' => 20,
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
        // A dispatch claimed so long ago belongs to a worker that died.
        'claim_seconds' => 120,
    ],

    // Occurrences are laid down so far ahead.
    'horizon_days' => 400,

    // Whether this is the demo, whose accounts answer on loopback only.
    'demo' => (bool) env('SYNDEX_DEMO', false),
];
