<?php

declare(strict_types=1);

use Syndex\Core\Overlap\Busy;
use Syndex\Core\Overlap\BusyKind;
use Syndex\Core\Overlap\FoundTime;
use Syndex\Core\Overlap\Participant;
use Syndex\Core\Overlap\Plan;
use Syndex\Core\Overlap\SeriesSearch;
use Syndex\Core\Overlap\StartGrid;
use Syndex\Core\Overlap\Wishes;
use Syndex\Core\Tests;
use Syndex\Core\Time\BareStretches;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\PackedStretches;
use Syndex\Core\Time\WorkingHours;

$zones = ['America/Lima', 'Europe/Lisbon', 'Africa/Nairobi', 'Asia/Kathmandu', 'Pacific/Auckland', 'America/St_Johns'];

/** @return list<Participant> */
$crowd = static function (int $seed, int $count) use ($zones): array {
    mt_srand($seed);
    $people = [];
    for ($i = 0; $i < $count; $i++) {
        $busy = [];
        for ($b = 0; $b < 20; $b++) {
            $kind = mt_rand(0, 3) === 0 ? BusyKind::Tentative : BusyKind::Busy;
            $busy[] = new Busy(Interval::lasting(Tests\at('2027-03-02T00:00:00Z') + 300 * mt_rand(0, 16000), 5 * mt_rand(1, 30)), $kind, 'something');
        }
        usort($busy, static fn(Busy $a, Busy $b): int => $a->interval->start <=> $b->interval->start);
        $hours = WorkingHours::of(array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], [['08:30', '12:00'], ['13:00', '17:30']]));
        // Some are not asked on the second date, the Tuesday after the first.
        $leftOut = $i % 3 === 1 ? [strtotime('2027-03-16 15:30 UTC') => true] : [];
        $people[] = new Participant("p$i", $i % 4 !== 3, $i === 0, $i === 6 ? null : Tests\zone($zones[$i % 6]), $i % 2 === 0 ? $hours : WorkingHours::usual(), true, $busy, $leftOut);
    }

    return $people;
};

/** What one start costs, counted one by one in the plainest way: clash dates, required off hours, optional busy, minutes off hours. */
$cost = static function (Plan $plan, array $people, int $shiftMinutes): array {
    $clashes = $off = $optional = $seconds = 0;
    foreach ($plan->dates->walls as $wall) {
        $slot = Interval::lasting($plan->anchor->toUtc($wall + $shiftMinutes * 60), $plan->durationMinutes);
        $isClash = false;
        foreach (array_filter($people, static fn(Participant $p): bool => !isset($p->leftOut[$wall])) as $person) {
            $busy = array_filter($person->busy, static fn(Busy $b): bool => $b->kind !== BusyKind::Tentative && $b->interval->overlaps($slot)) !== [];
            $isClash = $isClash || ($busy && $person->required);
            $optional += $busy && !$person->required ? 1 : 0;
            if ($person->zone !== null) {
                $off += $person->required && !$person->hours->cover($slot, $person->zone) ? 1 : 0;
                for ($at = $slot->start; $at < $slot->end; $at += 300) {
                    $seconds += $person->hours->cover(Interval::between($at, $at + 300), $person->zone) ? 0 : 300;
                }
            }
        }
        $clashes += $isClash ? 1 : 0;
    }

    return [$clashes, $off, $optional, intdiv($seconds, 60)];
};

$plan = static fn(string $start, string $rule, int $minutes, string $zone = 'Africa/Nairobi'): Plan => Tests\plan(Tests\series($start, $zone, $rule), $minutes, $zone);

