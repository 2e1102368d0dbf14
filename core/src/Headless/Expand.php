<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Texts;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** The dates of a series within a window. */
final readonly class Expand implements Verb
{
    private Texts $texts;

    public function __construct(private ZoneData $zones)
    {
        $this->texts = new Texts();
    }

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
        $instances = match (true) {
            $series->allDay => $this->texts->ofDates($found->starts),
            $series->zone === null => $this->texts->ofWalls($found->starts),
            default => $this->texts->ofMoments($found->starts, $series->zone),
        };

        return ['instances' => $instances, 'complete' => $found->complete];
    }
}
