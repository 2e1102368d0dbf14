<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\Recurrence\InvalidRule;
use Syndex\Core\Recurrence\Rule;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Work;

/** Makes an entry of the lines of a VEVENT. What cannot be used is left out with a warning. */
final class EntryBuilder
{
    /** Properties of which an event has one at most (RFC 5545 3.6.1). */
    private const ONCE = [
        'UID' => 1, 'DTSTART' => 1, 'DTEND' => 1, 'DURATION' => 1, 'SEQUENCE' => 1, 'SUMMARY' => 1, 'DESCRIPTION' => 1, 'LOCATION' => 1,
        'STATUS' => 1, 'TRANSP' => 1, 'CLASS' => 1, 'URL' => 1, 'DTSTAMP' => 1, 'ORGANIZER' => 1, 'RRULE' => 1, 'RECURRENCE-ID' => 1,
    ];

    /** The properties that are asked of an event, as keys. */
    public const WANTED = [...self::ONCE, 'ATTENDEE' => 9, 'COMMENT' => 9, 'RDATE' => 9, 'EXDATE' => 9];

    /** Steps of work and octets of memory that one time of a list takes. */
    private const EACH_TIME = 4;

    private const HELD = 220;

    private const FIRST = Gregorian::FIRST_DAY * 86400;

    private const LAST = Gregorian::LAST_DAY * 86400 + 86399;

    /** @var array<string, PropertyLine> */
    private array $one = [];

    /** @var array<string, list<PropertyLine>> */
    private array $many = ['ATTENDEE' => [], 'COMMENT' => [], 'RDATE' => [], 'EXDATE' => []];

    private EntryClock $clock;

    /**
     * @param  list<PropertyLine>  $lines
     * @param  int  $begunAt  line of BEGIN:VEVENT
     * @param  \Closure(PropertyLine, string, int): EntryClock  $clockOf  the clock of a TZID, asked with the line and a wall time
     */
    private function __construct(array $lines, private readonly int $begunAt, private readonly \Closure $clockOf, private readonly Warnings $warnings, private readonly Work $work)
    {
        $this->clock = EntryClock::floating();
        foreach ($lines as $line) {
            if (isset($this->many[$line->name])) {
                $this->many[$line->name][] = $line;
            } elseif (isset($this->one[$line->name])) {
                $warnings->add($line->line, 'duplicate', "$line->name stands there more than once; the first counts", $line->name);
            } else {
                $this->one[$line->name] = $line;
            }
        }
    }

    /**
     * @param  list<PropertyLine>  $lines
     * @param  \Closure(PropertyLine, string, int): EntryClock  $clockOf
     */
    public static function build(array $lines, int $begunAt, \Closure $clockOf, Warnings $warnings, Work $work): Entry
    {
        return (new self($lines, $begunAt, $clockOf, $warnings, $work))->entry();
    }

    private function entry(): Entry
    {
        $uid = $this->text('UID');
        if ($uid === null) {
            $this->warnings->add($this->begunAt, 'no_uid', 'the event has no UID');
        }
        $start = $this->start();

        return new Entry(
            $uid,
            $this->sequence(),
            $start,
            $this->end($start),
            $this->text('SUMMARY'),
            $this->text('DESCRIPTION'),
            $this->text('LOCATION'),
            EventStatus::tryFrom(strtoupper(trim($this->one['STATUS']->value ?? ''))),
            strtoupper(trim($this->one['TRANSP']->value ?? '')) === 'TRANSPARENT',
            match (strtoupper(trim($this->one['CLASS']->value ?? 'PUBLIC'))) {
                'PUBLIC' => 'public', 'CONFIDENTIAL' => 'confidential', default => 'private',
            },
            $this->one['URL']->value ?? null,
            $this->stamp(),
            isset($this->one['ORGANIZER']) ? self::person($this->one['ORGANIZER']) : null,
            isset($this->one['ORGANIZER']->parameters['SENT-BY']) ? CalendarPerson::addressOf($this->one['ORGANIZER']->parameters['SENT-BY']) : null,
            array_map(self::attendee(...), $this->many['ATTENDEE']),
            $this->rule(),
            $this->times('RDATE'),
            $this->times('EXDATE'),
            isset($this->one['RECURRENCE-ID']) ? $this->recurrenceId($this->one['RECURRENCE-ID']) : null,
            $this->thisAndFuture(),
            comment: $this->comment(),
        );
    }

    private function text(string $name): ?string
    {
        return isset($this->one[$name]) ? $this->one[$name]->text() : null;
    }

    private function comment(): ?string
    {
        $texts = array_values(array_filter(array_map(static fn(PropertyLine $line): string => trim($line->text()), $this->many['COMMENT']), static fn(string $text): bool => $text !== ''));

        return $texts === [] ? null : implode("\n", $texts);
    }

