<?php

declare(strict_types=1);

use Syndex\Core\Recurrence\InvalidRule;
use Syndex\Core\Recurrence\MoveSeries;
use Syndex\Core\Recurrence\NoDates;
use Syndex\Core\Recurrence\Reanchor;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Recurrence\WeekdayPick;
use Syndex\Core\Shifts\AnchorAdvice;
use Syndex\Core\Tests;
use Syndex\Core\Time\InvalidTime;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/** @return list<string> wall times */
function wallsOf(Series $series, int $limit = 400): array
{
    return array_map(static fn(int $wall): string => WallTime::ofSeconds($wall)->format(), $series->expand(Work::atMost(3_000_000), limit: $limit)->walls);
}

/**
 * @param list<string> $walls
 * @return list<string>
 */
function later(array $walls, int $minutes): array
{
    return array_map(static fn(string $wall): string => WallTime::parse($wall)->plusSeconds($minutes * 60)->format(), $walls);
}

describe('MoveSeries::by', function (): void {
    it('moves the days along when midnight is crossed', function (string $rule, int $minutes, string $start, string $expected): void {
        $moved = MoveSeries::by(Tests\series('2026-12-08T15:30:00', 'Africa/Nairobi', $rule), $minutes);

        expect([$moved->series->start->format(), $moved->series->rule?->toText(), $moved->isExact()])->toBe([$start, $expected, true]);
    })->with([
        'within the day' => ['FREQ=WEEKLY;BYDAY=TU', -150, '2026-12-08T13:00:00', 'FREQ=WEEKLY;BYDAY=TU'],
        'to the next day' => ['FREQ=WEEKLY;BYDAY=TU,SU', 600, '2026-12-09T01:30:00', 'FREQ=WEEKLY;BYDAY=MO,WE'],
        'to the day before' => ['FREQ=WEEKLY;BYDAY=MO', -1000, '2026-12-07T22:50:00', 'FREQ=WEEKLY;BYDAY=SU'],
        'a date of the month' => ['FREQ=MONTHLY;BYMONTHDAY=8', 600, '2026-12-09T01:30:00', 'FREQ=MONTHLY;BYMONTHDAY=9'],
        'the first, back' => ['FREQ=MONTHLY;BYMONTHDAY=1', -1000, '2026-12-07T22:50:00', 'FREQ=MONTHLY;BYMONTHDAY=-1'],
        'the last, on' => ['FREQ=MONTHLY;BYMONTHDAY=-1', 600, '2026-12-09T01:30:00', 'FREQ=MONTHLY;BYMONTHDAY=1'],
        'the end goes with it' => ['FREQ=WEEKLY;UNTIL=20261222', 600, '2026-12-09T01:30:00', 'FREQ=WEEKLY;UNTIL=20261223'],
        'an end in UTC, as a moment' => ['FREQ=WEEKLY;UNTIL=20261222T123000Z', 600, '2026-12-09T01:30:00', 'FREQ=WEEKLY;UNTIL=20261223T013000'],
        'hours that it names' => ['FREQ=DAILY;BYHOUR=9,15;BYMINUTE=0', 90, '2026-12-08T17:00:00', 'FREQ=DAILY;BYMINUTE=30;BYHOUR=10,16'],
        'hours that it names, minutes of its start' => ['FREQ=DAILY;BYHOUR=9,15', 90, '2026-12-08T17:00:00', 'FREQ=DAILY;BYHOUR=11,17'],
        'New Year' => ['FREQ=YEARLY;BYMONTH=12;BYMONTHDAY=31', 600, '2026-12-09T01:30:00', 'FREQ=YEARLY;BYMONTHDAY=1;BYMONTH=1'],
        'days of the year' => ['FREQ=YEARLY;BYYEARDAY=100,200', 600, '2026-12-09T01:30:00', 'FREQ=YEARLY;BYYEARDAY=101,201'],
        'every second week, Sundays' => ['FREQ=WEEKLY;INTERVAL=2;BYDAY=SU', 600, '2026-12-09T01:30:00', 'FREQ=WEEKLY;INTERVAL=2;BYDAY=MO;WKST=TU'],
        'the third of three days of a week' => ['FREQ=WEEKLY;BYDAY=MO,WE,FR;BYSETPOS=-1', 600, '2026-12-09T01:30:00', 'FREQ=WEEKLY;BYDAY=TU,TH,SA;BYSETPOS=-1'],
    ]);

    it('says so where no rule has the moved dates, and what the words would mean', function (string $rule, int $minutes, string $words, int $differ, int $of): void {
        $series = Tests\series('2026-12-08T15:30:00', 'Africa/Nairobi', $rule);
        $moved = MoveSeries::by($series, $minutes);

        expect([$moved->series->rule?->toText(), $moved->differ, $moved->of, $moved->isExact()])->toBe([$words, $differ, $of, false]);
        if ($moved->byDates !== null) {
            expect(wallsOf($moved->byDates))->toBe(later(wallsOf($series), $minutes));
        } else {
            expect($series->rule?->isOpen())->toBeTrue();
        }
    })->with([
        // By a calendar: months of 2027 in which the first is a Wednesday, so that the second Tuesday lies six days after the second Wednesday: September, December.
        'the second Tuesday' => ['FREQ=MONTHLY;BYDAY=2TU;COUNT=13', 600, 'FREQ=MONTHLY;COUNT=13;BYDAY=2WE', 2, 13],
        'the 31st' => ['FREQ=MONTHLY;BYMONTHDAY=31;COUNT=6', 600, 'FREQ=MONTHLY;COUNT=6;BYMONTHDAY=1', 2, 6],
        'the second Tuesday for ever' => ['FREQ=MONTHLY;BYDAY=2TU', 600, 'FREQ=MONTHLY;BYDAY=2WE', 7, 52],
        'morning and evening, past midnight for one' => ['FREQ=DAILY;BYHOUR=9,23;BYMINUTE=0;COUNT=6', 90, 'FREQ=DAILY;COUNT=6;BYMINUTE=0;BYHOUR=9,23', 6, 6],
    ]);

    it('moves each date alike, or says that it does not: any rule that can be', function (): void {
        $seed = (int) (getenv('SYNDEX_SEED') ?: random_int(1, 1_000_000_000));
        mt_srand($seed);
        $pick = static fn(array $of): mixed => $of[mt_rand(0, count($of) - 1)];
        $some = static function (array $of) use ($pick): string {
            $taken = [];
            for ($i = mt_rand(1, 3); $i > 0; $i--) {
                $taken[] = $pick($of);
            }

            return implode(',', array_unique($taken));
        };
        $exact = 0;
        for ($round = 0; $round < 600; $round++) {
            $frequency = $pick(['DAILY', 'WEEKLY', 'WEEKLY', 'MONTHLY', 'MONTHLY', 'YEARLY']);
            $days = WeekdayPick::CODES;
            $parts = array_filter([
                'INTERVAL' => mt_rand(0, 2) === 0 ? (string) mt_rand(2, 4) : null,
                'BYDAY' => mt_rand(0, 1) === 0 ? $some(in_array($frequency, ['MONTHLY', 'YEARLY'], true) && mt_rand(0, 1) === 0 ? array_map(static fn(string $d): string => mt_rand(-2, 4) . $d, $days) : $days) : null,
                'BYMONTHDAY' => $frequency !== 'WEEKLY' && mt_rand(0, 2) === 0 ? $some([1, 2, 8, 15, 28, 30, 31, -1, -2, -31]) : null,
                'BYMONTH' => mt_rand(0, 4) === 0 ? $some(range(1, 12)) : null,
                'BYYEARDAY' => $frequency === 'YEARLY' && mt_rand(0, 3) === 0 ? $some([1, 59, 100, 365, 366, -1, -100]) : null,
                'BYWEEKNO' => $frequency === 'YEARLY' && mt_rand(0, 4) === 0 ? $some([1, 20, 52, 53, -1]) : null,
                'BYHOUR' => mt_rand(0, 4) === 0 ? $some([0, 7, 15, 23]) : null,
                'BYMINUTE' => mt_rand(0, 6) === 0 ? $some([0, 15, 45]) : null,
                'WKST' => mt_rand(0, 3) === 0 ? $pick($days) : null,
                'COUNT' => mt_rand(0, 1) === 0 ? (string) mt_rand(1, 40) : null,
            ], static fn(?string $part): bool => $part !== null && !str_contains($part, '0MO') && preg_match('/(^|,)0[A-Z]/', $part) !== 1);
            if (!isset($parts['COUNT']) && mt_rand(0, 1) === 0) {
                $parts['UNTIL'] = $pick(['20271222', '20280303', '20270615T093000', '20291231T210000Z']);
            }
            $text = "FREQ=$frequency;" . implode(';', array_map(static fn(string $name, string $value): string => "$name=$value", array_keys($parts), $parts));
            $minutes = $pick([15, -15, 90, 600, -600, -1440, 1440, -45, 1425]);
            try {
                $series = Tests\series(sprintf('2026-%02d-%02dT%02d:%02d:00', mt_rand(1, 12), mt_rand(1, 28), mt_rand(0, 23), 15 * mt_rand(0, 3)), $pick(['Europe/Lisbon', 'Africa/Nairobi', 'Pacific/Auckland']), rtrim($text, ';'))->startedOnRule(Work::atMost(2_000_000));
            } catch (InvalidRule|NoDates) {
                continue;
            }
            $moved = MoveSeries::by($series, $minutes);
            $case = "seed $seed: {$series->start->format()} {$series->zone?->id} $text by $minutes min became " . $moved->series->rule?->toText();
            $wanted = later(wallsOf($series), $minutes);
            if ($moved->isExact()) {
                expect(wallsOf($moved->series))->toBe($wanted, $case);
                $exact++;
            } elseif ($moved->byDates !== null && $series->rule?->isOpen() === false) {
                expect(wallsOf($moved->byDates))->toBe($wanted, "$case, by dates");
            }
        }
        expect($exact)->toBeGreaterThan(100);
    });

    it('takes single dates along, and refuses to leave the calendar', function (): void {
        $series = Series::timed(WallTime::parse('2026-12-08T15:30:00'), Tests\zone('Africa/Nairobi'), RuleParser::parse('FREQ=WEEKLY;COUNT=4'), [WallTime::parse('2026-12-10T08:00:00')], [WallTime::parse('2026-12-15T15:30:00')]);

        expect(wallsOf(MoveSeries::by($series, 600)->series))->toBe(later(wallsOf($series), 600))
            ->and(fn() => MoveSeries::by(Tests\series('9999-12-31T23:00:00', 'UTC', 'FREQ=WEEKLY'), 120))->toThrow(InvalidTime::class);
    });
});

