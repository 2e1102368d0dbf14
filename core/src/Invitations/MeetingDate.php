<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

use Syndex\Core\Time\WallTime;

/** One date of a meeting with all that it has of its own, or has as the series has it (RFC 5545 3.8.4.4). */
final readonly class MeetingDate
{
    /**
     * @param  WallTime  $recurrenceId  the date that the rule or RDATE names, on the series' clock
     * @param  WallTime  $start  when it begins, on the same clock
     * @param  list<Invitee>  $invitees  all who are asked on this date
     */
    public function __construct(
        public WallTime $recurrenceId,
        public WallTime $start,
        public int $durationMinutes,
        public string $summary,
        public ?string $location,
        public array $invitees,
    ) {}

    public function invitee(string $key): ?Invitee
    {
        foreach ($this->invitees as $invitee) {
            if ($invitee->key === $key) {
                return $invitee;
            }
        }

        return null;
    }

    /** Whether it is as any other date of the series. */
    public function isAsSeries(MeetingSnapshot $meeting): bool
    {
        return $this->start->seconds === $this->recurrenceId->seconds && $this->durationMinutes === $meeting->durationMinutes
            && $this->summary === $meeting->summary && $this->location === $meeting->location
            && array_map(self::person(...), $this->invitees) === array_map(self::person(...), $meeting->invitees);
    }

    /** @return list<?string> */
    private static function person(Invitee $invitee): array
    {
        return [$invitee->key, $invitee->name, $invitee->role->value];
    }
}
