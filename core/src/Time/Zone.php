<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/**
 * A place's clock: which offset from UTC it shows at which moment.
 *
 * Changes are held as sorted integers and found by bisection, with the last answer kept, since questions come in order.
 * They are listed to the year 2100, and to 2500 on demand; past that the tail of a zone repeats with the calendar's
 * 400 years (146,097 days, a whole number of weeks), so a later moment is asked of its twin.
 */
final class Zone
{
    private const UNTIL_2100 = 4102444800;

    private const UNTIL_2500 = 16725225600;

    private const CYCLE = 146097 * 86400;

    /** @var list<int> moment of each change, ascending */
    private array $at = [];

    /** @var list<int> offset before the first change, then after each */
    private array $offset = [];

    /** @var list<int> wall time from which on the offset after a change is meant */
    private array $wallAt = [];

    private int $listedUntil;

    private int $hint = 0;

    private int $wallHint = 0;

    /** @var list<array{Interval, self}> where somebody is away from home, in order; empty for a place */
    private array $stays = [];

    private function __construct(public readonly string $id, private readonly \DateTimeZone $source) {}

    /**
     * The clock of somebody who travels: that of their home, and during each stay that of the other place.
     *
     * @param list<array{Interval, self}> $stays in order, none reaching into the next, all before the year 2100
     */
    public static function travelling(self $home, array $stays): self
    {
        if ($stays === []) {
            return $home;
        }
        $zone = new self($home->id, $home->source);
        $zone->stays = $stays;
        $zone->offset = [$home->offset[0]];
        $zone->listedUntil = self::UNTIL_2100;
        $from = PHP_INT_MIN;
        foreach ($stays as [$stay, $there]) {
            $zone->take($home, $from, $stay->start);
            $zone->take($there, $stay->start, $stay->end);
            $from = $stay->end;
        }
        $zone->take($home, $from, PHP_INT_MAX);

        return $zone;
    }

    /** Goes on with another place's clock from one moment to another. */
    private function take(self $place, int $from, int $until): void
    {
        $changes = $from === PHP_INT_MIN ? [] : [[$from, $place->offsetAt($from)]];
        foreach ($place->at as $index => $at) {
            if ($at > $from && $at < $until) {
                $changes[] = [$at, $place->offset[$index + 1]];
            }
        }
        foreach ($changes as [$at, $offset]) {
            $before = $this->offset[count($this->offset) - 1];
            if ($offset !== $before) {
                $this->at[] = $at;
                $this->offset[] = $offset;
                // Ascending, also where clocks change just after somebody went west.
                $this->wallAt[] = max($at + max($before, $offset), $this->wallAt === [] ? PHP_INT_MIN : $this->wallAt[count($this->wallAt) - 1]);
            }
        }
    }

    /** The place whose clock it is at a moment: its own, or where a traveller is. */
    public function placeAt(int $utc): self
    {
        foreach ($this->stays as [$stay, $there]) {
            if ($utc >= $stay->start && $utc < $stay->end) {
                return $there;
            }
        }

        return $this->stays === [] ? $this : self::of($this->id, $this->source);
    }

    /** The name of that place. */
    public function idAt(int $utc): string
    {
        foreach ($this->stays as [$stay, $there]) {
            if ($utc >= $stay->start && $utc < $stay->end) {
                return $there->id;
            }
        }

        return $this->id;
    }

    /** Two with the same name show the same at every moment. */
    public function key(): string
    {
        return $this->id . implode('', array_map(static fn(array $s): string => " {$s[0]->start}-{$s[0]->end} {$s[1]->id}", $this->stays));
    }

    public static function of(string $id, \DateTimeZone $source): self
    {
        $zone = new self($id, $source);
        $zone->list(self::UNTIL_2100);

        return $zone;
    }

    /**
     * As {@see of}, from what {@see table} gave: nothing need be listed again.
     *
     * @param array{list<int>, list<int>, list<int>} $table
     */
    public static function ofTable(string $id, \DateTimeZone $source, array $table): self
    {
        $zone = new self($id, $source);
        [$zone->at, $zone->offset, $zone->wallAt] = $table;
        $zone->listedUntil = self::UNTIL_2100;

        return $zone;
    }

    /** @return array{list<int>, list<int>, list<int>} changes of offset until the year 2100: moments, offsets, wall times */
    public function table(): array
    {
        return [$this->at, $this->offset, $this->wallAt];
    }

    /** Seconds to add to UTC to get the wall time at a moment. */
    public function offsetAt(int $utc): int
    {
        if ($utc >= $this->listedUntil) {
            $utc = $this->twin($utc);
        }

        return $this->offset[$this->hint = self::find($this->at, $utc, $this->hint)];
    }

    /** @return array{int, int, int} the stretch around a moment in which the clock keeps its offset, [from, until), and that offset */
    public function stretchAt(int $utc): array
    {
        if ($utc >= $this->listedUntil) {
            return [$utc, $utc + 1, $this->offsetAt($utc)];
        }
        $index = $this->hint = self::find($this->at, $utc, $this->hint);

        return [$this->at[$index - 1] ?? PHP_INT_MIN, min($this->at[$index] ?? $this->listedUntil, $this->listedUntil), $this->offset[$index]];
    }

    /**
     * The moment at which this place's clock shows a wall time.
     *
     * A wall time that the zone skips takes the offset before the gap; one that comes twice means the first
     * (RFC 5545 3.3.5, RFC 8984 1.4.5).
     */
    public function toUtc(int $wall): int
    {
        if ($wall >= $this->listedUntil - 86400) {
            $asked = $this->twin($wall + 86400) - 86400;

            return $wall - $this->offset[self::find($this->wallAt, $asked, 0)];
        }

        return $wall - $this->offset[$this->wallHint = self::find($this->wallAt, $wall, $this->wallHint)];
    }

