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
use Syndex\Core\ICalendar\AttendeeRole;

/** Calls more people into a single meeting: they are told at once, and nobody else hears of it. */
final readonly class CallIn
{
    public function __construct(private ChangeOf $change, private SendChange $send) {}

    /**
     * @param  list<string>  $people  ids
     *
     * @throws NotNow if a change of something else waits, or it is a series: there a change says for which dates they are asked
     */
    public function __invoke(Meeting $meeting, array $people, Account $by): Meeting
    {
        return Decide::on(function () use ($meeting, $people, $by): Meeting {
            if ($meeting->rrule !== null || $meeting->extra_local !== [] || Meeting::query()->where('changes_id', $meeting->id)->exists()) {
                throw NotNow::changeWaits();
            }
            $sheet = $this->change->begin($meeting, $by);
            $there = array_values($sheet->attendees()->get()->map(static fn(Attendee $a): array => ['personId' => $a->person_id, 'role' => $a->role])->all());
            $new = array_values(array_diff(array_unique($people), array_column($there, 'personId')));
            KeepRows::attendees($sheet, [...$there, ...array_map(static fn(string $id): array => ['personId' => $id, 'role' => AttendeeRole::Required], $new)]);

            return ($this->send)($sheet->refresh(), $sheet->version, false, $by, atOnce: true);
        });
    }
}
