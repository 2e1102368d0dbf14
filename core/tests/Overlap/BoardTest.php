<?php

declare(strict_types=1);

use Syndex\Core\Overlap\Axis;
use Syndex\Core\Overlap\BoardBuilder;
use Syndex\Core\Overlap\Daylight;
use Syndex\Core\Overlap\Light;
use Syndex\Core\Overlap\Segment;
use Syndex\Core\Tests;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\WorkingHours;

$week = static fn(array $stretches): WorkingHours => WorkingHours::of(array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], $stretches));

describe('Daylight::of', function () use ($week): void {
    // 8 December 2026 is a Tuesday; Lisbon is at UTC then.
    it('tells how a slot falls into a working day', function (string $start, int $minutes, Light $light) use ($week): void {
        $hours = $week([['09:00', '12:30'], ['14:00', '18:00']]);

        expect(Daylight::of(Tests\slot($start, $minutes), $hours, Tests\zone('Europe/Lisbon')))->toBe($light);
    })->with([
        'just in' => ['2026-12-08T09:00:00Z', 210, Light::InHours],
        'a minute over' => ['2026-12-08T09:00:00Z', 211, Light::BetweenHours],
        'in the break' => ['2026-12-08T12:45:00Z', 30, Light::BetweenHours],
        'before' => ['2026-12-08T08:45:00Z', 30, Light::BeforeHours],
        'two hours before' => ['2026-12-08T07:00:00Z', 30, Light::BeforeHours],
        'more than two hours before' => ['2026-12-08T06:59:00Z', 30, Light::Night],
        'after' => ['2026-12-08T17:45:00Z', 30, Light::AfterHours],
        'more than two hours after' => ['2026-12-08T19:45:00Z', 30, Light::Night],
        'Saturday morning' => ['2026-12-12T10:00:00Z', 30, Light::DayOff],
        'Saturday night' => ['2026-12-12T03:00:00Z', 30, Light::Night],
    ]);

    it('knows nothing where no zone is known', function (): void {
        expect(Daylight::of(Tests\slot('2026-12-08T09:00:00Z', 30), WorkingHours::usual(), null))->toBe(Light::Unknown);
    });

    it('agrees with the hours as intervals, whatever the slot', function (string $zone) use ($week): void {
        $hours = WorkingHours::of(['mon' => [['00:00', '06:00'], ['08:00', '24:00']], 'tue' => [['00:00', '03:00']], 'sun' => [['22:00', '24:00']], 'wed' => [['09:00', '17:00']]]);
        mt_srand(5);
        for ($i = 0; $i < 800; $i++) {
            $start = mt_rand(1772000000, 1804000000);
            $slot = Interval::lasting($start - $start % 300, 5 * mt_rand(1, 200));
            $around = Interval::between($slot->start - 3 * 86400, $slot->end + 3 * 86400);

            expect($hours->cover($slot, Tests\zone($zone)))->toBe($hours->within($around, Tests\zone($zone))->covers($slot));
        }
    })->with(['Europe/Lisbon', 'Asia/Kathmandu', 'Australia/Lord_Howe']);
});

