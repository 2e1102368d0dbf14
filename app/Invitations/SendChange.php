<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Live\Live;
use App\People\Account;
use App\Planning\Answer;
use App\Planning\ChangeOf;
use App\Planning\CutChange;
use App\Planning\CutSeries;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use App\Planning\Over;
use App\Planning\RoomOf;
use Carbon\CarbonImmutable;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Invitations\Change;

/** Sends the change of a meeting: from here on it is as its sheet says, and exactly those whom that concerns are told. */
final readonly class SendChange
{
    /** After such a change nobody has agreed yet (RFC 5546 3.2.2.1). */
    private const ASKED_ANEW = [Change::New, Change::Time, Change::Length, Change::Repeats, Change::DateMoved, Change::Place];

    public function __construct(private FreezeMeeting $freeze, private PlanChange $plan, private Outbox $outbox, private ChangeOf $change, private CutChange $cuts, private Readiness $readiness, private RoomOf $rooms, private Live $live) {}

    /**
     * @param  int  $version  the version of the sheet that was read back
     * @param  list<string>  $leftOut  people who are not told this time
     */
    public function __invoke(Meeting $sheet, int $version, bool $tellAll, Account $by, ?string $words = null, array $leftOut = [], bool $atOnce = false): Meeting
    {
        return Decide::on(function () use ($sheet, $version, $tellAll, $by, $words, $leftOut, $atOnce): Meeting {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($sheet->changes_id);
            $sheet = Meeting::query()->lockForUpdate()->findOrFail($sheet->id);
            if ($meeting->status !== MeetingStatus::Sent) {
                throw NotNow::locked($meeting->status->value);
            }
            if (Over::is($meeting)) {
                throw NotNow::over();
            }
            if ($sheet->version !== $version) {
                throw NotNow::changedElsewhere(['version' => $sheet->version]);
            }
            $missing = $this->readiness->missing($sheet);
            if ($missing !== []) {
                throw NotNow::notReady($missing);
            }
            $channels = SendMeeting::channels($meeting);
            $before = CorrectKits::known($this->freeze, $meeting);
            $known = $this->freeze->read($before);
            $sheet = $this->cuts->keepPast($sheet, $meeting);
            $cut = $this->cuts->of($sheet, $meeting);
            if ($cut !== null) {
                return $this->cut($cut, $sheet, $meeting, $before, $known, $channels, $by, $words, $leftOut);
            }
            $rules = $this->rooms->rules($sheet)->toArray();
            $this->change->apply($sheet, $meeting, CarbonImmutable::now());
            $meeting->update(['room_sent' => $rules]);
            $planned = $this->plan->of($meeting, $known, $this->freeze->asItStands($meeting), $tellAll);
            $meeting->update(['sequence' => $planned->sequence, 'kit_stale_at' => null]);
            $this->askAnew($meeting, $planned, $leftOut);
            $after = $this->freeze->write($meeting->refresh());
            $step = Step::query()->create(['meeting_id' => $meeting->id, 'account_id' => $by->id, 'kind' => StepKind::Changed, 'sequence' => $planned->sequence, 'before' => $before, 'after' => $after, 'words' => $words]);
            $this->outbox->tellChange($step, $meeting, $planned, $after, $tellAll, leftOut: $leftOut, atOnce: $atOnce);
            $sheet->delete();
            $this->rooms->settle($meeting, $known->meeting->room_of);
            $this->live->tell([Live::COORDINATION, ...$channels, ...SendMeeting::channels($meeting)], 'meeting', $meeting->id);

            return $meeting;
        });
    }

    /**
     * The series ends before the first date that is changed, and the sheet becomes the meeting that goes on from there.
     *
     * @param  list<string>  $channels
     * @param  list<string>  $leftOut
     */
    private function cut(CutSeries $cut, Meeting $sheet, Meeting $meeting, string $before, MeetingAsTold $known, array $channels, Account $by, ?string $words, array $leftOut): Meeting
    {
        $wasLater = $this->freeze->asItStands($cut->wasLater);
        $answers = $this->cuts->keepsTimes($cut) ? $meeting->attendees()->pluck('partstat', 'person_id')->all() : [];
        $rules = $this->rooms->rules($sheet)->toArray();
        $later = $this->change->goOn($cut, $sheet, $meeting, $answers);
        $later->update(['room_sent' => $rules]);
        $this->change->apply($cut->earlier, $meeting, CarbonImmutable::now());
        $planned = $this->plan->ofCut($meeting, $known, $this->freeze->asItStands($meeting), $wasLater, $this->freeze->asItStands($later));
        $meeting->update(['sequence' => $planned->sequence]);
        $after = $this->freeze->write($meeting->refresh());
        $step = Step::query()->create(['meeting_id' => $meeting->id, 'account_id' => $by->id, 'kind' => StepKind::Changed, 'split_into_id' => $later->id, 'sequence' => $planned->sequence, 'before' => $before, 'after' => $after, 'words' => $words]);
        $this->outbox->tellChange($step, $meeting, $planned, $after, false, $later, $leftOut);
        $this->rooms->settle($later, $meeting->room_of);
        $this->live->tell([Live::COORDINATION, ...$channels, ...SendMeeting::channels($later)], 'meeting', $meeting->id);

        return $later;
    }

    /** @param list<string> $leftOut */
    private function askAnew(Meeting $meeting, PlannedStep $planned, array $leftOut): void
    {
        $whole = $dates = [];
        foreach ($planned->messages() as $message) {
            if (array_intersect(array_column($message->changes, 'value'), array_column(self::ASKED_ANEW, 'value')) !== []) {
                if ($message->recurrenceId === null) {
                    $whole[$message->to] = true;
                } else {
                    $dates[$message->to][] = str_replace('T', ' ', $message->recurrenceId) . (strlen($message->recurrenceId) === 10 ? ' 00:00:00' : '');
                }
            }
        }
        foreach ($meeting->attendees()->with('person')->get() as $attendee) {
            if ($attendee->role === AttendeeRole::Chair || in_array($attendee->person_id, $leftOut, true)) {
                continue;
            }
            if (isset($whole[$attendee->person->email])) {
                $attendee->update(['partstat' => 'needs-action']);
                Answer::query()->where('meeting_id', $meeting->id)->where('person_id', $attendee->person_id)->delete();
            }
            // Of one date nobody is asked anew about the others.
            foreach ($dates[$attendee->person->email] ?? [] as $date) {
                Answer::query()->where('meeting_id', $meeting->id)->where('person_id', $attendee->person_id)->where('date_local', $date)->update(['partstat' => 'needs-action', 'comment' => null]);
                if ($attendee->partstat !== 'needs-action') {
                    Answer::query()->firstOrCreate(['meeting_id' => $meeting->id, 'person_id' => $attendee->person_id, 'date_local' => $date], ['partstat' => 'needs-action', 'via' => 'mail', 'sequence' => $planned->sequence, 'stamped_at' => now(), 'answered_at' => now()]);
                }
            }
        }
    }
}
