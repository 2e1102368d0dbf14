<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\Zone;

/** A person for whom common time is sought: whole seconds, nothing to draw. */
final readonly class SearchedPerson
{
    /** @param list<int> $taken when they are busy: {@see \Syndex\Core\Time\BareStretches}; touching is free */
    public function __construct(public string $id, public bool $required, public Zone $zone, public WorkingHours $hours, public array $taken) {}
}
