<?php

declare(strict_types=1);

namespace App\Planning;

use App\Joining\GivenKit;
use Syndex\Core\Joining\MeetingNumber;
use Syndex\Core\Joining\Passcode;

/** A meeting's kit as the sheet and its own page show it: the link as its people get it, the telephones that they need. */
final readonly class KitView
{
    public function __construct(private RoomOf $rooms, private MeetingPhones $phones) {}

    /**
     * @param  iterable<Meeting>  $meetings
     * @return array<string, string> the links of those that are joined by one, by meeting
     */
    public function links(iterable $meetings): array
    {
        $meetings = array_filter([...$meetings], static fn(Meeting $m): bool => $m->join_mode->hasLink());
        $rules = $this->rooms->rulesOf($meetings);
        $links = [];
        foreach ($meetings as $meeting) {
            if ($meeting->kit !== null) {
                $links[$meeting->id] = GivenKit::under($meeting->kit, $rules[$meeting->id])->link;
            }
        }

        return $links;
    }

    /** @return ?array<string, mixed> null: it has none */
    public function of(Meeting $meeting): ?array
    {
        $kit = $meeting->kit;
        // One that was left for another room and closed since opens nothing: another is made.
        if ($kit === null || ($kit->closed_at !== null && $meeting->status->isEditable())) {
            return null;
        }
        $rules = $this->rooms->rules($meeting);
        $given = GivenKit::under($kit, $rules);
        $passcode = Passcode::typed($kit->passcode);

        return [
            'link' => $given->link,
            'number' => MeetingNumber::of($kit->number)->format(),
            'passcode' => $kit->passcode,
            'asksPasscode' => $given->passcode !== null,
            'strength' => ['bits' => $passcode->bits(), 'is' => $passcode->strength()],
            'pin' => $kit->pin,
            'standingOf' => $meeting->standing_of,
            'settled' => $kit->unsettled_at === null,
            'dialIns' => $this->phones->of($meeting, $rules),
        ];
    }
}
