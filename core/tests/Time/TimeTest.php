<?php

declare(strict_types=1);

use Syndex\Core\Tests;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\InvalidHours;
use Syndex\Core\Time\InvalidInterval;
use Syndex\Core\Time\InvalidTime;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\UnknownZone;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\WorkingHours;

describe('Gregorian', function (): void {
    it('agrees with the calendar extension of PHP', function (): void {
        foreach ([1, 4, 100, 400, 1582, 1900, 1969, 1970, 2000, 2024, 2026, 2100, 9999] as $year) {
            foreach ([[1, 1], [2, 28], [3, 1], [12, 31]] as [$month, $day]) {
                $number = Gregorian::dayNumber($year, $month, $day);
                $iso = new DateTimeImmutable(sprintf('%04d-%02d-%02dT00:00:00Z', $year, $month, $day));

                expect($number * 86400)->toBe($iso->getTimestamp())
                    ->and(Gregorian::civil($number))->toBe([$year, $month, $day])
                    ->and(Gregorian::weekday($number))->toBe((int) $iso->format('N') - 1);
            }
        }
    });
});

describe('Gregorian, at its edges', function (): void {
    it('knows its first and last day, and the two ways of dividing', function (): void {
        expect(Gregorian::civil(Gregorian::FIRST_DAY))->toBe([1, 1, 1])->and(Gregorian::civil(Gregorian::LAST_DAY))->toBe([9999, 12, 31])
            ->and([Gregorian::floorDiv(7, 3), Gregorian::floorDiv(-7, 3), Gregorian::floorDiv(-6, 3), Gregorian::floorDiv(0, 3)])->toBe([2, -3, -2, 0])
            ->and([Gregorian::floorMod(7, 3), Gregorian::floorMod(-7, 3), Gregorian::floorMod(-6, 3)])->toBe([1, 2, 0]);
    });

    it('counts the days of each month', function (int $year): void {
        foreach (range(1, 12) as $month) {
            expect(Gregorian::daysInMonth($year, $month))->toBe((int) gmdate('t', (int) gmmktime(0, 0, 0, $month, 1, $year)))
                ->and(Gregorian::daysBeforeMonth($year, $month))->toBe((int) gmdate('z', (int) gmmktime(0, 0, 0, $month, 1, $year)));
        }
    })->with([1999, 2000, 2023, 2024, 2100]);
});

describe('WallTime', function (): void {
    it('is of the years 1 to 9999', function (int $seconds, bool $is): void {
        try {
            expect(WallTime::ofSeconds($seconds)->seconds)->toBe($is ? $seconds : null);
        } catch (InvalidTime) {
            expect($is)->toBeFalse();
        }
    })->with([[-719162 * 86400, true], [-719162 * 86400 - 1, false], [2932897 * 86400 - 1, true], [2932897 * 86400, false]]);

    it('names its parts', function (): void {
        $wall = WallTime::of(2026, 12, 8, 15, 30, 5);

        expect([$wall->format(), $wall->formatDate(), $wall->formatClock(), $wall->secondOfDay(), $wall->dayNumber()])->toBe(['2026-12-08T15:30:05', '2026-12-08', '15:30', 55805, 20795])
            ->and(WallTime::of(1969, 12, 31, 23)->secondOfDay())->toBe(82800)
            ->and($wall->plusSeconds(-55806)->format())->toBe('2026-12-07T23:59:59');
    });
});

describe('WallTime::parse', function (): void {
    it('refuses what cannot be', function (string $text): void {
        WallTime::parse($text);
    })->with(['2026-02-29T10:00:00', '2026-13-01T10:00:00', '2026-01-01T24:00:00', '2026-01-01T10:60:00', '2026-01-01T10:00:60', '2026-01-01T10:00', '2026-01-01 10:00:00', '0000-01-01T10:00:00', '2026-01-01T10:00:00Z', ''])
        ->throws(InvalidTime::class);

    it('reads back what it writes', function (string $text): void {
        expect(WallTime::parse($text)->format())->toBe($text);
    })->with(['0001-01-01T00:00:00', '1969-12-31T23:59:59', '2024-02-29T12:34:56', '9999-12-31T23:59:59']);
});

