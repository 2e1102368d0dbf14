<?php

declare(strict_types=1);

use Syndex\Core\Time\BareStretches;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;

describe('BareStretches', function (): void {
    it('is what a set of intervals is, minute by minute', function (int $seed): void {
        mt_srand($seed);
        $stretches = array_map(static fn(): array => [$from = mt_rand(-50, 200), $from + mt_rand(0, 20)], range(1, mt_rand(1, 15)));
        $pairs = BareStretches::of(array_column($stretches, 0), array_column($stretches, 1));
        $lasting = array_values(array_filter($stretches, static fn(array $s): bool => $s[1] > $s[0]));
        $set = IntervalSet::of(array_map(static fn(array $s): Interval => Interval::between($s[0], $s[1]), $lasting));

        expect($pairs)->toBe(BareStretches::ofSet($set))
            ->and(BareStretches::widened($pairs, 3))->toBe(BareStretches::ofSet($set->widenedBy(3)));
        for ($at = -60; $at < 230; $at++) {
            $there = array_filter($lasting, static fn(array $s): bool => $s[0] < $at + 4 && $s[1] > $at) !== [];
            expect(BareStretches::overlap($pairs, $at, $at + 4))->toBe($there, "seed $seed at $at");
        }
    })->with(range(1, 8));

    it('holds nothing of what has no length', function (): void {
        expect(BareStretches::of([5, 5], [5, 4]))->toBe([])
            ->and(BareStretches::overlap([], 0, 10))->toBeFalse()
            ->and(BareStretches::widened([], 10))->toBe([]);
    });
});
