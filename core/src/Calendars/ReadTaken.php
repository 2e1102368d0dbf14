<?php

declare(strict_types=1);

namespace Syndex\Core\Calendars;

use Syndex\Core\ICalendar\CalendarAttendee;
use Syndex\Core\ICalendar\CalendarReader;
use Syndex\Core\ICalendar\CalendarTime;
use Syndex\Core\ICalendar\Entry;
use Syndex\Core\ICalendar\EventStatus;
use Syndex\Core\ICalendar\FreeBusyPeriod;
use Syndex\Core\ICalendar\TimeForm;
use Syndex\Core\Recurrence\InvalidRule;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\TooMuchWork;
use Syndex\Core\Work;

/**
 * Reads out of somebody's calendar which of their time is taken within a window.
 *
 * What is transparent takes no time (RFC 5545 3.8.2.7), nor does what is cancelled or what they declined; what is tentative, or
 * not answered yet, is tentative. Dates and floating times are those of the person's own clock (RFC 5545 3.3.4, 3.3.5).
 */
final class ReadTaken
{
    /** Events that repeat or lie in the window, and changed dates: of more a calendar is not read. */
    private const MOST_ENTRIES = 100_000;

    private const A_DAY = 86400;

    /** What one held entry takes, about. */
    private const HELD = 2_000;

    /** @var list<Entry> */
    private array $masters = [];

    /** @var array<string, list<Entry>> changed dates by UID */
    private array $changed = [];

    /** @var array<string, true> */
    private readonly array $own;

    /**
     * @param  Zone  $zone  where the person is
     * @param  list<string>  $addresses  the person's own, by which their answers are known
     */
    private function __construct(private readonly Zone $zone, private readonly Interval $window, private readonly Work $work, array $addresses)
    {
        $this->own = array_fill_keys(array_map(mb_strtolower(...), $addresses), true);
    }

    /**
     * @param  list<string>  $addresses
     * @return list<TakenTime> in order of start
     *
     * @throws TooMuchWork if the calendar asks for more than one is worth
     * @throws \Syndex\Core\ICalendar\NotACalendar
     */
    public static function from(CalendarReader $reader, Zone $zone, Interval $window, Work $work, array $addresses = []): array
    {
        $self = new self($zone, $window, $work, $addresses);
        foreach ($reader->entries() as $entry) {
            $self->take($entry);
        }
        $taken = [...$self->ofPeriods($reader->periods()), ...$self->ofEntries()];
        usort($taken, static fn(TakenTime $a, TakenTime $b): int => [$a->interval->start, $a->interval->end] <=> [$b->interval->start, $b->interval->end]);

        return $taken;
    }

    private function take(Entry $entry): void
    {
        if ($entry->start === null) {
            return;
        }
        $isChanged = $entry->recurrenceId !== null;
        if (!$isChanged && !$entry->isSeries() && ($this->kind($entry) === null || !$this->reaches($entry))) {
            return;
        }
        if (count($this->masters) + count($this->changed) >= self::MOST_ENTRIES) {
            $this->work->spend(PHP_INT_MAX >> 1);
        }
        $this->work->hold(self::HELD);
        $isChanged ? $this->changed[(string) $entry->uid][] = $entry : $this->masters[] = $entry;
    }

    private function reaches(Entry $entry): bool
    {
        $start = $this->moment($entry->start ?? CalendarTime::utc(0));

        return $start < $this->window->end && $start + $this->seconds($entry) > $this->window->start;
    }

    /**
     * @param  list<FreeBusyPeriod>  $periods
     * @return list<TakenTime>
     */
    private function ofPeriods(array $periods): array
    {
        $taken = [];
        foreach ($periods as $period) {
            $kind = match ($period->type) {
                'FREE' => null,
                'BUSY-TENTATIVE' => 'tentative',
                'BUSY-UNAVAILABLE' => 'away',
                default => 'busy',
            };
            if ($kind !== null && $period->start < $this->window->end && $period->end > $this->window->start) {
                $taken[] = new TakenTime(Interval::between($period->start, $period->end), $kind, null, null);
            }
        }

        return $taken;
    }

    /** @return list<TakenTime> */
    private function ofEntries(): array
    {
        $taken = [];
        foreach ($this->masters as $master) {
            $changed = $this->changed[(string) $master->uid] ?? [];
            $kind = $this->kind($master);
            foreach ($this->startsOf($master, $changed) as $start) {
                if ($kind !== null) {
                    $this->add($taken, $start, $this->seconds($master), $kind, $master);
                }
            }
        }
        foreach ($this->changed as $entries) {
            foreach ($entries as $entry) {
                $kind = $this->kind($entry);
                if ($kind !== null && $entry->start !== null) {
                    $this->add($taken, $this->moment($entry->start), $this->seconds($entry), $kind, $entry);
                }
            }
        }

        return $taken;
    }

