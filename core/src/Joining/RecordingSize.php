<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** About how much space a recording takes. */
final class RecordingSize
{
    /** Kilobits a second of picture and sound, and of sound alone (common practice, no published source). */
    private const SEEN = 1000;

    private const HEARD = 64;

    /** @return int megabytes, rounded up */
    public static function megabytes(int $minutes, bool $isSeen): int
    {
        return (int) ceil($minutes * 60 * ($isSeen ? self::SEEN : self::HEARD) / 8000);
    }
}
