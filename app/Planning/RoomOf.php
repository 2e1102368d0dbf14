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
        return $this->policies([$hostId])[$hostId ?? ''];
    }

    /**
     * @param  list<?string>  $hostIds
     * @return array<string, RoomPolicy> by host, of no host under the empty text
     */
    private function policies(array $hostIds): array
    {
        $house = $this->house->room();
        $policies = [];
        foreach ($hostIds as $hostId) {
            $policies[$hostId ?? ''] = new RoomPolicy([$house]);
        }
        $hosts = Person::query()->whereIn('id', array_unique(array_filter($hostIds)))->with(['teams' => static fn($teams) => $teams->whereNotNull('room')->orderBy('name_key')])->get();
        foreach ($hosts as $host) {
            $policies[$host->id] = new RoomPolicy([$house, ...array_values($host->teams->map(static fn(Team $team): RoomSource => RoomSource::read($team->name, $team->room))->all())]);
        }

        return $policies;
    }

    public function rules(Meeting $meeting): RoomRules
    {
        return $this->rulesOf([$meeting])[$meeting->id];
    }

    /**
     * @param  iterable<Meeting>  $meetings
     * @return array<string, RoomRules> by meeting
     */
    public function rulesOf(iterable $meetings): array
    {
        $meetings = array_values([...$meetings]);
        $policies = $this->policies(array_map(static fn(Meeting $m): ?string => $m->host_id, $meetings));
        $rules = [];
        foreach ($meetings as $meeting) {
            $rules[$meeting->id] = $policies[$meeting->host_id ?? '']->rules(RoomChoices::of($meeting)->settings);
        }

        return $rules;
    }

    public function wanted(Meeting $meeting): RoomWanted
    {
        $choices = RoomChoices::of($meeting);
        $named = [...$choices->coHosts, ...$choices->presenters];
        $addresses = $named === [] ? [] : $meeting->attendees()->with('person')->whereIn('person_id', $named)->get()->mapWithKeys(static fn(Attendee $a): array => [$a->person_id => $a->person->email])->all();
        $of = static fn(array $ids): array => array_values(array_intersect_key($addresses, array_flip($ids)));

        return new RoomWanted($meeting->title, $this->rules($meeting), $of($choices->coHosts), $of($choices->presenters), $choices->account === null ? null : $this->offers->account($choices->account)?->id);
    }
}
