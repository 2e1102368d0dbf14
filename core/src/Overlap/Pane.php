<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** A place's own day on the board, ready to be drawn. */
final readonly class Pane
{
    /**
     * @param  list<string>  $places  city names, the one with most people first; empty when the zone is unknown
     * @param  list<string>  $zones
     * @param  ?int  $offset  minutes from UTC at the meeting's start
     * @param  string  $axisWall  wall time of this place at the axis's top
     * @param  list<Segment>  $ground  tone day, dusk, night or day_off
     * @param  list<Mark>  $hours
     * @param  list<Mark>  $midnights  labelled with the date that begins
     * @param  list<array{at: int, minutes: int}>  $clock  changes of offset on the axis: from which minute, by how much
     * @param  list<Thread>  $threads
     */
    public function __construct(
        public string $key,
        public array $places,
        public array $zones,
        public ?int $offset,
        public ?string $axisWall,
        public array $ground,
        public array $hours,
        public array $midnights,
        public array $clock,
        public array $threads,
    ) {}
}
