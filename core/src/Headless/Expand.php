<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** The dates of a series within a window. */
final readonly class Expand implements Verb
{
    public function __construct(private ZoneData $zones) {}

    public function keys(): array
    {
        return [...SeriesKeys::NAMES, 'from', 'to', 'limit'];
    }

    public function answer(Fields $fields): array
    {
        $work = Work::atMost(Protocol::MOST_STEPS);
        $series = SeriesKeys::read($fields, $this->zones, $work);
        $found = $series->expand(
            $work,
            SeriesKeys::instant($fields, 'from'),
            SeriesKeys::instant($fields, 'to'),
            max(1, $fields->wholeNumber('limit', 1, 1000)),
        );
        $text = match (true) {
            $series->allDay => static fn(int $start): string => WallTime::ofSeconds($start)->formatDate(),
            $series->zone === null => static fn(int $start): string => WallTime::ofSeconds($start)->format(),
            default => static fn(int $start): string => Instant::ofSeconds($start)->formatIn($series->zone),
        };

        return ['instances' => array_map($text, $found->starts), 'complete' => $found->complete];
    }
}
