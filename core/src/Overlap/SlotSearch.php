<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\TooMuchWork;
use Syndex\Core\Work;

/**
 * Looks for time that people have in common.
 *
 * Candidates are numbered; what somebody has forbids a range of numbers, so that one pass over all stretches counts for every
 * candidate at once. Whatever is dearer to compute is computed only of those that can still come to stand among the first:
 * hours of everybody last.
 */
final class SlotSearch
{
    /** Steps of work for a busy stretch, and for a candidate. */
    private const A_STRETCH = 3;

    private const A_CANDIDATE = 1;

    private int $count;

    private HoursSweep $sweep;

    /**
     * @param  int  $from  the first start, a moment
     * @param  int  $to  by which the last slot ends
     * @param  int  $seconds  how long a slot is
     * @param  int  $step  seconds from one start to the next
     *
     * @throws TooMuchWork if there are more candidates than one question may have
     */
    public function __construct(private readonly int $from, int $to, private readonly int $seconds, private readonly int $step, private readonly Work $work)
    {
        $this->count = $to - $seconds < $from ? 0 : intdiv($to - $seconds - $from, $step) + 1;
        $work->spend(self::A_CANDIDATE * $this->count);
        $this->sweep = new HoursSweep($work);
    }

    /**
     * The best, in this order: fewest required people off hours, fewest optional people busy, fewest minutes off hours, earliest.
     * None at which somebody required is busy.
     *
     * @param  list<SearchedPerson>  $people
     * @param  int  $limit  so many at most
     * @return list<FoundSlot>
     */
    public function best(array $people, int $limit): array
    {
        if ($people === [] || $this->count === 0) {
            return [];
        }
        $groups = $this->groups($people);
        $left = $this->free($people);
        $requiredOff = $this->requiredOff($groups, $left);
        $left = self::first($left, $requiredOff, $limit);
        [$optionalBusy, $ranges] = $this->optionalBusy($people);
        $rank = [];
        foreach ($left as $number) {
            $rank[$number] = [$requiredOff[$number], $optionalBusy[$number] ?? 0];
        }
        $left = self::first($left, $rank, $limit);
        $minutes = $this->offMinutes($groups, $left);
        usort($left, static fn(int $a, int $b): int => [$rank[$a], $minutes[$a], $a] <=> [$rank[$b], $minutes[$b], $b]);

        return $this->told($people, $groups, array_slice($left, 0, $limit), $minutes, $ranges);
    }

    /**
     * People of one clock with the same hours.
     *
     * @param  list<SearchedPerson>  $people
     * @return array<string, array{example: SearchedPerson, people: int, required: int}>
     */
    private function groups(array $people): array
    {
        /** @var \SplObjectStorage<\Syndex\Core\Time\WorkingHours, string> $names */
        $names = new \SplObjectStorage();
        $groups = [];
        foreach ($people as $person) {
            $key = $person->zone->key() . ' ' . ($names[$person->hours] ??= $person->hours->key());
            $groups[$key] ??= ['example' => $person, 'people' => 0, 'required' => 0];
            $groups[$key]['people']++;
            $groups[$key]['required'] += $person->required ? 1 : 0;
        }

        return $groups;
    }

    /**
     * @param  list<SearchedPerson>  $people
     * @return list<int> numbers of the candidates at which nobody required is busy
     */
    private function free(array $people): array
    {
        $changes = array_fill(0, $this->count + 1, 0);
        foreach ($people as $person) {
            if ($person->required) {
                foreach ($this->ranges($person) as [$first, $last]) {
                    $changes[$first]++;
                    $changes[$last + 1]--;
                }
            }
        }
        $free = [];
        $busy = 0;
        for ($number = 0; $number < $this->count; $number++) {
            $busy += $changes[$number];
            if ($busy === 0) {
                $free[] = $number;
            }
        }

        return $free;
    }

    /** @return list<array{int, int}> numbers of the candidates at which somebody is busy: first and last, in order, none touching another */
    private function ranges(SearchedPerson $person): array
    {
        $this->work->spend(self::A_STRETCH * count($person->busyFrom));
        $ranges = [];
        $before = -1;
        $isInOrder = true;
        foreach ($person->busyFrom as $at => $from) {
            $until = $person->busyUntil[$at];
            // A candidate touches it if it begins before its end and ends after its start.
            $first = $from - $this->seconds < $this->from ? 0 : intdiv($from - $this->seconds - $this->from, $this->step) + 1;
            $last = $until <= $this->from ? -1 : min($this->count - 1, intdiv($until - $this->from - 1, $this->step));
            if ($until > $from && $first <= $last) {
                $isInOrder = $isInOrder && $first >= $before;
                $before = $first;
                $ranges[] = [$first, $last];
            }
        }
        if (!$isInOrder) {
            sort($ranges);
        }

        return self::merged($ranges);
    }

    /**
     * @param  list<array{int, int}>  $ranges  in order of their first
     * @return list<array{int, int}>
     */
    private static function merged(array $ranges): array
    {
        $merged = [];
        [$first, $last] = $ranges[0] ?? [0, -1];
        foreach ($ranges as [$from, $until]) {
            if ($from > $last + 1) {
                $merged[] = [$first, $last];
                [$first, $last] = [$from, $until];
            } elseif ($until > $last) {
                $last = $until;
            }
        }
        if ($ranges !== []) {
            $merged[] = [$first, $last];
        }

        return $merged;
    }

