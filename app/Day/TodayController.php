<?php

declare(strict_types=1);

namespace App\Day;

use App\People\Account;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;

/** The day from top to bottom in the account's own zone, and what needs somebody. */
final readonly class TodayController
{
    public function __construct(private ZoneData $zones, private DayList $day, private NeedsYou $needs) {}

    public function __invoke(Request $request): JsonResponse
    {
        $request->validate(['day' => ['nullable', 'date_format:Y-m-d']]);
        /** @var Account $account */
        $account = $request->user();
        $zone = $this->zones->zone($account->person->zone ?? 'UTC');
        $today = Gregorian::floorDiv($zone->toWall(now()->getTimestamp()), 86400);
        $day = $request->filled('day') ? WallTime::parseDate($request->string('day')->toString())->dayNumber() : $today;

        return new JsonResponse([
            'day' => WallTime::ofSeconds($day * 86400)->formatDate(),
            'today' => WallTime::ofSeconds($today * 86400)->formatDate(),
            'zone' => $zone->id,
            'zoneCity' => PlaceName::of($zone->id),
            'meetings' => $this->day->of($account, $zone, $day),
            'needs' => $account->role->plans() ? $this->needs->of($account) : [],
        ]);
    }
}
