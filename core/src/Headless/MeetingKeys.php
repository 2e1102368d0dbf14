<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\ICalendar\CalendarPerson;
use Syndex\Core\Invitations\DateSet;
use Syndex\Core\Invitations\Invitee;
use Syndex\Core\Invitations\MeetingDate;
use Syndex\Core\Invitations\MeetingSnapshot;
use Syndex\Core\Recurrence\Rule;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** A meeting as lines say it to `itip`. */
final class MeetingKeys
{
    private const KEYS = [
        'uid', 'sequence', 'status', 'summary', 'description', 'location', 'url', 'organizer', 'sent_by', ...SeriesKeys::NAMES, 'duration', 'overrides', 'attendees',
        'comment', 'alarm', 'class', 'categories', 'transp', 'related_to',
    ];

    private const A_DAY = 1440;

    /** A year: nothing that is met for lasts longer, and no sum of minutes can overflow. */
    private const MOST_MINUTES = 366 * self::A_DAY;

    /** Steps of work of one attendee, one date of its own. */
    private const EACH = 12;

    /** @throws BadLine if it is no meeting */
    public static function read(\stdClass $meeting, ZoneData $zones, Work $work): MeetingSnapshot
    {
        $fields = Fields::of($meeting, self::KEYS);
        $series = SeriesKeys::read($fields, $zones, $work);
        if ($series->zone === null && !$series->allDay) {
            throw BadLine::floating();
        }
        $organizer = Fields::of($fields->object('organizer') ?? throw BadLine::missing('organizer'), ['email', 'name']);
        $duration = self::duration($fields, 'duration', $series);
        $summary = $fields->textOrNull('summary') ?? '';
        $location = $fields->textOrNull('location');
        $invitees = self::invitees($fields, $work);

        return new MeetingSnapshot(
            uid: self::filled($fields, 'uid'),
            sequence: $fields->wholeNumber('sequence', 0, 0, Rule::MOST_NUMBER - 1),
            summary: $summary,
            description: $fields->textOrNull('description'),
            location: $location,
            url: $fields->textOrNull('url'),
            organizerAddress: CalendarPerson::addressOf(self::filled($organizer, 'email')),
            organizerName: $organizer->textOrNull('name'),
            sentBy: $fields->textOrNull('sent_by'),
            series: $series,
            durationMinutes: $duration,
            invitees: $invitees,
            reminderMinutes: $fields->has('alarm') ? $fields->wholeNumber('alarm', 0, 0, self::MOST_MINUTES) : null,
            dates: self::overrides($fields, $series, $duration, $summary, $location, $invitees, $work),
            isCalledOff: $fields->oneOf('status', ['planned', 'called_off'], 'planned') === 'called_off',
            comment: $fields->textOrNull('comment'),
            class: $fields->oneOf('class', ['public', 'private', 'confidential'], 'public'),
            categories: $fields->texts('categories'),
            isTransparent: $fields->oneOf('transp', ['opaque', 'transparent'], 'opaque') === 'transparent',
            relatedTo: $fields->textOrNull('related_to'),
        );
    }

    /**
     * @param  list<Invitee>  $invitees
     * @return list<MeetingDate>
     */
    private static function overrides(Fields $fields, Series $series, int $duration, string $summary, ?string $location, array $invitees, Work $work): array
    {
        $dates = [];
        foreach ($fields->objects('overrides') as $override) {
            $work->spend(self::EACH);
            $own = Fields::of($override, ['recurrence_id', 'dtstart', 'duration', 'summary', 'location', 'attendees']);
            $recurrenceId = SeriesKeys::wall('recurrence_id', $own->text('recurrence_id'), $series->allDay);
            if (isset($dates[$recurrenceId->seconds])) {
                throw BadLine::badValue('recurrence_id', 'each date once', $own->text('recurrence_id'));
            }
            $dates[$recurrenceId->seconds] = new MeetingDate(
                $recurrenceId,
                $own->names('dtstart') ? SeriesKeys::wall('dtstart', $own->text('dtstart'), $series->allDay) : $recurrenceId,
                $own->names('duration') ? self::duration($own, 'duration', $series) : $duration,
                $own->names('summary') ? $own->textOrNull('summary') ?? '' : $summary,
                $own->names('location') ? $own->textOrNull('location') : $location,
                $own->names('attendees') ? self::invitees($own, $work) : $invitees,
            );
        }
        $set = DateSet::among($series, array_column($dates, 'recurrenceId'), $work);
        foreach ($dates as $date) {
            if (!$set->has($date->recurrenceId)) {
                throw BadLine::badValue('recurrence_id', 'a date of the set', $series->allDay ? $date->recurrenceId->formatDate() : $date->recurrenceId->format());
            }
        }

        return array_values($dates);
    }

    /** @return list<Invitee> */
    private static function invitees(Fields $fields, Work $work): array
    {
        $invitees = [];
        foreach ($fields->objects('attendees') as $attendee) {
            $work->spend(self::EACH);
            $own = Fields::of($attendee, ['email', 'name', 'role', 'kind']);
            $own->oneOf('kind', ['colleague', 'guest'], 'colleague');
            $invitee = new Invitee(
                CalendarPerson::addressOf(self::filled($own, 'email')),
                $own->textOrNull('name'),
                AttendeeRole::from($own->oneOf('role', ['chair', 'required', 'optional'], 'required')),
            );
            if (isset($invitees[$invitee->key])) {
                throw BadLine::badValue('email', 'each address once', $invitee->email);
            }
            $invitees[$invitee->key] = $invitee;
        }

        return array_values($invitees);
    }

    private static function duration(Fields $fields, string $key, Series $series): int
    {
        $minutes = $fields->neededNumber($key, 1);
        if ($minutes > self::MOST_MINUTES || $series->allDay && $minutes % self::A_DAY !== 0) {
            throw BadLine::badValue($key, $series->allDay ? 'whole days of 1440 minutes, of at most a year' : 'minutes of at most a year', $minutes);
        }

        return $minutes;
    }

    private static function filled(Fields $fields, string $key): string
    {
        $text = $fields->text($key);

        return trim($text) === '' ? throw BadLine::badValue($key, 'a text that is not empty', $text) : $text;
    }
}
