<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** The daylight board of one date: panes from west to east and the bar through all of them. */
final readonly class DayBoard
{
    /**
     * @param  string  $axisWall  wall time of the anchor at the axis's top
     * @param  int  $barAt  minutes from the top to the meeting's start
     * @param  list<Mark>  $scale  the anchor's hours
     * @param  list<Pane>  $panes
     * @param  list<Standing>  $standings  everyone
     * @param  list<string>  $worstFirst  keys of the panes, by how bad their people have it
     */
    public function __construct(
        public int $index,
        public string $axisStart,
        public string $axisWall,
        public int $axisMinutes,
        public int $barAt,
        public int $barMinutes,
        public array $scale,
        public array $panes,
        public array $standings,
        public array $worstFirst,
    ) {}
}
