<?php

declare(strict_types=1);

namespace App\People;

/** The outside world's calendars. */
interface CalendarSource
{
    /**
     * What a feed says now.
     *
     * @param ?string $etag as it was told last (RFC 9110 8.8.3); null: whatever it says is wanted whole
     * @param ?string $modified the same for a feed that tells a date only (RFC 9110 8.8.2)
     *
     * @throws FeedFailed
     */
    public function read(string $url, ?string $etag, ?string $modified): FeedAnswer;
}
