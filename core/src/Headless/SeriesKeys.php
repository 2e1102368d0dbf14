<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\InvalidTime;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** The keys that every verb about a series shares. */
final class SeriesKeys
{
    public const NAMES = ['dtstart', 'tzid', 'rrule', 'rdate', 'exdate'];

    /** Steps of work that one of RDATE or EXDATE costs, measured against an instance of a rule. */
    public const EACH_DATE = 8;

    public static function read(Fields $fields, ZoneData $zones, Work $work): Series
    {
        $start = $fields->text('dtstart');
        $fields->mustName('tzid');
        $zone = $fields->textOrNull('tzid');
        $zone = $zone === null ? null : $zones->zone($zone);
        $rule = $fields->textOrNull('rrule');
        $rule = $rule === null ? null : RuleParser::parse($rule);
        $allDay = !str_contains($start, 'T');
        $extra = self::walls($fields, 'rdate', $allDay, $work);
        $dropped = self::walls($fields, 'exdate', $allDay, $work);
        $wall = self::wall('dtstart', $start, $allDay);

        return Series::of($allDay, $wall, $zone, $rule, $extra, $dropped);
    }

    public static function instant(Fields $fields, string $key): ?Instant
    {
        $text = $fields->textOrNull($key);
        try {
            return $text === null ? null : Instant::parse($text);
        } catch (InvalidTime) {
            throw BadLine::badValue($key, 'an instant like 2026-12-08T12:30:00Z', $text);
        }
    }

    /** @return list<WallTime> */
    private static function walls(Fields $fields, string $key, bool $allDay, Work $work): array
    {
        $texts = $fields->texts($key);
        $work->spend(self::EACH_DATE * count($texts));

        return array_map(static fn(string $text): WallTime => self::wall($key, $text, $allDay), $texts);
    }

    public static function wall(string $key, string $text, bool $allDay): WallTime
    {
        try {
            return $allDay ? WallTime::parseDate($text) : WallTime::parse($text);
        } catch (InvalidTime) {
            throw BadLine::badValue($key, $allDay ? 'a date like 2026-12-08' : 'a wall time like 2026-12-08T15:30:00', $text);
        }
    }
}
