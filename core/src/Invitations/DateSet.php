<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WallTime;
use Syndex\Core\TooMuchWork;
use Syndex\Core\Work;

/** Which of some wall times are dates of a series, found out in one walk over it. */
final readonly class DateSet
{
    /** @param array<int, true> $moments */
    private function __construct(private Series $series, private array $moments) {}

    /**
     * @param  list<WallTime>  $asked
     *
     * @throws TooMuchWork if more dates lie between them than are ever listed
     */
    public static function among(Series $series, array $asked, Work $work): self
    {
        if ($asked === []) {
            return new self($series, []);
        }
        $moments = array_map(static fn(WallTime $wall): int => $series->moment($wall->seconds), $asked);
        $found = $series->expand($work, Instant::ofSeconds(min($moments)), Instant::ofSeconds(max($moments) + 1));
        if (!$found->complete) {
            throw TooMuchWork::past(Series::MOST);
        }

        return new self($series, array_fill_keys($found->starts, true));
    }

    public function has(WallTime $wall): bool
    {
        return isset($this->moments[$this->series->moment($wall->seconds)]);
    }

    /** Whether a series has more dates than so many. */
    public static function hasMoreThan(Series $series, int $count, Work $work): bool
    {
        return $series->expand($work, limit: max(1, min($count + 1, Series::MOST)))->count() > $count;
    }
}
