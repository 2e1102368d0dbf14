<?php

declare(strict_types=1);

return [
    // In the database, so that any node can answer the next request.
    'driver' => 'sparing',
    'lifetime' => 12 * 60,
    'expire_on_close' => false,
    'encrypt' => true,
    'table' => 'sessions',
    'cookie' => 'syndex_session',
    'path' => '/',
    'secure' => str_starts_with((string) env('APP_URL', ''), 'https://'),
    'http_only' => true,
    'same_site' => 'lax',
    'lottery' => [2, 100],
];
