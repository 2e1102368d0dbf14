<?php

declare(strict_types=1);

use Syndex\Core\Headless\Protocol;
use Syndex\Core\Overlap\FoundSlot;
use Syndex\Core\Overlap\RotaSearch;
use Syndex\Core\Overlap\SearchedPerson;
use Syndex\Core\Overlap\SlotSearch;
use Syndex\Core\Tests;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\TooMuchWork;
use Syndex\Core\Work;

require_once __DIR__ . '/plain_solver.php';

/** @return array<string, mixed> */
function asked(string $verb, array $line): array
{
    return json_decode((string) Protocol::forVerb($verb, Tests\zones())?->answer((string) json_encode(['id' => 1, ...$line])), true);
}

$nine = ['mon' => [['09:00', '17:00']], 'tue' => [['09:00', '17:00']], 'wed' => [['09:00', '17:00']], 'thu' => [['09:00', '17:00']], 'fri' => [['09:00', '17:00']]];

/**
 * Somebody with hours and stretches at random, around a moment.
 *
 * @param  array<string, mixed>  $nine
 * @return array<string, mixed> as a line of `overlap` names people
 */
function somebody(array $nine, string $id, int $from): array
{
    $zones = ['Africa/Nairobi', 'Europe/Lisbon', 'America/Lima', 'Asia/Kathmandu', 'Australia/Lord_Howe', 'Pacific/Auckland'];
    $hours = [$nine, ['mon' => [['00:00', '06:00'], ['22:00', '24:00']], 'tue' => [['00:00', '24:00']], 'sun' => [['08:30', '12:15']]], new stdClass()];
    $busy = [];
    for ($b = 0; $b < mt_rand(0, 12); $b++) {
        $begins = $from - 7200 + mt_rand(0, 8 * 96) * 900;
        $busy[] = [Instant::ofSeconds($begins)->format(), Instant::ofSeconds($begins + 900 * mt_rand(0, 12))->format()];
    }

    return ['id' => $id, 'role' => mt_rand(0, 1) === 1 ? 'required' : 'optional', 'tzid' => $zones[mt_rand(0, 5)], 'hours' => $hours[mt_rand(0, 2)], 'busy' => $busy];
}

/**
 * A question at random, around a change of clocks in Lisbon and on Lord Howe.
 *
 * @param  array<string, mixed>  $nine
 * @return array<string, mixed>
 */
function strewn(array $nine): array
{
    $from = Tests\at('2027-03-25T00:00:00Z') + mt_rand(0, 5000);

    return [
        'from' => Instant::ofSeconds($from)->format(), 'to' => Instant::ofSeconds($from + mt_rand(1, 8 * 86400))->format(),
        'duration' => [5, 15, 30, 45, 90, 600, 2000][mt_rand(0, 6)], 'step' => [1, 7, 15, 30, 60][mt_rand(1, 4)], 'limit' => mt_rand(1, 30),
        'people' => array_map(static fn(int $i): array => somebody($nine, "p$i", $from), range(1, mt_rand(1, 9))),
    ];
}

