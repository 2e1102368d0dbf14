<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Planning\Attendee;
use App\Planning\Meeting;
use App\Planning\RoomChoices;
use Syndex\Core\Invitations\Change;
use Syndex\Core\Invitations\Message;
use Syndex\Core\Invitations\Tell;
use Syndex\Core\Invitations\Told;
use Syndex\Core\Time\Instant;
use Syndex\Core\Work;

/**
 * Who would be told what if the sheet of a change were sent.
 *
 * Each recipient is told from what last left for them: whose invitation still waits knows nothing yet, and is invited to the
 * meeting as it is after the change.
 */
final readonly class PlanChange
{
    public function __construct(private FreezeMeeting $freeze, private CoreMeeting $core) {}

    /**
     * @param  MeetingAsTold  $before  the meeting as its people know it
     * @param  MeetingAsTold  $after  as it will be
     */
    public function of(Meeting $meeting, MeetingAsTold $before, MeetingAsTold $after, bool $tellAll): PlannedStep
    {
        $behind = $this->behind($meeting);
        $now = Instant::ofSeconds(now()->getTimestamp());
        $all = $this->tell($before, $after, $now, $tellAll);
        $groups = [['known' => $before, 'to' => null]];
        foreach ($behind as $snapshot => $addresses) {
            $groups[] = ['known' => $snapshot === 0 ? null : $this->freeze->read(Snapshot::query()->findOrFail($snapshot)->content), 'to' => $addresses];
        }
        $late = array_merge([], ...array_values($behind));
        $told = [];
        $sequence = $all->sequence;
        foreach ($groups as ['known' => $known, 'to' => $to]) {
            $answer = $to === null ? $all : $this->tell($known, $after, $now, $tellAll);
            $sequence = max($sequence, $answer->sequence);
            $messages = array_values(array_filter($answer->messages, static fn(Message $m): bool => $to === null ? !in_array($m->to, $late, true) : in_array($m->to, $to, true)));
            if ($messages !== []) {
                $told[] = new TellGroup($known, $messages);
            }
        }
        $reached = array_merge([], ...array_map(static fn(TellGroup $group): array => array_column($group->messages, 'to'), $told));

        return new PlannedStep($sequence, $told, array_values(array_filter($all->untouched, static fn(string $a): bool => !in_array($a, $reached, true))), $late);
    }

    /** Who must be told what between two states; of the door each only what concerns themself. */
    private function tell(?MeetingAsTold $known, MeetingAsTold $after, Instant $now, bool $tellAll): Told
    {
        if ($known?->room === null || $after->room === null) {
            return Tell::of($known === null ? null : $this->core->of($known), $this->core->of($after), $now, $tellAll, Work::usual());
        }
        [$was, $is] = [$this->core->of($known, entry: [self::door($known)]), $this->core->of($after, entry: [self::door($after)])];
        $told = Tell::of($was, $is, $now, $tellAll, Work::usual());
        if ($tellAll || $was->description === $is->description || $this->core->of($known)->description !== $this->core->of($after)->description) {
            return $told;
        }
        // Nothing but the door is different in the text: it is news to those to whom it says something else.
        $english = LetterWords::english();
        $readers = [];
        foreach ($after->meeting->everybody() as $asked) {
            $readers[$asked->person->email] = $asked->person;
        }
        $isNews = static fn(Message $m): bool => $m->changes !== [Change::Text] || !isset($readers[$m->to]) || EntryWords::of($known, $readers[$m->to], $english) !== EntryWords::of($after, $readers[$m->to], $english);
        $messages = array_values(array_filter($told->messages, $isNews));
        $untouched = array_values(array_unique([...$told->untouched, ...array_diff(array_column($told->messages, 'to'), array_column($messages, 'to'))]));
        sort($untouched, SORT_STRING);

        return new Told($messages === [] ? max($was->sequence, $is->sequence) : $told->sequence, $messages, $untouched);
    }

    /** All of which {@see EntryWords} says something, whoever reads it. */
    private static function door(MeetingAsTold $told): string
    {
        return (string) json_encode([$told->room?->toArray(), $told->meeting->host_id, RoomChoices::of($told->meeting)->column()]);
    }

    /** A meeting of which nobody was told yet. */
    public function first(MeetingAsTold $meeting): PlannedStep
    {
        $told = Tell::of(null, $this->core->of($meeting), Instant::ofSeconds(now()->getTimestamp()), false, Work::usual());

        return new PlannedStep($told->sequence, [new TellGroup(null, $told->messages)], $told->untouched, []);
    }

    /**
     * A change that cuts its series: what ends is told as a change of it, what goes on from there as a meeting of its own.
     *
     * @param  MeetingAsTold  $wasLater  what was to come before, to say what is different
     */
    public function ofCut(Meeting $meeting, MeetingAsTold $before, MeetingAsTold $earlier, MeetingAsTold $wasLater, MeetingAsTold $later): PlannedStep
    {
        $ends = $this->of($meeting, $before, $earlier, false);
        $goesOn = Tell::of(null, $this->core->of($later), Instant::ofSeconds(now()->getTimestamp()), false, Work::usual());
        $reached = array_column($goesOn->messages, 'to');

        return new PlannedStep(
            $ends->sequence,
            [...$ends->groups, ...($goesOn->messages === [] ? [] : [new TellGroup($wasLater, $goesOn->messages, true)])],
            array_values(array_filter($ends->untouched, static fn(string $a): bool => !in_array($a, $reached, true))),
            $ends->late,
        );
    }

    /**
     * What differs for everybody between two states, as if they were of one meeting.
     *
     * @return array<string, list<Change>> by address
     */
    public function differences(MeetingAsTold $was, MeetingAsTold $is): array
    {
        $one = clone $is->meeting;
        $one->setRawAttributes([...$one->getAttributes(), 'uid' => $was->meeting->uid, 'address_token' => $was->meeting->address_token], true);
        $told = Tell::of($this->core->of($was), $this->core->of(new MeetingAsTold($one, $is->organisation, $is->organizer, room: $is->room)), Instant::ofSeconds(now()->getTimestamp()), false, Work::usual());

        $differences = [];
        foreach ($told->messages as $message) {
            $differences[$message->to] = Change::sorted([...$differences[$message->to] ?? [], ...$message->changes]);
        }

        return $differences;
    }

    /** The sheet of a change, or a part of it, as the meeting would be with it. */
    public function asItWouldBe(Meeting $sheet, Meeting $meeting, bool $isLater = false): MeetingAsTold
    {
        $would = clone $sheet;
        $would->loadMissing(['agenda', 'attendees.person', 'dates.attendees.person', 'host', 'kit']);
        // Answers are shown on these alone.
        $would->setRelation('attendees', $would->attendees->map(static fn(Attendee $a): Attendee => clone $a));
        $would->setRelation('coordinator', $meeting->coordinator->loadMissing('person'));
        $answers = $meeting->attendees()->pluck('partstat', 'person_id');
        $would->attendees->each(static function (Attendee $attendee) use ($answers): void {
            $attendee->partstat = $answers[$attendee->person_id] ?? $attendee->partstat;
        });
        $would->setRawAttributes([
            ...$would->getAttributes(),
            ...($isLater ? ['sequence' => 0, 'split_from_uid' => $meeting->uid] : ['id' => $meeting->id, 'uid' => $meeting->uid, 'address_token' => $meeting->address_token, 'sequence' => $meeting->sequence]),
            'status' => $meeting->status->value, 'coordinator_id' => $meeting->coordinator_id, 'changes_id' => null, 'kit_of' => $meeting->own_room_of, 'room_sent' => null,
        ], true);

        return $this->freeze->asItStands($would);
    }

    /**
     * Who does not know the meeting as it stands: something for them waits that has not left, or was refused. By the snapshot that
     * last left for them, 0 where nothing has.
     *
     * @return array<int, list<string>>
     */
    private function behind(Meeting $meeting): array
    {
        $known = $isBehind = [];
        foreach (Dispatch::query()->where('uid', $meeting->uid)->whereNotNull('snapshot_id')->orderBy('id')->get(['recipient', 'state', 'attempted_at', 'snapshot_id']) as $dispatch) {
            $hasLeft = $dispatch->attempted_at !== null && $dispatch->state !== DispatchState::Refused;
            if ($hasLeft) {
                $known[$dispatch->recipient] = (int) $dispatch->snapshot_id;
            }
            $isBehind[$dispatch->recipient] = match ($dispatch->state) {
                DispatchState::Replaced, DispatchState::TakenBack => $isBehind[$dispatch->recipient] ?? !$hasLeft,
                default => !$hasLeft,
            };
        }
        $groups = [];
        foreach (array_filter($isBehind) as $address => $_) {
            $groups[$known[$address] ?? 0][] = (string) $address;
        }

        return $groups;
    }
}
