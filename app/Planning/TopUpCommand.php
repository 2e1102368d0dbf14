<?php

declare(strict_types=1);

namespace App\Planning;

use Illuminate\Console\Command;
use Syndex\Core\Time\ZoneData;

final class TopUpCommand extends Command
{
    protected $signature = 'occurrences:top-up';

    protected $description = 'Lays dates down up to the horizon, and again where zone data have changed';

    public function handle(LayDown $layDown, ZoneData $zones, FollowZoneData $followZoneData): int
    {
        (new TopUpOccurrences())->handle($layDown, $zones, $followZoneData);

        return self::SUCCESS;
    }
}
