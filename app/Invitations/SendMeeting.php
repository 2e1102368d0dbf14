<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Live\Live;
use App\People\Account;
use App\Planning\Attendee;
use App\Planning\DateAttendee;
use App\Planning\LayDown;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use App\Planning\RoomOf;
use Syndex\Core\Invitations\Announce;
use Syndex\Core\Invitations\Method;

/** Sends a meeting: from here on its people know of it. The mails are made and leave by the outbox. */
final readonly class SendMeeting
{
    public function __construct(private FreezeMeeting $freeze, private CoreMeeting $core, private PlanChange $plan, private Outbox $outbox, private LayDown $layDown, private Readiness $readiness, private RoomOf $rooms, private Live $live) {}

    /**
     * @param  int  $version  the version that was read back
     * @param  bool  $atOnce  without the hold in which it could be taken back
     */
    public function __invoke(Meeting $meeting, int $version, ?Account $by = null, ?string $words = null, bool $atOnce = false): Meeting
    {
        return Decide::on(function () use ($meeting, $version, $by, $words, $atOnce): Meeting {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            if (!$meeting->status->isEditable()) {
                throw NotNow::locked($meeting->status->value);
            }
            if ($meeting->version !== $version) {
                throw NotNow::changedElsewhere(['version' => $meeting->version]);
            }
            $missing = $this->readiness->missing($meeting);
            if ($missing !== []) {
                throw NotNow::notReady($missing);
            }
            $this->layDown->anew($meeting);
            $meeting->update(['status' => MeetingStatus::Sent, 'sent_at' => now(), 'room_sent' => $this->rooms->rules($meeting)->toArray(), 'version' => $meeting->version + 1]);
            $step = Step::query()->create(['meeting_id' => $meeting->id, 'account_id' => $by?->id, 'kind' => StepKind::Sent, 'sequence' => $meeting->sequence, 'after' => $after = $this->freeze->write($meeting), 'words' => $words]);
            // Where dates have people of their own, each is told of the dates to which they are asked.
            $meeting->dates->contains('own_people', true)
                ? $this->outbox->tellChange($step, $meeting, $this->plan->first($this->freeze->asItStands($meeting)), $after, false, atOnce: $atOnce)
                : $this->outbox->tell($meeting, Method::Request, $meeting->sequence, $this->recipients($meeting), step: $step, atOnce: $atOnce);
            $this->rooms->settle($meeting);
            $this->live->tell([Live::COORDINATION, ...self::channels($meeting)], 'meeting', $meeting->id);

            return $meeting;
        });
    }

    /** @return list<array{person: string, address: string}> */
    public function recipients(Meeting $meeting): array
    {
        $told = $this->freeze->asItStands($meeting);
        $people = [];
        foreach ($meeting->everybody() as $attendee) {
            $people[$attendee->person->email] = $attendee->person_id;
        }

        return array_map(static fn(string $address): array => ['person' => $people[$address], 'address' => $address], Announce::recipients($this->core->of($told)));
    }

    /** @return list<string> channels of the colleagues concerned who have an account */
    public static function channels(Meeting $meeting): array
    {
        return array_values(Account::query()->whereIn('person_id', array_map(static fn(Attendee|DateAttendee $a): string => $a->person_id, $meeting->everybody()))->get()->map(static fn(Account $a): string => $a->channel())->all());
    }
}
