<?php

declare(strict_types=1);

/*
 * Lists the processes that belong to one house, a line each: process id, start time (ticks since the machine's start), program.
 * A house is known by its folders, not by the names of programs: what runs here for others is never listed.
 *
 * Usage: processes.php VAR RUN LOG POOL [PROGRAM]
 */

[, $var, $run, $log, $pool] = $argv;
$wanted = $argv[5] ?? null;
$programs = ['mariadbd' => 'database', 'nginx' => 'web', 'php-fpm8.2' => 'php', 'node' => 'standin', 'nodejs' => 'standin', 'php8.2' => 'worker', 'python3' => 'supervisor'];

$ofHouse = static function (string $folder, string $program) use ($var, $run, $log, $pool): bool {
    $command = strtr((string) @file_get_contents("$folder/cmdline"), "\0", ' ');
    $isFromHere = static fn(): bool => in_array("SYNDEX_VAR=$var", explode("\0", (string) @file_get_contents("$folder/environ")), true);

    return match ($program) {
        'database' => str_contains($command, "--datadir=$var/db "),
        'supervisor' => str_contains($command, "supervisord -c $run/supervisord.conf"),
        // Their children hide what they were called with, but not which files they write, nor the name of their pool.
        'web' => str_contains($command, " $run/nginx.conf") || in_array("$log/nginx.log", array_map(static fn(string $fd): string => (string) @readlink($fd), glob("$folder/fd/*") ?: []), true),
        'php' => str_contains($command, "($run/php-fpm.conf)") || str_contains($command, " $run/php-fpm.conf") || str_starts_with($command, "php-fpm: pool $pool"),
        'standin' => str_contains($command, '/standins/') && $isFromHere(),
        default => preg_match('#/artisan (?:outbox:|queue:work|schedule:)#', $command) === 1 && $isFromHere(),
    };
};

foreach (glob('/proc/[0-9]*') ?: [] as $folder) {
    $pid = (int) basename($folder);
    if ($pid === getmypid() || @fileowner($folder) !== posix_geteuid()) {
        continue;
    }
    $exe = basename((string) preg_replace('/ \(deleted\)$/', '', (string) @readlink("$folder/exe")));
    $program = $programs[preg_replace('/^python3\..*/', 'python3', $exe)] ?? null;
    if ($program === null || ($wanted !== null && $program !== $wanted) || !$ofHouse($folder, $program)) {
        continue;
    }
    $stat = (string) @file_get_contents("$folder/stat");
    $fields = explode(' ', substr($stat, (int) strrpos($stat, ')') + 2));
    // A process that has ended and waits to be buried holds nothing.
    if (isset($fields[19]) && $fields[0] !== 'Z') {
        echo "$pid $fields[19] $program\n";
    }
}
