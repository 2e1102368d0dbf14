<?php

declare(strict_types=1);

namespace App\Planning;

use App\Failure\Decide;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Syndex\Core\Recurrence\Expansion;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/**
 * Lays a meeting's dates down in the table of occurrences, up to the horizon.
 *
 * The rule stays the truth. A date is known by what the anchor's clock shows; one that is there already stays the row it is, and
 * only what differs is written.
 */
final readonly class LayDown
{
    private const ROWS_AT_ONCE = 500;

    public function __construct(private MeetingSeries $series, private ZoneData $zones) {}

    /** All dates of a meeting that nobody was told of yet. */
    public function anew(Meeting $meeting): void
    {
        Decide::on(fn() => $this->lay($meeting, null));
    }

    /** The dates to come, with the zone data of now; what is past stays as it was. */
    public function ahead(Meeting $meeting): void
    {
        Decide::on(fn() => $this->lay(Meeting::query()->lockForUpdate()->findOrFail($meeting->id), now()->getTimestamp()));
    }

    /** What lies beyond the day to which dates are laid down. Nothing that is there is touched. */
    public function further(Meeting $meeting): void
    {
        Decide::on(function () use ($meeting): void {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            $horizon = $this->horizon();
            if (!$meeting->status->takesTime() || $meeting->laid_until_on === null || $meeting->laid_until_on >= $horizon) {
                return;
            }
            $series = $this->series->of($meeting);
            // A day to spare, since the anchor's days are not those of UTC; what is there already is passed over.
            $found = $series->expand(Work::usual(), Instant::ofSeconds($meeting->laid_until_on->getTimestamp() - 2 * 86400), Instant::ofSeconds($horizon->getTimestamp()));
            $rows = $this->rows($meeting, $series, $found);
            foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
                DB::table('occurrences')->insertOrIgnore($chunk);
            }
            PackedDates::keep($meeting->id);
            // One of which nothing lay ahead may have a date again.
            $meeting->forceFill(['laid_until_on' => $horizon->format('Y-m-d'), ...($meeting->shown_until === null && $rows !== [] ? ShownAt::of($rows) : [])])->save();
        });
    }

    /** @param ?int $from dates that end before it are left as they are */
    private function lay(Meeting $meeting, ?int $from): void
    {
        $series = $this->series->of($meeting);
        $horizon = $this->horizon();
        $found = $series->expand(Work::usual(), to: Instant::ofSeconds($horizon->getTimestamp()));
        $rows = $this->rows($meeting, $series, $found);
        $wanted = array_column($rows, null, 'date_local');
        $last = $rows === [] ? null : max(array_column($rows, 'ends_at'));
        $first = $rows[0]['starts_at'] ?? null;
        $since = $from === null ? null : gmdate('Y-m-d H:i:s', $from);
        $there = DB::table('occurrences')->where('meeting_id', $meeting->id)->when($since !== null, static fn($q) => $q->where('ends_at', '>', $since))->lockForUpdate()->get();
        $gone = [];
        foreach ($there as $row) {
            $now = $wanted[$row->date_local] ?? null;
            if ($now === null) {
                $gone[] = $row->id;
            } elseif ($now['starts_at'] !== $row->starts_at || $now['starts_local'] !== $row->starts_local || $now['ends_at'] !== $row->ends_at || (int) $now['all_day'] !== (int) $row->all_day) {
                DB::table('occurrences')->where('id', $row->id)->update($now);
            }
            unset($wanted[$row->date_local]);
        }
        DB::table('occurrences')->whereIn('id', $gone)->delete();
        if ($since !== null) {
            // A date of the past that is not laid down is none any more.
            $wanted = array_filter($wanted, static fn(array $row): bool => $row['ends_at'] > $since);
        }
        foreach (array_chunk(array_values($wanted), self::ROWS_AT_ONCE) as $chunk) {
            DB::table('occurrences')->insertOrIgnore($chunk);
        }
        PackedDates::keep($meeting->id);
        $meeting->forceFill([
            'laid_until_on' => $horizon->format('Y-m-d'),
            'laid_zone_data' => $this->zones->version(),
            'first_starts_at' => $first,
            'last_ends_at' => $this->lastEnd($series, $meeting, $last),
            ...($rows === [] ? ShownAt::beyond($series, $this->zones->zone($meeting->zone)) : ShownAt::of($rows)),
        ])->save();
    }

    private function horizon(): CarbonImmutable
    {
        return CarbonImmutable::now()->startOfDay()->addDays((int) config('syndex.horizon_days'));
    }

    /** @return list<array{meeting_id: string, date_local: string, starts_local: string, starts_at: string, ends_at: string, all_day: bool}> in order */
    private function rows(Meeting $meeting, Series $series, Expansion $found): array
    {
        $anchor = $this->zones->zone($meeting->zone);
        $named = $this->series->named($meeting);
        $lengths = self::lengths($meeting);
        $rows = [];
        foreach ($found->starts as $at => $start) {
            $wall = $found->walls[$at];
            $date = gmdate('Y-m-d H:i:s', $named[$wall] ?? $wall);
            $rows[] = [
                'meeting_id' => $meeting->id,
                'date_local' => $date,
                'starts_local' => gmdate('Y-m-d H:i:s', $wall),
                // A day without a clock is held against others by the anchor's midnights.
                'starts_at' => gmdate('Y-m-d H:i:s', $series->allDay ? $anchor->toUtc($wall) : $start),
                'ends_at' => gmdate('Y-m-d H:i:s', self::end($series, $anchor, $start, $wall, $lengths[$date] ?? $meeting->duration_minutes)),
                'all_day' => $series->allDay,
            ];
        }

        return $rows;
    }

    /** @return array<string, int> minutes of the dates that have a length of their own */
    private static function lengths(Meeting $meeting): array
    {
        return $meeting->dates()->whereNotNull('duration_minutes')->pluck('duration_minutes', 'date_local')->all();
    }

    /** A timed meeting lasts so many minutes; days last from midnight to midnight, however many hours that is. */
    private static function end(Series $series, Zone $anchor, int $start, int $wall, int $minutes): int
    {
        return $series->allDay ? $anchor->toUtc($wall + $minutes * 60) : $start + $minutes * 60;
    }

    /** @param ?string $laid the end of the last date that is laid down */
    private function lastEnd(Series $series, Meeting $meeting, ?string $laid): ?string
    {
        if ($series->rule?->isOpen() === true) {
            return null;
        }
        $all = $series->expand(Work::usual());
        if ($all->starts === []) {
            return $laid;
        }

        return max([(string) $laid, ...array_column($this->rows($meeting, $series, $all), 'ends_at')]);
    }
}
