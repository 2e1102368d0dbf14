<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

/** What differs for somebody who is asked to the whole of a meeting, before and after a step. */
final readonly class Differences
{
    /**
     * @param  list<Change>  $wide  what differs on every date that shows the series
     * @param  list<DateChange>  $dates  dates that differ by themselves
     */
    private function __construct(public array $wide, public array $dates) {}

    public static function between(RecipientView $was, RecipientView $now, MeetingChange $change, bool $tellAll): self
    {
        $wide = $change->ofMeeting();
        if ($change->isTime) {
            $wide[] = Change::Time;
        }
        if ($change->isRepeats) {
            $wide[] = Change::Repeats;
        }
        $start = $change->before->series->start;
        $plain = self::ofDate($change->before->plainDate($start), $change->after->plainDate($change->counterpart($start)), $was->key, $tellAll);
        if ($change->hasPlainDates) {
            $wide = [...$wide, ...$plain];
        }
        $dates = [];
        foreach ($change->before->isSeries() === $change->after->isSeries() ? $change->mentioned : [] as $wall) {
            $had = $change->had($wall) && $was->has($wall);
            $has = $change->has($wall) && $now->has($change->counterpart($wall));
            if ($had && $has) {
                $isPlain = !$change->before->isException($wall) && !$change->after->isException($change->counterpart($wall));
                $changes = $isPlain ? $plain : self::ofDate($change->before->on($wall), $change->after->on($change->counterpart($wall)), $was->key, $tellAll);
                if ($changes !== []) {
                    $dates[] = new DateChange($wall, false, false, $changes);
                }
            } elseif ($had && ($change->has($wall) || $change->isDropped($wall))) {
                $dates[] = new DateChange($wall, true, false, [Change::DateDropped]);
            } elseif ($has && ($change->had($wall) || $change->isAdded($wall))) {
                $dates[] = new DateChange($wall, false, true, [Change::DateAdded]);
            }
        }

        return new self(Change::sorted($wide), $dates);
    }

    /**
     * What differs on one date for one person.
     *
     * @return list<Change>
     */
    public static function ofDate(MeetingDate $was, MeetingDate $now, string $key, bool $tellAll): array
    {
        $isMoved = $was->start->seconds - $was->recurrenceId->seconds !== $now->start->seconds - $now->recurrenceId->seconds;

        return array_values(array_filter([
            $isMoved ? Change::DateMoved : null,
            $was->durationMinutes === $now->durationMinutes ? null : Change::Length,
            ($was->location ?? '') === ($now->location ?? '') ? null : Change::Place,
            $was->summary === $now->summary ? null : Change::Title,
            $was->invitee($key)?->role === $now->invitee($key)?->role ? null : Change::Role,
            $tellAll && self::list($was) !== self::list($now) ? Change::People : null,
        ]));
    }

    public function isNothing(): bool
    {
        return $this->wide === [] && $this->dates === [];
    }

    /** The one date that a message of its own can say; null where the whole set must be sent. */
    public function onlyDate(): ?DateChange
    {
        return $this->wide === [] && count($this->dates) === 1 && !$this->dates[0]->isNew ? $this->dates[0] : null;
    }

    /** @return list<Change> */
    public function all(): array
    {
        return Change::sorted([...$this->wide, ...array_merge(...array_column($this->dates, 'changes'))]);
    }

    /** @return array<string, string> */
    private static function list(MeetingDate $date): array
    {
        $list = [];
        foreach ($date->invitees as $invitee) {
            $list[$invitee->key] = $invitee->role->value;
        }
        ksort($list);

        return $list;
    }
}
