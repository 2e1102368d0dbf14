<?php

declare(strict_types=1);

use Syndex\Core\Shifts\MovedLocally;
use Syndex\Core\Tests;
use Syndex\Core\Time\KeptClock;

/** Lisbon's clock of 2027 as it is, and as it would be if summer time were given up. */
$from = Tests\at('2026-12-01T00:00:00Z');
$to = Tests\at('2028-01-01T00:00:00Z');
$lisbon = static fn(): KeptClock => KeptClock::of(Tests\zone('Europe/Lisbon'), $from, $to);
$still = KeptClock::again([[$from, 0]]);

describe('KeptClock', function () use ($lisbon, $still, $from, $to): void {
    // IANA: Europe/Lisbon goes forward on 28 March and back on 31 October 2027, at 01:00 UTC.
    it('writes down what the clock shows', function () use ($lisbon, $from): void {
        expect($lisbon()->offsets)->toBe([[$from, 0], [Tests\at('2027-03-28T01:00:00Z'), 3600], [Tests\at('2027-10-31T01:00:00Z'), 0]]);
    });

    it('shows the same again', function () use ($lisbon): void {
        $again = KeptClock::again($lisbon()->offsets);
        foreach (['2026-11-01T00:00:00Z', '2027-03-28T00:59:59Z', '2027-03-28T01:00:00Z', '2027-07-01T12:00:00Z', '2027-10-31T01:00:00Z', '2029-01-01T00:00:00Z'] as $moment) {
            expect($again->offsetAt(Tests\at($moment)))->toBe($lisbon()->offsetAt(Tests\at($moment)));
        }
    });

    it('differs where either shows something else', function (string $begin, string $end, bool $differs) use ($lisbon, $still): void {
        expect($lisbon()->differsFrom($still, Tests\at($begin), Tests\at($end)))->toBe($differs)
            ->and($still->differsFrom($lisbon(), Tests\at($begin), Tests\at($end)))->toBe($differs);
    })->with([
        'before summer' => ['2026-12-01T00:00:00Z', '2027-03-28T01:00:00Z', false],
        'a second into it' => ['2026-12-01T00:00:00Z', '2027-03-28T01:00:01Z', true],
        'within it' => ['2027-06-01T00:00:00Z', '2027-06-02T00:00:00Z', true],
        'after it' => ['2027-10-31T01:00:00Z', '2027-12-31T00:00:00Z', false],
    ]);
});

describe('MovedLocally', function () use ($lisbon, $still): void {
    it('counts the dates that moved on a clock, and names the first', function () use ($lisbon, $still): void {
        $moments = array_map(static fn(string $m): array => [Tests\at($m), Tests\at($m)], ['2027-03-01T12:00:00Z', '2027-04-01T12:00:00Z', '2027-05-01T12:00:00Z', '2027-12-01T12:00:00Z']);
        $moved = MovedLocally::of($moments, $lisbon(), $still);

        expect([$moved?->dates, gmdate('c', $moved->was ?? 0), gmdate('c', $moved->now ?? 0)])->toBe([2, '2027-04-01T13:00:00+00:00', '2027-04-01T12:00:00+00:00']);
    });

    it('sees that the anchor moved a date under a clock that stayed', function () use ($still): void {
        expect(MovedLocally::of([[1_800_000_000, 1_800_003_600]], $still, $still)?->dates)->toBe(1);
    });

    it('finds nothing where both moved alike', function () use ($lisbon, $still): void {
        $at = Tests\at('2027-06-01T12:00:00Z');

        expect(MovedLocally::of([[$at, $at + 3600]], $lisbon(), $still))->toBeNull()
            ->and(MovedLocally::of([], $lisbon(), $still))->toBeNull();
    });
});
