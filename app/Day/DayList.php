<?php

declare(strict_types=1);

namespace App\Day;

use App\People\Account;
use App\Planning\Attendee;
use App\Planning\DateAsPlanned;
use App\Planning\DateAttendee;
use App\Planning\KitView;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use App\Planning\Occurrence;
use App\Planning\Visible;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;

/** The meetings of one day. */
final readonly class DayList
{
    private const PLACES_NAMED = 4;

    /** No all-day meeting lasts longer. */
    private const MOST_DAYS = 31;

    public function __construct(private Visible $visible, private ZoneData $zones, private KitView $kits) {}

    /** @return list<array<string, mixed>> in order of their start; whole days first */
    public function of(Account $account, Zone $zone, int $day): array
    {
        $from = $zone->toUtc($day * 86400);
        $to = $zone->toUtc(($day + 1) * 86400);
        $found = Occurrence::query()
            ->where(static fn($q) => $q
                ->where(static fn($timed) => $timed->where('all_day', false)
                    // No timed meeting lasts longer than a day.
                    ->whereBetween('starts_at', [gmdate('Y-m-d H:i:s', $from - 86400), gmdate('Y-m-d H:i:s', $to - 1)])->where('ends_at', '>', gmdate('Y-m-d H:i:s', $from)))
                // A date is the same date everywhere, whatever moments the anchor's midnights are.
                ->orWhere(static fn($days) => $days->where('all_day', true)
                    ->whereBetween('starts_at', [gmdate('Y-m-d H:i:s', ($day - self::MOST_DAYS - 1) * 86400), gmdate('Y-m-d H:i:s', ($day + 2) * 86400)])
                    ->where('starts_local', '<=', gmdate('Y-m-d H:i:s', $day * 86400))))
            ->whereIn('meeting_id', $this->visible->own(Meeting::query(), $account)->whereNot('status', MeetingStatus::Draft)->select('id'))
            ->with(['meeting.host', 'meeting.attendees.person', 'meeting.dates.attendees.person', 'meeting.kit'])
            ->orderByDesc('all_day')->orderBy('starts_at')->orderBy('id')->get()
            ->filter(static fn(Occurrence $o): bool => !$o->all_day || $o->starts_local->getTimestamp() + DateAsPlanned::of($o->meeting, $o->date_local)->minutes * 60 > $day * 86400)
            // Whoever is asked to some dates only, or not to this one.
            ->filter(static fn(Occurrence $o): bool => $o->meeting->coordinator_id === $account->id || DateAsPlanned::of($o->meeting, $o->date_local)->asks($account->person_id));

        $links = $this->kits->links($found->map(static fn(Occurrence $o): Meeting => $o->meeting));

        return array_values($found->map(fn(Occurrence $o): array => $this->row($o, $zone, $links[$o->meeting_id] ?? null))->all());
    }

    /** @return array<string, mixed> */
    private function row(Occurrence $occurrence, Zone $zone, ?string $link): array
    {
        $meeting = $occurrence->meeting;
        $start = $occurrence->starts_at->getTimestamp();
        $date = DateAsPlanned::of($meeting, $occurrence->date_local);
        $people = collect($date->people);

        return [
            'meetingId' => $meeting->id,
            'title' => $date->title,
            'status' => $meeting->status->value,
            'allDay' => $occurrence->all_day,
            'startsAt' => $occurrence->starts_at->toIso8601ZuluString(),
            'endsAt' => $occurrence->ends_at->toIso8601ZuluString(),
            'local' => WallTime::ofSeconds($zone->toWall($start))->format(),
            'localEnd' => WallTime::ofSeconds($zone->toWall($occurrence->ends_at->getTimestamp()))->format(),
            'state' => $this->state($occurrence),
            'host' => $meeting->host?->called(),
            'required' => $people->where('role', AttendeeRole::Required)->count(),
            'optional' => $people->where('role', AttendeeRole::Optional)->count(),
            'elsewhere' => $this->elsewhere($date, $zone, $start),
            'link' => $link,
            'place' => $date->place,
        ];
    }

    /** By plan; who opened and ended it is not known yet. */
    private function state(Occurrence $occurrence): string
    {
        return match (true) {
            $occurrence->meeting->status === MeetingStatus::CalledOff => 'called_off',
            $occurrence->ends_at->isPast() => 'over',
            $occurrence->starts_at->isPast() => 'now',
            $occurrence->meeting->status === MeetingStatus::Kept => 'kept',
            default => 'planned',
        };
    }

    /** @return list<array{city: string, local: string}> other places' clocks, furthest from here first */
    private function elsewhere(DateAsPlanned $date, Zone $zone, int $start): array
    {
        $here = $zone->offsetAt($start);
        $places = [];
        foreach (array_unique(array_filter(array_map(static fn(Attendee|DateAttendee $a): ?string => $a->person->zone, $date->people))) as $id) {
            $there = $this->zones->knows((string) $id) ? $this->zones->zone((string) $id)->offsetAt($start) : $here;
            if ($there !== $here) {
                $places[] = ['city' => PlaceName::of((string) $id), 'local' => WallTime::ofSeconds($start + $there)->format(), 'distance' => abs($there - $here)];
            }
        }
        usort($places, static fn(array $a, array $b): int => $b['distance'] <=> $a['distance']);

        return array_map(static fn(array $p): array => ['city' => $p['city'], 'local' => $p['local']], array_slice($places, 0, self::PLACES_NAMED));
    }
}
