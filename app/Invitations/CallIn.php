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
use App\Planning\OwnDate;
use App\Planning\SheetDate;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Time\WallTime;

/** Calls more people into a meeting, of a series into the date that goes on: they are told at once, and nobody else hears of it. */
final readonly class CallIn
{
    public function __construct(private ChangeOf $change, private SendChange $send, private InviteMore $invite) {}

    /**
     * @param  list<string>  $people  ids
     *
     * @throws NotNow if a change of something else waits, or none of the dates of a series goes on: there a change says for which they are asked
     */
    public function __invoke(Meeting $meeting, array $people, Account $by): Meeting
    {
        return Decide::on(function () use ($meeting, $people, $by): Meeting {
            if ($meeting->rrule === null && $meeting->extra_local === []) {
                return ($this->invite)($meeting, $people, AttendeeRole::Required, $by);
            }
            if (Meeting::query()->where('changes_id', $meeting->id)->exists()) {
                throw NotNow::changeWaits();
            }
            $running = $meeting->occurrences()->where('all_day', false)->where('starts_at', '<=', now())->where('ends_at', '>', now())->first() ?? throw NotNow::noneGoesOn();
            $sheet = $this->change->begin($meeting, $by);
            $this->onDate($sheet, WallTime::parse($running->date_local->format('Y-m-d\TH:i:s')), $people);

            return ($this->send)($sheet->refresh(), $sheet->version, false, $by, atOnce: true);
        });
    }

    /** @param list<string> $people */
    private function onDate(Meeting $sheet, WallTime $date, array $people): void
    {
        $own = array_map(static fn(OwnDate $d): SheetDate => $d->asked(), array_values($sheet->dates()->with('attendees')->get()->all()));
        $that = array_values(array_filter($own, static fn(SheetDate $d): bool => $d->date->seconds === $date->seconds))[0] ?? new SheetDate($date, null, null, null, null);
        $there = $that->people ?? array_values($sheet->attendees()->get()->map(static fn(Attendee $a): array => ['personId' => $a->person_id, 'role' => $a->role])->all());
        $new = array_values(array_diff(array_unique($people), array_column($there, 'personId')));
        $asked = [...$there, ...array_map(static fn(string $id): array => ['personId' => $id, 'role' => AttendeeRole::Required], $new)];
        KeepRows::dates($sheet, [...array_values(array_filter($own, static fn(SheetDate $d): bool => $d->date->seconds !== $date->seconds)), new SheetDate($date, $that->minutes, $that->title, $that->place, $asked)]);
    }
}
