<?php

declare(strict_types=1);

return [
    'driver' => 'argon2id',
    // 19 MiB, two passes, one lane: the least that OWASP's password storage notes advise for argon2id. Tests take less.
    'argon' => [
        'memory' => (int) env('ARGON_MEMORY', 19456),
        'time' => (int) env('ARGON_TIME', 2),
        'threads' => 1,
        'verify' => true,
    ],
    'rehash_on_login' => true,
];
