<?php

declare(strict_types=1);

namespace App\Overlap;

use App\People\Clocks;
use App\People\Hours;
use App\People\Person;
use App\Planning\DateAsPlanned;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use App\Planning\Occurrence;
use App\Planning\Visible;
use Syndex\Core\Overlap\Busy;
use Syndex\Core\Overlap\Daylight;
use Syndex\Core\Overlap\Light;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;

/** A person as a week of light: hours, what they have, when they are away; and the meetings that lie ahead of them. */
final readonly class PersonWeek
{
    private const DAYS = 7;

    private const DAYS_AHEAD = 90;

    private const MOST_DATES = 1000;

    private const MEETINGS_NAMED = 12;

    public function __construct(private Occupancy $occupancy, private Absences $absences, private CalendarBusy $calendars, private Clocks $clocks, private Hours $hours, private ZoneData $zones) {}

    /**
     * @param  ?string  $from  first day, "2026-12-07"; null: the Monday of this week, or of the next at the weekend
     * @return array<string, mixed> minutes are those of the person's own calendar days
     */
    public function of(Person $person, ?string $from): array
    {
        $zone = $this->clocks->of($person) ?? $this->zones->zone('UTC');
        $hours = $this->hours->of($person);
        $today = Gregorian::floorDiv($zone->toWall(now()->getTimestamp()), 86400);
        // At the weekend the week that comes is the one that matters.
        $weekday = Gregorian::weekday($today);
        $first = $from === null ? $today - $weekday + ($weekday >= 5 ? 7 : 0) : WallTime::parseDate($from)->dayNumber();
        $window = Interval::between($zone->toUtc($first * 86400), $zone->toUtc(($first + self::DAYS) * 86400));
        $windows = IntervalSet::of([$window]);
        $taken = [...$this->occupancy->of([$person->id], $windows, null)[$person->id] ?? [], ...$this->absences->of([$person->id => $person->zone], $windows)[$person->id] ?? [], ...$this->calendars->of([$person->id], $windows)[$person->id] ?? []];

        return [
            'from' => WallTime::ofSeconds($first * 86400)->formatDate(),
            'today' => WallTime::ofSeconds($today * 86400)->formatDate(),
            'zone' => $zone->idAt($window->start),
            'city' => PlaceName::of($zone->idAt($window->start)),
            'days' => array_map(fn(int $day): array => self::day($day, $zone, $hours, $taken), range($first, $first + self::DAYS - 1)),
            ...$this->ahead($person, $zone, $hours),
        ];
    }

    /**
     * @param  list<Busy>  $taken
     * @return array<string, mixed>
     */
    private static function day(int $day, Zone $zone, WorkingHours $hours, array $taken): array
    {
        $whole = Interval::between($zone->toUtc($day * 86400), max($zone->toUtc($day * 86400) + 60, $zone->toUtc(($day + 1) * 86400)));
        $minute = static fn(int $moment): int => max(0, min(1440, intdiv($zone->toWall($moment) - $day * 86400, 60)));
        $blocks = [];
        foreach ($taken as $busy) {
            if ($busy->interval->overlaps($whole)) {
                $blocks[] = [$minute(max($busy->interval->start, $whole->start)), $busy->interval->end >= $whole->end ? 1440 : $minute($busy->interval->end), $busy->kind->value, $busy->label];
            }
        }

        $nearly = $hours->within(Interval::between($whole->start - 86400, $whole->end + 86400), $zone)->widenedBy(Daylight::DUSK_MINUTES * 60)->clippedTo($whole);

        return ['on' => WallTime::ofSeconds($day * 86400)->formatDate(), 'hours' => $hours->ofDay($day), 'dusk' => array_map(static fn(Interval $i): array => [$minute($i->start), $i->end >= $whole->end ? 1440 : $minute($i->end)], $nearly->intervals), 'holiday' => $hours->holiday($day), 'city' => PlaceName::of($zone->idAt($whole->start)), 'blocks' => $blocks];
    }

    /** @return array{ahead: list<array<string, mixed>>, dates: int, outside: int, nights: int} the next date of each meeting, and how all dates of the coming weeks fall */
    private function ahead(Person $person, Zone $zone, WorkingHours $hours): array
    {
        $found = Occurrence::query()
            ->where('starts_at', '>', now())->where('starts_at', '<', now()->addDays(self::DAYS_AHEAD))->where('all_day', false)
            ->whereIn('meeting_id', Meeting::query()->select('id')->whereIn('status', [MeetingStatus::Kept, MeetingStatus::Sent])->where(static fn($q) => Visible::isAsked($q, $person->id)))
            ->with(['meeting.attendees', 'meeting.dates.attendees', 'meeting.host'])
            ->orderBy('starts_at')->orderBy('id')->limit(self::MOST_DATES)->get()
            ->filter(static fn(Occurrence $o): bool => DateAsPlanned::of($o->meeting, $o->date_local)->asks($person->id));
        $named = [];
        $outside = $nights = 0;
        foreach ($found as $occurrence) {
            $light = Daylight::of(Interval::between($occurrence->starts_at->getTimestamp(), $occurrence->ends_at->getTimestamp()), $hours, $person->zone === null ? null : $zone);
            $outside += $light === Light::InHours || $light === Light::Unknown ? 0 : 1;
            $nights += $light === Light::Night ? 1 : 0;
            if (!isset($named[$occurrence->meeting_id]) && count($named) < self::MEETINGS_NAMED) {
                $named[$occurrence->meeting_id] = [
                    'id' => $occurrence->meeting_id,
                    'title' => DateAsPlanned::of($occurrence->meeting, $occurrence->date_local)->title,
                    'local' => WallTime::ofSeconds($zone->toWall($occurrence->starts_at->getTimestamp()))->format(),
                    'light' => $light->value,
                    'host' => $occurrence->meeting->host?->called(),
                    'repeats' => $occurrence->meeting->rrule !== null,
                ];
            }
        }

        return ['ahead' => array_values($named), 'dates' => $found->count(), 'outside' => $outside, 'nights' => $nights];
    }
}
