<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\WallTime;

/** A date as somebody said it, perhaps without a year, perhaps only a month. */
final readonly class HeardDate
{
    /**
     * @param  ?int  $year  null: the next such date
     * @param  ?int  $day  null: the month alone
     * @param  ?int  $weekday  the weekday that was said beside it, 0 is Monday
     * @param  ?int  $time  second of the day
     */
    public function __construct(public string $quote, public ?int $year, public int $month, public ?int $day, public ?int $weekday = null, public ?int $time = null) {}

    public function at(?int $time): self
    {
        return new self($this->quote, $this->year, $this->month, $this->day, $this->weekday, $time);
    }

    /**
     * The day number of this date; without a year the first one that is not before another day.
     *
     * @throws NotUnderstood if there is no such date
     */
    public function day(int $least, bool $endOfMonth = false): int
    {
        [$year] = Gregorian::civil($least);
        foreach ($this->year === null ? range($year, $year + 8) : [$this->year] as $candidate) {
            if ($candidate > 9999) {
                break;
            }
            $length = Gregorian::daysInMonth($candidate, $this->month);
            $day = $this->day ?? ($endOfMonth ? $length : 1);
            if ($day > $length) {
                continue;
            }
            $number = Gregorian::dayNumber($candidate, $this->month, $day);
            $last = $this->day === null ? Gregorian::dayNumber($candidate, $this->month, $length) : $number;
            if (($this->year !== null || $last >= $least) && $this->weekday !== null && Gregorian::weekday($number) !== $this->weekday) {
                throw NotUnderstood::of($this->quote, 'date_other_weekday');
            }
            if ($this->year !== null || $last >= $least) {
                return $this->day === null && !$endOfMonth ? max($number, $this->year === null ? $least : $number) : $number;
            }
        }

        throw NotUnderstood::of($this->quote, 'no_such_date');
    }

    public function wall(int $least, int $time): WallTime
    {
        return WallTime::ofSeconds($this->day($least) * 86400 + ($this->time ?? $time));
    }
}
