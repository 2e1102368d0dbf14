<?php

declare(strict_types=1);

/*
 * The core's expansion beside python3-dateutil, where that is installed. Both deliver zone-resolved instants; a line
 * whose checksums differ is void.
 */

spl_autoload_register(static function (string $class): void {
    if (str_starts_with($class, 'Syndex\\Core\\')) {
        require __DIR__ . '/../../core/src/' . strtr(substr($class, 12), '\\', '/') . '.php';
    }
});

use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\SystemZoneData;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

$loads = [
    'weekly MO,WE,FR over ten years (40 series)' => [40, '2020-01-06T09:%02d:00', 'Europe/Lisbon', 'FREQ=WEEKLY;BYDAY=MO,WE,FR;COUNT=1560'],
    'last working day of each month over fifty years (20)' => [20, '2000-01-31T09:%02d:00', 'America/New_York', 'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1;COUNT=600'],
    'yearly week 20 Monday over a hundred years (60)' => [60, '2000-05-15T09:%02d:00', 'Europe/Berlin', 'FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO;COUNT=100'],
    'daily over twenty years (10)' => [10, '2020-01-01T09:%02d:00', 'Australia/Adelaide', 'FREQ=DAILY;COUNT=7300'],
];
$zones = new SystemZoneData('bench');
$python = is_file('/usr/lib/python3/dist-packages/dateutil/rrule.py');

foreach ($loads as $name => [$count, $start, $zone, $rule]) {
    $best = INF;
    for ($round = 0; $round < 3; $round++) {
        $sum = $instances = 0;
        $began = hrtime(true);
        for ($i = 0; $i < $count; $i++) {
            $series = Series::timed(WallTime::parse(sprintf($start, $i % 60)), $zones->zone($zone), RuleParser::parse($rule));
            foreach ($series->expand(Work::atMost(10_000_000))->starts as $moment) {
                $sum = ($sum + $moment) % 1_000_000_007;
                $instances++;
            }
        }
        $best = min($best, (hrtime(true) - $began) / 1e9);
    }
    $line = sprintf('  %-54s core %9s/s', $name, number_format($instances / $best));
    if ($python) {
        $told = json_decode((string) shell_exec('/usr/bin/python3 ' . escapeshellarg(__DIR__ . '/dateutil_bench.py') . ' ' . escapeshellarg((string) json_encode([$count, $start, $zone, $rule]))), true);
        $line .= $told['sum'] === $sum
            ? sprintf('   dateutil %9s/s   ratio %.1f', number_format($told['instances'] / $told['seconds']), ($instances / $best) / ($told['instances'] / $told['seconds']))
            : '   void: dateutil has another checksum';
    }
    echo $line, "\n";
}
printf("  peak memory %.1f MB\n", memory_get_peak_usage() / 1e6);
