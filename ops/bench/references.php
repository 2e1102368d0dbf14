<?php

declare(strict_types=1);

/* The reference programs that are installed, as commands that take a load on standard input. */

return array_filter([
    'libical' => (static function (): ?string {
        $program = sys_get_temp_dir() . '/syndex-libical-' . getmypid();
        $compiled = is_file('/usr/include/libical/ical.h') && trim((string) shell_exec('command -v cc')) !== ''
            && shell_exec('cc -O2 -o ' . escapeshellarg($program) . ' ' . escapeshellarg(__DIR__ . '/libical_bench.c') . ' -lical 2>&1 && echo done') === "done\n";
        register_shutdown_function(static fn() => is_file($program) && unlink($program));

        return $compiled ? escapeshellarg($program) : null;
    })(),
    'dateutil' => is_file('/usr/lib/python3/dist-packages/dateutil/rrule.py') ? '/usr/bin/python3 ' . escapeshellarg(__DIR__ . '/dateutil_bench.py') : null,
    'sabre' => is_dir(__DIR__ . '/../../vendor/sabre/vobject') ? PHP_BINARY . ' ' . escapeshellarg(__DIR__ . '/sabre_bench.php') : null,
]);
