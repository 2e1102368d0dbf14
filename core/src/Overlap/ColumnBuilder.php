<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Interval;

/** Builds the columns of all dates: the light of the required people through each date's day, and what they have. */
final readonly class ColumnBuilder
{
    /** Steps of light between nobody and everybody in their hours. */
    public const STEPS = 4;

    /** @var list<Participant> */
    private array $required;

    /** @var Crowd<Participant> */
    private Crowd $crowd;

    /** @param list<Participant> $people */
    public function __construct(private Plan $plan, array $people, private HoursOnDates $hours)
    {
        $this->required = array_values(array_filter($people, static fn(Participant $p): bool => $p->required));
        $this->crowd = Crowd::of($this->required);
    }

    /** @return list<DateColumn> one for each date */
    public function columns(): array
    {
        return array_map(function (int $index): DateColumn {
            $axis = $this->axis($index);

            return new DateColumn($this->ground($axis), $this->blocks($axis), $axis->at($this->plan->dates->starts[$index]));
        }, array_keys($this->plan->dates->starts));
    }

    public function axis(int $index): Axis
    {
        $wall = $this->plan->anchor->toWall($this->plan->dates->starts[$index]);
        $day = Gregorian::floorDiv($wall, 86400);
        $first = Gregorian::floorMod($this->plan->anchor->toWall($this->plan->dates->starts[0]), 86400);

        return Axis::around($day, intdiv($first, 60), $this->plan->durationMinutes, $this->plan->anchor);
    }

    /** An axis's day and the time that a meeting begun at its end would still take. */
    public function reach(Axis $axis): Interval
    {
        return Interval::between($axis->window->start, $axis->window->end + $this->plan->durationMinutes * 60);
    }

    /** @return list<Segment> */
    private function ground(Axis $axis): array
    {
        $changes = [0 => 0, Axis::MINUTES => 0];
        $sizes = $this->crowd->sizes();
        foreach ($this->crowd->examples as $group => $person) {
            // Of whom the place is unknown, no hour can be called dark.
            $stretches = $person->zone === null ? [$axis->window] : $this->hours->of($person->hours, $person->zone, $this->reach($axis))->clippedTo($axis->window)->intervals;
            foreach ($stretches as $stretch) {
                $changes[$axis->at($stretch->start)] = ($changes[$axis->at($stretch->start)] ?? 0) + $sizes[$group];
                $changes[$axis->at($stretch->end)] = ($changes[$axis->at($stretch->end)] ?? 0) - $sizes[$group];
            }
        }

        return self::counted($changes, fn(int $count): string => (string) ($this->required === [] ? self::STEPS : intdiv($count * self::STEPS, count($this->required))), true);
    }

    /** @return list<Segment> */
    private function blocks(Axis $axis): array
    {
        $changes = [];
        foreach ($this->required as $person) {
            foreach ($person->taken->clippedTo($axis->window)->intervals as $stretch) {
                $changes[$axis->at($stretch->start)] = ($changes[$axis->at($stretch->start)] ?? 0) + 1;
                $changes[$axis->at($stretch->end)] = ($changes[$axis->at($stretch->end)] ?? 0) - 1;
            }
        }

        return self::counted($changes, static fn(int $count): string => 'busy', false);
    }

    /**
     * @param  array<int, int>  $changes  by how much the count rises or falls at each minute
     * @param  callable(int): string  $tone
     * @return list<Segment> neighbours of one tone and count are one
     */
    private static function counted(array $changes, callable $tone, bool $withZero): array
    {
        ksort($changes);
        $minutes = array_keys($changes);
        $segments = [];
        $count = 0;
        for ($i = 0; $i + 1 < count($minutes); $i++) {
            $count += $changes[$minutes[$i]];
            $now = $tone($count);
            $last = array_key_last($segments);
            if ($last !== null && $segments[$last]->to === $minutes[$i] && $segments[$last]->tone === $now && ($withZero || $segments[$last]->count === $count)) {
                $segments[$last] = new Segment($segments[$last]->from, $minutes[$i + 1], $now, '', $segments[$last]->count);
            } elseif ($count > 0 || $withZero) {
                $segments[] = new Segment($minutes[$i], $minutes[$i + 1], $now, '', $count);
            }
        }

        return $segments;
    }
}
