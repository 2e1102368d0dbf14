<?php

declare(strict_types=1);

namespace App\People;

use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;

/** Moments as the clock of whoever is signed in shows them; pages only format what comes from here. */
final readonly class ViewerClock
{
    public function __construct(private ZoneData $zones, private Clocks $clocks) {}

    /** @return ?string a wall time like "2026-12-08T15:30:00" of the viewer's zone */
    public function local(?CarbonImmutable $moment): ?string
    {
        return $moment === null ? null : WallTime::ofSeconds($this->zone()->toWall($moment->getTimestamp()))->format();
    }

    public function city(): string
    {
        return PlaceName::of($this->zone()->idAt(now()->getTimestamp()));
    }

    /** The zone of the person behind the account of this request; UTC where there is none. */
    public function zone(): Zone
    {
        $account = app(Request::class)->user();

        return ($account instanceof Account ? $this->clocks->of($account->loadMissing('person')->person) : null) ?? $this->zones->zone('UTC');
    }
}
