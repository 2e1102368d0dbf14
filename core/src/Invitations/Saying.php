<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

use Syndex\Core\Time\WallTime;

/** A message that is to be written: to whom, about what, and why. */
final readonly class Saying
{
    /**
     * @param  ?MeetingDate  $date  the one date it is about; null: the whole
     * @param  bool  $isOff  in a CANCEL: the meeting or the date itself is off, not only for those taken out
     * @param  list<WallTime>  $off  in a REQUEST of the whole: dates to which they are not asked
     * @param  list<Change>  $changes
     */
    private function __construct(public Method $method, public string $to, public string $key, public ?MeetingDate $date, public bool $isOff, public array $off, public array $changes) {}

    /** @param list<Change> $changes */
    public static function whole(RecipientView $now, string $to, array $changes): self
    {
        return new self(Method::Request, $to, $now->key, null, false, $now->off, Change::sorted($changes));
    }

    /** @param list<Change> $changes */
    public static function date(MeetingDate $date, string $to, string $key, array $changes): self
    {
        return new self(Method::Request, $to, $key, $date, false, [], Change::sorted($changes));
    }

    /** @param list<Change> $changes */
    public static function gone(?MeetingDate $date, string $to, string $key, bool $isOff, array $changes): self
    {
        return new self(Method::Cancel, $to, $key, $date, $isOff, [], Change::sorted($changes));
    }
}
