<?php

declare(strict_types=1);

/*
 * bin/syndex core overlap as a whole process, reading and writing included, beside the plain solver of the tests, which goes
 * slot by slot and person by person, as a whole process too. Wall-clock seconds; the core's best of three runs. A load whose
 * answers differ has a void line.
 */

const PLAIN = __DIR__ . '/../../core/tests/Overlap/plain_solver.php';

if (($argv[1] ?? '') === 'plain') {
    require PLAIN;
    $line = json_decode((string) stream_get_contents(STDIN), true);
    echo json_encode(['id' => $line['id'], 'slots' => Syndex\Core\Tests\plainSlots($line)], JSON_UNESCAPED_SLASHES), "\n";
    fwrite(STDERR, (string) memory_get_peak_usage(true));
    exit(0);
}

/** A line of invented people: office hours in nine zones, stretches strewn over the weeks. */
$load = static function (int $people, int $required, int $weeks, int $stretches): string {
    mt_srand(20261207);
    $zones = ['Africa/Nairobi', 'Europe/Lisbon', 'America/Lima', 'Asia/Kathmandu', 'Australia/Adelaide', 'Asia/Tokyo', 'America/New_York', 'Europe/Helsinki', 'Africa/Johannesburg'];
    $from = (int) gmmktime(0, 0, 0, 12, 7, 2026);
    $moment = static fn(int $at): string => gmdate('Y-m-d\TH:i:s\Z', $at);
    $list = [];
    for ($i = 0; $i < $people; $i++) {
        $hours = array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], [[sprintf('%02d:00', 7 + $i % 4), '12:00'], ['13:00', sprintf('%02d:00', 16 + $i % 3)]]);
        $busy = [];
        // Who is required has less, so that there is something to find.
        for ($b = 0; $b < ($i < $required ? intdiv($stretches, 8) : $stretches); $b++) {
            $begins = $from + 900 * mt_rand(0, $weeks * 672);
            $busy[] = [$moment($begins), $moment($begins + 900 * mt_rand(1, 4))];
        }
        $list[] = ['id' => "p$i", 'role' => $i < $required ? 'required' : 'optional', 'tzid' => $zones[$i % 9], 'hours' => $hours, 'busy' => $busy];
    }

    return json_encode(['id' => 1, 'from' => $moment($from), 'to' => $moment($from + $weeks * 7 * 86400), 'duration' => 45, 'step' => 15, 'limit' => 20, 'people' => $list]) . "\n";
};
$folder = sys_get_temp_dir() . '/syndex-overlap-' . getmypid();
mkdir($folder);
register_shutdown_function(static fn() => shell_exec('rm -rf ' . escapeshellarg($folder)));
$run = static function (string $command, string $to) use ($folder): float {
    $began = hrtime(true);
    exec("$command < $folder/line > $folder/$to 2> $folder/said", $said, $status);

    return $status === 0 ? (hrtime(true) - $began) / 1e9 : INF;
};
$plain = PHP_BINARY . ' -d pcov.enabled=0 -d memory_limit=4G -d opcache.enable_cli=1 -d opcache.jit=tracing -d opcache.jit_buffer_size=32M ' . escapeshellarg(__FILE__) . ' plain';
$core = '/usr/bin/env bash ' . escapeshellarg(__DIR__ . '/../../bin/syndex') . ' core overlap';
foreach ([
    '8 people, 2 weeks' => [8, 8, 2, 40],
    '200 people, 4 weeks' => [200, 12, 4, 100],
    '6,000 people (20 required), 4 weeks, 600,000 busy' => [6000, 20, 4, 100],
] as $name => $asked) {
    $line = $load(...$asked);
    file_put_contents("$folder/line", $line);
    $ours = min($run($core, 'core'), $run($core, 'core'), $run($core, 'core'));
    $theirs = $run($plain, 'plain');
    $same = file_get_contents("$folder/core") === file_get_contents("$folder/plain");
    printf("  %-51s core %7.3f s   plain %7.3f s   ratio %.1f   (%.1f MB read)%s\n", $name, $ours, $theirs, $theirs / $ours, strlen($line) / 1e6, $same ? '' : '   void: the answers differ');
}
