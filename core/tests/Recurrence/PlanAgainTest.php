<?php

declare(strict_types=1);

use Syndex\Core\Recurrence\PlanAgain;
use Syndex\Core\Tests;
use Syndex\Core\Time\WallTime;

describe('PlanAgain::of', function (): void {
    it('keeps weekday, time, rule and length, after the dates there are', function (string $start, ?string $rule, string $now, array $expected): void {
        $again = PlanAgain::of(Tests\series($start, 'Europe/Lisbon', $rule), WallTime::parse($now)->seconds);

        expect([$again->start->format(), $again->rule?->toText()])->toBe($expected);
    })->with([
        'a single one that is over' => ['2026-03-03T10:00:00', null, '2026-11-28T09:00:00', ['2026-12-01T10:00:00', null]],
        'a single one that lies ahead' => ['2026-12-01T10:00:00', null, '2026-11-28T09:00:00', ['2026-12-08T10:00:00', null]],
        'a series that is over' => ['2026-03-03T10:00:00', 'FREQ=WEEKLY;COUNT=4', '2026-11-28T09:00:00', ['2026-12-01T10:00:00', 'FREQ=WEEKLY;COUNT=4']],
        'a series that lies ahead, past its last date' => ['2026-12-01T10:00:00', 'FREQ=WEEKLY;COUNT=4', '2026-11-28T09:00:00', ['2026-12-29T10:00:00', 'FREQ=WEEKLY;COUNT=4']],
        'an end by date stays as far away' => ['2026-03-03T10:00:00', 'FREQ=WEEKLY;UNTIL=20260415', '2026-11-28T09:00:00', ['2026-12-01T10:00:00', 'FREQ=WEEKLY;UNTIL=20270113']],
        'the first Thursdays' => ['2026-03-05T10:00:00', 'FREQ=MONTHLY;BYDAY=1TH;COUNT=3', '2026-11-28T09:00:00', ['2026-12-03T10:00:00', 'FREQ=MONTHLY;COUNT=3;BYDAY=1TH']],
        'without an end it goes on' => ['2026-12-01T10:00:00', 'FREQ=WEEKLY', '2026-11-28T09:00:00', ['2026-12-01T10:00:00', 'FREQ=WEEKLY']],
    ]);
});
