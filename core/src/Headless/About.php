<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\ZoneData;

/** Which core this is, with which zone data, and how much work a line may ask for. */
final readonly class About implements Verb
{
    public function __construct(private ZoneData $zones) {}

    public function keys(): array
    {
        return [];
    }

    public function answer(Fields $fields): array
    {
        return [
            'version' => Protocol::VERSION,
            'zone_data' => $this->zones->version(),
            'bounds' => [
                'steps_per_line' => Protocol::MOST_STEPS,
                'more_steps_to_read_for_each_octets' => Read::A_MEGABYTE,
                'octets_held_to_read' => Read::MOST_HELD,
                'instances_per_line' => Series::MOST,
                'octets_per_line' => Protocol::MOST_OCTETS,
                'octets_per_line_of_overlap' => Overlap::MOST_OCTETS,
                'steps_per_date_given' => SeriesKeys::EACH_DATE,
            ],
        ];
    }
}
