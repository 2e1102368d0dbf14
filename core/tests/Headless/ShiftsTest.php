<?php

declare(strict_types=1);

use Syndex\Core\Headless\Protocol;
use Syndex\Core\Tests;

/**
 * @param array<string, mixed> $changes
 * @return array<string, mixed>
 */
function shifts(array $changes): array
{
    $line = [
        'dtstart' => '2027-03-02T15:30:00', 'tzid' => 'Africa/Nairobi', 'rrule' => 'FREQ=WEEKLY;COUNT=6', 'duration' => 45,
        'people' => [
            ['id' => 'ny', 'tzid' => 'America/New_York', 'hours' => ['tue' => [['08:00', '16:00']]]],
            ['id' => 'ls', 'tzid' => 'Europe/Lisbon', 'hours' => ['tue' => [['09:00', '13:15'], ['13:15', '14:00']]]],
        ],
        ...$changes,
    ];

    return json_decode((string) Protocol::forVerb('shifts', Tests\zones())?->answer((string) json_encode($line)), true);
}

describe('shifts', function (): void {
    // IANA zone data: the United States change on 14 March 2027, the European Union on 28 March, Kenya never.
    it('says who moves on which date, from what to what, and who lands outside', function (): void {
        [$newYork, $lisbon] = shifts([])['people'];

        expect($newYork['changes'])->toBe([['at' => 2, 'was' => '07:30', 'now' => '08:30']])
            ->and($newYork['outside'])->toBe([0, 1])
            ->and($newYork['local'][2])->toBe('2027-03-16T08:30:00-04:00')
            ->and($lisbon['changes'])->toBe([['at' => 4, 'was' => '12:30', 'now' => '13:30']])
            ->and($lisbon['outside'])->toBe([4, 5]);
    });

    it('advises the anchor that disturbs fewest', function (): void {
        $anchors = shifts(['people' => [
            ['id' => 'a', 'tzid' => 'Europe/Lisbon', 'hours' => ['tue' => [['09:00', '17:00']]]],
            ['id' => 'b', 'tzid' => 'Europe/Lisbon', 'hours' => ['tue' => [['09:00', '17:00']]]],
            ['id' => 'c', 'tzid' => 'Africa/Nairobi', 'hours' => ['tue' => [['09:00', '17:00']]]],
        ]])['anchors'];

        expect(array_map(static fn(array $a): array => [$a['tzid'], $a['changes']], $anchors))->toBe([['Europe/Lisbon', 1], ['Africa/Nairobi', 2], ['UTC', 2]]);
    });

    it('moves each date along when another zone has another date', function (): void {
        // 20:00 on a Tuesday in Lima is Wednesday in Auckland: anchored there, it is a Wednesday too.
        $answer = shifts(['dtstart' => '2026-12-08T20:00:00', 'tzid' => 'America/Lima', 'rrule' => 'FREQ=WEEKLY;COUNT=30', 'people' => [
            ['id' => 'a', 'tzid' => 'Pacific/Auckland', 'hours' => ['wed' => [['13:00', '17:00']]]],
        ]]);

        expect($answer['anchors'][0])->toBe(['tzid' => 'Pacific/Auckland', 'changes' => 0, 'outside' => 0])
            ->and(count($answer['people'][0]['changes']))->toBe(1);
    });

    it('anchored in its own zone it is what it is', function (string $start, string $zone): void {
        $answer = shifts(['dtstart' => $start, 'tzid' => $zone, 'rrule' => 'FREQ=DAILY;COUNT=40']);
        $own = current(array_filter($answer['anchors'], static fn(array $a): bool => $a['tzid'] === $zone));

        expect($own['changes'])->toBe(array_sum(array_map(static fn(array $p): int => count($p['changes']), $answer['people'])))
            ->and($own['outside'])->toBe(array_sum(array_map(static fn(array $p): int => count($p['outside']), $answer['people'])));
    })->with([['2027-03-02T15:30:00', 'Africa/Nairobi'], ['2027-03-20T02:30:00', 'Europe/Berlin'], ['2026-10-20T01:30:00', 'Europe/London']]);

    it('takes a date of a gap for what the series writes, and the first date for what the clock shows', function (): void {
        $sums = static fn(string $start, string $anchor): array => current(array_map(
            static fn(array $a): array => [$a['changes'], $a['outside']],
            array_filter(shifts(['dtstart' => $start, 'tzid' => 'Europe/Lisbon', 'rrule' => 'FREQ=DAILY;COUNT=3', 'people' => [['id' => 'utc', 'tzid' => 'UTC', 'hours' => new stdClass()]]])['anchors'], static fn(array $a): bool => $a['tzid'] === $anchor),
        ));

        // 28 March 2027: Lisbon skips 01:00 to 02:00. Kept on UTC's clock the second date stands at 01:30, as the others do.
        expect($sums('2027-03-27T01:30:00', 'UTC'))->toBe([0, 3])
            // As the first date it shows 02:30, and so do those after it: 01:30 in UTC all.
            ->and($sums('2027-03-28T01:30:00', 'Europe/Lisbon'))->toBe([0, 3]);
    });

    it('gives sums of 0 for an empty window, and nobody moves', function (): void {
        $answer = shifts(['from' => '2030-01-01T00:00:00Z']);

        expect($answer['people'][0])->toBe(['id' => 'ny', 'local' => [], 'changes' => [], 'outside' => []])
            ->and($answer['anchors'][0])->toBe(['tzid' => 'Africa/Nairobi', 'changes' => 0, 'outside' => 0]);
    });

    it('refuses by code', function (array $changes, string $code): void {
        expect(shifts($changes)['error']['code'])->toBe($code);
    })->with([
        'a floating series' => [['tzid' => null], 'floating'],
        'an all-day series' => [['dtstart' => '2027-03-02', 'exdate' => []], 'floating'],
        'no length' => [['duration' => null], 'bad_value'],
        'a length of nothing' => [['duration' => 0], 'bad_value'],
        'people that are none' => [['people' => 'all'], 'bad_value'],
        'an unknown key of a person' => [['people' => [['id' => 'a', 'tzid' => 'UTC', 'hours' => new stdClass(), 'name' => 'x']]], 'unknown_key'],
        'an unknown day' => [['people' => [['id' => 'a', 'tzid' => 'UTC', 'hours' => ['monday' => []]]]], 'unknown_key'],
        'hours that end before they begin' => [['people' => [['id' => 'a', 'tzid' => 'UTC', 'hours' => ['mon' => [['17:00', '09:00']]]]]], 'bad_value'],
        'a person nowhere' => [['people' => [['id' => 'a', 'tzid' => 'Mars/Base', 'hours' => new stdClass()]]], 'unknown_zone'],
        'more than can be worked out' => [['rrule' => 'FREQ=DAILY', 'limit' => 20000, 'people' => array_map(static fn(int $i): array => ['id' => "p$i", 'tzid' => 'UTC', 'hours' => new stdClass()], range(1, 60))], 'too_much_work'],
    ]);
});

