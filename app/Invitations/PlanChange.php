<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Planning\Attendee;
use App\Planning\Meeting;
use Syndex\Core\Invitations\Message;
use Syndex\Core\Invitations\Tell;
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
        $then = $this->core->of($after);
        $all = Tell::of($this->core->of($before), $then, $now, $tellAll, Work::usual());
        $groups = [['known' => $before, 'to' => null]];
        foreach ($behind as $snapshot => $addresses) {
            $groups[] = ['known' => $snapshot === 0 ? null : $this->freeze->read(Snapshot::query()->findOrFail($snapshot)->content), 'to' => $addresses];
        }
        $late = array_merge([], ...array_values($behind));
        $told = [];
        $sequence = $all->sequence;
        foreach ($groups as ['known' => $known, 'to' => $to]) {
            $answer = $to === null ? $all : Tell::of($known === null ? null : $this->core->of($known), $then, $now, $tellAll, Work::usual());
            $sequence = max($sequence, $answer->sequence);
            $messages = array_values(array_filter($answer->messages, static fn(Message $m): bool => $to === null ? !in_array($m->to, $late, true) : in_array($m->to, $to, true)));
            if ($messages !== []) {
                $told[] = ['known' => $known, 'messages' => $messages];
            }
        }
        $reached = array_merge([], ...array_map(static fn(array $group): array => array_column($group['messages'], 'to'), $told));

        return new PlannedStep($sequence, $told, array_values(array_filter($all->untouched, static fn(string $a): bool => !in_array($a, $reached, true))), $late);
    }

    /** The sheet of a change as the meeting would be with it. */
    public function asItWouldBe(Meeting $sheet, Meeting $meeting): MeetingAsTold
    {
        $would = clone $sheet;
        $would->load(['agenda', 'attendees.person', 'host', 'kit']);
        $would->setRelation('coordinator', $meeting->coordinator->loadMissing('person'));
        $answers = $meeting->attendees()->pluck('partstat', 'person_id');
        $would->attendees->each(static function (Attendee $attendee) use ($answers): void {
            $attendee->partstat = $answers[$attendee->person_id] ?? $attendee->partstat;
        });
        $would->setRawAttributes([
            ...$would->getAttributes(),
            'id' => $meeting->id, 'uid' => $meeting->uid, 'address_token' => $meeting->address_token, 'sequence' => $meeting->sequence, 'status' => $meeting->status->value, 'coordinator_id' => $meeting->coordinator_id, 'changes_id' => null,
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
