<?php

declare(strict_types=1);

use Syndex\Core\Overlap\Burden;
use Syndex\Core\Tests;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WorkingHours;

describe('Burden', function (): void {
    // 8 December 2026 is a Tuesday; Lisbon is at UTC then.
    it('tells how often and how far somebody sits outside their hours', function (array $meetings, array $expected): void {
        $burden = Burden::of(array_map(static fn(array $m) => Tests\slot($m[0], $m[1]), $meetings), WorkingHours::usual(), Tests\zone('Europe/Lisbon'));

        expect([$burden->nights, $burden->outside, $burden->minutes, $burden->farthest])->toBe($expected)
            ->and($burden->meetings)->toBe(count($meetings));
    })->with([
        'none' => [[], [0, 0, 0, 0]],
        'in hours' => [[['2026-12-08T09:00:00Z', 60], ['2026-12-08T16:00:00Z', 60]], [0, 0, 0, 0]],
        'half of it after hours' => [[['2026-12-08T16:30:00Z', 60]], [0, 1, 30, 30]],
        'before hours' => [[['2026-12-08T08:00:00Z', 30]], [0, 1, 30, 60]],
        'at night, nearer to the evening' => [[['2026-12-08T22:00:00Z', 60]], [1, 1, 60, 360]],
        'at night, nearer to the morning' => [[['2026-12-08T05:00:00Z', 60]], [1, 1, 60, 240]],
        'Saturday at noon is a day off and no night' => [[['2026-12-12T12:00:00Z', 60]], [0, 1, 60, 1200]],
        'longer than the day' => [[['2026-12-08T08:00:00Z', 660]], [0, 1, 180, 180]],
        'all together, the farthest told' => [[['2026-12-08T08:00:00Z', 30], ['2026-12-08T22:00:00Z', 60], ['2026-12-09T10:00:00Z', 60]], [1, 2, 90, 360]],
    ]);

    it('reads the hours on the clock of the place, over a change of it too', function (): void {
        // Clocks of Lisbon went from UTC to an hour ahead at 01:00 UTC on 28 March 2027 (IANA zone data): 08:30 UTC is 09:30 from then on.
        $hours = WorkingHours::usual();
        $zone = Tests\zone('Europe/Lisbon');

        expect(Burden::of([Tests\slot('2027-03-26T08:30:00Z', 30)], $hours, $zone)->minutes)->toBe(30)
            ->and(Burden::of([Tests\slot('2027-03-29T08:30:00Z', 30)], $hours, $zone)->minutes)->toBe(0)
            ->and(Burden::of([Tests\slot('2027-03-29T16:30:00Z', 30)], $hours, $zone)->minutes)->toBe(30)
            ->and(Instant::ofSeconds((int) Burden::of([Tests\slot('2027-03-29T16:30:00Z', 30)], $hours, $zone)->farthestAt)->format())->toBe('2027-03-29T16:30:00Z');
    });
});
