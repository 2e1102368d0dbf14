<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\Recurrence\Rule;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Recurrence\Until;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Work;

/** Writes iCalendar (RFC 5545, RFC 7986): CRLF, folded, one VTIMEZONE for each zone used, no vendor property. */
final class CalendarWriter
{
    private const PRODUCT = '-//Syndex//Syndex//EN';

    /** A series is walked to its last date for the VTIMEZONE with at most this much work. */
    private const WORK = 500_000;

    /**
     * @param  ?string  $method  METHOD of RFC 5546, null for a plain file
     * @param  list<CalendarEvent>  $events
     */
    public static function write(?string $method, array $events): string
    {
        $zones = new ZoneSpans();
        $body = '';
        foreach ($events as $event) {
            if ($event->series->zone !== null) {
                $zones->add($event->series->zone, ...self::span($event));
            }
            $body .= self::event($event);
        }

        return self::calendar($method, $zones->write() . $body);
    }

    /** A whole file around its components. */
    public static function calendar(?string $method, string $components): string
    {
        return ContentLine::of('BEGIN', 'VCALENDAR')
            . ContentLine::of('VERSION', '2.0')
            . ContentLine::of('PRODID', self::PRODUCT)
            . ContentLine::of('CALSCALE', 'GREGORIAN')
            . ($method === null ? '' : ContentLine::of('METHOD', $method))
            . $components
            . ContentLine::of('END', 'VCALENDAR');
    }

    private static function event(CalendarEvent $event): string
    {
        $lines = ContentLine::of('BEGIN', 'VEVENT')
            . ContentLine::text('UID', $event->uid)
            . ContentLine::of('SEQUENCE', (string) $event->sequence)
            . ContentLine::of('DTSTAMP', self::utc($event->stamp->seconds))
            . self::times($event);
        foreach (['SUMMARY' => $event->summary, 'DESCRIPTION' => $event->description, 'LOCATION' => $event->location] as $name => $text) {
            $lines .= $text === null ? '' : ContentLine::text($name, $text);
        }
        if ($event->url !== null) {
            $lines .= ContentLine::of('URL', $event->url);
        }
        if ($event->conference !== null) {
            $lines .= ContentLine::of('CONFERENCE', $event->conference, ['VALUE' => 'URI', 'FEATURE' => ['AUDIO', 'VIDEO']] + ($event->conferenceLabel === null ? [] : ['LABEL' => $event->conferenceLabel]));
        }
        $lines .= ContentLine::of('ORGANIZER', $event->organizer->uri(), self::named($event->organizer) + ($event->sentBy === null ? [] : ['SENT-BY' => 'mailto:' . $event->sentBy]));
        foreach ($event->attendees as $attendee) {
            $lines .= self::attendee($attendee);
        }
        if ($event->status !== null) {
            $lines .= ContentLine::of('STATUS', $event->status->value);
        }
        if ($event->alarmMinutes !== null) {
            $lines .= self::alarm($event->alarmMinutes, $event->summary ?? '');
        }

        return $lines . ContentLine::of('END', 'VEVENT');
    }

    private static function times(CalendarEvent $event): string
    {
        $series = $event->series;
        $lines = self::wall('DTSTART', $series, $series->start) . self::ending($event);
        if ($series->rule !== null) {
            $lines .= ContentLine::of('RRULE', self::ruleFor($series->rule, $series)->toText());
        }
        foreach ($series->extra as $extra) {
            $lines .= self::wall('RDATE', $series, $extra);
        }
        foreach ($series->dropped as $dropped) {
            $lines .= self::wall('EXDATE', $series, $dropped);
        }

        return $lines;
    }

    /** DTEND where the anchor's clock can say it, else the exact length (RFC 5545 3.8.2.5). */
    private static function ending(CalendarEvent $event): string
    {
        $series = $event->series;
        if ($series->zone === null) {
            return self::wall('DTEND', $series, $series->start->plusSeconds($event->durationMinutes * 60));
        }
        $end = $series->moment($series->start->seconds) + $event->durationMinutes * 60;
        $wall = $series->zone->toWall($end);

        return $series->zone->toUtc($wall) === $end
            ? self::wall('DTEND', $series, WallTime::ofSeconds($wall))
            : ContentLine::of('DURATION', 'PT' . $event->durationMinutes . 'M');
    }

    private static function wall(string $name, Series $series, WallTime $wall): string
    {
        if ($series->allDay) {
            return ContentLine::of($name, str_replace('-', '', $wall->formatDate()), ['VALUE' => 'DATE']);
        }
        $text = str_replace(['-', ':'], '', $wall->format());

        return match ($series->zone?->id) {
            null => ContentLine::of($name, $text),
            'UTC' => ContentLine::of($name, $text . 'Z'),
            default => ContentLine::of($name, $text, ['TZID' => $series->zone->id]),
        };
    }

    /** UNTIL in the form that DTSTART asks for: a date for dates, UTC beside a zone (RFC 5545 3.3.10). */
    public static function untilFor(Until $until, bool $allDay, bool $floating, ?Zone $zone): Until
    {
        return match (true) {
            $allDay => Until::day(WallTime::ofSeconds(Gregorian::floorDiv($until->lastWall(null), 86400) * 86400)),
            $floating => Until::wallTime(WallTime::ofSeconds($until->lastMoment(null))),
            default => Until::instant(Instant::ofSeconds($until->lastMoment($zone))),
        };
    }

    private static function ruleFor(Rule $rule, Series $series): Rule
    {
        return $rule->until === null ? $rule : $rule->withUntil(self::untilFor($rule->until, $series->allDay, $series->zone === null, $series->zone));
    }

    private static function attendee(CalendarAttendee $attendee): string
    {
        return ContentLine::of('ATTENDEE', $attendee->person->uri(), self::named($attendee->person) + [
            'ROLE' => $attendee->role->value,
            'PARTSTAT' => $attendee->partstat,
        ] + ($attendee->rsvp ? ['RSVP' => 'TRUE'] : []));
    }

    private static function alarm(int $minutes, string $summary): string
    {
        return ContentLine::of('BEGIN', 'VALARM')
            . ContentLine::of('ACTION', 'DISPLAY')
            . ContentLine::of('TRIGGER', '-PT' . $minutes . 'M')
            . ContentLine::text('DESCRIPTION', $summary)
            . ContentLine::of('END', 'VALARM');
    }

    /** @return array<string, string> */
    private static function named(CalendarPerson $person): array
    {
        return $person->name === null || $person->name === '' ? [] : ['CN' => $person->name];
    }

    private static function utc(int $seconds): string
    {
        return str_replace(['-', ':'], '', Instant::ofSeconds($seconds)->format());
    }

    /** @return array{int, ?int} from the first start to past the last; open where the series is */
    private static function span(CalendarEvent $event): array
    {
        $series = $event->series;
        $from = $series->moment($series->start->seconds);
        if ($series->rule?->isOpen() === true) {
            return [$from, null];
        }
        $dates = $series->expand(Work::atMost(self::WORK));
        $last = $dates->starts === [] ? $from : max($from, $dates->starts[$dates->count() - 1]);

        return [min($from, $dates->starts[0] ?? $from), $last + $event->durationMinutes * 60 + 1];
    }
}
