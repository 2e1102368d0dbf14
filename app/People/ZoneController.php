<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Http\JsonResponse;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\ZoneData;

/** The zones that can be chosen: places, with their present offset. */
final class ZoneController
{
    public function __invoke(ZoneData $zones): JsonResponse
    {
        $listed = [];
        // The regions in which people live; names kept for old files are read, but not offered.
        foreach (\DateTimeZone::listIdentifiers() as $id) {
            if ($zones->knows($id)) {
                $listed[] = ['id' => $id, 'city' => PlaceName::of($id), 'region' => explode('/', $id)[0], 'offset' => intdiv($zones->zone($id)->offsetAt(now()->getTimestamp()), 60)];
            }
        }

        return new JsonResponse($listed);
    }
}
