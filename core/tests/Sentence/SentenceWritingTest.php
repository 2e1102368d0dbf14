<?php

declare(strict_types=1);

use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Sentence\English\English;
use Syndex\Core\Sentence\TooOdd;
use Syndex\Core\Tests;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/**
 * @param  list<string>  $extra
 * @param  list<string>  $dropped
 */
function spoken(string $start, ?string $zone, ?string $rule, array $extra = [], array $dropped = []): Series
{
    $rule = $rule === null ? null : RuleParser::parse($rule);
    [$extra, $dropped] = [array_map(WallTime::parse(...), $extra), array_map(WallTime::parse(...), $dropped)];

    return $zone === '-' ? Series::allDay(WallTime::parseDate($start), $rule) : Series::timed(WallTime::parse($start), $zone === null ? null : Tests\zone($zone), $rule, $extra, $dropped);
}

/** A series made up by chance, of all frequencies and parts, in any zone. */
function madeUpSeries(): Series
{
    $some = static function (array $of, int $most): string {
        shuffle($of);

        return implode(',', array_slice($of, 0, mt_rand(1, $most)));
    };
    $frequency = ['YEARLY', 'MONTHLY', 'WEEKLY', 'DAILY', 'HOURLY', 'MINUTELY'][min(5, mt_rand(0, 12) >> 1)];
    $parts = ["FREQ=$frequency"];
    $by = [];
    mt_rand(0, 2) === 0 && $parts[] = 'INTERVAL=' . mt_rand(1, 12);
    mt_rand(0, 3) === 0 && $by[] = 'BYMONTH=' . $some(range(1, 12), 3);
    $frequency === 'YEARLY' && mt_rand(0, 4) === 0 && $by[] = ['BYYEARDAY=' . $some([1, 100, 200, 366, -1, -100], 3), 'BYWEEKNO=' . $some([1, 20, 53], 2)][mt_rand(0, 1)];
    !in_array($frequency, ['WEEKLY', 'HOURLY', 'MINUTELY'], true) && mt_rand(0, 3) === 0 && $by[] = 'BYMONTHDAY=' . $some([1, 2, 3, 13, 28, 30, 31, -1, -2], 3);
    if (mt_rand(0, 1) === 0 && preg_grep('/BYWEEKNO/', $by) === []) {
        $numbered = in_array($frequency, ['YEARLY', 'MONTHLY'], true) && mt_rand(0, 2) > 0;
        $by[] = 'BYDAY=' . (mt_rand(0, 2) === 0 ? 'MO,TU,WE,TH,FR' : implode(',', array_map(static fn(string $day): string => ($numbered ? [1, 2, -1, 5, -2][mt_rand(0, 4)] : '') . $day, explode(',', $some(['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'], 3)))));
    }
    mt_rand(0, 5) === 0 && $by[] = 'BYHOUR=' . $some(range(0, 23), 3);
    mt_rand(0, 7) === 0 && $by[] = 'BYMINUTE=' . $some([0, 15, 30, 45], 2);
    $by !== [] && mt_rand(0, 3) === 0 && $by[] = 'BYSETPOS=' . $some([1, 2, -1, -2, 3], 2);
    mt_rand(0, 5) === 0 && $by[] = 'WKST=SU';
    mt_rand(0, 9) === 0 && array_unshift($parts, 'RSCALE=GREGORIAN') > 0 && $by[] = 'SKIP=' . ['FORWARD', 'BACKWARD'][mt_rand(0, 1)];
    $parts[] = ['', '', 'COUNT=' . mt_rand(1, 20), sprintf('UNTIL=20%02d%02d%02d', mt_rand(27, 40), mt_rand(1, 12), mt_rand(1, 28)) . ['', 'T120000', 'T235959Z'][mt_rand(0, 2)]][mt_rand(0, 3)];
    $ids = Tests\zones()->ids();
    $start = sprintf('20%02d-%02d-%02dT%02d:%02d:%s', mt_rand(20, 30), mt_rand(1, 12), mt_rand(1, 28), mt_rand(0, 23), [0, 15, 30][mt_rand(0, 2)], mt_rand(0, 9) === 0 ? '07' : '00');
    $clock = substr($start, 10);

    return spoken($start, mt_rand(0, 9) === 0 ? null : $ids[mt_rand(0, count($ids) - 1)], implode(';', array_filter([...$parts, ...$by])), mt_rand(0, 4) === 0 ? ['2031-02-03T04:05:00'] : [], mt_rand(0, 4) === 0 ? ["2029-12-31$clock", "2030-01-01$clock"] : []);
}

