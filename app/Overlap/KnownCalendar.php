<?php

declare(strict_types=1);

namespace App\Overlap;

use Carbon\CarbonImmutable;

/** That somebody's calendar is read here, how, and how well that goes. */
final readonly class KnownCalendar
{
    /** @param 'feed'|'file' $kind */
    public function __construct(public int $id, public string $personId, public string $kind, public string $state, public ?CarbonImmutable $readAt, public bool $isKnown, public bool $showsTitles) {}
}
