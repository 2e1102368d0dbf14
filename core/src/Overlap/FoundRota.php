<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** Turns of a few times that share out what lies outside hours. */
final readonly class FoundRota
{
    /**
     * @param  list<int>  $times  minutes of the day on the anchor's clock, ascending
     * @param  list<int>  $turns  for each date the place of its time
     * @param  list<int>  $shiftMinutes  for each date by how much it moves on the anchor's clock
     * @param  array<string, array{int, int}>  $burden  of each person: dates at night, dates outside hours
     * @param  array<int, list<string>>  $busy  dates on which somebody required is busy all the same, and who
     * @param  int  $weighed  so many first dates were weighed against one another; the turns of later ones repeat theirs
     */
    public function __construct(public array $times, public array $turns, public array $shiftMinutes, public array $burden, public array $busy, public int $weighed) {}

    /**
     * How it treats the required, worst off first.
     *
     * @param  list<string>  $required
     * @return array{list<int>, list<int>} nights, then dates outside hours, from the largest down
     */
    public function worst(array $required): array
    {
        return self::worstOf($this->burden, $required);
    }

    /**
     * @param  array<string, array{int, int}>  $burden
     * @param  list<string>  $required
     * @return array{list<int>, list<int>}
     */
    public static function worstOf(array $burden, array $required): array
    {
        $nights = array_map(static fn(string $id): int => $burden[$id][0], $required);
        $outside = array_map(static fn(string $id): int => $burden[$id][1], $required);
        rsort($nights);
        rsort($outside);

        return [$nights, $outside];
    }
}
