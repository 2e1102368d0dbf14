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

/** @var array<string, list<array{string, string, string, ?int, ?int}>> $loads */
$loads = require __DIR__ . '/loads.php';

/** @var array<string, string> $references */
$references = require __DIR__ . '/references.php';

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
