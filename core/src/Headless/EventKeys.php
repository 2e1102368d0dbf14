<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\ICalendar\CalendarAttendee;
use Syndex\Core\ICalendar\CalendarPerson;
use Syndex\Core\ICalendar\CalendarTime;
use Syndex\Core\ICalendar\Entry;
use Syndex\Core\ICalendar\EventStatus;
use Syndex\Core\Recurrence\InvalidRule;
use Syndex\Core\Recurrence\Rule;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** Events as lines say them, both ways. */
final class EventKeys
{
    private const KEYS = [
        'uid', 'sequence', 'start', 'end', 'tzid', 'all_day', 'summary', 'description', 'location', 'status', 'transp', 'class', 'url',
        'dtstamp', 'organizer', 'attendees', 'rrule', 'rdate', 'exdate', 'recurrence_id', 'range',
    ];

    /** Steps of work, measured against an instance of a rule. */
    private const EACH_EVENT = 40;

    private const EACH_VALUE = 12;

    /** @return array<string, mixed> */
    public static function write(Entry $entry): array
    {
        $format = static fn(CalendarTime $time): string => $time->format();

        return [
            'uid' => $entry->uid,
            'sequence' => $entry->sequence,
            'start' => $entry->start?->format(),
            'end' => $entry->end?->format(),
            'tzid' => $entry->zoneId(),
            'all_day' => $entry->isAllDay(),
            'summary' => $entry->summary,
            'description' => $entry->description,
            'location' => $entry->location,
            'status' => $entry->status === null ? null : strtolower($entry->status->value),
            'transp' => $entry->isTransparent ? 'transparent' : 'opaque',
            'class' => $entry->class,
            'url' => $entry->url,
            'dtstamp' => $entry->stamp === null ? null : CalendarTime::utc($entry->stamp)->format(),
            'organizer' => $entry->organizer === null ? null : ['email' => $entry->organizer->email, 'name' => $entry->organizer->name, 'sent_by' => $entry->sentBy],
            'attendees' => array_map(static fn(CalendarAttendee $a): array => [
                'email' => $a->person->email,
                'name' => $a->person->name,
                'role' => $a->role->value,
                'partstat' => strtolower($a->partstat),
                'rsvp' => $a->rsvp,
            ], $entry->attendees),
            'rrule' => $entry->rule,
            'rdate' => array_map($format, $entry->extra),
            'exdate' => array_map($format, $entry->dropped),
            'recurrence_id' => $entry->recurrenceId?->format(),
            'range' => $entry->thisAndFuture ? 'thisandfuture' : null,
        ];
    }

    /** @throws BadLine if it is no event that could be written */
    public static function read(\stdClass $event, ZoneData $zones, Work $work): Entry
    {
        $fields = Fields::of($event, self::KEYS);
        $work->spend(self::EACH_EVENT + self::EACH_VALUE * (count((array) $fields->raw('attendees')) + count((array) $fields->raw('rdate')) + count((array) $fields->raw('exdate'))));
        $times = EventTimes::of($fields, $zones);
        $organizer = $fields->object('organizer');
        $organizer = $organizer === null ? null : Fields::of($organizer, ['email', 'name', 'sent_by']);
        $entry = new Entry(
            $fields->text('uid'),
            $fields->wholeNumber('sequence', 0, 0, Rule::MOST_NUMBER),
            $times->start,
            $times->end,
            $fields->textOrNull('summary'),
            $fields->textOrNull('description'),
            $fields->textOrNull('location'),
            self::status($fields),
            $fields->oneOf('transp', ['opaque', 'transparent'], 'opaque') === 'transparent',
            $fields->oneOf('class', ['public', 'private', 'confidential'], 'public'),
            $fields->textOrNull('url'),
            SeriesKeys::instant($fields, 'dtstamp')?->seconds,
            $organizer === null ? null : self::person($organizer),
            $organizer?->textOrNull('sent_by'),
            array_map(self::attendee(...), $fields->objects('attendees')),
            self::rule($fields, $times->start),
            $times->extra,
            $times->dropped,
            $times->recurrenceId,
            self::isThisAndFuture($fields),
        );
        if ($entry->thisAndFuture && $entry->recurrenceId === null) {
            throw BadLine::badValue('range', 'a range only beside a "recurrence_id"', $fields->raw('range'));
        }

        return $entry;
    }

    private static function status(Fields $fields): ?EventStatus
    {
        return $fields->has('status') ? EventStatus::from(strtoupper($fields->oneOf('status', ['confirmed', 'tentative', 'cancelled'], ''))) : null;
    }

    private static function isThisAndFuture(Fields $fields): bool
    {
        $fields->oneOf('range', ['thisandfuture'], 'thisandfuture');

        return $fields->has('range');
    }

    private static function rule(Fields $fields, CalendarTime $start): ?string
    {
        $text = $fields->textOrNull('rrule');
        if ($text === null) {
            return null;
        }
        $rule = RuleParser::parse($text);
        if (!str_contains($start->format(), 'T') && $rule->frequency->secondsBelowADay() !== null) {
            throw InvalidRule::badPart('FREQ', $rule->frequency->value, 'a period of a day or more for a date without a time');
        }

        return strtoupper(trim($text));
    }

    private static function attendee(\stdClass $object): CalendarAttendee
    {
        $fields = Fields::of($object, ['email', 'name', 'role', 'partstat', 'rsvp']);

        return new CalendarAttendee(
            self::person($fields),
            AttendeeRole::from($fields->oneOf('role', array_column(AttendeeRole::cases(), 'value'), AttendeeRole::Required->value)),
            strtoupper($fields->oneOf('partstat', array_map(strtolower(...), CalendarAttendee::PARTSTATS), 'needs-action')),
            $fields->flag('rsvp', false),
        );
    }

    private static function person(Fields $fields): CalendarPerson
    {
        $email = $fields->text('email');

        return trim($email) === '' ? throw BadLine::badValue('email', 'an address', $email) : new CalendarPerson(CalendarPerson::addressOf($email), $fields->textOrNull('name'));
    }
}