describe('English::write', function (): void {
    it('says when and how often', function (?string $rule, int $minutes, string $sentence): void {
        expect((new English(Tests\zones()))->write(Tests\series('2026-12-08T15:30:00', 'Africa/Nairobi', $rule), $minutes))->toBe($sentence);
    })->with([
        'once' => [null, 45, 'on Tuesday 8 December 2026 at 15:30 Nairobi time for 45 minutes'],
        'every second week' => ['FREQ=WEEKLY;INTERVAL=2;COUNT=12', 45, 'every second Tuesday at 15:30 Nairobi time for 45 minutes, 12 times from 8 December 2026'],
        'on two days' => ['FREQ=WEEKLY;BYDAY=TU,TH', 60, 'every Tuesday and Thursday at 15:30 Nairobi time for 1 hour, from 8 December 2026 with no end'],
        'two days every third week' => ['FREQ=WEEKLY;INTERVAL=3;BYDAY=TU,TH;COUNT=4', 30, 'every third week on Tuesday and Thursday at 15:30 Nairobi time for 30 minutes, 4 times from 8 December 2026'],
        'on weekdays' => ['FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR;COUNT=20', 15, 'every weekday at 15:30 Nairobi time for 15 minutes, 20 times from 8 December 2026'],
        'daily until' => ['FREQ=DAILY;UNTIL=20261224', 90, 'every day at 15:30 Nairobi time for 90 minutes, from 8 December 2026 until 24 December 2026'],
        'until before the time of that day' => ['FREQ=DAILY;UNTIL=20261224T100000Z', 90, 'every day at 15:30 Nairobi time for 90 minutes, from 8 December 2026 until 23 December 2026'],
        'a date of the month' => ['FREQ=MONTHLY;BYMONTHDAY=8;COUNT=3', 150, 'on the 8th of every month at 15:30 Nairobi time for 2 hours and 30 minutes, 3 times from 8 December 2026'],
        'many dates of the month' => ['FREQ=MONTHLY;BYMONTHDAY=1,2,3,8,11,12,13,21,22,23,31;COUNT=3', 30, 'on the 1st, 2nd, 3rd, 8th, 11th, 12th, 13th, 21st, 22nd, 23rd and 31st of every month at 15:30 Nairobi time for 30 minutes, 3 times from 8 December 2026'],
        'the last day' => ['FREQ=MONTHLY;BYMONTHDAY=-1;COUNT=3', 30, 'on the last day of every month at 15:30 Nairobi time for 30 minutes, 3 times from 31 December 2026'],
        'the second Tuesday' => ['FREQ=MONTHLY;BYDAY=2TU;COUNT=3', 30, 'on the second Tuesday of every month at 15:30 Nairobi time for 30 minutes, 3 times from 8 December 2026'],
        'the last Friday' => ['FREQ=MONTHLY;INTERVAL=2;BYDAY=-1FR;COUNT=3', 30, 'on the last Friday of every second month at 15:30 Nairobi time for 30 minutes, 3 times from 25 December 2026'],
        'the last working day' => ['FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1;COUNT=3', 30, 'on the last working day of every month at 15:30 Nairobi time for 30 minutes, 3 times from 31 December 2026'],
        'yearly' => ['FREQ=YEARLY;COUNT=3', 30, 'every year on 8 December at 15:30 Nairobi time for 30 minutes, 3 times from 8 December 2026'],
        'a week of the year' => ['FREQ=YEARLY;BYWEEKNO=20;COUNT=3', 30, 'every year on Tuesday of week 20 at 15:30 Nairobi time for 30 minutes, 3 times from 18 May 2027'],
        'several times a day' => ['FREQ=DAILY;BYHOUR=9,16;BYMINUTE=0,30;COUNT=3', 30, 'every day at 09:00, 09:30, 16:00 and 16:30 Nairobi time for 30 minutes, 3 times from 8 December 2026 at 16:00'],
        'within a day' => ['FREQ=HOURLY;INTERVAL=2;COUNT=3', 30, 'every 2 hours from 8 December 2026 at 15:30 Nairobi time for 30 minutes, 3 times'],
        'one that comes once' => ['FREQ=WEEKLY;COUNT=1', 30, 'on Tuesday 8 December 2026 at 15:30 Nairobi time for 30 minutes'],
    ]);

    it('says what else there is', function (Series $series, int $minutes, string $sentence): void {
        expect((new English(Tests\zones()))->write($series, $minutes))->toBe($sentence);
    })->with([
        'no clock for dates' => [fn() => spoken('2026-12-08', '-', 'FREQ=YEARLY;COUNT=2'), 1440, 'every year on 8 December, all day, 2 times from 8 December 2026'],
        'days as length' => [fn() => spoken('2026-12-08', '-', null), 4320, 'on Tuesday 8 December 2026, 3 days, all day'],
        'no zone' => [fn() => spoken('2026-12-08T15:30:00', null, null), 30, 'on Tuesday 8 December 2026 at 15:30 floating time for 30 minutes'],
        'a zone without a plain name' => [fn() => spoken('2026-12-08T15:30:00', 'EST', null), 30, 'on Tuesday 8 December 2026 at 15:30 in time zone EST for 30 minutes'],
        'seconds' => [fn() => spoken('2026-12-08T15:30:20', 'Europe/Lisbon', null), 30, 'on Tuesday 8 December 2026 at 15:30:20 Lisbon time for 30 minutes'],
        'single dates' => [fn() => spoken('2026-12-08T15:30:00', 'Europe/Lisbon', 'FREQ=WEEKLY', ['2026-12-10T16:00:00'], ['2026-12-15T15:30:00']), 30, 'every Tuesday at 15:30 Lisbon time for 30 minutes, from 8 December 2026 with no end, except 15 December 2026, and also on 10 December 2026 at 16:00'],
    ]);

    it('says so of a rule too odd for words, with its parts', function (string $rule, array $parts): void {
        try {
            (new English(Tests\zones()))->write(Tests\series('2026-12-08T15:30:00', 'Africa/Nairobi', $rule), 30);
            $found = null;
        } catch (TooOdd $odd) {
            $found = $odd->parts;
        }
        expect($found)->toBe($parts);
    })->with([
        ['FREQ=YEARLY;BYWEEKNO=20,-1;BYMONTH=5;BYDAY=MO', ['BYDAY=MO', 'BYWEEKNO=-1,20', 'BYMONTH=5']],
        ['FREQ=MONTHLY;BYDAY=MO,TU;BYSETPOS=2;BYHOUR=9,10', ['BYHOUR=9,10', 'BYDAY=MO,TU', 'BYSETPOS=2']],
        ['FREQ=WEEKLY;BYDAY=MO,TU;BYSETPOS=1', ['BYDAY=MO,TU', 'BYSETPOS=1']],
        ['FREQ=HOURLY;BYDAY=MO', ['BYDAY=MO']],
        ['FREQ=DAILY;UNTIL=20200101', ['a rule that no date matches']],
    ]);

    // The law of the sentence: read(write(x)) is the same set, whatever the day and the zone of the reader.
    it('reads back the same', function (int $seed): void {
        mt_srand($seed);
        $english = new English(Tests\zones());
        $set = static fn(Series $s): array => [$s->zone?->id, $s->expand(Work::atMost(3_000_000), limit: 60)];
        $said = 0;
        for ($i = 0; $i < 250; $i++) {
            $series = madeUpSeries();
            $minutes = mt_rand(1, 400);
            try {
                $text = $english->write($series, $minutes);
            } catch (TooOdd) {
                continue;
            }
            $said++;
            $back = $english->read($text, WallTime::parseDate(['2019-02-28', '2026-11-25', '2040-12-31'][mt_rand(0, 2)]), ['UTC', null, 'Asia/Tokyo'][mt_rand(0, 2)]);

            expect($set($back->series))->toEqual($set($series), "seed $seed: {$series->start->format()} {$series->rule?->toText()}: $text => {$back->series->rule?->toText()}")
                ->and($back->durationMinutes)->toBe($minutes);
        }
        expect($said)->toBeGreaterThan(80);
    })->with([1, 2, 3, 4, 5, 6]);

    it('finds every zone again by the name that it gives it', function (): void {
        $english = new English(Tests\zones());
        foreach (Tests\zones()->ids() as $id) {
            $text = $english->write(Series::timed(WallTime::parse('2026-12-08T15:30:00'), Tests\zone($id)), 30);

            expect($english->read($text, WallTime::parseDate('2026-11-25'), null)->series->zone?->id)->toBe($id, $text);
        }
    });
});
