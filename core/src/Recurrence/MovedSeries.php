<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

/** A series that was moved: exactly, or, where no rule says that, as its words would have it. */
final readonly class MovedSeries
{
    /**
     * @param  Series  $series  exact: each date moved alike; else what the moved words mean
     * @param  int  $differ  how many dates of the words are not where the old ones would be moved to
     * @param  int  $of  of how many that were compared
     * @param  ?Series  $byDates  each date moved alike after all, by exceptions from the words; null where there are too many dates, or no end
     */
    private function __construct(public Series $series, public int $differ, public int $of, public ?Series $byDates) {}

    public static function exact(Series $series): self
    {
        return new self($series, 0, 0, $series);
    }

    public static function byWords(Series $words, int $differ, int $of, ?Series $byDates): self
    {
        return new self($words, $differ, $of, $byDates);
    }

    public function isExact(): bool
    {
        return $this->differ === 0;
    }
}