    private function start(): ?CalendarTime
    {
        $line = $this->one['DTSTART'] ?? null;
        $time = $line === null ? null : DateTimeText::parse($line->value);
        if ($line === null || $time === null) {
            $this->warnings->add($line->line ?? $this->begunAt, $line === null ? 'no_start' : 'bad_value', $line === null ? 'the event has no DTSTART' : 'DTSTART is neither a date nor a time');

            return null;
        }
        $this->checkType($line, $time);
        $tzid = $line->parameters['TZID'] ?? null;
        if ($time->isUtc && $tzid !== null) {
            $this->warnings->add($line->line, 'bad_value', 'a time in UTC has no TZID; UTC counts', $line->name);
        }
        $this->clock = match (true) {
            $time->isDate => EntryClock::dates(),
            $time->isUtc => EntryClock::utc(),
            $tzid !== null => ($this->clockOf)($line, $tzid, $time->wall),
            default => EntryClock::floating(),
        };

        return $this->within($line, $this->clock->seconds($time->wall));
    }

    private function end(?CalendarTime $start): ?CalendarTime
    {
        $line = $this->one['DTEND'] ?? null;
        $duration = $this->one['DURATION'] ?? null;
        if ($start === null || ($line === null && $duration === null)) {
            return null;
        }
        if ($line !== null && $duration !== null) {
            $this->warnings->add($duration->line, 'end_and_duration', 'there are both an end and a duration; neither counts');

            return null;
        }
        $end = $line === null ? $this->after($start, $duration) : $this->timeOf($line, $line->value);
        if ($end !== null && $end->seconds < $start->seconds) {
            $this->warnings->add(($line ?? $duration)->line, 'end_before_start', 'the end lies before the start and does not count');

            return null;
        }

        return $end;
    }

    private function after(CalendarTime $start, PropertyLine $line): ?CalendarTime
    {
        $duration = DurationText::parse($line->value);
        if ($duration === null || ($start->form === TimeForm::Date && $duration->seconds % 86400 !== 0)) {
            $this->warnings->add($line->line, 'bad_value', $duration === null ? 'DURATION is no length' : 'a date cannot last a part of a day', $line->name);

            return null;
        }

        return $this->within($line, $this->clock->seconds($this->clock->wall($start->seconds) + $duration->days * 86400) + $duration->seconds);
    }

    private function sequence(): int
    {
        $line = $this->one['SEQUENCE'] ?? null;
        if ($line === null || (preg_match('/\A\s*\+?\d{1,10}\s*\z/', $line->value) === 1 && (int) ltrim(trim($line->value), '+') <= Rule::MOST_NUMBER)) {
            return (int) ltrim(trim($line->value ?? '0'), '+');
        }
        $this->warnings->add($line->line, 'bad_value', 'SEQUENCE is no whole number', $line->name);

        return 0;
    }

    private function stamp(): ?int
    {
        $line = $this->one['DTSTAMP'] ?? null;
        $time = $line === null ? null : DateTimeText::parse($line->value);
        if ($line === null) {
            return null;
        }
        if ($time !== null && $time->isUtc) {
            return $time->wall;
        }
        $clock = $time === null || $time->isDate || !isset($line->parameters['TZID']) ? null : ($this->clockOf)($line, $line->parameters['TZID'], $time->wall);
        if ($time !== null && $clock?->isFixed() === true) {
            return $clock->seconds($time->wall);
        }
        $this->warnings->add($line->line, 'bad_value', 'DTSTAMP is no moment in UTC', $line->name);

        return null;
    }

    private function rule(): ?string
    {
        $line = $this->one['RRULE'] ?? null;
        if ($line === null) {
            return null;
        }
        $text = strtoupper(rtrim(trim($line->value), ';'));
        try {
            RuleParser::parse($text);

            return $text;
        } catch (InvalidRule $bad) {
            $this->warnings->add($line->line, 'bad_rule', $bad->getMessage(), $line->name);

            return null;
        }
    }

    private function thisAndFuture(): bool
    {
        $line = $this->one['RECURRENCE-ID'] ?? null;
        $range = strtoupper($line->parameters['RANGE'] ?? '');
        if ($line !== null && $range !== '' && $range !== 'THISANDFUTURE') {
            $this->warnings->add($line->line, 'bad_value', 'RANGE can only be THISANDFUTURE', $line->name);
        }

        return $range === 'THISANDFUTURE';
    }

    /** @return list<CalendarTime> */
    private function times(string $name): array
    {
        $times = [];
        $listed = 0;
        foreach (isset($this->one['DTSTART']) ? $this->many[$name] : [] as $line) {
            $count = substr_count($line->value, ',') + 1;
            $this->work->spend(self::EACH_TIME * $count);
            $this->work->hold(self::HELD * $count);
            $listed += $count;
            foreach (explode(',', $line->value) as $text) {
                if (str_contains($text, '/')) {
                    $this->warnings->add($line->line, 'period', "$name gives a period, of which the start counts", $line->name);
                    $text = substr($text, 0, (int) strpos($text, '/'));
                }
                $time = $this->timeOf($line, $text);
                if ($time !== null) {
                    $times[] = $time;
                }
            }
        }

        $this->work->release(self::HELD * $listed);

        return $times;
    }

