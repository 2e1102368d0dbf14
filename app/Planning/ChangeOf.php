<?php

declare(strict_types=1);

namespace App\Planning;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Live\Live;
use App\People\Account;
use App\People\FindWords;
use App\People\SearchKey;
use Carbon\CarbonImmutable;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Recurrence\CannotEditDate;
use Syndex\Core\Recurrence\EditDates;
use Syndex\Core\Time\WallTime;

/**
 * The sheet on which a sent meeting is changed. It is a draft beside the meeting, which stays as its people know it until the
 * change is sent.
 */
final readonly class ChangeOf
{
    /** Columns that a sheet may change. */
    private const COLUMNS = ['host_id', 'title', 'purpose', 'links', 'starts_local', 'zone', 'all_day', 'duration_minutes', 'rrule', 'extra_local', 'dropped_local', 'moved_local', 'join_mode', 'place', 'room', 'hides_people', 'reminder_minutes', 'calendar_class', 'categories', 'takes_no_time', 'not_forwarded', 'kit_of', 'room_sent'];

    public function __construct(private StartDraft $start, private LayDown $layDown, private MeetingSeries $series, private CutChange $cuts, private Live $live) {}

    /** The sheet that is there, or one begun now. */
    public function begin(Meeting $meeting, Account $coordinator): Meeting
    {
        return Decide::on(function () use ($meeting, $coordinator): Meeting {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            if ($meeting->status !== MeetingStatus::Sent) {
                throw NotNow::locked($meeting->status->value);
            }
            if (Over::is($meeting)) {
                throw NotNow::over();
            }

            return Meeting::query()->where('changes_id', $meeting->id)->lockForUpdate()->first() ?? $this->sheetOf($meeting, $coordinator);
        });
    }

    /**
     * The sheet without some of the dates.
     *
     * @param  list<WallTime>  $dates
     */
    public function without(Meeting $meeting, array $dates, Account $coordinator): Meeting
    {
        return Decide::on(function () use ($meeting, $dates, $coordinator): Meeting {
            $sheet = $this->begin($meeting, $coordinator);
            try {
                $left = $this->series->of($sheet);
                foreach ($dates as $date) {
                    $left = EditDates::drop($left, $date);
                }
            } catch (CannotEditDate $cannot) {
                throw ValidationException::withMessages(['drop' => __('planning.' . $cannot->why)]);
            }
            $this->put($sheet, MeetingSeries::columns($left, $this->series->moved($sheet)));

            return $sheet;
        });
    }

    /**
     * The sheet without a date and all later ones.
     *
     * @throws NotNow if nothing is before it
     */
    public function endBefore(Meeting $meeting, WallTime $date, Account $coordinator): Meeting
    {
        return Decide::on(function () use ($meeting, $date, $coordinator): Meeting {
            $sheet = $this->begin($meeting, $coordinator);
            $columns = $this->cuts->columnsBefore($sheet, $date);
            if ($columns === []) {
                throw ValidationException::withMessages(['endBefore' => __('planning.last_date')]);
            }
            $this->put($sheet, $columns);

            return $sheet;
        });
    }

    /** @param array<string, mixed> $columns */
    private function put(Meeting $sheet, array $columns): void
    {
        $sheet->update([...$columns, 'version' => $sheet->version + 1]);
        $unmoved = $this->series->unmoved($sheet);
        $own = array_map(static fn(OwnDate $d): SheetDate => $d->asked(), array_values($sheet->dates()->with('attendees')->get()->all()));
        $left = array_map(static fn(array $pair): int => $pair[0]->seconds, SheetDates::of(array_column($own, 'date'))->within($unmoved));
        KeepRows::dates($sheet, array_values(array_filter($own, static fn(SheetDate $d): bool => in_array($d->date->seconds, $left, true))));
        $this->live->tell([Live::COORDINATION], 'draft', $sheet->id);
    }

    /**
     * A sheet of the series from one of its dates on; what is before that date stays as it is.
     *
     * @throws NotNow if a change of something else waits
     */
    public function from(Meeting $meeting, WallTime $date, Account $coordinator): Meeting
    {
        return Decide::on(function () use ($meeting, $date, $coordinator): Meeting {
            $waiting = Meeting::query()->where('changes_id', $meeting->id)->lockForUpdate()->first();
            if ($waiting !== null) {
                return $waiting->split_local?->getTimestamp() === $date->seconds ? $waiting : throw NotNow::changeWaits();
            }
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            $occurrence = $meeting->occurrences()->where('date_local', str_replace('T', ' ', $date->format()))->first();
            if ($occurrence === null) {
                throw ValidationException::withMessages(['from' => __('planning.no_such_date')]);
            }
            if ($occurrence->starts_at->isPast()) {
                throw NotNow::over();
            }
            $sheet = $this->begin($meeting, $coordinator);
            try {
                $sheet->update($this->cuts->columnsFrom($meeting, $date));
            } catch (CannotEditDate) {
                throw NotNow::cannotSplit();
            }
            $sheet->dates()->where('date_local', '<', str_replace('T', ' ', $date->format()))->delete();

            return $sheet;
        });
    }

    /**
     * The sheet becomes the meeting that goes on where a series was cut. Answers are carried over where they still hold.
     *
     * @param  array<string, string>  $answers  by person
     */
    public function goOn(CutSeries $cut, Meeting $sheet, Meeting $meeting, array $answers): Meeting
    {
        $this->write($cut->later, $sheet);
        $sheet->update([
            'changes_id' => null, 'status' => MeetingStatus::Sent, 'sent_at' => now(), 'coordinator_id' => $meeting->coordinator_id,
            'split_local' => str_replace('T', ' ', $cut->from->format()), 'split_from_id' => $meeting->id, 'split_from_uid' => $meeting->uid, 'kit_of' => $meeting->own_room_of,
        ]);
        $sheet->attendees()->get()->each(static fn(Attendee $a) => $a->update(['partstat' => $answers[$a->person_id] ?? 'needs-action']));
        FindWords::keepMeeting($sheet->id, SearchKey::distinct($sheet->title));
        $this->layDown->anew($sheet);

        return Meeting::query()->findOrFail($sheet->id);
    }

    /** The meeting that went on where a series was cut becomes the sheet of that change again. */
    public function goBack(Meeting $later, Meeting $meeting): void
    {
        $later->occurrences()->delete();
        $later->update(['changes_id' => $meeting->id, 'status' => MeetingStatus::Draft, 'sent_at' => null, 'split_from_id' => null, 'split_from_uid' => null, 'version' => $later->version + 1]);
        FindWords::keepMeeting($later->id, []);
    }

    /** A sheet that says what a meeting is now. */
    public function sheetOf(Meeting $meeting, Account $coordinator): Meeting
    {
        $meeting->load(['agenda', 'attendees', 'dates.attendees']);
        $sheet = $this->start->create($coordinator, ['changes_id' => $meeting->id, ...self::said($meeting)]);
        self::copyRows($meeting, $sheet);
        $this->live->tell([Live::COORDINATION], 'meeting', $meeting->id);

        return $sheet;
    }

    /**
     * Brings a meeting to what another says: the sheet of its change, or itself as it was. Who stays is the row they were, with
     * their answer.
     *
     * @param  ?CarbonImmutable  $at  when it was changed last
     */
    public function apply(Meeting $sheet, Meeting $meeting, ?CarbonImmutable $at): void
    {
        $this->write($sheet, $meeting);
        $meeting->update(['changed_at' => $at]);
        FindWords::keepMeeting($meeting->id, SearchKey::distinct($meeting->title));
        // What is past stays as it was.
        $this->layDown->ahead($meeting);
        $meeting->refresh();
    }

    /** Writes what one says on the other. */
    public function write(Meeting $from, Meeting $to): void
    {
        $from->loadMissing(['agenda', 'attendees', 'dates.attendees']);
        $to->update([...self::said($from), 'version' => $to->version + 1]);
        self::copyRows($from, $to);
    }

    /** @return array<string, mixed> */
    private static function said(Meeting $meeting): array
    {
        $said = [];
        foreach (self::COLUMNS as $column) {
            $said[$column] = $meeting->getAttribute($column);
        }

        return $said;
    }

    private static function copyRows(Meeting $from, Meeting $to): void
    {
        $there = array_values($to->agenda()->get()->map(static fn(AgendaItem $i): int => $i->id)->all());
        KeepRows::agenda($to, array_values($from->agenda->values()->map(static fn(AgendaItem $i, int $at): array => ['id' => $there[$at] ?? null, 'title' => $i->title, 'minutes' => $i->minutes, 'speaker' => $i->speaker])->all()));
        KeepRows::attendees($to, array_values($from->attendees->map(static fn(Attendee $a): array => ['personId' => $a->person_id, 'role' => $a->role, ...(array_key_exists('team_id', $a->getAttributes()) ? ['teamId' => $a->team_id] : [])])->all()));
        KeepRows::dates($to, array_values($from->dates->map(static fn(OwnDate $d): SheetDate => $d->asked())->all()));
    }
}
