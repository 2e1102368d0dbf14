<?php

declare(strict_types=1);

/* The five loads of the bench: start, zone, rule, window. */

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

return [
    'weekly MO,WE,FR over ten years (40 series)' => $same(40, '2020-01-06T09:%02d:00', 'Europe/Lisbon', 'FREQ=WEEKLY;BYDAY=MO,WE,FR;COUNT=1560'),
    'last working day of the month, fifty years (20)' => $same(20, '2000-01-31T09:%02d:00', 'America/New_York', 'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1;COUNT=600'),
    'yearly week 20 Monday, a hundred years (60)' => $same(60, '2000-05-15T09:%02d:00', 'Europe/Berlin', 'FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO;COUNT=100'),
    'daily over twenty years (10)' => $same(10, '2020-01-01T09:%02d:00', 'Australia/Adelaide', 'FREQ=DAILY;COUNT=7300'),
    'mixed in 15 zones, 18 months three years on (2000)' => $mixed(),
];