describe('Reanchor::to', function (): void {
    it('keeps the moment of the first date and counts by the other clock from there on', function (string $start, string $from, string $to, string $wall, string $rule): void {
        $series = Tests\series($start, $from, 'FREQ=WEEKLY;BYDAY=TU;COUNT=40');
        $other = Reanchor::to($series, Tests\zone($to));

        expect([$other->start->format(), $other->rule?->toText(), $other->zone?->id])->toBe([$wall, $rule, $to])
            ->and($other->moment($other->start->seconds))->toBe($series->moment($series->start->seconds));
        $clocks = array_unique(array_map(static fn(string $date): string => substr($date, 11), Tests\dates($other)));
        expect($clocks)->toHaveCount(1);
    })->with([
        'the same day' => ['2027-03-02T15:30:00', 'Africa/Nairobi', 'Europe/Lisbon', '2027-03-02T12:30:00', 'FREQ=WEEKLY;COUNT=40;BYDAY=TU'],
        'the day after' => ['2027-03-02T15:30:00', 'Africa/Nairobi', 'Pacific/Auckland', '2027-03-03T01:30:00', 'FREQ=WEEKLY;COUNT=40;BYDAY=WE'],
        'the day before' => ['2027-03-02T01:30:00', 'Pacific/Auckland', 'America/Lima', '2027-03-01T07:30:00', 'FREQ=WEEKLY;COUNT=40;BYDAY=MO'],
        'a quarter hour off' => ['2027-03-02T15:30:00', 'Africa/Nairobi', 'Asia/Kathmandu', '2027-03-02T18:15:00', 'FREQ=WEEKLY;COUNT=40;BYDAY=TU'],
    ]);
});

describe('AnchorAdvice::moves', function (): void {
    it('counts for whom local time would move, the own zone first', function (): void {
        $series = Tests\series('2027-03-02T15:30:00', 'Africa/Nairobi', 'FREQ=WEEKLY;COUNT=6');
        $dates = $series->expand(Work::atMost(1000));
        $zones = array_map(Tests\zone(...), ['Europe/Lisbon', 'Europe/Lisbon', 'Europe/Berlin', 'America/New_York', 'Africa/Nairobi']);

        expect(array_map(static fn($m): array => [$m->zoneId, $m->people], AnchorAdvice::moves($dates, Tests\zone('Africa/Nairobi'), $zones)))
            ->toBe([['Africa/Nairobi', 4], ['Europe/Berlin', 2], ['Europe/Lisbon', 2], ['America/New_York', 4]]);
    });
});
