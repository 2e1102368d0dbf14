<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\People\Account;
use App\Planning\Attendee;
use App\Planning\ChangeOf;
use App\Planning\KeepRows;
use App\Planning\Meeting;
use App\Planning\SheetLimits;
use Illuminate\Validation\ValidationException;
use Syndex\Core\ICalendar\AttendeeRole;

/** Invites more people to a sent meeting, to all its dates: they are told at once, and nobody hears of it to whom nothing changes. */
final readonly class InviteMore
{
    public function __construct(private ChangeOf $change, private SendChange $send) {}

    /**
     * @param  list<string>  $people  ids; who is asked already is passed over
     *
     * @throws NotNow if a change waits: they would be told of it, too
     */
    public function __invoke(Meeting $meeting, array $people, AttendeeRole $role, Account $by): Meeting
    {
        return Decide::on(function () use ($meeting, $people, $role, $by): Meeting {
            // Locked first: who is asked at the same time is read, and not overwritten.
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            if (Meeting::query()->where('changes_id', $meeting->id)->exists()) {
                throw NotNow::changeWaits();
            }
            $there = array_values($meeting->attendees()->get()->map(static fn(Attendee $a): array => ['personId' => $a->person_id, 'role' => $a->role, 'teamId' => $a->team_id])->all());
            $new = array_values(array_diff(array_unique($people), array_column($there, 'personId')));
            if ($new === []) {
                return $meeting;
            }
            if (count($there) + count($new) > SheetLimits::PEOPLE) {
                throw ValidationException::withMessages(['people' => __('planning.too_many_people', ['most' => SheetLimits::PEOPLE])]);
            }
            $sheet = $this->change->begin($meeting, $by);
            KeepRows::attendees($sheet, [...$there, ...array_map(static fn(string $id): array => ['personId' => $id, 'role' => $role], $new)]);

            return ($this->send)($sheet->refresh(), $sheet->version, false, $by, atOnce: true);
        });
    }
}