describe('SeriesSearch', function () use ($crowd, $cost, $plan): void {
    it('finds what trying every start one by one finds', function (int $seed, string $zone, string $rule, int $minutes, int $people) use ($crowd, $cost, $plan): void {
        $plan = $plan('2027-03-09T15:30:00', $rule, $minutes, $zone);
        $crowd = $crowd($seed, $people);
        $found = (new SeriesSearch($plan, $crowd, -3, 3))->find(null, 3);
        $present = $cost($plan, $crowd, 0);
        $all = [];
        for ($shift = -3 * 1440 - 930; $shift < 4 * 1440 - 930; $shift += 15) {
            $weekday = Gregorian::weekday(Gregorian::floorDiv($plan->dates->walls[0] + $shift * 60, 86400));
            $isSameDay = Gregorian::floorDiv($plan->dates->walls[0] + $shift * 60, 86400) === Gregorian::floorDiv($plan->dates->walls[0], 86400);
            if ($shift !== 0 && ($weekday < 5 || $isSameDay)) {
                $all[] = [...$cost($plan, $crowd, $shift), abs($shift), $shift];
            }
        }
        $better = array_filter($all, static fn(array $one): bool => array_slice($one, 0, 4) < $present);
        sort($better);
        $told = static fn(FoundTime $t): array => [$t->clashDates, $t->offHours, $t->optionalBusy, $t->offMinutes, abs($t->shiftMinutes), $t->shiftMinutes];
        $best = static function (array $times): array {
            $chosen = [];
            foreach ($times as $time) {
                if (count($chosen) < 3 && array_filter($chosen, static fn(array $c): bool => abs($c[5] - $time[5]) < 60) === []) {
                    $chosen[] = $time;
                }
            }

            return $chosen;
        };

        expect(array_slice($told($found->present), 0, 4))->toBe($present, "seed $seed")
            ->and(array_map($told, $found->held))->toBe($best(array_filter($better, static fn(array $one): bool => $one[0] === 0)), "seed $seed")
            ->and(array_map($told, $found->nearly))->toBe($best(array_filter($better, static fn(array $one): bool => $one[0] > 0)), "seed $seed")
            ->and([$found->looked, $found->holding])->toBe([count($all), count(array_filter($all, static fn(array $one): bool => $one[0] === 0))], "seed $seed");
    })->with([
        // Lisbon's clocks change on 28 March 2027, New York's on 14 March, Lord Howe's by half an hour on 4 April (IANA zone data).
        'few people' => [1, 'Africa/Nairobi', 'FREQ=WEEKLY;COUNT=6', 45, 3],
        'more of them' => [2, 'Europe/Lisbon', 'FREQ=WEEKLY;COUNT=5', 60, 8],
        'over the change of another clock' => [3, 'America/New_York', 'FREQ=WEEKLY;COUNT=4', 30, 7],
        'by half an hour' => [4, 'Australia/Lord_Howe', 'FREQ=WEEKLY;COUNT=5', 50, 5],
        'every second week' => [5, 'Asia/Kathmandu', 'FREQ=WEEKLY;INTERVAL=2;COUNT=4', 90, 6],
        'a single date' => [6, 'Africa/Nairobi', 'FREQ=WEEKLY;COUNT=1', 120, 8],
    ]);

    it('finds the same where what optional people have is told as bare numbers', function (int $seed, string $zone, string $rule, int $days) use ($crowd, $plan): void {
        $plan = $plan('2027-03-09T15:30:00', $rule, 45, $zone);
        $people = $crowd($seed, 12);
        $others = $bare = [];
        foreach ($people as $person) {
            if (!$person->required) {
                $others[$person->id] = PackedStretches::pairsOf(array_merge(...array_map(static fn(Busy $b): array => [$b->interval->start, $b->interval->end, $b->kind->mark()], $person->busy)), BusyKind::Tentative->mark());
            }
            $bare[] = $person->required ? $person : new Participant($person->id, false, $person->host, $person->zone, $person->hours, true, [], $person->leftOut);
        }
        $whole = (new SeriesSearch($plan, $people, -$days, $days))->find(null, 3);
        expect((new SeriesSearch($plan, $bare, -$days, $days, others: $others))->find(null, 3))->toEqual($whole, "seed $seed")
            ->and(array_sum(array_map(static fn(FoundTime $t): int => $t->optionalBusy, [$whole->present, ...$whole->held, ...$whole->nearly])))->toBeGreaterThan(0);
    })->with([[1, 'Africa/Nairobi', 'FREQ=WEEKLY;COUNT=6', 3], [2, 'America/New_York', 'FREQ=WEEKLY;COUNT=4', 3], [3, 'Australia/Lord_Howe', 'FREQ=WEEKLY;COUNT=5', 2], [4, 'Europe/Lisbon', 'FREQ=DAILY;COUNT=20', 0]]);

    it('tells who is busy on which date, who perhaps is, and for whom it gets worse', function () use ($plan): void {
        // Ola is busy until 16:00 in Nairobi on both Tuesdays; from then on it is Ines on the second, and Ruth on the first.
        $people = [
            Tests\person('ola', 'Africa/Nairobi', busy: [['2026-12-07T13:00:00Z', 1440], ['2026-12-14T13:00:00Z', 1440]]),
            Tests\person('ines', 'Europe/Lisbon', busy: [['2026-12-15T13:00:00Z', 1440]]),
            Tests\person('ruth', 'America/Lima', required: false, busy: [['2026-12-08T12:00:00Z', 600]]),
            new Participant('bo', true, false, Tests\zone('Africa/Nairobi'), WorkingHours::usual(), true, [new Busy(Tests\slot('2026-12-08T13:00:00Z', 60), BusyKind::Tentative, 'perhaps')]),
        ];
        $found = (new SeriesSearch($plan('2026-12-08T10:00:00', 'FREQ=WEEKLY;COUNT=2', 60), $people, 0, 0))->find(null, 3);

        expect(array_map(static fn($c) => $c->busy, $found->present->clashes))->toBe([0 => ['ola'], 1 => ['ola']])
            ->and([$found->present->clashDates, $found->present->optionalBusy, $found->held])->toBe([2, 0, []])
            ->and($found->nearly[0]->shiftMinutes)->toBe(360)
            ->and(array_map(static fn($c) => $c->busy, $found->nearly[0]->clashes))->toBe([1 => ['ines']])
            ->and([$found->nearly[0]->optionalBusy, $found->nearly[0]->worse, $found->nearly[0]->perhaps])->toBe([1, ['ines'], ['bo' => 1]]);
    });

    it('names the ways out of a clash: another hour of that day, from when on somebody could come, a shorter meeting', function () use ($plan): void {
        // Nia has an hour from 10:00 on the 8th; Joram is busy on the 15th from 10:30 to 10:45 and from 11:00 on, in Nairobi.
        $people = [
            Tests\person('nia', 'Africa/Nairobi', busy: [['2026-12-08T05:00:00Z', 120], ['2026-12-08T08:00:00Z', 720]]),
            Tests\person('joram', 'Africa/Nairobi', busy: [['2026-12-15T07:30:00Z', 15], ['2026-12-15T08:00:00Z', 700]]),
        ];
        $found = (new SeriesSearch($plan('2026-12-08T16:00:00', 'FREQ=WEEKLY;COUNT=2', 60), $people, 0, 0))->find(null, 3);
        $first = $found->nearly[0];
        $wall = static fn(string $time): int => strtotime("$time UTC");

        expect($first->wall)->toBe($wall('2026-12-08 10:00'))
            ->and([$first->clashes[1]->busy, $first->clashes[1]->wall])->toBe([['joram'], $wall('2026-12-15 10:00')])
            ->and($first->clashes[1]->moveTo)->toBe($wall('2026-12-15 09:30'))
            ->and($first->clashes[1]->couldFrom)->toBe($wall('2026-12-15 10:45'))
            ->and($first->shorterTo)->toBe(30);
    });

    it('says what one change would open where nothing holds', function () use ($plan): void {
        $people = [
            Tests\person('nia', 'Africa/Nairobi', busy: [['2026-12-07T18:00:00Z', 900], ['2026-12-08T09:45:00Z', 1000]]),
            Tests\person('joram', 'Africa/Nairobi', busy: [['2026-12-07T18:00:00Z', 1800]]),
        ];
        // Nia has 45 minutes from 12:00 in Nairobi, Joram none.
        $found = (new SeriesSearch($plan('2026-12-08T10:00:00', 'FREQ=WEEKLY;COUNT=1', 45), $people, 0, 0))->find(null, 3);

        expect($found->holding)->toBe(0)
            ->and(array_map(static fn($o) => [$o->without, $o->minutes, $o->times], $found->openings))->toBe([['joram', null, 1]]);

        // Without Joram nothing holds for an hour; shorter by a quarter it does.
        $alone = (new SeriesSearch($plan('2026-12-08T10:00:00', 'FREQ=WEEKLY;COUNT=1', 60), [$people[0]], 0, 0))->find(null, 3);
        expect(array_map(static fn($o) => [$o->without, $o->minutes, $o->times], $alone->openings))->toBe([[null, 45, 1]]);
    });

    it('keeps wishes where that costs nothing that weighs more', function (Wishes $wishes, array $busy, string $wanted, ?WorkingHours $quiet = null) use ($plan): void {
        $hours = WorkingHours::of(['tue' => [['09:00', '13:00']], 'wed' => [['09:00', '13:00']]]);
        $nia = Tests\person('nia', 'Africa/Nairobi', busy: $busy, hours: $hours);
        $people = [new Participant($nia->id, true, false, $nia->zone, $hours, true, $nia->busy, quiet: $quiet)];
        $found = (new SeriesSearch($plan('2026-12-08T10:00:00', 'FREQ=WEEKLY;COUNT=1', 60), $people, 0, 1, wishes: $wishes))->find(null, 3);
        $best = $found->held[0] ?? $found->present;

        expect(gmdate('D H:i', $best->wall))->toBe($wanted);
    })->with([
        'none: the present time is good' => [new Wishes(), [], 'Tue 10:00'],
        'a pause of 15 minutes' => [new Wishes(pauseMinutes: 15), [['2026-12-08T06:00:00Z', 60]], 'Tue 10:15'],
        'a pause is no reason to leave the hours' => [new Wishes(pauseMinutes: 15), [['2026-12-08T06:00:00Z', 60], ['2026-12-08T08:00:00Z', 120], ['2026-12-09T05:00:00Z', 600]], 'Tue 10:00'],
        'notice' => [new Wishes(notBefore: Tests\at('2026-12-08T09:00:00Z')), [], 'Tue 12:00'],
        'two meetings a day at most' => [new Wishes(mostADay: 2), [['2026-12-08T06:00:00Z', 30], ['2026-12-08T06:30:00Z', 30]], 'Wed 09:00'],
        'quiet hours' => [new Wishes(quiet: WorkingHours::of(['tue' => [['09:00', '11:30']]])), [], 'Tue 11:30'],
        'quiet hours of their own' => [new Wishes(), [], 'Tue 11:30', WorkingHours::of(['tue' => [['09:00', '11:30']]])],
        'which stand in place of those of all' => [new Wishes(quiet: WorkingHours::of(['tue' => [['09:00', '11:30']]])), [], 'Tue 10:00', WorkingHours::of(['tue' => [['12:00', '13:00']]])],
    ]);

    it('proposes nothing when nothing is better, nothing past, and nothing without anybody required', function () use ($plan): void {
        $weekly = $plan('2026-12-08T10:00:00', 'FREQ=WEEKLY;COUNT=5', 30);
        $nothing = (new SeriesSearch($weekly, [Tests\person('n', 'Africa/Nairobi')], -3, 3))->find(null, 3);
        $nobody = (new SeriesSearch($weekly, [Tests\person('n', 'Africa/Nairobi', required: false)], -3, 3))->find(null, 3);
        $night = $plan('2026-12-08T02:00:00', 'FREQ=WEEKLY;COUNT=5', 30);
        $later = (new SeriesSearch($night, [Tests\person('n', 'Africa/Nairobi')], -3, 3))->find(Tests\at('2026-12-07T12:00:00Z'), 3);

        expect([$nothing->held, $nothing->nearly, $nobody->held, $nobody->looked])->toBe([[], [], [], 0])
            ->and(min(array_map(static fn(FoundTime $t): int => $t->wall, $later->held)))->toBeGreaterThanOrEqual(strtotime('2026-12-07 15:00 UTC'));
    });
});

