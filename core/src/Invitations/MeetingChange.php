<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/**
 * What differs between two states of a planned meeting, whoever it concerns.
 *
 * The two lie in one frame where the rule names the same dates in both: then single dates can be told apart. Else every date of
 * the one has its counterpart in the other at the same distance from the start.
 */
final readonly class MeetingChange
{
    /** Rules are held against each other over so many dates. */
    private const SHAPE = 500;

    public bool $isTime;

    public bool $isRepeats;

    /** @var list<WallTime> dates of the first state of which something was said, in either */
    public array $mentioned;

    /** Whether there are dates of which nothing was said in either, so that the series itself shows on them. */
    public bool $hasPlainDates;

    /** @var array<int, true> those that RDATE or EXDATE names in either */
    private array $said;

    private DateSet $hadDates;

    private DateSet $hasDates;

    private int $shift;

    public function __construct(public MeetingSnapshot $before, public MeetingSnapshot $after, Work $work)
    {
        $was = $before->series;
        $now = $after->series;
        $this->shift = $now->start->seconds - $was->start->seconds;
        $this->isTime = $this->shift !== 0 || $was->zone?->id !== $now->zone?->id || $was->allDay !== $now->allDay;
        $this->isRepeats = $was->isRepeated() !== $now->isRepeated() || !self::isSameRule($was, $now, $this->shift, $work);
        $mentioned = [];
        foreach ([...$was->extra, ...$was->dropped, ...array_column($before->exceptions, 'recurrenceId')] as $wall) {
            $mentioned[$wall->seconds] = $wall;
        }
        foreach ([...$now->extra, ...$now->dropped, ...array_column($after->exceptions, 'recurrenceId')] as $wall) {
            $mentioned[$wall->seconds - $this->shift] = $wall->plusSeconds(-$this->shift);
        }
        ksort($mentioned);
        $said = [];
        foreach ([...$was->extra, ...$was->dropped] as $wall) {
            $said[$wall->seconds] = true;
        }
        foreach ([...$now->extra, ...$now->dropped] as $wall) {
            $said[$wall->seconds - $this->shift] = true;
        }
        $this->said = $said;
        $work->spend(count($mentioned));
        $this->mentioned = array_values($mentioned);
        $this->hadDates = DateSet::among($was, $this->mentioned, $work);
        $this->hasDates = DateSet::among($now, array_map($this->counterpart(...), $this->mentioned), $work);
        $this->hasPlainDates = DateSet::hasMoreThan($now, count(array_filter($this->mentioned, $this->has(...))), $work);
    }

    public function isOneFrame(): bool
    {
        return !$this->isTime && !$this->isRepeats;
    }

    /** The date of the second state that stands where this one stood. */
    public function counterpart(WallTime $wall): WallTime
    {
        return $wall->plusSeconds($this->shift);
    }

    public function had(WallTime $wall): bool
    {
        return $this->hadDates->has($wall);
    }

    /** Whether its counterpart is a date of the second state. */
    public function has(WallTime $wall): bool
    {
        return $this->hasDates->has($this->counterpart($wall));
    }

    /** Whether a date was taken away, not merely passed over by another rule. */
    public function isDropped(WallTime $wall): bool
    {
        return $this->had($wall) && !$this->has($wall) && ($this->isOneFrame() || isset($this->said[$wall->seconds]));
    }

    /** Whether a date was put in, or put back, not merely named by another rule. */
    public function isAdded(WallTime $wall): bool
    {
        return !$this->had($wall) && $this->has($wall) && ($this->isOneFrame() || isset($this->said[$wall->seconds]));
    }

    /** @return list<Change> what differs in what every date has from its meeting */
    public function ofMeeting(): array
    {
        $before = $this->before;
        $after = $this->after;

        return array_values(array_filter([
            ($before->url ?? '') === ($after->url ?? '') ? null : Change::Join,
            ($before->description ?? '') === ($after->description ?? '') ? null : Change::Text,
            MailAddress::key($before->organizerAddress) === MailAddress::key($after->organizerAddress) && $before->organizerName === $after->organizerName && $before->sentBy === $after->sentBy ? null : Change::Organizer,
        ]));
    }

    /**
     * Whether SEQUENCE rises, though nobody were taken out (RFC 5546 2.1.4): for all that says when and where, and who invites.
     */
    public function isSignificant(): bool
    {
        $before = $this->before;
        $after = $this->after;
        if (!$this->isOneFrame() || $before->durationMinutes !== $after->durationMinutes || ($before->location ?? '') !== ($after->location ?? '') || array_intersect(array_column($this->ofMeeting(), 'value'), [Change::Join->value, Change::Organizer->value]) !== []) {
            return true;
        }
        foreach ($this->mentioned as $wall) {
            if ($this->had($wall) !== $this->has($wall)) {
                return true;
            }
            [$was, $now] = [$before->on($wall), $after->on($wall)];
            if ($was->start->seconds !== $now->start->seconds || $was->durationMinutes !== $now->durationMinutes || ($was->location ?? '') !== ($now->location ?? '')) {
                return true;
            }
        }

        return false;
    }

    private static function isSameRule(Series $was, Series $now, int $shift, Work $work): bool
    {
        if ($was->rule === null || $now->rule === null) {
            return $was->rule === $now->rule;
        }
        if ($shift === 0 && $was->ruleText() === $now->ruleText()) {
            return true;
        }
        $old = $was->withDates($was->start, $was->rule)->expand($work, limit: self::SHAPE);
        $new = $now->withDates($now->start, $now->rule)->expand($work, limit: self::SHAPE);

        return array_map(static fn(int $wall): int => $wall + $shift, $old->walls) === $new->walls
            && $old->complete === $new->complete
            && ($old->complete || $was->rule->isOpen() === $now->rule->isOpen() && $was->rule->count === $now->rule->count);
    }
}
