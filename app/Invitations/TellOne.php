<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Live\Live;
use App\People\Account;
use App\People\Person;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use App\Planning\Over;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Syndex\Core\Invitations\Message;

/** Sends a meeting as it stands once more to one person: who lost the mail, or was left out before. SEQUENCE stays (RFC 5546 2.1.4). */
final readonly class TellOne
{
    public function __construct(private FreezeMeeting $freeze, private PlanChange $plan, private Outbox $outbox, private Live $live) {}

    public function __invoke(Meeting $meeting, Person $person, Account $by): void
    {
        Decide::on(function () use ($meeting, $person, $by): void {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            if ($meeting->status !== MeetingStatus::Sent) {
                throw NotNow::locked($meeting->status->value);
            }
            if (Over::is($meeting)) {
                throw NotNow::over();
            }
            $messages = array_values(array_filter($this->plan->first($this->freeze->asItStands($meeting))->messages(), static fn(Message $m): bool => $m->to === $person->email));
            if ($messages === []) {
                throw new NotFoundHttpException();
            }
            $after = $this->freeze->write($meeting);
            $step = Step::query()->create(['meeting_id' => $meeting->id, 'account_id' => $by->id, 'kind' => StepKind::SentAgain, 'sequence' => $meeting->sequence, 'after' => $after]);
            $this->outbox->tellChange($step, $meeting, new PlannedStep($meeting->sequence, [new TellGroup(null, $messages)], [], []), $after, false);
            $this->live->tell([Live::COORDINATION], 'meeting', $meeting->id);
        });
    }
}