describe('Instant', function (): void {
    it('reads RFC 3339 and nothing else', function (string $text, ?string $utc): void {
        try {
            expect(Instant::parse($text)->format())->toBe($utc);
        } catch (InvalidTime) {
            expect($utc)->toBeNull();
        }
    })->with([
        ['2026-12-08T15:30:00+03:00', '2026-12-08T12:30:00Z'], ['2026-12-08T12:30:00Z', '2026-12-08T12:30:00Z'], ['2026-12-08T00:15:00+05:45', '2026-12-07T18:30:00Z'],
        ['2026-12-08t12:30:00Z', null], ['2026-12-08T12:30:00z', null], ['2026-12-08T12:30:00', null], ['2026-12-08T12:30:00+24:00', null], ['2026-12-08T12:30:00+23:59', '2026-12-07T12:31:00Z'], ['2026-12-08T12:30:00-23:59', '2026-12-09T12:29:00Z'], ['2026-12-08T12:30:00+05:60', null], ['2026-12-08T12:30:00+00:00', '2026-12-08T12:30:00Z'], ['2026-12-08T12:30:00-00:30', '2026-12-08T13:00:00Z'], ['2026-13-08T12:30:00Z', null], ['2026-12-08T12:30:00+0300', null],
    ]);

    it('still names the same moment where an old offset has seconds', function (): void {
        $instant = Instant::parse('1850-01-01T12:00:00Z');

        expect(Instant::parse($instant->formatIn(Tests\zone('America/New_York')))->seconds)->toBe($instant->seconds);
    });
});

describe('Zone', function (): void {
    it('agrees with PHP on every zone at every change since 1970', function (): void {
        foreach (Tests\zones()->ids() as $id) {
            $zone = Tests\zone($id);
            $reference = new DateTimeZone($id);
            foreach ($reference->getTransitions(0, 2145916800) ?: [] as $change) {
                foreach ([-1, 0, 86400] as $beside) {
                    $moment = $change['ts'] + $beside;
                    if ($zone->offsetAt($moment) !== $reference->getOffset(new DateTimeImmutable('@' . $moment))) {
                        $this->fail("$id differs at $moment");
                    }
                }
            }
        }
        expect(count(Tests\zones()->ids()))->toBeGreaterThan(400);
    });

    it('brings a wall time that exists back from its moment', function (string $id): void {
        $zone = Tests\zone($id);
        mt_srand(7);
        for ($i = 0; $i < 500; $i++) {
            $wall = mt_rand(0, 2524608000);
            $moment = $zone->toUtc($wall);
            expect($zone->skips($wall) || $zone->toWall($moment) === $wall)->toBeTrue();
        }
    })->with(['America/St_Johns', 'Europe/Dublin', 'Africa/Casablanca', 'Australia/Lord_Howe', 'Pacific/Chatham', 'America/Santiago', 'Asia/Kathmandu']);

    it('goes on by the rules of the zone after all that is listed', function (string $summer, int $offset): void {
        expect(Tests\zone('Europe/Lisbon')->offsetAt(Tests\at($summer)))->toBe($offset);
    })->with([['2099-07-01T00:00:00Z', 3600], ['2350-07-01T00:00:00Z', 3600], ['2350-01-01T00:00:00Z', 0], ['9000-07-01T00:00:00Z', 3600]]);

    it('refuses names that are not spelt as in the zone data', function (string $id): void {
        Tests\zone($id);
    })->with(['us/eastern', 'Europe/lisbon', 'Mars/Base', '+03:00', '', 'leapseconds', 'localtime'])->throws(UnknownZone::class);
});

describe('PlaceName::of', function (): void {
    it('names the city', function (string $zone, string $city): void {
        expect(PlaceName::of($zone))->toBe($city);
    })->with([['Africa/Nairobi', 'Nairobi'], ['America/St_Johns', 'St. John’s'], ['America/Argentina/Buenos_Aires', 'Buenos Aires'], ['UTC', 'UTC'], ['Etc/GMT+5', 'GMT+5'], ['Etc/UTC', 'UTC'], ['America/North_Dakota/New_Salem', 'New Salem, North Dakota']]);

    // CLDR: exemplar cities.
    it('names it in other languages', function (): void {
        expect(PlaceName::of('Europe/Moscow', 'de'))->toBe('Moskau')->and(PlaceName::of('Europe/Moscow'))->toBe('Moscow');
    });
});

