<?php

declare(strict_types=1);

namespace App\Planning;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Live\Live;
use App\People\Account;
use App\People\Person;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;
use Syndex\Core\ICalendar\AttendeeRole;

/**
 * Hands what somebody hosts and coordinates to somebody else; who leaves is taken out of what lies ahead, too.
 *
 * Of what people know already a change begins, which waits until its coordinator has read it back: nobody hears of it by itself.
 */
final readonly class HandOver
{
    public function __construct(private ChangeOf $changes, private Live $live) {}

    /** @return array{hosts: int, coordinates: int, asked: int} of what is not over */
    public function counts(Person $person): array
    {
        return ['hosts' => $this->hosted($person)->count(), 'coordinates' => $this->coordinated($person)->count(), 'asked' => $this->asked($person)->count()];
    }

    /**
     * @return array{hosts: int, coordinates: int, changes: int} what was handed over, and how many changes wait to be sent
     *
     * @throws NotNow if what they coordinate would be nobody's
     */
    public function __invoke(Person $person, ?Person $to, bool $leaves, Account $by): array
    {
        return Decide::on(function () use ($person, $to, $leaves, $by): array {
            Person::query()->whereIn('id', array_filter([$person->id, $to?->id]))->orderBy('id')->lockForUpdate()->get();
            $coordinated = $this->coordinated($person);
            $account = $to === null ? null : Account::query()->where('person_id', $to->id)->whereNull('deactivated_at')->first();
            if ($coordinated->isNotEmpty() && $account?->role->plans() !== true) {
                throw NotNow::nobodyToCoordinate($coordinated->count());
            }
            $hosted = $this->hosted($person);
            if ($hosted->isNotEmpty() && $to === null) {
                throw NotNow::nobodyToHost($hosted->count());
            }
            if ($account !== null) {
                Meeting::query()->whereIn('id', $coordinated->pluck('id'))->orWhereIn('changes_id', $coordinated->pluck('id'))->update(['coordinator_id' => $account->id]);
            }
            $touched = $leaves ? $hosted->concat($this->asked($person))->unique('id') : $hosted;
            $changes = 0;
            foreach ($touched as $meeting) {
                $changes += $this->replace($meeting->refresh(), $person, $to, $leaves, $account ?? $by) ? 1 : 0;
            }
            $this->live->tell([Live::COORDINATION], 'meeting', $person->id);

            return ['hosts' => $hosted->count(), 'coordinates' => $coordinated->count(), 'changes' => $changes];
        });
    }

    /** @return bool whether a change waits of it */
    private function replace(Meeting $meeting, Person $person, ?Person $to, bool $leaves, Account $coordinator): bool
    {
        $isSent = $meeting->status === MeetingStatus::Sent;
        $sheet = $isSent ? $this->changes->begin($meeting, $coordinator) : $meeting;
        $people = $sheet->attendees()->orderBy('position')->get();
        $rows = array_values($people->reject(static fn(Attendee $a): bool => $leaves && $a->person_id === $person->id)->map(static fn(Attendee $a): array => ['personId' => $a->person_id, 'role' => $a->role, 'teamId' => $a->team_id])->all());
        $isHost = $sheet->host_id === $person->id;
        if ($isHost && $to !== null && !in_array($to->id, array_column($rows, 'personId'), true)) {
            array_unshift($rows, ['personId' => $to->id, 'role' => AttendeeRole::Required, 'teamId' => null]);
        }
        KeepRows::attendees($sheet, $rows);
        if ($leaves) {
            DateAttendee::query()->where('person_id', $person->id)->whereIn('meeting_date_id', $sheet->dates()->select('id'))->delete();
        }
        $sheet->update(['version' => $sheet->version + 1, ...($isHost ? ['host_id' => $to?->id, ...self::withoutLastingRoom($sheet)] : [])]);

        return $isSent;
    }

    /** @return array<string, mixed> what was in the room of who hosted it is in none of another's */
    private static function withoutLastingRoom(Meeting $sheet): array
    {
        return $sheet->standing_of === null ? [] : ['room' => [...(array) $sheet->room, 'standing' => false]];
    }

    /** @return Collection<int, Meeting> */
    private function hosted(Person $person): Collection
    {
        return self::notOver()->where('host_id', $person->id)->orderBy('id')->get();
    }

    /** @return Collection<int, Meeting> */
    private function coordinated(Person $person): Collection
    {
        return self::notOver()->whereIn('coordinator_id', Account::query()->select('id')->where('person_id', $person->id))->orderBy('id')->get();
    }

    /** @return Collection<int, Meeting> */
    private function asked(Person $person): Collection
    {
        return self::notOver()->where(static fn($q) => Visible::isAsked($q, $person->id))->orderBy('id')->get();
    }

    /** @return Builder<Meeting> */
    private static function notOver(): Builder
    {
        return Meeting::query()->whereNull('changes_id')->where(static fn($q) => $q
            ->where('status', MeetingStatus::Draft)
            ->orWhere(static fn($ahead) => $ahead->whereIn('status', [MeetingStatus::Kept, MeetingStatus::Sent])->where(Over::isNot())));
    }
}
