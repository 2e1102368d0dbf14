<?php

declare(strict_types=1);

/* One load of the bench, by sabre/vobject: rule and zone resolved to instants; with an argument, they are printed. */

require __DIR__ . '/../../vendor/autoload.php';

use Sabre\VObject\Recur\RRuleIterator;

error_reporting(E_ALL & ~E_DEPRECATED);
$load = array_map(static fn(string $line): array => explode("\t", rtrim($line, "\n")), file('php://stdin') ?: []);
if ($argc > 1) {
    foreach ($load as [$start, $zone, $rule, $from, $to]) {
        $least = $from === '-' ? PHP_INT_MIN : (int) $from;
        $end = $to === '-' ? PHP_INT_MAX : (int) $to;
        $instances = [];
        for ($walk = new RRuleIterator($rule, new DateTimeImmutable($start, new DateTimeZone($zone))); $walk->valid(); $walk->next()) {
            $moment = $walk->current()->getTimestamp();
            if ($moment >= $end) {
                break;
            }
            if ($moment >= $least) {
                $instances[] = $walk->current()->format('Y-m-d\TH:i:sP');
            }
        }
        echo json_encode(['id' => 1, 'instances' => $instances, 'complete' => true]), "\n";
    }
    exit(0);
}
$best = INF;
for ($round = 0; $round < 3; $round++) {
    $sum = $instances = 0;
    $began = hrtime(true);
    foreach ($load as [$start, $zone, $rule, $from, $to]) {
        $least = $from === '-' ? PHP_INT_MIN : (int) $from;
        $end = $to === '-' ? PHP_INT_MAX : (int) $to;
        for ($walk = new RRuleIterator($rule, new DateTimeImmutable($start, new DateTimeZone($zone))); $walk->valid(); $walk->next()) {
            $moment = $walk->current()->getTimestamp();
            if ($moment >= $end) {
                break;
            }
            if ($moment >= $least) {
                $sum = ($sum + $moment) % 1_000_000_007;
                $instances++;
            }
        }
    }
    $best = min($best, (hrtime(true) - $began) / 1e9);
}
echo json_encode(['sum' => $sum, 'instances' => $instances, 'seconds' => $best, 'peak_mb' => memory_get_peak_usage() / 1e6]);
