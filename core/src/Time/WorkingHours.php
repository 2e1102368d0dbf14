<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/**
 * When a person works: stretches of each weekday, in wall times of the person's own zone.
 *
 * Stretches may touch and overlap and then count as one; a day without any is a day off.
 */
final readonly class WorkingHours
{
    public const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    /**
     * @param array<int<0, 6>, list<array{int, int}>> $stretches minutes of the day, by weekday, 0 is Monday
     * @param array<int, string> $holidays days on which nobody works, by day number, and what they are called
     */
    private function __construct(private array $stretches, private array $holidays = []) {}

    /**
     * @param  array<array-key, list<array{string, string}>>  $days {"mon": [["09:00", "17:00"]], ...}; "24:00" may end a stretch
     *
     * @throws InvalidHours if a day is unknown, a time unreadable or an end not after its start
     */
    public static function of(array $days): self
    {
        $stretches = array_fill(0, 7, []);
        foreach ($days as $day => $list) {
            $weekday = array_search((string) $day, self::DAYS, true);
            if ($weekday === false) {
                throw InvalidHours::unknownDay((string) $day);
            }
            foreach ($list as [$start, $end]) {
                [$from, $to] = [self::minute($start, false), self::minute($end, true)];
                $stretches[$weekday][] = $to > $from ? [$from, $to] : throw InvalidHours::endNotAfterStart($start, $end);
            }
        }

        return new self(array_map(self::merged(...), $stretches));
    }

    /** Monday to Friday, nine to five: what is assumed of a person of whom nothing is known (common practice). */
    public static function usual(): self
    {
        return self::of(array_fill_keys(array_slice(self::DAYS, 0, 5), [['09:00', '17:00']]));
    }

    /**
     * The same hours, with none on these days.
     *
     * @param array<int, string> $holidays names by day number, days since 1970-01-01 on the person's own calendar
     */
    public function withHolidays(array $holidays): self
    {
        return $holidays === [] && $this->holidays === [] ? $this : new self($this->stretches, $holidays);
    }

    public function isDayOff(int $dayNumber): bool
    {
        return $this->ofDay($dayNumber) === [];
    }

    /** What a day that would have hours is called, if it is a holiday. */
    public function holiday(int $dayNumber): ?string
    {
        return $this->stretches[Gregorian::weekday($dayNumber)] === [] ? null : $this->holidays[$dayNumber] ?? null;
    }

    /** Two with the same name have the same hours on every day. */
    public function key(): string
    {
        return json_encode($this->stretches) . ($this->holidays === [] ? '' : hash('xxh64', implode(',', array_keys($this->holidays))));
    }

    /**
     * Stretches of one calendar day, in minutes of that day.
     *
     * @return list<array{int, int}>
     */
    public function ofDay(int $dayNumber): array
    {
        return isset($this->holidays[$dayNumber]) ? [] : $this->stretches[Gregorian::weekday($dayNumber)];
    }

    /** The hours as moments in UTC, within a window; those of neighbouring days that touch at midnight are one. */
    public function within(Interval $window, Zone $zone): IntervalSet
    {
        $intervals = [];
        $offset = $zone->offsetAt($window->start);
        $steady = $zone->stretchAt($window->start)[1] >= $window->end;
        $first = Gregorian::floorDiv($window->start + $offset, 86400) - 1;
        $last = Gregorian::floorDiv($zone->toWall($window->end), 86400) + 1;
        for ($day = $first; $day <= $last; $day++) {
            $midnight = $day * 86400;
            foreach ($this->ofDay($day) as [$from, $to]) {
                // While the clocks do not change, the zone need not be asked again.
                $start = $steady ? $midnight + $from * 60 - $offset : $zone->toUtc($midnight + $from * 60);
                $end = $steady ? $midnight + $to * 60 - $offset : $zone->toUtc($midnight + $to * 60);
                if ($end > $start && $start < $window->end && $end > $window->start) {
                    $intervals[] = Interval::between($start, $end);
                }
            }
        }

        return IntervalSet::of($intervals)->clippedTo($window);
    }

    /** Whether every part of a stretch lies in the hours. */
    public function cover(Interval $slot, Zone $zone): bool
    {
        $offset = $zone->offsetAt($slot->start);
        if ($zone->offsetAt($slot->end) !== $offset) {
            return $this->within(Interval::between($slot->start - 86400, $slot->end + 86400), $zone)->covers($slot);
        }
        $day = Gregorian::floorDiv($slot->start + $offset, 86400);
        $at = $slot->start + $offset - $day * 86400;
        $end = $at + $slot->seconds();
        // Stretches that touch at midnight are one, so the cover is followed from day to day.
        for ($shift = 0; $at < $end; $shift++) {
            $covered = false;
            foreach ($this->ofDay($day + $shift) as [$from, $to]) {
                if ($from * 60 <= $at - $shift * 86400 && $at - $shift * 86400 < $to * 60) {
                    $at = $shift * 86400 + $to * 60;
                    $covered = true;
                    break;
                }
            }
            if (!$covered || ($at < $end && $at !== ($shift + 1) * 86400)) {
                return false;
            }
        }

        return true;
    }

    /**
     * The first full hour within the hours, from a moment on, that leaves room for so many minutes.
     *
     * @return ?int moment; null where there is none in the next two weeks
     */
    public function firstFullHour(int $from, int $minutes, Zone $zone): ?int
    {
        foreach ($this->within(Interval::between($from, $from + 15 * 86400), $zone)->intervals as $stretch) {
            $wall = $zone->toWall($stretch->start);
            $moment = $zone->toUtc($wall + Gregorian::floorMod(-$wall, 3600));
            if ($moment >= $from && $moment + $minutes * 60 <= $stretch->end) {
                return $moment;
            }
        }

        return null;
    }

    /** @return array<string, list<array{string, string}>> the form that `of` takes, days off left out */
    public function toArray(): array
    {
        $days = [];
        foreach ($this->stretches as $weekday => $list) {
            if ($list !== []) {
                $days[self::DAYS[$weekday]] = array_map(static fn(array $s): array => [self::clock($s[0]), self::clock($s[1])], $list);
            }
        }

        return $days;
    }

    private static function minute(string $text, bool $asEnd): int
    {
        if ($asEnd && $text === '24:00') {
            return 1440;
        }
        if (preg_match('/\A([01]\d|2[0-3]):([0-5]\d)\z/', $text, $m) !== 1) {
            throw InvalidHours::unreadableTime($text);
        }

        return (int) $m[1] * 60 + (int) $m[2];
    }

    private static function clock(int $minute): string
    {
        return sprintf('%02d:%02d', intdiv($minute, 60), $minute % 60);
    }

    /**
     * @param  list<array{int, int}>  $list
     * @return list<array{int, int}>
     */
    private static function merged(array $list): array
    {
        sort($list);
        $merged = [];
        foreach ($list as [$from, $to]) {
            $last = array_key_last($merged);
            if ($last !== null && $from <= $merged[$last][1]) {
                $merged[$last][1] = max($merged[$last][1], $to);
            } else {
                $merged[] = [$from, $to];
            }
        }

        return $merged;
    }
}
