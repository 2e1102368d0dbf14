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
     * For whom something waits that has not left: by the snapshot that last left for them, 0 where nothing has.
     *
     * @return array<int, list<string>>
     */
    private function behind(Meeting $meeting): array
    {
        $waiting = Dispatch::query()->where('uid', $meeting->uid)->where('state', DispatchState::Waiting)->whereNull('attempted_at')->distinct()->pluck('recipient')->all();
        if ($waiting === []) {
            return [];
        }
        $last = Dispatch::query()->where('uid', $meeting->uid)->whereIn('recipient', $waiting)->whereNotNull('attempted_at')->whereNot('state', DispatchState::Refused)
            ->whereNotNull('snapshot_id')->orderBy('id')->pluck('snapshot_id', 'recipient');
        $groups = [];
        foreach ($waiting as $address) {
            $groups[(int) ($last[$address] ?? 0)][] = (string) $address;
        }

        return $groups;
    }
}
