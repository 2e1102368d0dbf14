<?php

declare(strict_types=1);

use Syndex\Core\Recurrence\AnchorAdvice;
use Syndex\Core\Recurrence\MoveSeries;
use Syndex\Core\Recurrence\Reanchor;
use Syndex\Core\Tests;
use Syndex\Core\Work;

describe('MoveSeries::by', function (): void {
    it('moves the days along when midnight is crossed', function (string $rule, int $minutes, string $start, string $expected): void {
        $moved = MoveSeries::by(Tests\series('2026-12-08T15:30:00', 'Africa/Nairobi', $rule), $minutes);

        expect([$moved->start->format(), $moved->rule?->toText()])->toBe([$start, $expected]);
    })->with([
        'within the day' => ['FREQ=WEEKLY;BYDAY=TU', -150, '2026-12-08T13:00:00', 'FREQ=WEEKLY;BYDAY=TU'],
        'to the next day' => ['FREQ=WEEKLY;BYDAY=TU,SU', 600, '2026-12-09T01:30:00', 'FREQ=WEEKLY;BYDAY=MO,WE'],
        'to the day before' => ['FREQ=WEEKLY;BYDAY=MO', -1000, '2026-12-07T22:50:00', 'FREQ=WEEKLY;BYDAY=SU'],
        'a date of the month' => ['FREQ=MONTHLY;BYMONTHDAY=8', 600, '2026-12-09T01:30:00', 'FREQ=MONTHLY;BYMONTHDAY=9'],
        'the first, back' => ['FREQ=MONTHLY;BYMONTHDAY=1', -1000, '2026-12-07T22:50:00', 'FREQ=MONTHLY;BYMONTHDAY=-1'],
        'the last, on' => ['FREQ=MONTHLY;BYMONTHDAY=-1', 600, '2026-12-09T01:30:00', 'FREQ=MONTHLY;BYMONTHDAY=1'],
    ]);
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
        $starts = $series->expand(Work::atMost(1000))->starts;
        $zones = array_map(Tests\zone(...), ['Europe/Lisbon', 'Europe/Lisbon', 'Europe/Berlin', 'America/New_York', 'Africa/Nairobi']);

        expect(array_map(static fn($m): array => [$m->zoneId, $m->people], AnchorAdvice::moves($starts, Tests\zone('Africa/Nairobi'), $zones)))
            ->toBe([['Africa/Nairobi', 4], ['Europe/Berlin', 2], ['Europe/Lisbon', 2], ['America/New_York', 4]]);
    });
});
