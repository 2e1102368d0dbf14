<?php

declare(strict_types=1);

namespace App\People;

use Syndex\Core\Time\PlaceName;

final class JourneyResource
{
    /** @return array{id: int, zone: string, city: string, fromOn: string, untilOn: string} */
    public static function of(Journey $journey): array
    {
        return ['id' => $journey->id, 'zone' => $journey->zone, 'city' => PlaceName::of($journey->zone), 'fromOn' => $journey->from_on->format('Y-m-d'), 'untilOn' => $journey->until_on->format('Y-m-d')];
    }
}