    /** A time in the form of the start, whatever form it has in the file; null, with a warning, where that cannot be. */
    private function timeOf(PropertyLine $line, string $text): ?CalendarTime
    {
        $time = DateTimeText::parse($text);
        if ($time === null) {
            $this->warnings->add($line->line, 'bad_value', "$line->name is neither a date nor a time", $line->name);

            return null;
        }
        $tzid = $line->parameters['TZID'] ?? null;
        if ($this->clock->form === TimeForm::Date) {
            if ($time->isDate || ($time->wall % 86400 === 0 && !$time->isUtc)) {
                $this->checkType($line, $time, true);

                return $this->within($line, $time->wall);
            }
        } elseif (!$time->isDate) {
            $this->checkType($line, $time);
            $own = $time->isUtc ? EntryClock::utc() : ($tzid === null || $tzid === ($this->one['DTSTART']->parameters['TZID'] ?? null) ? null : ($this->clockOf)($line, $tzid, $time->wall));
            if ($own === null && $tzid === null && $this->clock->isFixed()) {
                $this->warnings->add($line->line, 'no_zone', "$line->name has no zone and was read in that of DTSTART", $line->name);
            }
            $own ??= $this->clock;
            if ($own->isFixed() === $this->clock->isFixed()) {
                return $this->within($line, $own->seconds($time->wall));
            }
        }
        $this->warnings->add($line->line, 'bad_value', "$line->name has another form than DTSTART and was left out", $line->name);

        return null;
    }

    /** In its own form, which is that of its series' start and may differ from this event's (RFC 5545 3.8.4.4). */
    private function recurrenceId(PropertyLine $line): ?CalendarTime
    {
        $time = DateTimeText::parse($line->value);
        if ($time === null) {
            $this->warnings->add($line->line, 'bad_value', "$line->name is neither a date nor a time", $line->name);

            return null;
        }
        $this->checkType($line, $time);
        $tzid = $line->parameters['TZID'] ?? null;
        $own = match (true) {
            $time->isDate => EntryClock::dates(),
            $time->isUtc => EntryClock::utc(),
            $tzid !== null => ($this->clockOf)($line, $tzid, $time->wall),
            default => EntryClock::floating(),
        };
        if ($own->form === TimeForm::Floating && $this->clock->isFixed()) {
            $this->warnings->add($line->line, 'no_zone', "$line->name has no zone and was read in that of DTSTART", $line->name);
            $own = $this->clock;
        }
        $seconds = $own->seconds($time->wall);

        // All moments of an event in the offset of its zone.
        return $own->isFixed() && $this->clock->isFixed() ? $this->within($line, $seconds) : $this->within($line, $seconds, $own);
    }

    private function checkType(PropertyLine $line, DateTimeText $time, bool $asDate = false): void
    {
        $declared = strtoupper($line->parameters['VALUE'] ?? 'DATE-TIME');
        if ($declared !== 'PERIOD' && (($declared === 'DATE') !== $time->isDate || ($asDate && !$time->isDate))) {
            $this->warnings->add($line->line, 'value_type', "$line->name has another form than its VALUE says", $line->name);
        }
    }

    /** Years 1 to 9999 hold in UTC too. */
    private function within(PropertyLine $line, int $seconds, ?EntryClock $clock = null): ?CalendarTime
    {
        $clock ??= $this->clock;
        $wall = $clock->wall($seconds);
        if (min($wall, $seconds) >= self::FIRST && max($wall, $seconds) <= self::LAST) {
            return $clock->time($seconds);
        }
        $this->warnings->add($line->line, 'bad_value', "$line->name lies outside the years 1 to 9999", $line->name);

        return null;
    }

    private static function person(PropertyLine $line): CalendarPerson
    {
        return new CalendarPerson(CalendarPerson::addressOf($line->value), $line->parameters['CN'] ?? null);
    }

    private static function attendee(PropertyLine $line): CalendarAttendee
    {
        $partstat = strtoupper($line->parameters['PARTSTAT'] ?? '');

        return new CalendarAttendee(
            self::person($line),
            AttendeeRole::ofText($line->parameters['ROLE'] ?? ''),
            in_array($partstat, CalendarAttendee::PARTSTATS, true) ? $partstat : 'NEEDS-ACTION',
            strtoupper($line->parameters['RSVP'] ?? '') === 'TRUE',
            self::addresses($line, 'DELEGATED-TO'),
            self::addresses($line, 'DELEGATED-FROM'),
            self::addresses($line, 'SENT-BY')[0] ?? null,
        );
    }

    /** @return list<string> */
    private static function addresses(PropertyLine $line, string $parameter): array
    {
        $written = $line->parameters[$parameter] ?? '';

        return $written === '' ? [] : array_map(static fn(string $uri): string => CalendarPerson::addressOf(trim($uri)), explode(',', $written));
    }
}
