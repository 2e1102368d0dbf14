<?php

declare(strict_types=1);

use Syndex\Core\Time\ZoneData;
use Tests\Feature\ICalendar\Reader;

/*
 * Every zone of the IANA data, every change from 1970 to 2037, beside Python's zoneinfo, which reads the compiled data
 * itself: the second before, of and after a change, the wall times around it, skipped and repeated ones, and the first of
 * every month, so that no change is missed.
 */
it('agrees with zoneinfo on every change of every zone from 1970 to 2037', function (): void {
    $zones = app(ZoneData::class);
    $from = 0;
    $to = (int) gmmktime(0, 0, 0, 1, 1, 2038);
    $months = [];
    for ($month = 0; $month < 68 * 12; $month++) {
        $months[] = (int) gmmktime(0, 0, 0, 1 + $month, 1, 1970);
    }
    $asked = $expected = [];
    $changes = 0;
    foreach (DateTimeZone::listIdentifiers(DateTimeZone::ALL_WITH_BC) as $id) {
        if (!$zones->knows($id)) {
            continue;
        }
        $zone = $zones->zone($id);
        $moments = $months;
        $walls = [];
        foreach ($zone->changesBetween($from, $to) as $change) {
            $changes++;
            array_push($moments, $change['at'] - 1, $change['at'], $change['at'] + 1);
            foreach ([$change['before'], $change['after']] as $offset) {
                foreach ([-3600, -1800, -1, 0, 1, 1800, 3600] as $by) {
                    $walls[] = $change['at'] + $offset + $by;
                }
            }
        }
        $asked[] = json_encode(['tzid' => $id, 'moments' => $moments, 'walls' => $walls]);
        $expected[$id] = ['offsets' => array_map($zone->offsetAt(...), $moments), 'moments' => array_map($zone->toUtc(...), $walls)];
    }
    $said = Reader::answers('/usr/bin/python3 tests/readers/zoneinfo_reference.py', implode("\n", $asked) . "\n");

    expect(count($expected))->toBeGreaterThan(550)->and($changes)->toBeGreaterThan(20_000)->and($said)->toHaveCount(count($expected));
    foreach (array_keys($expected) as $at => $id) {
        expect(json_decode($said[$at], true))->toBe($expected[$id], $id);
    }
});