describe('BoardBuilder::build', function (): void {
    it('gives each place a pane from west to east, the unknown last', function (): void {
        $plan = Tests\plan(Tests\series('2026-12-08T15:30:00', 'Africa/Nairobi', 'FREQ=WEEKLY;COUNT=3'), 45, 'Africa/Nairobi');
        $board = BoardBuilder::build($plan, [
            Tests\person('a', 'Pacific/Auckland'), Tests\person('g', null), Tests\person('l', 'Europe/Lisbon'), Tests\person('p', 'America/Lima'), Tests\person('n', 'Africa/Nairobi'),
        ], 0);

        expect(array_map(static fn($pane) => $pane->places[0] ?? null, $board->day->panes))->toBe(['Lima', 'Lisbon', 'Nairobi', 'Auckland', null])
            ->and($board->day->axisWall)->toBe('2026-12-08T06:00:00')
            ->and($board->day->barAt)->toBe(570)
            ->and(array_column($board->day->standings, 'local'))->toBe(['2026-12-09T01:30:00', null, '2026-12-08T12:30:00', '2026-12-08T07:30:00', '2026-12-08T15:30:00']);
    });

    it('lets zones share a pane while their clocks agree on every date, and not else', function (int $count, int $panes): void {
        // New York leaves summer time with all of the United States; Lima never changes. Both are at -5 in winter.
        $plan = Tests\plan(Tests\series('2026-12-08T15:00:00', 'UTC', "FREQ=MONTHLY;COUNT=$count"), 30, 'UTC');

        expect(BoardBuilder::build($plan, [Tests\person('x', 'America/New_York'), Tests\person('y', 'America/Lima')], 0)->day->panes)->toHaveCount($panes);
    })->with(['in winter' => [3, 1], 'into spring' => [5, 2]]);

    it('lays ground over the whole day without gap or overlap', function (): void {
        $plan = Tests\plan(Tests\series('2026-12-11T15:30:00', 'Africa/Nairobi'), 45, 'Africa/Nairobi');
        foreach (BoardBuilder::build($plan, [Tests\person('a', 'Pacific/Auckland'), Tests\person('b', 'Pacific/Auckland', hours: WorkingHours::of(['fri' => [['07:00', '11:00']]]))], 0)->day->panes as $pane) {
            $at = 0;
            foreach ($pane->ground as $segment) {
                expect($segment->from)->toBe($at)->and($segment->to)->toBeGreaterThan($segment->from);
                $at = $segment->to;
            }
            expect($at)->toBe(Axis::MINUTES);
        }
    });

    it('draws day where all are in their hours, dusk where some are, and a day off', function (): void {
        $plan = Tests\plan(Tests\series('2026-12-12T10:00:00', 'Europe/Lisbon'), 30, 'Europe/Lisbon');
        $ground = BoardBuilder::build($plan, [Tests\person('a', 'Europe/Lisbon')], 0)->day->panes[0]->ground;

        expect(array_map(static fn(Segment $s): array => [$s->from, $s->to, $s->tone], $ground))->toBe([[0, 60, 'night'], [60, 780, 'day_off'], [780, 1440, 'night']]);
    });

    it('says who collides, who is at night, and where clocks have changed', function (): void {
        // The United States change on 14 March 2027, Europe on 28 March, Nairobi never.
        $plan = Tests\plan(Tests\series('2027-03-09T15:30:00', 'Africa/Nairobi', 'FREQ=WEEKLY;COUNT=4'), 45, 'Africa/Nairobi');
        $board = BoardBuilder::build($plan, [
            Tests\person('ny', 'America/New_York'), Tests\person('ls', 'Europe/Lisbon', busy: [['2027-03-16T12:00:00Z', 60]]), Tests\person('au', 'Pacific/Auckland', required: false),
        ], 0);

        expect(array_map(static fn($d) => $d->free, $board->dates))->toBe([2, 1, 2, 2])
            ->and(array_map(static fn($d) => array_map(static fn($s) => "$s->place $s->was $s->now", $d->shifts), $board->dates))
            ->toBe([[], ['New York 07:30 08:30'], [], ['Lisbon 12:30 13:30']])
            ->and(array_map(static fn($t) => [$t->id, $t->light->value], $board->dates[0]->troubles))->toBe([['ny', 'before_hours'], ['au', 'night']]);
    });

    it('blames the anchor when its own clocks change', function (): void {
        $plan = Tests\plan(Tests\series('2027-03-22T10:00:00', 'Europe/Lisbon', 'FREQ=WEEKLY;COUNT=2'), 30, 'Europe/Lisbon');
        $state = BoardBuilder::build($plan, [Tests\person('n', 'Africa/Nairobi'), Tests\person('l', 'Europe/Lisbon')], 0)->dates[1];

        expect($state->anchorShift)->toBe(60)
            ->and($state->shifts)->toHaveCount(1)
            ->and([$state->shifts[0]->place, $state->shifts[0]->minutes, $state->shifts[0]->byAnchor])->toBe(['Nairobi', -60, true]);
    });

    it('shows a single meeting on the next fourteen days', function (): void {
        $plan = Tests\plan(Tests\series('2026-12-08T15:30:00', 'Africa/Nairobi'), 45, 'Africa/Nairobi');

        expect(BoardBuilder::build($plan, [Tests\person('n', 'Africa/Nairobi')], 0)->columns)->toHaveCount(14);
    });
});
