<?php

declare(strict_types=1);

use Syndex\Core\Recurrence\Frequency;
use Syndex\Core\Recurrence\InvalidRule;
use Syndex\Core\Recurrence\NoDates;
use Syndex\Core\Recurrence\Rule;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Recurrence\Until;
use Syndex\Core\Recurrence\WeekdayPick;
use Syndex\Core\Sentence\English\English;
use Syndex\Core\Shifts\ClockChange;
use Syndex\Core\Shifts\ClockShifts;
use Syndex\Core\Shifts\PersonClock;
use Syndex\Core\Tests;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\TooMuchWork;
use Syndex\Core\Work;

describe('Series::expand', function (): void {
    it('keeps the wall clock of its zone over a change of clocks', function (): void {
        $series = Tests\series('2026-03-23T15:30:00', 'Europe/Lisbon', 'FREQ=WEEKLY;COUNT=2');
        $starts = $series->expand(Work::atMost(1000))->starts;

        expect(Tests\dates($series))->toBe(['2026-03-23T15:30:00', '2026-03-30T15:30:00'])
            ->and($starts[1] - $starts[0])->toBe(7 * 86400 - 3600);
    });

    it('takes dropped dates away after COUNT has counted them, and adds extra ones', function (): void {
        $series = Series::timed(
            WallTime::parse('2026-12-01T10:00:00'),
            Tests\zone('Asia/Kathmandu'),
            RuleParser::parse('FREQ=DAILY;COUNT=4'),
            [WallTime::parse('2026-12-20T11:00:00')],
            [WallTime::parse('2026-12-02T10:00:00')],
        );

        expect(Tests\dates($series))->toBe(['2026-12-01T10:00:00', '2026-12-03T10:00:00', '2026-12-04T10:00:00', '2026-12-20T11:00:00']);
    });

    it('counts UNTIL in, in each of its forms', function (string $until, int $dates): void {
        expect(Tests\series('2026-12-08T09:00:00', 'Africa/Nairobi', "FREQ=DAILY;UNTIL=$until")->expand(Work::atMost(1000))->count())->toBe($dates);
    })->with(['a day' => ['20261210', 3], 'a wall time' => ['20261210T090000', 3], 'a second before' => ['20261210T085959', 2], 'UTC' => ['20261210T060000Z', 3], 'a second before, UTC' => ['20261210T055959Z', 2], 'a leap second' => ['20261210T055960Z', 2]]);

    it('counts days of the year from its end, where it is long enough', function (string $days, array $dates): void {
        expect(array_slice(Tests\dates(Tests\series('2026-01-01T09:00:00', 'UTC', "FREQ=YEARLY;COUNT=2;BYYEARDAY=$days")), 0, 2))->toBe($dates);
    })->with([['-366', ['2028-01-01T09:00:00', '2032-01-01T09:00:00']], ['366', ['2028-12-31T09:00:00', '2032-12-31T09:00:00']], ['-365', ['2026-01-01T09:00:00', '2027-01-01T09:00:00']], ['-1', ['2026-12-31T09:00:00', '2027-12-31T09:00:00']]]);

    it('says whether a limit cut it short', function (int $limit, bool $complete): void {
        $found = Tests\series('2026-01-01T09:00:00', 'UTC', 'FREQ=DAILY;COUNT=5')->expand(Work::atMost(1000), limit: $limit);

        expect([$found->count(), $found->complete])->toBe([min(5, $limit), $complete]);
    })->with(['fewer than there are' => [4, false], 'just as many' => [5, true], 'more' => [6, true]]);

    it('does not walk from the start to a window far away', function (string $rule): void {
        $found = Tests\series('1970-01-01T09:00:00', 'Europe/Berlin', $rule)->expand(
            Work::atMost(2_000),
            Instant::parse('2026-06-01T00:00:00Z'),
            Instant::parse('2026-06-11T00:00:00Z'),
        );

        expect($found->count())->toBeGreaterThan(0);
    })->with(['daily' => 'FREQ=DAILY', 'every third day' => 'FREQ=DAILY;INTERVAL=3', 'weekly' => 'FREQ=WEEKLY;BYDAY=MO,WE', 'monthly' => 'FREQ=MONTHLY;BYMONTHDAY=5', 'on weekdays' => 'FREQ=DAILY;BYDAY=MO,TU,WE,TH,FR', 'hourly' => 'FREQ=HOURLY;INTERVAL=7']);

    it('finds the same dates in a window as by walking there', function (string $rule): void {
        $series = Tests\series('2020-01-31T09:30:00', 'America/New_York', $rule);
        $from = Tests\at('2024-02-01T00:00:00Z');
        $to = Tests\at('2026-02-01T00:00:00Z');
        $walked = array_values(array_filter($series->expand(Work::atMost(2_000_000), to: Instant::ofSeconds($to))->starts, static fn(int $s): bool => $s >= $from));

        expect($series->expand(Work::atMost(2_000_000), Instant::ofSeconds($from), Instant::ofSeconds($to))->starts)->toBe($walked);
    })->with([
        'FREQ=DAILY;INTERVAL=5', 'FREQ=WEEKLY;INTERVAL=3;BYDAY=SU,TH;WKST=SU', 'FREQ=MONTHLY;BYDAY=-1FR', 'FREQ=MONTHLY;INTERVAL=5;BYMONTHDAY=31',
        'FREQ=YEARLY;INTERVAL=2;BYWEEKNO=20;BYDAY=MO', 'FREQ=HOURLY;INTERVAL=49', 'RSCALE=GREGORIAN;FREQ=MONTHLY;SKIP=FORWARD', 'FREQ=MINUTELY;INTERVAL=1441;BYDAY=MO',
        'FREQ=YEARLY;BYDAY=20MO', 'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1', 'FREQ=YEARLY;BYYEARDAY=1,100,-1',
    ]);

    // ISO 8601 week numbers, by PHP's own date functions, for every day of 400 years: the calendar's whole cycle.
    it('numbers weeks as ISO 8601 does, from both ends', function (int $week): void {
        $series = Tests\series('1900-01-01T00:00:00', 'UTC', "FREQ=YEARLY;BYWEEKNO=$week;BYDAY=MO,TU,WE,TH,FR,SA,SU;UNTIL=22991231");
        $expected = [];
        $lengths = [];
        for ($day = (int) strtotime('1900-01-01T00:00:00Z'), $end = (int) strtotime('2300-01-01T00:00:00Z'); $day < $end; $day += 86400) {
            [$year, $number] = explode(' ', gmdate('o W', $day));
            $lengths[$year] ??= (int) gmdate('W', (int) gmmktime(0, 0, 0, 12, 28, (int) $year));
            if ($week === (int) $number || $week === (int) $number - $lengths[$year] - 1) {
                $expected[] = $day;
            }
        }

        expect($series->expand(Work::atMost(2_000_000))->starts)->toBe($expected);
    })->with([1, 20, 52, 53, -1, -52, -53]);

    it('counts by arithmetic as by walking', function (string $zone, string $rule): void {
        $counted = Tests\series('2009-12-28T10:15:00', $zone, "$rule;COUNT=1000");
        $walked = array_slice(Tests\series('2009-12-28T10:15:00', $zone, $rule)->expand(Work::atMost(2_000_000), limit: 1000)->starts, 0, 1000);

        expect($counted->expand(Work::atMost(2_000_000))->starts)->toBe($walked)
            ->and($counted->expand(Work::atMost(2_000_000), Instant::ofSeconds($walked[990]))->starts)->toBe(array_slice($walked, 990));
        // Pacific/Apia crossed the date line and had no 30 December 2011: that date and the next are one moment.
    })->with(['Europe/Lisbon', 'Pacific/Apia'])->with(['FREQ=DAILY', 'FREQ=DAILY;INTERVAL=3', 'FREQ=DAILY;BYHOUR=7', 'FREQ=WEEKLY', 'FREQ=WEEKLY;INTERVAL=2;BYDAY=FR,SA,MO;WKST=SU', 'FREQ=HOURLY;INTERVAL=5']);

    it('does not walk to a window past a count that arithmetic finds', function (string $rule, int $dates): void {
        $found = Tests\series('1970-01-01T09:00:00', 'Europe/Berlin', $rule)->expand(Work::atMost(2_000), Instant::parse('2026-06-01T00:00:00Z'));

        expect($found->count())->toBe($dates);
    })->with(['daily' => ['FREQ=DAILY;COUNT=20610', 5], 'weekly' => ['FREQ=WEEKLY;COUNT=2945', 1], 'ended before' => ['FREQ=DAILY;COUNT=20000', 0]]);

    /*
     * RFC 5545 3.3.10, the table: below a day every part limits, but BYMINUTE and BYSECOND expand what is longer than they
     * are. Here every second of a day and more is asked whether it is one.
     */
    it('finds below a day what asking every second finds', function (int $seed): void {
        mt_srand($seed);
        $some = static function (array $of, int $most): array {
            shuffle($of);
            $chosen = array_slice($of, 0, mt_rand(1, $most));
            sort($chosen);

            return $chosen;
        };
        for ($round = 0; $round < 6; $round++) {
            $frequency = ['SECONDLY', 'MINUTELY', 'HOURLY'][$round % 3];
            $size = ['SECONDLY' => 1, 'MINUTELY' => 60, 'HOURLY' => 3600][$frequency];
            $interval = mt_rand(1, [[7, 45, 5], [3000, 200, 5]][mt_rand(0, 1)][$round % 3]);
            $hours = mt_rand(0, 2) === 0 ? $some(range(0, 23), 6) : [];
            $minutes = mt_rand(0, 1) === 0 || $size === 1 ? $some(range(0, 59), 8) : [];
            $seconds = mt_rand(0, 1) === 0 || $size === 1 ? $some(range(0, 59), 4) : [];
            $days = mt_rand(0, 3) === 0 ? $some([0, 1, 2, 3, 4, 5, 6], 4) : [];
            $monthDays = mt_rand(0, 3) === 0 ? $some(range(1, 28), 20) : [];
            $rule = "FREQ=$frequency;INTERVAL=$interval" . ($hours === [] ? '' : ';BYHOUR=' . implode(',', $hours)) . ($minutes === [] ? '' : ';BYMINUTE=' . implode(',', $minutes)) . ($seconds === [] ? '' : ';BYSECOND=' . implode(',', $seconds))
                . ($days === [] ? '' : ';BYDAY=' . implode(',', array_map(static fn(int $d): string => ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'][$d], $days))) . ($monthDays === [] ? '' : ';BYMONTHDAY=' . implode(',', $monthDays));
            $start = Tests\at('2026-12-08T00:00:00Z') + mt_rand(0, 86399);
            $base = $start - $start % $size;
            $expected = [];
            for ($at = $start; $at < $start + 93_600 && count($expected) < 5000; $at++) {
                [$hour, $minute, $second] = [intdiv($at, 3600) % 24, intdiv($at, 60) % 60, $at % 60];
                if (intdiv($at - $base, $size) % $interval === 0
                    && ($hours === [] || in_array($hour, $hours, true))
                    && ($minutes === [] ? $size < 3600 || $minute === intdiv($start, 60) % 60 : in_array($minute, $minutes, true))
                    && ($seconds === [] ? $size === 1 || $second === $start % 60 : in_array($second, $seconds, true))
                    && ($days === [] || in_array((int) gmdate('N', $at) - 1, $days, true))
                    && ($monthDays === [] || in_array((int) gmdate('j', $at), $monthDays, true))) {
                    $expected[] = $at;
                }
            }
            $series = Series::timed(WallTime::ofSeconds($start), null, RuleParser::parse($rule));
            $found = $series->expand(Work::atMost(8_000_000), to: Instant::ofSeconds($start + 93_600), limit: 5000)->starts;

            expect($found)->toBe($expected, "seed $seed: " . WallTime::ofSeconds($start)->format() . " $rule");
        }
    })->with([1, 2, 3, 4]);

    it('picks positions among the minutes and seconds of a period', function (string $rule, array $clocks): void {
        $found = Series::timed(WallTime::parse('2026-12-08T09:00:00'), null, RuleParser::parse($rule))->expand(Work::atMost(100_000), limit: 4);

        expect(array_map(static fn(int $wall): string => gmdate('H:i:s', $wall), $found->walls))->toBe($clocks);
    })->with([
        ['FREQ=HOURLY;BYMINUTE=10,20,30;BYSETPOS=2', ['09:20:00', '10:20:00', '11:20:00', '12:20:00']],
        ['FREQ=HOURLY;BYMINUTE=10,20;BYSECOND=5,6;BYSETPOS=-1', ['09:20:06', '10:20:06', '11:20:06', '12:20:06']],
        ['FREQ=MINUTELY;BYSECOND=1,2,3;BYSETPOS=1,-1', ['09:00:01', '09:00:03', '09:01:01', '09:01:03']],
        ['FREQ=SECONDLY;INTERVAL=7;BYMINUTE=0;BYSETPOS=1', ['09:00:00', '09:00:07', '09:00:14', '09:00:21']],
        ['FREQ=SECONDLY;INTERVAL=3605;BYSECOND=5,20', ['10:00:05', '13:00:20', '22:01:05', '01:01:20']],
        ['FREQ=SECONDLY;BYSECOND=10,20;BYSETPOS=-1', ['09:00:10', '09:00:20', '09:01:10', '09:01:20']],
    ]);

    it('ends quickly on a rule that can never match', function (string $rule): void {
        expect(Tests\series('2026-01-01T09:00:00', 'UTC', $rule)->expand(Work::atMost(200_000))->starts)->toBe([]);
    })->with(['FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30', 'FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30', 'FREQ=MONTHLY;INTERVAL=12;BYMONTH=5', 'FREQ=DAILY;BYSECOND=60', 'FREQ=DAILY;BYHOUR=9,10;BYSETPOS=3', 'FREQ=HOURLY;BYMINUTE=45;BYSETPOS=-2', 'FREQ=MINUTELY;BYDAY=MO;BYSETPOS=2', 'FREQ=WEEKLY;BYDAY=MO,TU;BYSETPOS=-3']);

    it('stops at the bound of work', function (): void {
        Tests\series('2026-01-01T09:00:00', 'UTC', 'FREQ=DAILY;COUNT=900000')->expand(Work::atMost(1000), Instant::parse('2900-01-01T00:00:00Z'));
    })->throws(TooMuchWork::class);
});

describe('Series::startedOnRule', function (): void {
    it('moves a start onto its rule', function (string $start, string $rule, string $expected): void {
        expect(Tests\series($start, 'Europe/Lisbon', $rule)->startedOnRule(Work::atMost(10000))->start->format())->toBe($expected);
    })->with([
        'on it already' => ['2026-12-08T15:30:00', 'FREQ=WEEKLY;BYDAY=TU', '2026-12-08T15:30:00'],
        'a day before' => ['2026-12-07T15:30:00', 'FREQ=WEEKLY;BYDAY=TU', '2026-12-08T15:30:00'],
        'a month without that day' => ['2026-11-01T09:00:00', 'FREQ=MONTHLY;BYMONTHDAY=31', '2026-12-31T09:00:00'],
        'the last Friday gone by' => ['2026-11-28T09:00:00', 'FREQ=MONTHLY;BYDAY=-1FR', '2026-12-25T09:00:00'],
    ]);

    it('says so when no date matches', function (): void {
        Tests\series('2026-01-01T09:00:00', 'UTC', 'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30')->startedOnRule(Work::atMost(100_000));
    })->throws(NoDates::class);
});

// Who begins "every second Wednesday" on a Friday means the next Wednesday: the same as whoever types it on the day before.
it('begins where the sentence for it would begin', function (string $sentence, string $from, string $rule, string $start): void {
    $typed = (new English(Tests\zones()))->read("$sentence at 09:00, 30 minutes, nairobi, 4 times", WallTime::ofSeconds(WallTime::parseDate($from)->seconds - 86400), 'Africa/Nairobi')->series;
    $begun = Tests\series("{$from}T09:00:00", 'Africa/Nairobi', "$rule;COUNT=4")->begunAsNamed(Work::atMost(100_000));

    expect($begun->start->format())->toBe("{$start}T09:00:00")->and(Tests\dates($begun))->toBe(Tests\dates($typed));
})->with([
    'from a Friday' => ['every second wednesday', '2026-11-27', 'FREQ=WEEKLY;INTERVAL=2;BYDAY=WE', '2026-12-02'],
    'from that day itself' => ['every second wednesday', '2026-12-02', 'FREQ=WEEKLY;INTERVAL=2;BYDAY=WE', '2026-12-02'],
    'each week' => ['every wednesday', '2026-11-27', 'FREQ=WEEKLY;BYDAY=WE', '2026-12-02'],
    'every third' => ['every third week on monday', '2026-11-25', 'FREQ=WEEKLY;INTERVAL=3;BYDAY=MO', '2026-11-30'],
]);

it('refuses a rule that cannot be, however it is put together', function (array $parts, string $named): void {
    expect(fn() => Rule::of(...[...['frequency' => Frequency::Monthly], ...$parts]))->toThrow(InvalidRule::class, $named);
})->with([
    [['interval' => 0], 'INTERVAL'], [['interval' => -1], 'INTERVAL'], [['interval' => 2_147_483_648], 'INTERVAL'], [['count' => 0], 'COUNT'], [['hours' => [24]], 'BYHOUR'], [['minutes' => [60]], 'BYMINUTE'],
    [['seconds' => [-1]], 'BYSECOND'], [['monthDays' => [0]], 'BYMONTHDAY'], [['monthDays' => [32]], 'BYMONTHDAY'], [['months' => [13]], 'BYMONTH'], [['positions' => [367]], 'BYSETPOS'], [['positions' => [1]], 'BYSETPOS'],
    [['weeks' => [1]], 'BYWEEKNO'], [['yearDays' => [1]], 'BYYEARDAY'], [['frequency' => Frequency::Weekly, 'monthDays' => [1]], 'BYMONTHDAY'], [['days' => [WeekdayPick::nth(54, 0)]], 'BYDAY'],
    [['frequency' => Frequency::Weekly, 'days' => [WeekdayPick::nth(2, 0)]], 'BYDAY'], [['count' => 3, 'until' => Until::day(WallTime::parseDate('2027-01-01'))], 'UNTIL'],
]);

describe('ClockShifts::ofClocks', function (): void {
    // IANA zone data: the United States change on 14 March 2027, Kenya never.
    it('names changes of clocks alone, not other times of day that the series itself has', function (array $dropped, array $extra, array $changes): void {
        $series = Series::timed(WallTime::parse('2027-03-02T15:30:00'), Tests\zone('Africa/Nairobi'), RuleParser::parse('FREQ=WEEKLY;COUNT=4'), array_map(WallTime::parse(...), $extra), array_map(WallTime::parse(...), $dropped));
        $found = ClockShifts::ofClocks($series->expand(Work::atMost(1000)), 45, [new PersonClock('ny', Tests\zone('America/New_York'), WorkingHours::usual()), new PersonClock('na', Tests\zone('Africa/Nairobi'), WorkingHours::usual())], Work::atMost(1000));

        expect(array_map(static fn(ClockChange $c): array => [$c->at, $c->was, $c->now], $found[0]->changes))->toBe($changes)->and($found[1]->changes)->toBe([]);
    })->with([
        'as planned' => [[], [], [[2, '07:30', '08:30']]],
        'a date moved to 18:00' => [['2027-03-09T15:30:00'], ['2027-03-09T18:00:00'], [[2, '07:30', '08:30']]],
        'moved where the clocks change' => [['2027-03-16T15:30:00'], ['2027-03-16T18:00:00'], [[2, '10:00', '11:00']]],
    ]);
});
