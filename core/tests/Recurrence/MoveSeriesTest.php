<?php

declare(strict_types=1);

use Syndex\Core\Recurrence\MoveSeries;
use Syndex\Core\Tests;

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
