<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/** Writes many times at once: one day's text, and one stretch's offset, serve all that share them. */
final class Texts
{
    /** So many days are remembered. */
    private const MOST_DAYS = 20_000;

    /** @var array<int, string> "2026-12-08T" by day number */
    private array $days = [];

    /** @var array<int, string> "15:30:00" by second of the day */
    private array $clocks = [];

    /**
     * @param  list<int>  $moments
     * @return list<string> RFC 3339 with the offset that the zone has then
     */
    public function ofMoments(array $moments, Zone $zone): array
    {
        $from = $until = $offset = 0;
        $text = '';
        $texts = [];
        foreach ($moments as $moment) {
            if ($moment < $from || $moment >= $until) {
                [$from, $until, $offset] = $zone->stretchAt($moment);
                // Old local mean times have seconds, RFC 3339 offsets have not (as in Instant).
                $minutes = intdiv($offset, 60);
                $offset = $minutes * 60;
                $text = Instant::offsetText($minutes);
            }
            $wall = $moment + $offset;
            $second = $wall % 86400;
            if ($second < 0) {
                $second += 86400;
            }
            $day = intdiv($wall - $second, 86400);
            $texts[] = ($this->days[$day] ?? $this->day($day)) . ($this->clocks[$second] ?? $this->clock($second)) . $text;
        }

        return $texts;
    }

    /**
     * @param  list<int>  $walls
     * @return list<string> "2026-12-08T15:30:00"
     */
    public function ofWalls(array $walls): array
    {
        $texts = [];
        foreach ($walls as $wall) {
            $second = Gregorian::floorMod($wall, 86400);
            $day = intdiv($wall - $second, 86400);
            $texts[] = ($this->days[$day] ?? $this->day($day)) . ($this->clocks[$second] ?? $this->clock($second));
        }

        return $texts;
    }

    /**
     * @param  list<int>  $midnights
     * @return list<string> "2026-12-08"
     */
    public function ofDates(array $midnights): array
    {
        return array_map(fn(int $midnight): string => substr($this->day(intdiv($midnight, 86400)), 0, 10), $midnights);
    }

    private function day(int $day): string
    {
        if (count($this->days) >= self::MOST_DAYS) {
            $this->days = [];
        }

        return $this->days[$day] = WallTime::ofSeconds($day * 86400)->formatDate() . 'T';
    }

    private function clock(int $second): string
    {
        return $this->clocks[$second] = sprintf('%02d:%02d:%02d', intdiv($second, 3600), intdiv($second, 60) % 60, $second % 60);
    }
}