describe('SlotSearch', function () use ($nine): void {
    it('finds what the plain solver finds', function (int $seed) use ($nine): void {
        mt_srand($seed);
        for ($round = 0; $round < 12; $round++) {
            $line = strewn($nine);

            expect(asked('overlap', $line)['slots'])->toBe(Tests\plainSlots($line), "seed $seed, round $round");
        }
    })->with(range(1, 12));

    it('keeps the laws of common time', function (int $seed) use ($nine): void {
        mt_srand($seed);
        $line = [...strewn($nine), 'limit' => 5000];
        $slots = asked('overlap', $line)['slots'];
        $starts = array_column($slots, 'start');

        // One more person adds no slot.
        $more = [...$line, 'people' => [...$line['people'], somebody($nine, 'more', Tests\at($line['from']))]];
        expect(array_diff(array_column(asked('overlap', $more)['slots'], 'start'), $starts))->toBe([]);

        // Everything a week later, far from any change of clocks, gives the same a week later.
        $later = static fn(string $text, int $weeks): string => Instant::ofSeconds(Tests\at($text) + $weeks * 604_800)->format();
        $moved = static fn(int $weeks): array => asked('overlap', [...$line, 'from' => $later($line['from'], $weeks), 'to' => $later($line['to'], $weeks), 'people' => array_map(static fn(array $p): array => [...$p, 'busy' => array_map(static fn(array $b): array => [$later($b[0], $weeks), $later($b[1], $weeks)], $p['busy'])], $line['people'])])['slots'];
        expect(array_map(static fn(array $slot): array => [...$slot, 'start' => $later($slot['start'], 1), 'end' => $later($slot['end'], 1)], $moved(10)))->toBe($moved(11));

        // What is proposed is free when it is asked for alone, and what is not proposed is not.
        for ($at = Tests\at($line['from']), $n = 0; $at + $line['duration'] * 60 <= Tests\at($line['to']) && $n < 40; $at += $line['step'] * 60, $n++) {
            $start = Instant::ofSeconds($at)->format();
            $alone = asked('overlap', [...$line, 'from' => $start, 'to' => Instant::ofSeconds($at + $line['duration'] * 60)->format()])['slots'];
            $place = array_search($start, $starts, true);
            expect($alone)->toBe($place === false ? [] : [$slots[$place]]);
        }
    })->with(range(21, 30));

    it('asks for the hours slot by slot where there are too many days to lay out', function () use ($nine): void {
        $person = new SearchedPerson('a', true, Tests\zone('Europe/Lisbon'), WorkingHours::of($nine), []);
        $from = Tests\at('2026-12-07T08:30:00Z');
        $found = (new SlotSearch($from, Tests\at('2046-12-07T08:30:00Z'), 3600, 7 * 86400, Work::atMost(5_000_000)))->best([$person], 3);

        // In winter half of it lies before nine, in summer nothing.
        expect(array_map(static fn(FoundSlot $s): array => [Instant::ofSeconds($s->start)->format(), $s->offMinutes], $found))->toBe([['2027-03-29T08:30:00Z', 0], ['2027-04-05T08:30:00Z', 0], ['2027-04-12T08:30:00Z', 0]]);
    });

    it('stops at more candidates than a question may have', function (): void {
        expect(fn() => new SlotSearch(0, 4_000_000_000, 60, 60, Work::atMost(800_000)))->toThrow(TooMuchWork::class);
    });
});

describe('the verb overlap', function () use ($nine): void {
    $line = ['from' => '2026-12-08T06:00:00Z', 'to' => '2026-12-08T12:00:00Z', 'duration' => 60, 'step' => 30, 'limit' => 2];
    $ines = ['id' => 'ines', 'role' => 'required', 'tzid' => 'Europe/Lisbon', 'hours' => $nine, 'busy' => [['2026-12-08T09:30:00Z', '2026-12-08T10:00:00Z']]];
    $joram = ['id' => 'joram', 'role' => 'optional', 'tzid' => 'Africa/Nairobi', 'hours' => $nine, 'busy' => [['2026-12-08T13:00:00+03:00', '2026-12-08T14:00:00+03:00']]];

    it('answers with the best slots and what they cost', function () use ($line, $ines, $joram): void {
        expect(asked('overlap', [...$line, 'people' => [$ines, $joram]]))->toBe(['id' => 1, 'slots' => [
            ['start' => '2026-12-08T11:00:00Z', 'end' => '2026-12-08T12:00:00Z', 'required_off_hours' => [], 'optional_busy' => [], 'off_hours_minutes' => 0],
            ['start' => '2026-12-08T10:00:00Z', 'end' => '2026-12-08T11:00:00Z', 'required_off_hours' => [], 'optional_busy' => ['joram'], 'off_hours_minutes' => 0],
        ]]);
    });

    it('has no slots where there can be none', function (array $changes) use ($line, $ines): void {
        expect(asked('overlap', [...$line, 'people' => [$ines], ...$changes]))->toBe(['id' => 1, 'slots' => []]);
    })->with([
        'nobody' => [['people' => []]], 'from after to' => [['from' => '2026-12-09T06:00:00Z']], 'from is to' => [['to' => '2026-12-08T06:00:00Z']], 'longer than the window' => [['duration' => 361]], 'longer than anything' => [['duration' => PHP_INT_MAX]],
        'busy throughout' => [['people' => [[...$ines, 'busy' => [['2026-12-08T00:00:00Z', '2026-12-09T00:00:00Z']]]]]],
    ]);

    it('takes a stretch of no length for nothing, and a step past the window', function () use ($line, $ines): void {
        expect(asked('overlap', [...$line, 'step' => PHP_INT_MAX, 'people' => [[...$ines, 'busy' => [['2026-12-08T06:30:00Z', '2026-12-08T06:30:00Z']]]]])['slots'])->toHaveCount(1);
    });

    it('refuses what it cannot read, by its code', function (array $changes, string $code) use ($line, $ines): void {
        $asked = array_filter([...$line, 'people' => [$ines], ...$changes], static fn(mixed $v): bool => $v !== 'left out');
        expect(asked('overlap', $asked)['error']['code'])->toBe($code);
    })->with([
        [['step' => 0], 'bad_value'], [['duration' => 'left out'], 'bad_value'], [['limit' => 'left out'], 'bad_value'], [['step' => 'left out'], 'bad_value'], [['people' => 'left out'], 'bad_value'], [['from' => null], 'bad_value'],
        [['from' => '2026-12-08T06:00:00'], 'bad_value'], [['zone' => 'x'], 'unknown_key'], [['people' => [[...$ines, 'tzid' => 'Mars/Base']]], 'unknown_zone'], [['people' => [[...$ines, 'role' => 'chair']]], 'bad_value'],
        [['people' => [array_diff_key($ines, ['role' => 0])]], 'bad_value'], [['people' => [[...$ines, 'busy' => [['2026-12-08T06:00:00Z']]]]], 'bad_value'], [['people' => [[...$ines, 'busy' => [['2026-12-08T07:00:00Z', '2026-12-08T06:00:00Z']]]]], 'bad_value'],
        [['people' => [[...$ines, 'busy' => [['2026-12-08T24:00:00Z', '2026-12-09T06:00:00Z']]]]], 'bad_value'], [['people' => [[...$ines, 'hours' => ['mon' => [['17:00', '09:00']]]]]], 'bad_value'], [['people' => [[...$ines, 'name' => 'x']]], 'unknown_key'],
        [['to' => '9999-12-31T00:00:00Z', 'step' => 1], 'too_much_work'],
    ]);
});

