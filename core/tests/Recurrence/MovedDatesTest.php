<?php

declare(strict_types=1);

use Syndex\Core\Recurrence\EditDates;
use Syndex\Core\Recurrence\MovedDates;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Tests;
use Syndex\Core\Time\WallTime;

/**
 * @param  list<string>  $extra
 * @param  list<string>  $dropped
 */
function tuesdays(array $extra = [], array $dropped = []): Series
{
    $series = Tests\series('2027-03-02T15:30:00', 'Africa/Nairobi', 'FREQ=WEEKLY;COUNT=4');

    return $series->withDates($series->start, $series->rule, array_map(WallTime::parse(...), $extra), array_map(WallTime::parse(...), $dropped));
}

/** @return list<string> "from > to" */
function moves(MovedDates $moved): array
{
    return array_map(static fn(array $pair): string => substr($pair[0]->format(), 5, 11) . ' > ' . substr($pair[1]->format(), 5, 11), $moved->pairs());
}

it('knows a date by the one that the rule named, however often it is moved', function (): void {
    [$ninth, $tenth, $eleventh] = array_map(WallTime::parse(...), ['2027-03-09T15:30:00', '2027-03-10T10:00:00', '2027-03-11T11:00:00']);
    $once = EditDates::move(tuesdays(), $ninth, $tenth);
    $moved = MovedDates::none()->with($ninth, $tenth);
    expect(moves($moved->within($once)))->toBe(['03-09T15:30 > 03-10T10:00']);

    $twice = EditDates::move($once, $tenth, $eleventh);
    expect(moves($moved->with($tenth, $eleventh)->within($twice)))->toBe(['03-09T15:30 > 03-11T11:00']);

    // Put back where it was, it is no move any more.
    $back = EditDates::move($twice, $eleventh, $ninth);
    expect(moves($moved->with($tenth, $eleventh)->with($eleventh, $ninth)->within($back)))->toBe([])->and($back->dropped)->toBe([]);
});

it('holds only what the series still says', function (array $extra, array $dropped, array $expected): void {
    $moved = MovedDates::of([[WallTime::parse('2027-03-09T15:30:00'), WallTime::parse('2027-03-10T10:00:00')], [WallTime::parse('2027-03-16T15:30:00'), WallTime::parse('2027-03-17T10:00:00')]]);
    expect(moves($moved->within(tuesdays($extra, $dropped))))->toBe($expected);
})->with([
    'both' => [['2027-03-10T10:00:00', '2027-03-17T10:00:00'], ['2027-03-09T15:30:00', '2027-03-16T15:30:00'], ['03-09T15:30 > 03-10T10:00', '03-16T15:30 > 03-17T10:00']],
    'one was put back' => [['2027-03-17T10:00:00'], ['2027-03-16T15:30:00'], ['03-16T15:30 > 03-17T10:00']],
    'one is off altogether' => [['2027-03-10T10:00:00'], ['2027-03-09T15:30:00', '2027-03-16T15:30:00'], ['03-09T15:30 > 03-10T10:00']],
    'none' => [[], [], []],
]);

it('moves along with the whole, and is taken out of it', function (): void {
    $series = tuesdays(['2027-03-10T10:00:00', '2027-04-01T09:00:00'], ['2027-03-09T15:30:00', '2027-03-16T15:30:00']);
    $moved = MovedDates::of([[WallTime::parse('2027-03-09T15:30:00'), WallTime::parse('2027-03-10T10:00:00')]]);
    $plain = $moved->unmoved($series);

    expect(moves($moved->shifted(1800)))->toBe(['03-09T16:00 > 03-10T10:30'])
        ->and(array_map(static fn(WallTime $w): string => $w->format(), [...$plain->extra, ...$plain->dropped]))->toBe(['2027-04-01T09:00:00', '2027-03-16T15:30:00']);
});
