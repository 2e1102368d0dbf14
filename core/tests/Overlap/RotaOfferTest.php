<?php

declare(strict_types=1);

use Syndex\Core\Overlap\FoundRota;
use Syndex\Core\Overlap\SeriesSearch;
use Syndex\Core\Tests;
use Syndex\Core\Time\WorkingHours;

$always = WorkingHours::of(array_fill_keys(WorkingHours::DAYS, [['09:00', '17:00']]));
$search = static fn(array $people, int $dates, string $start = '2026-12-08T10:00:00'): SeriesSearch => new SeriesSearch(Tests\plan(Tests\series($start, 'UTC', "FREQ=WEEKLY;COUNT=$dates"), 60, 'UTC'), $people, 0, 0);
$turns = static fn(SeriesSearch $search, int $most): ?FoundRota => $search->rota($search->find(null, 3), $most);
$clock = static fn(FoundRota $rota): array => array_map(static fn(int $turn): string => gmdate('H:i', $rota->times[$turn] * 60), $rota->turns);

describe('RotaOffer', function () use ($always, $search, $turns, $clock): void {
    it('halves the nights of two who have no daylight in common', function () use ($always, $search, $turns): void {
        // Tarawa is 12 hours ahead of UTC (IANA zone data): two hours of dusk do not bring them together either.
        $rota = $turns($search([Tests\person('west', 'UTC', hours: $always), Tests\person('east', 'Pacific/Tarawa', hours: $always)], 6), 3);

        expect($rota?->burden)->toBe(['west' => [3, 3], 'east' => [3, 3]])
            ->and($rota?->busy)->toBe([])
            ->and(count($rota->times ?? []))->toBe(2)
            ->and($rota?->weighed)->toBe(6);
    });

    it('shares nights among three on three sides of the world', function () use ($always, $search, $turns): void {
        $people = [Tests\person('lima', 'America/Lima', hours: $always), Tests\person('nairobi', 'Africa/Nairobi', hours: $always), Tests\person('auckland', 'Pacific/Auckland', hours: $always)];
        $rota = $turns($search($people, 12), 3);
        $one = $search($people, 12)->find(null, 3);
        $worst = static fn(array $burden): int => max(array_column($burden, 0));

        expect($worst($rota->burden ?? []))->toBeLessThan($worst($one->present->burden))
            ->and($worst($rota->burden ?? []))->toBeLessThan(min([12, ...array_map(static fn($t): int => $worst($t->burden), $one->held)]));
    });

    it('takes no turn at which somebody required is busy, where another is free, also past those that are weighed', function () use ($always, $search, $turns, $clock): void {
        $busy = [];
        for ($week = 0; $week < 20; $week += 3) {
            $busy[] = [gmdate('Y-m-d\T00:00:00\Z', Tests\at('2026-12-08T00:00:00Z') + $week * 604800), 12 * 60];
        }
        $people = [Tests\person('west', 'UTC', busy: $busy, hours: $always), Tests\person('east', 'Pacific/Auckland', hours: $always)];
        $rota = $turns($search($people, 20), 2);

        expect($rota?->busy)->toBe([])
            ->and($rota?->weighed)->toBe(12)
            ->and(array_unique(array_map(static fn(string $at): bool => $at >= '12:00', array_filter($clock($rota), static fn(int $date): bool => $date % 3 === 0, ARRAY_FILTER_USE_KEY))))->toBe([true]);
        foreach ($rota->shiftMinutes ?? [] as $date => $shift) {
            expect(600 + $shift)->toBe($rota->times[$rota->turns[$date]]);
        }
    });

    it('counts only who is required, and offers none where that helps nobody', function () use ($always, $search, $turns): void {
        $west = Tests\person('west', 'UTC', hours: $always);
        $alone = $turns($search([$west, Tests\person('east', 'Pacific/Auckland', required: false, hours: $always)], 4), 3);

        expect($alone)->toBeNull()
            ->and($turns($search([$west], 1), 3))->toBeNull()
            ->and($turns($search([Tests\person('nowhere', null)], 4), 3))->toBeNull();
    });
});
