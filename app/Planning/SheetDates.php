<?php

declare(strict_types=1);

namespace App\Planning;

use Syndex\Core\Invitations\DateSet;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\WallTime;
use Syndex\Core\TooMuchWork;
use Syndex\Core\Work;

/** Which dates have something of their own, as the series stands: they go along when the whole is moved, and are let go with their date. */
final readonly class SheetDates
{
    /** @param list<array{WallTime, WallTime}> $dates as named before, as named now */
    private function __construct(private array $dates) {}

    /** @param list<WallTime> $dates */
    public static function of(array $dates): self
    {
        return new self(array_map(static fn(WallTime $date): array => [$date, $date], $dates));
    }

    /** @return list<array{WallTime, WallTime}> as named before, as named now */
    public function pairs(): array
    {
        return $this->dates;
    }

    /** The whole was moved by so many seconds. */
    public function shifted(int $seconds): self
    {
        return new self(array_map(static fn(array $pair): array => [$pair[0], $pair[1]->plusSeconds($seconds)], $this->dates));
    }

    /**
     * Those that are dates still.
     *
     * @param  Series  $unmoved  with every date where the rule has it
     * @return list<array{WallTime, WallTime}> as named before, as named now
     */
    public function within(Series $unmoved): array
    {
        if ($this->dates === []) {
            return [];
        }
        try {
            $there = DateSet::among($unmoved, array_column($this->dates, 1), Work::usual());
        } catch (TooMuchWork) {
            return $this->dates;
        }

        return array_values(array_filter($this->dates, static fn(array $pair): bool => $there->has($pair[1])));
    }
}
