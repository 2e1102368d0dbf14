<?php

declare(strict_types=1);

namespace App\Planning;

use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Recurrence\MovedDates;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Zone;

/** A plan sheet as it was sent in, checked. */
final readonly class Sheet
{
    /**
     * @param  list<array{id: ?int, title: string, minutes: ?int, speaker: ?string}>  $agenda  with the id of an item that is there already
     * @param  list<array{label: string, url: string}>  $links
     * @param  list<array{personId: string, role: AttendeeRole, teamId?: ?string}>  $attendees  with the team as which they are asked
     * @param  Series  $series  as asked for: its start may not be on the rule yet
     * @param  list<SheetDate>  $own  dates that have something of their own
     * @param  bool  $manyAgreed  whether it may have more dates than most would mean
     */
    public function __construct(
        public string $title,
        public string $purpose,
        public array $agenda,
        public array $links,
        public array $attendees,
        public ?string $hostId,
        public Series $series,
        public Zone $zone,
        public int $durationMinutes,
        public JoinMode $joinMode,
        public string $place,
        public bool $manyAgreed = true,
        public ?MovedDates $moved = null,
        public ?bool $hidesPeople = null,
        public array $own = [],
        public EntryChoices $choices = new EntryChoices(),
        public RoomChoices $room = new RoomChoices(),
    ) {}

    /** The same with other dates; what single dates have of their own goes along as it is named now. */
    public function onDates(Series $series, MovedDates $moved, SheetDates $named): self
    {
        $now = [];
        foreach ($named->pairs() as [$was, $is]) {
            $now[$was->seconds] = $is;
        }

        return $this->with(['series' => $series, 'moved' => $moved, 'own' => array_map(static fn(SheetDate $own): SheetDate => $own->on($now[$own->date->seconds] ?? $own->date), $this->own)]);
    }

    /** @param array<string, mixed> $values */
    public function with(array $values): self
    {
        return new self(...[...get_object_vars($this), ...$values]);
    }
}
