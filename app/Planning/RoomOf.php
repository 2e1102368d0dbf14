<?php

declare(strict_types=1);

namespace App\Planning;

use App\HouseRules\HouseRules;
use App\HouseRules\RoomPolicy;
use App\HouseRules\RoomSource;
use App\Joining\BridgeOffers;
use App\Joining\RoomWanted;
use App\People\Person;
use App\People\Team;
use Syndex\Core\Joining\RoomRules;

/** The rules under which the room of a meeting stands: what is locked, what was chosen, what is usual. */
final readonly class RoomOf
{
    public function __construct(private HouseRules $house, private BridgeOffers $offers) {}

    public function policy(?string $hostId): RoomPolicy
    {
        $teams = $hostId === null ? [] : Person::query()->find($hostId)?->teams()->whereNotNull('room')->orderBy('name_key')->get()->all() ?? [];

        return new RoomPolicy([$this->house->room(), ...array_map(static fn(Team $team): RoomSource => RoomSource::read($team->name, $team->room), array_values($teams))]);
    }

    public function rules(Meeting $meeting): RoomRules
    {
        return $this->policy($meeting->host_id)->rules(RoomChoices::of($meeting)->settings);
    }

    public function wanted(Meeting $meeting): RoomWanted
    {
        $choices = RoomChoices::of($meeting);
        $coHosts = $choices->coHosts === [] ? [] : $meeting->attendees()->with('person')->whereIn('person_id', $choices->coHosts)->get()->map(static fn(Attendee $a): string => $a->person->email)->all();

        return new RoomWanted($meeting->title, $this->rules($meeting), array_values($coHosts), $choices->account === null ? null : $this->offers->account($choices->account)?->id);
    }
}
