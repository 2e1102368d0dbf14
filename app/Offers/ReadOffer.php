<?php

declare(strict_types=1);

namespace App\Offers;

use App\Overlap\SheetPlan;
use App\Planning\Meeting;
use App\Planning\SheetOfMeeting;
use Syndex\Core\Time\ZoneData;

/** Lays out a meeting as it stands at each of the times that are offered for it. */
final readonly class ReadOffer
{
    public function __construct(private SheetOfMeeting $sheets, private ZoneData $zones) {}

    /** @return list<OfferReading> */
    public function of(TimeOffer $offer, Meeting $meeting): array
    {
        $sheet = $this->sheets->of($meeting);
        $zone = $this->zones->zone($meeting->zone);

        return array_values($offer->times->map(static fn(OfferedTime $time): OfferReading => new OfferReading(
            $time,
            SheetPlan::moved($sheet, intdiv($zone->toWall($time->starts_at->getTimestamp()) - $sheet->series->start->seconds, 60), 'dates')->plan,
        ))->all());
    }
}