    /**
     * @param  list<TakenTime>  $taken
     * @param  'busy'|'tentative'|'away'  $kind
     */
    private function add(array &$taken, int $start, int $seconds, string $kind, Entry $entry): void
    {
        $this->work->spend(1);
        if ($seconds > 0 && $start < $this->window->end && $start + $seconds > $this->window->start) {
            $this->work->hold(400);
            $taken[] = new TakenTime(Interval::between($start, $start + $seconds), $kind, $entry->class === 'public' && ($entry->summary ?? '') !== '' ? mb_substr((string) $entry->summary, 0, 200) : null, $entry->uid);
        }
    }

    /**
     * The moments at which an event begins within the window, without those that are changed.
     *
     * @param  list<Entry>  $changed
     * @return list<int>
     */
    private function startsOf(Entry $master, array $changed): array
    {
        if ($master->start === null) {
            return [];
        }
        $starts = $master->isSeries() ? $this->expand($master, $master->start) : [$this->moment($master->start)];
        $gone = [];
        $until = PHP_INT_MAX;
        foreach ($changed as $entry) {
            if ($entry->recurrenceId !== null) {
                $gone[$this->moment($entry->recurrenceId)] = true;
                // "This and all that follow" stands for the rest of the series (RFC 5545 3.2.13); the file tells of them as changed dates.
                $until = $entry->thisAndFuture ? min($until, $this->moment($entry->recurrenceId)) : $until;
            }
        }
        $left = array_values(array_filter($starts, static fn(int $start): bool => !isset($gone[$start]) && $start < $until));

        return [...$left, ...$this->movedOn($starts, $changed, $until, $gone)];
    }

    /**
     * The dates from a change of "this and all that follow" on, moved as far as that one was.
     *
     * @param  list<int>  $starts
     * @param  list<Entry>  $changed
     * @param  array<int, true>  $gone
     * @return list<int>
     */
    private function movedOn(array $starts, array $changed, int $from, array $gone): array
    {
        foreach ($changed as $entry) {
            if ($entry->thisAndFuture && $entry->recurrenceId !== null && $entry->start !== null && $this->moment($entry->recurrenceId) === $from) {
                $by = $this->moment($entry->start) - $from;

                return array_values(array_map(static fn(int $start): int => $start + $by, array_filter($starts, static fn(int $start): bool => $start > $from && !isset($gone[$start]))));
            }
        }

        return [];
    }

    /** @return list<int> moments */
    private function expand(Entry $master, CalendarTime $start): array
    {
        $wall = static fn(CalendarTime $t): WallTime => WallTime::ofSeconds($t->wall());
        $zone = match ($start->form) {
            TimeForm::Date => null,
            TimeForm::Zoned => $start->zone,
            TimeForm::Floating => $this->zone,
            default => null,
        };
        try {
            $rule = $master->rule === null ? null : RuleParser::parse($master->rule);
            $series = Series::of($start->form === TimeForm::Date, WallTime::ofSeconds($start->wall()), $zone, $rule, array_map($wall, $master->extra), array_map($wall, $master->dropped));
        } catch (InvalidRule) {
            // The first date is sure.
            return [$this->moment($start)];
        }
        // Walls of a series without a zone are told as if at UTC: a day to spare at both ends.
        $from = Instant::ofSeconds($this->window->start - $this->seconds($master) - 2 * self::A_DAY);
        $found = $series->expand($this->work, $from, Instant::ofSeconds($this->window->end + 2 * self::A_DAY));

        $starts = array_map(fn(int $at): int => match ($start->form) {
            TimeForm::Date => $this->zone->toUtc($at),
            TimeForm::Offset => $at - $start->offset,
            default => $at,
        }, $found->starts);
        // What a start means that its rule does not produce is undefined (RFC 5545 3.8.5.3); programs show it, so it is taken.
        $first = $this->moment($start);
        $isThere = in_array($first, $starts, true) || in_array($first, array_map($this->moment(...), $master->dropped), true);

        return $isThere ? $starts : [$first, ...$starts];
    }

    private function moment(CalendarTime $time): int
    {
        return match ($time->form) {
            TimeForm::Date, TimeForm::Floating => $this->zone->toUtc($time->seconds),
            default => $time->seconds,
        };
    }

    /** A day where a date has no end, nothing where a time has none (RFC 5545 3.6.1). */
    private function seconds(Entry $entry): int
    {
        return match (true) {
            $entry->start === null => 0,
            $entry->end !== null => max(0, $entry->end->seconds - $entry->start->seconds),
            $entry->isAllDay() => self::A_DAY,
            default => 0,
        };
    }

    /** @return 'busy'|'tentative'|'away'|null null: takes no time */
    private function kind(Entry $entry): ?string
    {
        if ($entry->isTransparent || $entry->status === EventStatus::Cancelled) {
            return null;
        }
        $answer = null;
        foreach ($entry->attendees as $attendee) {
            $answer = isset($this->own[mb_strtolower($attendee->person->email)]) ? $attendee : $answer;
        }

        return match (true) {
            $answer?->partstat === 'DECLINED' => null,
            $entry->status === EventStatus::Tentative, $answer instanceof CalendarAttendee && $answer->partstat !== 'ACCEPTED' => 'tentative',
            default => 'busy',
        };
    }
}
