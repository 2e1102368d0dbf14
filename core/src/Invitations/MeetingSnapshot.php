<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

use Syndex\Core\Recurrence\Series;

/** A meeting at one moment, with all that an invitation says of it. */
final readonly class MeetingSnapshot
{
    /**
     * @param  int  $sequence  as last sent; 0 when nothing was
     * @param  ?string  $place  a room or an address
     * @param  ?string  $joinLink
     * @param  ?string  $sentBy  who acts for the organizer (RFC 5545 3.2.18)
     * @param  list<Invitee>  $invitees
     */
    public function __construct(
        public string $uid,
        public int $sequence,
        public string $summary,
        public string $description,
        public ?string $place,
        public ?string $joinLink,
        public string $organizerAddress,
        public string $organizerName,
        public ?string $sentBy,
        public Series $series,
        public int $durationMinutes,
        public array $invitees,
        public ?int $reminderMinutes = 15,
    ) {}

    /** The join link belongs in LOCATION as well as in the text (common practice, no published source). */
    public function location(): ?string
    {
        $parts = array_filter([$this->place, $this->joinLink], static fn(?string $part): bool => $part !== null && $part !== '');

        return $parts === [] ? null : implode(', ', $parts);
    }
}