describe('vtimezone', function (): void {
    $ask = static fn(array $line): array => json_decode((string) Protocol::forVerb('vtimezone', Tests\zones())?->answer((string) json_encode($line)), true);

    it('writes one VTIMEZONE, folded, with CRLF and no vendor property', function () use ($ask): void {
        $ics = $ask(['tzid' => 'America/St_Johns', 'from' => '2026-01-01', 'to' => '2030-01-01'])['ics'];

        expect($ics)->toStartWith("BEGIN:VTIMEZONE\r\nTZID:America/St_Johns\r\n")->toEndWith("END:VTIMEZONE\r\n")->not->toMatch('/^X-/m')->not->toMatch('/[^\r]\n/')
            ->and(substr_count($ics, 'BEGIN:VTIMEZONE'))->toBe(1)->and(max(array_map(strlen(...), explode("\r\n", $ics))))->toBeLessThanOrEqual(75);
    });

    it('refuses by code', function (array $line, string $code) use ($ask): void {
        expect($ask($line)['error']['code'])->toBe($code);
    })->with([
        'an unknown zone' => [['tzid' => 'Mars/Base', 'from' => '2026-01-01', 'to' => '2027-01-01'], 'unknown_zone'],
        'no zone' => [['tzid' => null, 'from' => '2026-01-01', 'to' => '2027-01-01'], 'bad_value'],
        'from after to' => [['tzid' => 'UTC', 'from' => '2027-01-01', 'to' => '2026-01-01'], 'bad_value'],
        'nothing between' => [['tzid' => 'UTC', 'from' => '2027-01-01', 'to' => '2027-01-01'], 'bad_value'],
        'a time for a date' => [['tzid' => 'UTC', 'from' => '2027-01-01T00:00:00', 'to' => '2028-01-01'], 'bad_value'],
        'another key' => [['tzid' => 'UTC', 'from' => '2027-01-01', 'to' => '2028-01-01', 'limit' => 1], 'unknown_key'],
    ]);
});
