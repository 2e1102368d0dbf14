<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Work;

/**
 * Writes entries as a calendar file that reads back the same (RFC 5545, RFC 7986): every form of time, CRLF, folded, one VTIMEZONE
 * for each zone used, no vendor property.
 */
final class EntryWriter
{
    private const PRODUCT = '-//Syndex//Syndex//EN';

    private ZoneSpans $zones;

    private function __construct(private readonly int $stamp, private readonly Work $work)
    {
        $this->zones = new ZoneSpans();
    }

    /**
     * @param  ?string  $method  METHOD of RFC 5546, null for a plain file
     * @param  iterable<Entry>  $entries
     * @param  int  $stamp  DTSTAMP of entries that carry none
     *
     * @throws NotExpressible if an entry says what iCalendar cannot
     */
    public static function write(?string $method, iterable $entries, int $stamp, Work $work): string
    {
        $writer = new self($stamp, $work);
        $body = '';
        foreach ($entries as $entry) {
            $body .= $writer->entry($entry);
        }

        return ContentLine::of('BEGIN', 'VCALENDAR')
            . ContentLine::of('VERSION', '2.0')
            . ContentLine::of('PRODID', self::PRODUCT)
            . ContentLine::of('CALSCALE', 'GREGORIAN')
            . ($method === null ? '' : ContentLine::of('METHOD', $method))
            . $writer->zones->write()
            . $body
            . ContentLine::of('END', 'VCALENDAR');
    }

    private function entry(Entry $entry): string
    {
        $entry = self::sayable($entry);
        $this->span($entry);
        $lines = ContentLine::of('BEGIN', 'VEVENT')
            . self::text('UID', $entry->uid)
            . ContentLine::of('SEQUENCE', (string) $entry->sequence)
            . ContentLine::of('DTSTAMP', self::utc($entry->stamp ?? $this->stamp))
            . ($entry->start === null ? '' : self::time('DTSTART', $entry->start))
            . self::ending($entry)
            . ($entry->recurrenceId === null ? '' : self::time('RECURRENCE-ID', $entry->recurrenceId, $entry->thisAndFuture ? ['RANGE' => 'THISANDFUTURE'] : []))
            . ($entry->rule === null ? '' : ContentLine::of('RRULE', self::rule($entry->rule, $entry)));
        foreach (['RDATE' => $entry->extra, 'EXDATE' => $entry->dropped] as $name => $times) {
            foreach ($times as $time) {
                $lines .= self::time($name, $time);
            }
        }
        $lines .= self::text('SUMMARY', $entry->summary) . self::text('DESCRIPTION', $entry->description) . self::text('LOCATION', $entry->location);
        $lines .= self::text('COMMENT', $entry->comment)
            . ($entry->categories === [] ? '' : self::plain('CATEGORIES', implode(',', array_map(ContentLine::escaped(...), $entry->categories))))
            . ($entry->relatedTo === null ? '' : self::plain('RELATED-TO', ContentLine::escaped($entry->relatedTo), ['RELTYPE' => 'SIBLING']));
        $lines .= $entry->url === null ? '' : self::plain('URL', $entry->url);
        $lines .= $entry->conference === null ? '' : self::plain('CONFERENCE', $entry->conference, ['VALUE' => 'URI', 'FEATURE' => ['AUDIO', 'VIDEO']]);
        $lines .= $entry->status === null ? '' : ContentLine::of('STATUS', $entry->status->value);
        $lines .= $entry->isTransparent ? ContentLine::of('TRANSP', 'TRANSPARENT') : '';
        $lines .= $entry->class === 'public' ? '' : ContentLine::of('CLASS', strtoupper($entry->class));
        if ($entry->organizer !== null) {
            $lines .= self::plain('ORGANIZER', $entry->organizer->uri(), self::named($entry->organizer) + ($entry->sentBy === null ? [] : ['SENT-BY' => CalendarPerson::uriOf($entry->sentBy)]));
        }
        foreach ($entry->attendees as $attendee) {
            $lines .= self::plain('ATTENDEE', $attendee->person->uri(), self::named($attendee->person)
                + ['ROLE' => $attendee->role->text(), 'PARTSTAT' => $attendee->partstat]
                + ($attendee->rsvp ? ['RSVP' => 'TRUE'] : []));
        }
        $lines .= $entry->alarmMinutes === null ? '' : self::alarm($entry->alarmMinutes, $entry->summary ?? '');
        $this->work->spend(intdiv(strlen($lines), 16));

        return $lines . ContentLine::of('END', 'VEVENT');
    }

    /** A time that no TZID can say goes out in UTC where the entry is a single one. */
    private static function sayable(Entry $entry): Entry
    {
        if ($entry->start === null || $entry->start->isSayable()) {
            foreach (['rdate' => $entry->extra, 'exdate' => $entry->dropped, 'recurrence_id' => array_filter([$entry->recurrenceId])] as $key => $times) {
                foreach ($times as $time) {
                    if (!$time->isSayable() && $entry->isSeries()) {
                        throw NotExpressible::time($key, $time->format());
                    }
                }
            }

            return $entry;
        }
        if ($entry->isSeries()) {
            throw NotExpressible::time('start', $entry->start->format());
        }
        $utc = static fn(?CalendarTime $time): ?CalendarTime => $time === null ? null : CalendarTime::utc($time->seconds);

        return $entry->withTimes($utc($entry->start), $utc($entry->end), $utc($entry->recurrenceId), array_values(array_filter(array_map($utc, $entry->dropped))));
    }

