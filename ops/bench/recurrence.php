<?php

declare(strict_types=1);

/*
 * The core's expansion beside reference libraries, those that are installed: libical (through a small program in C that is
 * compiled for it), python3-dateutil and sabre/vobject. Each side delivers zone-resolved instants and measures itself, the
 * best of three rounds, without the start of its process. A side whose checksum differs, or that has no end within twenty
 * seconds, has a void line.
 */

spl_autoload_register(static function (string $class): void {
    if (str_starts_with($class, 'Syndex\\Core\\')) {
        require __DIR__ . '/../../core/src/' . strtr(substr($class, 12), '\\', '/') . '.php';
    }
});

use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\SystemZoneData;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/** @return list<array{string, string, string, ?int, ?int}> start, zone, rule, window */
$same = static fn(int $count, string $start, string $zone, string $rule): array => array_map(static fn(int $i): array => [sprintf($start, $i % 60), $zone, $rule, null, null], range(0, $count - 1));

/** Series of every kind that coordinators plan, three years old, asked for eighteen months. */
$mixed = static function (): array {
    $zones = ['Europe/Lisbon', 'Africa/Nairobi', 'America/New_York', 'Asia/Tokyo', 'Australia/Adelaide', 'Asia/Kathmandu', 'America/Sao_Paulo', 'Pacific/Auckland', 'Europe/Berlin', 'Asia/Kolkata', 'America/Denver', 'Europe/Helsinki', 'Asia/Manila', 'America/Halifax', 'Africa/Johannesburg'];
    $rules = ['FREQ=WEEKLY;BYDAY=TU', 'FREQ=WEEKLY;INTERVAL=2;BYDAY=MO,TH', 'FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR', 'FREQ=DAILY', 'FREQ=DAILY;INTERVAL=3', 'FREQ=MONTHLY;BYMONTHDAY=8', 'FREQ=MONTHLY;BYDAY=2TU', 'FREQ=MONTHLY;BYDAY=-1FR', 'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1', 'FREQ=YEARLY', 'FREQ=MONTHLY;INTERVAL=3;BYDAY=1MO', 'FREQ=WEEKLY;INTERVAL=3;BYDAY=FR', 'FREQ=YEARLY;BYMONTH=3,10;BYDAY=-1SU'];
    $from = gmmktime(0, 0, 0, 1, 8, 2027);
    $series = [];
    for ($i = 0; $i < 2000; $i++) {
        $series[] = [sprintf('2024-01-08T%02d:%02d:00', 7 + $i % 12, 15 * ($i % 4)), $zones[$i % 15], $rules[$i % 13], $from, $from + 548 * 86400];
    }

    return $series;
};

$loads = [
    'weekly MO,WE,FR over ten years (40 series)' => $same(40, '2020-01-06T09:%02d:00', 'Europe/Lisbon', 'FREQ=WEEKLY;BYDAY=MO,WE,FR;COUNT=1560'),
    'last working day of the month, fifty years (20)' => $same(20, '2000-01-31T09:%02d:00', 'America/New_York', 'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1;COUNT=600'),
    'yearly week 20 Monday, a hundred years (60)' => $same(60, '2000-05-15T09:%02d:00', 'Europe/Berlin', 'FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO;COUNT=100'),
    'daily over twenty years (10)' => $same(10, '2020-01-01T09:%02d:00', 'Australia/Adelaide', 'FREQ=DAILY;COUNT=7300'),
    'mixed in 15 zones, 18 months three years on (2000)' => $mixed(),
];

$core = static function (array $load): array {
    $zones = new SystemZoneData('bench');
    $best = INF;
    for ($round = 0; $round < 3; $round++) {
        $sum = $instances = 0;
        $began = hrtime(true);
        foreach ($load as [$start, $zone, $rule, $from, $to]) {
            $series = Series::timed(WallTime::parse($start), $zones->zone($zone), RuleParser::parse($rule));
            $found = $series->expand(Work::atMost(10_000_000), $from === null ? null : Instant::ofSeconds($from), $to === null ? null : Instant::ofSeconds($to));
            foreach ($found->starts as $moment) {
                $sum = ($sum + $moment) % 1_000_000_007;
                $instances++;
            }
        }
        $best = min($best, (hrtime(true) - $began) / 1e9);
    }

    return ['sum' => $sum, 'instances' => $instances, 'seconds' => $best, 'peak_mb' => memory_get_peak_usage() / 1e6];
};

$references = array_filter([
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

foreach ($loads as $name => $load) {
    $ours = $core($load);
    $speed = $ours['instances'] / $ours['seconds'];
    printf("  %-51s core %10s/s", $name, number_format($speed));
    $file = (string) tempnam(sys_get_temp_dir(), 'bench');
    file_put_contents($file, implode('', array_map(static fn(array $one): string => implode("\t", [str_replace(['-', ':'], '', $one[0]), $one[1], $one[2], $one[3] ?? '-', $one[4] ?? '-']) . "\n", $load)));
    $fastest = 0.0;
    foreach ($references as $reference => $command) {
        $told = json_decode((string) shell_exec("timeout 20 $command < " . escapeshellarg($file)), true);
        if (!is_array($told) || $told['sum'] !== $ours['sum'] || $told['instances'] !== $ours['instances']) {
            printf('   %s void (%s)', $reference, is_array($told) ? 'another checksum' : 'no end');

            continue;
        }
        $fastest = max($fastest, $told['instances'] / $told['seconds']);
        printf('   %s %8s/s %5.1f MB', $reference, number_format($told['instances'] / $told['seconds']), $told['peak_mb']);
    }
    unlink($file);
    echo $fastest > 0 ? sprintf('   ratio to the fastest %.1f', $speed / $fastest) : '', "\n";
}
printf("  peak memory of the core %.1f MB\n", memory_get_peak_usage() / 1e6);
