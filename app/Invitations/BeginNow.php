<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\BridgeFailed;
use App\People\Account;
use App\People\Person;
use App\Planning\DiscardDraft;
use App\Planning\GiveKit;
use App\Planning\JoinMode;
use App\Planning\Meeting;
use App\Planning\StartDraft;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Time\ZoneData;

/** A meeting that begins this minute: a room of its own, and invitations that leave at once. */
final readonly class BeginNow
{
    private const MINUTES = 30;

    public function __construct(private StartDraft $start, private GiveKit $kit, private SendMeeting $send, private DiscardDraft $discard, private ZoneData $zones) {}

    /**
     * @param  list<Person>  $with  beside whoever calls it
     *
     * @throws BridgeFailed if no room could be had: then there is no meeting, and nobody was told
     */
    public function __invoke(Account $by, string $title, array $with): Meeting
    {
        $own = $by->person;
        $zone = $this->zones->zone($own->zone !== null && $this->zones->knows($own->zone) ? $own->zone : 'UTC');
        $wall = $zone->toWall(now()->getTimestamp());
        $meeting = $this->start->with($by, [
            'host_id' => $own->id, 'title' => $title, 'zone' => $zone->id, 'starts_local' => gmdate('Y-m-d H:i:s', $wall - $wall % 60), 'duration_minutes' => self::MINUTES, 'join_mode' => JoinMode::Online, 'reminder_minutes' => null,
        ], array_map(static fn(Person $p): array => ['person' => $p, 'role' => AttendeeRole::Required], [$own, ...array_values(array_filter($with, static fn(Person $p): bool => $p->id !== $own->id))]));
        try {
            ($this->kit)($meeting, again: false);
        } catch (BridgeFailed $failed) {
            ($this->discard)($meeting);

            throw $failed;
        }

        return ($this->send)($meeting->refresh(), $meeting->version, $by, atOnce: true);
    }
}
