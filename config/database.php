<?php

declare(strict_types=1);

$mariadb = [
            'driver' => 'mariadb',
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '3306'),
            'unix_socket' => env('DB_SOCKET', ''),
            'database' => env('DB_DATABASE', 'syndex'),
            'username' => env('DB_USERNAME', 'syndex'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8mb4',
            'collation' => 'utf8mb4_unicode_ci',
            'strict' => true,
            'engine' => 'InnoDB',
            // What is read after a lock is what stands there now, and no gap is locked in which nothing stands.
            'isolation_level' => 'READ COMMITTED',
            // Columns hold UTC; MariaDB has no zone tables here, so an offset and not a name.
            'timezone' => '+00:00',
];

return [
    'default' => 'mariadb',
    // "progress" tells how far something is while its own transaction is still open.
    'connections' => ['mariadb' => $mariadb, 'progress' => $mariadb],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
