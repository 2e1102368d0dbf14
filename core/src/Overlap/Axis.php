<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\Zone;

/** The scale of a drawn day: 24 real hours from a full hour of the anchor, so that a bar has room above and below. */
final readonly class Axis
{
    public const MINUTES = 1440;

    /** The day is read from six in the morning, as long as the meeting leaves an hour above it. */
    private const USUAL_TOP = 6;

    private function __construct(public Interval $window) {}

    /**
     * @param  int  $day  day number on the anchor's calendar
     * @param  int  $startMinute  the meeting's start on that day's clock
     */
    public static function around(int $day, int $startMinute, int $durationMinutes, Zone $anchor): self
    {
        $top = $day * 86400 + self::topMinute($startMinute, $durationMinutes) * 60;
        $from = $anchor->toUtc($top);

        return new self(Interval::lasting($from, self::MINUTES));
    }

    /** Minutes of the anchor's day at which the axis begins; negative: the evening before. */
    public static function topMinute(int $startMinute, int $durationMinutes): int
    {
        return match (true) {
            $durationMinutes >= 1440 => 0,
            $startMinute >= (self::USUAL_TOP + 1) * 60 => self::USUAL_TOP * 60,
            default => -6 * 60,
        };
    }

    public function at(int $moment): int
    {
        return Gregorian::floorDiv($moment - $this->window->start, 60);
    }

    public function segment(Interval $interval, string $tone, string $label = '', int $count = 0): ?Segment
    {
        $part = $interval->clippedTo($this->window);

        return $part === null ? null : new Segment($this->at($part->start), $this->at($part->end + 59), $tone, $label, $count);
    }

    /**
     * Marks at the full hours of a zone's clock, every so many hours, and at its midnights.
     *
     * @return array{list<Mark>, list<Mark>} hours labelled "09", midnights labelled with the date that begins
     */
    public function marks(Zone $zone, int $everyHours): array
    {
        $hours = $midnights = [];
        $wall = $zone->toWall($this->window->start);
        $wall += Gregorian::floorMod(-$wall, 3600);
        for ($end = $zone->toWall($this->window->end); $wall <= $end; $wall += 3600) {
            $moment = $zone->toUtc($wall);
            if ($moment < $this->window->start || $moment > $this->window->end || $zone->skips($wall)) {
                continue;
            }
            $hour = intdiv(Gregorian::floorMod($wall, 86400), 3600);
            if ($hour === 0 && $moment < $this->window->end) {
                $midnights[] = new Mark($this->at($moment), vsprintf('%04d-%02d-%02d', Gregorian::civil(Gregorian::floorDiv($wall, 86400))));
            } elseif ($hour % $everyHours === 0) {
                $hours[] = new Mark($this->at($moment), sprintf('%02d', $hour));
            }
        }

        return [$hours, $midnights];
    }
}