describe('StartGrid', function (): void {
    it('numbers what overlaps and what lies within as asking slot by slot does', function (string $zone, string $from): void {
        mt_srand(11);
        $grid = StartGrid::of(Tests\zone($zone), strtotime("$from UTC"), 900, 200);
        for ($try = 0; $try < 40; $try++) {
            $seconds = 300 * mt_rand(1, 30);
            $at = $grid->starts[0] - 90000;
            $stretches = [];
            while (count($stretches) < 12) {
                $at += 60 * mt_rand(1, 500);
                $stretches[] = Interval::between($at, $at += 60 * mt_rand(1, 700));
            }
            $touching = $within = [];
            foreach ($grid->starts as $number => $start) {
                $slot = Interval::between($start, $start + $seconds);
                if (array_filter($stretches, $slot->overlaps(...)) !== []) {
                    $touching[] = $number;
                }
                if (array_filter($stretches, static fn(Interval $s): bool => $s->start <= $slot->start && $slot->end <= $s->end) !== []) {
                    $within[] = $number;
                }
            }
            $flat = static fn(array $ranges): array => array_merge([], ...array_map(static fn(array $r): array => range($r[0], $r[1]), array_chunk($ranges, 2)));
            $pairs = BareStretches::ofSet(IntervalSet::of($stretches));

            expect($flat($grid->touching($pairs, $seconds)))->toBe($touching)
                ->and($flat($grid->within($pairs, $seconds)))->toBe($within);
        }
    })->with([
        'an even clock' => ['Africa/Nairobi', '2027-03-27 00:00'],
        'set forward' => ['Europe/Lisbon', '2027-03-27 00:00'],
        'set back' => ['Europe/Lisbon', '2027-10-30 00:00'],
        'by half an hour' => ['Australia/Lord_Howe', '2027-04-03 12:00'],
    ]);
});
