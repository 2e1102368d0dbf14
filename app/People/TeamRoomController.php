<?php

declare(strict_types=1);

namespace App\People;

use App\HouseRules\HouseRules;
use App\HouseRules\RoomEntry;
use App\HouseRules\RoomPolicy;
use App\HouseRules\RoomSource;
use App\Live\Live;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** How rooms are whose host belongs to a team, where that is otherwise than in the house. */
final readonly class TeamRoomController
{
    public function __construct(private HouseRules $house, private Live $live) {}

    public function show(Team $team): JsonResponse
    {
        $own = RoomSource::read($team->name, $team->room);

        return new JsonResponse(['id' => $team->id, 'name' => $team->name, 'values' => (new RoomPolicy([$this->house->room(), $own]))->rules([])->toArray(), 'own' => (object) $own->usual, 'locked' => $own->locked]);
    }

    public function update(Request $request, Team $team): JsonResponse
    {
        $given = $request->validate([...RoomEntry::rules('room'), 'room' => ['required', 'array:usual,locked']]);
        $room = RoomSource::read($team->name, $given['room']);
        $team->update(['room' => $room->usual === [] && $room->locked === [] ? null : ['usual' => $room->usual, 'locked' => $room->locked]]);
        $this->live->tell([Live::COORDINATION], 'team', $team->id);

        return $this->show($team);
    }
}
