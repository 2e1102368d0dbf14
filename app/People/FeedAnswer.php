<?php

declare(strict_types=1);

namespace App\People;

/** What a feed answered: a calendar, or that it is as it was. */
final readonly class FeedAnswer
{
    /** @param ?string $calendar octets; null: as it was (304) */
    public function __construct(public ?string $calendar, public ?string $etag = null, public ?string $modified = null) {}
}
