<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** A person's line down a pane. */
final readonly class Thread
{
    /**
     * @param  list<Segment>  $lanes  the person's own hours
     * @param  list<Segment>  $blocks  what is taken; the tone is the kind
     */
    public function __construct(public string $id, public bool $required, public bool $host, public bool $calendarKnown, public array $lanes, public array $blocks) {}
}