    /**
     * The moments of many wall times, and whether any of them is skipped; as {@see toUtc}, without a question for each.
     *
     * @param  non-empty-list<int>  $walls  ascending
     * @return array{non-empty-list<int>, bool}
     */
    public function toUtcAll(array $walls): array
    {
        if ($walls[count($walls) - 1] >= $this->listedUntil - 86400) {
            return [array_map($this->toUtc(...), $walls), array_filter($walls, $this->skips(...)) !== []];
        }
        $index = self::find($this->wallAt, $walls[0], $this->wallHint);
        [$offset, $next, $gap] = $this->segment($index);
        $skips = false;
        foreach ($walls as &$wall) {
            while ($wall >= $next) {
                [$offset, $next, $gap] = $this->segment(++$index);
            }
            $skips = $skips || $wall >= $gap;
            $wall -= $offset;
        }
        $this->wallHint = $index;

        return [$walls, $skips];
    }

    /** @return array{int, int, int} the offset after so many changes, the wall time at which it ends, and the one from which wall times are skipped */
    private function segment(int $index): array
    {
        $next = $this->wallAt[$index] ?? PHP_INT_MAX;

        return [$this->offset[$index], $next, $next === PHP_INT_MAX ? PHP_INT_MAX : $this->at[$index] + $this->offset[$index]];
    }

    public function toWall(int $utc): int
    {
        return $utc + $this->offsetAt($utc);
    }

    /** Whether a wall time is skipped when the clocks of this zone go forward. */
    public function skips(int $wall): bool
    {
        return $this->toWall($this->toUtc($wall)) !== $wall;
    }

    /** Whether a whole day or more is skipped between two wall times, as where a place crosses the date line. */
    public function skipsADay(int $from, int $to): bool
    {
        foreach ($this->wallAt as $index => $wall) {
            if ($wall >= $from && $wall - 86400 <= $to && $this->offset[$index + 1] - $this->offset[$index] >= 86400) {
                return true;
            }
        }

        return false;
    }

    /**
     * The changes of offset or of the clock's name in [$from, $to), moments in UTC.
     *
     * @return list<array{at: int, before: int, after: int, dst: bool, name: string}>
     */
    public function changesBetween(int $from, int $to): array
    {
        if ($this->stays !== []) {
            return $this->travelsBetween($from, $to);
        }
        // The first that is listed is the state at the beginning, so the list begins a second ahead.
        $listed = $this->source->getTransitions(max($from, PHP_INT_MIN + 1) - 1, min($to, self::UNTIL_2500)) ?: [];
        $before = $listed[0] ?? null;
        $changes = [];
        foreach (array_slice($listed, 1) as $change) {
            if ($before !== null && ($change['offset'] !== $before['offset'] || $change['abbr'] !== $before['abbr']) && $change['ts'] >= $from && $change['ts'] < $to) {
                $changes[] = ['at' => $change['ts'], 'before' => $before['offset'], 'after' => $change['offset'], 'dst' => $change['isdst'], 'name' => $change['abbr']];
            }
            $before = $change;
        }

        return $changes;
    }

    /** @return list<array{at: int, before: int, after: int, dst: bool, name: string}> the changes of a traveller's clock */
    private function travelsBetween(int $from, int $to): array
    {
        $changes = [];
        foreach ($this->at as $index => $at) {
            if ($at >= $from && $at < $to) {
                $name = $this->placeAt($at)->nameAt($at);
                $changes[] = ['at' => $at, 'before' => $this->offset[$index], 'after' => $this->offset[$index + 1], 'dst' => $name['dst'], 'name' => $name['name']];
            }
        }

        return $changes;
    }

    /** @return array{offset: int, dst: bool, name: string} what the clock is called at a moment */
    public function nameAt(int $utc): array
    {
        $found = $this->placeAt($utc)->source->getTransitions($utc, $utc);
        $now = $found[0] ?? ['isdst' => false, 'abbr' => $this->id];

        return ['offset' => $this->offsetAt($utc), 'dst' => $now['isdst'], 'name' => $now['abbr']];
    }

    private function list(int $until): void
    {
        $this->listedUntil = $until;
        $this->at = $this->wallAt = [];
        $listed = $this->source->getTransitions(PHP_INT_MIN, $until) ?: [];
        $this->offset = [$listed[0]['offset'] ?? $this->source->getOffset(new \DateTimeImmutable('@0'))];
        $before = $this->offset[0];
        foreach (array_slice($listed, 1) as $change) {
            if ($change['offset'] !== $before) {
                $this->at[] = $change['ts'];
                $this->offset[] = $change['offset'];
                $this->wallAt[] = $change['ts'] + max($before, $change['offset']);
                $before = $change['offset'];
            }
        }
        $this->hint = $this->wallHint = 0;
    }

    /** A moment within what is listed at which the clock shows the same offset. */
    private function twin(int $utc): int
    {
        if ($this->listedUntil < self::UNTIL_2500) {
            $this->list(self::UNTIL_2500);
        }
        if ($utc < self::UNTIL_2500) {
            return $utc;
        }

        return $utc - self::CYCLE * (intdiv($utc - self::UNTIL_2500, self::CYCLE) + 1);
    }

    /**
     * Index into the offsets: how many changes lie at or before a value.
     *
     * @param  list<int>  $at
     */
    private static function find(array $at, int $value, int $hint): int
    {
        $count = count($at);
        if (($hint === 0 || ($at[$hint - 1] ?? PHP_INT_MAX) <= $value) && ($hint === $count || $value < ($at[$hint] ?? PHP_INT_MAX))) {
            return $hint;
        }
        $low = 0;
        $high = $count;
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($at[$middle] <= $value) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }
}
