<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\ICalendar\CalendarTime;
use Syndex\Core\ICalendar\TimeForm;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\InvalidTime;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;

/** The times of an event that is to be written: all in the form of its start. */
final readonly class EventTimes
{
    /**
     * @param  list<CalendarTime>  $extra
     * @param  list<CalendarTime>  $dropped
     */
    private function __construct(public CalendarTime $start, public ?CalendarTime $end, public ?CalendarTime $recurrenceId, public array $extra, public array $dropped) {}

    public static function of(Fields $fields, ZoneData $zones): self
    {
        $tzid = $fields->textOrNull('tzid');
        $zone = $tzid === null ? null : $zones->zone($tzid);
        $start = self::time('start', $fields->text('start'), $zone, null);
        if ($fields->has('all_day') && $fields->flag('all_day', false) !== ($start->form === TimeForm::Date)) {
            throw BadLine::badValue('all_day', 'true for a date and false for a time in "start"', $fields->raw('all_day'));
        }
        $one = static function (string $key) use ($fields, $zone, $start): ?CalendarTime {
            $text = $fields->textOrNull($key);

            return $text === null ? null : self::time($key, $text, $zone, $start);
        };
        $many = static fn(string $key): array => array_map(static fn(string $text): CalendarTime => self::time($key, $text, $zone, $start), $fields->texts($key));
        $end = $one('end');
        if ($end !== null && $end->seconds < $start->seconds) {
            throw BadLine::badValue('end', 'an end that is not before "start"', $fields->raw('end'));
        }

        // In its own form, which is that of its series' start and may differ from this one's (RFC 5545 3.8.4.4).
        $recurrenceId = $fields->textOrNull('recurrence_id');

        return new self($start, $end, $recurrenceId === null ? null : self::time('recurrence_id', $recurrenceId, strlen($recurrenceId) > 19 ? $zone : null, null), $many('rdate'), $many('exdate'));
    }

    /** @param ?CalendarTime $like a time whose form it must have */
    private static function time(string $key, string $text, ?Zone $zone, ?CalendarTime $like): CalendarTime
    {
        try {
            $time = match (strlen($text)) {
                10 => CalendarTime::date(WallTime::parseDate($text)->seconds),
                19 => CalendarTime::floating(WallTime::parse($text)->seconds),
                default => self::fixed($key, $text, $zone),
            };
        } catch (InvalidTime) {
            throw BadLine::badValue($key, 'a date, a wall time, or an instant with offset', $text);
        }
        $floats = $time->form === TimeForm::Date || $time->form === TimeForm::Floating;
        if ($floats && $zone !== null) {
            throw BadLine::badValue($key, 'an instant with the offset of "tzid"', $text);
        }
        if ($like !== null && ($floats || $like->form === TimeForm::Date || $like->form === TimeForm::Floating) && $time->form !== $like->form) {
            throw BadLine::badValue($key, 'a time in the form of "start"', $text);
        }

        return $time;
    }

    private static function fixed(string $key, string $text, ?Zone $zone): CalendarTime
    {
        $moment = Instant::parse($text);
        $offset = WallTime::parse(substr($text, 0, 19))->seconds - $moment->seconds;
        if ($zone === null) {
            return str_ends_with($text, 'Z') ? CalendarTime::utc($moment->seconds) : CalendarTime::withOffset($moment->seconds, $offset);
        }
        if ($offset !== intdiv($zone->offsetAt($moment->seconds), 60) * 60) {
            throw BadLine::badValue($key, "an instant with the offset that $zone->id has then, " . $moment->formatIn($zone), $text);
        }

        return CalendarTime::zoned($moment->seconds, $zone);
    }
}