describe('Interval', function (): void {
    it('counts the start in and the end out', function (int $start, int $end, bool $expected): void {
        expect(Interval::between(100, 200)->overlaps(Interval::between($start, $end)))->toBe($expected);
    })->with(['touches before' => [50, 100, false], 'touches after' => [200, 250, false], 'a second in' => [199, 250, true], 'around' => [0, 300, true], 'within' => [120, 130, true]]);

    it('holds its start, not its end', function (int $moment, bool $holds): void {
        expect(Interval::between(100, 200)->contains($moment))->toBe($holds);
    })->with([[99, false], [100, true], [199, true], [200, false]]);

    it('lasts minutes, and is cut to another', function (): void {
        $hour = Interval::lasting(1000, 60);

        expect([$hour->end, $hour->seconds()])->toBe([4600, 3600])
            ->and($hour->clippedTo(Interval::between(0, 2000))?->end)->toBe(2000)->and($hour->clippedTo(Interval::between(2000, 9000))?->start)->toBe(2000)
            ->and($hour->clippedTo(Interval::between(4600, 9000)))->toBeNull();
    });

    it('ends after it starts', function (): void {
        Interval::between(5, 5);
    })->throws(InvalidInterval::class);
});

describe('IntervalSet', function (): void {
    it('joins what touches or overlaps, in whatever order it comes', function (array $given, array $joined): void {
        $pairs = static fn(IntervalSet $set): array => array_map(static fn(Interval $i): array => [$i->start, $i->end], $set->intervals);
        $intervals = array_map(static fn(array $pair): Interval => Interval::between(...$pair), $given);

        expect($pairs(IntervalSet::of($intervals)))->toBe($joined)->and($pairs(IntervalSet::of(array_reverse($intervals))))->toBe($joined);
    })->with([
        'apart' => [[[30, 40], [10, 20]], [[10, 20], [30, 40]]],
        'touching' => [[[10, 20], [20, 30]], [[10, 30]]],
        'overlapping' => [[[15, 40], [10, 20], [60, 70]], [[10, 40], [60, 70]]],
        'one within another' => [[[10, 100], [20, 30], [90, 110]], [[10, 110]]],
        'none' => [[], []],
    ]);

    it('answers for one stretch', function (int $start, int $end, bool $overlaps, bool $covers): void {
        $set = IntervalSet::of([Interval::between(50, 60), Interval::between(10, 20), Interval::between(30, 40)]);
        $asked = Interval::between($start, $end);

        expect([$set->overlaps($asked), $set->covers($asked)])->toBe([$overlaps, $covers]);
    })->with([[0, 10, false, false], [0, 11, true, false], [10, 20, true, true], [12, 18, true, true], [20, 30, false, false], [19, 31, true, false], [39, 40, true, true], [40, 50, false, false], [55, 61, true, false], [60, 70, false, false], [0, 100, true, false]]);

    it('grows at both ends', function (): void {
        $grown = IntervalSet::of([Interval::between(10, 20), Interval::between(30, 40)])->widenedBy(5);

        expect(array_map(static fn(Interval $i): array => [$i->start, $i->end], $grown->intervals))->toBe([[5, 45]])
            ->and(IntervalSet::of([])->widenedBy(5)->isEmpty())->toBeTrue()->and($grown->isEmpty())->toBeFalse();
    });

    it('fills a window together with its gaps and never meets them', function (): void {
        mt_srand(11);
        for ($round = 0; $round < 200; $round++) {
            $set = IntervalSet::of(array_map(static function (): Interval {
                $start = mt_rand(0, 1000);

                return Interval::between($start, $start + mt_rand(1, 120));
            }, range(1, mt_rand(1, 12))));
            $window = Interval::between(100, 900);
            $inside = $set->clippedTo($window);
            $gaps = $set->gapsIn($window);
            $length = static fn(IntervalSet $s): int => array_sum(array_map(static fn(Interval $i): int => $i->seconds(), $s->intervals));

            expect($length($inside) + $length($gaps))->toBe(800);
            foreach ($gaps->intervals as $gap) {
                expect($set->overlaps($gap))->toBeFalse();
            }
        }
    });
});

