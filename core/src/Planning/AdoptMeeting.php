<?php

declare(strict_types=1);

namespace Syndex\Core\Planning;

use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\ICalendar\CalendarAttendee;
use Syndex\Core\ICalendar\CalendarPerson;
use Syndex\Core\ICalendar\CalendarTime;
use Syndex\Core\ICalendar\Entry;
use Syndex\Core\ICalendar\EventStatus;
use Syndex\Core\ICalendar\TimeForm;
use Syndex\Core\Recurrence\CannotEditDate;
use Syndex\Core\Recurrence\EditDates;
use Syndex\Core\Recurrence\InvalidRule;
use Syndex\Core\Recurrence\MovedDates;
use Syndex\Core\Recurrence\NoDates;
use Syndex\Core\Recurrence\Rule;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Recurrence\Until;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Work;

/**
 * Makes a meeting to be planned out of a foreign event: the series with its moved and cancelled dates (RECURRENCE-ID of
 * RFC 5545 3.8.4.4), the people, the words. Whatever cannot be kept as it was is noted, nothing is guessed silently.
 */
final class AdoptMeeting
{
    private const USUAL_MINUTES = 30;

    private const STEP = 5;

    private const A_DAY = 1440;

    private const MOST_DAYS = 31;

    /** @var list<array{code: string, with: array<string, string>}> */
    private array $notes = [];

    private MovedDates $moved;

    /** @var list<AdoptedDate> */
    private array $dates = [];

    private function __construct(private readonly Entry $master, private readonly CalendarTime $start, private readonly Zone $anchor)
    {
        $this->moved = MovedDates::none();
    }

    /**
     * @param  non-empty-list<Entry>  $entries  one UID: the event and its changed dates, in any order
     * @param  Zone  $fallback  whose clock counts where the file names none
     *
     * @throws CannotAdopt
     */
    public static function of(array $entries, Zone $fallback): AdoptedMeeting
    {
        $masters = array_values(array_filter($entries, static fn(Entry $e): bool => $e->recurrenceId === null));
        $master = $masters[0] ?? $entries[0];
        $start = $master->start ?? throw CannotAdopt::noStart();
        if ($master->status === EventStatus::Cancelled) {
            throw CannotAdopt::calledOff();
        }
        $adopt = new self($master, $start, self::anchor($master, $start, $fallback));

        return $adopt->meeting(array_values(array_filter($entries, static fn(Entry $e): bool => $e !== $master && $e->recurrenceId !== null)), count($masters));
    }

    /** A single moment in UTC or at a bare offset is put on the clock of the place; a series keeps the clock it has. */
    private static function anchor(Entry $master, CalendarTime $start, Zone $fallback): Zone
    {
        return $start->zone ?? ($start->form === TimeForm::Utc && $master->isSeries() ? Zone::of('UTC', new \DateTimeZone('UTC')) : $fallback);
    }

    /** @param list<Entry> $changed */
    private function meeting(array $changed, int $masters): AdoptedMeeting
    {
        if ($this->start->form === TimeForm::Floating) {
            $this->note('floating', ['zone' => $this->anchor->id]);
        } elseif ($this->start->form === TimeForm::Offset) {
            $this->note($this->master->isSeries() ? 'zone_unknown_series' : 'zone_unknown', ['zone' => $this->anchor->id]);
        }
        if ($masters > 1) {
            $this->note('several', ['count' => (string) $masters]);
        }
        $minutes = $this->minutes();
        $series = $this->withChanges($this->series(), $changed);

        return new AdoptedMeeting(
            trim($this->master->summary ?? ''),
            trim($this->master->description ?? ''),
            trim($this->master->location ?? ''),
            $this->master->url,
            $series,
            $this->anchor,
            $minutes,
            $this->master->organizer?->email,
            $this->people(),
            $this->notes,
            $this->moved->within($series),
            $this->dates,
        );
    }

    private function minutes(): int
    {
        $allDay = $this->master->isAllDay();
        $end = $this->master->end;
        if ($end === null || $end->seconds <= $this->start->seconds) {
            $this->note('no_end', []);

            return $allDay ? self::A_DAY : self::USUAL_MINUTES;
        }
        $exact = intdiv($end->seconds - $this->start->seconds + 59, 60);
        $step = $allDay ? self::A_DAY : self::STEP;
        $minutes = min(intdiv($exact + $step - 1, $step) * $step, $allDay ? self::MOST_DAYS * self::A_DAY : self::A_DAY);
        if ($minutes !== $exact) {
            $this->note('length', ['was' => (string) $exact, 'now' => (string) $minutes]);
        }

        return $minutes;
    }

    private function series(): Series
    {
        $extra = array_map($this->wall(...), $this->master->extra);
        $dropped = array_map($this->wall(...), $this->master->dropped);
        $series = $this->asSeries($this->rule(), $extra, $dropped);
        try {
            $onRule = $series->startedOnRule(Work::usual());
        } catch (NoDates) {
            throw CannotAdopt::noDates();
        }
        if ($onRule->start->seconds !== $series->start->seconds) {
            // RFC 5545 3.8.5.3: DTSTART should match the rule; where it does not, it is a date of its own here.
            $this->note('start_off_rule', ['date' => $series->start->format()]);
            $onRule = $this->asSeries($onRule->rule, [...$onRule->extra, $series->start], $onRule->dropped, $onRule->start);
        }

        return $this->endedByDay($onRule);
    }

    /**
     * @param list<WallTime> $extra
     * @param list<WallTime> $dropped
     */
    private function asSeries(?Rule $rule, array $extra, array $dropped, ?WallTime $start = null): Series
    {
        $start ??= $this->wall($this->start);

        return Series::of($this->master->isAllDay(), $start, $this->anchor, $rule, $extra, $dropped);
    }