/**
 * The same turns by weighing all there are.
 *
 * @param  list<array<int, array<int, array{int, int}>>>  $costs
 * @param  array<int, array<int, bool>>  $barred
 * @return list<int>
 */
function turnsOneByOne(int $dates, int $times, array $costs, array $barred = []): array
{
    $best = null;
    for ($number = 0; $number < $times ** $dates; $number++) {
        $turns = [];
        for ($rest = $number, $date = 0; $date < $dates; $date++, $rest = intdiv($rest, $times)) {
            array_unshift($turns, $rest % $times);
        }
        if (array_filter($turns, static fn(int $time, int $date): bool => $barred[$date][$time] ?? false, ARRAY_FILTER_USE_BOTH) !== []) {
            continue;
        }
        $sums = [[], []];
        foreach ($costs as $at => $person) {
            foreach ([0, 1] as $kind) {
                $sums[$kind][$at] = array_sum(array_map(static fn(int $time, int $date): int => $person[$date][$time][$kind], $turns, array_keys($turns)));
            }
        }
        rsort($sums[0]);
        rsort($sums[1]);
        $apart = PHP_INT_MAX;
        for ($a = 0; $a < $dates; $a++) {
            for ($b = $a + 1; $b < $dates; $b++) {
                $apart = $turns[$a] === $turns[$b] ? min($apart, $b - $a) : $apart;
            }
        }
        $rank = [$sums[0], $sums[1], -$apart, $turns];
        $best = $best === null || $rank < $best ? $rank : $best;
    }

    return $best[3];
}

