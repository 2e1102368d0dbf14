<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/** What of a meeting concerns one person: all of it but the dates they are not asked to, single dates, or nothing. */
final readonly class RecipientView
{
    /**
     * @param  bool  $isWhole  asked to the series, or to the one meeting
     * @param  list<MeetingDate>  $dates  where not the whole: the dates they are asked to
     * @param  list<WallTime>  $off  where the whole: the dates they are not asked to
     */
    private function __construct(public ?MeetingSnapshot $meeting, public string $key, public bool $isWhole, public array $dates, public array $off) {}

    /** @param bool $hasDates whether the meeting has any date at all */
    public static function of(?MeetingSnapshot $meeting, string $key, bool $hasDates, Work $work): self
    {
        if ($meeting === null || $meeting->isCalledOff) {
            return new self($meeting, $key, false, [], []);
        }
        $work->spend(4 + count($meeting->exceptions));
        if ($meeting->invitee($key) === null) {
            return new self($meeting, $key, false, array_values(array_filter($meeting->exceptions, static fn(MeetingDate $date): bool => $date->invitee($key) !== null)), []);
        }
        $off = [];
        foreach ($meeting->exceptions as $date) {
            if ($date->invitee($key) === null) {
                $off[] = $date->recurrenceId;
            }
        }

        return new self($meeting, $key, $off === [] ? $hasDates : DateSet::hasMoreThan($meeting->series, count($off), $work), [], $off);
    }

    public function isNothing(): bool
    {
        return !$this->isWhole && $this->dates === [];
    }

    /** Whether they are asked to a date of the set. */
    public function has(WallTime $recurrenceId): bool
    {
        $own = $this->meeting?->exceptions[$recurrenceId->seconds] ?? null;

        return $own === null ? $this->isWhole : $own->invitee($this->key) !== null;
    }
}