    private function rule(): ?Rule
    {
        if ($this->master->rule === null) {
            return null;
        }
        try {
            $rule = RuleParser::parse($this->master->rule);
            if ($this->master->isAllDay() && $rule->frequency->secondsBelowADay() !== null) {
                throw InvalidRule::notTogether('FREQ', 'a date');
            }

            return $rule;
        } catch (InvalidRule $bad) {
            $this->note('rule', ['rule' => $this->master->rule, 'why' => $bad->getMessage()]);

            return null;
        }
    }

    /** UNTIL as the last day that counts, which is how it is asked for here, where that leaves the same dates. */
    private function endedByDay(Series $series): Series
    {
        $until = $series->rule?->until;
        if ($series->rule === null || $until === null || $until->isWholeDay()) {
            return $series;
        }
        $lastWall = $series->zone === null ? $until->lastMoment(null) : $series->zone->toWall($until->lastMoment($series->zone));
        $byDay = $series->withRule($series->rule->withUntil(Until::day(WallTime::parseDate(WallTime::ofSeconds($lastWall)->formatDate()))));
        $same = $byDay->expand(Work::usual())->starts === $series->expand(Work::usual())->starts;

        return $same ? $byDay : $series;
    }

    /** @param list<Entry> $changed */
    private function withChanges(Series $series, array $changed): Series
    {
        foreach ($changed as $entry) {
            $date = $entry->recurrenceId === null ? null : $this->wall($entry->recurrenceId);
            if ($date === null) {
                continue;
            }
            $said = ['date' => $date->format()];
            if ($entry->thisAndFuture) {
                $this->note('this_and_future', $said);

                continue;
            }
            try {
                if ($entry->status === EventStatus::Cancelled) {
                    $series = EditDates::drop($series, $date);
                } elseif ($entry->start !== null && $this->wall($entry->start)->seconds !== $date->seconds) {
                    $series = EditDates::move($series, $date, $this->wall($entry->start));
                    $this->moved = $this->moved->with($date, $this->wall($entry->start));
                }
            } catch (CannotEditDate) {
                $this->note('change_lost', $said);

                continue;
            }
            if ($entry->status === EventStatus::Cancelled) {
                continue;
            }
            $own = $this->own($entry, $date);
            if ($own !== null) {
                $this->dates[] = $own;
            }
            if ($this->isOtherwise($entry)) {
                $this->note('date_otherwise', ['date' => ($entry->start === null ? $date : $this->wall($entry->start))->format()]);
            }
        }

        return $series;
    }

    /** The length, title and place that a date has of its own; null where it has none. */
    private function own(Entry $entry, WallTime $date): ?AdoptedDate
    {
        $length = static fn(Entry $e): ?int => $e->start === null || $e->end === null || $e->end->seconds <= $e->start->seconds ? null : $e->end->seconds - $e->start->seconds;
        $seconds = $length($entry);
        $step = $this->master->isAllDay() ? self::A_DAY : self::STEP;
        $minutes = $seconds === null || $seconds === $length($this->master) ? null : min(intdiv(intdiv($seconds + 59, 60) + $step - 1, $step) * $step, $this->master->isAllDay() ? self::MOST_DAYS * self::A_DAY : self::A_DAY);
        $title = trim($entry->summary ?? '') === trim($this->master->summary ?? '') ? null : trim($entry->summary ?? '');
        $place = trim($entry->location ?? '') === trim($this->master->location ?? '') ? null : trim($entry->location ?? '');

        return $minutes === null && ($title ?? '') === '' && $place === null ? null : new AdoptedDate($date, $minutes, $title === '' ? null : $title, $place);
    }

    /** Whether a date has what cannot be taken over: other words about it, or other people. Where it lists nobody, they are those of the series. */
    private function isOtherwise(Entry $entry): bool
    {
        $addresses = static fn(Entry $e): array => array_map(static fn(CalendarAttendee $a): string => $a->person->email, $e->attendees);

        return $entry->description !== $this->master->description || !in_array($addresses($entry), [[], $addresses($this->master)], true);
    }

    /** @return list<array{person: CalendarPerson, isRequired: bool}> */
    private function people(): array
    {
        $people = [];
        if ($this->master->organizer !== null) {
            $people[mb_strtolower($this->master->organizer->email)] = ['person' => $this->master->organizer, 'isRequired' => true];
        }
        foreach ($this->master->attendees as $attendee) {
            $people[mb_strtolower($attendee->person->email)] ??= ['person' => $attendee->person, 'isRequired' => $attendee->role === AttendeeRole::Chair || $attendee->role === AttendeeRole::Required];
        }

        return array_values($people);
    }

    /** What the anchor's clock shows at a time of the file. */
    private function wall(CalendarTime $time): WallTime
    {
        return match ($time->form) {
            TimeForm::Date, TimeForm::Floating => $this->master->isAllDay() ? WallTime::parseDate(WallTime::ofSeconds($time->seconds)->formatDate()) : WallTime::ofSeconds($time->seconds)->plusSeconds($time->form === TimeForm::Date ? $this->wall($this->start)->secondOfDay() : 0),
            default => $this->master->isAllDay()
                ? WallTime::parseDate(WallTime::ofSeconds($time->wall())->formatDate())
                : WallTime::ofSeconds($this->anchor->toWall($time->seconds)),
        };
    }

    /** @param array<string, string> $with */
    private function note(string $code, array $with): void
    {
        $this->notes[] = ['code' => $code, 'with' => $with];
    }
}
