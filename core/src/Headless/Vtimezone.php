<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\ICalendar\TimezoneWriter;
use Syndex\Core\Time\InvalidTime;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;

/** A zone as one VTIMEZONE, right for every moment of a stretch of dates. */
final readonly class Vtimezone implements Verb
{
    /** Dates are taken with a day to spare at both ends, so that they hold in whichever zone they are meant. */
    private const SPARE_SECONDS = 86400;

    public function __construct(private ZoneData $zones) {}

    public function keys(): array
    {
        return ['tzid', 'from', 'to'];
    }

    public function answer(Fields $fields): array
    {
        $zone = $this->zones->zone($fields->text('tzid'));
        $from = $this->date($fields, 'from');
        $to = $this->date($fields, 'to');
        if ($from->seconds >= $to->seconds) {
            throw BadLine::badValue('to', 'a date after "from"', $fields->raw('to'));
        }

        return ['ics' => TimezoneWriter::write($zone, $from->seconds - self::SPARE_SECONDS, $to->seconds + self::SPARE_SECONDS)];
    }

    private function date(Fields $fields, string $key): WallTime
    {
        $text = $fields->text($key);
        try {
            return WallTime::parseDate($text);
        } catch (InvalidTime) {
            throw BadLine::badValue($key, 'a date like 2026-12-08', $text);
        }
    }
}
