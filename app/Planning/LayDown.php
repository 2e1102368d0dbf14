<?php

declare(strict_types=1);

namespace App\Planning;

use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/**
 * Lays a meeting's dates down in the table of occurrences, up to the horizon.
 *
 * The rule stays the truth: laying down again always gives the same, and replaces what was there.
 */
final readonly class LayDown
{
    private const WORK = 5_000_000;

    public function __construct(private MeetingSeries $series, private ZoneData $zones) {}

    public function __invoke(Meeting $meeting): void
    {
        $series = $this->series->of($meeting);
        $anchor = $this->zones->zone($meeting->zone);
        $horizon = CarbonImmutable::now()->startOfDay()->addDays((int) config('syndex.horizon_days'));
        $found = $series->expand(Work::atMost(self::WORK), to: Instant::ofSeconds($horizon->getTimestamp()));
        $rows = [];
        foreach ($found->starts as $at => $start) {
            // A day without a clock is held against others by the anchor's midnights.
            $start = $series->allDay ? $anchor->toUtc($found->walls[$at]) : $start;
            $rows[] = [
                'meeting_id' => $meeting->id,
                'starts_local' => gmdate('Y-m-d H:i:s', $found->walls[$at]),
                'starts_at' => gmdate('Y-m-d H:i:s', $start),
                'ends_at' => gmdate('Y-m-d H:i:s', $start + $meeting->duration_minutes * 60),
                'all_day' => $series->allDay,
            ];
        }
        DB::transaction(function () use ($meeting, $rows, $horizon, $series): void {
            DB::table('occurrences')->where('meeting_id', $meeting->id)->delete();
            foreach (array_chunk($rows, 500) as $chunk) {
                DB::table('occurrences')->insert($chunk);
            }
            $meeting->forceFill([
                'laid_until_on' => $horizon->format('Y-m-d'),
                'laid_zone_data' => $this->zones->version(),
                'first_starts_at' => $rows[0]['starts_at'] ?? null,
                'last_ends_at' => $this->lastEnd($series, $meeting, $rows),
            ])->save();
        });
    }

    /** @param list<array{ends_at: string}> $rows */
    private function lastEnd(Series $series, Meeting $meeting, array $rows): ?string
    {
        if ($series->rule?->isOpen() === true) {
            return null;
        }
        if ($series->rule === null) {
            return $rows === [] ? gmdate('Y-m-d H:i:s', $series->moment($series->start->seconds) + $meeting->duration_minutes * 60) : $rows[count($rows) - 1]['ends_at'];
        }
        $all = $series->expand(Work::atMost(self::WORK));

        return $all->starts === [] ? null : gmdate('Y-m-d H:i:s', $all->starts[$all->count() - 1] + $meeting->duration_minutes * 60);
    }
}
