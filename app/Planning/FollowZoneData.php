<?php

declare(strict_types=1);

namespace App\Planning;

use App\Failure\Decide;
use App\Live\Live;
use App\People\Person;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\LazyCollection;
use Syndex\Core\Shifts\MovedLocally;
use Syndex\Core\Time\KeptClock;
use Syndex\Core\Time\ZoneData;

/**
 * When the machine's zone data change: lays coming dates down again and writes down whose local time moved.
 *
 * What the clocks were known to show is kept in a table, since the machine forgets it with the update. Safe to run twice.
 */
final readonly class FollowZoneData
{
    private const A_YEAR = 366 * 86400;

    public function __construct(private ZoneData $zones, private LayDown $layDown, private Live $live) {}

    public function __invoke(): void
    {
        $now = now()->getTimestamp();
        $present = $this->present($now);
        $changed = [];
        foreach (DB::table('zone_clocks')->where('zone_data', '!=', $this->zones->version())->get() as $row) {
            /** @var non-empty-list<array{int, int}> $offsets */
            $offsets = json_decode((string) $row->offsets, true);
            $kept = KeptClock::again($offsets);
            if (isset($present[$row->zone]) && $kept->differsFrom($present[$row->zone], $now, $now + $this->horizon())) {
                $changed[(string) $row->zone] = $kept;
            }
        }
        if ($changed !== []) {
            $this->concerned(array_keys($changed))->each(fn(Meeting $meeting) => $this->lay($meeting, $changed, $present, $now));
        }
        $this->keep($present);
    }

    /** @return array<string, KeptClock> by the name of every zone that is in use */
    private function present(int $now): array
    {
        $names = Person::query()->whereNotNull('zone')->distinct()->pluck('zone')->merge(Meeting::query()->distinct()->pluck('zone'))->unique();
        $clocks = [];
        foreach ($names as $name) {
            if ($this->zones->knows((string) $name)) {
                $clocks[(string) $name] = KeptClock::of($this->zones->zone((string) $name), $now - self::A_YEAR, $now + $this->horizon() + self::A_YEAR);
            }
        }

        return $clocks;
    }

    private function horizon(): int
    {
        return (int) config('syndex.horizon_days') * 86400;
    }

    /**
     * @param  list<string>  $zones
     * @return LazyCollection<int, Meeting> those whose anchor or people keep one of the clocks
     */
    private function concerned(array $zones): LazyCollection
    {
        return Meeting::query()
            ->whereIn('status', [MeetingStatus::Kept, MeetingStatus::Sent])->where('all_day', false)
            ->where(Over::isNot())
            ->where(fn($q) => $q->whereIn('zone', $zones)->orWhereHas('attendees.person', fn($p) => $p->whereIn('zone', $zones)))
            ->with('attendees.person')
            ->lazyById(50);
    }

    /**
     * @param  array<string, KeptClock>  $changed
     * @param  array<string, KeptClock>  $present
     */
    private function lay(Meeting $meeting, array $changed, array $present, int $now): void
    {
        Decide::on(function () use ($meeting, $changed, $present, $now): void {
            $before = $this->dates($meeting, $now);
            $this->layDown->ahead($meeting);
            $moments = [];
            foreach ($this->dates($meeting, $now - 86400) as $wall => $moment) {
                if (isset($before[$wall])) {
                    $moments[] = [$before[$wall], $moment];
                }
            }
            $rows = [];
            foreach ($meeting->attendees as $attendee) {
                $zone = $attendee->person->zone;
                $moved = $zone === null || !isset($present[$zone]) ? null : MovedLocally::of($moments, $changed[$zone] ?? $present[$zone], $present[$zone]);
                if ($moved !== null) {
                    $rows[] = [
                        'meeting_id' => $meeting->id, 'person_id' => $attendee->person_id, 'zone_data' => $this->zones->version(), 'was_local' => gmdate('Y-m-d H:i:s', $moved->was),
                        'now_local' => gmdate('Y-m-d H:i:s', $moved->now), 'dates' => $moved->dates, 'found_at' => now(),
                    ];
                }
            }
            if ($rows !== []) {
                ClockMove::query()->insertOrIgnore($rows);
                $this->live->tell([Live::COORDINATION], 'meeting', $meeting->id);
            }
        });
    }

    /** @return array<string, int> coming dates: moment by the anchor's wall time */
    private function dates(Meeting $meeting, int $from): array
    {
        $dates = [];
        foreach (DB::table('occurrences')->where('meeting_id', $meeting->id)->where('starts_at', '>=', gmdate('Y-m-d H:i:s', $from))->orderBy('starts_at')->get(['starts_local', 'starts_at']) as $row) {
            $dates[(string) $row->starts_local] = (int) strtotime($row->starts_at . ' UTC');
        }

        return $dates;
    }

    /** @param array<string, KeptClock> $clocks */
    private function keep(array $clocks): void
    {
        $rows = [];
        foreach ($clocks as $zone => $clock) {
            $rows[] = ['zone' => $zone, 'zone_data' => $this->zones->version(), 'offsets' => json_encode($clock->offsets)];
        }
        foreach (array_chunk($rows, 200) as $chunk) {
            DB::table('zone_clocks')->upsert($chunk, ['zone'], ['zone_data', 'offsets']);
        }
    }
}
