<?php

declare(strict_types=1);

namespace Syndex\Core\Calendars;

use Syndex\Core\Time\Interval;

/** A stretch that somebody's calendar says is taken. */
final readonly class TakenTime
{
    /**
     * @param  'busy'|'tentative'|'away'  $kind
     * @param  ?string  $title  null where the calendar keeps it to itself or has none
     * @param  ?string  $uid  of the event; null for bare busy times
     */
    public function __construct(public Interval $interval, public string $kind, public ?string $title, public ?string $uid) {}

    /** The same as long as it is the same stretch of the same event. */
    public function key(): string
    {
        return hash('xxh128', "{$this->interval->start} {$this->interval->end} $this->kind $this->uid $this->title");
    }
}
