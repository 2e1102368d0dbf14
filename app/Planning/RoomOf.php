<?php

declare(strict_types=1);

namespace App\Planning;

use App\HouseRules\HouseRules;
use App\HouseRules\RoomPolicy;
use App\HouseRules\RoomSource;
use App\Joining\BridgeOffers;
use App\Joining\JoiningKit;
use App\Joining\RoomWanted;
use App\Joining\SettleRoom;
use App\People\Person;
use App\People\PersonKind;
use App\People\Team;
use Illuminate\Database\Eloquent\Builder;
use Syndex\Core\Joining\RoomRules;

/** The rules under which the room of a meeting stands: what is locked, what was chosen, what is usual. */
final readonly class RoomOf
{
    /** So many dates ahead the bridge is told of; it is told anew each day. */
    private const TIMES = 60;

    /** Seconds after which a room that is no longer used is closed. */
    private const LEFT_SECONDS = 3600;

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
        $policies = $this->policies(array_values(array_map(static fn(Meeting $m): ?string => $m->host_id, array_filter($meetings, static fn(Meeting $m): bool => !self::keepsSent($m)))));
        $rules = [];
        foreach ($meetings as $meeting) {
            $rules[$meeting->id] = self::keepsSent($meeting) ? RoomRules::of((array) $meeting->room_sent) : $policies[$meeting->host_id ?? '']->rules(RoomChoices::of($meeting)->settings);
        }

        return $rules;
    }

    /** What was sent stands as it was sent, whatever house and teams have decided since. */
    private static function keepsSent(Meeting $meeting): bool
    {
        return $meeting->status === MeetingStatus::Sent && $meeting->room_sent !== null;
    }

    /** @return \Closure(Builder<Meeting>): mixed meetings that are held in a room */
    public static function isHeldIn(string $roomId): \Closure
    {
        return static fn(Builder $q) => $q->where(static fn(Builder $any) => $any
            ->where('standing_of', $roomId)
            ->orWhere(static fn(Builder $own) => $own->whereNull('standing_of')->where(static fn(Builder $key) => $key->whereKey($roomId)->orWhere('kit_of', $roomId))));
    }

    /**
     * Has the bridge told how its room is now. A room that it left is closed a while later: until then people may hold its link, and
     * the step may be taken back.
     *
     * @param  ?string  $wasIn  the room it was in until now
     */
    public function settle(Meeting $meeting, ?string $wasIn = null): void
    {
        SettleRoom::dispatch($meeting->room_of)->afterCommit();
        foreach (array_unique(array_filter([$wasIn, $meeting->own_room_of], static fn(?string $room): bool => $room !== null && $room !== $meeting->room_of)) as $left) {
            SettleRoom::dispatch($left)->delay(self::LEFT_SECONDS)->afterCommit();
        }
    }

    /** Locks who keeps the room of a meeting, so that two meetings do not open or change it at once. Within a decision, after the meeting. */
    public static function lockKeeper(Meeting $meeting): void
    {
        if ($meeting->standing_of !== null) {
            Person::query()->whereKey($meeting->standing_of)->lockForUpdate()->first();
        }
    }

    /** How the room of a person is where nothing is held in it: as is usual with what they host. */
    public function standing(Person $person): RoomWanted
    {
        return new RoomWanted($person->called(), $this->policy($person->id)->rules([]), isStanding: true, address: $this->addressOf($person->id));
    }

    /** @return list<array{address: string, as: string}> */
    private function people(Meeting $meeting): array
    {
        $people = [];
        foreach ($meeting->everybody() as $asked) {
            $people[] = ['address' => $asked->person->email, 'as' => match (true) {
                $asked->person_id === $meeting->host_id => 'host',
                $asked->person->kind === PersonKind::Guest => 'guest',
                default => 'colleague',
            }];
        }

        return $people;
    }

    /** @return list<array{start: string, minutes: int}> of a draft none: they are settled when it is sent */
    private static function times(Meeting $meeting): array
    {
        return array_values($meeting->occurrences()->where('all_day', false)->where('ends_at', '>', now())->limit(self::TIMES)->get()
            ->map(static fn(Occurrence $o): array => ['start' => $o->starts_at->toIso8601ZuluString(), 'minutes' => (int) $o->starts_at->diffInMinutes($o->ends_at)])->all());
    }

    private function addressOf(?string $personId): ?string
    {
        return $personId === null ? null : JoiningKit::query()->where('room_id', $personId)->value('address');
    }

    public function wanted(Meeting $meeting): RoomWanted
    {
        $choices = RoomChoices::of($meeting);
        $parts = $choices->parts;
        $named = [...$choices->coHosts, ...$choices->presenters, ...$parts->people()];
        $addresses = $named === [] ? [] : $meeting->attendees()->with('person')->whereIn('person_id', $named)->get()->mapWithKeys(static fn(Attendee $a): array => [$a->person_id => $a->person->email])->all();
        $of = static fn(array $ids): array => array_values(array_intersect_key($addresses, array_flip($ids)));

        $coHosts = array_values(array_unique([...$choices->coHosts, ...($parts->standIn === null ? [] : [$parts->standIn])]));

        return new RoomWanted(
            $meeting->title,
            $this->rules($meeting),
            $of($coHosts),
            $of($choices->presenters),
            $choices->account === null ? null : $this->offers->account($choices->account)?->id,
            array_map(static fn(array $room): array => ['name' => $room['name'], 'people' => $of($room['people'])], $parts->smallRooms),
            array_values(array_filter(array_map(static fn(array $i): array => ['address' => $addresses[$i['personId']] ?? null, 'from' => $i['from'], 'to' => $i['to']], $parts->interpreters), static fn(array $i): bool => $i['address'] !== null)),
            $this->people($meeting),
            self::times($meeting),
            $meeting->standing_of !== null,
            $this->addressOf($meeting->standing_of),
        );
    }
}
