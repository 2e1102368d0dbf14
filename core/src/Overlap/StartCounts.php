<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** What is counted of every start over all dates, as the dates are gone through. */
final class StartCounts
{
    /** @var array<int, int> dates on which somebody required is busy */
    public array $clashDates;

    /** @var array<int, int> how often somebody required is off hours */
    public array $offHours;

    /** @var array<int, int> how often somebody optional is busy */
    public array $optionalBusy;

    /** @var array<int, int> how often a wish is not kept */
    public array $unwished;

    /** @var array<int, int> who alone keeps it from holding, their place from 1; 0: nobody does, -1: several do */
    public array $alone;

    public function __construct(private readonly int $count, private readonly int $people)
    {
        $this->clashDates = $this->offHours = $this->optionalBusy = $this->unwished = $this->alone = array_fill(0, $count, 0);
    }

    /**
     * One date more.
     *
     * @param  list<int>  $busy  required people who are, by number
     * @param  list<int>  $who  the sum of their places from 1
     */
    public function add(array $busy, array $who): void
    {
        for ($number = 0; $number < $this->count; $number++) {
            if ($busy[$number] > 0) {
                $this->clashDates[$number]++;
                $alone = $busy[$number] === 1 && $who[$number] <= $this->people ? $who[$number] : -1;
                $this->alone[$number] = $this->alone[$number] === 0 || $this->alone[$number] === $alone ? $alone : -1;
            }
        }
    }

    /**
     * What is added up over all dates.
     *
     * @param  list<int>  $optional  how often somebody optional is busy, by number
     * @param  list<int>  $inHours  how often somebody required is in their hours
     * @param  list<int>  $unwished  how often a wish is not kept
     * @param  int  $required  how often somebody is required
     */
    public function total(array $optional, array $inHours, array $unwished, int $required): void
    {
        $this->optionalBusy = $optional;
        $this->unwished = $unwished;
        $this->offHours = array_map(static fn(int $in): int => $required - $in, $inHours);
    }
}
