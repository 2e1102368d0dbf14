<?php

declare(strict_types=1);

use Syndex\Core\Recurrence\CannotEditDate;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Recurrence\SplitSeries;
use Syndex\Core\Tests;
use Syndex\Core\Time\WallTime;

/** A series with a date dropped and two added. */
function withSingles(string $rule, string $zone = 'Africa/Nairobi', string $start = '2027-03-02T15:30:00'): Series
{
    $series = Tests\series($start, $zone, $rule);
    $dates = $series->expand(Syndex\Core\Work::usual(), limit: 3)->walls;
    $wall = WallTime::parse(...);

    return $series->withDates($series->start, $series->rule, [$wall('2027-03-04T09:00:00'), $wall('2027-05-01T09:00:00')], isset($dates[1]) ? [WallTime::ofSeconds($dates[1])] : []);
}

/** RFC 5545 3.3.10: UNTIL includes its moment, COUNT counts what EXDATE takes away. */
it('loses no date and has none twice, wherever it cuts', function (string $rule, string $start): void {
    $series = withSingles($rule, start: $start);
    $whole = Tests\dates($series, 30);
    foreach ($series->expand(Syndex\Core\Work::usual(), limit: 14)->starts as $cut) {
        $split = SplitSeries::at($series, $cut);
        $first = $split->first === null ? [] : Tests\dates($split->first, 30);
        $second = $split->second === null ? [] : Tests\dates($split->second, 30);
        expect(array_slice([...$first, ...$second], 0, count($whole)))->toBe($whole);
        if ($split->first?->rule !== null) {
            expect($split->first->rule->isOpen())->toBeFalse()->and($split->first->rule->count)->toBeNull();
        }
        if ($split->second?->rule !== null) {
            expect($split->second->rule->isOpen())->toBe($series->rule?->isOpen());
        }
    }
})->with([
    'weekly' => ['FREQ=WEEKLY;COUNT=10', '2027-03-02T15:30:00'],
    'every second week on two days, the week beginning on Sunday' => ['FREQ=WEEKLY;INTERVAL=2;BYDAY=SU,TU;WKST=SU;COUNT=9', '2027-03-02T15:30:00'],
    'without end' => ['FREQ=WEEKLY;INTERVAL=3;BYDAY=TU,TH', '2027-03-02T15:30:00'],
    'until a day' => ['FREQ=DAILY;UNTIL=20270315T203000Z', '2027-03-02T15:30:00'],
    'the last working day of every month' => ['FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1;COUNT=7', '2027-03-31T15:30:00'],
    'several times a day' => ['FREQ=DAILY;BYHOUR=9,15;BYMINUTE=30;COUNT=11', '2027-03-02T09:30:00'],
    'every fifth hour' => ['FREQ=HOURLY;INTERVAL=5;COUNT=12', '2027-03-02T15:30:00'],
    'yearly on 29 February' => ['FREQ=YEARLY;COUNT=4', '2028-02-29T15:30:00'],
    // RFC 7529 4.1: the day that a month lacks is passed to the one before.
    'the 31st, or the last day before it' => ['RSCALE=GREGORIAN;FREQ=MONTHLY;SKIP=BACKWARD;COUNT=9', '2027-01-31T15:30:00'],
]);

it('divides dates that no rule names', function (): void {
    $series = Tests\series('2027-03-02T15:30:00', 'Africa/Nairobi');
    $series = $series->withDates($series->start, null, [WallTime::parse('2027-03-05T10:00:00'), WallTime::parse('2027-03-09T11:00:00')]);
    $split = SplitSeries::at($series, $series->moment(WallTime::parse('2027-03-05T10:00:00')->seconds));
    expect(Tests\dates($split->first ?? $series))->toBe(['2027-03-02T15:30:00'])->and(Tests\dates($split->second ?? $series))->toBe(['2027-03-05T10:00:00', '2027-03-09T11:00:00']);
});

it('has one part only where the cut lies before or after all of it', function (): void {
    $series = withSingles('FREQ=WEEKLY;COUNT=3');
    expect(SplitSeries::at($series, Tests\at('2026-01-01T00:00:00Z'))->first)->toBeNull()
        ->and(SplitSeries::at($series, Tests\at('2029-01-01T00:00:00Z'))->second)->toBeNull();
});

it('cuts days without a clock between days', function (): void {
    $series = Series::allDay(WallTime::parseDate('2027-03-02'), RuleParser::parse('FREQ=WEEKLY;COUNT=4'));
    $split = SplitSeries::at($series, WallTime::parseDate('2027-03-16')->seconds);
    expect($split->first?->ruleText())->toBe('FREQ=WEEKLY;UNTIL=20270309')->and($split->second?->ruleText())->toBe('FREQ=WEEKLY;COUNT=2')
        ->and($split->second?->start->formatDate())->toBe('2027-03-16');
});

it('says so where no rule names the second part', function (): void {
    // With SKIP=FORWARD the date of a short month lies in the next one, from which intervals would be counted anew.
    $series = Tests\series('2027-01-31T15:30:00', 'Africa/Nairobi', 'RSCALE=GREGORIAN;FREQ=MONTHLY;INTERVAL=13;SKIP=FORWARD;COUNT=6');
    $second = $series->expand(Syndex\Core\Work::usual(), limit: 2)->starts[1];
    expect(static fn() => SplitSeries::at($series, $second))->toThrow(CannotEditDate::class, 'can be begun anew');
});
