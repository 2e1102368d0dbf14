<?php

declare(strict_types=1);

use Syndex\Core\Time\BareStretches;
use Syndex\Core\Time\PackedStretches;

describe('PackedStretches', function (): void {
    it('gives back whatever overlaps a window, in order of start', function (array $stretches, int $from, int $to, array $found): void {
        expect(PackedStretches::within(PackedStretches::pack($stretches), $from, $to))->toBe($found);
    })->with([
        'nothing' => [[], 0, 100, []],
        'all, put in order' => [[[50, 60, 1], [10, 20, 2]], 0, 100, [10, 20, 2, 50, 60, 1]],
        'touching is not overlapping' => [[[0, 10, 0], [20, 30, 0]], 10, 20, []],
        'one that reaches in from long before, past shorter ones' => [[[0, 1000, 7], [10, 20, 0], [30, 40, 0]], 500, 600, [0, 1000, 7]],
        'no window' => [[[0, 10, 0]], 5, 5, []],
        'before 1970, and in the year 9999' => [[[-86400, -3600, 255], [253_402_210_800, 253_402_214_400, 0]], -90000, 300_000_000_000, [-86400, -3600, 255, 253_402_210_800, 253_402_214_400, 0]],
        'longer than can be kept' => [[[0, 5_000_000_000, 0]], 0, 1, [0, 4_294_967_295, 0]],
        'an end before its start lasts nothing' => [[[100, 50, 0]], 0, 200, [100, 100, 0]],
    ]);

    it('finds what going through all of them finds, on random stretches', function (): void {
        $seed = random_int(1, PHP_INT_MAX >> 1);
        mt_srand($seed);
        for ($round = 0; $round < 200; $round++) {
            $stretches = [];
            for ($i = mt_rand(0, 40); $i > 0; $i--) {
                $start = mt_rand(0, 5000);
                $stretches[] = [$start, $start + mt_rand(1, mt_rand(0, 5) === 0 ? 3000 : 60), mt_rand(0, 2)];
            }
            $from = mt_rand(-100, 5000);
            $to = $from + mt_rand(1, 1500);
            $sorted = $stretches;
            sort($sorted);
            $expected = array_merge([], ...array_filter($sorted, static fn(array $s): bool => $s[0] < $to && $s[1] > $from));
            expect(PackedStretches::within(PackedStretches::pack($stretches), $from, $to))->toBe($expected, "seed $seed, round $round");
        }
    });

    it('takes octets that are none of ours for nothing', function (string $octets): void {
        expect(PackedStretches::within($octets, 0, 100))->toBe([]);
    })->with(['none' => '', 'few' => "\1\0", 'cut off' => substr(PackedStretches::pack([[1, 2, 3], [4, 5, 6]]), 0, -1), 'a count that is not there' => "\xFF\xFF\xFF\xFF\0\0\0\0"]);

    it('joins what overlaps or touches, and leaves out a mark', function (array $stretches, array $pairs): void {
        expect(PackedStretches::pairsOf($stretches, 1))->toBe($pairs);
    })->with([
        'nothing' => [[], []], 'apart' => [[0, 10, 0, 20, 30, 2], [0, 10, 20, 30]], 'touching' => [[0, 10, 0, 10, 20, 0], [0, 20]], 'one within another' => [[0, 50, 0, 10, 20, 0, 40, 60, 0], [0, 60]],
        'left out in between' => [[0, 10, 0, 5, 40, 1, 20, 30, 0], [0, 10, 20, 30]], 'all left out' => [[0, 10, 1], []],
    ]);

    it('puts two such lists together as one pass over both would', function (): void {
        $seed = random_int(1, PHP_INT_MAX >> 1);
        mt_srand($seed);
        $list = static function (): array {
            $stretches = [];
            for ($i = mt_rand(0, 12); $i > 0; $i--) {
                $start = mt_rand(0, 300);
                $stretches[] = [$start, $start + mt_rand(1, 40), 0];
            }
            sort($stretches);

            return $stretches;
        };
        for ($round = 0; $round < 200; $round++) {
            [$one, $other] = [$list(), $list()];
            $both = [...$one, ...$other];
            sort($both);
            expect(BareStretches::together(PackedStretches::pairsOf(array_merge([], ...$one), 1), PackedStretches::pairsOf(array_merge([], ...$other), 1)))->toBe(PackedStretches::pairsOf(array_merge([], ...$both), 1), "seed $seed, round $round");
        }
    });
});
