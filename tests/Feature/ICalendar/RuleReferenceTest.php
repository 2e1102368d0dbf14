<?php

declare(strict_types=1);

use Syndex\Core\Recurrence\NoDates;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;
use Tests\Feature\ICalendar\Reader;

/*
 * Rules made up by chance, the same for the same seed, beside four independent readers. Each is asked only what it reads as
 * RFC 5545 3.3.10 has it; what it reads otherwise, and why we think it wrong, stands in docs/decisions/0008-where-readers-disagree.md.
 */
const LEFT_OUT = [
    'dateutil' => ['/BYWEEKNO(?!=(?:2|20|2,20);.*BYDAY)/', '/WEEKLY.*BYSETPOS/'],
    'rrule' => ['/HOURLY|MINUTELY/', '/BYWEEKNO(?!=(?:2|20|2,20);.*BYDAY)/', '/(?:WEEKLY|DAILY).*BYSETPOS/', '/BYSETPOS=(?!-?1(?:;|$)|\d(?:;|$))/'],
    'ical.js' => ['/HOURLY|MINUTELY/', '/BYSETPOS|BYWEEKNO|BYYEARDAY/', '/BYMONTHDAY=-31/', '/DAILY.*BYMONTHDAY=-/', '/MONTHLY.*(?:BYMONTH=|BYMONTHDAY.*(?:BYDAY|BYHOUR|BYMINUTE)|BYDAY.*BYHOUR|BYDAY.*BYMINUTE)/', '/YEARLY.*(?:BYHOUR|BYMINUTE|BYMONTHDAY)/'],
    'libical' => ['/HOURLY|MINUTELY/', '/BYWEEKNO/', '/(?:WEEKLY|DAILY|BYHOUR|BYMINUTE|BYMONTHDAY).*BYSETPOS/', '/DAILY.*BYMONTHDAY=-/', '/YEARLY(?!.*BYMONTH=).*BYMONTHDAY/', '/BYMONTH=.*BYYEARDAY/'],
];

/** The year 2500; some readers end soon after. */
const LAST = 16_725_225_600;

/** @return list<array{dtstart: string, rrule: string}> lists in order, for readers that take them as they stand */
function madeUpRules(int $seed, int $count): array
{
    mt_srand($seed);
    $some = static function (array $of, int $most): string {
        shuffle($of);
        $chosen = array_slice($of, 0, mt_rand(1, $most));
        is_int($chosen[0]) && sort($chosen);

        return implode(',', $chosen);
    };
    $days = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];
    $rules = [];
    while (count($rules) < $count) {
        $frequency = ['YEARLY', 'YEARLY', 'MONTHLY', 'MONTHLY', 'WEEKLY', 'DAILY', 'HOURLY', 'MINUTELY'][mt_rand(0, 7)];
        $parts = ["FREQ=$frequency"];
        $by = [];
        mt_rand(0, 2) === 0 && $parts[] = 'INTERVAL=' . mt_rand(1, 5);
        mt_rand(0, 3) === 0 && $by[] = 'BYMONTH=' . $some(range(1, 12), 4);
        $byWeek = $frequency === 'YEARLY' && mt_rand(0, 4) === 0;
        $byWeek && $by[] = 'BYWEEKNO=' . $some([2, 20], 2);
        $frequency === 'YEARLY' && mt_rand(0, 5) === 0 && $by[] = 'BYYEARDAY=' . $some([1, 100, 200, 366, -1, -100], 3);
        $frequency !== 'WEEKLY' && mt_rand(0, 3) === 0 && $by[] = 'BYMONTHDAY=' . $some([1, 2, 13, 15, 28, 29, 30, 31, -1, -2, -31], 3);
        if ($byWeek || mt_rand(0, 2) === 0) {
            $numbered = !$byWeek && in_array($frequency, ['YEARLY', 'MONTHLY'], true) && mt_rand(0, 1) === 1;
            $by[] = 'BYDAY=' . implode(',', array_map(static fn(string $day): string => ($numbered ? [1, 2, -1, 5, -2][mt_rand(0, 4)] : '') . $day, explode(',', $some($days, 3))));
        }
        mt_rand(0, 4) === 0 && $by[] = 'BYHOUR=' . $some(range(0, 23), 3);
        mt_rand(0, 5) === 0 && $by[] = 'BYMINUTE=' . $some([0, 15, 30, 45, 59], 2);
        $by !== [] && mt_rand(0, 4) === 0 && $by[] = 'BYSETPOS=' . $some([1, 2, -1, -2, 3], 2);
        !$byWeek && mt_rand(0, 4) === 0 && $parts[] = 'WKST=' . $days[mt_rand(0, 6)];
        mt_rand(0, 1) === 1 && $parts[] = 'COUNT=' . mt_rand(1, 20);
        $start = sprintf('20%02d-%02d-%02dT%02d:%02d:00', mt_rand(0, 30), mt_rand(1, 12), mt_rand(1, 28), mt_rand(0, 23), [0, 15, 30][mt_rand(0, 2)]);
        $rules[] = ['dtstart' => $start, 'rrule' => implode(';', [...$parts, ...$by])];
    }

    return $rules;
}

it('gives the dates that independent readers give for rules made up by chance', function (string $reader, int $seed): void {
    $asked = $ours = [];
    foreach (madeUpRules($seed, 1000) as $rule) {
        foreach (LEFT_OUT[$reader] as $otherwise) {
            if (preg_match($otherwise, $rule['rrule']) === 1) {
                continue 2;
            }
        }
        try {
            // RFC 5545 3.8.5.3 leaves open what a DTSTART off its rule means, so it is moved onto it.
            $series = Series::timed(WallTime::parse($rule['dtstart']), null, RuleParser::parse($rule['rrule']))->startedOnRule(Work::atMost(2_000_000));
            $walls = $series->expand(Work::atMost(4_000_000), limit: 20)->walls;
        } catch (NoDates) {
            continue;
        }
        $dates = array_map(static fn(int $wall): string => WallTime::ofSeconds($wall)->format(), $walls);
        if ($walls[count($walls) - 1] > LAST) {
            continue;
        }
        $asked[] = ['dtstart' => $series->start->format(), 'rrule' => $rule['rrule'], 'limit' => count($dates), 'last' => $dates[count($dates) - 1]];
        $ours[] = $dates;
    }
    $json = implode("\n", array_map(json_encode(...), $asked)) . "\n";
    $theirs = match ($reader) {
        'dateutil' => array_map(static fn(string $line): mixed => json_decode($line, true), Reader::answers('/usr/bin/python3 tests/readers/rrule_reference.py', $json)),
        'libical' => array_map(static fn(string $line): array => explode(',', $line), Reader::answers(Reader::compiled('rules_libical'), implode('', array_map(static fn(array $a): string => strtr($a['dtstart'], ['-' => '', ':' => '']) . "\t$a[rrule]\t$a[limit]\n", $asked)))),
        default => array_map(static fn(string $line): mixed => json_decode($line, true), Reader::answers("node tests/readers/rules.mjs $reader", $json)),
    };

    expect(count($asked))->toBeGreaterThan(350)->and($theirs)->toHaveCount(count($asked));
    foreach ($asked as $at => $rule) {
        expect($theirs[$at])->toBe($ours[$at], "$reader, seed $seed: $rule[dtstart] $rule[rrule]");
    }
})->with(array_keys(LEFT_OUT))->with([1, 2, 3]);
