<?php

declare(strict_types=1);

return [
    'default' => 'database',
    'stores' => ['database' => ['driver' => 'database', 'table' => 'cache', 'lock_table' => 'cache_locks'], 'array' => ['driver' => 'array'], 'progress' => ['driver' => 'database', 'connection' => 'progress', 'table' => 'cache', 'lock_table' => 'cache_locks']],
    'prefix' => 'syndex-',
];
