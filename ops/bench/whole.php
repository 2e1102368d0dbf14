<?php

declare(strict_types=1);

/*
 * bin/syndex core expand as a whole process, output included, beside whole programs on libical, python3-dateutil and
 * sabre/vobject that write the same text. Wall-clock seconds of the best of five runs, what the same program takes for no input
 * taken off. A program whose output differs, or that has no end within twenty seconds, has a void line.
 */

/** @var array<string, list<array{string, string, string, ?int, ?int}>> $loads */
$loads = require __DIR__ . '/loads.php';
/** @var array<string, string> $references */
$references = require __DIR__ . '/references.php';
// The one in PHP is compiled as it runs, as the core is.
$compiled = PHP_BINARY . ' -d pcov.enabled=0 -d opcache.enable_cli=1 -d opcache.jit=tracing -d opcache.jit_buffer_size=32M';
$programs = [
    'core' => escapeshellarg(__DIR__ . '/../../bin/syndex') . ' core expand',
    ...array_map(static fn(string $command): string => str_replace(PHP_BINARY, $compiled, $command) . ' text', $references),
];
$folder = sys_get_temp_dir() . '/syndex-whole-' . getmypid();
mkdir($folder);
register_shutdown_function(static fn() => shell_exec('rm -rf ' . escapeshellarg($folder)));
file_put_contents("$folder/none", '');

$seconds = static function (string $command, string $input) use ($folder): float {
    $best = INF;
    for ($round = 0; $round < 5; $round++) {
        $began = hrtime(true);
        exec("timeout 20 $command < " . escapeshellarg($input) . ' > ' . escapeshellarg("$folder/out") . ' 2>/dev/null', $said, $status);
        $best = min($best, (hrtime(true) - $began) / 1e9);
        if ($status !== 0) {
            return INF;
        }
    }

    return $best;
};

$bare = $seconds(PHP_BINARY . ' -n -r ' . escapeshellarg('exit;'), "$folder/none");
$starts = array_map(static fn(string $command): float => $seconds($command, "$folder/none"), $programs);
printf("  starting: bare PHP %.0f ms, core %.0f ms\n", $bare * 1000, $starts['core'] * 1000);
$moment = static fn(?int $at): ?string => $at === null ? null : gmdate('Y-m-d\TH:i:s\Z', $at);
foreach ($loads as $name => $load) {
    file_put_contents("$folder/lines", implode('', array_map(static fn(array $one): string => json_encode([
        'id' => 1, 'dtstart' => $one[0], 'tzid' => $one[1], 'rrule' => $one[2], 'from' => $moment($one[3]), 'to' => $moment($one[4]), 'limit' => 20_000,
    ]) . "\n", $load)));
    file_put_contents("$folder/rows", implode('', array_map(static fn(array $one): string => implode("\t", [str_replace(['-', ':'], '', $one[0]), $one[1], $one[2], $one[3] ?? '-', $one[4] ?? '-']) . "\n", $load)));
    printf('  %-51s', $name);
    $hash = '';
    $ours = 0.0;
    $fastest = INF;
    foreach ($programs as $program => $command) {
        $took = $seconds($command, $program === 'core' ? "$folder/lines" : "$folder/rows") - $starts[$program];
        $written = hash_file('xxh64', "$folder/out");
        if ($program === 'core') {
            [$hash, $ours] = [$written, $took];
            printf(' core %6.1f ms', $took * 1000);
        } elseif ($took === INF || $written !== $hash) {
            printf('   %s void (%s)', $program, $took === INF ? 'no end' : 'another text');
        } else {
            $fastest = min($fastest, $took);
            printf('   %s %6.1f ms', $program, $took * 1000);
        }
    }
    echo $fastest < INF ? sprintf('   times as fast as the fastest %.1f', $fastest / max(1e-4, $ours)) : '', "\n";
}
