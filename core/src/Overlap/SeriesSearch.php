<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Gregorian;

/**
 * Looks for a time that suits all dates of a plan better: another time of day, another day, or both.
 *
 * The order in one sentence: fewest dates on which somebody required is busy, then fewest times that somebody required sits
 * outside their hours, then fewest times that somebody optional is busy, then fewest minutes outside hours, then fewest wishes
 * not kept, then nearest to the present time. Who is away is busy; who perhaps has something is free, and it is told.
 *
 * Starts are numbered alike for every date. What a person has forbids ranges of numbers, so one pass over everybody's stretches
 * counts for every start at once; whatever is dearer is computed only of those that can still come to stand among the first.
 */
final readonly class SeriesSearch
{
    /** Proposals lie at least so many starts apart, else they would be one proposal told three times. */
    private const APART = 4;

    /** So many single people are named whose absence would open most. */
    private const OPENINGS = 3;

    private SearchGround $ground;

    private StartCounter $counter;

    private TimeTeller $teller;

    /**
     * @param  list<Participant>  $people
     * @param  int  $fromDay  so many days from the present one the first that is looked at, 0 or less
     * @param  int  $toDay  and the last, 0 or more
     * @param  array<string, list<int>>  $others  what optional people have for sure, where it does not stand with them: {@see BareStretches}
     * @param  list<int>  $weekdays  on which a date may come to lie, 0 is Monday; the present day always may
     */
    public function __construct(private Plan $plan, private array $people, int $fromDay, int $toDay, private array $weekdays = [0, 1, 2, 3, 4], Wishes $wishes = new Wishes(), array $others = [])
    {
        $this->ground = new SearchGround($plan, $people, $fromDay, $toDay, $wishes, $others);
        $this->counter = new StartCounter($this->ground);
        $this->teller = new TimeTeller($this->ground);
    }

    /**
     * @param  ?int  $now  no date is moved to before this moment; null: wherever
     * @param  int  $most  times that hold at most, and as many that nearly do
     */
    public function find(?int $now, int $most): FoundTimes
    {
        $present = $this->teller->present();
        if ($this->plan->series->allDay || $this->ground->required === 0 || $this->plan->durationMinutes >= 1440) {
            return new FoundTimes($present, [], [], 0, 0, []);
        }
        $counts = $this->counter->count();
        $open = $this->open($now);
        $ranks = [];
        foreach ($open as $number) {
            $ranks[$number] = [$counts->clashDates[$number], $counts->offHours[$number], $counts->optionalBusy[$number]];
        }
        $holding = count(array_filter($open, static fn(int $number): bool => $counts->clashDates[$number] === 0));
        $candidates = $this->likeliest($ranks, $most * 2);
        $minutes = $this->counter->offMinutes($candidates);
        $times = [];
        foreach ($candidates as $at => $number) {
            $time = $this->time($number, $counts->clashDates[$number], $counts->offHours[$number], $counts->optionalBusy[$number], $minutes[$at], $counts->unwished[$number]);
            if ($time->cost() < $present->cost()) {
                $times[] = $time;
            }
        }
        usort($times, static fn(FoundTime $a, FoundTime $b): int => [$a->cost(), abs($a->shiftMinutes), $a->shiftMinutes] <=> [$b->cost(), abs($b->shiftMinutes), $b->shiftMinutes]);
        $hold = array_filter($times, static fn(FoundTime $t): bool => $t->clashDates === 0);

        return new FoundTimes(
            $present,
            array_map(fn(FoundTime $t): FoundTime => $this->teller->told($t, $present), self::apart($hold, $most)),
            array_map(fn(FoundTime $t): FoundTime => $this->teller->told($t, $present), self::apart(array_slice($times, count($hold)), $most)),
            count($open),
            $holding,
            $holding > 0 ? [] : $this->openings($counts, $open),
        );
    }

    /** Turns that leave the worst off better than the present time and every one that was found do; null: there are none. */
    public function rota(FoundTimes $found, int $most): ?FoundRota
    {
        $rota = (new RotaOffer($this->plan, $this->people, $this->ground->crowd, $this->ground->taken))->best($most);
        $required = array_values(array_map(static fn(Participant $p): string => $p->id, array_filter($this->people, static fn(Participant $p): bool => $p->required)));
        foreach ($rota === null ? [] : [$found->present, ...$found->held] as $time) {
            if (FoundRota::worstOf($time->burden, $required) <= $rota?->worst($required)) {
                return null;
            }
        }

        return $rota;
    }

    /** @return list<int> numbers that may be proposed */
    private function open(?int $now): array
    {
        $weekdays = array_unique(array_map(static fn(int $wall): int => Gregorian::weekday(Gregorian::floorDiv($wall, 86400)), $this->plan->dates->walls));
        $open = [];
        for ($number = 0; $number < $this->ground->count; $number++) {
            $day = $this->ground->fromDay + intdiv($number, SearchGround::A_DAY);
            $isDay = $day === 0 || array_filter($weekdays, fn(int $weekday): bool => !in_array(($weekday + $day + 70) % 7, $this->weekdays, true)) === [];
            if ($isDay && $this->ground->shift($number) !== 0 && ($now === null || $this->ground->grids[0]->starts[$number] >= min($now, $this->plan->dates->starts[0]))) {
                $open[] = $number;
            }
        }

        return $open;
    }

    /**
     * Those that can come to be told by what is known of them. Each that is told rules out those about it.
     *
     * @param  array<int, array{int, int, int}>  $ranks  by number
     * @return list<int> ascending
     */
    private function likeliest(array $ranks, int $most): array
    {
        $kept = [];
        // Those that hold and those that nearly do each have their own first.
        foreach ([true, false] as $holds) {
            array_push($kept, ...Shortlist::of(array_filter($ranks, static fn(array $rank): bool => ($rank[0] === 0) === $holds), $most * (2 * self::APART - 1) + 1));
        }
        sort($kept);

        return $kept;
    }

    /**
     * @param  array<int, FoundTime>  $times  best first
     * @return list<FoundTime>
     */
    private static function apart(array $times, int $most): array
    {
        $chosen = [];
        foreach ($times as $time) {
            if (count($chosen) < $most && array_filter($chosen, static fn(FoundTime $t): bool => abs($t->shiftMinutes - $time->shiftMinutes) * 60 < self::APART * SearchGround::STEP) === []) {
                $chosen[] = $time;
            }
        }

        return $chosen;
    }

    private function time(int $number, int $clashDates, int $offHours, int $optionalBusy, int $offMinutes, int $unwished): FoundTime
    {
        $shift = $this->ground->shift($number);

        return new FoundTime($shift, $this->plan->dates->walls[0] + $shift * 60, $clashDates, $offHours, $optionalBusy, $offMinutes, $unwished);
    }

    /**
     * @param  list<int>  $open
     * @return list<Opening>
     */
    private function openings(StartCounts $counts, array $open): array
    {
        $alone = array_count_values(array_filter(array_map(static fn(int $number): int => $counts->alone[$number], $open), static fn(int $place): bool => $place > 0));
        arsort($alone);
        $openings = [];
        // Without the only one who is required there is nothing to ask.
        foreach ($this->ground->required === 1 ? [] : array_slice($alone, 0, self::OPENINGS, true) as $place => $times) {
            $openings[] = new Opening($times, $this->people[$place - 1]->id);
        }
        for ($shorter = $this->ground->seconds - SearchGround::STEP; $shorter >= SearchGround::STEP; $shorter -= SearchGround::STEP) {
            $times = count(array_intersect($open, $this->counter->holding($shorter)));
            if ($times > 0) {
                $openings[] = new Opening($times, null, intdiv($shorter, 60));

                break;
            }
            if ($shorter < $this->ground->seconds - 2 * SearchGround::STEP) {
                break;
            }
        }
        usort($openings, static fn(Opening $a, Opening $b): int => $b->times <=> $a->times);

        return $openings;
    }
}
