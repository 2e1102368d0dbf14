<?php

declare(strict_types=1);

use Syndex\Core\ICalendar\TimezoneWriter;
use Syndex\Core\Time\ZoneData;
use Tests\Feature\ICalendar\Reader;

/** Up to when a series is asked about, and whether it goes on without end. */
const SPANS = ['for three years' => ['2029-06-01T00:00:00Z', false], 'without end' => ['2036-06-01T00:00:00Z', true]];

/*
 * Independent readers of RFC 5545 3.6.5 beside IANA zone data, over every zone: what we write is what they see.
 */
it('is read rightly by others, for every zone', function (string $reader, string $end, bool $isOpen): void {
    $zones = app(ZoneData::class);
    $from = (int) strtotime('2026-06-01T00:00:00Z');
    $to = (int) strtotime($end);
    $lines = $expected = [];
    foreach (DateTimeZone::listIdentifiers() as $id) {
        $zone = $zones->zone($id);
        $moments = [];
        foreach ([['at' => $from + 86400], ...$zone->changesBetween($from + 86400, $to)] as $change) {
            // A day to each side: ical.js finds the change that governs a moment of UTC by its local time.
            array_push($moments, $change['at'] - 86400, $change['at'] + 86400);
        }
        $lines[] = json_encode(['tzid' => $id, 'ics' => TimezoneWriter::write($zone, $from, $isOpen ? null : $to), 'moments' => $moments]);
        $expected[$id] = array_map($zone->offsetAt(...), $moments);
    }
    $process = proc_open($reader, [['pipe', 'r'], ['file', sys_get_temp_dir() . '/zones-' . getmypid(), 'w'], ['pipe', 'w']], $pipes, base_path());
    fwrite($pipes[0], implode("\n", $lines) . "\n");
    fclose($pipes[0]);
    $said = stream_get_contents($pipes[2]);
    proc_close($process);
    $read = [];
    foreach (file(sys_get_temp_dir() . '/zones-' . getmypid(), FILE_IGNORE_NEW_LINES) ?: [] as $line) {
        $answer = json_decode($line, true);
        $read[$answer['tzid']] = $answer['offsets'];
    }
    unlink(sys_get_temp_dir() . '/zones-' . getmypid());

    expect($read)->toHaveCount(count($expected), (string) $said);
    foreach ($expected as $id => $offsets) {
        expect($read[$id])->toBe($offsets, $id);
    }
})->with(['dateutil' => ['/usr/bin/python3 tests/readers/zones.py'], 'ical.js' => ['node tests/readers/zones.mjs']])->with(SPANS);

it('is read rightly by libical too', function (string $end, bool $isOpen): void {
    $zones = app(ZoneData::class);
    $from = (int) strtotime('2026-06-01T00:00:00Z');
    $to = (int) strtotime($end);
    $lines = '';
    $expected = [];
    foreach (DateTimeZone::listIdentifiers() as $id) {
        $zone = $zones->zone($id);
        $moments = [$from + 86400];
        foreach ($zone->changesBetween($from + 86400, $to) as $change) {
            array_push($moments, $change['at'] - 1, $change['at'], $change['at'] + 86400);
        }
        $lines .= "$id\t" . implode(',', $moments) . "\t" . str_replace("\r\n", '\n', TimezoneWriter::write($zone, $from, $isOpen ? null : $to)) . "\n";
        $expected[$id] = implode(',', array_map($zone->offsetAt(...), $moments));
    }
    $read = [];
    foreach (Reader::answers(Reader::compiled('zones_libical'), $lines) as $line) {
        [$id, $offsets] = explode("\t", $line);
        $read[$id] = $offsets;
    }

    expect($read)->toBe($expected);
})->with(SPANS);