    /**
     * @param  array<string, array{example: SearchedPerson, people: int, required: int}>  $groups
     * @param  list<int>  $numbers
     * @return array<int, int> how many required people are off hours, by number
     */
    private function requiredOff(array $groups, array $numbers): array
    {
        $off = array_fill_keys($numbers, 0);
        $starts = $this->starts($numbers);
        foreach ($groups as $group) {
            if ($group['required'] > 0) {
                foreach ($this->sweep->outside($group['example']->hours, $group['example']->zone, $starts, $this->seconds) as $at => $outside) {
                    if ($outside > 0) {
                        $off[$numbers[$at]] += $group['required'];
                    }
                }
            }
        }

        return $off;
    }

    /**
     * @param  list<SearchedPerson>  $people
     * @return array{array<int, int>, array<int, list<array{int, int}>>} how many optional people are busy by number; and each one's ranges, by place in the list
     */
    private function optionalBusy(array $people): array
    {
        $changes = $ranges = [];
        foreach ($people as $at => $person) {
            if (!$person->required) {
                $ranges[$at] = $this->ranges($person);
                foreach ($ranges[$at] as [$first, $last]) {
                    $changes[$first] = ($changes[$first] ?? 0) + 1;
                    $changes[$last + 1] = ($changes[$last + 1] ?? 0) - 1;
                }
            }
        }
        $busy = [];
        $now = 0;
        for ($number = 0; $changes !== [] && $number < $this->count; $number++) {
            $now += $changes[$number] ?? 0;
            $busy[$number] = $now;
        }

        return [$busy, $ranges];
    }

    /**
     * @param  array<string, array{example: SearchedPerson, people: int, required: int}>  $groups
     * @param  list<int>  $numbers
     * @return array<int, int> by number
     */
    private function offMinutes(array $groups, array $numbers): array
    {
        $seconds = array_fill(0, count($numbers), 0);
        $starts = $this->starts($numbers);
        foreach ($groups as $group) {
            foreach ($this->sweep->outside($group['example']->hours, $group['example']->zone, $starts, $this->seconds) as $at => $outside) {
                $seconds[$at] += $outside * $group['people'];
            }
        }

        return array_combine($numbers, array_map(static fn(int $s): int => intdiv($s, 60), $seconds));
    }

    /**
     * Those that can be among the first so many by what is known of them, all that are level with the last of these included.
     *
     * @template T
     *
     * @param  list<int>  $numbers
     * @param  array<int, T>  $rank
     * @return list<int> ascending
     */
    private static function first(array $numbers, array $rank, int $limit): array
    {
        if (count($numbers) <= $limit) {
            return $numbers;
        }
        $ranks = [];
        foreach ($numbers as $number) {
            $ranks[] = $rank[$number];
        }
        sort($ranks);
        $worst = $ranks[$limit - 1];

        return array_values(array_filter($numbers, static fn(int $number): bool => $rank[$number] <= $worst));
    }

    /**
     * @param  list<SearchedPerson>  $people
     * @param  array<string, array{example: SearchedPerson, people: int, required: int}>  $groups
     * @param  list<int>  $chosen  best first
     * @param  array<int, int>  $minutes
     * @param  array<int, list<array{int, int}>>  $ranges
     * @return list<FoundSlot>
     */
    private function told(array $people, array $groups, array $chosen, array $minutes, array $ranges): array
    {
        $ascending = $chosen;
        sort($ascending);
        $starts = $this->starts($ascending);
        $off = $busy = array_fill_keys($chosen, []);
        $outside = [];
        foreach ($groups as $key => $group) {
            if ($group['required'] > 0) {
                $outside[$key] = $this->sweep->outside($group['example']->hours, $group['example']->zone, $starts, $this->seconds);
            }
        }
        foreach ($people as $at => $person) {
            if ($person->required) {
                foreach ($outside[$person->zone->key() . ' ' . $person->hours->key()] ?? [] as $place => $seconds) {
                    if ($seconds > 0) {
                        $off[$ascending[$place]][] = $person->id;
                    }
                }

                continue;
            }
            foreach ($ranges[$at] as [$first, $last]) {
                for ($place = self::place($ascending, $first); $place < count($ascending) && $ascending[$place] <= $last; $place++) {
                    $busy[$ascending[$place]][] = $person->id;
                }
            }
        }

        return array_map(fn(int $number): FoundSlot => new FoundSlot($this->from + $number * $this->step, $this->from + $number * $this->step + $this->seconds, $off[$number], $busy[$number], $minutes[$number]), $chosen);
    }

    /**
     * @param  list<int>  $ascending
     * @return int place of the first that is not below a value
     */
    private static function place(array $ascending, int $value): int
    {
        [$low, $high] = [0, count($ascending)];
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($ascending[$middle] < $value) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }

    /**
     * @param  list<int>  $numbers
     * @return list<int>
     */
    private function starts(array $numbers): array
    {
        return array_map(fn(int $number): int => $this->from + $number * $this->step, $numbers);
    }
}