describe('RotaSearch', function (): void {
    it('finds what weighing all turns finds', function (int $seed): void {
        mt_srand($seed);
        for ($round = 0; $round < 40; $round++) {
            $times = mt_rand(1, 4);
            $dates = mt_rand(0, $times === 4 ? 4 : 6);
            $kinds = mt_rand(1, 3);
            // Few patterns, so that dates and people are hit alike, as they are.
            $pattern = array_map(static fn(): array => array_map(static function (): array {
                $outside = mt_rand(0, 1);

                return [$outside === 0 ? 0 : mt_rand(0, 1), $outside];
            }, range(1, $times)), range(1, 6));
            $dateKind = array_map(static fn(): int => mt_rand(1, $kinds), $dates === 0 ? [] : range(1, $dates));
            $costs = [];
            for ($person = 0; $person < mt_rand(0, 5); $person++) {
                $shift = mt_rand(0, 3);
                $costs[] = array_map(static fn(int $kind): array => $pattern[($kind + $shift) % 6], $dateKind);
            }

            $barred = array_map(static function () use ($times): array {
                $open = mt_rand(0, $times - 1);

                return array_map(static fn(int $time): bool => $time !== $open && mt_rand(0, 3) === 0, range(0, $times - 1));
            }, $dateKind);

            expect((new RotaSearch($dates, $times, $costs))->turns())->toBe(turnsOneByOne($dates, $times, $costs))
                ->and((new RotaSearch($dates, $times, $costs, $barred))->turns())->toBe(turnsOneByOne($dates, $times, $costs, $barred));
        }
    })->with(range(1, 10));

    it('weighs all there are or none', function (int $dates, int $times, bool $is): void {
        $costs = array_map(static fn(int $p): array => array_map(static fn(int $d): array => array_map(static fn(int $t): array => [($p * 7 + $d * 3 + $t) % 5 === 0 ? 1 : 0, ($p + $d * 5 + $t) % 3 === 0 ? 1 : 0], range(1, $times)), range(1, $dates)), range(1, 6));
        $is ? expect((new RotaSearch($dates, $times, $costs))->turns())->toHaveCount($dates) : expect(fn() => new RotaSearch($dates, $times, $costs))->toThrow(TooMuchWork::class);
    })->with([[19, 2, true], [20, 2, false], [12, 3, true], [13, 3, false], [9, 4, true], [7, 6, true], [8, 6, false], [400, 1, true]]);

    it('shares nights between two that cannot both sleep, as far apart as can be', function () use (&$nine): void {
        $hours = array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], [['09:00', '17:00']]);
        $answer = asked('rota', ['tzid' => 'UTC', 'dates' => ['2026-12-01', '2026-12-08', '2026-12-15', '2026-12-22'], 'times' => ['10:00', '22:00'], 'duration' => 60, 'people' => [
            ['id' => 'west', 'tzid' => 'UTC', 'hours' => $hours], ['id' => 'east', 'tzid' => 'Pacific/Auckland', 'hours' => $hours],
        ]]);
        // 10:00 UTC is 23:00 in Auckland, 22:00 UTC is 11:00 there the day after.
        expect($answer)->toBe(['id' => 1, 'turns' => [0, 1, 0, 1], 'burden' => [['id' => 'west', 'nights' => 2, 'outside' => 2], ['id' => 'east', 'nights' => 2, 'outside' => 2]]]);
    });

    it('refuses what it cannot read, by its code', function (array $changes, string $code): void {
        $line = ['tzid' => 'UTC', 'dates' => ['2026-12-01'], 'times' => ['10:00'], 'duration' => 60, 'people' => []];
        expect(asked('rota', [...$line, ...$changes])['error']['code'])->toBe($code);
    })->with([
        [['tzid' => null], 'floating'], [['tzid' => 'Mars/Base'], 'unknown_zone'], [['dates' => ['2026-12-08', '2026-12-01']], 'bad_value'], [['dates' => ['2026-12-01', '2026-12-01']], 'bad_value'], [['dates' => ['2026-12-01T00:00:00']], 'bad_value'],
        [['times' => []], 'bad_value'], [['times' => ['10:00', '10:00']], 'bad_value'], [['times' => ['24:00']], 'bad_value'], [['times' => ['10:00:00']], 'bad_value'], [['times' => ['01:00', '02:00', '03:00', '04:00', '05:00', '06:00', '07:00']], 'bad_value'],
        [['duration' => 0], 'bad_value'], [['limit' => 1], 'unknown_key'], [['times' => ['01:00', '02:00'], 'dates' => array_map(static fn(int $d): string => sprintf('2026-12-%02d', $d), range(1, 20))], 'too_much_work'],
    ]);

    it('counts dusk as outside and not as night, and skipped times as everywhere', function (): void {
        $person = ['id' => 'a', 'tzid' => 'Europe/Lisbon', 'hours' => ['sun' => [['03:00', '12:00']]]];
        $burden = static fn(string $time, string $date = '2027-03-28'): array => asked('rota', ['tzid' => 'Europe/Lisbon', 'dates' => [$date], 'times' => [$time], 'duration' => 30, 'people' => [$person]])['burden'][0];
        // On 28 March 2027 clocks go from 01:00 to 02:00 in Lisbon: 01:30 becomes 02:30, half an hour before.
        expect($burden('01:30'))->toBe(['id' => 'a', 'nights' => 0, 'outside' => 1])
            ->and($burden('00:30'))->toBe(['id' => 'a', 'nights' => 0, 'outside' => 1])
            ->and($burden('03:00'))->toBe(['id' => 'a', 'nights' => 0, 'outside' => 0])
            ->and($burden('13:30'))->toBe(['id' => 'a', 'nights' => 0, 'outside' => 1])
            ->and($burden('13:31'))->toBe(['id' => 'a', 'nights' => 1, 'outside' => 1])
            ->and($burden('10:00', '2027-03-29'))->toBe(['id' => 'a', 'nights' => 1, 'outside' => 1]);
    });
});