    private function span(Entry $entry): void
    {
        $zone = $entry->start?->zone;
        if ($entry->start === null || $zone === null) {
            return;
        }
        $moments = [$entry->start->seconds, ...array_map(static fn(CalendarTime $time): int => $time->seconds, $entry->times())];
        $last = $entry->rule === null ? $entry->start->seconds : self::lastStart($entry->rule, $entry->start, $zone, $this->work);
        $length = max(0, ($entry->end->seconds ?? $entry->start->seconds) - $entry->start->seconds);
        $this->zones->add($zone, min($moments), $last === null ? null : max($last, ...$moments) + $length + 1);
    }

    /** @return ?int null for a series without end, or one too long to walk */
    private static function lastStart(string $text, CalendarTime $start, Zone $zone, Work $work): ?int
    {
        $rule = RuleParser::parse($text);
        if ($rule->until !== null) {
            return $rule->until->lastMoment($zone);
        }
        if ($rule->count === null) {
            return null;
        }
        $found = Series::timed(WallTime::ofSeconds($start->wall()), $zone, $rule)->expand($work);

        return $found->complete ? ($found->starts[$found->count() - 1] ?? $start->seconds) : null;
    }

    /** DTEND; where it would not lie after DTSTART, or no wall time says it, the exact length (RFC 5545 3.8.2.2, 3.8.2.5). */
    private static function ending(Entry $entry): string
    {
        if ($entry->start === null || $entry->end === null) {
            return '';
        }
        $seconds = $entry->end->seconds - $entry->start->seconds;
        if ($seconds === 0) {
            return ContentLine::of('DURATION', $entry->isAllDay() ? 'P0D' : 'PT0S');
        }

        return $entry->end->isSayable() ? self::time('DTEND', $entry->end) : ContentLine::of('DURATION', DurationText::exact($seconds));
    }

    /** @param array<string, string> $parameters */
    private static function time(string $name, CalendarTime $time, array $parameters = []): string
    {
        if (!$time->isSayable()) {
            $time = CalendarTime::utc($time->seconds);
        }
        $wall = WallTime::ofSeconds($time->wall());
        $text = str_replace(['-', ':'], '', $time->form === TimeForm::Date ? $wall->formatDate() : $wall->format());

        return match ($time->form) {
            TimeForm::Date => ContentLine::of($name, $text, ['VALUE' => 'DATE'] + $parameters),
            TimeForm::Floating => ContentLine::of($name, $text, $parameters),
            TimeForm::Zoned => ContentLine::of($name, $text, ['TZID' => $time->zone->id ?? ''] + $parameters),
            default => ContentLine::of($name, $text . 'Z', $parameters),
        };
    }

    /** The text as it is, but UNTIL in the form that DTSTART asks for (RFC 5545 3.3.10). */
    private static function rule(string $text, Entry $entry): string
    {
        $text = strtoupper($text);
        $rule = RuleParser::parse($text);
        if ($rule->until === null || $entry->start === null) {
            return $text;
        }
        $until = $rule->until->beside($entry->isAllDay(), $entry->start->form === TimeForm::Floating, $entry->start->zone)->toText();

        return (string) preg_replace('/(?<=\AUNTIL=|;UNTIL=)[^;]*/', $until, $text);
    }

    private static function text(string $name, ?string $text): string
    {
        return $text === null ? '' : self::plain($name, ContentLine::escaped($text));
    }

    private static function alarm(int $minutes, string $summary): string
    {
        return ContentLine::of('BEGIN', 'VALARM')
            . ContentLine::of('ACTION', 'DISPLAY')
            . ContentLine::of('TRIGGER', '-PT' . $minutes . 'M')
            . self::text('DESCRIPTION', $summary)
            . ContentLine::of('END', 'VALARM');
    }

    /** @param array<string, string|list<string>> $parameters */
    private static function plain(string $name, string $value, array $parameters = []): string
    {
        foreach ([$value, ...array_map(static fn(string|array $text): string => str_replace("\n", '', implode(',', (array) $text)), array_values($parameters))] as $text) {
            if (preg_match('/[\x00-\x08\x0A-\x1F\x7F]/', $text) === 1) {
                throw NotExpressible::controls(strtolower($name));
            }
        }

        return ContentLine::of($name, $value, $parameters);
    }

    /** @return array<string, string> */
    private static function named(CalendarPerson $person): array
    {
        return $person->name === null ? [] : ['CN' => $person->name];
    }

    private static function utc(int $seconds): string
    {
        return str_replace(['-', ':'], '', Instant::ofSeconds($seconds)->format());
    }
}
