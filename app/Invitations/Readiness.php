<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Planning\JoinMode;
use App\Planning\Meeting;
use App\Planning\MeetingSeries;
use Syndex\Core\Recurrence\PlainDates;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** What must be there before a meeting can be sent. */
final readonly class Readiness
{
    public function __construct(private MeetingSeries $series, private ZoneData $zones) {}

    /** @return list<'title'|'people'|'kit'|'kit_unsettled'|'place'|'phones'|'dates'|'plain_dates'> */
    public function missing(Meeting $meeting): array
    {
        $meeting->load(['attendees.person', 'kit']);

        return array_values(array_filter([
            $meeting->title === '' ? 'title' : null,
            $meeting->attendees->isEmpty() ? 'people' : null,
            $meeting->join_mode->hasKit() && ($meeting->kit === null || $meeting->kit->closed_at !== null) ? 'kit' : null,
            $meeting->join_mode === JoinMode::Phone && $meeting->kit?->dial_ins === [] ? 'phones' : null,
            $meeting->join_mode->needsPlace() && ($meeting->place ?? '') === '' ? 'place' : null,
            $meeting->join_mode->hasKit() && $meeting->kit?->unsettled_at !== null ? 'kit_unsettled' : null,
            $this->liesAhead($meeting) ? null : 'dates',
            $this->canBeSaid($meeting) ? null : 'plain_dates',
        ]));
    }

    /** Whether every calendar will know its dates: as a rule, or as a list of them. */
    private function canBeSaid(Meeting $meeting): bool
    {
        $series = $this->series->of($meeting);

        return !PlainDates::needed($series) || PlainDates::canListAll($series);
    }

    /** Whether a date is still to come, or under way. */
    private function liesAhead(Meeting $meeting): bool
    {
        $series = $this->series->of($meeting);
        $now = now()->getTimestamp();
        // Dates of an all-day meeting are held against the anchor's calendar.
        $from = $series->allDay ? $this->zones->zone($meeting->zone)->toWall($now) : $now;

        return $series->expand(Work::usual(), from: Instant::ofSeconds($from - $meeting->duration_minutes * 60 + 1), limit: 1)->starts !== [];
    }
}