describe('WorkingHours', function (): void {
    it('counts stretches that touch or overlap as one', function (): void {
        $hours = WorkingHours::of(['mon' => [['13:00', '17:00'], ['09:00', '12:00'], ['11:00', '13:00']]]);

        expect($hours->toArray())->toBe(['mon' => [['09:00', '17:00']]]);
    });

    it('joins the night over midnight', function (): void {
        $hours = WorkingHours::of(['mon' => [['20:00', '24:00']], 'tue' => [['00:00', '04:00']]]);
        $window = Interval::between(Tests\at('2026-12-07T00:00:00Z'), Tests\at('2026-12-09T00:00:00Z'));

        expect($hours->within($window, Tests\zone('UTC'))->intervals)->toHaveCount(1);
    });

    it('is an hour shorter on the night the clocks go forward', function (): void {
        $hours = WorkingHours::of(['sun' => [['00:00', '06:00']]]);
        $window = Interval::between(Tests\at('2026-03-28T00:00:00Z'), Tests\at('2026-03-30T00:00:00Z'));

        expect($hours->within($window, Tests\zone('Europe/Berlin'))->intervals[0]->seconds())->toBe(5 * 3600);
    });

    it('follows the clocks through a window of any length', function (int $days): void {
        $hours = WorkingHours::usual();
        $zone = Tests\zone('Europe/Lisbon');
        $from = Tests\at('2026-12-01T00:00:00Z');
        foreach ($hours->within(Interval::between($from, $from + $days * 86400), $zone)->intervals as $interval) {
            expect(substr(WallTime::ofSeconds($zone->toWall($interval->start))->format(), 11))->toBe('09:00:00');
        }
    })->with([5, 365]);

    it('finds the first full hour that leaves room', function (array $days, string $from, int $minutes, ?string $found): void {
        $moment = WorkingHours::of($days)->firstFullHour(Tests\at($from), $minutes, Tests\zone('Africa/Nairobi'));

        expect($moment === null ? null : WallTime::ofSeconds(Tests\zone('Africa/Nairobi')->toWall($moment))->format())->toBe($found);
    })->with([
        'over a weekend' => [['mon' => [['09:00', '17:00']], 'fri' => [['09:00', '17:00']]], '2026-11-27T15:00:00Z', 30, '2026-11-30T09:00:00'],
        'within the day' => [['mon' => [['09:00', '17:00']]], '2026-11-30T06:10:00Z', 30, '2026-11-30T10:00:00'],
        'hours that begin at the half' => [['mon' => [['09:30', '17:00']]], '2026-11-29T06:10:00Z', 30, '2026-11-30T10:00:00'],
        'too little left' => [['mon' => [['09:00', '17:00']], 'tue' => [['10:00', '11:00']]], '2026-11-30T13:10:00Z', 30, '2026-12-01T10:00:00'],
        'too long for any' => [['mon' => [['09:00', '10:00']]], '2026-11-30T06:10:00Z', 90, null],
        'no hours at all' => [[], '2026-11-30T06:10:00Z', 30, null],
    ]);

    it('refuses what cannot be', function (array $days): void {
        WorkingHours::of($days);
    })->with([[['monday' => []]], [['mon' => [['9:00', '17:00']]]], [['mon' => [['17:00', '09:00']]]], [['mon' => [['09:00', '09:00']]]], [['mon' => [['24:00', '24:00']]]], [['mon' => [['09:00', '25:00']]]]])->throws(InvalidHours::class);
});

it('says what was expected and what it got', function (Closure $wrong, string $said): void {
    $message = null;
    try {
        $wrong();
    } catch (DomainException $e) {
        $message = $e->getMessage();
    }

    expect($message)->toBe($said);
})->with([
    'a day' => [fn() => WorkingHours::of(['monday' => []]), 'expected a day of mon, tue, wed, thu, fri, sat, sun, got "monday"'],
    'a long day' => [fn() => WorkingHours::of([str_repeat('x', 41) => []]), 'expected a day of mon, tue, wed, thu, fri, sat, sun, got "' . str_repeat('x', 39) . '…"'],
    'a time of day' => [fn() => WorkingHours::of(['mon' => [['9:00', '17:00']]]), 'expected a time of day HH:MM, got "9:00"'],
    'a stretch' => [fn() => WorkingHours::of(['mon' => [['17:00', '09:00']]]), 'expected a stretch that ends after it starts, got 17:00 to 09:00'],
    'a wall time' => [fn() => WallTime::parse('noon'), 'expected a wall time like 2026-12-08T15:30:00, got "noon"'],
    'a date' => [fn() => WallTime::parseDate('2026-02-30'), 'expected a date like 2026-12-08, got "2026-02-30"'],
    'an instant' => [fn() => Instant::parse('2026-02-30T00:00:00Z'), 'expected an instant like 2026-12-08T12:30:00Z or 2026-12-08T15:30:00+03:00, got "2026-02-30T00:00:00Z"'],
    'a long text' => [fn() => WallTime::parse(str_repeat('y', 81)), 'expected a wall time like 2026-12-08T15:30:00, got "' . str_repeat('y', 79) . '…"'],
]);
