<?php

declare(strict_types=1);

namespace App\Planning;

use App\Failure\BridgeFailed;
use App\Joining\JoiningKit;
use App\Joining\MakeKit;
use App\People\Person;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** The rooms that people keep for many meetings. */
final readonly class StandingRooms
{
    public function __construct(private MakeKit $makeKit, private RoomOf $rooms, private LockedRooms $locked) {}

    public function of(Person $person): ?JoiningKit
    {
        return JoiningKit::query()->where('room_id', $person->id)->first();
    }

    /** The room that somebody has, or one opened now. @throws BridgeFailed */
    public function make(Person $person): JoiningKit
    {
        return MakeKit::decided($person->id, fn(): JoiningKit => $this->makeKit->keptOrMade($person->id, $this->locked->locked($person->id) ?? $this->rooms->standing($person)));
    }

    /**
     * Another passcode, PIN or link. Meetings whose people hold the old one are marked until they are told.
     *
     * @param  list<'passcode'|'pin'|'link'>  $what
     *
     * @throws BridgeFailed
     */
    public function anew(Person $person, array $what): JoiningKit
    {
        return MakeKit::decided($person->id, function () use ($person, $what): JoiningKit {
            $wanted = $this->locked->locked($person->id) ?? $this->rooms->standing($person);
            if (in_array('link', $what, true)) {
                // An address that stayed would be the old link again.
                JoiningKit::query()->where('room_id', $person->id)->update(['address' => null]);
                $wanted = $wanted->at(null);
            }

            return $this->makeKit->anew($person->id, $wanted, $what);
        });
    }

    /**
     * An address of their own choosing as the last part of the link; null: the bridge makes one up. The old link is dead from then on,
     * and nobody gets it ever again.
     *
     * @throws BridgeFailed
     * @throws ValidationException if it is taken, was, or is somebody's name
     */
    public function address(Person $person, ?string $address): JoiningKit
    {
        if ($address !== null && $this->isName($address)) {
            throw ValidationException::withMessages(['address' => __('planning.address_name')]);
        }
        try {
            return MakeKit::decided($person->id, function () use ($person, $address): JoiningKit {
                $wanted = $this->locked->locked($person->id) ?? $this->rooms->standing($person);
                $kit = JoiningKit::query()->where('room_id', $person->id)->lockForUpdate()->firstOrFail();
                if ($kit->address === $address) {
                    return $kit;
                }
                if ($address !== null && DB::table('room_addresses')->insertOrIgnore(['address' => $address]) === 0) {
                    throw ValidationException::withMessages(['address' => __('planning.address_taken')]);
                }
                $kit->update(['address' => $address]);

                return $this->makeKit->asWanted($kit, $wanted->at($address));
            });
        } catch (BridgeFailed $failed) {
            throw $failed->isTaken() ? ValidationException::withMessages(['address' => __('planning.address_taken')]) : $failed;
        }
    }

    /**
     * People who hold what opens the room now, from meetings that were held or are planned there, but for those who are asked.
     *
     * @param  list<string>  $asked  ids
     * @return array{count: int, some: list<array{id: string, name: string}>}
     */
    public function holders(string $personId, array $asked): array
    {
        $renewed = JoiningKit::query()->where('room_id', $personId)->first()->renewed_at ?? null;
        if ($renewed === null) {
            return ['count' => 0, 'some' => []];
        }
        // A meeting that was not over when it changed is marked until its people are told.
        $meetings = Meeting::query()->select('id')->where('standing_of', $personId)->whereNull('changes_id')->whereNotNull('sent_at')->whereNull('kit_stale_at')
            ->where(static fn(Builder $q) => $q->where('sent_at', '>=', $renewed)->orWhereNull('last_ends_at')->orWhere('last_ends_at', '>', $renewed))
            ->where(static fn(Builder $q) => $q->whereNull('called_off_at')->orWhere('called_off_at', '>=', $renewed));
        $people = Person::query()->whereIn('id', Attendee::query()->select('person_id')->whereIn('meeting_id', $meetings))->whereNotIn('id', [$personId, ...$asked]);

        return ['count' => (clone $people)->count(), 'some' => array_values($people->orderBy('list_key')->limit(5)->get()->map(static fn(Person $p): array => ['id' => $p->id, 'name' => $p->called()])->all())];
    }

    /**
     * Meetings that are held in the same room while this one is.
     *
     * @param  list<array{int, int}>  $dates  UTC seconds
     * @return list<array{title: string, on: string}> the first date of each, UTC
     */
    public function atOnce(string $personId, array $dates, ?string $meetingId): array
    {
        if ($dates === []) {
            return [];
        }
        $until = max(array_column($dates, 1));
        $others = Occurrence::query()->join('meetings', 'meetings.id', '=', 'occurrences.meeting_id')->where('meetings.standing_of', $personId)->whereNull('meetings.changes_id')
            ->whereIn('meetings.status', [MeetingStatus::Sent, MeetingStatus::Kept])->where('meetings.id', '!=', $meetingId ?? '')
            ->where('starts_at', '<', gmdate('Y-m-d H:i:s', $until))->where('ends_at', '>', gmdate('Y-m-d H:i:s', $dates[0][0]))
            ->orderBy('starts_at')->limit(2000)->toBase()->get(['meetings.id', 'meetings.title', 'starts_at', 'ends_at']);
        $found = [];
        $at = 0;
        foreach ($others as $other) {
            [$from, $to] = [(int) strtotime("$other->starts_at UTC"), (int) strtotime("$other->ends_at UTC")];
            while (isset($dates[$at]) && $dates[$at][1] <= $from) {
                $at++;
            }
            for ($next = $at; isset($dates[$next]) && $dates[$next][0] < $to; $next++) {
                if ($dates[$next][1] > $from) {
                    $found[(string) $other->id] ??= ['title' => (string) $other->title, 'on' => gmdate('Y-m-d\TH:i:s\Z', max($from, $dates[$next][0]))];

                    break;
                }
            }
        }

        return array_values($found);
    }

    /** Names can be guessed. */
    private function isName(string $address): bool
    {
        $letters = str_replace('-', '', $address);

        return Person::query()->whereRaw("replace(replace(replace(name, ' ', ''), '-', ''), '.', '') = ?", [$letters])->exists();
    }
}
